<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Plan, PlanStep } from '@/types/visit'
import { atlas, muscle as muscleOf } from '@/chart/atlas'
import { recheckHow, timed as startsOf } from '@/composables/planOrder'
import { capital, inLines, tenth } from './words'

/** The plan as a score: time runs down the spine in true scale, pressure grows outward on the side it is given. */
const props = defineProps<{ plan: Plan; possessive: string; chosen: string | null; movable: boolean }>()
/** `minute` is where a step was dragged to; null where it was let go of without being moved. */
const emit = defineEmits<{
  choose: [step: PlanStep]
  drag: [step: PlanStep, minute: number]
  drop: [step: PlanStep, minute: number | null]
  /** `by` is how many minutes longer or shorter its lower edge was pulled; null where nothing is meant by it */
  pull: [step: PlanStep, by: number]
  pulled: [step: PlanStep, by: number | null]
}>()
const UNIT = 19
const SPINE = 17
const TOP = 44
const labelled = computed(() => props.plan.steps.filter((step) => step.kind !== 'rest_stroke'))
const columnOf = (step: PlanStep): 'left' | 'right' => (step.kind === 'treat' && step.side === 'left' ? 'left' : 'right')
const LINE = 17
const roomOf = (step: PlanStep): number => 1 + LINE * (linesOf(step).length + notesOf(step).length)
/** As much height a minute as the names of the fuller column need. */
const perMinute = computed(() => {
  const need = (['left', 'right'] as const).map((column) =>
    labelled.value.filter((step) => columnOf(step) === column).reduce((sum, step) => sum + roomOf(step) + 1, 0),
  )
  return Math.max(props.plan.minutes > 62 ? 8.2 : 10.2, Math.max(...need) / Math.max(1, props.plan.minutes))
})
const timed = computed(() =>
  startsOf(props.plan).map(({ step, start }) => ({ step, start, y: TOP + start * perMinute.value, h: step.minutes * perMinute.value })),
)
const sides = (step: PlanStep): (-1 | 1)[] => (step.side === 'left' ? [-1] : step.side === 'right' ? [1] : [-1, 1])
/** A contour: sinks in, rises pass by pass, eases out, so that nothing looks like a bar chart. */
const contour = (y: number, h: number, pressures: number[], sign: number): string => {
  const x = (pressure: number): number => sign * (SPINE + pressure * UNIT)
  const base = sign * SPINE
  const each = h / pressures.length
  const ease = Math.min(0.75 * perMinute.value, each * 0.45)
  let path = `M${base} ${y}`
  let from = base
  pressures.forEach((pressure, k) => {
    const top = y + k * each
    path += `C${from} ${top + ease * 0.5} ${x(pressure)} ${top + ease * 0.3} ${x(pressure)} ${top + ease}V${top + each - (k === pressures.length - 1 ? ease * 0.6 : 0)}`
    from = x(pressure)
  })
  return `${path}C${from} ${y + h - 1} ${base} ${y + h - ease * 0.3} ${base} ${y + h}Z`
}
const pressures = (step: PlanStep): number[] =>
  step.passes.length ? step.passes.map((pass) => pass.pressure) : step.kind === 'finish' ? [3, 2, 1.5] : step.kind === 'treat' ? [1] : [2]
const fill = (step: PlanStep): string =>
  step.kind === 'treat' ? 'var(--color-weld-wash)' : step.kind === 'warm_up' ? 'var(--color-fold)' : 'var(--color-moss-wash)'
const drawn = computed(() =>
  timed.value.filter(({ step }) => ['treat', 'warm_up', 'cold', 'soothe', 'rest_stroke', 'finish'].includes(step.kind)),
)
const weft = (y: number, h: number): number[] =>
  Array.from({ length: Math.max(0, Math.floor(h / (perMinute.value / 2)) - 1) }, (_, k) => y + ((k + 1) * perMinute.value) / 2)
const note = (step: PlanStep): string =>
  step.kind === 'treat'
    ? step.other_side
      ? 'the other side'
      : [step.technique && atlas.techniques[step.technique], step.tool && atlas.tools[step.tool]].filter(Boolean).join(', ').toLowerCase()
    : step.kind === 'warm_up'
      ? 'broad, slow, light'
      : step.kind === 'recheck'
        ? (step.check?.text ?? '')
        : step.kind === 'settle'
          ? atlas.positions[step.position]
          : ''
