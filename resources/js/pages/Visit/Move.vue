<script setup lang="ts">
import VisitFrame from '@/parts/VisitFrame.vue'
import MoveStep from '@/steps/MoveStep.vue'
import type { VisitProps } from '@/types/visit'

const page = defineProps<VisitProps>()
</script>
<template>
  <VisitFrame
    :page="page"
    :keys="[
      ['Enter', 'into the first field; there it keeps and goes on'],
      ['[ ]', 'measure before, next measure'],
      ['D', 'read the device'],
      ['N', 'next best check'],
      ['I', 'how to measure this'],
    ]"
    ><MoveStep
  /></VisitFrame>
</template>
