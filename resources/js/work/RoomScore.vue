<script setup lang="ts">
import { computed } from 'vue'
import { timed } from '@/composables/planOrder'
import type { Plan, PlanStep } from '@/types/visit'

/**
 * The visit's score runs past the midline: what is done above, what comes below, each on its own side. The hold in hand is a bar that fills
 * along the line, with a tick for each repeat; what lasts longer than it was meant to goes on in another tone.
 */
const props = defineProps<{
  plan: Plan
  step: PlanStep
  ended: ReadonlySet<string>
  /** of the place in hand */
  seconds: number
  planned: number
  repeats: number
}>()
const W = 150
const H = 404
const NOW = 96
const HOLD = 176
const PER_MINUTE = 15
const UNIT = 6.6
const SPINE = 13
const starts = computed(() => timed(props.plan))
const at = computed(() => starts.value.find(({ step }) => step.id === props.step.id))
const sides = (step: PlanStep): (-1 | 1)[] => (step.side === 'left' ? [-1] : step.side === 'right' ? [1] : [-1, 1])
const firm = (step: PlanStep): number => {
  const pressed = step.passes.map((pass) => pass.pressure)
  return pressed.length ? Math.max(...pressed) : ['warm_up', 'finish', 'soothe', 'rest_stroke', 'cold'].includes(step.kind) ? 2 : 0
}
/** One contour: sinks in and eases out. */
const contour = (y: number, h: number, felt: number, sign: number): string => {
  const base = sign * SPINE
  const x = base + sign * felt * UNIT
  const ease = Math.min(7, h * 0.4)
  return `M${base} ${y}C${base} ${y + ease} ${x} ${y} ${x} ${y + ease}V${y + h - ease}C${x} ${y + h} ${base} ${y + h - ease} ${base} ${y + h}Z`
}
const shapes = computed(() =>
  starts.value.flatMap(({ step, start }) => {
    const here = at.value
    if (!here || step.id === props.step.id) return []
    const h = Math.max(3, step.minutes * PER_MINUTE - 2)
    const before = start < here.start
    const y = before
      ? NOW - 12 - (here.start - start) * PER_MINUTE
      : NOW + HOLD + 12 + (start - here.start - here.step.minutes) * PER_MINUTE
    if (y + h < 0 || y > H) return []
    const felt = firm(step)
    return [
      {
        id: step.id,
        y,
        h,
        before,
        kind: step.kind,
        paths: felt ? sides(step).map((sign) => contour(y, h, felt, sign)) : [],
        out: before !== props.ended.has(step.id),
      },
    ]
  }),
)
const share = computed(() => Math.min(1, props.seconds / props.planned))
const over = computed(() => Math.min(1, Math.max(0, props.seconds / props.planned - 1)))
const ticks = computed(() =>
  Array.from({ length: Math.max(0, Math.min(12, props.repeats) - 1) }, (_, k) => ((k + 1) * HOLD) / Math.min(12, props.repeats)),
)
</script>
<template>
  <svg :viewBox="`${-W / 2} 0 ${W} ${H}`" class="h-full w-full" preserveAspectRatio="xMidYMin meet" aria-hidden="true">
    <line y1="0" :y2="H" stroke="var(--color-room-ash)" stroke-width="2" />
    <g v-for="one in shapes" :key="one.id" :opacity="one.before ? 0.55 : 1">
      <path
        v-for="d in one.paths"
        :key="d"
        :d="d"
        :fill="one.before ? (one.out ? 'none' : 'var(--color-room-done)') : 'none'"
        :stroke="one.kind === 'treat' ? 'var(--color-room-weld)' : 'var(--color-room-ash)'"
        :stroke-width="one.kind === 'treat' ? 2.4 : 1.6"
        :stroke-dasharray="one.before && one.out ? '3 4' : undefined"
      />
      <line
        v-if="one.kind === 'recheck'"
        x1="-24"
        x2="24"
        :y1="one.y + one.h / 2"
        :y2="one.y + one.h / 2"
        stroke="var(--color-room-woad)"
        stroke-width="3"
      />
      <path
        v-if="one.kind === 'position'"
        :d="`M-20 ${one.y}L0 ${one.y + one.h / 2}L-20 ${one.y + one.h}M20 ${one.y}L0 ${one.y + one.h / 2}L20 ${one.y + one.h}`"
        fill="none"
        stroke="var(--color-linen-2)"
        stroke-width="2"
      />
    </g>
    <rect
      :x="-SPINE"
      :y="NOW"
      :width="2 * SPINE"
      :height="HOLD"
      fill="var(--color-room-raised)"
      stroke="var(--color-room-ash)"
      stroke-width="1.5"
    />
    <rect :x="-SPINE" :y="NOW" :width="2 * SPINE" :height="HOLD * share" fill="var(--color-room-weld)" />
    <rect v-if="over" :x="-SPINE" :y="NOW" :width="2 * SPINE" :height="HOLD * over" fill="var(--color-room-madder)" />
    <line
      v-for="tick in ticks"
      :key="tick"
      :x1="-SPINE"
      :x2="SPINE"
      :y1="NOW + tick"
      :y2="NOW + tick"
      stroke="var(--color-room)"
      stroke-width="2.5"
    />
    <line
      :x1="-SPINE - 16"
      :x2="SPINE + 16"
      :y1="NOW + HOLD * share"
      :y2="NOW + HOLD * share"
      stroke="var(--color-linen)"
      stroke-width="4"
    />
    <line :x1="-SPINE - 10" :x2="SPINE + 10" :y1="NOW + HOLD" :y2="NOW + HOLD" stroke="var(--color-linen)" stroke-width="3" />
  </svg>
</template>
