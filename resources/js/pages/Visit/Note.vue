<script setup lang="ts">
import { Head, Link } from '@inertiajs/vue3'
import { computed } from 'vue'
import type { FigureMark } from '@/chart/Figure.vue'
import FigurePair from '@/parts/FigurePair.vue'
import NoteText from '@/parts/note/NoteText.vue'
import type { Complaint, NoteDocument, NotePart, Palpation } from '@/types/visit'

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
  changed: { heading: string; pieces: { kind: 'same' | 'added' | 'removed'; text: string }[] }[]
}
const props = defineProps<{
  visit: { id: string; number: number; date: string; minutes: number }
  client: { id: string; name: string; code: string; born: string }
  clinic: string
  therapist: string
  revisions: Revision[]
  note: NoteDocument
  own: Partial<Record<NotePart, string>>
  complaints: Complaint[]
  felt: Palpation[]
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
  <main class="mx-auto max-w-[1120px] px-6 pb-16 pt-5 print:max-w-none print:p-0">
    <p class="caption no-print">
      <Link :href="`/clients/${client.id}`" class="link">{{ client.name }}</Link> ·
      <Link :href="`/visits/${visit.id}/after`" class="link">visit {{ visit.number }}</Link>
    </p>
    <header class="mb-1 mt-2 flex items-end justify-between gap-6 border-b-2 border-iron pb-2 print:mt-0">
      <div>
        <h1 class="text-[27px] leading-8 print:text-[20px] print:leading-6">{{ client.name }}, visit {{ visit.number }}</h1>
        <p class="caption print:text-[12px] print:leading-4">
          {{ client.code }}, born {{ client.born }} · {{ visit.date }}, {{ visit.minutes }} min · {{ therapist }}, {{ clinic }}
        </p>
      </div>
      <p class="no-print flex gap-2">
        <a class="btn" :href="`/visits/${visit.id}/note.pdf`" download>PDF</a
        ><button type="button" class="btn-ink" @click="print">Print</button>
      </p>
    </header>
    <div class="grid gap-x-10 md:grid-cols-[minmax(0,1fr)_360px] print:grid-cols-[minmax(0,1fr)_220px] print:gap-x-5">
      <section aria-label="The note">
        <NoteText :note="note" :visit="visit.id" :editable="false" :own="own" />
        <p v-if="unreadable.length" class="caption border-t border-hairline py-2">
          Stored, not readable any more, and no part of this: {{ unreadable.join('; ') }}
        </p>
        <section class="border-t-2 border-iron pt-2" aria-label="Signatures">
          <article v-for="one in revisions" :key="one.revision" class="mb-2 break-inside-avoid print:text-[12px] print:leading-4">
            <p>
              {{ one.revision === 1 ? 'Signed' : `Correction ${one.revision - 1}` }} by {{ one.by }}, {{ one.at
              }}<template v-if="one.reason">: {{ one.reason }}</template>
            </p>
            <p v-for="(change, k) in one.changed" :key="k" class="pl-3">
              <b class="font-[650]">{{ change.heading }}. </b>
              <template v-for="(piece, at) in change.pieces" :key="at"
                ><ins v-if="piece.kind === 'added'" class="bg-moss-wash no-underline print:underline">{{ piece.text }}</ins
                ><del v-else-if="piece.kind === 'removed'" class="text-walnut-2">{{ piece.text }}</del
                ><template v-else>{{ piece.text }}</template></template
              >
            </p>
            <p v-if="one.second" class="caption">Countersigned by {{ one.second }}</p>
            <p v-else-if="one.waits" class="text-madder">A supervisor’s name is still missing.</p>
            <p class="note break-all print:text-[9px] print:leading-3">Atlas {{ one.atlas || 'of an earlier time' }} · {{ one.hash }}</p>
          </article>
        </section>
      </section>
      <section class="pt-3" aria-label="Figure">
        <FigurePair :marks="marks" :complaints="complaints" />
        <p class="note mt-6">Stitched: where it hurt. A rim, the thicker the more tender. Read from the record as it was signed.</p>
      </section>
    </div>
  </main>
</template>
