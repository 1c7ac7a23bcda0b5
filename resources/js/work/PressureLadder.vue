<script setup lang="ts">
import { computed } from 'vue'

/**
 * The pressure ladder of the side being worked: what is pressed now, the ceiling as a lintel, what was done. The breath is a line that
 * rises and sinks along its rail at the client's own rhythm.
 */
const props = defineProps<{
  /** where it grows to */
  side: 1 | -1
  pressure: number
  ceiling: number | null
  /** strongest so far in this step */
  done: readonly number[]
  next: number | null
  lean: number | null
  /** where the breath is, 0 in to 1 out; null where it is not shown */
  breath: number | null
}>()
const y = (n: number): number => 424 - (n - 1) * 53
const rung = (n: number): number => (58 + 22 * n) * 0.72
const lintel = computed(() => (props.ceiling === null ? null : y(props.ceiling) - 32))
const reached = computed(() => new Set(props.done.map((one) => Math.round(one))))
</script>
<template>
  <svg viewBox="-118 10 236 456" class="h-full w-full" role="img" :aria-label="`Pressure now ${pressure}, ceiling ${ceiling ?? 'none'}`">
    <g :transform="`translate(${-side * 62},0)`">
      <line y1="30" y2="452" stroke="var(--color-linen-2)" stroke-width="2.6" />
      <line
        v-if="breath !== null"
        :x1="-side * 6"
        :x2="side * 150"
        :y1="y(1) - (1 - breath) * (y(1) - y(7))"
        :y2="y(1) - (1 - breath) * (y(1) - y(7))"
        stroke="var(--color-room-moss)"
        stroke-width="5"
        stroke-linecap="round"
      />
      <g v-for="n in 8" :key="n">
        <line
          v-if="Math.abs(n - pressure) > 0.6 && (ceiling === null || n <= ceiling) && !reached.has(n)"
          :x2="side * rung(n)"
          :y1="y(n)"
          :y2="y(n)"
          stroke="var(--color-room-ash)"
          stroke-width="2.6"
        />
        <rect
          v-if="reached.has(n) && Math.abs(n - pressure) > 0.6"
          :x="side === 1 ? 0 : -rung(n)"
          :y="y(n) - 20"
          :width="rung(n)"
          height="40"
          fill="var(--color-room-done)"
        />
        <text
          v-if="Math.abs(n - pressure) > 0.8"
          :x="-side * 14"
          :y="y(n) + 11"
          :text-anchor="side === 1 ? 'end' : 'start'"
          fill="var(--color-linen-2)"
          class="display"
          font-size="32"
        >
          {{ n }}
        </text>
      </g>
      <rect
        v-if="next !== null && Math.abs(next - pressure) > 0.4"
        :x="side === 1 ? 0 : -rung(next)"
        :y="y(next) - 20"
        :width="rung(next)"
        height="40"
        fill="none"
        stroke="var(--color-room-weld)"
        stroke-width="2.4"
        stroke-dasharray="8 6"
      />
      <rect :x="side === 1 ? 0 : -rung(pressure)" :y="y(pressure) - 22" :width="rung(pressure)" height="44" fill="var(--color-room-weld)" />
      <text
        :x="-side * 12"
        :y="y(pressure) + 20"
        :text-anchor="side === 1 ? 'end' : 'start'"
        fill="var(--color-room-weld)"
        class="display"
        font-size="60"
        font-weight="700"
      >
        {{ pressure }}
      </text>
      <text
        v-if="lean !== null"
        :x="side * 4"
        y="462"
        :text-anchor="side === 1 ? 'start' : 'end'"
        fill="var(--color-linen-2)"
        font-size="30"
      >
        lean {{ lean }} %
      </text>
      <g v-if="lintel !== null">
        <rect :x="side === 1 ? -20 : -160" :y="lintel" width="180" height="8" fill="var(--color-linen)" />
        <text :x="side * 8" :y="lintel - 10" :text-anchor="side === 1 ? 'start' : 'end'" fill="var(--color-linen)" font-size="30">
          ceiling
        </text>
      </g>
    </g>
  </svg>
</template>
