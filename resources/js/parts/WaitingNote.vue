<script setup lang="ts">
import { computed } from 'vue'
import { waiting } from '@/composables/waiting'
import { plural } from './words'

/**
 * What takes a while says so: a line that grows from the middle of the window to both sides, and after a second the words, with how long it
 * has been. Whoever hears the page is told once.
 */
const LONG_S = 8
const { line, seconds } = waiting
const words = computed(() =>
  seconds.value < LONG_S
    ? `Still working, ${plural(seconds.value, 'second', 'seconds')}.`
    : `${plural(seconds.value, 'second', 'seconds')}, longer than usual. What you entered stays.`,
)
</script>
<template>
  <div v-if="line" class="waiting no-print pointer-events-none fixed inset-x-0 z-[95]" data-testid="waiting">
    <div class="waiting-line mx-auto h-[3px] bg-current" />
    <p v-if="seconds" class="mx-auto w-fit rounded-b-[2px] bg-iron px-4 py-1 text-paper" aria-hidden="true">{{ words }}</p>
  </div>
  <p class="sr-only" aria-live="polite" data-testid="waiting-heard">{{ seconds ? 'Still working' : '' }}</p>
</template>
<style scoped>
.waiting {
  top: var(--demo, 0px);
}
/* where nothing may move it stands */
.waiting-line {
  width: 40%;
  animation: waiting-line 9s cubic-bezier(0.1, 0.7, 0.3, 1) both;
}
@keyframes waiting-line {
  from {
    width: 4%;
  }
  to {
    width: 94%;
  }
}
</style>
