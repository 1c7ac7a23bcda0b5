<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import type { Side } from '@/types/ids.generated'
import type { Chain, Complaint, Place } from '@/types/visit'
import { cropOf, loadView, viewOf, zoneOfView, type Crop } from './art'
import { muscle as muscleIn, zone as zoneIn } from './atlas'
import Figure from './Figure.vue'

/** Front and back side by side, and a chain of findings drawn across both: what is short, where it leads, and where it hurts. */
const props = defineProps<{ complaints: Complaint[]; chain: Chain | undefined; possessive: string }>()
const views = ['front', 'back'] as const
type Face = (typeof views)[number]
const figures = useTemplateRef<InstanceType<typeof Figure>[]>('figures')
const stage = useTemplateRef<HTMLElement>('stage')
interface Knot {
  x: number
  y: number
  end: boolean
}
const threads = ref<{ d: string; dashed: boolean }[]>([])
const knots = ref<Knot[]>([])
const figureOf = (face: Face) => figures.value?.find((one) => one.$props.view === face)
const inStage = (point: DOMPoint | null | undefined): [number, number] | null => {
  const box = stage.value?.getBoundingClientRect()
  return point && box ? [point.x - box.left, point.y - box.top] : null
}
const spotOf = (muscle: string, side: Side, face: Face): [number, number] | null => inStage(figureOf(face)?.spotOfMuscle(muscle, side))
const muscleSpot = (muscle: string, side: Side): [number, number] | null => {
  const face: Face = viewOf(muscle, 'back') === 'back' ? 'back' : 'front'
  return spotOf(muscle, side, face) ?? spotOf(muscle, side, face === 'front' ? 'back' : 'front')
}
const placeSpot = (place: Place): [number, number] | null =>
  inStage(figureOf(zoneOfView('back', place.zone) ? 'back' : 'front')?.spotOfPlace(place))
/** A thread hangs a little, as one drawn between two pins does. */
const thread = ([x, y]: [number, number], [u, v]: [number, number]): string =>
  `M${x.toFixed(1)} ${y.toFixed(1)}Q${((x + u) / 2).toFixed(1)} ${(Math.max(y, v) + 14 + Math.abs(u - x) / 10).toFixed(1)} ${u.toFixed(1)} ${v.toFixed(1)}`
const draw = () => {
  const chain = props.chain
  threads.value = []
  knots.value = []
  if (!chain) return
  const muscles = chain.muscles.map((one) => muscleSpot(one.muscle, one.side))
  const to = chain.to.map(placeSpot).filter((one) => one !== null)
  const put = (spots: ([number, number] | null)[], end: boolean) =>
    spots.forEach((spot) => spot && knots.value.push({ x: spot[0], y: spot[1], end }))
  const tie = (from: [number, number] | null | undefined, next: [number, number] | null | undefined, dashed = false) => {
    if (from && next) threads.value.push({ d: thread(from, next), dashed })
  }
  if (chain.kind === 'short_pulls') {
    // as many muscles are short as there are places they start from
    const [short, pulled] = [muscles.slice(0, chain.from.length), muscles.slice(chain.from.length)]
    for (const first of short) for (const next of pulled) tie(first, next)
    put(short, false)
    put(pulled, true)
  } else if (chain.kind === 'stiff') {
    const from = chain.from.map(placeSpot).filter((one) => one !== null)
    for (const start of from) for (const end of to) tie(start, end, true)
    put(from, false)
    put(to, true)
  } else {
    muscles.forEach((spot, k) => tie(spot, muscles[k + 1]))
    put(muscles, false)
  }
}
const redraw = async () => {
  await Promise.all(views.map((view) => loadView(view)))
  await nextTick()
  requestAnimationFrame(draw)
}
watch(() => props.chain, redraw, { immediate: true, flush: 'post' })
useResizeObserver(stage, redraw)
/** The upper body alone, down to its hands, when nothing of it lies lower. */
const UPPER = ['head', 'neck', 'shoulder', 'trunk']
const TO_THE_HANDS: Crop = { x: -232, y: -8, w: 464, h: 660 }
const isUpper = computed(() => {
  const zones = [
    ...props.complaints.map((one) => one.zone),
    ...(props.chain?.muscles ?? []).map((one) => muscleIn(one.muscle).zones[0]),
    ...(props.chain ? [...props.chain.from, ...props.chain.to] : []).map((one) => one.zone),
  ]
  return zones.length > 0 && zones.every((one) => one && UPPER.includes(zoneIn(one).group))
})
const label = computed(() =>
  props.chain ? `Front and back of the body: ${props.chain.title}` : 'Front and back of the body with the complaints',
)
</script>
<template>
  <div ref="stage" class="relative grid grid-cols-2" role="img" :aria-label="label">
    <div v-for="view in views" :key="view">
      <p class="note flex justify-between px-1" aria-hidden="true">
        <span class="italic">{{ view === 'front' ? 'right' : 'left' }}</span><span>{{ view }}</span
        ><span class="italic">{{ view === 'front' ? 'left' : 'right' }}</span>
      </p>
      <div :class="isUpper ? 'h-[256px]' : 'h-[350px]'">
        <Figure
          ref="figures"
          :view="view"
          :crop="isUpper ? TO_THE_HANDS : cropOf(view, 'whole')"
          :complaints="complaints"
          :depth="2"
          :label="view"
          aria-hidden="true"
        />
      </div>
    </div>
    <svg class="pointer-events-none absolute inset-0 h-full w-full" aria-hidden="true" data-chain>
      <g fill="none" stroke-linecap="round">
        <path v-for="(one, k) in threads" :key="`halo${k}`" :d="one.d" stroke="var(--color-paper)" stroke-width="6" />
        <path
          v-for="(one, k) in threads"
          :key="k"
          :d="one.d"
          stroke="var(--color-walnut)"
          stroke-width="2.5"
          :stroke-dasharray="one.dashed ? '6 4' : undefined"
        />
      </g>
      <g v-for="(knot, k) in knots" :key="k" :transform="`translate(${knot.x},${knot.y})`">
        <circle r="8.5" fill="var(--color-paper)" />
        <circle
          r="6"
          :fill="knot.end ? 'var(--color-madder)' : 'var(--color-woad-wash)'"
          stroke="var(--color-walnut)"
          :stroke-width="knot.end ? 0 : 2.5"
        />
      </g>
    </svg>
  </div>
</template>
