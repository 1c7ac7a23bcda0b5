<script setup lang="ts">
import VisitFrame from '@/parts/VisitFrame.vue'
import PlanStep from '@/steps/PlanStep.vue'
import type { VisitProps } from '@/types/visit'

const page = defineProps<VisitProps>()
</script>
<template>
  <VisitFrame
    :page="page"
    :keys="[
      ['Enter', 'agree this plan'],
      ['I', 'about the muscle of the step in hand'],
    ]"
    ><PlanStep
  /></VisitFrame>
</template>
