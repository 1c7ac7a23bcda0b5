<script setup lang="ts">
import DayField from '@/controls/DayField.vue'
import TimeField from '@/controls/TimeField.vue'
import NumberInput from '@/controls/NumberInput.vue'
import Pick from '@/controls/Pick.vue'
import { Head, Link, useForm } from '@inertiajs/vue3'
import { computed } from 'vue'
import { t } from '@/composables/language'
import Flash from '@/parts/Flash.vue'
import Gate from '@/parts/Gate.vue'
import OneTimeLink from '@/parts/OneTimeLink.vue'
import CourseWay from '@/parts/course/CourseWay.vue'
import ExpectedLine from '@/parts/course/ExpectedLine.vue'
import GoalList from '@/parts/course/GoalList.vue'
import Traces from '@/parts/course/Traces.vue'
import WhatHelped from '@/parts/course/WhatHelped.vue'
import { dayWords } from '@/composables/settings'
import { useDeed } from '@/composables/useDeed'
import { verdictWords } from '@/parts/words'
import type { Response, Safety, Words } from '@/types/visit'

const props = defineProps<{
  client: {
    id: string
    name: string
    code: string
    occupation: string | null
    hand: string | null
    age: number
    stoic: boolean
    words: Words
  }
  clinical: boolean
  /** what told who they are is gone */
  erased: boolean
  away: boolean
  /** who treats here, and with whom one would book */
  people: { id: number; name: string }[]
  with: number | null
  /** how long a visit lasts here, where nothing else is said */
  minutes: number
  /** how far the questions before the next visit are */
  checkIn: 'answered' | 'begun' | 'handed out' | null
  visits: {
    id: string
    number: number
    status: 'open' | 'stopped' | 'signed'
    origin: 'here' | 'elsewhere'
    date: string
    pain: number | null
  }[]
  response: Response | null
  safety: Safety | null
}>()
const open = computed(() => props.visits.find((one) => one.status === 'open'))
const form = useForm({ day: '', time: '', minutes: props.minutes, reason: '', person: props.with })
const clash = computed(() => (form.errors as Record<string, string>)['clash'])
const booking = useDeed()
const book = (anyway = false): void => {
  if (form.processing) return
  form
    .transform(({ reason, ...data }) => ({ ...data, ...(props.clinical ? { reason } : {}), anyway, key: booking.key.value }))
    .post(
      `/clients/${props.client.id}/appointments`,
      booking.once(() => book(anyway), { preserveScroll: true, onSuccess: () => form.reset() }),
    )
}
const beginning = useDeed()
const start = () => beginning.post(`/clients/${props.client.id}/visits`)
const courseWords: Record<string, string> = {
  continue: 'Continue.',
  reassess: 'Look again from the start.',
  refer: 'Send on.',
  space_out: 'Longer between visits.',
  discharge: 'Nothing left to do.',
  not_enough: 'The course begins.',
}
const standing: Record<NonNullable<typeof props.checkIn>, string> = {
  answered: 'Answered. It is read first when the visit begins.',
  begun: 'Begun by the client, not sent yet.',
  'handed out': 'Handed out, not opened yet.',
}
const stateOf = (one: (typeof props.visits)[number]): string =>
  one.origin === 'elsewhere' ? 'made elsewhere' : { open: t('open'), stopped: 'stopped unfinished', signed: t('signed') }[one.status]
