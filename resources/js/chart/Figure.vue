<script lang="ts">
import type { Place } from '@/types/visit'
import type { Side, ZoneId } from '@/types/ids.generated'
import raw from './figure.generated.json'

const figure = raw as unknown as {
  head: string
  ear: string
  landmarks: Record<string, Partial<Record<ViewId, [number, number]>>>
  views: Record<
    ViewId,
    {
      /** The skin of a half, open where it meets the midline, and what closes it. */
      body: string
      close: string
      bones: { d: string; w?: number; over?: boolean; sheet?: boolean }[]
      muscles: { id: string; layer: number; tone: number; d: string; f: string; s: string; c: number[] }[]
      zones: { id: string; d: string; c: number[] }[]
      lines: { d: string; w: number }[]
    }
  >
}

export type ViewId = 'front' | 'back' | 'sole'
export const viewNames: Record<ViewId, string> = { front: 'seen from in front', back: 'seen from behind', sole: 'the soles, from below' }
/** A crop of the whole body, in figure units about the midline. */
export interface Crop {
  x: number
  y: number
  w: number
  h: number
}
export const crops = {
  whole: { x: -240, y: -12, w: 480, h: 1040 },
  upper: { x: -176, y: -8, w: 352, h: 440 },
  neck: { x: -135, y: 20, w: 270, h: 350 },
} satisfies Record<string, Crop>
export const solesCrop: Crop = { x: -110, y: 820, w: 220, h: 192 }
export interface FigureMark {
  muscle: string
  side: Side
  finding: { tenderness?: number; texture?: string[]; familiar?: 'yes' | 'no' | 'unknown' }
  refers?: Place[]
  chosen?: boolean
}
export interface FigureComplaint extends Place {
  now: number
}
/** A landmark on the figure: the one in hand is ringed, others are points; a key makes it a choice. */
export interface FigurePoint {
  id: string
  now?: boolean
  key?: string
  state?: 'right' | 'wrong'
}
export const landmarkIn = (view: ViewId, id: string): [number, number] | null => figure.landmarks[id]?.[view] ?? null
/** A crop about muscles, landmarks and zones of one side, as near as they allow; the whole body without any. */
export const cropAround = (
  view: ViewId,
  side: Side,
  about: { muscles?: readonly string[]; points?: readonly string[]; zones?: readonly string[] },
  least = 150,
): Crop => {
  const flip = side === 'midline' ? 1 : (side === 'left') === (view === 'front') ? 1 : -1
  const shapes = [
    ...figure.views[view].muscles.filter((one) => about.muscles?.includes(one.id)),
    ...figure.views[view].zones.filter((one) => about.zones?.includes(one.id)),
  ]
  const numbers = shapes.flatMap((one) => one.d.match(/-?[\d.]+/g)?.map(Number) ?? [])
  const places: [number, number][] = [
    ...numbers.flatMap((n, k): [number, number][] => (k % 2 === 0 ? [[n, numbers[k + 1] ?? 0]] : [])),
    ...(about.points ?? []).flatMap((id): [number, number][] => {
      const at = landmarkIn(view, id)
      return at ? [at] : []
    }),
  ]
  if (!places.length) return crops.whole
  const xs = places.map(([x]) => x * flip)
  const ys = places.map(([, y]) => y)
  const [left, right, top, foot] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const size = Math.max(least, 1.35 * (right - left), 1.35 * (foot - top))
  return { x: (left + right) / 2 - size / 2, y: (top + foot) / 2 - size / 2, w: size, h: size }
}
export const drawnIn = (view: ViewId, muscle: string): boolean => figure.views[view].muscles.some((one) => one.id === muscle)
/** The first view that shows a muscle: the one wished for, its other face, or the soles. */
export const viewOf = (muscle: string, first: ViewId): ViewId =>
  ([first, 'back', 'front', 'sole'] as ViewId[]).find((one) => drawnIn(one, muscle)) ?? first
