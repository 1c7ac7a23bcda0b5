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
      ['L / ; or ← →', 'left or right in hand'],
      ['0–4', 'tenderness; on the list it goes on to the next'],
      ['T', 'tone'],
      ['X', 'texture'],
      ['S', 'sends it to'],
      ['F', 'own pain'],
      ['C', 'the other side the same'],
      ['P', 'as last time'],
      ['Q', 'the list of this visit, or by place'],
      ['E', 'the rest under this place, or on the list: nothing'],
      ['↑ ↓', 'muscle above, below'],
      ['D', 'read the algometer, when it is open'],
      ['N', 'next best check'],
      ['I', 'about the muscle in hand'],
    ]"
    ><FeelStep
  /></VisitFrame>
</template>
