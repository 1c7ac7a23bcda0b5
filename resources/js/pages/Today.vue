<script setup lang="ts">
import { Head, Link, usePage } from '@inertiajs/vue3'
import { computed } from 'vue'
import ClientSearch from '@/parts/ClientSearch.vue'
import DayHead from '@/parts/DayHead.vue'
import FirstSteps from '@/parts/FirstSteps.vue'
import Gate from '@/parts/Gate.vue'
import { capital, verdictWords } from '@/parts/words'
import SignOut from '@/parts/SignOut.vue'
import { dayScale, minutesOf } from '@/parts/calendar/grid'
import { dayWords } from '@/composables/settings'
import { useDeed } from '@/composables/useDeed'
import type { Verdict } from '@/types/visit'

interface Appointment {
  id: number
  at: string
  minutes: number
  status: string
  reason: string | null
  /** to the desk */
  word: string | null
  client: { id: string; name: string; occupation: string | null; age: number }
  visit: string | null
  visit_status: string | null
  verdict: Verdict | null
}
const props = defineProps<{
  day: { date: string; today: string; now: string; clinic: string; hours: [string, string] | null }
  appointments: Appointment[]
  recent: { id: string; name: string; code: string; occupation: string | null }[]
  thoughts: { id: string; name: string; kind: string; text: string }[]
  /** firm minutes by part of the hand: done or agreed, expected of those who are still to come, and what a day has */
  hands: { parts: { part: string; name: string; done: number; expected: number; of: number }[]; swaps: string[] }
  /** visits of earlier days that were begun and not signed */
  unsigned: { client: string; name: string; visit: string; text: string; since: string }[]
  /** notes of a student that wait for a supervisor's name, and whose it is */
  awaiting: { visit: string; client: string; since: string; back: string | null }[]
  supervisor: string | null
  /** of a clinic that begins: what comes first, and what of it is done; null once somebody was treated */
  beginning: { hours: boolean; people: boolean; client: boolean; visit: string | null } | null
  /** notes of students that wait for a second name */
  countersign: { visit: string; client: string; by: string }[]
  /** mails of the demo can be read */
  outbox: boolean
}>()
const user = computed(() => usePage<{ user: { name: string; rights: string[] } }>().props.user)
const HOUR = 74
/** Two lines and what stands between it and the next. */
const LEAST = 58
const booked = computed(() => props.appointments.map((one) => ({ start: minutesOf(one.at), minutes: one.minutes })))
const first = computed(() => Math.floor(Math.min(minutesOf(props.day.hours?.[0] ?? '09:00'), ...booked.value.map((one) => one.start)) / 60))
const last = computed(() =>
  Math.ceil(Math.max(minutesOf(props.day.hours?.[1] ?? '17:00'), ...booked.value.map((one) => one.start + one.minutes)) / 60),
)
const scale = computed(() => dayScale(booked.value, first.value * 60, last.value * 60, HOUR / 60, LEAST))
const y = (minute: number): number => scale.value.at(minute) + 14
const now = computed(() => minutesOf(props.day.now))
const hours = computed(() => Array.from({ length: last.value - first.value + 1 }, (_, k) => first.value + k))
/** Who came, and whose visit is not begun: seen at once, wherever the day is scrolled to. */
const waitingHere = computed(() => (isToday.value ? props.appointments.filter((one) => one.status === 'arrived' && !one.visit) : []))
const isToday = computed(() => props.day.date === props.day.today)
/** The one to begin next: the first not done, nearest to now. */
const next = computed(
  () =>
    props.appointments.find((one) => one.status !== 'done' && one.visit_status !== 'signed' && minutesOf(one.at) + one.minutes > now.value)
      ?.id ?? props.appointments.find((one) => one.status === 'booked')?.id,
)
/** A child is seen to be one. */
const about = ({ client: { occupation, age } }: Appointment): string => [occupation, age < 18 && String(age)].filter(Boolean).join(', ')
const wishes = (one: Appointment): string => [one.reason, one.word].filter(Boolean).join(' · ')
const { post } = useDeed()
const begin = (one: Appointment) => post(`/clients/${one.client.id}/visits`, { appointment: one.id })
const edge: Record<string, string> = {
  worrying: 'border-madder',
  emergency: 'border-madder',
  refer: 'border-madder',
  sore: 'border-iron',
  reassess: 'border-iron',
  regress: 'border-iron',
  space_out: 'border-moss',
  discharge: 'border-moss',
}
const act: Record<string, string> = {
  worrying: 'Ring and read',
  sore: 'See the course',
  emergency: 'Read and send on',
  refer: 'Read and send on',
  reassess: 'Re-assess',
  regress: 'See the course',
  space_out: 'Space out visits',
  discharge: 'Close the course',
}
const counted = computed(
  () =>
    ['Nothing needs', 'One needs', 'Two need', 'Three need', 'Four need', 'Five need', 'Six need'][props.thoughts.length] ??
    `${props.thoughts.length} need`,
)
</script>
<template>
  <Head :title="isToday ? 'Today' : dayWords(day.date)" />
  <main class="day-page gap-x-7">
    <DayHead :day="day" list="caseload: who is due, who waits" />
    <div class="lg:col-span-2">
      <ClientSearch class="no-print" />
      <ul v-if="waitingHere.length" aria-label="Here now">
        <li v-for="one in waitingHere" :key="one.id" class="mt-2 flex flex-wrap items-center gap-x-4 border-l-4 border-moss pl-3">
          <p class="own-words">
            <b class="display text-[19px]">{{ one.client.name }}</b> is here, for {{ one.at
            }}<span v-if="wishes(one)" class="caption"> · {{ wishes(one) }}</span>
          </p>
          <button type="button" class="btn" @click="begin(one)">Begin</button>
        </li>
      </ul>
    </div>
    <section class="relative mt-10 lg:col-start-2 lg:row-start-2" aria-label="The day" :style="{ height: `${scale.bottom + 34}px` }">
      <div class="absolute left-[26px] top-0 h-full w-[35px] border-x-2 border-ash" aria-hidden="true" />
      <span
        v-for="hour in hours"
        :key="hour"
        class="display absolute left-[28px] w-[32px] text-center text-[16px] leading-5"
        :style="{ top: `${y(hour * 60) - 10}px` }"
        aria-hidden="true"
        >{{ hour }}</span
      >
      <div
        v-if="isToday && now >= first * 60 && now <= last * 60"
        class="pointer-events-none absolute left-0 right-0 z-10 border-t-2 border-dashed border-walnut"
        :style="{ top: `${y(now)}px` }"
        aria-hidden="true"
      >
        <span class="display absolute -top-[12px] left-[20px] bg-walnut px-1.5 text-[15px] leading-[22px] text-raised">{{ day.now }}</span>
      </div>
      <ol>
        <li
          v-for="(one, k) in appointments"
          :key="one.id"
          class="absolute left-[58px] right-0 flex gap-4 bg-paper/0 pl-4"
          :style="{ top: `${scale.rows[k]!.top + 14}px`, minHeight: `${scale.rows[k]!.height - 4}px` }"
        >
          <span
            class="absolute bottom-0 left-0 top-0 w-[5px]"
            :class="one.status === 'done' || one.visit_status === 'signed' ? 'bg-ash' : 'bg-walnut'"
            aria-hidden="true"
          />
          <div class="min-w-0 flex-1 bg-paper">
            <p class="flex min-w-0 items-baseline">
              <Link
                :href="`/clients/${one.client.id}`"
                :title="one.client.name"
                class="display min-w-0 truncate text-[21px] [unicode-bidi:isolate] leading-[26px]"
                :class="one.status === 'done' ? 'text-walnut-2' : ''"
                >{{ one.client.name }}</Link
              >
              <span class="caption ml-2 min-w-0 flex-[1_1_0] truncate" :title="about(one)">{{ about(one) }}</span>
            </p>
            <p class="flex items-center gap-2">
              <span class="shrink-0"
                >{{ one.at }}<span class="sr-only">, {{ one.minutes }} minutes</span></span
              >
              <Gate :verdict="one.verdict" class="shrink-0" />
              <span class="shrink-0">{{ one.verdict ? verdictWords[one.verdict] : 'Not asked yet' }}</span>
              <span class="caption truncate" :title="wishes(one)">{{ wishes(one) }}</span>
            </p>
          </div>
          <div class="shrink-0 bg-paper">
            <span v-if="one.status === 'done' || one.visit_status === 'signed'" class="caption">done</span>
            <Link v-else-if="one.visit" :href="`/visits/${one.visit}`" class="btn">Go on</Link>
            <button v-else-if="isToday" type="button" :class="one.id === next ? 'btn-ink' : 'btn'" @click="begin(one)">
              <template v-if="one.id === next"><span class="sm:hidden">Begin</span><span class="max-sm:hidden">Here: begin</span></template
              ><template v-else>Begin</template>
            </button>
          </div>
        </li>
      </ol>
      <div v-if="!appointments.length" class="absolute left-[76px] right-0 top-3 bg-paper pb-2">
        <FirstSteps v-if="beginning && isToday" :steps="beginning" />
        <p v-else-if="day.date < day.today" class="max-w-[420px]">Nobody was booked on that day.</p>
        <p v-else class="max-w-[420px]">
          Nobody is booked {{ isToday ? 'today' : 'on that day' }}. Find a client above and begin, or touch a free time in the
          <Link :href="`/calendar?day=${day.date}`" class="link">calendar</Link>.
        </p>
      </div>
    </section>
    <section class="mt-10 lg:col-start-3 lg:row-start-2" aria-label="What needs a thought">
      <FirstSteps v-if="beginning && appointments.length && !thoughts.length" :steps="beginning" />
      <h2 v-else class="display mb-2 text-[23px] leading-7">{{ counted }} a thought</h2>
      <ul>
        <li v-for="one in thoughts" :key="one.id + one.kind" class="break-inside-avoid border-b border-hairline py-3">
          <div class="border-l-4 pl-3" :class="edge[one.kind]">
            <div class="flex items-start justify-between gap-3">
              <h3 class="display own-words pt-1 text-[20px] leading-6">{{ one.name }}</h3>
              <Link
                :href="`/clients/${one.id}`"
                class="btn shrink-0"
                :class="edge[one.kind] === 'border-madder' ? 'border-b-4 border-madder' : ''"
                >{{ act[one.kind] }}</Link
              >
            </div>
            <p class="mt-1">{{ one.text }}</p>
          </div>
        </li>
      </ul>
    </section>
    <aside class="no-print mt-10 flex flex-col lg:col-start-1 lg:row-start-2">
      <div class="contents">
        <h2 class="section-head">Your hands {{ isToday ? 'today' : 'that day' }}</h2>
        <p class="caption mb-1">Firm minutes, done or agreed; paler, what those still to come asked last time.</p>
        <div v-for="one in hands.parts" :key="one.part" class="mt-2">
          <p class="flex items-baseline justify-between gap-2">
            <span>{{ capital(one.name) }}</span><span
              ><b class="display text-[22px]">{{ one.done }}</b
              ><template v-if="one.expected"> + {{ one.expected }}</template> <span class="caption">of {{ one.of }} min</span></span
            >
          </p>
          <div class="flex h-2 overflow-hidden bg-fold" aria-hidden="true">
            <div class="h-2 shrink-0 bg-iron" :style="{ width: `${Math.min(100, (100 * one.done) / one.of)}%` }" />
            <div class="h-2 shrink-0 bg-iron/40" :style="{ width: `${Math.min(100, (100 * one.expected) / one.of)}%` }" />
          </div>
        </div>
        <p v-if="!hands.parts.length" class="caption">Nothing firm yet.</p>
        <p v-for="one in hands.swaps" :key="one" class="mt-2 border-l-2 border-iron pl-2 text-[15px] leading-[20px]">{{ one }}</p>
      </div>
      <template v-if="countersign.length">
        <h2 class="section-head mb-1 mt-8">Waits for your name</h2>
        <ul aria-label="Waits for your name">
          <li v-for="one in countersign" :key="one.visit" class="border-b border-hairline">
            <Link :href="`/visits/${one.visit}/after`" class="flex min-h-[44px] flex-wrap items-center gap-x-2 hover:bg-fold"
              ><span class="own-words">{{ one.client }}</span> <span class="caption own-words">by {{ one.by }}</span></Link
            >
          </li>
        </ul>
      </template>
      <template v-if="awaiting.length">
        <h2 class="section-head mb-1 mt-8">Signed, and waiting</h2>
        <p class="caption">For {{ supervisor ?? 'a supervisor' }} to read and sign; what was given back waits for you.</p>
        <ul aria-label="Signed, and waiting">
          <li
            v-for="one in awaiting"
            :key="one.visit"
            class="border-b border-hairline"
            :class="one.back === null ? '' : 'border-l-4 border-l-weld pl-2'"
          >
            <Link :href="`/visits/${one.visit}/after`" class="flex min-h-[44px] flex-wrap content-center items-center gap-x-2 hover:bg-fold"
              ><span class="own-words">{{ one.client }}</span> <span class="caption">{{ dayWords(one.since) }}</span><span
                v-if="one.back !== null"
                class="own-words basis-full"
                >Given back: {{ one.back }}</span
              ></Link
            >
          </li>
        </ul>
      </template>
      <template v-if="unsigned.length">
        <h2 class="section-head mb-1 mt-8">Not signed yet</h2>
        <ul aria-label="Not signed yet">
          <li v-for="one in unsigned" :key="one.visit" class="border-b border-hairline">
            <Link :href="`/visits/${one.visit}/after`" class="flex min-h-[44px] flex-wrap items-center gap-x-2 hover:bg-fold"
              ><span class="own-words">{{ one.name }}</span> <span class="caption">{{ dayWords(one.since) }}</span></Link
            >
          </li>
        </ul>
      </template>
      <h2 class="section-head mb-1 mt-8">Lately</h2>
      <ul>
        <li v-for="one in recent" :key="one.id" class="border-b border-hairline">
          <Link :href="`/clients/${one.id}`" class="flex min-h-[44px] flex-wrap content-center items-center gap-x-2 py-1 hover:bg-fold"
            ><span class="own-words">{{ one.name }}</span> <span class="caption own-words">{{ one.occupation }}</span></Link
          >
        </li>
        <li v-if="!recent.length" class="py-2">Nobody was seen yet.</li>
      </ul>
      <p class="mt-4 grid grid-cols-2 gap-2 lg:max-xl:grid-cols-1">
        <Link href="/clients/new" class="btn !px-2">New client <span class="key-hint">C</span></Link
        ><Link href="/calendar" class="btn !px-2">Calendar <span class="key-hint">K</span></Link
        ><Link href="/calendar?walk_in=1" class="btn !px-2">Walk-in <span class="key-hint">N</span></Link
        ><Link href="/caseload" class="btn !px-2">Caseload <span class="key-hint">L</span></Link
        ><Link href="/clients" class="btn !px-2">All clients</Link><Link href="/atlas" class="btn !px-2">Atlas</Link>
      </p>
      <nav class="caption mt-5 flex flex-wrap gap-x-4 gap-y-1" aria-label="The practice">
        <Link v-if="user.rights.includes('keep_people')" href="/people" class="link">People and roles</Link>
        <Link href="/atlas/trainer" class="link">Practise</Link>
        <Link href="/clinic/scope" class="link">Scope of practice</Link>
        <Link v-if="user.rights.includes('keep_clinic')" href="/clinic/audit" class="link">Access log</Link>
        <Link href="/settings" class="link">Settings</Link>
        <Link href="/help" class="link">Help <span class="key-hint">?</span></Link>
        <Link v-if="outbox" href="/outbox" class="link">Outbox of the demo</Link>
      </nav>
      <p class="caption mt-4">
        <Link href="/account" class="link">{{ user.name }}</Link> ·
        <SignOut />
      </p>
    </aside>
  </main>
</template>
