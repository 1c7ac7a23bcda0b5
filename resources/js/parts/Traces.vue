<script setup lang="ts">
import { computed } from 'vue'
import type { Measure, Response } from '@/types/visit'
import { atlas } from '@/chart/atlas'
import { dayWords, settings, shown, shownUnit } from '@/composables/settings'

/** The course, mirrored about the midline: time runs outward, real changes are drawn, noise is left as noise. */
const props = defineProps<{ response: Response; possessive: string }>()
const STEP = 66
const dates = computed(() => [...new Set(props.response.measures.flatMap((one) => one.series.map(([date]) => date)))].sort().slice(-6))
const order = new Map(atlas.muscles.map((one, index) => [one.id as string, index]))
interface Row {
  key: string
  name: string
  unit: string
  left?: Measure
  right?: Measure
  middle?: Measure
  decisions: Partial<Record<'left' | 'right', Response['targets'][number]>>
}
const rows = computed<Row[]>(() => {
  const map = new Map<string, Row>()
  for (const one of props.response.measures) {
    if (one.series.length < 2) continue
    const row = map.get(one.key) ?? {
      key: one.key,
      name: one.name.replace(/, tenderness$|^Pain: /, ''),
      unit: one.key.startsWith('palpation')
        ? 'tenderness'
        : one.key.startsWith('complaint')
          ? 'pain 0–10'
          : one.unit === 'deg'
            ? 'degrees'
            : shownUnit(one.unit),
      decisions: {},
    }
    if (one.side === 'midline') row.middle = one
    else row[one.side] = one
    const muscle = /^palpation\.(\w+)\./.exec(one.key)?.[1]
    for (const target of props.response.targets) {
      if (target.muscle === muscle && target.side !== 'midline') row.decisions[target.side] = target
    }
    map.set(one.key, row)
  }
  const rank = (key: string): number =>
    key.startsWith('complaint')
      ? 0
      : key.startsWith('function')
        ? 1
        : key.startsWith('range')
          ? 2
          : 3 + (order.get(key.split('.')[1] ?? '') ?? 0) / 1000
  return [...map.values()].sort((a, b) => rank(a.key) - rank(b.key)).slice(0, 12)
})
const span = (row: Row): [number, number] => {
  const all = [row.left, row.right, row.middle].flatMap((one) => one?.series.map(([, value]) => value) ?? [])
  const pad = Math.max(...[row.left, row.right, row.middle].map((one) => one?.mdc ?? 0), 0.5)
  return [Math.min(...all) - pad, Math.max(...all) + pad]
}
const width = computed(() => Math.max(1, dates.value.length - 1) * STEP + 16)
/** As many days by name as have room, the last one always. */
const LABEL = 62
const labels = computed(() => {
  const every = Math.ceil((settings().date_form === 'words' ? LABEL : LABEL + 20) / STEP)
  return dates.value.map((date, k) => ({ date, x: 8 + k * STEP })).filter((_, k) => (dates.value.length - 1 - k) % every === 0)
})
const points = (row: Row, one: Measure, outward: 1 | -1) => {
  const [low, high] = span(row)
  return one.series
    .map(([date, value], index) => {
      const at = dates.value.indexOf(date)
      return {
        x: outward === 1 ? 8 + at * STEP : width.value - 8 - at * STEP,
        y: 44 - 36 * ((value - low) / (high - low || 1)),
        verdict: one.points[index],
        value,
        at,
        date,
      }
    })
    .filter((point) => point.at >= 0)
}
const band = (row: Row, one: Measure) => {
  const [low, high] = span(row)
  const first = one.series[0]?.[1] ?? 0
  const scale = 36 / (high - low || 1)
  return { y: 44 - 36 * ((first + one.mdc - low) / (high - low || 1)), h: Math.max(3, 2 * one.mdc * scale) }
}
const lastOf = (one: Measure | undefined): string =>
  one ? String(Math.round(shown(one.series.at(-1)?.[1] ?? 0, one.unit) * 10) / 10) : '–'
