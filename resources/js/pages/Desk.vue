<script setup lang="ts">
import { Head, Link, router, usePage, usePoll } from '@inertiajs/vue3'
import { computed, ref } from 'vue'
import ClientSearch from '@/parts/ClientSearch.vue'
import DayHead from '@/parts/DayHead.vue'
import Flash from '@/parts/Flash.vue'
import SignOut from '@/parts/SignOut.vue'
import { dayWords } from '@/composables/settings'
import { plural } from '@/parts/words'

/** The day at the desk: who comes when and to whom, who is here, who is to be rung. */
interface Booked {
  id: number
  at: string
  minutes: number
  status: 'booked' | 'arrived' | 'done' | 'missed'
  /** how often it was changed, as far as is known here */
  seen: number
  with: string
  /** to the desk */
  word: string | null
  /** was never here before */
  first: boolean
  /** the questions before the visit */
  check_in: 'answered' | 'begun' | 'handed out' | null
  client: { id: string; name: string; phone: string | null }
}
const props = defineProps<{
  day: { date: string; today: string; now: string; clinic: string; hours: [string, string] | null }
  appointments: Booked[]
  /** due, or lost sight of, and not booked: a few, and how many */
  ring: { shown: { client: string; name: string; since: string; text: string }[]; many: number }
  waiting: { id: number; client: { id: string; name: string; phone: string | null }; minutes: number; word: string | null }[]
  /** somebody was entered already */
  anybody: boolean
}>()
const user = computed(() => usePage<{ user: { name: string } }>().props.user)
const isToday = computed(() => props.day.date === props.day.today)
const isOver = computed(() => props.day.date < props.day.today)
/** Late is who was to be here a quarter of an hour ago. */
const LATE_MINUTES = 15
const minutesOf = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3))
const isLate = (one: Booked): boolean =>
  isToday.value && one.status === 'booked' && minutesOf(props.day.now) - minutesOf(one.at) >= LATE_MINUTES
