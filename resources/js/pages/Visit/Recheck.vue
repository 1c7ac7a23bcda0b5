<script setup lang="ts">
import VisitFrame from '@/parts/VisitFrame.vue'
import RecheckStep from '@/steps/RecheckStep.vue'
import type { VisitProps } from '@/types/visit'

const page = defineProps<VisitProps>()
</script>
<template>
  <VisitFrame :page="page"><RecheckStep /></VisitFrame>
</template>