/** The crop that shows a zone best. */
export const cropFor = (group: string): keyof typeof crops =>
  ['hip', 'thigh', 'knee', 'leg'].includes(group) ? 'whole' : ['head', 'neck', 'shoulder'].includes(group) ? 'neck' : 'upper'
export const zoneOfView = (view: ViewId, zone: ZoneId): boolean => figure.views[view].zones.some((one) => one.id === zone)
</script>
<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import { placeName, zone as atlasZone } from './atlas'
import FigureBone from './FigureBone.vue'
import FindingMark from './FindingMark.vue'

const props = withDefaults(
  defineProps<{
    view: ViewId
    crop?: Crop
    marks?: FigureMark[]
    complaints?: FigureComplaint[]
    /** Places not to press, hatched quietly. */
    hatched?: Place[]
    chosen?: { zone: ZoneId; side: Side } | null
    lit?: { muscle: string; side: Side } | null
    points?: FigurePoint[]
    pointSide?: Side
    depth?: number
    dark?: boolean
    paint?: boolean
    label: string
  }>(),
  {
    crop: undefined,
    marks: () => [],
    complaints: () => [],
    hatched: () => [],
    chosen: null,
    lit: null,
    points: () => [],
    pointSide: 'left',
    depth: 1,
    dark: false,
    paint: false,
  },
)
const emit = defineEmits<{
  point: [id: string]
  place: [place: { zone: ZoneId; side: Side }]
  stroke: [place: { zone: ZoneId; side: Side }, first: boolean]
}>()

const id = useId()
const drawn = computed(() => figure.views[props.view])
const frame = computed(() => props.crop ?? (props.view === 'sole' ? solesCrop : crops.whole))
const skin = computed(() => drawn.value.body + drawn.value.close)
const hasHead = computed(() => props.view !== 'sole')
// left in the view: the client's left lies to the viewer's right from in front, to the left from behind
const sign = (side: Side): number => (side === 'midline' ? 0 : (side === 'left') === (props.view === 'front') ? 1 : -1)
const halves = computed(() => [
  { side: 'left' as Side, scale: sign('left') },
  { side: 'right' as Side, scale: sign('right') },
])
const tones = computed(() => (props.dark ? ['#66503f', '#5a4637', '#4a392d', '#6d604f'] : ['#d3b49a', '#c9a78b', '#bb967a', '#efe6d3']))
const ink = computed(() =>
  props.dark
    ? { skin: '#3b3128', under: '#2b221a', line: '#1b1511', fibre: '#d8c1a5', fibreO: 0.33, edge: '#b9a389', bone: '#8d7f6c' }
    : { skin: '#ecdfcb', under: '#c3a386', line: '#7a5640', fibre: '#6b4934', fibreO: 0.5, edge: '#4a3728', bone: '#f1e8d6' },
)
/** Bones lie bare under what is left of the deeper layers; the few that show on the surface lie over it. */
const bones = computed(() => ({
  under: props.depth > 1 ? drawn.value.bones.filter((one) => !one.over) : [],
  over: drawn.value.bones.filter((one) => one.over && props.depth < (one.sheet ? 2 : 3)),
}))
const muscles = computed(() => drawn.value.muscles.filter((one) => one.layer >= props.depth || one.id === props.lit?.muscle))
const litShape = computed(() => drawn.value.muscles.find((one) => one.id === props.lit?.muscle))
const scale = computed(() => frame.value.w / 480)
const zoneCentre = (place: { zone: string; side: Side }): [number, number] | null => {
  const found = drawn.value.zones.find((one) => one.id === place.zone)
  return found ? [(place.side === 'midline' ? 0 : sign(place.side) || 0) * (found.c[0] ?? 0), found.c[1] ?? 0] : null
}
const hovered = ref<string | null>(null)
const placed = computed(() => {
  const seen = new Map<string, number>()
  return props.marks.flatMap((mark) => {
    const shape = drawn.value.muscles.find((one) => one.id === mark.muscle)
    if (!shape) return []
    const x = sign(mark.side) * (shape.c[0] ?? 0)
    const y = shape.c[1] ?? 0
    // marks that would cover each other step aside downward
    const cell = `${Math.round(x / (14 * scale.value + 4))}:${Math.round(y / (14 * scale.value + 4))}`
    const n = seen.get(cell) ?? 0
    seen.set(cell, n + 1)
    return [{ ...mark, x: x + n * 12 * scale.value, y: y + n * 20 * scale.value }]
  })
})
const threads = computed(() =>
  placed.value.flatMap((mark) =>
    (mark.refers ?? []).flatMap((to) => {
      const end = zoneCentre(to)
      if (!end) return []
      const bend = (mark.x + end[0]) / 2 + Math.sign(mark.x || 1) * 16
      return [{ d: `M${mark.x} ${mark.y}Q${bend} ${(mark.y + end[1]) / 2} ${end[0]} ${end[1]}`, end, own: mark.finding.familiar === 'yes' }]
    }),
  ),
)
const zonesOf = (list: Place[]) =>
  list.flatMap((place) => drawn.value.zones.filter((one) => one.id === place.zone).map((one) => ({ ...one, side: place.side })))
