<script setup lang="ts">
import { Head, Link, router, usePage } from '@inertiajs/vue3'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import { dateLanguage } from '@/composables/settings'
import Pick from '@/controls/Pick.vue'
import { shifted } from '@/controls/typedValues'
import AppointmentCard from '@/parts/calendar/AppointmentCard.vue'
import BookForm from '@/parts/calendar/BookForm.vue'
import type { Change } from '@/parts/calendar/change'
import DayColumns, { type Column } from '@/parts/calendar/DayColumns.vue'
import FeedLink from '@/parts/calendar/FeedLink.vue'
import {
  clock,
  endOf,
  minutesOf,
  SNAP,
  span,
  startOf,
  suited,
  turned,
  type Booked,
  type Day,
  type Slot,
  type Waits,
} from '@/parts/calendar/grid'
import MonthGrid from '@/parts/calendar/MonthGrid.vue'
import WaitingList from '@/parts/calendar/WaitingList.vue'
import { useKeys } from '@/composables/useKeys'

/**
 * Appointments of the clinic. The same is done by mouse, by finger and by keys: arrows move about, Enter books or opens, Space picks up
 * and puts down, Del cancels.
 */
const props = defineProps<{
  view: 'day' | 'week' | 'month'
  day: string
  today: string
  now: string
  /** number of the therapist that is looked at; null: everybody */
  with: number | null
  people: { id: number; name: string }[]
  days: Day[]
  appointments: Booked[]
  waiting: Waits[]
  minutes: number
  clinical: boolean
  treats: boolean
  feed: boolean
}>()
const long = (iso: string, options: Intl.DateTimeFormatOptions): string =>
  new Date(`${iso}T12:00:00Z`).toLocaleDateString(dateLanguage, { ...options, timeZone: 'UTC' })
const title = computed(() => {
  if (props.view === 'month') return long(props.day, { month: 'long', year: 'numeric' })
  if (props.view === 'day') return long(props.day, { weekday: 'long', day: 'numeric', month: 'long' })
  const [from, to] = [props.days[0]!.date, props.days.at(-1)!.date]
  return `${long(from, { day: 'numeric', ...(from.slice(0, 7) === to.slice(0, 7) ? {} : { month: 'long' }) })} to ${long(to, { day: 'numeric', month: 'long' })}`
})

/** Of one therapist, or of the clinic. */
const hoursOf = (day: Day, who: number | null) => (who === null ? day.hours : day.of[who]) ?? null
const columns = computed<Column[]>(() => {
  if (props.view === 'week')
    return props.days.map((day) => ({
      key: day.date,
      day: day.date,
      with: props.with,
      head: long(day.date, { weekday: 'short', day: 'numeric' }),
      under: hoursOf(day, props.with) ? '' : 'closed',
      hours: hoursOf(day, props.with),
      today: day.date === props.today,
    }))
  const day = props.days[0]!
  const who = props.with === null ? props.people : props.people.filter((one) => one.id === props.with)
  const all = who.length ? who : [{ id: null, name: 'Everybody' }]
  return all.map((one) => ({
    key: String(one.id),
    day: day.date,
    with: one.id,
    head: one.name,
    under: hoursWords(hoursOf(day, one.id)),
    hours: hoursOf(day, one.id),
    today: day.date === props.today,
  }))
})
const hoursWords = (hours: [string, string] | null): string => (hours ? `${hours[0]} to ${hours[1]}` : 'does not work')
const hours = computed(() => span(columns.value, props.appointments))

const goTo = (view: string, day: string, who: number | null = props.with) =>
  router.get('/calendar', { view, day, with: who ?? 'all' }, { preserveState: true, preserveScroll: true, replace: view === props.view })
const turn = (by: -1 | 1) => goTo(props.view, turned(props.view, props.day, by))

