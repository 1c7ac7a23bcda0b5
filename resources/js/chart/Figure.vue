<script lang="ts">
import { settings } from '@/composables/settings'
import type { Palpation, Place } from '@/types/visit'

export interface FigureMark {
  muscle: string
  side: Side
  finding: Pick<Palpation, 'tenderness' | 'texture' | 'familiar'>
  refers?: Place[]
  chosen?: boolean
}
/** What changed between two moments, at a muscle or a place: below nought is less. */
export type FigureShift = { side: Side; by: number } & ({ muscle: string } | { zone: string })
export interface FigureComplaint extends Place {
  now?: number
}
/** A landmark on the figure: the one in hand is ringed, others are points; a key makes it a choice. */
export interface FigurePoint {
  id: string
  /** where it lies on the half to the right; a landmark lies where the view has it */
  home?: [number, number]
  now?: boolean
  key?: string
  state?: 'right' | 'wrong'
}
export interface FigurePick {
  place: { zone: ZoneId; side: Side }
  /** the half that was touched, also where the place lies on the midline */
  side: 'left' | 'right'
  muscle: MuscleId | null
  near: MuscleId[]
  hazard: string | null
}
</script>
<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref, useId, watch, watchEffect } from 'vue'
import type { MuscleId, Side, ZoneId } from '@/types/ids.generated'
import {
  boxOfView,
  cropOf,
  drawnIn,
  faces,
  landmarkIn,
  loadView,
  musclePlace,
  plateOf,
  signOf,
  zonePlace,
  type Crop,
  type ViewId,
} from './art'
import { atlas, layerName, muscle as atlasMuscle, placeName, zone as atlasZone } from './atlas'
import { quietMarkup, figureStyle } from './drawing'
import FindingMark from './FindingMark.vue'
import ShiftMark from './ShiftMark.vue'
import { isOf, loadSeen, musclesAt, outline, partOf, seenOf, sightOf, spotsOf } from './dissection'
import { prepareHits, zoneAt, type Hit } from './hit'
import { labelsIn, leastNamed, type Inset } from './labels'
import NameLabels from './NameLabels.vue'
import { useBody } from './useBody'
import { useZoom } from './useZoom'

const props = withDefaults(
  defineProps<{
    view: ViewId
    crop?: Crop
    marks?: FigureMark[]
    shifts?: FigureShift[]
    complaints?: FigureComplaint[]
    /** Places a broad hand goes over. */
    worked?: Place[]
    /** Places not to press, hatched quietly. */
    hatched?: Place[]
    /** How much of something each place has, 0 to 1, on both sides: the body darkens with it. */
    shades?: { zone: ZoneId; share: number; chosen?: boolean }[]
    chosen?: { zone: ZoneId; side: Side } | null
    lit?: { muscle: string; side: Side } | null
    points?: FigurePoint[]
    pointSide?: Side
    /** which state of the dissection, 1 to 4; else the one that shows the muscle in hand, or the surface */
    depth?: number | undefined
    /** for laypeople: the body in quiet outline and clothed, no muscles */
    quiet?: boolean
    dark?: boolean
    paint?: boolean
    /** places never to press, drawn where they lie: all of them, or those named */
    beware?: boolean | readonly string[]
    /** hovering and tapping tell muscles, not only places */
    muscles?: boolean
    /** names of what lies in front, on leaders */
    names?: boolean
    /** room for names that something else takes at the edges, in pixels */
    inset?: Inset
    label: string
  }>(),
  {
    crop: undefined,
    marks: () => [],
    shifts: () => [],
    complaints: () => [],
    worked: () => [],
    hatched: () => [],
    shades: () => [],
    chosen: null,
    lit: null,
    points: () => [],
    pointSide: 'left',
    depth: undefined,
    quiet: false,
    dark: false,
    paint: false,
    beware: false,
    muscles: false,
    names: false,
    inset: () => ({ top: 0, right: 0, bottom: 0 }),
  },
)
/** In the treatment room, or everywhere for who wishes it so. */
const dim = computed(() => props.dark || settings().theme === 'dusk')
const emit = defineEmits<{
  point: [id: string]
  pick: [pick: FigurePick]
  stroke: [place: { zone: ZoneId; side: Side }, first: boolean]
}>()

