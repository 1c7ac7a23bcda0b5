<script setup lang="ts">
import { computed } from 'vue'
import type { Comparison } from '@/types/visit'

/** What a value of today is beside the usual, the other side and before; a real change has its mark, noise has none. */
const props = defineProps<{ compared: Comparison | undefined }>()
const lines = computed(() => props.compared?.with ?? [])
const mark = (line: (typeof lines.value)[number]): string => (!line.real ? '·' : line.better ? '▲' : '▼')
</script>
<template>
  <ul v-if="lines.length" class="mt-1 text-[14px] leading-[18px]">
    <li v-for="line in lines" :key="line.what" class="flex gap-2 py-px" :class="line.real ? '' : 'text-walnut-2'">
      <span
        class="w-3 shrink-0 text-center text-[11px]"
        :class="line.real ? (line.better ? 'text-moss' : 'text-madder') : ''"
        aria-hidden="true"
        >{{ mark(line) }}</span
      >
      {{ line.words }}
    </li>
  </ul>
</template>
