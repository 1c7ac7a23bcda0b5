<script setup lang="ts">
import { computed } from 'vue'
import type { FigureMark } from '@/chart/Figure.vue'
import FigurePair from '@/parts/FigurePair.vue'
import PaperHead from '@/parts/PaperHead.vue'
import { placeName } from '@/chart/atlas'
import { capital } from '@/parts/words'
import type { Complaint, PaperOf, Palpation } from '@/types/visit'

/** One page to print and to hand over: what was found today, in plain words, on the figure. */
const props = defineProps<
  PaperOf & {
    complaints: Complaint[]
    felt: Palpation[]
    explains: { name: string; words: string }[]
    chains: string[]
    measured: { name: string; left: string; right: string; words: string[] }[]
    asUsual: string[]
    tender: string[]
  }
>()
const marks = computed<FigureMark[]>(() =>
  props.felt
    .filter((one) => (one.tenderness ?? 0) > 1 || one.familiar === 'yes')
    .map((one) => ({ muscle: one.muscle, side: one.side, finding: one, refers: one.refers_to ?? [] })),
)
</script>
<template>
  <main class="mx-auto max-w-[980px] px-6 pb-16 pt-5 print:max-w-none print:p-0">
    <PaperHead title="What we found" :of="props" :back="{ to: 'think', words: 'back to Think' }" />
    <div class="grid gap-x-10 md:grid-cols-[380px_minmax(0,1fr)] print:grid-cols-[300px_minmax(0,1fr)]">
      <section aria-label="Figure">
        <FigurePair quiet :marks="marks" :complaints="complaints" />
        <p class="note mt-5">Stitched: where it hurts. A rim, the thicker the more tender. A red dot: it felt like your own pain.</p>
      </section>
      <section>
        <h2 class="section-head">Where it hurts</h2>
        <ul>
          <li v-for="one in complaints" :key="one.zone + one.side">
            {{ capital(placeName(one)) }}{{ one.now === undefined ? '' : `: ${one.now} of 10 now` }}
          </li>
          <li v-if="!complaints.length">Nothing today.</li>
        </ul>
        <h2 class="section-head mt-4">What may explain it</h2>
        <ol v-if="explains.length">
          <li v-for="one in explains" :key="one.name" class="mb-1">
            <b class="font-[650]">{{ one.name }}.</b> {{ one.words }}
          </li>
        </ol>
        <p v-else>Nothing stands out yet from what was measured and felt.</p>
        <template v-if="chains.length">
          <h2 class="section-head mt-4">What hangs together</h2>
          <ul>
            <li v-for="one in chains" :key="one">{{ one }}</li>
          </ul>
        </template>
        <template v-if="tender.length">
          <h2 class="section-head mt-4">What was tender</h2>
          <ul class="columns-1 gap-x-6 print:columns-2">
            <li v-for="one in tender" :key="one">{{ one }}</li>
          </ul>
        </template>
      </section>
    </div>
    <section v-if="measured.length || asUsual.length" class="mt-5">
      <h2 class="section-head">What was measured</h2>
      <table v-if="measured.length" class="w-full border-collapse text-left print:text-[13px] print:leading-[17px]">
        <thead>
          <tr class="caption">
            <th class="py-1 font-normal">Measure</th>
            <th class="py-1 font-normal">Left or middle</th>
            <th class="py-1 font-normal">Right</th>
            <th class="py-1 font-normal">What differs for certain</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in measured" :key="one.name" class="border-t border-hairline align-top">
            <th scope="row" class="py-1 pr-3 font-normal">{{ one.name }}</th>
            <td class="whitespace-nowrap py-1 pr-3">{{ one.left || '–' }}</td>
            <td class="whitespace-nowrap py-1 pr-3">{{ one.right || '–' }}</td>
            <td class="py-1">{{ one.words.map(capital).join('. ') }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="asUsual.length" class="caption mt-1">
        As usual, within measuring error: {{ asUsual.map((one) => one.toLowerCase()).join(', ') }}.
      </p>
    </section>
    <p class="caption mt-5">
      Muscles were looked at, moved and felt; this helps to plan massage and is not a diagnosis. If something new worries you, ask a doctor.
    </p>
  </main>
</template>
