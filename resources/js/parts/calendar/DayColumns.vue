<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { t } from '@/composables/language'
import { clashing, clock, endOf, isOutside, lanes, minutesOf, snapped, SNAP, startOf, type Booked, type Hours, type Slot } from './grid'

/**
 * Days or therapists side by side about one spine of hours. What is booked is dragged to another time or another column and pulled longer
 * at its lower edge; what is free is touched, or drawn as long as it is wished.
 */
export interface Column {
  key: string
  day: string
  /** null: of everybody */
  with: number | null
  head: string
  under: string
  hours: Hours
  today: boolean
}
const props = defineProps<{
  columns: Column[]
  booked: Booked[]
  hours: [number, number]
  now: string
  /** how long a visit lasts, where nobody says */
  usual: number
  /** where the keys stand */
  cursor: { column: number; minute: number } | null
  /** what is being booked */
  draft: Slot | null
  chosen: number | null
  /** what the keys carry about: where it would be put down */
  carried: { id: number; slot: Slot } | null
}>()
const emit = defineEmits<{
  free: [slot: Slot]
  choose: [one: Booked]
  move: [one: Booked, slot: Slot]
}>()
const HOUR = 64
const px = (minute: number): number => ((minute - props.hours[0] * 60) / 60) * HOUR
const height = computed(() => (props.hours[1] - props.hours[0]) * HOUR)
const marks = computed(() => Array.from({ length: props.hours[1] - props.hours[0] + 1 }, (_, k) => props.hours[0] + k))
/** As many lines of a name as leave its time to be seen, where there is room for both. */
const LINE = 17
const nameLines = (one: Booked): number => Math.max(1, Math.floor((one.minutes / 60) * (HOUR / LINE)) - (one.minutes < 30 ? 0 : 1))
const ofColumn = (column: Column): Booked[] =>
  props.booked.filter((one) => one.day === column.day && (column.with === null || one.with === column.with))
const placed = computed(() =>
  props.columns.map((column) => {
    const own = ofColumn(column)
    const at = lanes(own)
    return own.map((one) => ({ one, ...at.get(one.id)! }))
  }),
)
const area = useTemplateRef<HTMLElement>('area')

