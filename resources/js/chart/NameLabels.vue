<script setup lang="ts">
import type { Label } from './labels'

/** Names in the margins of a figure, each on a leader to what it names. `px`: pixels a unit is wide. */
defineProps<{ list: Label[]; px: number; dark: boolean }>()
</script>
<template>
  <g v-for="one in list" :key="one.text" class="name" pointer-events="none">
    <polyline
      :points="one.leader.map((p) => p.join(',')).join(' ')"
      fill="none"
      :stroke="dark ? 'var(--color-linen-2)' : 'var(--color-walnut-2)'"
      :stroke-width="0.9 / px"
    />
    <circle :cx="one.leader[0]?.[0]" :cy="one.leader[0]?.[1]" :r="2 / px" :fill="dark ? 'var(--color-linen-2)' : 'var(--color-walnut-2)'" />
    <text
      :x="one.x"
      :y="one.y"
      :text-anchor="one.anchor"
      :font-size="13 / px"
      dominant-baseline="middle"
      :fill="dark ? 'var(--color-linen)' : 'var(--color-walnut)'"
      stroke="var(--mark-halo)"
      :stroke-width="3 / px"
      paint-order="stroke"
    >
      {{ one.text }}
    </text>
  </g>
</template>
