<script setup lang="ts">
import { placeName, places as everyPlace } from '@/chart/atlas'
import type { Place } from '@/types/visit'

/** A few places of the body, added and taken away one by one. */
const props = defineProps<{ id: string; places: Place[] }>()
const emit = defineEmits<{ change: [places: Place[] | undefined] }>()
const add = (event: Event) => {
  const select = event.target as HTMLSelectElement
  const [zone, side] = select.value.split(':')
  if (zone && !props.places.some((place) => place.zone === zone && place.side === side))
    emit('change', [...props.places, { zone, side } as Place])
  select.value = ''
}
const drop = (place: Place) => {
  const left = props.places.filter((one) => one !== place)
  emit('change', left.length ? left : undefined)
}
</script>
<template>
  <div class="flex flex-wrap items-center gap-2">
    <span v-for="place in places" :key="place.zone + place.side"
      >{{ placeName(place) }}
      <button type="button" class="link caption" :aria-label="`${placeName(place)}: take away`" @click="drop(place)">away</button></span
    >
    <label class="sr-only" :for="id">Where</label>
    <select :id="id" class="cell !w-[130px]" @change="add">
      <option value="">Where?</option>
      <option v-for="place in everyPlace" :key="place.zone + place.side" :value="`${place.zone}:${place.side}`">
        {{ placeName(place) }}
      </option>
    </select>
  </div>
</template>
