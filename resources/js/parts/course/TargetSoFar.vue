<script setup lang="ts">
import type { Response } from '@/types/visit'
import { toleranceWords } from './traces'

/** What the visits so far say of one muscle: how it goes on there and why, what was borne, from where it made sore. */
defineProps<{ target: Response['targets'][number] }>()
</script>
<template>
  <span>{{ target.because }} {{ toleranceWords(target.tolerance) }}</span>
</template>