const painted = computed(() =>
  props.complaints.flatMap((complaint) =>
    zonesOf([complaint]).flatMap((one) =>
      (one.side === 'midline' ? (['left', 'right'] as Side[]) : [one.side]).map((side) => ({
        key: `${one.id}${side}`,
        d: one.d,
        scale: sign(side),
        now: complaint.now,
      })),
    ),
  ),
)
const hatching = computed(() => zonesOf(props.hatched).map((one) => ({ key: one.id + one.side, d: one.d, scale: sign(one.side) || 1 })))
const rowGap = (now: number): number => 9 - (4 * Math.min(10, now)) / 10
/** Points to choose from are pushed apart until none covers another; a leader runs back to the true place. */
const APART = 38
const landmarks = computed(() => {
  const list = props.points.flatMap((point) => {
    const at = landmarkIn(props.view, point.id)
    const x = (at?.[0] ?? 0) * (sign(props.pointSide) || 1)
    return at ? [{ ...point, at: [x, at[1]] as [number, number], x, y: at[1] }] : []
  })
  const least = APART * scale.value
  for (let round = 0; round < 12 && list[0]?.key; round++) {
    list.forEach((one, k) => {
      list.slice(k + 1).forEach((two) => {
        const [dx, dy] = [two.x - one.x || 0.1, two.y - one.y]
        const off = Math.hypot(dx, dy)
        if (off >= least) return
        const push = (least - off) / 2 / off
        one.x -= dx * push
        one.y -= dy * push
        two.x += dx * push
        two.y += dy * push
      })
    })
  }
  return list
})
const ring = computed(() => (props.chosen ? zoneCentre(props.chosen) : null))

