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
      ['[ ]', 'movement before, next movement'],
      ['I', 'how to measure this'],
    ]"
    ><MoveStep
  /></VisitFrame>
</template>