/** What the panel at the side is about. */
const draft = ref<Slot | null>(null)
const client = ref<{ id: string; name: string } | null>(null)
const here = ref(false)
const chosenId = ref<number | null>(null)
const chosen = computed(() => props.appointments.find((one) => one.id === chosenId.value) ?? null)
const carried = ref<{ id: number; slot: Slot } | null>(null)
/** A time that has just become free. */
const freed = ref<Slot | null>(null)
const grid = useTemplateRef<HTMLElement>('grid')
const card = useTemplateRef<InstanceType<typeof AppointmentCard>>('card')
const close = () => {
  draft.value = client.value = carried.value = freed.value = null
  chosenId.value = null
  here.value = false
  faults.value = {}
  void nextTick(() => grid.value?.focus({ preventScroll: true }))
}
const someone = (): number | null => props.with ?? (props.people.length === 1 ? props.people[0]!.id : null)
const book = (slot: Slot, who: { id: string; name: string } | null = null) => {
  close()
  client.value = who
  draft.value = { ...slot, with: slot.with ?? someone() }
}
const open = (one: Booked) => {
  close()
  chosenId.value = one.id
}
/** The address says that somebody stands at the door. */
onMounted(() => new URLSearchParams(window.location.search).has('walk_in') && walkIn())
const walkIn = () => {
  const start = Math.floor(minutesOf(props.now) / 5) * 5
  if (props.view !== 'day' || props.day !== props.today) goTo('day', props.today)
  book({ day: props.today, start, minutes: props.minutes, with: someone() })
  here.value = true
}

/** Changes go to the server, which knows what overlaps; a refusal says why, and can be overruled. */
const faults = ref<Record<string, string>>({})
const busy = ref(false)
const undo = ref<{ one: Booked; change: Change } | null>(null)
let last: { one: Booked; change: Change } | null = null
const send = (one: Booked, change: Change, back: Change | null): void => {
  busy.value = true
  last = { one, change }
  router.put(
    `/appointments/${one.id}`,
    { ...change, seen: one.seen },
    {
      preserveScroll: true,
      preserveState: true,
      onSuccess: () => {
        faults.value = {}
        const gone = change.status === 'cancelled'
        undo.value = back
          ? {
              one: { ...one, seen: one.seen + 1 },
              change: { ...back, anyway: true, following: change.following ?? false },
            }
          : null
        if (gone) {
          close()
          freed.value = { day: one.day, start: startOf(one), minutes: one.minutes, with: one.with }
        }
      },
      onError: (said) => {
        faults.value = said
        chosenId.value = one.id
      },
      onFinish: () => (busy.value = false),
    },
  )
}
/** What takes a change back. */
const backFrom = (one: Booked, to: Change): Change | null => {
  if (to.status === 'cancelled') return { status: 'booked' }
  const back: Change = {
    ...(to.day === undefined ? {} : { day: one.day, time: one.time }),
    ...(to.minutes === undefined ? {} : { minutes: one.minutes }),
    ...(to.person === undefined ? {} : { person: one.with }),
  }
  return Object.keys(back).length ? back : null
}
const change = (one: Booked, to: Change) => send(one, to, backFrom(one, to))
const again = () => last && change(last.one, { ...last.change, anyway: true })
const put = (one: Booked, slot: Slot) => {
  const to: Change = {
    ...(slot.day === one.day && slot.start === startOf(one) ? {} : { day: slot.day, time: clock(slot.start) }),
    ...(slot.minutes === one.minutes ? {} : { minutes: slot.minutes }),
    ...(slot.with === null || slot.with === one.with ? {} : { person: slot.with }),
  }
  if (!Object.keys(to).length) return open(one)
  chosenId.value = one.id
  change(one, to)
}
const takeBack = () => {
  if (undo.value) send(undo.value.one, undo.value.change, null)
  undo.value = null
}