const id = useId()
watchEffect(() => void loadView(props.view).then(() => prepareHits(props.view)))
const plate = computed(() => plateOf(props.view))
const svg = ref<SVGSVGElement | null>(null)
const size = useElementSize(svg)
const GROUND = 14
/** The window wished for, widened to the shape of the room it has. */
const frame = computed<Crop>(() => {
  const wished = props.crop ?? cropOf(props.view, 'whole')
  const [width, height] = [size.width.value, size.height.value]
  if (!width || !height) return wished
  // names stand beside the body: the window is wider by their room
  const wide = wished.w * (props.names ? 1.5 : 1)
  const [w, h] = [Math.max(wide, (wished.h * width) / height), Math.max(wished.h, (wide * height) / width)]
  // it grows up and down alike, but not into the empty ground beyond head and feet
  const [, top, , foot] = boxOfView(props.view)
  const y = Math.min(Math.max(wished.y + (wished.h - h) / 2, top - GROUND), Math.max(top - GROUND, foot + GROUND - h))
  return { ...wished, x: wished.x + (wished.w - w) / 2, y, w, h }
})
const zoom = useZoom(svg, frame)
const shown = zoom.shown
const shift = computed(() => frame.value.shift ?? 0)
/** Parts left away; the art is not drawn anew when only the size of the window changes. */
const without = computed(() => frame.value.without)
/** Pixels a unit is wide. */
const px = computed(() =>
  size.width.value ? Math.min(size.width.value / shown.value.w, size.height.value / shown.value.h) : 480 / shown.value.w,
)
/** Units of a pixel: marks keep their size on the screen. */
const scale = computed(() => Math.min(1 / px.value, shown.value.w / 300))
const sign = (side: Side): number => signOf(props.view, side)
const halves = computed(() => [
  { side: 'left' as Side, scale: sign('left') },
  { side: 'right' as Side, scale: sign('right') },
])
/** A point of the drawn half on its side of the view. */
const at = (side: Side, [x, y]: readonly [number, number]): [number, number] => [(sign(side) || 1) * (x - shift.value), y]
const halfTransform = (side: Side): string => `scale(${sign(side) || 1},1) translate(${-shift.value},0)`

const deep = computed(() => props.depth ?? (props.lit && musclePlace(props.view, props.lit.muscle)?.layer) ?? 1)
const canvas = ref<HTMLCanvasElement | null>(null)
const body = useBody(canvas, {
  view: computed(() => (props.quiet ? null : props.view)),
  depth: deep,
  dim,
  shown,
  width: size.width,
  height: size.height,
})
/** Everything is there that this view shows first. */
const isDrawn = computed(() => !!plate.value && (!body.region.value || !!body.seen.value))
/** The body of laypeople; the other is painted under the marks. What is shaded wears nothing: cloth would be a shade too. */
const outlined = computed(() => (props.quiet && plate.value ? quietMarkup(plate.value, props.shades.length > 0) : ''))
const style = computed(() => figureStyle(`[data-figure="${id}"]`, dim.value, px.value))
const zoneMarkup = computed(() =>
  halves.value.map(({ side }) =>
    (plate.value?.zones ?? [])
      .filter((one) => !one.part || !without.value?.includes(one.part))
      .map((one) => `<path class="z" data-zone="${one.id}:${side}" d="${one.d}"/>`)
      .join(''),
  ),
)
/** Of the dissected body: what is seen of a muscle of one side in this state, else in the state that shows it best, as through glass. */
const contourOf = (muscle: string, side: Side): { d: string; through: boolean; transform: string | undefined } | null => {
  const region = body.region.value
  if (!region) return null
  // where the halves are drawn together both show the one to the right
  const half = shift.value && side !== 'midline' ? (faces(props.view) ? 'left' : 'right') : side
  const transform = shift.value ? halfTransform(side) : undefined
  const wanted = (name: string): boolean =>
    isOf(region, name, muscle as MuscleId) && (half === 'midline' || partOf(region, name).other === (half === 'right'))
  const here = body.seen.value && outline(body.seen.value, region.box, wanted)
  if (here) return { d: here, through: false, transform }
  const best = sightOf(region, muscle)
  const seen = best && best !== body.state.value ? seenOf(region.id, best) : undefined
  const d = seen && outline(seen, region.box, wanted)
  return d ? { d, through: true, transform } : null
}
watch(
  () => [props.lit?.muscle, body.region.value, body.state.value] as const,
  ([muscle, region, state]) => {
    const best = muscle && region ? sightOf(region, muscle) : undefined
    if (region && best && best !== state) void loadSeen(region.id, best)
  },
  { immediate: true },
)
const litContour = computed(() => (props.lit ? contourOf(props.lit.muscle, props.lit.side) : null))
const zoneShape = (zone: string) => plate.value?.zones.find((one) => one.id === zone)

