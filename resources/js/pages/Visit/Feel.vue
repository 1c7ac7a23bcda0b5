<script setup lang="ts">
import VisitFrame from '@/parts/VisitFrame.vue'
import FeelStep from '@/steps/FeelStep.vue'
import type { VisitProps } from '@/types/visit'

const page = defineProps<VisitProps>()
</script>
<template>
  <VisitFrame
    :page="page"
    :keys="[
      ['L / ;', 'left or right in hand'],
      ['0–4', 'tenderness'],
      ['T', 'tone'],
      ['X', 'texture'],
      ['S', 'sends it to'],
      ['F', 'own pain'],
      ['C', 'the other side the same'],
      ['P', 'as last time'],
      ['E', 'the rest under this place: nothing'],
      ['↑ ↓', 'muscle above, below'],
      ['N', 'next best check'],
      ['I', 'about the muscle in hand'],
    ]"
    ><FeelStep
  /></VisitFrame>
</template>