/** After whom the line of now is drawn. */
const before = computed(() => props.appointments.filter((one) => one.at <= props.day.now).length)
const sums = computed(() => {
  const of = (status: Booked['status']) => props.appointments.filter((one) => one.status === status).length
  return [
    plural(props.appointments.length, 'booking', 'bookings'),
    of('arrived') && `${of('arrived')} here`,
    of('done') && `${of('done')} done`,
    of('missed') && `${of('missed')} did not come`,
  ]
    .filter(Boolean)
    .join(' · ')
})
/** What another window or the room changed is seen within a minute; who only looks is not kept signed in by that. */
usePoll(60_000, { headers: { 'X-Background': '1' } })
const busy = ref(0)
const put = (one: Booked, status: 'arrived' | 'booked' | 'missed') => {
  busy.value = one.id
  router.put(`/appointments/${one.id}`, { status, seen: one.seen }, { preserveScroll: true, onFinish: () => (busy.value = 0) })
}
const asked: Record<NonNullable<Booked['check_in']>, string> = {
  answered: 'check-in answered',
  begun: 'check-in begun',
  'handed out': 'check-in handed out',
}
const print = () => window.print()
</script>
<template>
  <Head :title="isToday ? 'Today' : dayWords(day.date)" />
  <main class="day-page gap-x-8">
    <DayHead :day="day" list="who is to be rung" />
    <div class="no-print lg:col-span-2"><ClientSearch /></div>
    <aside class="no-print mt-8">
      <p class="grid grid-cols-2 gap-2 lg:grid-cols-1">
        <Link href="/calendar?walk_in=1" :class="anybody ? 'btn-ink' : 'btn'">Walk-in <span class="key-hint">N</span></Link>
        <Link href="/clients/new" :class="anybody ? 'btn' : 'btn-ink'">New client <span class="key-hint">C</span></Link>
        <Link href="/calendar" class="btn">Calendar <span class="key-hint">K</span></Link>
        <Link href="/clients" class="btn">All clients</Link>
        <button type="button" class="btn" @click="print">Print this day</button>
      </p>
      <nav class="caption mt-5 flex flex-wrap gap-x-4 gap-y-1" aria-label="The practice">
        <Link href="/clinic/files" class="link">Files, out and in</Link>
        <Link href="/settings" class="link">Settings</Link>
        <Link href="/help" class="link">Help <span class="key-hint">?</span></Link>
      </nav>
      <p class="caption mt-4">
        <Link href="/account" class="link own-words">{{ user.name }}</Link> · <SignOut />
      </p>
    </aside>
    <section class="mt-8" aria-label="The day">
      <Flash />
      <p v-if="appointments.length" class="caption mb-2">{{ sums }}</p>
      <ol>
        <template v-for="(one, k) in appointments" :key="one.id">
          <li v-if="isToday && k === before" class="my-1 flex items-center gap-2" aria-hidden="true">
            <span class="display bg-walnut px-1.5 text-[15px] leading-[22px] text-raised">{{ day.now }}</span>
            <span class="flex-1 border-t-2 border-dashed border-walnut" />
          </li>
          <li
            class="booked-row border-b border-l-[5px] border-b-hairline py-2 pl-3"
            :class="
              one.status === 'arrived'
                ? 'border-l-moss'
                : isLate(one)
                  ? 'border-l-madder'
                  : one.status === 'booked'
                    ? 'border-l-walnut'
                    : 'border-l-ash'
            "
          >
            <span class="display whitespace-nowrap text-[23px] leading-7">{{ one.at }}</span>
            <div class="min-w-0">
              <p class="flex flex-wrap items-baseline gap-x-2">
                <Link
                  :href="`/clients/${one.client.id}`"
                  class="display own-words text-[21px] leading-7"
                  :class="one.status === 'missed' ? 'text-walnut-2 line-through' : one.status === 'done' ? 'text-walnut-2' : ''"
                  >{{ one.client.name }}</Link><b v-if="one.first" class="note font-[650]">first visit</b>
              </p>
              <p class="caption own-words">
                {{
                  [`${one.minutes} min with ${one.with}`, one.client.phone ?? 'no telephone number', one.check_in && asked[one.check_in]]
                    .filter(Boolean)
                    .join(' · ')
                }}
              </p>
              <p v-if="one.word" class="own-words mt-0.5 border-l-2 border-weld pl-2">{{ one.word }}</p>
            </div>
            <div class="no-print flex flex-wrap items-start gap-px max-sm:col-start-2 max-sm:mt-2">
              <span v-if="one.status === 'done'" class="caption py-2">done</span>
              <template v-else-if="one.status === 'arrived'">
                <span class="flex min-h-[44px] items-center px-3 font-[650]">is here</span>
                <button type="button" class="cell !px-3" :disabled="busy === one.id" @click="put(one, 'booked')">not yet</button>
              </template>
              <template v-else-if="one.status === 'missed'">
                <span class="caption flex min-h-[44px] items-center px-3">did not come</span>
                <button type="button" class="cell !px-3" :disabled="busy === one.id" @click="put(one, 'booked')">
                  is booked after all
                </button>
              </template>
              <template v-else-if="isToday || isOver">
                <button v-if="isToday" type="button" class="cell !px-4" :disabled="busy === one.id" @click="put(one, 'arrived')">
                  is here
                </button>
                <button
                  v-if="isOver || isLate(one)"
                  type="button"
                  class="cell !px-3"
                  :disabled="busy === one.id"
                  @click="put(one, 'missed')"
                >
                  did not come
                </button>
              </template>
            </div>
            <span class="hidden print:block">{{ one.status === 'booked' ? '☐' : one.status === 'arrived' ? 'is here' : '' }}</span>
          </li>
        </template>
      </ol>
      <p v-if="!appointments.length" class="max-w-[480px]">
        <template v-if="!anybody">
          Nobody is entered yet. Begin with the first client: <Link href="/clients/new" class="link">New client</Link>. Whoever has a list
          already brings it in: <Link href="/clinic/files" class="link">Files, out and in</Link>.
        </template>
        <template v-else-if="isOver">Nobody was booked on that day.</template>
        <template v-else>
          Nobody is booked {{ isToday ? 'today' : 'on that day' }}. Find a client above and book on their page, or touch a free time in the
          <Link :href="`/calendar?day=${day.date}`" class="link">calendar</Link>.
        </template>
      </p>
    </section>
    <aside class="no-print mt-8">
      <h2 class="section-head">
        To be rung <span class="caption font-normal">{{ ring.many || '' }}</span>
      </h2>
      <p v-if="!ring.shown.length" class="caption py-1">Nobody who is due waits for a ring.</p>
      <ul aria-label="To be rung">
        <li v-for="one in ring.shown" :key="one.client" class="border-b border-hairline">
          <Link :href="`/clients/${one.client}`" class="block py-1.5 hover:bg-fold"
            ><span class="own-words block">{{ one.name }}</span
            ><span class="caption">{{ one.text }} · due {{ dayWords(one.since) }}</span></Link
          >
        </li>
      </ul>
      <p v-if="ring.many > ring.shown.length" class="mt-1">
        <Link href="/caseload" class="link">All {{ ring.many }}</Link>
      </p>
      <h2 class="section-head mt-8">Waiting for a time</h2>
      <p v-if="!waiting.length" class="caption py-1">Nobody waits.</p>
      <ul aria-label="Waiting for a time">
        <li v-for="one in waiting" :key="one.id" class="border-b border-hairline">
          <Link :href="`/clients/${one.client.id}`" class="block py-1.5 hover:bg-fold"
            ><span class="own-words block">{{ one.client.name }}</span
            ><span class="caption own-words">{{
              [one.client.phone ?? 'no telephone number', `${one.minutes} min`, one.word].filter(Boolean).join(' · ')
            }}</span></Link
          >
        </li>
      </ul>
    </aside>
  </main>
</template>
