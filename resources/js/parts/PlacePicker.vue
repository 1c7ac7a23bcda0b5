<script setup lang="ts">
import { placeName, places as everyPlace } from '@/chart/atlas'
import type { Place } from '@/types/visit'
import FewOf from './FewOf.vue'

/** A few places of the body. */
withDefaults(defineProps<{ id: string; places: Place[]; label?: string; prompt?: string }>(), { label: 'Where', prompt: 'Where?' })
const emit = defineEmits<{ change: [places: Place[] | undefined] }>()
</script>
<template>
  <FewOf
    :id="id"
    :label="label"
    :prompt="prompt"
    :chosen="places"
    :choices="everyPlace"
    :name="placeName"
    :key-of="(place) => `${place.zone}:${place.side}`"
    @change="(chosen) => emit('change', chosen)"
  />
</template>
