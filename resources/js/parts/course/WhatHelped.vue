<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Helped } from '@/types/visit'
import Choices from '@/parts/Choices.vue'

/** What came after which work: an estimate and how far it may be off, never more than was seen. */
const props = defineProps<{ helped: Helped[] }>()
const BY = { target: 'by muscle', technique: 'by technique', pressure: 'by pressure' } as const
const by = ref<Helped['by']>('target')
const rows = computed(() => props.helped.filter((one) => one.by === by.value))
const [WIDTH, MOST] = [180, 2]
const x = (change: number): number => WIDTH / 2 + (WIDTH / 2) * Math.max(-1, Math.min(1, change / MOST))
const TONE = { helps: 'var(--color-moss)', hinders: 'var(--color-madder)', open: 'var(--color-walnut-2)' }
</script>
<template>
  <div>
    <Choices label="What helped" :options="BY" :value="by" @choose="(one) => (by = one ?? 'target')" />
    <table class="mt-2 border-collapse">
      <caption class="sr-only">
        What changed after which work, better to the right
      </caption>
      <thead>
        <tr class="note">
          <td></td>
          <th scope="col" class="font-normal">
            <div class="flex justify-between" :style="{ width: `${WIDTH}px` }">
              <span>worse</span><span>as before</span><span>better</span>
            </div>
          </th>
          <td></td>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in rows" :key="one.id" class="border-t border-hairline" :data-helped="one.id">
          <th scope="row" class="max-w-[210px] py-1.5 pr-3 text-left font-[650]">{{ one.name }}</th>
          <td>
            <svg :width="WIDTH" height="22" aria-hidden="true">
              <line :x1="WIDTH / 2" :x2="WIDTH / 2" y2="22" stroke="var(--color-ash)" />
              <line :x1="x(one.low)" :x2="x(one.high)" y1="11" y2="11" :stroke="TONE[one.verdict]" stroke-width="2" />
              <circle :cx="x(one.change)" cy="11" r="5" :fill="TONE[one.verdict]" />
            </svg>
          </td>
          <td class="caption pl-3">{{ one.words }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="!rows.length" class="mt-1">Nothing was measured again right after work yet: a re-check in the room tells what it did.</p>
    <p class="caption mt-1 max-w-[560px]">
      Measured again within the visit: the dot is what is likely, the bar holds what is true four times of five. One step to a side is one
      change that is real.
    </p>
  </div>
</template>
