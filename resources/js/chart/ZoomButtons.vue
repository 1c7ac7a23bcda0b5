<script setup lang="ts">
/** Nearer and farther, for a figure that is zoomed. `farthest`: all of it is seen. */
defineProps<{ farthest: boolean }>()
const emit = defineEmits<{ by: [factor: number] }>()
const STEP = 1.6
</script>
<template>
  <button type="button" class="cell tool" aria-label="Nearer" title="Nearer (+)" @click="emit('by', STEP)">+</button>
  <button type="button" class="cell tool" aria-label="Farther" title="Farther (−)" :disabled="farthest" @click="emit('by', 1 / STEP)">
    −
  </button>
</template>
