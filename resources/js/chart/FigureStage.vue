<script setup lang="ts">
import Pick from '@/controls/Pick.vue'
import { capital } from '@/parts/words'
import Seek from '@/controls/Seek.vue'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import HazardLine from '@/parts/HazardLine.vue'
import Sheet from '@/parts/Sheet.vue'
import type { MuscleId, Side, ZoneId } from '@/types/ids.generated'
import type { Place } from '@/types/visit'
import {
  cropOf,
  faces,
  hazardsOfView,
  musclePlace,
  musclesOfView,
  nearViews,
  nearAbout,
  nears,
  viewIn,
  viewNames,
  viewWords,
  views,
  zoneOfView,
  zonePlace,
  type NearId,
  type ViewId,
} from './art'
import { atlas, layerName, muscle as atlasMuscle, placeName, places } from './atlas'
import { shareSeen } from './useBody'
import Figure, { type FigureComplaint, type FigureMark, type FigurePick } from './Figure.vue'
import FigureLegend from './FigureLegend.vue'
import { saveFigure } from './saveFigure'
import ZoomButtons from './ZoomButtons.vue'

/** The figure with its sides written, a switch of views, and a list that does the same by keyboard. */
const props = withDefaults(
  defineProps<{
    possessive: string
    marks?: FigureMark[]
    complaints?: FigureComplaint[]
    chosen?: Place | null
    lit?: { muscle: string; side: Place['side'] } | null
    paint?: boolean
    layers?: boolean
    /** fills the window: nothing stands above it */
    tall?: boolean
    label: string
    /** what a saved picture is called */
    title?: string
  }>(),
  {
    marks: () => [],
    complaints: () => [],
    chosen: null,
    lit: null,
    paint: false,
    layers: false,
    tall: false,
    title: 'Figure',
  },
)
const view = defineModel<ViewId>('view', { required: true })
const near = defineModel<NearId>('near', { default: 'upper' })
const depth = defineModel<number>('depth', { default: 1 })
const emit = defineEmits<{ pick: [pick: FigurePick]; stroke: [place: Place, first: boolean] }>()

const figure = useTemplateRef<InstanceType<typeof Figure>>('figure')
const crop = computed(() => cropOf(view.value, near.value))
const viewsHere = computed(() => nearViews(near.value))
watch(near, () => (view.value = viewIn(near.value, view.value)))
/**
 * The muscle in hand comes into the window, and where next to nothing is seen of it, in the state that shows it; what was touched here is
 * there already.
 */
