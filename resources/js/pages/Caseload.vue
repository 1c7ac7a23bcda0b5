<script setup lang="ts">
import { Head, Link, router } from '@inertiajs/vue3'
import { computed } from 'vue'
import { t } from '@/composables/language'
import { dayWords } from '@/composables/settings'
import { useKeys } from '@/composables/useKeys'

/** Everybody in treatment who needs a thought, by what they need; nothing here is done for anybody by itself. */
interface Row {
  client: string
  name: string
  text: string
  since: string
  visit?: string | null
}
const props = defineProps<{
  of: 'all' | 'own'
  treats: boolean
  clinical: boolean
  answered: (Row & { kind: 'worrying' | 'sore' })[]
  stuck: Row[]
  unanswered: Row[]
  due: Row[]
  recall: Row[]
  unsigned: Row[]
  countersign: { visit: string; client: string; by: string }[]
  /** no more of each are listed */
  most: number
}>()
const to = (one: Row): string => (one.visit ? `/visits/${one.visit}/after` : `/clients/${one.client}`)
const groups = computed(() =>
  [
    {
      id: 'answered',
      name: 'Worse, or worrying, since the last visit',
      none: 'No answer worries.',
      since: t('answered'),
      act: 'Read',
      rows: props.answered,
      shown: props.clinical,
      edge: 'border-l-madder',
    },
    {
      id: 'stuck',
      name: 'Not improving',
      none: 'Every course that runs is getting somewhere.',
      since: 'last here',
      act: 'See the course',
      rows: props.stuck,
      shown: props.clinical,
      edge: 'border-l-iron',
    },
    {
      id: 'unsigned',
      name: 'Not signed',
      none: 'Every visit before today is signed.',
      since: t('begun'),
      act: 'Sign it',
      rows: props.unsigned,
      shown: props.clinical,
      edge: 'border-l-iron',
    },
    {
      id: 'due',
      name: 'Due, and not booked',
      none: 'Whoever is due is booked.',
      since: t('due'),
      act: 'Book',
      rows: props.due,
      shown: true,
      edge: 'border-l-moss',
    },
    {
      id: 'recall',
      name: 'Lost sight of',
      none: 'Nobody has stayed away for longer than three weeks beyond the day that was proposed.',
      since: 'was due',
      act: 'Call back',
      rows: props.recall,
      shown: true,
      edge: 'border-l-ash',
    },
    {
      id: 'unanswered',
      name: 'Asked how it was, no answer',
      none: 'Whoever was asked has answered.',
      since: t('asked'),
      act: 'Ask again',
      rows: props.unanswered,
      shown: props.clinical,
      edge: 'border-l-ash',
    },
  ]
    .filter((one) => one.shown)
    // what is empty is said after what is not
    .sort((a, b) => Number(!a.rows.length) - Number(!b.rows.length)),
)
const many = computed(() => groups.value.reduce((sum, one) => sum + one.rows.length, 0) + props.countersign.length)
/** To the first of a group. */
const jump = (k: number) => document.querySelectorAll<HTMLElement>('[data-group]')[k]?.querySelector<HTMLElement>('a')?.focus()
useKeys(
  {
    ...Object.fromEntries(Array.from({ length: 6 }, (_, k) => [String(k + 1), () => jump(k)])),
    a: () => props.treats && router.get('/caseload', { of: props.of === 'all' ? 'own' : 'all' }),
  },
  [
    ['1–6', 'to that list'],
    ['A', 'mine, or everybody’s'],
  ],
)
</script>
<template>
  <Head title="Caseload" />
  <main class="mx-auto max-w-[1180px] px-6 pb-16 pt-5">
    <p class="caption"><Link href="/" class="link">Today</Link></p>
    <div class="mb-4 flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
      <h1 class="display text-[33px] leading-[38px]">{{ clinical ? 'Caseload' : 'To be called' }}</h1>
      <p v-if="treats" class="flex gap-px" role="group" aria-label="Whose">
        <Link href="/caseload?of=own" class="cell !px-4" :aria-current="of === 'own'">Mine</Link>
        <Link href="/caseload?of=all" class="cell !px-4" :aria-current="of === 'all'"
          >Everybody’s <span class="key-hint ml-2">A</span></Link
        >
      </p>
    </div>
    <p v-if="!many" class="mb-6 max-w-[60ch]">Nothing waits: courses run, notes are signed, and whoever is due is booked.</p>
    <div class="grid gap-x-12 gap-y-9 lg:grid-cols-2">
      <section v-for="(group, k) in groups" :key="group.id" :aria-labelledby="group.id" data-group>
        <h2 :id="group.id" class="flex items-baseline gap-3 border-b-2 border-walnut pb-1">
          <span class="display min-w-[34px] text-[30px] leading-8" :class="group.rows.length ? '' : 'text-ash'">{{
            group.rows.length >= most ? `${most}+` : group.rows.length
          }}</span>
          <span class="section-head">{{ group.name }}</span><span class="key-hint ml-auto" aria-hidden="true">{{ k + 1 }}</span>
        </h2>
        <p v-if="!group.rows.length" class="caption py-2">{{ group.none }}</p>
        <ul v-else>
          <li
            v-for="one in group.rows"
            :key="one.client + one.text"
            class="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 border-b border-l-4 border-b-hairline py-2 pl-3"
            :class="group.edge"
          >
            <div class="min-w-0">
              <p class="flex flex-wrap items-baseline gap-x-2">
                <b class="display own-words text-[19px] leading-6">{{ one.name }}</b><span class="note"
                  >{{ group.since }} {{ dayWords(one.since) }}</span
                >
              </p>
              <p class="own-words">{{ one.text }}</p>
            </div>
            <Link :href="to(one)" class="btn !px-3">{{ group.act }}</Link>
          </li>
        </ul>
      </section>
      <section v-if="countersign.length" aria-labelledby="countersign" data-group>
        <h2 id="countersign" class="flex items-baseline gap-3 border-b-2 border-walnut pb-1">
          <span class="display min-w-[34px] text-[30px] leading-8">{{ countersign.length }}</span><span class="section-head"
            >Waits for your name</span
          >
        </h2>
        <ul>
          <li
            v-for="one in countersign"
            :key="one.visit"
            class="flex items-center justify-between gap-3 border-b border-l-4 border-b-hairline border-l-iron py-2 pl-3"
          >
            <span class="own-words"
              ><b class="display text-[19px]">{{ one.client }}</b> <span class="note">by {{ one.by }}</span></span
            ><Link :href="`/visits/${one.visit}/after`" class="btn !px-3">Read and sign</Link>
          </li>
        </ul>
      </section>
    </div>
  </main>
</template>