const zoneCentre = (place: { zone: string; side: Side }): [number, number] | null => {
  const found = zonePlace(props.view, place.zone)
  if (!found) return null
  const [x, y] = at(place.side, found.c)
  // a place of the midline is marked on it, where the plate shows the midline
  return [place.side === 'midline' && shift.value === 0 && found.box[0] <= 1 ? 0 : x, y]
}
/** Marks that would cover each other step aside downward. */
const aside = () => {
  const seen = new Map<string, number>()
  return ([x, y]: [number, number]): { x: number; y: number } => {
    const cell = `${Math.round(x / (14 * scale.value + 4))}:${Math.round(y / (14 * scale.value + 4))}`
    const n = seen.get(cell) ?? 0
    seen.set(cell, n + 1)
    return { x: x + n * 12 * scale.value, y: y + n * 20 * scale.value }
  }
}
/** Where a muscle is marked; nowhere where it is not seen. */
const markAt = (muscle: string, side: Side): [number, number] | null => {
  const own = musclePlace(props.view, muscle)
  return !own || without.value?.includes(own.on ?? '') ? null : at(side, own.c)
}
const placed = computed(() => {
  const free = aside()
  return props.marks.flatMap((mark) => {
    const place = markAt(mark.muscle, mark.side)
    return place ? [{ ...mark, ...free(place) }] : []
  })
})
const shifted = computed(() => {
  const free = aside()
  return props.shifts.flatMap((one) => {
    const place = 'muscle' in one ? markAt(one.muscle, one.side) : zoneCentre(one)
    return place ? [{ key: `${'muscle' in one ? one.muscle : one.zone}:${one.side}`, by: one.by, ...free(place) }] : []
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
const both = ['left', 'right'] as const
const sidesOf = (place: Place): Side[] => (place.side === 'midline' ? [...both] : [place.side])
const shapesOf = <T extends Place>(list: T[]) =>
  list.flatMap((place) => {
    const d = zoneShape(place.zone)?.d
    return d ? sidesOf(place).map((side) => ({ ...place, key: `${place.zone}${side}`, d, side })) : []
  })
const painted = computed(() => shapesOf(props.complaints))
const washed = computed(() => shapesOf(props.worked))
const shaded = computed(() => shapesOf(props.shades.map((one) => ({ ...one, side: 'midline' as const }))))
const hatching = computed(() => shapesOf(props.hatched))
const hazards = computed(() =>
  props.beware
    ? (plate.value?.hazards ?? []).flatMap((one) => {
        if (typeof props.beware === 'object' && !props.beware.includes(one.id)) return []
        const only = atlas.hazards[one.id]?.only
        return both.filter((side) => !only || only === side).map((side) => ({ ...one, side }))
      })
    : [],
)
/** The stronger the closer; a place nobody has asked the strength of is stitched widest. */
const rowGap = (now = 0): number => 9 - (4 * Math.min(10, now)) / 10
/** Points to choose from are pushed apart until none covers another; a leader runs back to the true place. */
const APART = 38
const landmarks = computed(() => {
  const list = props.points.flatMap((point) => {
    const home = point.home ?? landmarkIn(props.view, point.id)
    const place = home && at(props.pointSide, home)
    return place ? [{ ...point, at: place, x: place[0], y: place[1] }] : []
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
const namesShown = computed(() => {
  const [region, seen] = [body.region.value, body.seen.value]
  if (!props.names || !region || !seen) return []
  const least = leastNamed(size.width.value) / (seen.size * px.value) ** 2
  const list = spotsOf(region, seen, (muscle) => (drawnIn(props.view, muscle) ? atlasMuscle(muscle).name : undefined), 0, least)
  const nearer = ([x, y]: [number, number]): [number, number] => [Math.sign(x) * (Math.abs(x) - shift.value), y]
  return labelsIn(
    list.map(({ text, at, over }) => ({ text, at: nearer(at), over: nearer(over) })),
    shown.value,
    1 / px.value,
    props.inset,
  )
})

const placeOf = (zone: string, side: Side): { zone: ZoneId; side: Side } => ({
  zone: zone as ZoneId,
  side: atlasZone(zone).midline ? 'midline' : side,
})
/** A finger is as wide as this. */
const REACH = 12
const hit = (event: { clientX: number; clientY: number }): (Hit & { side: 'left' | 'right' }) | null => {
  const [x, y] = zoom.toFigure(event.clientX, event.clientY)
  const side = x * sign('left') >= 0 ? 'left' : 'right'
  const zone = zoneAt(props.view, Math.abs(x) + shift.value, y, REACH / px.value, without.value)
  if (!zone) return null
  const [region, seen] = [body.region.value, body.seen.value]
  if (!region || !seen) return { zone, muscle: null, near: [], side }
  // of halves that are drawn together both show the right one of the picture
  const on = shift.value ? Math.abs(x) + shift.value : x
  return { zone, ...musclesAt(region, seen, [on, y], REACH / px.value, (id) => drawnIn(props.view, id)), side }
}
/** The hazard the finger is on; the hatching lies over all else. */
const hazardAt = (event: PointerEvent): string | null =>
  (event.target as Element).closest('[data-hazard]')?.getAttribute('data-hazard') ?? null
const hovered = ref<(Hit & { side: Side; hazard: string | null }) | null>(null)
const told = computed(() => {
  const one = hovered.value
  if (!one) return null
  const where = placeName(placeOf(one.zone, one.side))
  if (one.hazard) return `Beware: ${atlas.hazards[one.hazard]?.name} · ${where}`
  if (!props.muscles || !one.muscle) return where
  const about = atlasMuscle(one.muscle)
  return `${about.name}, ${one.side} · ${layerName(about.layer)} layer · ${where}`
})
const hoveredContour = computed(() => {
  const one = hovered.value
  if (!props.muscles || !one?.muscle || (one.muscle === props.lit?.muscle && one.side === props.lit.side)) return null
  return contourOf(one.muscle, one.side)
})
let painting = false
let last = ''
/** Where the stroke is, on the screen; a finger's stroke begins when it moves or lifts, for a second finger may yet make it a pinch. */
let at0: [number, number] = [0, 0]
let waiting = false
const touchPlace = (clientX: number, clientY: number, first: boolean) => {
  const found = hit({ clientX, clientY })
  const key = found ? `${found.zone}:${found.side}` : ''
  if (!found || (!first && key === last)) return
  last = key
  emit('stroke', placeOf(found.zone, found.side), first)
}
/** Every place between the last point and this one, however quick the hand was. */
const strokeTo = ({ clientX, clientY }: PointerEvent) => {
  const steps = Math.max(1, Math.ceil(Math.hypot(clientX - at0[0], clientY - at0[1]) / 8))
  for (let k = 1; k <= steps; k++) touchPlace(at0[0] + ((clientX - at0[0]) * k) / steps, at0[1] + ((clientY - at0[1]) * k) / steps, false)
  at0 = [clientX, clientY]
}
const begin = () => {
  waiting = false
  touchPlace(...at0, true)
}
const down = (event: PointerEvent) => {
  zoom.down(event)
  painting = props.paint && zoom.touching() === 1 && event.button === 0
  waiting = painting
  if (!painting) return
  at0 = [event.clientX, event.clientY]
  if (event.pointerType !== 'touch') begin()
}
let frameAsked = 0
const move = (event: PointerEvent) => {
  if (zoom.move(event, !props.paint)) return
  if (painting) {
    if (waiting && zoom.wasTap()) return
    if (waiting) begin()
    strokeTo(event)
  } else if (event.pointerType !== 'touch') {
    cancelAnimationFrame(frameAsked)
    frameAsked = requestAnimationFrame(() => {
      const found = hit(event)
      const next = found && { ...found, hazard: hazardAt(event) }
      // within one shape the pointer changes nothing
      const same = (['zone', 'muscle', 'side', 'hazard'] as const).every((key) => next?.[key] === hovered.value?.[key])
      if (!same) hovered.value = next
    })
  }
}
const up = (event: PointerEvent) => {
  const tap = !painting && zoom.touching() === 1 && zoom.wasTap() && event.type === 'pointerup'
  if (painting && waiting && event.type === 'pointerup') begin()
  zoom.up(event)
  if (zoom.touching() === 0) painting = waiting = false
  if (!tap || props.paint) return
  const found = hit(event)
  if (found)
    emit('pick', {
      place: placeOf(found.zone, found.side),
      side: found.side,
      muscle: found.muscle as MuscleId | null,
      near: found.near as MuscleId[],
      hazard: hazardAt(event),
    })
}
const leave = (event: PointerEvent) => {
  cancelAnimationFrame(frameAsked)
  hovered.value = null
  if (event.pointerType !== 'touch') {
    painting = false
    zoom.up(event)
  }
}
/** Where a muscle or place stands on the screen; null where this view does not show it. */
const onScreen = (where: readonly [number, number] | null): DOMPoint | null => {
  const box = svg.value?.getScreenCTM()
  return where && box ? new DOMPoint(where[0], where[1]).matrixTransform(box) : null
}
const spotOfMuscle = (muscle: string, side: Side): DOMPoint | null => {
  const own = musclePlace(props.view, muscle)
  return own ? onScreen(at(side, own.c)) : null
}
const spotOfPlace = (place: Place): DOMPoint | null => onScreen(zoneCentre(place))
defineExpose({ svg, canvas, zoom, spotOfMuscle, spotOfPlace })
</script>
<template>
  <figure
    class="relative m-0 h-full w-full"
    :class="muscles || paint ? 'has-[svg:focus-visible]:outline-3 outline-walnut -outline-offset-3' : ''"
  >
    <canvas v-if="body.region.value" ref="canvas" class="absolute inset-0 h-full w-full" aria-hidden="true" />
    <svg
      ref="svg"
      :viewBox="`${shown.x} ${shown.y} ${shown.w} ${shown.h}`"
      preserveAspectRatio="xMidYMin meet"
      class="relative h-full w-full touch-none select-none outline-none"
      role="img"
      :aria-label="label"
      :data-figure="id"
      :data-view="view"
      :data-drawn="isDrawn ? (body.painted.value ? 'finely' : 'yes') : 'no'"
      :data-lit="lit ? `${lit.muscle}:${lit.side}` : undefined"
      :data-chosen="chosen ? `${chosen.zone}:${chosen.side}` : undefined"
      :data-shift="shift"
      :data-without="without?.join(' ')"
      :tabindex="muscles || paint ? 0 : undefined"
      :style="{ '--dye-madder': dim ? '#ee8a78' : '#8a2622', '--mark-halo': dim ? 'var(--color-room)' : 'var(--color-paper)' }"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="up"
      @pointercancel="up"
      @pointerleave="leave"
      @wheel="zoom.wheel"
      @keydown="zoom.key"
    >
      <component :is="'style'">{{ style }}</component>
      <defs>
        <clipPath :id="`${id}-mid`"><rect x="0" y="-100" width="600" height="1300" /></clipPath>
        <pattern
          v-for="one in painted"
          :id="`${id}-darn-${one.key}`"
          :key="one.key"
          :width="26 * scale"
          :height="rowGap(one.now) * 2 * scale"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(8)"
        >
          <path
            :d="`M0 ${rowGap(one.now) * 0.5 * scale}h${9 * scale}m${8 * scale} 0h${9 * scale}`"
            stroke="var(--dye-madder)"
            :stroke-width="1.9 * scale"
            fill="none"
          />
          <path
            :d="`M${-6 * scale} ${rowGap(one.now) * 1.5 * scale}h${9 * scale}m${8 * scale} 0h${9 * scale}m${8 * scale} 0h${9 * scale}`"
            stroke="var(--dye-madder)"
            :stroke-width="1.9 * scale"
            fill="none"
          />
        </pattern>
        <pattern
          v-if="hatching.length || beware"
          :id="`${id}-hatch`"
          :width="9 * scale"
          :height="9 * scale"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <path :d="`M0 0V${9 * scale}`" :stroke="dim ? 'var(--color-linen-2)' : 'var(--color-iron)'" :stroke-width="2.4 * scale" />
        </pattern>
      </defs>
      <!-- one half is drawn, the other is its mirror; where the halves are drawn together each ends at the midline -->
      <!-- eslint-disable vue/no-v-html -->
      <g v-for="one in halves" :key="one.side" :transform="`scale(${one.scale},1)`" :clip-path="shift ? `url(#${id}-mid)` : undefined">
        <g :transform="`translate(${-shift},0)`" v-html="outlined" />
      </g>
      <!-- eslint-enable vue/no-v-html -->
      <g>
        <g pointer-events="none">
          <path
            v-if="litContour"
            :d="litContour.d"
            :transform="litContour.transform"
            fill-rule="evenodd"
            :fill="dim ? 'var(--color-room-weld)' : 'var(--color-weld)'"
            :fill-opacity="litContour.through ? 0.22 : 0.4"
            :stroke="dim ? 'var(--color-room-weld)' : 'var(--color-walnut)'"
            :stroke-width="2.2 * scale"
            :stroke-dasharray="litContour.through ? `${5 * scale} ${4 * scale}` : undefined"
          />
          <path
            v-if="hoveredContour"
            :d="hoveredContour.d"
            :transform="hoveredContour.transform"
            fill="none"
            :stroke="dim ? 'var(--color-linen)' : 'var(--color-walnut)'"
            :stroke-width="1.8 * scale"
          />
        </g>
        <g v-for="one in shaded" :key="'shade' + one.key" :transform="halfTransform(one.side)" :data-shade="one.share">
          <path
            :d="one.d"
            :fill="dim ? 'var(--color-linen)' : 'var(--color-walnut)'"
            :fill-opacity="0.04 + 0.72 * one.share"
            :stroke="one.chosen ? 'var(--color-weld)' : 'none'"
            :stroke-width="3 * scale"
          />
        </g>
        <g v-for="one in washed" :key="'worked' + one.key" :transform="halfTransform(one.side)" data-worked>
          <path
            :d="one.d"
            :fill="dim ? 'var(--color-room-weld)' : 'var(--color-weld)'"
            fill-opacity="0.22"
            :stroke="dim ? 'var(--color-room-weld)' : 'var(--color-weld)'"
            :stroke-width="1.6 * scale"
          />
        </g>
        <g v-for="one in painted" :key="one.key" :transform="halfTransform(one.side)">
          <path :d="one.d" fill="var(--mark-halo)" opacity="0.6" />
          <path
            :d="one.d"
            :fill="`url(#${id}-darn-${one.key})`"
            stroke="var(--dye-madder)"
            :stroke-width="2.2 * scale"
            :stroke-dasharray="`${9 * scale} ${5 * scale}`"
          />
        </g>
        <g v-for="one in hatching" :key="'hatch' + one.key" :transform="halfTransform(one.side)">
          <path :d="one.d" fill="var(--mark-halo)" opacity="0.55" />
          <path
            :d="one.d"
            :fill="`url(#${id}-hatch)`"
            :stroke="dim ? 'var(--color-linen-2)' : 'var(--color-iron)'"
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
          <circle
            :cx="ring[0]"
            :cy="ring[1]"
            :r="26 * scale"
            fill="none"
            stroke="var(--mark-halo)"
            :stroke-width="6 * scale"
            opacity="0.8"
          />
          <circle
            :cx="ring[0]"
            :cy="ring[1]"
            :r="26 * scale"
            fill="none"
            :stroke="dim ? 'var(--color-linen)' : 'var(--color-walnut)'"
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
          <g v-for="(thread, k) in threads" :key="k" class="thread">
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
            class="finding"
            :data-muscle="`${mark.muscle}:${mark.side}`"
            :transform="`translate(${mark.x},${mark.y}) scale(${scale * (mark.chosen ? 1.25 : 0.9)})`"
          >
            <FindingMark :finding="mark.finding" :angle="sign(mark.side) * -40" />
          </g>
          <g v-for="one in shifted" :key="one.key" :transform="`translate(${one.x},${one.y}) scale(${scale})`">
            <ShiftMark :by="one.by" />
          </g>
        </g>
        <!-- eslint-disable vue/no-v-html -->
        <g
          v-for="(one, k) in halves"
          :key="'z' + one.side"
          :transform="halfTransform(one.side)"
          class="zones"
          :class="paint || muscles ? 'cursor-pointer' : ''"
          v-html="zoneMarkup[k]"
        />
        <!-- eslint-enable vue/no-v-html -->
        <g
          v-for="one in hazards"
          :key="'hazard' + one.id + one.side"
          class="cursor-pointer"
          :data-hazard="one.id"
          :transform="halfTransform(one.side)"
        >
          <template v-for="(part, k) in one.shapes" :key="k">
            <template v-if="part.w">
              <path
                v-for="[colour, extra] in [
                  [dim ? 'var(--color-linen-2)' : 'var(--color-iron)', 2 * scale],
                  ['var(--mark-halo)', 0],
                  [`url(#${id}-hatch)`, 0],
                ] as const"
                :key="colour"
                :d="part.d"
                fill="none"
                stroke-linecap="round"
                :stroke="colour"
                :stroke-width="part.w + extra"
              />
            </template>
            <template v-else>
              <path :d="part.d" fill="var(--mark-halo)" opacity="0.4" />
              <path
                :d="part.d"
                :fill="`url(#${id}-hatch)`"
                :stroke="dim ? 'var(--color-linen-2)' : 'var(--color-iron)'"
                :stroke-width="1.6 * scale"
              />
            </template>
          </template>
        </g>
        <NameLabels :list="namesShown" :px="px" :dark="dim" />
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
            <circle v-if="point.now" r="10" fill="none" :stroke="dim ? 'var(--color-linen)' : 'var(--color-walnut)'" stroke-width="3" />
            <circle
              :r="point.now ? 4 : 5"
              :fill="
                dim
                  ? point.now
                    ? 'var(--color-room-madder)'
                    : 'var(--color-linen)'
                  : point.now
                    ? 'var(--color-walnut)'
                    : 'var(--color-iron)'
              "
            />
          </template>
        </g>
      </g>
    </svg>
    <figcaption v-if="told" class="caption pointer-events-none absolute bottom-9 left-0 right-0 text-center print:hidden">
      <span class="bg-paper/85 px-2 py-0.5" :class="dim ? '!bg-room/85 !text-linen' : ''">{{ told }}</span>
    </figcaption>
  </figure>
</template>
