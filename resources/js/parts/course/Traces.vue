<script setup lang="ts">
import { t } from '@/composables/language'
import { router } from '@inertiajs/vue3'
import { useElementSize } from '@vueuse/core'
import { PAPER_WIDTH, useOnPaper } from '@/composables/onPaper'
import { computed, ref, useTemplateRef } from 'vue'
import type { Measure, Response } from '@/types/visit'
import { atlas } from '@/chart/atlas'
import { dayWords, shown, shownUnit } from '@/composables/settings'
import Choices from '@/parts/Choices.vue'
import { bars, draw, KINDS, nearest, scaleOf, traceRows, xOf, yOf, type Frame, type TraceKind, type TraceRow } from './traces'

/**
 * The course in small: what lies on the left of the body on the left, what lies on the right on the right, and time from left to right in
 * both. What is real is drawn, what may be noise stays noise; what was worked stands beneath.
 */
const props = defineProps<{ response: Response; possessive: string; visits?: { id: string; date: string }[] }>()
const FEW = 12
const HEIGHT = 52
const MARKS = 30
const DOSE = 12
const order = new Map(atlas.muscles.map((one, index) => [one.id as string, index]))
const unitOf = (one: Measure): string =>
  one.key.startsWith('palpation') && one.unit === '0–4'
    ? 'tenderness'
    : one.key.startsWith('complaint')
      ? 'pain 0–10'
      : one.unit === 'deg'
        ? t('degrees')
        : shownUnit(one.unit)
const rows = computed(() => traceRows(props.response, order, unitOf))
const kinds = computed(() => {
  const here = new Set(rows.value.map(({ kind }) => kind))
  return Object.fromEntries(Object.entries(KINDS).filter(([kind]) => here.has(kind as TraceKind))) as Record<TraceKind, string>
})
const kind = ref<TraceKind>()
const realOnly = ref(false)
const all = ref(false)
const changed = (row: TraceRow): boolean => Object.values(row.measures).some(({ verdict }) => verdict === 'improved' || verdict === 'worse')
const kept = computed(() => rows.value.filter((row) => (!kind.value || row.kind === kind.value) && (!realOnly.value || changed(row))))
const isOnPaper = useOnPaper()
const listed = computed(() => (all.value || isOnPaper.value ? kept.value : kept.value.slice(0, FEW)))

const days = computed(() =>
  [
    ...new Set([
      ...props.response.measures.flatMap(({ series }) => series.map(([day]) => day)),
      ...props.response.visits.map(({ date }) => date),
    ]),
  ].sort(),
)
const { width: room } = useElementSize(useTemplateRef<HTMLElement>('table'))
/** The two halves have what the name and the two values leave. */
const BESIDE = 430
const width = computed(() => Math.max(130, Math.min(460, Math.floor(((isOnPaper.value ? PAPER_WIDTH : room.value) - BESIDE) / 2))))
const goalOf = (row: TraceRow, side?: 'left' | 'right' | 'midline'): number | undefined =>
  props.response.goals.find((one) => one.measure === row.key && (side === undefined || one.side === side))?.value
const SIDES = ['left', 'right'] as const
type Half = (typeof SIDES)[number]
/** What has no side is drawn on the right. */
const measureOf = (row: TraceRow, half: Half): Measure | undefined =>
  row.measures[half] ?? (half === 'right' ? row.measures.middle : undefined)
const drawn = computed(() =>
  listed.value.map((row) => {
    const [low, high] = scaleOf(row, goalOf(row))
    const frame: Frame = { width: width.value, height: HEIGHT, days: days.value, low, high }
    return {
      row,
      frame,
      halves: SIDES.map((half) => {
        const measure = measureOf(row, half)
        const goal = measure && goalOf(row, measure.side)
        const first = measure?.series[0]?.[1] ?? 0
        const doses = row.doses[half]
        return {
          half,
          measure,
          paths: measure && draw(frame, measure),
          band: measure && {
            y: yOf(frame, first + measure.mdc),
            height: Math.max(3, yOf(frame, first - measure.mdc) - yOf(frame, first + measure.mdc)),
          },
          goal: goal === undefined ? undefined : yOf(frame, goal),
          doses: doses && bars(frame, doses, DOSE),
          decision: row.decisions[half],
        }
      }),
    }
  }),
)
const last = (one: Measure | undefined): string => (one ? String(Math.round(shown(one.series.at(-1)?.[1] ?? 0, one.unit) * 10) / 10) : '–')
const stepWords = (n: number): string => (n > 0 ? 'a step further' : n < 0 ? `${-n} step${n < -1 ? 's' : ''} lower` : 'the same')

/** The visit under the finger, or under the keys. */
const at = ref<{ key: string; half: Half; index: number }>()
const isAt = (key: string, half: Half): boolean => at.value?.key === key && at.value.half === half
const point = (frame: Frame, event: MouseEvent): number =>
  nearest(frame, event.clientX - (event.currentTarget as Element).getBoundingClientRect().left)
