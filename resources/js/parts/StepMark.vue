<script setup lang="ts">
import type { StepState } from '@/types/visit'

/** A step on the line of a visit: where one is, or how far it is done. */
defineProps<{ state: StepState | 'here' }>()
</script>
<template>
  <svg width="24" height="24" viewBox="-12 -12 24 24" aria-hidden="true">
    <g v-if="state === 'here'">
      <line y2="12" stroke="var(--color-iron)" stroke-width="2" />
      <circle r="6" fill="var(--color-walnut)" />
    </g>
    <g v-else-if="state === 'blocked'">
      <rect x="-9" y="-3" width="18" height="6" fill="var(--color-paper)" />
      <line v-for="x in [-5, 5]" :key="x" :x1="x" :x2="x" y1="-6" y2="6" stroke="var(--color-madder)" stroke-width="2.6" />
    </g>
    <line v-else-if="state === 'done'" y1="-6" y2="6" stroke="var(--color-iron)" stroke-width="3.5" />
    <line v-else-if="state === 'part'" y1="-6" y2="0" stroke="var(--color-iron)" stroke-width="3.5" />
    <circle v-else r="4" fill="var(--color-paper)" stroke="var(--color-iron)" stroke-width="1.6" />
  </svg>
</template>
