<script setup lang="ts">
/** One bone, or a pale sheet: a shape with its edge, or a rod of its width. */
defineProps<{ bone: { d: string; w?: number; sheet?: boolean }; fill: string; line: string }>()
</script>
<template>
  <path v-if="bone.w && !bone.sheet" :d="bone.d" fill="none" :stroke="line" :stroke-width="bone.w + 1.1" stroke-linecap="round" />
  <path :d="bone.d" :fill="bone.w ? 'none' : fill" :stroke="bone.w ? fill : line" :stroke-width="bone.w ?? 0.55" stroke-linecap="round" />
</template>
