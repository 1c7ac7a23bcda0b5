<script setup lang="ts">
import VisitFrame from '@/parts/VisitFrame.vue'
import AfterStep from '@/steps/AfterStep.vue'
import type { VisitProps } from '@/types/visit'

const page = defineProps<VisitProps>()
</script>
<template>
  <VisitFrame :page="page"><AfterStep /></VisitFrame>
</template>
