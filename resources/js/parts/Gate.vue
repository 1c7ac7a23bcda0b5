<script setup lang="ts">
import { computed } from 'vue'
import type { Verdict } from '@/types/visit'

const props = defineProps<{ verdict: Verdict | null; open?: boolean }>()
// posts about a dotted midline: apart go, close defer, barred refer
const gap = computed(() =>
  props.open || props.verdict === null ? 9 : { proceed: 8, modify: 4.4, defer: 1.8, refer: 1.8, emergency: 1.8 }[props.verdict],
)
const barred = computed(() => props.verdict === 'refer' || props.verdict === 'emergency')
const colour = computed(() =>
  props.verdict === null
    ? 'var(--color-walnut-2)'
    : props.verdict === 'proceed' || props.verdict === 'modify'
      ? 'var(--color-moss)'
      : 'var(--color-madder)',
)
</script>
<template>
  <svg width="26" height="20" viewBox="-13 -10 26 20" aria-hidden="true">
    <line y1="-9" y2="9" stroke="var(--color-ash)" stroke-dasharray="1.5 2.5" />
    <line
      v-for="sign in [-1, 1]"
      :key="sign"
      :x1="sign * (gap + 1.7)"
      :x2="sign * (gap + 1.7)"
      y1="-9"
      y2="9"
      :stroke="colour"
      stroke-width="3.4"
      :stroke-dasharray="verdict === null ? '4 3' : undefined"
    />
    <line v-if="barred" x1="-8" x2="8" :stroke="colour" stroke-width="2.6" />
  </svg>
</template>
