<script setup lang="ts">
import { Head, Link } from '@inertiajs/vue3'
import { computed, ref } from 'vue'
import type { FigureMark } from '@/chart/Figure.vue'
import FigurePair from '@/parts/FigurePair.vue'
import ReportWords from '@/parts/ReportWords.vue'
import type { Complaint, Palpation, Words } from '@/types/visit'

/** A report of a course to print, to hand over or to send: for the client or for whoever sent them. */
interface Moment {
  date: string
  complaints: Complaint[]
  felt: Palpation[]
}
const props = defineProps<{
  client: { id: string; name: string; code: string; words: Words }
  clinic: string
  therapist: string
  for: 'client' | 'referrer'
  wording: 'plain' | 'clinical' | 'both'
  date: string
  /** of a paper for somebody who has to know whom it is about */
  born: string | null
  report: {
    summary: string[]
    changes: { name: string; first: string; last: string; from: string; to: string; words: string; verdict: string }[]
    once: string[]
    goals: string[]
    worked: { name: string; words: string }[]
    helped: string[]
    ahead: string[]
  } | null
  figures: { first: Moment; last: Moment } | null
  own: InstanceType<typeof ReportWords>['$props']['own'] | null
}>()
const marksOf = (one: Moment): FigureMark[] =>
  one.felt
    .filter((item) => (item.tenderness ?? 0) > 1 || item.familiar === 'yes')
    .map((item) => ({ muscle: item.muscle, side: item.side, finding: item, refers: item.refers_to ?? [] }))
const pair = computed(() => (props.figures ? [props.figures.first, props.figures.last] : []))
const address = (reader: string, words: string, file = ''): string =>
  `/clients/${props.client.id}/report${file}?for=${reader}&words=${words}`