/** What a finger or the mouse has hold of. */
interface Held {
  kind: 'move' | 'length' | 'draw'
  one: Booked | null
  from: { x: number; y: number; minute: number }
  slot: Slot
  moved: boolean
}
const held = ref<Held | null>(null)
const SLACK_PX = 5
const columnAt = (x: number): number => {
  const box = area.value!.getBoundingClientRect()
  return Math.min(props.columns.length - 1, Math.max(0, Math.floor(((x - box.left) / box.width) * props.columns.length)))
}
const minuteAt = (y: number): number => props.hours[0] * 60 + ((y - area.value!.getBoundingClientRect().top) / HOUR) * 60
const down = (event: PointerEvent, column: number, one: Booked | null, kind: Held['kind']) => {
  if (event.button !== 0) return
  // a finger on what is free scrolls; it books with a touch
  if (kind === 'draw' && event.pointerType !== 'mouse') return
  const at = props.columns[column]!
  const minute = minuteAt(event.clientY)
  const start = one ? startOf(one) : Math.floor(minute / SNAP) * SNAP
  held.value = {
    kind,
    one,
    from: { x: event.clientX, y: event.clientY, minute },
    slot: { day: at.day, start, minutes: one?.minutes ?? props.usual, with: one?.with ?? at.with },
    moved: false,
  }
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
}
const drag = (event: PointerEvent) => {
  const hand = held.value
  if (!hand) return
  const far = Math.hypot(event.clientX - hand.from.x, event.clientY - hand.from.y) > SLACK_PX
  if (!hand.moved && !far) return
  hand.moved = true
  const by = minuteAt(event.clientY) - hand.from.minute
  if (hand.kind === 'move' && hand.one) {
    const column = props.columns[columnAt(event.clientX)]!
    hand.slot = {
      day: column.day,
      start: snapped(startOf(hand.one) + by, hand.one.minutes),
      minutes: hand.one.minutes,
      with: column.with ?? hand.one.with,
    }
  } else if (hand.kind === 'length' && hand.one) {
    hand.slot = { ...hand.slot, minutes: Math.min(180, Math.max(SNAP, snapped(hand.one.minutes + by))) }
  } else {
    const to = snapped(minuteAt(event.clientY))
    hand.slot = { ...hand.slot, minutes: Math.min(180, Math.max(SNAP, to - hand.slot.start)) }
  }
}
const up = () => {
  const hand = held.value
  held.value = null
  if (!hand) return
  if (!hand.one) emit('free', hand.slot)
  else if (!hand.moved) emit('choose', hand.one)
  else emit('move', hand.one, hand.slot)
}
/** A touch on what is free; the mouse has drawn it already. */
const touched = (event: PointerEvent, column: number) => {
  if (event.pointerType === 'mouse') return
  const at = props.columns[column]!
  emit('free', { day: at.day, start: Math.floor(minuteAt(event.clientY) / SNAP) * SNAP, minutes: props.usual, with: at.with })
}
/** What lies over the columns: what is held, carried by keys, or being booked. */
const ghost = computed(() => {
  const hand = held.value
  const slot = hand?.moved ? hand.slot : (props.carried?.slot ?? props.draft)
  if (!slot) return null
  const column = props.columns.findIndex(
    (one) => one.day === slot.day && (one.with === null || slot.with === null || one.with === slot.with),
  )
  if (column < 0) return null
  const own = hand?.moved ? hand.one : (props.booked.find((one) => one.id === props.carried?.id) ?? null)
  const others = clashing(props.booked, slot, own?.client.id ?? null, own?.id ?? null)
  const outside = isOutside(props.columns[column]!.hours, slot.start, slot.minutes)
  return {
    column,
    slot,
    name: own?.client.name ?? '',
    note: others.length ? `over ${others.map((one) => one.client.name).join(' and ')}` : outside ? 'outside the hours' : '',
    clash: others.length > 0,
  }
})
const share = (k: number): string => `${(100 * k) / props.columns.length}%`
const off = (column: Column): [number, number][] => {
  const [from, to] = [props.hours[0] * 60, props.hours[1] * 60]
  if (!column.hours) return [[from, to]]
  const [opens, closes] = column.hours.map(minutesOf) as [number, number]
  return (
    [
      [from, opens],
      [closes, to],
    ] as [number, number][]
  ).filter(([a, b]) => b > a)
}
const stateWords: Record<Booked['status'], string> = { booked: '', arrived: t('here'), done: t('done'), missed: 'did not come' }
const label = (one: Booked): string =>
  [one.client.name, `${one.time} to ${clock(endOf(one))}`, stateWords[one.status], one.series ? t('repeats') : '']
    .filter(Boolean)
    .join(', ')
