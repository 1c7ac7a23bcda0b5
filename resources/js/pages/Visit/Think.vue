<script setup lang="ts">
import VisitFrame from '@/parts/VisitFrame.vue'
import ThinkStep from '@/steps/ThinkStep.vue'
import type { VisitProps } from '@/types/visit'

const page = defineProps<VisitProps>()
</script>
<template>
  <VisitFrame
    :page="page"
    :keys="[
      ['N', 'next best check'],
      ['W', 'what if it were done'],
      ['H', 'the next chain'],
    ]"
    ><ThinkStep
  /></VisitFrame>
</template>
