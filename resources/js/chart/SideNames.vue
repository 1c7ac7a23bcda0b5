<script setup lang="ts">
import type { ViewId } from './Figure.vue'

/** The client's sides over a view of nobody in particular: they change hands between front and back. */
defineProps<{ view: ViewId }>()
</script>
<template>
  <div class="flex justify-between pb-1">
    <p class="side-name">{{ view === 'front' ? 'client’s right' : 'client’s left' }}</p>
    <p class="side-name text-right">{{ view === 'front' ? 'client’s left' : 'client’s right' }}</p>
  </div>
</template>
