<script setup lang="ts">
import { computed } from 'vue'
import { atlas } from './atlas'
import PoseDrawing from './PoseDrawing.vue'
import { isDrawn } from './poses'

/** An exercise: how it begins and how it goes on, side by side in one size; where only one place is held, one drawing. */
const props = defineProps<{ exercise: string; dark?: boolean }>()
const name = computed(() => atlas.self_care[props.exercise]?.name ?? '')
const start = computed(() => `home.${props.exercise}.start`)
</script>
<template>
  <div class="flex h-full items-stretch gap-2">
    <div v-if="isDrawn(start)" class="min-w-0 flex-1"><PoseDrawing :id="start" :label="`${name}: begin`" :dark="dark" /></div>
    <div class="min-w-0 flex-1"><PoseDrawing :id="`home.${exercise}`" :label="name" :dark="dark" /></div>
  </div>
</template>
