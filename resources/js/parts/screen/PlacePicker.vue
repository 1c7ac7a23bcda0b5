<script setup lang="ts">
import { ref } from 'vue'
import { useList } from '@/composables/useList'
import { placeName, places as everyPlace } from '@/chart/atlas'
import type { Place } from '@/types/visit'

/** A few places of the body, added and taken away one by one. */
const props = defineProps<{ id: string; places: Place[] }>()
const emit = defineEmits<{ change: [places: Place[] | undefined] }>()
/** A page may have several of these: the hundred and more places are put in when one is first reached. */
const reached = ref(false)
const add = (event: Event) => {
  const select = event.target as HTMLSelectElement
  const [zone, side] = select.value.split(':')
  if (zone && !props.places.some((place) => place.zone === zone && place.side === side))
    emit('change', [...props.places, { zone, side } as Place])
  select.value = ''
}
const choices = useList(add)
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
    <select
      :id="id"
      class="cell !w-[130px]"
      @focus="reached = true"
      @pointerdown="reached = true"
      @change="choices.change"
      @keydown="choices.keydown"
      @blur="choices.blur"
    >
      <option value="">Where?</option>
      <option v-for="place in reached ? everyPlace : []" :key="place.zone + place.side" :value="`${place.zone}:${place.side}`">
        {{ placeName(place) }}
      </option>
    </select>
  </div>
</template>
