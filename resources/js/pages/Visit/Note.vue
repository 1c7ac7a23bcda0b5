<script setup lang="ts">
import { Head, Link } from '@inertiajs/vue3'
import { computed } from 'vue'
import type { FigureMark } from '@/chart/Figure.vue'
import FigurePair from '@/parts/FigurePair.vue'
import type { Complaint, Palpation } from '@/types/visit'

/** A signed note as it was signed, with each correction and what it changed; to read and to print. */
interface Revision {
  revision: number
  by: string
  at: string
  reason: string | null
  second: string | null
  waits: boolean
  atlas: string
  hash: string
  fields: Record<string, { kind: 'same' | 'added' | 'removed'; text: string }[]>
}
const props = defineProps<{
  visit: { id: string; number: number; date: string; minutes: number }
  client: { id: string; name: string; code: string; born: string }
  clinic: string
  therapist: string
  revisions: Revision[]
  names: Record<string, string>
  complaints: Complaint[]
  felt: Palpation[]
  found: string[]
  done: string[]
  agreed: string[]
  /** what was stored and could not be read when it was signed */
  unreadable: string[]
}>()
const marks = computed<FigureMark[]>(() =>
  props.felt.map((one) => ({ muscle: one.muscle, side: one.side, finding: one, refers: one.refers_to ?? [] })),
)
const print = () => window.print()
</script>
<template>
  <Head :title="`Note, ${client.code}`" />
  <main class="mx-auto max-w-[1080px] px-6 pb-16 pt-5 print:max-w-none print:p-0">
    <p class="caption no-print">
      <Link :href="`/clients/${client.id}`" class="link">{{ client.name }}</Link> ·
      <Link :href="`/visits/${visit.id}/after`" class="link">visit {{ visit.number }}</Link>
    </p>
    <header class="mb-4 mt-2 flex items-end justify-between gap-6 border-b-2 border-iron pb-2">
      <div>
        <h1 class="text-[27px] leading-8">Note of visit {{ visit.number }}</h1>
        <p class="caption">
          {{ client.name }}, {{ client.code }}, born {{ client.born }} · {{ visit.date }}, {{ visit.minutes }} min · {{ therapist }},
          {{ clinic }}
        </p>
      </div>
      <p class="no-print flex gap-2">
        <a class="btn" :href="`/visits/${visit.id}/note.pdf`" download>PDF</a
        ><button type="button" class="btn-ink" @click="print">Print</button>
      </p>
    </header>
    <div class="grid gap-x-10 md:grid-cols-[minmax(0,1fr)_400px] print:grid-cols-[minmax(0,1fr)_300px]">
      <section aria-label="Revisions">
        <article v-for="one in revisions" :key="one.revision" class="mb-4 border-b border-hairline pb-3">
          <h2 class="section-head">{{ one.revision === 1 ? 'As it was signed' : `Correction ${one.revision - 1}` }}</h2>
          <p class="caption">
            {{ one.by }}, {{ one.at }}<template v-if="one.reason"> · {{ one.reason }}</template>
          </p>
          <p v-for="(name, field) in names" :key="field" class="mt-1">
            <b class="font-[650]">{{ name }}. </b>
            <template v-for="(piece, k) in one.fields[field]" :key="k"
              ><ins v-if="piece.kind === 'added'" class="bg-moss-wash no-underline">{{ piece.text }}</ins
              ><del v-else-if="piece.kind === 'removed'" class="text-walnut-2">{{ piece.text }}</del
              ><template v-else>{{ piece.text }}</template></template
            ><template v-if="!one.fields[field]?.length">–</template>
          </p>
          <p v-if="one.second" class="caption mt-1">Countersigned by {{ one.second }}</p>
          <p v-else-if="one.waits" class="mt-1 text-madder">A supervisor’s name is still missing.</p>
          <p class="note mt-1 break-all">Atlas {{ one.atlas || 'of an earlier time' }} · {{ one.hash }}</p>
        </article>
        <h2 class="section-head">Found</h2>
        <ul class="columns-1 gap-x-8 xl:columns-2">
          <li v-for="one in found" :key="one" class="break-inside-avoid">{{ one }}</li>
        </ul>
        <template v-if="done.length">
          <h2 class="section-head mt-4">Done</h2>
          <ul>
            <li v-for="one in done" :key="one">{{ one }}</li>
          </ul>
        </template>
        <template v-if="agreed.length">
          <h2 class="section-head mt-4">Agreed</h2>
          <p>{{ agreed.join('; ') }}</p>
        </template>
        <template v-if="unreadable.length">
          <h2 class="section-head mt-4">Stored, not readable any more, and no part of this</h2>
          <p>{{ unreadable.join('; ') }}</p>
        </template>
      </section>
      <section aria-label="Figure">
        <FigurePair :marks="marks" :complaints="complaints" />
        <p class="note mt-6">Stitched: where it hurt. A rim, the thicker the more tender. Read from the record as it was signed.</p>
      </section>
    </div>
  </main>
</template>
