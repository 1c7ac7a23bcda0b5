<script setup lang="ts">
import VisitFrame from '@/parts/VisitFrame.vue'
import AgreeStep from '@/steps/AgreeStep.vue'
import type { VisitProps } from '@/types/visit'

const page = defineProps<VisitProps>()
</script>
<template>
  <VisitFrame :page="page"><AgreeStep /></VisitFrame>
</template>