const halves = computed(() => [
  { side: 'left' as const, outward: -1 as const },
  { side: 'right' as const, outward: 1 as const },
])
const stepWords = (n: number): string => (n > 0 ? 'a step further' : n < 0 ? `${-n} step${n < -1 ? 's' : ''} lower` : 'the same')
</script>
<template>
  <div class="overflow-x-auto">
    <table class="mx-auto border-collapse">
      <caption class="sr-only">
        Course of the measures, visit by visit, mirrored about the midline
      </caption>
      <thead>
        <tr class="caption">
          <th scope="col" class="text-left">
            <span class="side-name">{{ possessive }} left</span>
          </th>
          <th scope="col" class="font-normal">
            <div class="relative h-5" :style="{ width: `${width}px` }">
              <span
                v-for="label in labels"
                :key="label.date"
                class="note absolute -translate-x-1/2 whitespace-nowrap"
                :style="{ left: `${width - label.x}px` }"
                >{{ dayWords(label.date) }}</span
              >
            </div>
          </th>
          <th scope="col"><span class="sr-only">Measure</span></th>
          <th scope="col" class="font-normal">
            <div class="relative h-5" :style="{ width: `${width}px` }">
              <span
                v-for="label in labels"
                :key="label.date"
                class="note absolute -translate-x-1/2 whitespace-nowrap"
                :style="{ left: `${label.x}px` }"
                >{{ dayWords(label.date) }}</span
              >
            </div>
          </th>
          <th scope="col" class="text-right">
            <span class="side-name">{{ possessive }} right</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.key" class="h-[62px]">
          <template v-for="half in halves" :key="half.side">
            <td v-if="half.side === 'left'" class="min-w-[110px] whitespace-nowrap pr-3 text-right">
              <span v-if="row.decisions.left" class="caption mr-2 inline-block text-right align-middle"
                ><b class="font-[650] text-walnut">{{ row.decisions.left.decision }}</b
                ><br />{{ stepWords(row.decisions.left.pressure_step) }}</span
              >
              <span class="display align-middle text-[24px]">{{ row.left ? lastOf(row.left) : row.middle ? '' : '–' }}</span>
            </td>
            <td :class="half.side === 'left' ? '' : 'order-2'">
              <svg
                :width="width"
                height="52"
                :viewBox="`0 0 ${width} 52`"
                role="img"
                :aria-label="`${row.name}, ${half.side}: ${(row[half.side] ?? (half.side === 'right' ? row.middle : undefined))?.series.map((p) => p[1]).join(', ') ?? 'not measured'}`"
              >
                <line
                  v-for="(date, k) in dates"
                  :key="date"
                  :x1="half.outward === 1 ? 8 + k * STEP : width - 8 - k * STEP"
                  :x2="half.outward === 1 ? 8 + k * STEP : width - 8 - k * STEP"
                  y2="52"
                  stroke="var(--color-hairline)"
                />
                <template v-for="one in [row[half.side] ?? (half.side === 'right' ? row.middle : undefined)]" :key="one?.side ?? half.side">
                  <g v-if="one">
                    <rect :y="band(row, one).y" :width="width" :height="band(row, one).h" fill="var(--color-fold)" />
                    <template v-for="(point, k) in points(row, one, half.outward)" :key="k">
                      <line
                        v-if="k > 0"
                        :x1="points(row, one, half.outward)[k - 1]?.x"
                        :y1="points(row, one, half.outward)[k - 1]?.y"
                        :x2="point.x"
                        :y2="point.y"
                        :stroke="
                          point.verdict === 'improved'
                            ? 'var(--color-moss)'
                            : point.verdict === 'worse'
                              ? 'var(--color-madder)'
                              : 'var(--color-ash)'
                        "
                        :stroke-width="point.verdict === 'improved' || point.verdict === 'worse' ? 4 : 1.4"
                        :stroke-dasharray="point.verdict === 'improved' || point.verdict === 'worse' ? undefined : '2 3'"
                      />
                    </template>
                    <template v-for="(point, k) in points(row, one, half.outward)" :key="'p' + k">
                      <rect
                        v-if="point.verdict === 'worse'"
                        :x="point.x - 5"
                        :y="point.y - 5"
                        width="10"
                        height="10"
                        fill="var(--color-madder)"
                      >
                        <title>{{ dayWords(point.date) }}: {{ shown(point.value, one?.unit ?? '') }}</title>
                      </rect>
                      <circle
                        v-else
                        :cx="point.x"
                        :cy="point.y"
                        :r="point.verdict === 'improved' ? 5 : 3.4"
                        :fill="point.verdict === 'improved' ? 'var(--color-moss)' : 'var(--color-paper)'"
                        :stroke="point.verdict === 'improved' ? 'none' : 'var(--color-walnut-2)'"
                        stroke-width="1.4"
                      >
                        <title>{{ dayWords(point.date) }}: {{ shown(point.value, one?.unit ?? '') }}</title>
                      </circle>
                    </template>
                  </g>
                  <line v-else :x1="width / 2 - 6" :x2="width / 2 + 6" y1="30" y2="30" stroke="var(--color-ash)" />
                </template>
              </svg>
            </td>
            <th v-if="half.side === 'left'" scope="row" class="min-w-[150px] px-2 text-center font-normal">
              <b class="font-[650]">{{ row.name }}</b><br /><span class="caption">{{ row.unit }}</span>
            </th>
            <td v-if="half.side === 'right'" class="min-w-[110px] whitespace-nowrap pl-3">
              <span class="display align-middle text-[24px]">{{
                row.right ? lastOf(row.right) : row.middle ? lastOf(row.middle) : '–'
              }}</span>
              <span v-if="row.decisions.right" class="caption ml-2 inline-block align-middle"
                ><b class="font-[650] text-walnut">{{ row.decisions.right.decision }}</b
                ><br />{{ stepWords(row.decisions.right.pressure_step) }}</span
              >
            </td>
          </template>
        </tr>
      </tbody>
    </table>
    <p class="caption mt-2 flex flex-wrap gap-x-6">
      <span>open point, dotted: within measuring error</span><span><b class="text-moss">●</b> really better</span
      ><span><b class="text-madder">■</b> really worse</span><span>– not measured</span>
    </p>
  </div>
</template>
