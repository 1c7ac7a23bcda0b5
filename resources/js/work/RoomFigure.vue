<script setup lang="ts">
import { computed } from 'vue'
import { atlas, hazardsBeside } from '@/chart/atlas'
import { cropAround, cropOf, hazardsOfView, viewNames, viewOf, zoneOfView, type Crop, type ViewId } from '@/chart/art'
import Figure from '@/chart/Figure.vue'
import PoseDrawing from '@/chart/PoseDrawing.vue'
import { isDrawn } from '@/chart/poses'
import { placesOfSpots, viewOfSpots } from '@/chart/spots'
import type { Manoeuvre, PlanStep } from '@/types/visit'

/**
 * Where it is, drawn from where the therapist stands: the muscle lit with the spot in hand ringed, or the places of a stroke with what is
 * never pressed hatched over them. Who lies down or turns is drawn lying.
 */
const props = defineProps<{
  step: PlanStep
  manoeuvre: Manoeuvre | undefined
  spot: number
  /** more than one thing is to be watched: a touch shows the next */
  more: boolean
}>()
const emit = defineEmits<{ more: [] }>()
const open = computed<ViewId>(() => (props.step.position.startsWith('supine') || props.step.position === 'seated' ? 'front' : 'back'))
const spots = computed(() => props.manoeuvre?.spots ?? [])
const view = computed<ViewId>(() => {
  const { muscle, zones } = props.step
  if (muscle) return (spots.value.length ? viewOfSpots(muscle, spots.value, open.value) : undefined) ?? viewOf(muscle, open.value)
  const shows = (one: ViewId): boolean => zones.some((zone) => zoneOfView(one, zone))
  const other = open.value === 'front' ? 'back' : 'front'
  return shows(open.value) || !shows(other) ? open.value : other
})
const points = computed(() =>
  props.step.muscle
    ? placesOfSpots(view.value, props.step.muscle, spots.value).map(({ id, home }) => ({
        id,
        ...(home ? { home } : {}),
        now: id === spots.value[props.spot],
      }))
    : [],
)
const lies = computed(() => {
  const id = ['settle', 'position', 'aftercare'].includes(props.step.kind) ? `position.${props.step.position}` : null
  return id && isDrawn(id) ? id : null
})
/** About the midline where both sides are worked. */
const both = (one: Crop): Crop => {
  const half = Math.max(Math.abs(one.x), Math.abs(one.x + one.w))
  return { x: -half, y: one.y + one.h / 2 - half, w: 2 * half, h: 2 * half }
}
const isBoth = computed(() => !props.step.muscle && new Set(props.step.places.map((one) => one.side)).size > 1)
const near = computed(() =>
  props.step.muscle || props.step.zones.length
    ? cropAround(
        view.value,
        props.step.side ?? props.step.places[0]?.side ?? 'midline',
        { muscles: props.step.muscle ? [props.step.muscle] : [], zones: props.step.muscle ? [] : props.step.zones },
        190,
      )
    : cropOf(view.value, 'upper'),
)
const crop = computed(() => (isBoth.value ? both(near.value) : near.value))
/** Beside a muscle, or under a stroke: what is never pressed. */
const beware = computed(() =>
  props.step.muscle
    ? hazardsBeside(props.step.muscle, props.step.side ?? 'midline', props.step.zones).map((one) => one.id)
    : hazardsOfView(view.value).filter((id) => atlas.hazards[id]?.zones.some((zone) => props.step.zones.includes(zone))),
)
/** A stroke over several places: each is shown. */
const worked = computed(() => (props.step.muscle ? [] : props.step.places))
</script>
<template>
  <section class="relative min-h-[220px] min-w-0 overflow-hidden wide-room:min-h-0" aria-label="Where">
    <PoseDrawing v-if="lies" :id="lies" dark class="!h-full" :label="atlas.positions[step.position]" />
    <template v-else>
      <Figure
        dark
        :view="view"
        :crop="crop"
        :lit="step.muscle && step.side ? { muscle: step.muscle, side: step.side } : null"
        :points="points"
        :point-side="step.side ?? 'midline'"
        :beware="beware"
        :worked="worked"
        :label="[step.label, viewNames[view], manoeuvre?.spot_names[spot]].filter(Boolean).join(', ')"
      />
      <p
        class="absolute bottom-0 left-0 bg-room/80 pr-2 font-display text-[20px] italic leading-[26px] text-linen-2 wide-room:text-[26px] wide-room:leading-[30px]"
      >
        {{ viewNames[view] }}
      </p>
    </template>
    <button
      v-if="more"
      type="button"
      class="absolute inset-0"
      data-target="caution"
      aria-label="Watch for: the next"
      @click="emit('more')"
    />
  </section>
</template>
