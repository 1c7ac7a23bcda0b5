<script setup lang="ts">
import { computed } from 'vue'
import type { MuscleId, Side } from '@/types/ids.generated'
import { cropAround, drawnIn, viewNames, views, type ViewId } from './art'
import Figure from './Figure.vue'
import { placesOfSpots, viewOfSpots } from './spots'

/** The muscle a step works on, lit, with its spots in the order the hands come to them. */
const props = defineProps<{ muscle: MuscleId; side: Side; spots: readonly string[]; label: string }>()
const view = computed<ViewId>(() => viewOfSpots(props.muscle, props.spots) ?? views.find((one) => drawnIn(one, props.muscle)) ?? 'back')
const crop = computed(() => cropAround(view.value, props.side, { muscles: [props.muscle] }, 90))
const places = computed(() => placesOfSpots(view.value, props.muscle, props.spots))
const said = computed(() =>
  [props.label, viewNames[view.value], places.value.length ? `${places.value.length} numbered spots` : ''].filter(Boolean).join(', '),
)
</script>
<template>
  <div class="h-[210px] overflow-hidden bg-fold/50 max-xl:h-[150px]">
    <Figure :view="view" :crop="crop" :lit="{ muscle, side }" :points="places" :point-side="side" :label="said" />
  </div>
</template>
