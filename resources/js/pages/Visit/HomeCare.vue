<script setup lang="ts">
import ExerciseDrawing from '@/chart/ExerciseDrawing.vue'
import PaperHead from '@/parts/PaperHead.vue'
import type { Side } from '@/types/ids.generated'
import type { PaperOf } from '@/types/visit'

/** What was handed out for home, on one sheet to print and to take along. */
const props = defineProps<
  PaperOf & {
    given: { exercise: string; name: string; side: Side | null; steps: string[]; dose: string; how_often: string; stop: string }[]
    /** of the work: what is usual, and when to ring */
    expect: string[]
    /** what else was said, in whoever's own words */
    advice: string
  }
>()
</script>
<template>
  <main class="mx-auto max-w-[820px] px-6 pb-16 pt-5 print:max-w-none print:p-0">
    <PaperHead
      title="For home"
      :of="props"
      :back="{ to: 'after', words: 'back to After' }"
      :pdf="`/visits/${props.visit.id}/home-care.pdf`"
    />
    <p v-if="given.length" class="no-print">
      <a class="btn" :href="`/visits/${props.visit.id}/home-care.ics`" download>As a calendar, to take along</a>
    </p>
    <p v-if="advice" class="own-words whitespace-pre-line border-b border-hairline py-4 text-[18px]">{{ advice }}</p>
    <section
      v-for="one in given"
      :key="one.exercise"
      class="grid break-inside-avoid grid-cols-[288px_minmax(0,1fr)] gap-x-6 border-b border-hairline py-4 max-sm:grid-cols-1"
    >
      <div class="h-[140px] max-w-[288px]"><ExerciseDrawing :exercise="one.exercise" /></div>
      <div>
        <h2 class="section-head">
          {{ one.name }}<span v-if="one.side && one.side !== 'midline'" class="side-name">, {{ one.side }}</span>
        </h2>
        <p class="font-[650]">{{ one.dose }}, {{ one.how_often }}</p>
        <ol class="ml-5 list-decimal">
          <li v-for="step in one.steps" :key="step">{{ step }}.</li>
        </ol>
        <p v-if="one.stop" class="caption mt-1">{{ one.stop }}</p>
      </div>
    </section>
    <p v-if="!given.length && !advice">Nothing was handed out. It is chosen under Home care, on After.</p>
    <section v-if="expect.length" class="mt-4">
      <h2 class="section-head">After today</h2>
      <p v-for="one in expect" :key="one">{{ one }}</p>
    </section>
  </main>
</template>
