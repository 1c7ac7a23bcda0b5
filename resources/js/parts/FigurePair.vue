<script setup lang="ts">
import Figure, { type FigureComplaint, type FigureMark } from '@/chart/Figure.vue'

/** The body from in front and from behind beside each other, with the sides named: for pages that are printed. */
defineProps<{
  marks: FigureMark[]
  complaints: FigureComplaint[]
  /** for the client: clothed, and no muscles */
  quiet?: boolean
  /** beside a text, and no wider than that leaves */
  small?: boolean
}>()
</script>
<template>
  <div class="grid grid-cols-2">
    <div v-for="view in ['front', 'back'] as const" :key="view">
      <div :class="small ? 'h-[300px] print:h-[250px]' : 'h-[440px] print:h-[335px]'">
        <Figure :view="view" :quiet="quiet" :marks="marks" :complaints="complaints" :label="`${view} of the body with what was found`" />
      </div>
      <p class="note flex flex-wrap justify-between gap-x-2 px-2">
        <span class="italic">{{ view === 'front' ? 'right' : 'left' }}</span><span v-if="!small">{{
          view === 'front' ? 'from in front' : 'from behind'
        }}</span
        ><span class="italic">{{ view === 'front' ? 'left' : 'right' }}</span>
      </p>
    </div>
  </div>
</template>
