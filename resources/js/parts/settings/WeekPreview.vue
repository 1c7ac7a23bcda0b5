<script setup lang="ts">
import { computed } from 'vue'
import { weekdayWords } from '@/composables/settings'

/** A week as the calendar will draw it: what is open stands out. */
const props = defineProps<{ days: string[]; value: Record<string, [string, string] | null> }>()
const hour = (time: string): number => Number(time.slice(0, 2)) + Number(time.slice(3)) / 60
const open = computed(() => props.days.flatMap((day) => (props.value[day] ? [props.value[day]!] : [])).filter(([from, to]) => from && to))
const first = computed(() => Math.floor(Math.min(9, ...open.value.map(([from]) => hour(from)))))
const last = computed(() => Math.ceil(Math.max(17, ...open.value.map(([, to]) => hour(to)))))
const ROW = 9
</script>
<template>
  <svg :width="252" :height="(last - first) * ROW + 20" :viewBox="`0 0 252 ${(last - first) * ROW + 20}`" role="img" aria-label="The week">
    <g v-for="(day, k) in days" :key="day" :transform="`translate(${28 + k * 32} 16)`">
      <text y="-5" x="14" text-anchor="middle" font-size="11" fill="var(--color-walnut-2)">{{ weekdayWords(`2024-01-0${k + 1}`) }}</text>
      <rect width="28" :height="(last - first) * ROW" fill="var(--color-fold)" />
      <rect
        v-if="value[day] && hour(value[day]![1]) > hour(value[day]![0])"
        width="28"
        :y="(hour(value[day]![0]) - first) * ROW"
        :height="(hour(value[day]![1]) - hour(value[day]![0])) * ROW"
        fill="var(--color-raised)"
        stroke="var(--color-walnut)"
        stroke-width="1.4"
      />
    </g>
    <text
      v-for="at in [first, last]"
      :key="at"
      x="20"
      :y="16 + (at - first) * ROW + (at === first ? 9 : 0)"
      text-anchor="end"
      font-size="11"
      fill="var(--color-walnut-2)"
    >
      {{ at }}
    </text>
  </svg>
</template>
