<script setup lang="ts">
import { computed } from 'vue'
import type { AtlasMovement } from '@/chart/atlas'

/** Paired ranges about the midline: from its top an arc opens to each side by the true angle; over 90° at half scale, and said so. */
const props = withDefaults(
  defineProps<{
    movement: AtlasMovement
    left?: number | undefined
    right?: number | undefined
    before?: { left?: number | undefined; right?: number | undefined } | undefined
    tick?: string
  }>(),
  { tick: 'last visit', left: undefined, right: undefined, before: undefined },
)
const half = computed(() => props.movement.norm > 90)
const degrees = computed(() => props.movement.unit === 'deg')
const R = 88
const angle = (value: number): number => {
  const turn = degrees.value ? value * (half.value ? 0.5 : 1) : (value / Math.max(1, props.movement.norm)) * 60
  return (Math.min(118, Math.max(0, turn)) * Math.PI) / 180
}
const at = (value: number, sign: number, radius: number): string =>
  `${(sign * radius * Math.sin(angle(value))).toFixed(1)} ${(100 - radius * Math.cos(angle(value))).toFixed(1)}`
const arc = (value: number, sign: number, radius: number): string =>
  `M0 ${100 - radius}A${radius} ${radius} 0 ${angle(value) > Math.PI ? 1 : 0} ${sign > 0 ? 1 : 0} ${at(value, sign, radius)}`
const between = (from: number, to: number, sign: number): string =>
  `M${at(from, sign, R)}A${R} ${R} 0 0 ${sign > 0 ? 1 : 0} ${at(to, sign, R)}`
const sides = computed(() => [
  { name: 'left', sign: -1, value: props.left, was: props.before?.left, across: props.right },
  { name: 'right', sign: 1, value: props.right, was: props.before?.right, across: props.left },
])
const gap = computed(() =>
  props.left === undefined || props.right === undefined ? null : Math.round(Math.abs(props.left - props.right) * 10) / 10,
)
</script>
<template>
  <figure class="m-0">
    <svg
      viewBox="-150 -16 300 152"
      class="w-full max-w-[460px]"
      role="img"
      :aria-label="`${movement.name}: left ${left ?? 'not measured'}, right ${right ?? 'not measured'}`"
    >
      <line y1="-8" y2="108" stroke="var(--color-iron)" stroke-width="2" />
      <g v-for="side in sides" :key="side.name">
        <path :d="arc(movement.norm, side.sign, R + 9)" fill="none" stroke="var(--color-ash)" stroke-width="1.6" stroke-dasharray="2 4" />
        <template v-if="side.value !== undefined">
          <path :d="`${arc(side.value, side.sign, R)}L0 100Z`" fill="var(--color-woad-wash)" />
          <path :d="arc(side.value, side.sign, R)" fill="none" stroke="var(--color-woad)" stroke-width="6" />
          <path
            v-if="side.across !== undefined && side.across > side.value"
            :d="between(side.value, side.across, side.sign)"
            fill="none"
            stroke="var(--color-walnut)"
            stroke-width="2"
            stroke-dasharray="2 4"
          />
        </template>
        <line
          v-if="side.was !== undefined"
          :x1="at(side.was, side.sign, R - 8).split(' ')[0]"
          :y1="at(side.was, side.sign, R - 8).split(' ')[1]"
          :x2="at(side.was, side.sign, R + 8).split(' ')[0]"
          :y2="at(side.was, side.sign, R + 8).split(' ')[1]"
          stroke="var(--color-walnut)"
          stroke-width="2"
        />
        <text
          :x="side.sign * 26"
          y="126"
          text-anchor="middle"
          class="display"
          font-size="26"
          fill="var(--color-walnut)"
          :style="{ fontFamily: 'var(--font-display)' }"
        >
          {{ side.value ?? '–' }}
        </text>
      </g>
    </svg>
    <figcaption class="caption text-center">
      <template v-if="gap !== null"
        >{{
          gap === 0
            ? 'Both sides the same.'
            : `${gap}${degrees ? '°' : ' ' + movement.unit} between the sides${gap < movement.error ? ', within measuring error' : ''}.`
        }} </template>{{ ' ' }}Dotted: usual {{ movement.norm }}{{ degrees ? '°' : ' ' + movement.unit }}.<template v-if="half">
        Drawn at half scale.</template
      ><template v-if="before?.left !== undefined || before?.right !== undefined"> Tick: {{ tick }}.</template>
    </figcaption>
  </figure>
</template>
