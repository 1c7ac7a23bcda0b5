<script setup lang="ts">
import { shown, shownUnit } from '@/composables/settings'
import { computed, ref } from 'vue'
import type { AtlasMovement } from '@/chart/atlas'
import type { Compared, Comparison } from '@/types/visit'

/**
 * Paired ranges about the midline: from its top an arc opens to each side by the true angle; over 90° at half scale, and said so. Where it
 * may be changed, each arc ends in a handle that is dragged or moved by the arrow keys.
 */
type Hand = 'left' | 'right'
const props = withDefaults(
  defineProps<{
    movement: AtlasMovement
    left?: number | undefined
    right?: number | undefined
    before?: { left?: number | undefined; right?: number | undefined } | undefined
    /** how each side compares, with what is real in it */
    compared?: Partial<Record<Hand, Comparison | undefined>>
    tick?: string
    editable?: boolean
  }>(),
  { tick: 'last visit', left: undefined, right: undefined, before: undefined, compared: () => ({}), editable: false },
)
const emit = defineEmits<{ set: [side: Hand, value: number] }>()
const half = computed(() => props.movement.norm > 90)
const degrees = computed(() => props.movement.unit === 'deg')
const grain = computed(() => (props.movement.unit === 'cm' ? 0.5 : 1))
const R = 88
const DEPTH = 100
const MOST = 118
/** Degrees on the page for one unit. */
const scale = computed(() => (degrees.value ? (half.value ? 0.5 : 1) : 60 / Math.max(1, Math.abs(props.movement.norm))))
const angle = (value: number): number => (Math.min(MOST, Math.max(0, value * scale.value)) * Math.PI) / 180
const at = (value: number, sign: number, radius: number): [number, number] => [
  sign * radius * Math.sin(angle(value)),
  DEPTH - radius * Math.cos(angle(value)),
]
const spot = (value: number, sign: number, radius: number): string =>
  at(value, sign, radius)
    .map((one) => one.toFixed(1))
    .join(' ')
const arc = (value: number, sign: number, radius: number): string =>
  `M0 ${DEPTH - radius}A${radius} ${radius} 0 ${angle(value) > Math.PI ? 1 : 0} ${sign > 0 ? 1 : 0} ${spot(value, sign, radius)}`
const between = (from: number, to: number, sign: number, radius: number): string =>
  `M${spot(from, sign, radius)}A${radius} ${radius} 0 0 ${(to > from ? 1 : -1) * sign > 0 ? 1 : 0} ${spot(to, sign, radius)}`
/** What is being dragged: it is kept when it is let go. */
const held = ref<{ side: Hand; value: number } | null>(null)
const valueOf = (side: Hand): number | undefined =>
  held.value?.side === side ? held.value.value : side === 'left' ? props.left : props.right
const changeOf = (side: Hand): Compared | undefined => props.compared[side]?.with.find((one) => one.what === 'last')
const sides = computed(() =>
  (['left', 'right'] as const).map((name) => {
    const change = changeOf(name)
    return {
      name,
      sign: name === 'left' ? -1 : 1,
      value: valueOf(name),
      was: name === 'left' ? props.before?.left : props.before?.right,
      first: props.compared[name]?.with.find((one) => one.what === 'first')?.other,
      across: valueOf(name === 'left' ? 'right' : 'left'),
      change: held.value || !change?.real ? null : change.better ? 'moss' : 'madder',
    }
  }),
)
const gap = computed(() => {
  const [left, right] = [valueOf('left'), valueOf('right')]
  return left === undefined || right === undefined ? null : Math.round(Math.abs(left - right) * 10) / 10
})
const fit = (value: number): number =>
  Math.min(props.movement.max, Math.max(props.movement.min, Math.round(value / grain.value) * grain.value))