const READERS = { client: 'For the client', referrer: 'For a doctor' } as const
const WORDS = { plain: 'plain', clinical: 'clinical', both: 'both' } as const
const usual = { client: 'plain', referrer: 'both' } as const
const words = ref<InstanceType<typeof ReportWords> | null>(null)
const print = () => window.print()
const pdf = async () => {
  if ((await words.value?.settled()) ?? true) location.assign(address(props.for, props.wording, '.pdf'))
}
</script>
<template>
  <Head :title="`How it has gone, ${client.code}`" />
  <main class="mx-auto max-w-[980px] px-6 pb-16 pt-5 print:max-w-none print:p-0">
    <p class="caption no-print">
      <Link href="/" class="link">Today</Link> · <Link :href="`/clients/${client.id}`" class="link">{{ client.name }}</Link>
    </p>
    <header class="mb-4 mt-2 flex flex-wrap items-end justify-between gap-x-6 gap-y-2 border-b-2 border-iron pb-2 print:mb-2">
      <div>
        <h1 class="text-[27px] leading-8">How it has gone</h1>
        <p class="caption">
          {{ client.name }}<template v-if="born">, born {{ born }}</template> · {{ date
          }}<template v-if="therapist"> · {{ therapist }}</template
          >, {{ clinic }}
        </p>
      </div>
      <div class="no-print flex flex-wrap items-center gap-x-4 gap-y-2">
        <p class="flex gap-px" role="group" aria-label="For whom">
          <Link
            v-for="(name, one) in READERS"
            :key="one"
            :href="address(one, usual[one])"
            class="cell !px-3"
            :aria-current="props.for === one"
            >{{ name }}</Link
          >
        </p>
        <p class="flex gap-px" role="group" aria-label="Words">
          <Link
            v-for="(name, one) in WORDS"
            :key="one"
            :href="address(props.for, one)"
            class="cell !px-3"
            :aria-current="wording === one"
            >{{ name }}</Link
          >
        </p>
        <p class="flex gap-2">
          <button type="button" class="btn" @click="pdf">Save as PDF</button>
          <button type="button" class="btn-ink" @click="print">Print</button>
        </p>
      </div>
    </header>
    <p v-if="!report">No visit has ended yet: there is nothing to report.</p>
    <template v-else>
      <ReportWords
        v-if="own && (own.writable || own.words)"
        :key="`${props.for} ${own.visit}`"
        ref="words"
        :client="client.id"
        :reader="props.for"
        :own="own"
      />
      <section class="note-part" :class="{ '!border-t-0': !own?.writable && !own?.words }" aria-labelledby="short">
        <h2 id="short" class="section-head">In short</h2>
        <div>
          <p v-for="one in report.summary" :key="one" class="note-said">{{ one }}</p>
        </div>
      </section>
      <section v-if="pair.length" class="my-3 grid gap-x-10 gap-y-4 md:grid-cols-2 print:grid-cols-2" aria-label="Then and now">
        <figure v-for="(one, k) in pair" :key="k">
          <figcaption class="section-head mb-1">{{ k === 0 ? 'First' : 'Last' }}, {{ one.date }}</figcaption>
          <FigurePair quiet :marks="marksOf(one)" :complaints="one.complaints" />
        </figure>
        <p class="note md:col-span-2">
          Stitched: where it hurts. A rim, the thicker the more tender. A red dot: it felt like
          {{ props.for === 'client' ? 'your' : 'their' }} own pain.
        </p>
      </section>
      <section v-if="report.changes.length" class="note-part" aria-labelledby="measured">
        <h2 id="measured" class="section-head">Measured</h2>
        <div>
          <table class="w-full">
            <thead>
              <tr class="caption text-left">
                <th class="font-normal">What</th>
                <th class="font-normal">{{ report.changes[0]!.from }}</th>
                <th class="font-normal">{{ report.changes[0]!.to }}</th>
                <th class="font-normal">What it amounts to</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="one in report.changes" :key="one.name" class="border-t border-hairline align-baseline">
                <td class="py-1.5 pr-3">{{ one.name }}</td>
                <td class="py-1.5 pr-3">
                  {{ one.first }}<span v-if="one.from !== report.changes[0]!.from" class="note block">{{ one.from }}</span>
                </td>
                <td class="py-1.5 pr-3">
                  <b class="font-[650]">{{ one.last }}</b><span v-if="one.to !== report.changes[0]!.to" class="note block">{{
                    one.to
                  }}</span>
                </td>
                <td class="py-1.5" :class="{ 'text-moss': one.verdict === 'improved', 'text-madder': one.verdict === 'worse' }">
                  {{ one.words }}
                </td>
              </tr>
            </tbody>
          </table>
          <p v-if="report.once.length" class="caption mt-2">Measured once, so nothing is said of it: {{ report.once.join('; ') }}.</p>
        </div>
      </section>
      <section v-if="report.goals.length" class="note-part" aria-labelledby="goals">
        <h2 id="goals" class="section-head">Goals</h2>
        <div>
          <p v-for="one in report.goals" :key="one" class="note-said">{{ one }}</p>
        </div>
      </section>
      <section v-if="report.worked.length" class="note-part" aria-labelledby="worked">
        <h2 id="worked" class="section-head">Worked on</h2>
        <div>
          <p v-for="one in report.worked" :key="one.name" class="note-said">
            <b class="font-[650]">{{ one.name }}</b>, {{ one.words }}.
          </p>
        </div>
      </section>
      <section v-if="report.helped.length" class="note-part" aria-labelledby="helped">
        <h2 id="helped" class="section-head">What helped</h2>
        <div>
          <p v-for="one in report.helped" :key="one" class="note-said">{{ one }}</p>
        </div>
      </section>
      <section v-if="report.ahead.length" class="note-part" aria-labelledby="ahead">
        <h2 id="ahead" class="section-head">Ahead</h2>
        <div>
          <p v-for="one in report.ahead" :key="one" class="note-said">{{ one }}</p>
        </div>
      </section>
    </template>
    <p class="caption mt-5">
      Muscles were looked at, moved, felt and treated; this is no diagnosis. A change counts where it is larger than two measurements of the
      same thing may differ.
    </p>
  </main>
</template>