const valueAt = (measure: Measure | undefined, index: number): string => {
  const day = days.value[index]
  const found = measure?.series.find(([one]) => one === day)
  return `${day ? dayWords(day) : ''}: ${found ? `${Math.round(shown(found[1], measure?.unit ?? '') * 10) / 10}` : 'not measured'}`
}
const open = (index: number): void => {
  const visit = props.visits?.find(({ date }) => date === days.value[index])
  if (visit) router.visit(`/visits/${visit.id}`)
}
const key = (event: KeyboardEvent, id: string, half: Half): void => {
  const now = isAt(id, half) ? at.value!.index : days.value.length - 1
  const to = { ArrowLeft: now - 1, ArrowRight: now + 1, Home: 0, End: days.value.length - 1 }[event.key]
  if (to !== undefined) at.value = { key: id, half, index: Math.max(0, Math.min(days.value.length - 1, to)) }
  else if (event.key === 'Enter') open(now)
  else return
  event.preventDefault()
}

const marksFrame = computed<Frame>(() => ({ width: width.value, height: MARKS, days: days.value, low: 0, high: 1 }))
const LONG = 72
/** How sore it was after each visit, and what was done at home: what nobody asked is a dot. */
const marks = computed(() =>
  SIDES.map((half) => ({
    half,
    name: half === 'left' ? 'sore after it' : 'done at home',
    of: props.response.visits.map((visit) => {
      const value = half === 'left' ? visit.sore_hours : visit.home_care
      const share = value === null ? null : half === 'left' ? Math.min(1, value / LONG) : value
      return {
        x: xOf(marksFrame.value, days.value.indexOf(visit.date)),
        share,
        worse: half === 'left' && (visit.worse === true || (value ?? 0) > 48),
        words: `${dayWords(visit.date)}: ${
          value === null ? 'nobody asked' : half === 'left' ? `${value} h${visit.worse ? ', worse' : ''}` : `${Math.round(100 * value)} %`
        }`,
      }
    }),
  })),
)
const isMarked = computed(() => props.response.visits.some((one) => one.sore_hours !== null || one.home_care !== null))
</script>
<template>
  <div ref="table">
    <div class="no-print mb-2 flex flex-wrap items-center gap-x-6 gap-y-2">
      <Choices label="Which measures" :options="kinds" :value="kind" @choose="(one) => (kind = one)" />
      <button type="button" class="cell" :aria-pressed="realOnly" @click="realOnly = !realOnly">What really changed</button>
    </div>
    <div class="overflow-x-auto">
      <table class="mx-auto border-collapse">
        <caption class="sr-only">
          Course of the measures, visit by visit, left and right of the body, time from left to right
        </caption>
        <thead>
          <tr class="caption">
            <th scope="col" class="text-left font-normal">
              <span class="side-name">{{ possessive }} left</span>
            </th>
            <template v-for="half in SIDES" :key="half">
              <th scope="col" class="font-normal">
                <div class="flex justify-between" :style="{ width: `${width}px` }">
                  <span class="note whitespace-nowrap">{{ days[0] ? dayWords(days[0]) : '' }}</span>
                  <span v-if="days.length > 1" class="note whitespace-nowrap">{{ dayWords(days.at(-1)!) }}</span>
                </div>
              </th>
              <th v-if="half === 'left'" scope="col"><span class="sr-only">Measure</span></th>
            </template>
            <th scope="col" class="text-right font-normal">
              <span class="side-name">{{ possessive }} right</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-if="isMarked" class="h-[34px]">
            <td class="pr-3 text-right"><span class="caption">sore after it</span></td>
            <template v-for="mark in marks" :key="mark.half">
              <td>
                <svg
                  :width="width"
                  :height="MARKS"
                  role="img"
                  :aria-label="`${mark.name}: ${mark.of.map(({ words }) => words).join('; ')}`"
                >
                  <line :x2="width" :y1="MARKS - 1" :y2="MARKS - 1" stroke="var(--color-hairline)" />
                  <template v-for="one in mark.of" :key="one.x">
                    <circle v-if="one.share === null" :cx="one.x" :cy="MARKS - 4" r="1.4" fill="var(--color-ash)" />
                    <rect
                      v-else
                      :x="one.x - 3"
                      :y="MARKS - 1 - Math.max(1, one.share * (MARKS - 4))"
                      width="6"
                      :height="Math.max(1, one.share * (MARKS - 4))"
                      :fill="one.worse ? 'var(--color-madder)' : mark.half === 'left' ? 'var(--color-walnut-2)' : 'var(--color-moss)'"
                    >
                      <title>{{ one.words }}</title>
                    </rect>
                  </template>
                </svg>
              </td>
              <th v-if="mark.half === 'left'" scope="row" class="px-2 text-center font-normal">
                <span class="caption">after each visit</span>
              </th>
            </template>
            <td class="pl-3"><span class="caption">done at home</span></td>
          </tr>
          <tr v-for="{ row, frame, halves } in drawn" :key="row.key" class="h-[64px]" :data-row="row.key">
            <template v-for="one in halves" :key="one.half">
              <td v-if="one.half === 'left'" class="min-w-[128px] whitespace-nowrap pr-3 text-right">
                <span v-if="one.decision" class="caption mr-2 inline-block text-right align-middle"
                  ><b class="font-[650] text-walnut">{{ one.decision.decision }}</b
                  ><br />{{ stepWords(one.decision.pressure_step) }}</span
                >
                <span class="display align-middle text-[24px]">{{ one.measure ? last(one.measure) : row.measures.middle ? '' : '–' }}</span>
              </td>
              <td>
                <svg
                  v-if="one.paths && one.measure"
                  :width="frame.width"
                  :height="HEIGHT"
                  class="cursor-pointer"
                  role="slider"
                  tabindex="0"
                  aria-valuemin="1"
                  :aria-valuemax="days.length"
                  :aria-valuenow="(isAt(row.key, one.half) ? at!.index : days.length - 1) + 1"
                  :aria-valuetext="valueAt(one.measure, isAt(row.key, one.half) ? at!.index : days.length - 1)"
                  :aria-label="`${row.name}, ${one.measure.side}: ${one.measure.series.map(([, value]) => value).join(', ')}`"
                  @mousemove="(event) => (at = { key: row.key, half: one.half, index: point(frame, event) })"
                  @mouseleave="at = undefined"
                  @click="(event) => open(point(frame, event))"
                  @keydown="(event) => key(event, row.key, one.half)"
                  @blur="at = undefined"
                >
                  <rect v-if="one.band" :y="one.band.y" :width="frame.width" :height="one.band.height" fill="var(--color-fold)" />
                  <path v-if="one.doses" :d="one.doses" fill="var(--color-ash)" opacity="0.55" />
                  <line
                    v-if="one.goal !== undefined"
                    :x2="frame.width"
                    :y1="one.goal"
                    :y2="one.goal"
                    stroke="var(--color-iron)"
                    stroke-width="1.4"
                    stroke-dasharray="7 4"
                  />
                  <line
                    v-if="isAt(row.key, one.half)"
                    :x1="xOf(frame, at!.index)"
                    :x2="xOf(frame, at!.index)"
                    :y2="HEIGHT"
                    stroke="var(--color-walnut-2)"
                  />
                  <path :d="one.paths.noise" fill="none" stroke="var(--color-ash)" stroke-width="1.4" stroke-dasharray="2 3" />
                  <path :d="one.paths.better" fill="none" stroke="var(--color-moss)" stroke-width="4" />
                  <path :d="one.paths.worse" fill="none" stroke="var(--color-madder)" stroke-width="4" />
                  <path :d="one.paths.open" fill="var(--color-paper)" stroke="var(--color-walnut-2)" stroke-width="1.4" />
                  <path :d="one.paths.good" fill="var(--color-moss)" />
                  <path :d="one.paths.bad" fill="var(--color-madder)" />
                </svg>
                <p v-else-if="row.measures.middle" class="caption pr-2 text-right" :style="{ width: `${frame.width}px` }">of no side →</p>
                <svg v-else :width="frame.width" :height="HEIGHT" aria-hidden="true">
                  <line :x1="frame.width / 2 - 6" :x2="frame.width / 2 + 6" y1="26" y2="26" stroke="var(--color-ash)" />
                </svg>
              </td>
              <th v-if="one.half === 'left'" scope="row" class="w-[170px] px-2 text-center font-normal leading-[18px]">
                <b class="font-[650]">{{ row.name }}</b><br /><span class="caption">{{
                  at?.key === row.key ? valueAt(measureOf(row, at.half), at.index) : row.unit
                }}</span>
              </th>
              <td v-if="one.half === 'right'" class="min-w-[128px] whitespace-nowrap pl-3">
                <span class="display align-middle text-[24px]">{{ last(one.measure) }}</span>
                <span v-if="one.decision" class="caption ml-2 inline-block align-middle"
                  ><b class="font-[650] text-walnut">{{ one.decision.decision }}</b
                  ><br />{{ stepWords(one.decision.pressure_step) }}</span
                >
              </td>
            </template>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="!listed.length" class="mt-2">Nothing of that was measured twice{{ realOnly ? ' and really changed' : '' }}.</p>
    <button v-if="kept.length > FEW" type="button" class="btn no-print mt-2" @click="all = !all">
      {{ all ? `The first ${FEW} only` : `All ${kept.length}` }}
    </button>
    <p class="caption mt-2 flex flex-wrap gap-x-6">
      <span>open point, dotted: within measuring error</span><span><b class="text-moss">●</b> really better</span
      ><span><b class="text-madder">■</b> really worse</span><span>bars beneath: the dose</span><span>dashes: the goal</span
      ><span>– not measured</span
      ><span class="no-print">{{ visits ? 'a touch, or Enter, opens the visit; arrows go along it' : 'arrows go along it' }}</span>
    </p>
  </div>
</template>