</script>
<template>
  <div class="min-w-0">
    <div class="ml-[44px] grid" :style="{ gridTemplateColumns: `repeat(${columns.length}, minmax(0, 1fr))` }" aria-hidden="true">
      <div v-for="column in columns" :key="column.key" class="min-w-0 border-l border-transparent px-2 pb-1">
        <p class="truncate" :class="column.today ? 'font-[700]' : ''" :title="column.head">
          <span class="display text-[19px] leading-6" :class="column.today ? 'border-b-[3px] border-walnut' : ''">{{ column.head }}</span>
        </p>
        <p class="note truncate" :title="column.under">{{ column.under }}</p>
      </div>
    </div>
    <div class="relative" :style="{ height: `${height + 12}px` }">
      <div class="absolute left-[4px] top-0 w-[32px] border-x-2 border-ash" :style="{ height: `${height + 12}px` }" aria-hidden="true" />
      <span
        v-for="hour in marks"
        :key="hour"
        class="display absolute left-[6px] w-[28px] text-center text-[15px] leading-5"
        :style="{ top: `${px(hour * 60) - 4}px` }"
        aria-hidden="true"
        >{{ hour }}</span
      >
      <div
        ref="area"
        class="absolute bottom-0 left-[44px] right-0 top-[6px]"
        @pointermove="drag"
        @pointerup="up"
        @pointercancel="held = null"
      >
        <div
          v-for="hour in marks"
          :key="hour"
          class="pointer-events-none absolute inset-x-0 border-t border-hairline"
          :style="{ top: `${px(hour * 60)}px` }"
          aria-hidden="true"
        />
        <div
          v-for="(column, k) in columns"
          :key="column.key"
          class="absolute top-0 border-l border-hairline"
          :data-column="column.key"
          :style="{ left: share(k), width: share(1), height: `${height}px` }"
          @pointerdown="down($event, k, null, 'draw')"
          @pointerup="touched($event, k)"
        >
          <div
            v-for="[from, to] in off(column)"
            :key="from"
            class="off-hours pointer-events-none absolute inset-x-0"
            :style="{ top: `${px(from)}px`, height: `${px(to) - px(from)}px` }"
            aria-hidden="true"
          />
          <button
            v-for="{ one, lane, lanes: many } in placed[k]"
            :key="one.id"
            type="button"
            tabindex="-1"
            class="absolute z-[2] overflow-hidden border-l-[5px] bg-raised px-1.5 text-left leading-[17px] hover:bg-fold"
            :class="[
              one.status === 'done' || one.status === 'missed' ? 'border-ash text-walnut-2' : 'border-walnut',
              one.id === chosen ? 'z-[3] outline outline-[2.5px] outline-walnut' : '',
              one.status === 'missed' ? 'line-through' : '',
              (held?.moved && held.one?.id === one.id) || carried?.id === one.id ? 'opacity-40' : '',
              one.id === chosen && one.status === 'booked' ? 'touch-none' : '',
            ]"
            :data-booked="one.id"
            :aria-label="label(one)"
            :title="[label(one), one.reason, one.word].filter(Boolean).join(' · ')"
            :style="{
              top: `${px(startOf(one)) + 1}px`,
              height: `${Math.max(18, px(endOf(one)) - px(startOf(one)) - 2)}px`,
              left: `calc(${(100 * lane) / many}% + 2px)`,
              width: `calc(${100 / many}% - 5px)`,
            }"
            @pointerdown.stop="down($event, k, one, 'move')"
            @pointermove.stop="drag"
            @pointerup.stop="up"
            @click.stop
            @keydown.enter.stop="emit('choose', one)"
          >
            <span class="own-words line-clamp-[var(--lines)] text-[15px] font-[600]" :style="{ '--lines': nameLines(one) }">{{
              one.client.name
            }}</span>
            <span v-if="one.minutes >= 30" class="note block truncate">{{
              columns.length < 4
                ? [one.time, stateWords[one.status], one.series && 'repeats'].filter(Boolean).join(' · ')
                : stateWords[one.status] || one.time
            }}</span>
            <span v-if="columns.length < 4 && one.minutes >= 50 && (one.reason || one.word)" class="note block truncate">{{
              [one.reason, one.word].filter(Boolean).join(' · ')
            }}</span>
            <span
              v-if="one.status === 'booked'"
              class="absolute inset-x-0 bottom-0 h-[9px] cursor-ns-resize touch-none"
              aria-hidden="true"
              @pointerdown.stop="down($event, k, one, 'length')"
            />
          </button>
        </div>
        <div
          v-if="cursor"
          class="pointer-events-none absolute z-[4] border-[2.5px] border-walnut"
          data-cursor
          :style="{ left: share(cursor.column), width: share(1), top: `${px(cursor.minute)}px`, height: `${(SNAP / 60) * HOUR}px` }"
          aria-hidden="true"
        />
        <div
          v-if="ghost"
          class="pointer-events-none absolute z-[5] border-2 border-dashed px-1.5 text-[14px] leading-[18px]"
          :class="ghost.clash ? 'border-madder bg-madder-wash/80' : 'border-walnut bg-weld-wash/80'"
          data-ghost
          :style="{
            left: `calc(${share(ghost.column)} + 2px)`,
            width: `calc(${share(1)} - 5px)`,
            top: `${px(ghost.slot.start)}px`,
            height: `${Math.max(20, (ghost.slot.minutes / 60) * HOUR)}px`,
          }"
        >
          <b class="font-[650]">{{ clock(ghost.slot.start) }}–{{ clock(ghost.slot.start + ghost.slot.minutes) }}</b>
          {{ ghost.name }} {{ ghost.note }}
        </div>
        <template v-for="(column, k) in columns" :key="column.key">
          <div
            v-if="column.today && minutesOf(now) >= hours[0] * 60 && minutesOf(now) <= hours[1] * 60"
            class="pointer-events-none absolute z-[3] border-t-2 border-dashed border-walnut"
            :style="{ top: `${px(minutesOf(now))}px`, left: share(k), width: share(1) }"
            aria-hidden="true"
          />
        </template>
      </div>
    </div>
  </div>
</template>
<style scoped>
/* not worked in: woven, and no less readable */
.off-hours {
  background: repeating-linear-gradient(135deg, transparent 0 7px, color-mix(in srgb, var(--color-hairline) 55%, transparent) 7px 8px);
}
</style>
