<script setup lang="ts">
import { computed } from 'vue'
import type { Palpation } from '@/types/visit'

/**
 * Our own mark: a rim thickened by quarters for tenderness, a bar for a taut band, a dot for a nodule, a madder disc for the client's own
 * pain.
 */
const props = withDefaults(defineProps<{ finding: Pick<Palpation, 'tenderness' | 'texture' | 'familiar'>; angle?: number }>(), { angle: 0 })
const grade = computed(() => props.finding.tenderness ?? 0)
const band = computed(() => props.finding.texture?.includes('taut_band'))
const nodule = computed(() => props.finding.texture?.includes('nodule'))
const own = computed(() => props.finding.familiar === 'yes')
const arc = computed(() => {
  if (grade.value >= 4) return ''
  const end = (grade.value / 4) * 2 * Math.PI
  return `M0-8.4A8.4 8.4 0 ${grade.value > 2 ? 1 : 0} 1 ${(8.4 * Math.sin(end)).toFixed(2)} ${(-8.4 * Math.cos(end)).toFixed(2)}`
})
const clear = computed(() => grade.value === 0 && !band.value && !nodule.value && !own.value)
</script>
<template>
  <g>
    <circle r="12.6" fill="var(--mark-halo, var(--color-paper))" />
    <circle
      r="8.4"
      :fill="clear ? 'var(--mark-halo, var(--color-paper))' : 'var(--color-weld-wash)'"
      stroke="var(--color-walnut)"
      :stroke-width="clear ? 1.4 : 0.9"
    />
    <circle v-if="grade >= 4" r="8.4" fill="none" stroke="var(--color-walnut)" stroke-width="3.4" />
    <path v-else-if="grade > 0" :d="arc" fill="none" stroke="var(--color-walnut)" stroke-width="3.4" />
    <line v-if="band" x1="-15" x2="15" stroke="var(--color-walnut)" stroke-width="2.8" :transform="`rotate(${angle})`" />
    <circle v-if="own" r="5.2" fill="var(--color-madder)" stroke="var(--color-paper)" stroke-width="1" />
    <circle v-if="nodule" r="3.2" :fill="own ? 'var(--color-paper)' : 'var(--color-walnut)'" />
  </g>
</template>