const LITTLE = 0.25
let touched: MuscleId | null = null
watch(
  () => [props.lit?.muscle, view.value] as const,
  ([muscle]) => {
    const place = muscle && muscle !== touched ? musclePlace(view.value, muscle) : undefined
    if (!muscle || !place) return
    near.value = nearAbout(view.value, place, near.value)
    if (props.layers && shareSeen(view.value, muscle, depth.value) < LITTLE) depth.value = place.layer
  },
)
watch(view, () => {
  if (!viewsHere.value.includes(view.value)) near.value = 'whole'
})
const sides = computed(() => (faces(view.value) ? ['right', 'left'] : ['left', 'right']))
const both = ['left', 'right'] as const
/** Muscles drawn on this view in the layer in front and below, as a pointer would reach them. */
const muscles = computed(() =>
  [1, 2, 3, 4].map((layer) => ({
    layer,
    list: musclesOfView(view.value)
      .filter((id) => musclePlace(view.value, id)?.layer === layer)
      .map((id) => atlasMuscle(id))
      .sort((a, b) => a.name.localeCompare(b.name))
      .flatMap((one) => both.map((side) => ({ value: `${one.id}:${side}`, name: `${one.name}, ${side}` }))),
  })),
)
const nearby = ref<(Pick<FigurePick, 'side' | 'place'> & { list: MuscleId[] }) | null>(null)
/** The hazard last touched or chosen from the list, told in words. */
const told = ref<string | null>(null)
const pick = (one: FigurePick) => {
  touched = one.muscle
  told.value = one.hazard
  nearby.value = props.layers && one.near.length ? { side: one.side, list: one.near.slice(0, 4), place: one.place } : null
  emit('pick', one)
}
/** What is chosen by name has no neighbours and no hazard under the finger. */
const give = (place: Place, muscle: MuscleId | null, side: 'left' | 'right' = place.side === 'right' ? 'right' : 'left') => {
  touched = null
  emit('pick', { place, side, muscle, near: [], hazard: null })
}
/** What is chosen by name is shown, from wherever it is seen. */
const turnTo = (zone: ZoneId) => {
  const shown = zoneOfView(view.value, zone) ? view.value : views.find((one) => zoneOfView(one, zone))
  if (!shown) return
  view.value = shown
  const place = zonePlace(shown, zone)
  if (place) near.value = nearAbout(shown, place, near.value)
}
const choose = (key: string) => {
  listing.value = false
  const [id, side] = key.split(':') as [string, Side]
  const muscle = atlas.muscles.find((one) => one.id === id)
  nearby.value = null
  told.value = null
  if (id in atlas.hazards) {
    beware.value = true
    void nextTick(() => (told.value = id))
  } else if (muscle) {
    depth.value = muscle.layer
    give({ zone: (muscle.zones.find((zone) => zoneOfView(view.value, zone)) ?? muscle.zones[0]) as ZoneId, side }, muscle.id)
  } else {
    turnTo(id as ZoneId)
    if (props.paint) emit('stroke', { zone: id as ZoneId, side }, true)
    else give({ zone: id as ZoneId, side }, null)
  }
}
/** Everything the figure shows, found by name. */
const listing = ref(false)
const list = useTemplateRef<{ focus: () => void }>('list')
const openList = async () => {
  listing.value = !listing.value
  await nextTick()
  list.value?.focus()
}
const closeList = () => {
  listing.value = false
  opener.value?.focus()
}
const opener = useTemplateRef<HTMLElement>('opener')
const everything = computed(() => [
  ...places.map((one) => ({ id: `${one.zone}:${one.side}`, name: placeName(one), group: 'Places' })),
  ...(props.layers
    ? [
        ...muscles.value.flatMap((one) =>
          one.list.map((item) => ({ id: item.value, name: item.name, group: `Muscles, ${layerName(one.layer)}` })),
        ),
        ...hazards.value.map((one) => ({ id: `${one.id}:midline`, name: one.name, group: 'Never press, or with care' })),
      ]
    : []),
])
const listLabel = computed(() => (props.paint ? 'Add a place that hurts, from the list' : 'Choose from the list'))
const nearChoices = (Object.keys(nears) as NearId[]).map((id) => ({ id, name: nears[id].name }))
const layerChoices = [1, 2, 3, 4].map((id) => ({ id, name: capital(layerName(id)) }))
const names = ref(false)
const beware = ref(false)
const hazards = computed(() =>
  hazardsOfView(view.value)
    .map((id) => ({ id, name: atlas.hazards[id]?.name ?? id }))
    .sort((a, b) => a.name.localeCompare(b.name)),
)
watch([beware, view, near], () => {
  told.value = null
  nearby.value = null
})
const legend = ref(false)
const save = (kind: 'svg' | 'png') => {
  const svg = figure.value?.svg
  if (svg)
    void saveFigure(
      svg,
      kind,
      {
        title: props.title,
        view: viewNames[view.value],
        sides: sides.value.map((side) => `${props.possessive} ${side}`) as [string, string],
      },
      figure.value?.canvas ?? null,
    )
}
</script>
<template>
  <section
    class="relative flex lg:sticky lg:top-0 min-h-[520px] flex-col"
    :class="tall ? 'h-page' : 'h-[calc(100dvh-172px-var(--demo,0px))]'"
    aria-label="Figure"
  >
    <div class="pointer-events-none relative z-10 flex justify-between px-6 pt-3">
      <p class="side-name bg-paper/80 pr-1">
        {{ possessive }} {{ sides[0] }}<br /><span class="caption not-italic font-text">{{ viewNames[view] }}</span>
      </p>
      <p class="side-name bg-paper/80 pl-1 text-right">{{ possessive }} {{ sides[1] }}</p>
    </div>
    <div
      class="absolute inset-x-0 bottom-[60px] top-[6px] overflow-hidden [mask-image:linear-gradient(to_bottom,black_calc(100%-40px),transparent)]"
    >
      <Figure
        ref="figure"
        :view="view"
        :crop="crop"
        :marks="marks"
        :complaints="complaints"
        :chosen="chosen"
        :lit="lit"
        :depth="depth"
        :paint="paint"
        :muscles="layers"
        :names="names"
        :inset="{ top: 52, right: 52, bottom: 40 }"
        :beware="beware"
        :label="`${label} Plus and minus come nearer and go back, arrows move.`"
        @pick="pick"
        @stroke="(place, first) => emit('stroke', place, first)"
      />
    </div>
    <div class="absolute right-2 top-[64px] flex flex-col gap-px print:hidden">
      <ZoomButtons :farthest="figure?.zoom.near.value === 1" @by="(factor) => figure?.zoom.by(factor)" />
      <button
        v-if="layers"
        type="button"
        class="cell tool"
        aria-label="Names on the figure"
        title="Names"
        :aria-pressed="names"
        @click="names = !names"
      >
        Aa
      </button>
      <button
        v-if="layers"
        type="button"
        class="cell tool"
        aria-label="Places never to press"
        title="Places never to press"
        :aria-pressed="beware"
        @click="beware = !beware"
      >
        <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
          <path d="M3 9L9 3M3 17L17 3M11 17L17 11" stroke="var(--color-iron)" stroke-width="2.4" />
        </svg>
      </button>
      <button type="button" class="cell tool" aria-label="Key to the marks, and saving the picture" title="Key" @click="legend = true">
        Key
      </button>
      <button
        id="place-list"
        ref="opener"
        type="button"
        class="cell tool"
        :aria-label="listLabel"
        :aria-expanded="listing"
        :title="paint ? 'Places' : 'All of it as a list'"
        @click="openList"
      >
        List
      </button>
    </div>
    <div v-if="listing" class="absolute inset-x-3 top-14 z-30 border border-walnut bg-raised p-2 print:hidden">
      <Seek
        id="place-found"
        ref="list"
        open
        look="field"
        :label="listLabel"
        prompt="Any part of a name"
        :choices="everything"
        @choose="choose"
        @leave="closeList"
      />
    </div>
    <div class="absolute inset-x-3 bottom-2 z-10 flex flex-col gap-1 print:hidden">
      <div v-if="told" class="flex gap-3 bg-paper/95 p-3" role="status">
        <span class="w-[6px] shrink-0 border-y-2 border-l-2 border-iron" aria-hidden="true" />
        <HazardLine v-if="atlas.hazards[told]" class="min-w-0 flex-1 text-[14px] leading-[19px]" :hazard="atlas.hazards[told]!" />
        <button type="button" class="cell tool shrink-0" aria-label="Close" @click="told = null">×</button>
      </div>
      <div v-else-if="nearby" class="flex flex-wrap items-center gap-px" role="group" aria-label="Also within a finger’s width">
        <span class="caption mr-2 bg-paper/85 px-1">Also here:</span>
        <button v-for="id in nearby.list" :key="id" type="button" class="cell !w-auto px-3" @click="give(nearby.place, id, nearby.side)">
          {{ atlasMuscle(id).name }}
        </button>
      </div>
      <div class="flex flex-wrap items-center gap-1">
        <div class="flex gap-px" role="group" aria-label="View">
          <button v-for="one in viewsHere" :key="one" type="button" class="cell !px-1" :aria-pressed="view === one" @click="view = one">
            {{ viewWords[one] }}
          </button>
        </div>
        <div class="flex gap-1">
          <Pick
            id="near"
            class="w-[124px]"
            look="cell"
            label="How near"
            :choices="nearChoices"
            :value="near"
            @choose="(id) => id && (near = id)"
          />
          <Pick
            v-if="layers"
            id="depth"
            class="w-[104px]"
            look="cell"
            label="Layer"
            :choices="layerChoices"
            :value="depth"
            @choose="(layer) => layer && (depth = layer)"
          />
        </div>
      </div>
    </div>
    <Sheet title="Key to the figure" :open="legend" @close="legend = false">
      <FigureLegend />
      <h3 class="section-head mt-6">Take this picture along</h3>
      <p class="caption mb-2">As it stands, with its marks: {{ viewNames[view] }}, {{ nears[near].name.toLowerCase() }}.</p>
      <div class="flex gap-2">
        <button type="button" class="btn" @click="save('svg')">Save as SVG</button>
        <button type="button" class="btn" @click="save('png')">Save as PNG</button>
      </div>
    </Sheet>
  </section>
</template>