const svg = ref<SVGSVGElement | null>(null)
const pull = (event: PointerEvent, side: Hand) => {
  const box = svg.value?.getScreenCTM()
  if (!box) return
  const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(box.inverse())
  const sign = side === 'left' ? -1 : 1
  const turn = (Math.atan2(sign * point.x, DEPTH - point.y) * 180) / Math.PI
  held.value = { side, value: fit((turn < -30 ? MOST : Math.max(0, turn)) / scale.value) }
}
const grab = (event: PointerEvent, side: Hand) => {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  pull(event, side)
}
const letGo = () => {
  if (held.value) emit('set', held.value.side, held.value.value)
  held.value = null
}
const steps: Record<string, number> = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 5, PageDown: -5 }
const nudge = (event: KeyboardEvent, side: Hand) => {
  const step = steps[event.key]
  if (step === undefined) return
  event.preventDefault()
  // on the left the arc opens leftward
  const along = event.key === 'ArrowLeft' || event.key === 'ArrowRight' ? (side === 'left' ? -step : step) : step
  emit('set', side, fit((valueOf(side) ?? props.movement.norm) + along * grain.value))
}
const unit = computed(() => (degrees.value ? '°' : ` ${props.movement.unit === 'glide' ? 'of 3' : shownUnit(props.movement.unit)}`))
</script>
<template>
  <figure class="m-0">
    <svg
      ref="svg"
      viewBox="-150 -16 300 152"
      class="w-full max-w-[460px]"
      :role="editable ? 'group' : 'img'"
      :aria-label="`${movement.name}: left ${left ?? 'not measured'}, right ${right ?? 'not measured'}`"
    >
      <line y1="-8" y2="108" stroke="var(--color-iron)" stroke-width="2" />
      <g v-for="side in sides" :key="side.name">
        <path :d="arc(movement.norm, side.sign, R + 9)" fill="none" stroke="var(--color-ash)" stroke-width="1.6" stroke-dasharray="2 4" />
        <template v-if="side.value !== undefined">
          <path :d="`${arc(side.value, side.sign, R)}L0 ${DEPTH}Z`" fill="var(--color-woad-wash)" />
          <path :d="arc(side.value, side.sign, R)" fill="none" stroke="var(--color-woad)" stroke-width="6" />
          <path
            v-if="side.across !== undefined && side.across > side.value"
            :d="between(side.value, side.across, side.sign, R)"
            fill="none"
            stroke="var(--color-walnut)"
            stroke-width="2"
            stroke-dasharray="2 4"
          />
          <path
            v-if="side.was !== undefined && side.was !== side.value"
            :d="between(side.was, side.value, side.sign, R - 14)"
            fill="none"
            :stroke="side.change ? `var(--color-${side.change})` : 'var(--color-ash)'"
            :stroke-width="side.change ? 4 : 1.4"
            :stroke-dasharray="side.change ? undefined : '1.5 3.5'"
          />
        </template>
        <path
          v-if="side.was !== undefined"
          :d="`M${spot(side.was, side.sign, R - 19)}L${spot(side.was, side.sign, R + 8)}`"
          stroke="var(--color-walnut)"
          stroke-width="2"
        />
        <path
          v-if="side.first !== undefined"
          :d="`M${spot(side.first, side.sign, R - 19)}L${spot(side.first, side.sign, R - 9)}`"
          stroke="var(--color-walnut)"
          stroke-width="1.2"
        />
        <g
          v-if="editable"
          class="cursor-grab touch-none"
          role="slider"
          tabindex="0"
          :aria-label="`${movement.name}, ${side.name}`"
          :aria-valuenow="side.value ?? movement.norm"
          :aria-valuemin="movement.min"
          :aria-valuemax="movement.max"
          :aria-valuetext="side.value === undefined ? 'not measured' : `${shown(side.value, movement.unit)}${unit}`"
          :transform="`translate(${spot(side.value ?? movement.norm, side.sign, R).replace(' ', ',')})`"
          @pointerdown.prevent="grab($event, side.name)"
          @pointermove="held?.side === side.name && pull($event, side.name)"
          @pointerup="letGo"
          @pointercancel="held = null"
          @keydown="nudge($event, side.name)"
        >
          <circle r="16" fill="transparent" />
          <circle
            r="6.5"
            fill="var(--color-raised)"
            stroke="var(--color-walnut)"
            stroke-width="2"
            :stroke-dasharray="side.value === undefined ? '2.5 2.5' : undefined"
          />
        </g>
        <text
          :x="side.sign * 26"
          y="126"
          text-anchor="middle"
          class="display"
          font-size="26"
          fill="var(--color-walnut)"
          :style="{ fontFamily: 'var(--font-display)' }"
        >
          {{ side.value === undefined ? '–' : shown(side.value, movement.unit) }}
        </text>
      </g>
    </svg>
    <figcaption class="caption text-center">
      <template v-if="gap !== null"
        >{{
          gap === 0
            ? 'Both sides the same.'
            : `${shown(gap, movement.unit)}${unit} between the sides${gap < movement.error ? ', within measuring error' : ''}.`
        }} </template>{{ ' ' }}Dotted: usual {{ shown(movement.norm, movement.unit) }}{{ unit }}.<template v-if="half">
        Drawn at half scale.</template
      ><template v-if="before?.left !== undefined || before?.right !== undefined"> Tick: {{ tick }}.</template>
    </figcaption>
  </figure>
</template>
