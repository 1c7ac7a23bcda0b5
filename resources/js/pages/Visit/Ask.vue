<script setup lang="ts">
import VisitFrame from '@/parts/VisitFrame.vue'
import AskStep from '@/steps/AskStep.vue'
import type { VisitProps } from '@/types/visit'

const page = defineProps<VisitProps>()
</script>
<template>
  <VisitFrame :page="page" :keys="[['1–9, 0', 'pain now of the complaint in hand']]"><AskStep /></VisitFrame>
</template>
