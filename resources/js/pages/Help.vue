<script setup lang="ts">
import { Head, Link } from '@inertiajs/vue3'
import { computed, ref } from 'vue'
import type { KeyHelp } from '@/composables/useKeys'
import FigureLegend from '@/chart/FigureLegend.vue'
import Gate from '@/parts/Gate.vue'
import KeyTable from '@/parts/KeyTable.vue'
import StepMark from '@/parts/StepMark.vue'
import { first, glossary, steps, type HelpText } from '@/parts/helpTexts'
import { verdictWords } from '@/parts/words'
import type { StepState, Verdict } from '@/types/visit'

/** How a visit goes, what the words mean, who does what: short, and found by any word. */
const asked = ref('')
const words = computed(() => asked.value.trim().toLowerCase().split(/\s+/).filter(Boolean))
const found = (all: readonly HelpText[]): readonly HelpText[] =>
  all.filter(({ title, text }) => words.value.every((word) => `${title} ${text}`.toLowerCase().includes(word)))
const parts = computed(() => [
  { id: 'visit', title: 'A visit, step by step', texts: found(steps) },
  { id: 'words', title: 'What the words mean', texts: found(glossary) },
  { id: 'who', title: 'Who does what', texts: found(first) },
])
/** What is drawn beside every client and on every visit, as it is drawn there. */
const gates: [Verdict | null, string][] = [
  [null, 'nobody has asked yet: nothing is allowed, and nothing forbidden'],
  ['proceed', 'nothing speaks against treating'],
  ['modify', 'the strip says what is not done, or done lighter'],
  ['defer', 'another day: what passes has to pass first'],
  ['refer', 'a doctor looks first; nothing is planned'],
  ['emergency', 'help is called; the page says whom'],
]
const marks: [StepState | 'here', string][] = [
  ['open', 'nothing of it is done'],
  ['part', 'some of it is done'],
  ['done', 'all of it is done'],
  ['here', 'where you are'],
  ['blocked', 'it waits for an answer, which stands beneath it'],
]
const keys: KeyHelp[] = [
  ['/', 'find a client by name, code or telephone; a muscle, a test, a page'],
  ['?', 'the keys of the page you are on, and what its words mean'],
  ['. ,', 'the next step of a visit, the one before'],
  ['Z ⇧Z', 'take back, do again'],
  ['N', 'the check that would tell most next'],
  ['R', 'why the strip says what it says'],
  ['Esc', 'out of a field, so that the keys of the page answer'],
]
</script>
<template>
  <Head title="Help" />
  <main class="mx-auto max-w-[1080px] px-6 pb-16 pt-5">
    <p class="caption no-print"><Link href="/" class="link">Today</Link></p>
    <header class="mb-6 flex flex-wrap items-end justify-between gap-4">
      <h1 class="display text-[31px] leading-9">Help</h1>
      <div class="no-print relative w-full max-w-[420px]">
        <input
          v-model="asked"
          data-find
          type="search"
          class="field"
          aria-label="Find in the help"
          placeholder="A word, as: end-feel"
          autocomplete="off"
          maxlength="80"
        />
        <span class="key-hint pointer-events-none absolute right-4 top-[13px]">/</span>
      </div>
    </header>
    <nav v-if="!words.length" class="no-print mb-6 flex flex-wrap gap-x-6 gap-y-1" aria-label="On this page">
      <a v-for="part in parts" :key="part.id" :href="`#${part.id}`" class="link inline-flex min-h-[32px] items-center">{{
        part.title
      }}</a><a href="#marks" class="link inline-flex min-h-[32px] items-center">What the marks mean</a
      ><a href="#keys" class="link inline-flex min-h-[32px] items-center">Keys</a>
    </nav>
    <p v-if="!parts.some(({ texts }) => texts.length)" role="status">
      Nothing here speaks of that. Any muscle, test or movement is explained in the <Link href="/atlas" class="link">atlas</Link>.
    </p>
    <template v-for="part in parts" :key="part.id">
      <section v-if="part.texts.length" :id="part.id" class="mb-8" :aria-label="part.title">
        <h2 class="section-head mb-1">{{ part.title }}</h2>
        <dl>
          <div
            v-for="(one, k) in part.texts"
            :key="one.title"
            class="grid gap-x-6 border-b border-hairline py-2 sm:grid-cols-[220px_minmax(0,1fr)]"
          >
            <dt class="flex items-baseline gap-3">
              <span v-if="part.id === 'visit' && !words.length" class="relative flex h-full w-[14px] justify-center" aria-hidden="true">
                <span class="absolute inset-y-[-9px] w-px bg-iron max-sm:bottom-0" :class="k === 0 ? 'top-[6px]' : ''" /><span
                  class="relative mt-[7px] h-[9px] w-[9px] rounded-full bg-iron"
                /> </span
              ><b class="display text-[19px] font-normal">{{ one.title }}</b>
            </dt>
            <dd class="max-w-[68ch]">{{ one.text }}</dd>
          </div>
        </dl>
      </section>
    </template>
    <section v-if="!words.length" id="marks" class="mb-8" aria-label="What the marks mean">
      <h2 class="section-head mb-2">What the marks mean</h2>
      <div class="grid gap-x-10 gap-y-6 md:grid-cols-2">
        <div>
          <h3 class="display mb-1 text-[19px]">May this person be treated</h3>
          <ul>
            <li v-for="[verdict, meaning] in gates" :key="meaning" class="flex items-baseline gap-3 py-1">
              <Gate :verdict="verdict" class="shrink-0 self-center" />
              <span
                ><b class="font-[650]">{{ verdict ? verdictWords[verdict] : 'Not asked yet' }}</b
                >: {{ meaning }}</span
              >
            </li>
          </ul>
          <h3 class="display mb-1 mt-5 text-[19px]">The line of a visit</h3>
          <ul>
            <li v-for="[state, meaning] in marks" :key="state" class="flex items-center gap-3 py-1">
              <StepMark :state="state" class="shrink-0" /> {{ meaning }}
            </li>
          </ul>
          <h3 class="display mb-1 mt-5 text-[19px]">A value of last time</h3>
          <p class="flex items-center gap-3">
            <span class="cell !w-[52px] shrink-0" data-ghost="true" aria-hidden="true">3</span>
            It only reminds, and its day stands beside it. It counts when it is touched.
          </p>
          <p class="mt-2 flex items-center gap-3">
            <span class="cell !w-[52px] shrink-0" aria-checked="true" aria-hidden="true">3</span>
            Said today.
          </p>
        </div>
        <div>
          <h3 class="display mb-1 text-[19px]">On the figure</h3>
          <FigureLegend />
        </div>
      </div>
    </section>
    <section v-if="!words.length" id="keys" aria-label="Keys">
      <h2 class="section-head mb-1">Keys</h2>
      <KeyTable :keys="keys" />
      <p class="caption mt-4">Somatrace supports licensed practice. It never diagnoses, and local rules come before what it says.</p>
    </section>
  </main>
</template>
