<script setup lang="ts">
import { computed } from 'vue'
import type { ZoneId } from '@/types/ids.generated'
import type { Place } from '@/types/visit'
import { atlas } from './atlas'
import Figure, { crops, solesCrop, viewNames, type Crop, type FigureComplaint, type FigureMark, type ViewId } from './Figure.vue'

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
  }>(),
  { marks: () => [], complaints: () => [], chosen: null, lit: null, paint: false, layers: false, tall: false },
)
const view = defineModel<ViewId>('view', { required: true })
const near = defineModel<keyof typeof crops>('near', { default: 'upper' })
const depth = defineModel<number>('depth', { default: 1 })
const emit = defineEmits<{ place: [place: Place]; stroke: [place: Place, first: boolean] }>()
const crop = computed<Crop>(() => (view.value === 'sole' ? solesCrop : crops[near.value]))
const leftFirst = computed(() => view.value !== 'front')
const sides = computed(() => (leftFirst.value ? ['left', 'right'] : ['right', 'left']))
interface Listed {
  id: ZoneId
  side: Place['side']
  name: string
}
const list: Listed[] = atlas.zones.flatMap((zone): Listed[] =>
  zone.midline
    ? [{ id: zone.id, side: 'midline', name: zone.name }]
    : (['left', 'right'] as const).map((side) => ({ id: zone.id, side, name: `${zone.name}, ${side}` })),
)
const pick = (event: Event) => {
  const select = event.target as HTMLSelectElement
  const [zone, side] = select.value.split(':') as [ZoneId, Place['side']]
  if (!zone) return
  if (props.paint) {
    emit('stroke', { zone, side }, true)
    select.value = ''
  } else emit('place', { zone, side })
}
</script>
<template>
  <section class="sticky top-0 flex min-h-[520px] flex-col" :class="tall ? 'h-dvh' : 'h-[calc(100dvh-172px)]'" aria-label="Figure">
    <div class="flex justify-between px-6 pt-3">
      <p class="side-name">
        {{ possessive }} {{ sides[0] }}<br /><span class="caption not-italic font-text">{{ viewNames[view] }}</span>
      </p>
      <p class="side-name text-right">{{ possessive }} {{ sides[1] }}</p>
    </div>
    <div
      class="absolute inset-x-0 bottom-[60px] top-[6px] overflow-hidden [mask-image:linear-gradient(to_bottom,black_calc(100%-56px),transparent)]"
    >
      <Figure
        :view="view"
        :crop="crop"
        :marks="marks"
        :complaints="complaints"
        :chosen="chosen"
        :lit="lit"
        :depth="depth"
        :paint="paint"
        :label="label"
        @place="emit('place', $event)"
        @stroke="(place, first) => emit('stroke', place, first)"
      />
    </div>
    <div class="absolute inset-x-3 bottom-2 flex flex-wrap items-center gap-x-2 gap-y-1">
      <div class="flex gap-px" role="group" aria-label="View">
        <button
          v-for="(name, one) in { front: 'Front', back: 'Back', sole: 'Soles' } as Record<ViewId, string>"
          :key="one"
          type="button"
          class="cell"
          :aria-pressed="view === one"
          @click="view = one"
        >
          {{ name }}
        </button>
      </div>
      <label class="sr-only" for="near">How near</label>
      <select id="near" v-model="near" class="cell !w-[82px] !px-1" :disabled="view === 'sole'">
        <option value="neck">Neck</option>
        <option value="upper">Upper</option>
        <option value="whole">Whole</option>
      </select>
      <label v-if="layers" class="sr-only" for="depth">Layer</label>
      <select v-if="layers" id="depth" v-model.number="depth" class="cell !w-[86px] !px-1">
        <option :value="1">Surface</option>
        <option :value="2">Middle</option>
        <option :value="3">Deep</option>
        <option :value="4">Deepest</option>
      </select>
      <label class="sr-only" for="place-list">{{ paint ? 'Add a place that hurts, from the list' : 'Choose a place from the list' }}</label>
      <select id="place-list" class="cell !w-[86px] !px-1" :value="!paint && chosen ? `${chosen.zone}:${chosen.side}` : ''" @change="pick">
        <option value="">Places</option>
        <option v-for="one in list" :key="one.id + one.side" :value="`${one.id}:${one.side}`">{{ one.name }}</option>
      </select>
    </div>
  </section>
</template>