const hasCourse = computed(() => props.response?.measures.some((one) => one.series.length > 1) ?? false)
</script>
<template>
  <Head :title="client.code" />
  <main class="mx-auto max-w-[1320px] px-6 pb-12 pt-4 print:p-0">
    <p class="caption"><Link href="/" class="link">Today</Link></p>
    <Flash class="mt-2" />
    <p v-if="away" class="mt-2 border-l-4 border-ash pl-3">
      {{ erased ? 'Erased on request: what stands here is what the law keeps.' : 'Put away.' }}
    </p>
    <header class="flex flex-wrap items-end justify-between gap-4">
      <div>
        <h1 class="display text-[31px] leading-9">{{ client.name }}</h1>
        <p class="caption">
          {{ client.code }}<template v-if="client.occupation"> · {{ client.occupation }}</template> · {{ client.age }} years<template
            v-if="client.hand"
          >
            · {{ client.hand === 'both' ? 'uses both hands' : `${client.hand}-handed` }}</template
          ><template v-if="client.stoic"> · bears a lot without saying so</template>
        </p>
      </div>
      <div class="no-print flex flex-wrap items-center gap-2">
        <Link v-if="!erased" :href="`/clients/${client.id}/edit`" class="btn">Details</Link>
        <Link v-if="clinical" :href="`/clients/${client.id}/files`" class="btn">Files</Link>
        <template v-if="clinical && !erased">
          <Link v-if="open" :href="`/visits/${open.id}`" class="btn-ink">Go on with visit {{ open.number }}</Link>
          <button v-else type="button" class="btn-ink" @click="start">Start visit {{ (visits[0]?.number ?? 0) + 1 }}</button>
        </template>
      </div>
    </header>
    <template v-if="clinical">
      <section v-if="response" class="mt-6">
        <h2 class="display max-w-[780px] text-[25px] leading-[31px]">
          {{ courseWords[response.course.decision] }} {{ response.course.because }}
        </h2>
        <p class="caption mt-1 flex items-center gap-2">
          {{ response.course.sureness }}
          <template v-if="safety"><Gate :verdict="safety.verdict" /> {{ verdictWords[safety.verdict] }} on the last visit</template>
        </p>
      </section>
      <template v-if="response && hasCourse">
        <section class="mt-6" aria-labelledby="the-way">
          <h2 id="the-way" class="section-head mb-2">Phases of the course</h2>
          <CourseWay :plan="response.plan" />
        </section>
        <section class="mt-7" aria-labelledby="the-traces">
          <h2 id="the-traces" class="section-head mb-2">What was measured</h2>
          <Traces :response="response" :possessive="client.words.possessive" :visits="visits" />
        </section>
        <div class="mt-7 grid gap-x-12 gap-y-7 lg:grid-cols-2">
          <section aria-labelledby="the-line">
            <h2 id="the-line" class="section-head mb-2">Expected, and as it went</h2>
            <ExpectedLine v-if="response.line" :line="response.line" />
            <p v-else>No pain was asked yet.</p>
            <GoalList v-if="response.goals.length" class="mt-4" :goals="response.goals" />
          </section>
          <section aria-labelledby="what-helped">
            <h2 id="what-helped" class="section-head mb-2">What helped</h2>
            <WhatHelped :helped="response.helped" />
          </section>
        </div>
      </template>
      <section v-else class="mt-8 max-w-[640px]">
        <h2 class="section-head">Course</h2>
        <p class="mt-1">
          {{
            visits.length
              ? 'Measured once so far. The course is drawn here from the second visit on.'
              : 'No visit yet. Start one: ask, screen, feel, and the first course begins.'
          }}
        </p>
      </section>
    </template>
    <div class="mt-8 grid gap-x-12 gap-y-8 lg:grid-cols-2">
      <section v-if="clinical" aria-label="Visits">
        <div class="mb-1 flex items-baseline justify-between">
          <h2 class="section-head">Visits</h2>
          <Link v-if="visits.length" :href="`/clients/${client.id}/compare`" class="link">Before and after, on the figure</Link>
          <Link v-if="visits.some((one) => one.status !== 'open')" :href="`/clients/${client.id}/report`" class="link"
            >Progress report</Link
          >
        </div>
        <ul>
          <li v-for="one in visits" :key="one.id" class="border-b border-hairline">
            <Link
              :href="`/visits/${one.id}/${one.status === 'signed' ? 'after' : ''}`"
              class="flex min-h-[44px] items-center gap-4 hover:bg-fold"
              ><b class="w-6 font-[650]">{{ one.number }}</b
              >{{ dayWords(one.date) }}<span class="caption">{{ stateOf(one) }}</span
              ><span class="caption ml-auto">{{ one.pain === null ? '' : `pain ${one.pain}` }}</span></Link
            >
          </li>
          <li v-if="!visits.length" class="py-2">None yet.</li>
        </ul>
      </section>
      <section class="no-print" aria-label="Check-in">
        <h2 class="section-head mb-1">Check-in before the visit</h2>
        <p class="mb-2">
          On a phone or tablet, by themselves, the client says where it hurts and answers the health questions. A link or a code works once,
          on one device, for a day.
        </p>
        <p v-if="checkIn" class="mb-2 border-l-4 pl-3" :class="checkIn === 'answered' ? 'border-moss' : 'border-hairline'">
          {{ standing[checkIn] }}
        </p>
        <OneTimeLink id="check-in-link" :make="`/clients/${client.id}/check-ins`" :until="(time) => `${time} tomorrow`" />
      </section>
      <section class="no-print" aria-label="Book">
        <h2 class="section-head mb-2">Book a time</h2>
        <form class="grid grid-cols-2 gap-x-4 gap-y-2" @submit.prevent="book()">
          <div class="col-span-2">
            <label class="caption block" for="day">Day</label
            ><DayField id="day" label="Day" ahead :value="form.day" :error="form.errors.day" @choose="(day) => (form.day = day ?? '')" />
          </div>
          <div>
            <label class="caption block" for="time">Time</label
            ><TimeField id="time" :value="form.time" :error="form.errors.time" @choose="(time) => (form.time = time ?? '')" />
          </div>
          <div>
            <label class="caption block" for="minutes">Minutes</label
            ><NumberInput
              id="minutes"
              :value="form.minutes"
              :step="5"
              :error="form.errors.minutes"
              @choose="(minutes) => (form.minutes = minutes ?? 0)"
            />
          </div>
          <div v-if="clinical" class="col-span-2">
            <label class="caption block" for="reason">What for</label><input id="reason" v-model="form.reason" class="field" />
          </div>
          <div v-if="people.length > 1" class="col-span-2">
            <label class="caption block" for="person">With</label
            ><Pick id="person" label="With" :choices="people" :value="form.person" @choose="(id) => (form.person = id ?? null)" />
            <p class="text-madder" role="alert">{{ form.errors.person }}</p>
          </div>
          <div v-if="clash" class="col-span-2 border-l-4 border-madder pl-3" role="alert">
            <p>{{ clash }}</p>
            <button type="button" class="btn mt-2" @click="book(true)">Book all the same</button>
          </div>
          <div class="col-span-2 flex flex-wrap items-center gap-x-4">
            <button type="submit" class="btn" :disabled="form.processing">Book</button>
            <Link href="/calendar?view=week" class="link caption">Look in the calendar</Link>
          </div>
        </form>
      </section>
    </div>
  </main>
</template>