let painting = false
const name = (zone: string, side: Side): { zone: ZoneId; side: Side } => ({
  zone: zone as ZoneId,
  side: atlasZone(zone).midline ? 'midline' : side,
})
const down = (zone: string, side: Side, event: PointerEvent) => {
  const place = name(zone, side)
  if (props.paint) {
    painting = true
    ;(event.target as Element).releasePointerCapture?.(event.pointerId)
    emit('stroke', place, true)
  } else emit('place', place)
}
const over = (zone: string, side: Side) => {
  hovered.value = placeName(name(zone, side))
  if (painting) emit('stroke', name(zone, side), false)
}
const end = () => (painting = false)
</script>
<template>
  <figure class="relative m-0 h-full w-full">
    <svg
      :viewBox="`${frame.x} ${frame.y} ${frame.w} ${frame.h}`"
      preserveAspectRatio="xMidYMin meet"
      class="h-full w-full touch-none select-none"
      role="img"
      :aria-label="label"
      :style="{ '--dye-madder': dark ? '#ee8a78' : '#8a2622', '--mark-halo': dark ? 'var(--color-room)' : 'var(--color-paper)' }"
      @pointerup="end"
      @pointerleave="end"
    >
      <defs>
        <clipPath :id="`${id}-body`">
          <path :d="skin" />
          <path v-if="view === 'back'" d="M0 78H36L34 100L31 116H0Z" />
        </clipPath>
        <clipPath :id="`${id}-flesh`"><path d="M-1 60H240V509H150V940H-1Z" /></clipPath>
        <clipPath :id="`${id}-skull`">
          <path :d="view === 'back' ? 'M-80-20H80V96Q34 101 18 92Q8 86 0 86Q-8 86-18 92Q-34 101-80 96Z' : 'M-80-20H80V140H-80Z'" />
        </clipPath>
        <pattern
          v-for="one in painted"
          :id="`${id}-darn-${one.key}`"
          :key="one.key"
          width="26"
          :height="rowGap(one.now) * 2 * scale * 1.4"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(8)"
        >
          <path
            :d="`M0 ${rowGap(one.now) * 0.5 * scale * 1.4}h9m8 0h9`"
            stroke="var(--dye-madder)"
            :stroke-width="1.8 * scale * 1.3"
            fill="none"
          />
          <path
            :d="`M-6 ${rowGap(one.now) * 1.5 * scale * 1.4}h9m8 0h9m8 0h9`"
            stroke="var(--dye-madder)"
            :stroke-width="1.8 * scale * 1.3"
            fill="none"
          />
        </pattern>
        <pattern
          v-if="hatching.length"
          :id="`${id}-hatch`"
          :width="9 * scale"
          :height="9 * scale"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <path :d="`M0 0V${9 * scale}`" :stroke="dark ? 'var(--color-linen-2)' : 'var(--color-iron)'" :stroke-width="3 * scale" />
        </pattern>
      </defs>
      <g>
        <g v-for="half in halves" :key="half.side" :transform="`scale(${half.scale},1)`">
          <path v-if="hasHead" :d="figure.ear" :fill="ink.skin" :stroke="ink.edge" stroke-width="1.1" />
          <path :d="skin" :fill="ink.skin" />
          <path v-if="view === 'back'" d="M0 78H36L34 100L31 116H0Z" :fill="ink.under" />
          <g :clip-path="`url(#${id}-body)`">
            <path :d="skin" :fill="ink.under" :clip-path="hasHead ? `url(#${id}-flesh)` : undefined" />
            <FigureBone v-for="(one, k) in bones.under" :key="'bone' + k" :bone="one" :fill="ink.bone" :line="ink.line" />
            <g v-for="one in muscles" :key="one.id">
              <path :d="one.d" :fill="tones[one.tone]" />
              <path :d="one.f" fill="none" :stroke="ink.fibre" stroke-width="0.4" :opacity="ink.fibreO" />
              <path v-if="one.s" :d="one.s" :fill="tones[3]" :stroke="ink.fibre" stroke-width="0.3" stroke-opacity="0.35" />
              <path :d="one.d" fill="none" :stroke="ink.line" stroke-width="0.7" />
            </g>
            <FigureBone
              v-for="(one, k) in bones.over"
              :key="'over' + k"
              :bone="one"
              :fill="one.sheet ? (tones[3] ?? ink.bone) : ink.bone"
              :line="ink.line"
            />
            <path :d="drawn.body" fill="none" :stroke="ink.skin" stroke-width="5" />
          </g>
          <path :d="drawn.body" fill="none" :stroke="ink.edge" stroke-width="1.3" />
          <path v-if="view === 'back'" d="M37 97Q33.5 105 31.5 114" fill="none" :stroke="ink.edge" stroke-width="1.3" />
        </g>
        <g v-if="hasHead" :clip-path="`url(#${id}-skull)`">
          <g v-for="half in halves" :key="half.side" :transform="`scale(${half.scale},1)`">
            <path :d="figure.head + 'L0 0Z'" :fill="ink.skin" />
          </g>
          <g v-if="view === 'front'">
            <g v-for="half in halves" :key="half.side" :transform="`scale(${half.scale},1)`" opacity="0.9">
              <g
                v-for="one in muscles.filter((m) => ['frontalis', 'masseter', 'temporalis'].includes(m.id))"
                :key="one.id"
                :opacity="lit?.muscle === one.id ? 1 : 0.55"
              >
                <path :d="one.d" :fill="tones[one.tone]" :stroke="ink.line" stroke-width="0.4" />
                <path :d="one.f" fill="none" :stroke="ink.fibre" stroke-width="0.3" :opacity="ink.fibreO" />
              </g>
            </g>
          </g>
        </g>
        <g v-for="half in halves" :key="'h' + half.side" :transform="`scale(${half.scale},1)`">
          <path v-if="hasHead" :d="figure.head" fill="none" :stroke="ink.edge" stroke-width="1.2" :clip-path="`url(#${id}-skull)`" />
          <path
            v-for="one in drawn.lines"
            :key="one.d"
            :d="one.d"
            fill="none"
            :stroke="ink.edge"
            :stroke-width="one.w"
            opacity="0.6"
            stroke-linecap="round"
          />
        </g>
        <path
          v-if="view === 'back'"
          d="M-39 95Q-32 100-18 92Q-8 86 0 86Q8 86 18 92Q32 100 39 95"
          fill="none"
          :stroke="ink.edge"
          stroke-width="0.9"
          opacity="0.6"
        />
        <g v-if="lit && litShape" :transform="`scale(${sign(lit.side)},1)`">
          <path
            :d="litShape.d"
            :fill="dark ? '#b08c5a' : 'var(--color-weld-wash)'"
            :stroke="dark ? 'var(--color-room-weld)' : 'var(--color-walnut)'"
            :stroke-width="1.6"
          />
          <path :d="litShape.f" fill="none" :stroke="ink.fibre" stroke-width="0.5" :opacity="0.7" />
        </g>
        <g v-for="one in painted" :key="one.key" :transform="`scale(${one.scale},1)`">
          <path :d="one.d" fill="var(--mark-halo)" opacity="0.6" />
          <path
            :d="one.d"
            :fill="`url(#${id}-darn-${one.key})`"
            stroke="var(--dye-madder)"
            :stroke-width="2.2 * scale"
            :stroke-dasharray="`${9 * scale} ${5 * scale}`"
          />
        </g>
        <g v-for="one in hatching" :key="'hatch' + one.key" :transform="`scale(${one.scale},1)`">
          <path :d="one.d" fill="var(--mark-halo)" opacity="0.55" />
          <path
            :d="one.d"
            :fill="`url(#${id}-hatch)`"
            :stroke="dark ? 'var(--color-linen-2)' : 'var(--color-iron)'"
            :stroke-width="2 * scale"
          />
        </g>
        <g v-if="ring && chosen" pointer-events="none">
          <line
            v-if="chosen.side !== 'midline'"
            :x1="-ring[0]"
            :x2="ring[0]"
            :y1="ring[1]"
            :y2="ring[1]"
            stroke="var(--color-walnut)"
            :stroke-width="1.4 * scale"
            :stroke-dasharray="`${2 * scale} ${4 * scale}`"
          />
          <circle :cx="ring[0]" :cy="ring[1]" :r="26 * scale" fill="none" :stroke="ink.skin" :stroke-width="6 * scale" opacity="0.8" />
          <circle
            :cx="ring[0]"
            :cy="ring[1]"
            :r="26 * scale"
            fill="none"
            :stroke="dark ? 'var(--color-linen)' : 'var(--color-walnut)'"
            :stroke-width="2.5 * scale"
          />
          <circle
            v-if="chosen.side !== 'midline'"
            :cx="-ring[0]"
            :cy="ring[1]"
            :r="26 * scale"
            fill="none"
            stroke="var(--color-walnut)"
            :stroke-width="1.8 * scale"
            :stroke-dasharray="`${2.5 * scale} ${4 * scale}`"
          />
        </g>
        <g pointer-events="none">
          <g v-for="(thread, index) in threads" :key="index">
            <path :d="thread.d" fill="none" stroke="var(--mark-halo)" :stroke-width="6 * scale" opacity="0.8" />
            <path
              :d="thread.d"
              fill="none"
              stroke="var(--color-walnut)"
              :stroke-width="2.5 * scale"
              :stroke-dasharray="`${6 * scale} ${4 * scale}`"
            />
            <circle
              :cx="thread.end[0]"
              :cy="thread.end[1]"
              :r="6 * scale"
              :fill="thread.own ? 'var(--dye-madder)' : 'var(--mark-halo)'"
              stroke="var(--color-walnut)"
              :stroke-width="1.4 * scale"
            />
          </g>
          <g
            v-for="mark in placed"
            :key="mark.muscle + mark.side"
            :transform="`translate(${mark.x},${mark.y}) scale(${scale * (mark.chosen ? 1.25 : 0.9)})`"
          >
            <FindingMark :finding="mark.finding" :angle="sign(mark.side) * -40" />
          </g>
        </g>
        <g v-for="half in halves" :key="'z' + half.side" :transform="`scale(${half.scale},1)`">
          <path
            v-for="one in drawn.zones"
            :key="one.id"
            :d="one.d"
            :data-zone="`${one.id}:${half.side}`"
            class="cursor-pointer fill-transparent hover:fill-walnut/8"
            @pointerdown="down(one.id, half.side, $event)"
            @pointerenter="over(one.id, half.side)"
          />
        </g>
        <g v-for="point in landmarks.filter((one) => one.key)" :key="'leader' + point.id" pointer-events="none">
          <line :x1="point.at[0]" :y1="point.at[1]" :x2="point.x" :y2="point.y" stroke="var(--color-walnut)" :stroke-width="2 * scale" />
          <circle :cx="point.at[0]" :cy="point.at[1]" :r="4 * scale" fill="var(--color-walnut)" />
        </g>
        <g
          v-for="point in landmarks"
          :key="'p' + point.id"
          :transform="`translate(${point.x},${point.y}) scale(${scale})`"
          :class="point.key ? 'cursor-pointer' : ''"
          :pointer-events="point.key ? 'auto' : 'none'"
          :data-point="point.id"
          @pointerdown.stop="point.key && emit('point', point.id)"
        >
          <template v-if="point.key">
            <circle r="26" fill="transparent" />
            <circle
              r="17"
              :fill="
                point.state === 'right' ? 'var(--color-moss)' : point.state === 'wrong' ? 'var(--color-madder)' : 'var(--color-raised)'
              "
              stroke="var(--color-walnut)"
              stroke-width="2.5"
            />
            <text
              y="7"
              text-anchor="middle"
              class="display"
              font-size="21"
              :fill="point.state ? 'var(--color-raised)' : 'var(--color-walnut)'"
            >
              {{ point.key }}
            </text>
          </template>
          <template v-else>
            <circle :r="point.now ? 13 : 8" fill="var(--mark-halo)" opacity="0.9" />
            <circle v-if="point.now" r="10" fill="none" stroke="var(--color-walnut)" stroke-width="3" />
            <circle :r="point.now ? 4 : 5" :fill="point.now ? 'var(--color-walnut)' : 'var(--color-iron)'" />
          </template>
        </g>
      </g>
    </svg>
    <figcaption v-if="hovered" class="caption pointer-events-none absolute bottom-0 left-0 right-0 text-center">{{ hovered }}</figcaption>
  </figure>
</template>
