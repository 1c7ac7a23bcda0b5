<script setup lang="ts">
import { computed } from 'vue'
import type { FigureMark } from '@/chart/Figure.vue'
import FigurePair from '@/parts/FigurePair.vue'
import PaperHead from '@/parts/PaperHead.vue'
import type { Complaint, PaperOf, Palpation } from '@/types/visit'

/** One page to print and to hand over: what was found today, in plain words, on the figure. */
const props = defineProps<
  PaperOf & {
    complaints: Complaint[]
    felt: Palpation[]
    /** sentences of the note, as the client is told them */
    reason: string[]
    found: string[]
    explains: { name: string; words: string }[]
    chains: string[]
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
    <PaperHead
      title="What we found"
      :of="props"
      :back="{ to: 'think', words: 'back to Think' }"
      :pdf="`/visits/${props.visit.id}/summary.pdf`"
    />
    <div class="grid gap-x-10 md:grid-cols-[380px_minmax(0,1fr)] print:grid-cols-[280px_minmax(0,1fr)]">
      <section aria-label="Figure">
        <FigurePair quiet :marks="marks" :complaints="complaints" />
        <p class="note mt-1">Stitched: where it hurts. A rim, the thicker the more tender. A red dot: it felt like your own pain.</p>
      </section>
      <section>
        <h2 class="section-head">What you told us</h2>
        <p v-for="one in reason" :key="one" class="note-said">{{ one }}</p>
        <p v-if="!reason.length">Nothing today.</p>
        <h2 class="section-head mt-4">What may explain it</h2>
        <ol v-if="explains.length">
          <li v-for="one in explains" :key="one.name" class="mb-1">
            <b class="font-[650]">{{ one.name }}.</b> {{ one.words }}
          </li>
        </ol>
        <p v-else>Nothing stands out yet from what was measured and felt.</p>
        <template v-if="chains.length">
          <h2 class="section-head mt-4">Patterns</h2>
          <ul>
            <li v-for="one in chains" :key="one">{{ one }}</li>
          </ul>
        </template>
        <template v-if="found.length">
          <h2 class="section-head mt-4">What was found</h2>
          <p v-for="one in found" :key="one" class="note-said">{{ one }}</p>
        </template>
      </section>
    </div>
    <p class="caption mt-5">
      Muscles were looked at, moved and felt; this helps to plan massage and is not a diagnosis. If something new worries you, ask a doctor.
    </p>
  </main>
</template>
