<script setup lang="ts">
import type { NoteChange } from '@/types/visit'

/** What was measured before the work and after it; a real change stands out by mark and by word. */
defineProps<{ changes: NoteChange[] }>()
const marks: Record<NoteChange['verdict'], string> = {
  improved: 'border-l-4 border-moss pl-2',
  worse: 'border-l-4 border-madder pl-2',
  no_real_change: 'pl-3',
  not_enough: 'pl-3',
}
</script>
<template>
  <table class="w-full border-collapse text-left text-[15px] leading-5 print:text-[12px] print:leading-[15px]">
    <thead>
      <tr class="caption">
        <th class="py-1 pl-3 font-normal">Measure</th>
        <th class="py-1 font-normal">Before</th>
        <th class="py-1 font-normal">After</th>
        <th class="py-1 font-normal">Change</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="one in changes" :key="one.key + one.side" class="border-t border-hairline align-top">
        <th scope="row" class="py-1 pr-3 font-normal">
          <span class="block" :class="marks[one.verdict]">{{ one.side === 'midline' ? one.name : `${one.name}, ${one.side}` }}</span>
        </th>
        <td class="whitespace-nowrap py-1 pr-3">{{ one.before }}</td>
        <td class="whitespace-nowrap py-1 pr-3 font-[650]">{{ one.after }}</td>
        <td class="py-1">{{ one.words }}</td>
      </tr>
    </tbody>
  </table>
</template>