/** Where the keys stand. */
const at = ref({ column: 0, minute: 0 })
const seen = ref(false)
const cursor = computed(() => (seen.value && props.view !== 'month' ? at.value : null))
const column = computed(() => columns.value[at.value.column] ?? columns.value[0]!)
const under = computed(() =>
  props.view === 'month'
    ? null
    : (props.appointments.find(
        (one) =>
          one.day === column.value.day &&
          (column.value.with === null || one.with === column.value.with) &&
          startOf(one) <= at.value.minute &&
          endOf(one) > at.value.minute,
      ) ?? null),
)
const told = computed(() => {
  if (!seen.value) return ''
  if (props.view === 'month') return long(props.day, { weekday: 'long', day: 'numeric', month: 'long' })
  const place = `${column.value.head}, ${clock(at.value.minute)}`
  if (carried.value) return `${place}: put down with Space`
  return under.value ? `${place}: ${under.value.client.name}, ${under.value.time} to ${clock(endOf(under.value))}` : `${place}: free`
})
const settle = () => {
  const columnOf = columns.value.findIndex((one) => one.day === props.day)
  const first = hours.value[0] * 60
  const start = props.day === props.today ? Math.floor(minutesOf(props.now) / SNAP) * SNAP : first
  at.value = {
    column: Math.max(0, props.view === 'week' ? columnOf : Math.min(at.value.column, columns.value.length - 1)),
    minute: Math.min(hours.value[1] * 60 - SNAP, Math.max(first, at.value.minute || start)),
  }
}
watch(() => [props.view, props.day, props.with], settle)
onMounted(settle)
const step = (across: number, down: number) => {
  seen.value = true
  if (props.view === 'month') return goTo('month', shifted(props.day, across + 7 * down))
  const next = at.value.column + across
  if (props.view === 'week' && (next < 0 || next > 6)) return goTo('week', shifted(column.value.day, across))
  at.value = {
    column: Math.min(columns.value.length - 1, Math.max(0, next)),
    minute: Math.min(hours.value[1] * 60 - SNAP, Math.max(hours.value[0] * 60, at.value.minute + down * SNAP)),
  }
  if (carried.value)
    carried.value = {
      ...carried.value,
      slot: { ...carried.value.slot, day: column.value.day, start: at.value.minute, with: column.value.with ?? carried.value.slot.with },
    }
  void nextTick(() => document.querySelector('[data-cursor]')?.scrollIntoView({ block: 'nearest' }))
}
/** Arrows are the calendar's while nothing else has the focus. */
const onGrid = (act: () => void) => () => [grid.value, document.body].includes(document.activeElement as HTMLElement) && act()
const enter = () => {
  if (props.view === 'month') return goTo('day', props.day)
  if (carried.value) return drop()
  if (!seen.value) return void (seen.value = true)
  if (under.value) open(under.value)
  else book({ day: column.value.day, start: at.value.minute, minutes: props.minutes, with: column.value.with })
}
const drop = () => {
  const one = props.appointments.find((other) => other.id === carried.value?.id)
  const slot = carried.value?.slot
  carried.value = null
  if (one && slot) put(one, slot)
}
const lift = () => {
  if (carried.value) return drop()
  const one = under.value
  if (one?.status !== 'booked') return
  at.value = { ...at.value, minute: startOf(one) }
  carried.value = { id: one.id, slot: { day: one.day, start: startOf(one), minutes: one.minutes, with: one.with } }
}
const remove = async () => {
  if (!chosen.value && under.value) open(under.value)
  await nextTick()
  card.value?.cancel()
}
useKeys(
  {
    d: () => goTo('day', props.day),
    w: () => goTo('week', props.day),
    m: () => goTo('month', props.day),
    t: () => goTo(props.view, props.today),
    '[': () => turn(-1),
    ']': () => turn(1),
    n: walkIn,
    u: takeBack,
    Escape: close,
    Delete: () => void remove(),
    ArrowLeft: onGrid(() => step(-1, 0)),
    ArrowRight: onGrid(() => step(1, 0)),
    ArrowUp: onGrid(() => step(0, -1)),
    ArrowDown: onGrid(() => step(0, 1)),
    Enter: onGrid(enter),
    ' ': onGrid(lift),
  },
  [
    ['D W M', 'day, week, month'],
    ['T', 'today'],
    ['[ ]', 'back, on'],
    ['N', 'a walk-in'],
    ['↑ ↓ ← →', 'over the grid'],
    ['Enter', 'book here, or open what is there'],
    ['Space', 'lift a booking, and set it down'],
    ['Del', 'cancel what is open'],
    ['U', 'take back'],
  ],
)
const message = computed(() => usePage<{ flash: { message: string | null } }>().props.flash.message)
/** What somebody who waits could take. */
const free = computed(() => freed.value ?? draft.value)
const would = computed(() => (free.value ? suited(props.waiting, free.value) : []))
const take = (one: Waits) => {
  if (free.value) book({ ...free.value, minutes: Math.min(free.value.minutes, one.minutes) }, one.client)
}
const VIEWS = { day: 'Day', week: 'Week', month: 'Month' } as const
const withs = computed(() => [{ id: 0, name: 'Everybody' }, ...props.people])
</script>
<template>
  <Head title="Calendar" />
  <main class="mx-auto max-w-[1440px] px-6 pb-10 pt-4">
    <p class="caption"><Link href="/" class="link">Today</Link></p>
    <div class="mb-3 flex flex-wrap items-end gap-x-4 gap-y-2">
      <h1 class="display mr-auto min-w-[270px] text-[33px] leading-[38px]">{{ title }}</h1>
      <div class="flex gap-px">
        <button type="button" class="cell" aria-label="Earlier" @click="turn(-1)">‹ <span class="key-hint ml-1">[</span></button>
        <button type="button" class="cell !px-3" @click="goTo(view, today)">Today <span class="key-hint ml-1">T</span></button>
        <button type="button" class="cell" aria-label="Later" @click="turn(1)">› <span class="key-hint ml-1">]</span></button>
      </div>
      <div class="flex gap-px" role="group" aria-label="View">
        <button
          v-for="(name, one) in VIEWS"
          :key="one"
          type="button"
          class="cell !px-3"
          :aria-pressed="view === one"
          @click="goTo(one, day)"
        >
          {{ name }} <span class="key-hint ml-1">{{ name[0] }}</span>
        </button>
      </div>
      <div v-if="people.length > 1" class="w-[190px]">
        <label class="sr-only" for="calendar-with">Whose</label>
        <Pick id="calendar-with" label="Whose" :choices="withs" :value="props.with ?? 0" @choose="(id) => goTo(view, day, id || null)" />
      </div>
      <button type="button" class="btn" @click="walkIn">Walk-in <span class="key-hint">N</span></button>
    </div>
    <p v-if="message" class="mb-3 flex flex-wrap items-center gap-x-4 bg-moss-wash px-4 py-1.5" role="status">
      <span>{{ message }}</span>
      <button v-if="undo" type="button" class="btn !min-h-[36px]" @click="takeBack">Take it back <span class="key-hint">U</span></button>
    </p>
    <div class="grid gap-x-8 gap-y-8 lg:grid-cols-[minmax(0,1fr)_312px]">
      <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -->
      <section
        ref="grid"
        tabindex="0"
        class="min-w-0 overflow-x-auto outline-offset-4"
        role="application"
        :aria-label="`${VIEWS[view]}: arrows move, Enter books or opens, Space picks up and puts down`"
      >
        <div :class="view === 'day' ? '' : 'min-w-[640px]'">
          <MonthGrid
            v-if="view === 'month'"
            :days="days"
            :booked="appointments"
            :month="day.slice(0, 7)"
            :today="today"
            :at="day"
            @open="(one) => goTo('day', one)"
          />
          <DayColumns
            v-else
            :columns="columns"
            :booked="appointments"
            :hours="hours"
            :now="now"
            :usual="minutes"
            :cursor="cursor"
            :draft="draft"
            :chosen="chosenId"
            :carried="carried"
            @free="book"
            @choose="open"
            @move="put"
          />
        </div>
      </section>
      <aside class="no-print flex flex-col gap-8">
        <p class="sr-only" aria-live="polite">{{ told }}</p>
        <AppointmentCard
          v-if="chosen"
          ref="card"
          :one="chosen"
          :people="people"
          :treats="treats"
          :faults="faults"
          :busy="busy"
          @change="(to) => chosen && change(chosen, to)"
          @again="again"
          @close="close"
        />
        <BookForm
          v-else-if="draft"
          :key="`${here} ${client?.id}`"
          :stretch="draft"
          :client="client"
          :people="people"
          :clinical="clinical"
          :here="here"
          @stretch="(slot) => (draft = slot)"
          @done="close"
          @close="close"
        />
        <template v-else>
          <WaitingList v-if="freed && would.length" suits :waiting="would" :people="people" :usual="minutes" @take="take" />
          <p v-else class="caption max-w-[300px]">
            Touch a free time to book it, or draw it as long as you wish. What is booked is dragged, pulled longer at its lower edge, or
            carried by keys: arrows, <span class="key-hint">Space</span>, <span class="key-hint">Enter</span>.
          </p>
          <WaitingList :waiting="waiting" :people="people" :usual="minutes" />
          <FeedLink v-if="treats" :made="feed" />
        </template>
        <WaitingList v-if="draft && !client && would.length" suits :waiting="would" :people="people" :usual="minutes" @take="take" />
      </aside>
    </div>
  </main>
</template>
