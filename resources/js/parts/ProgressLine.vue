<script setup lang="ts">
import type { Progress } from '@/composables/progress'

/** What is being done, and how far it is as soon as that is known. */
defineProps<{ progress: Progress | null; words: string }>()
</script>
<template>
  <div class="max-w-[420px]" role="status">
    <p class="caption">{{ progress ? `${progress.done} of ${progress.of} ${progress.what}…` : words }}</p>
    <div v-if="progress" class="mt-1 h-2 bg-fold" aria-hidden="true">
      <div class="h-2 bg-iron" :style="{ width: `${(100 * progress.done) / Math.max(1, progress.of)}%` }" />
    </div>
  </div>
</template>
