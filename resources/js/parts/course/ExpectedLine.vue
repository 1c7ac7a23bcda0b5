<script setup lang="ts">
import { computed } from 'vue'
import type { CourseLine } from '@/types/visit'
import { dayWords } from '@/composables/settings'

/** How the pain was expected to go, with its band, and how it went: days to scale. */
const props = defineProps<{ line: CourseLine }>()
const [WIDTH, HEIGHT, LEFT, BOTTOM] = [420, 150, 26, 22]
const dayOf = (date: string): number => Date.parse(`${date}T00:00:00Z`) / 86_400_000
const first = computed(() => dayOf(props.line.points[0]?.date ?? ''))
const span = computed(() => Math.max(1, dayOf(props.line.points.at(-1)?.date ?? '') - first.value))
const x = (date: string): number => LEFT + 8 + ((WIDTH - LEFT - 16) * (dayOf(date) - first.value)) / span.value
const y = (pain: number): number => 8 + (HEIGHT - BOTTOM - 16) * (1 - pain / 10)
const path = (points: [string, number][]): string =>
  points.map(([date, value], k) => `${k ? 'L' : 'M'}${x(date).toFixed(1)} ${y(value).toFixed(1)}`).join('')
const band = computed(
  () =>
    `${path(props.line.points.map(({ date, high }) => [date, high]))}L${path([...props.line.points].reverse().map(({ date, low }) => [date, low])).slice(1)}z`,
)
const went = computed(() => props.line.points.flatMap(({ date, actual }) => (actual === null ? [] : [[date, actual] as [string, number]])))
</script>
<template>
  <figure>
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      class="w-full max-w-[460px]"
      role="img"
      :aria-label="`${line.words} ${went.map(([date, value]) => `${dayWords(date)} ${value}`).join(', ')}`"
    >
      <template v-for="mark in [0, 5, 10]" :key="mark">
        <line :x1="LEFT" :x2="WIDTH" :y1="y(mark)" :y2="y(mark)" stroke="var(--color-hairline)" />
        <text :x="LEFT - 6" :y="y(mark) + 4" text-anchor="end" font-size="12" fill="var(--color-walnut-2)">{{ mark }}</text>
      </template>
      <path :d="band" fill="var(--color-fold)" />
      <path
        :d="path(line.points.map(({ date, expected }) => [date, expected]))"
        fill="none"
        stroke="var(--color-ash)"
        stroke-width="1.6"
        stroke-dasharray="6 4"
      />
      <path :d="path(went)" fill="none" stroke="var(--color-walnut)" stroke-width="2.6" />
      <circle v-for="[date, value] in went" :key="date" :cx="x(date)" :cy="y(value)" r="4" fill="var(--color-walnut)">
        <title>{{ dayWords(date) }}: {{ value }}</title>
      </circle>
      <text :x="LEFT + 8" :y="HEIGHT - 5" font-size="12" fill="var(--color-walnut-2)">{{ dayWords(line.points[0]?.date ?? '') }}</text>
      <text v-if="line.points.length > 1" :x="WIDTH" :y="HEIGHT - 5" text-anchor="end" font-size="12" fill="var(--color-walnut-2)">
        {{ dayWords(line.points.at(-1)?.date ?? '') }}
      </text>
    </svg>
    <figcaption>
      {{ line.words }} <span class="caption">The band is what may be expected by the stage; a practice default, not a promise.</span>
    </figcaption>
  </figure>
</template>