/** What a step is done with, where it is long enough that its name leaves room. */
const hasNote = (step: PlanStep): boolean => note(step) !== '' && (step.minutes >= 3.5 || step.kind === 'recheck')
/** The everyday name where the full one does not fit. */
const nameOf = (step: PlanStep): string => {
  const full = step.label.replace(/, (left|right)$/, '')
  const plain = step.muscle ? muscleOf(step.muscle).plain : null
  if (step.kind === 'treat' && full.length > BOLD && plain && plain.length < full.length) return capital(plain)
  return step.kind === 'recheck' ? recheckHow(step) : full
}
/** Letters that fit beside the score: of a name that stands out, and of others. */
const BOLD = 22
const MOST = 25
const linesOf = (step: PlanStep): string[] => inLines(nameOf(step), step.kind === 'treat' ? BOLD : MOST)
const notesOf = (step: PlanStep): string[] => (hasNote(step) ? inLines(note(step), MOST + 2) : [])
const labels = computed(() => {
  const used = { left: -99, right: -99 }
  return timed.value
    .filter(({ step }) => labelled.value.includes(step))
    .map(({ step, y, h }) => {
      const column = columnOf(step)
      const room = roomOf(step)
      const top = Math.max(used[column] + 1, y + Math.max(0, h / 2 - room / 2))
      used[column] = top + room
      return {
        bottom: top + room,
        step,
        column,
        y: top + 13,
        lines: linesOf(step),
        notes: notesOf(step),
        bold: step.kind === 'treat',
      }
    })
})
/** To the end of the time, and of the names beside it. */
const FOOT = 30
const height = computed(() =>
  Math.max(TOP + props.plan.minutes * perMinute.value + FOOT, ...labels.value.map((label) => label.bottom + FOOT / 2)),
)
/** What is being dragged, where it was taken and where it is now, in minutes of the plan. */
const dragged = ref<{ step: PlanStep; from: number; now: number; isMoved: boolean; isEdge: boolean } | null>(null)
const svg = ref<SVGSVGElement | null>(null)
/** Less than this is a touch. */
const SLACK = 0.6
const minuteOf = (event: PointerEvent): number => {
  const box = svg.value?.getBoundingClientRect()
  return box ? ((event.clientY - box.top) * (height.value / box.height) - TOP) / perMinute.value : 0
}
/** By mouse anywhere on a step; by finger on its handle, so that the page can still be moved. */
const take = (step: PlanStep, event: PointerEvent, handle: 'none' | 'step' | 'edge' = 'none') => {
  if (!props.movable || step.kind !== 'treat' || step.other_side || event.button !== 0) return
  if (handle === 'none' && event.pointerType === 'touch') return
  dragged.value = { step, from: minuteOf(event), now: minuteOf(event), isMoved: false, isEdge: handle === 'edge' }
}
useEventListener(window, 'pointermove', (event: PointerEvent) => {
  const one = dragged.value
  if (!one) return
  one.now = Math.max(0, Math.min(props.plan.minutes, minuteOf(event)))
  one.isMoved = one.isMoved || Math.abs(one.now - one.from) > SLACK
  if (!one.isMoved) return
  if (one.isEdge) emit('pull', one.step, one.now - one.from)
  else emit('drag', one.step, one.now)
})
const letGo = (isKept: boolean) => {
  const one = dragged.value
  dragged.value = null
  if (!one?.isMoved) return
  if (one.isEdge) emit('pulled', one.step, isKept ? one.now - one.from : null)
  else emit('drop', one.step, isKept ? one.now : null)
}
/** The lower edge is taken on the side that is worked, clear of the handle on the spine. */
const edgeX = (step: PlanStep): number => (step.side === 'left' ? -SPINE - 76 : SPINE + 28)
useEventListener(window, 'pointerup', () => letGo(true))
useEventListener(window, 'pointercancel', () => letGo(false))
useEventListener(window, 'keydown', (event: KeyboardEvent) => event.key === 'Escape' && letGo(false))
const handled = computed(() =>
  props.movable ? timed.value.find(({ step }) => step.id === props.chosen && step.kind === 'treat' && !step.other_side) : undefined,
)
</script>
<template>
  <svg
    ref="svg"
    :viewBox="`-369 0 738 ${height}`"
    class="w-full"
    :class="{ 'select-none': dragged }"
    :style="{ maxHeight: 'none' }"
    role="group"
    aria-label="The plan as a score"
  >
    <text x="-369" y="20" class="score-side">{{ possessive }} left</text>
    <text x="369" y="20" class="score-side" text-anchor="end">{{ possessive }} right, and both</text>
    <text y="16" text-anchor="middle" class="score-note">pressure grows outward</text>
    <g v-for="n in [2, 4, 6, 8]" :key="n">
      <g v-for="sign in [-1, 1]" :key="sign">
        <line
          :x1="sign * (SPINE + n * UNIT)"
          :x2="sign * (SPINE + n * UNIT)"
          :y1="TOP"
          :y2="TOP + plan.minutes * perMinute"
          stroke="var(--color-hairline)"
          stroke-dasharray="2 4"
        />
        <text :x="sign * (SPINE + n * UNIT)" y="38" text-anchor="middle" class="score-note">{{ n }}</text>
      </g>
    </g>
    <g
      v-for="{ step, y, h } in drawn"
      :key="step.id"
      class="cursor-pointer"
      :opacity="dragged?.isMoved && dragged.step.target === step.target && step.target ? 0.45 : 1"
      @click="emit('choose', step)"
      @pointerdown="take(step, $event)"
    >
      <rect
        v-if="chosen === step.id"
        :x="step.side === 'right' ? SPINE : -369"
        :width="step.side ? 352 : 738"
        :y="y - 1"
        :height="h + 2"
        fill="var(--color-fold)"
      />
      <g v-for="sign in sides(step)" :key="sign">
        <path
          :d="contour(y, h, pressures(step), sign)"
          :fill="fill(step)"
          stroke="var(--color-walnut)"
          :stroke-width="step.kind === 'treat' ? 1.8 : 0.9"
        />
        <template v-if="step.kind === 'treat'">
          <line
            v-for="line in weft(y, h)"
            :key="line"
            :x1="sign * SPINE"
            :x2="sign * (SPINE + 0.9 * UNIT * Math.min(...pressures(step)))"
            :y1="line"
            :y2="line"
            stroke="var(--color-walnut)"
            stroke-width=".7"
            opacity=".28"
          />
          <line
            v-if="step.ceiling"
            :x1="sign * (SPINE + step.ceiling.felt * UNIT + 4)"
            :x2="sign * (SPINE + step.ceiling.felt * UNIT + 4)"
            :y1="y + 2"
            :y2="y + h - 2"
            stroke="var(--color-iron)"
            stroke-width="2.4"
          />
          <template v-if="h / step.passes.length > 13">
            <text
              v-for="(pass, k) in step.passes"
              :key="k"
              :x="sign * (SPINE + pass.pressure * UNIT - 9)"
              :y="y + (k + 0.62) * (h / step.passes.length) + 3"
              text-anchor="middle"
              class="score-number"
            >
              {{ pass.pressure }}
            </text>
          </template>
        </template>
      </g>
    </g>
    <g v-for="{ step, y } in timed" :key="'m' + step.id">
      <g v-if="step.kind === 'recheck'">
        <line x1="-170" x2="170" :y1="y + perMinute / 2" :y2="y + perMinute / 2" stroke="var(--color-woad)" stroke-width="2.6" />
        <line v-for="x in [-170, 170]" :key="x" :x1="x" :x2="x" :y1="y" :y2="y + perMinute" stroke="var(--color-woad)" stroke-width="2.6" />
      </g>
      <g v-if="step.kind === 'position' && step.minutes >= 0.75">
        <line x1="-170" x2="170" :y1="y + 1" :y2="y + 1" stroke="var(--color-iron)" stroke-width="1.4" />
        <line x1="-170" x2="170" :y1="y + perMinute - 1" :y2="y + perMinute - 1" stroke="var(--color-iron)" stroke-width="1.4" />
      </g>
    </g>
    <rect :x="-SPINE" :y="TOP" :width="2 * SPINE" :height="plan.minutes * perMinute" fill="var(--color-paper)" />
    <g v-for="sign in [-1, 1]" :key="'s' + sign">
      <line
        :x1="sign * SPINE"
        :x2="sign * SPINE"
        :y1="TOP"
        :y2="TOP + plan.minutes * perMinute"
        stroke="var(--color-walnut-2)"
        stroke-width="1.6"
      />
    </g>
    <g v-for="minute in Math.floor(plan.minutes) + 1" :key="minute">
      <text v-if="(minute - 1) % 5 === 0" :y="TOP + (minute - 1) * perMinute + 5" text-anchor="middle" class="score-minute">
        {{ minute - 1 }}
      </text>
    </g>
    <g
      v-for="label in labels"
      :key="'l' + label.step.id"
      class="cursor-pointer"
      role="button"
      tabindex="0"
      :aria-label="`${label.step.label}, ${tenth(label.step.minutes)} minutes`"
      @click="emit('choose', label.step)"
      @pointerdown="take(label.step, $event)"
      @keydown.enter.stop="emit('choose', label.step)"
    >
      <text
        :x="label.column === 'left' ? -192 : 192"
        :y="label.y"
        :text-anchor="label.column === 'left' ? 'end' : 'start'"
        :class="label.bold ? 'score-bold' : 'score-label'"
      >
        <tspan v-for="(line, k) in label.lines" :key="k" :x="label.column === 'left' ? -192 : 192" :dy="k ? LINE : 0">{{ line }}</tspan>
      </text>
      <text
        v-if="label.notes.length"
        :x="label.column === 'left' ? -192 : 192"
        :y="label.y + LINE * label.lines.length - 1"
        :text-anchor="label.column === 'left' ? 'end' : 'start'"
        class="score-note"
      >
        <tspan v-for="(line, k) in label.notes" :key="k" :x="label.column === 'left' ? -192 : 192" :dy="k ? LINE - 1 : 0">{{ line }}</tspan>
      </text>
    </g>
    <!-- shapes in a drawing are not asked what a finger may do on them: the handles keep the page from moving by themselves -->
    <g v-if="handled" class="cursor-grab" data-handle @touchstart.prevent @pointerdown.prevent="take(handled.step, $event, 'step')">
      <title>Drag to another time</title>
      <rect x="-30" :y="handled.y + handled.h / 2 - 24" width="60" height="48" fill="transparent" />
      <line
        v-for="k in [-5, 0, 5]"
        :key="k"
        x1="-9"
        x2="9"
        :y1="handled.y + handled.h / 2 + k"
        :y2="handled.y + handled.h / 2 + k"
        stroke="var(--color-iron)"
        stroke-width="2.4"
      />
    </g>
    <g v-if="handled" class="cursor-ns-resize" data-edge @touchstart.prevent @pointerdown.prevent="take(handled.step, $event, 'edge')">
      <title>Drag to do more or less</title>
      <rect :x="edgeX(handled.step)" :y="handled.y + handled.h - 22" width="48" height="44" fill="transparent" />
      <line
        v-for="k in [-3, 3]"
        :key="k"
        :x1="edgeX(handled.step) + 12"
        :x2="edgeX(handled.step) + 36"
        :y1="handled.y + handled.h + k"
        :y2="handled.y + handled.h + k"
        stroke="var(--color-iron)"
        stroke-width="2.4"
      />
    </g>
    <g v-if="dragged?.isMoved" pointer-events="none">
      <line
        x1="-369"
        x2="369"
        :y1="TOP + dragged.now * perMinute"
        :y2="TOP + dragged.now * perMinute"
        stroke="var(--color-iron)"
        stroke-width="2"
        stroke-dasharray="7 5"
      />
      <text x="0" :y="TOP + dragged.now * perMinute - 6" text-anchor="middle" class="score-bold">{{ dragged.step.label }}</text>
    </g>
  </svg>
</template>
<style scoped>
.score-side {
  font: italic 400 17px var(--font-display);
  fill: var(--color-walnut-2);
}
.score-note {
  font-size: 13px;
  fill: var(--color-walnut-2);
}
.score-label {
  font-size: 14px;
  fill: var(--color-walnut);
}
.score-bold {
  font-size: 15px;
  font-weight: 650;
  fill: var(--color-walnut);
}
.score-number {
  font: 600 13px var(--font-display);
  fill: var(--color-walnut);
}
.score-minute {
  font: 600 14px var(--font-display);
  fill: var(--color-walnut);
}
</style>
