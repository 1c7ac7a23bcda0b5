<script setup lang="ts">
import VisitFrame from '@/parts/VisitFrame.vue'
import ScreenStep from '@/steps/ScreenStep.vue'
import type { VisitProps } from '@/types/visit'

const page = defineProps<VisitProps>()
</script>
<template>
  <VisitFrame
    :page="page"
    :keys="[
      ['Y', 'yes'],
      ['N', 'no'],
      ['U', 'unknown'],
      ['↑ ↓', 'question before, next question'],
    ]"
    ><ScreenStep
  /></VisitFrame>
</template>
