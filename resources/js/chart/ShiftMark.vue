<script setup lang="ts">
/** What changed at a place between two moments: a wedge down for less, up for more, a bar for the same; its number beside it. */
defineProps<{ by: number }>()
</script>
<template>
  <g :data-shift="by">
    <circle r="14" fill="var(--mark-halo, var(--color-paper))" opacity="0.92" />
    <path v-if="by < 0" d="M-9-6H9L0 9Z" fill="var(--color-moss)" />
    <path v-else-if="by > 0" d="M-9 6H9L0-9Z" fill="var(--color-madder)" />
    <rect v-else x="-8" y="-2.5" width="16" height="5" fill="var(--color-iron)" />
    <text
      v-if="by"
      x="12"
      y="5"
      font-size="17"
      font-weight="700"
      fill="var(--color-walnut)"
      stroke="var(--mark-halo, var(--color-paper))"
      stroke-width="4"
      paint-order="stroke"
    >
      {{ Math.abs(by) }}
    </text>
  </g>
</template>
