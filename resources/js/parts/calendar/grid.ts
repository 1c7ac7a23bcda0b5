import { shifted } from '@/controls/typedValues'

/** What a calendar reckons: minutes of the day, columns, lanes, clashes. Days are Y-m-d and times HH:MM, in the clinic's zone. */
export interface Booked {
  id: number
  day: string
  time: string
  minutes: number
  status: 'booked' | 'arrived' | 'done' | 'missed'
  /** number of the therapist */
  with: number
  /** those that were booked together as a repeat */
  series: string | null
  /** how often it was changed: sent back with a change, so that nobody overwrites one they have not seen */
  seen: number
  reason: string | null
  word: string | null
  client: { id: string; name: string }
  visit: string | null
}
export type Hours = [string, string] | null
export interface Day {
  date: string
  hours: Hours
  /** by number of the therapist */
  of: Record<string, Hours>
}
export interface Waits {
  id: number
  client: { id: string; name: string }
  with: number | null
  minutes: number
  /** weekdays that suit; where none is named, each does */
  days: string[]
  part: 'any' | 'morning' | 'afternoon'
  word: string | null
  since: string
}
/** A stretch of a day with somebody: what is being booked or moved. */
export interface Slot {
  day: string
  start: number
  minutes: number
  with: number | null
}

export const SNAP = 15
const DAY = 24 * 60
const NOON = 12 * 60
export const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const

export const minutesOf = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5))
export const clock = (minutes: number): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`
export const startOf = (one: Booked): number => minutesOf(one.time)
export const endOf = (one: Booked): number => startOf(one) + one.minutes
/** 0 is Monday. */
export const weekdayOf = (iso: string): number => (new Date(`${iso}T12:00:00Z`).getUTCDay() + 6) % 7

/** To the nearest quarter of an hour, within the day. */
export const snapped = (minutes: number, length = SNAP): number => Math.min(DAY - length, Math.max(0, Math.round(minutes / SNAP) * SNAP))

/** From the first hour to the last that anything in these columns needs: hours of work, and what is booked outside them. */
export function span(columns: { hours: Hours }[], booked: Booked[]): [number, number] {
  const hours = columns.map((one) => one.hours).filter((one) => one !== null)
  const from = Math.min(...hours.map((one) => minutesOf(one[0])), ...booked.map(startOf))
  const to = Math.max(...hours.map((one) => minutesOf(one[1])), ...booked.map(endOf))
  return Number.isFinite(from) ? [Math.floor(from / 60), Math.min(24, Math.ceil(to / 60))] : [9, 17]
}

/** Beside each other what overlaps: in which lane each stands, and of how many. */
export function lanes(booked: Booked[]): Map<number, { lane: number; lanes: number }> {
  const placed = new Map<number, { lane: number; lanes: number }>()
  let heap: Booked[] = []
  let ends: number[] = []
  const close = () => {
    heap.forEach((one) => (placed.get(one.id)!.lanes = ends.length))
    heap = []
    ends = []
  }
  for (const one of [...booked].sort((a, b) => startOf(a) - startOf(b) || endOf(b) - endOf(a) || a.id - b.id)) {
    if (heap.length && ends.every((end) => end <= startOf(one))) close()
    const free = ends.findIndex((end) => end <= startOf(one))
    const lane = free < 0 ? ends.length : free
    ends[lane] = endOf(one)
    heap.push(one)
    placed.set(one.id, { lane, lanes: 1 })
  }
  close()
  return placed
}

/** A day drawn down a page, in pixels: where each appointment begins and how tall it may be, and where any minute of the day lies. */
export interface DayScale {
  rows: { top: number; height: number }[]
  at: (minute: number) => number
  bottom: number
}
/**
 * As tall as the time takes, and stretched where the words of an appointment take more: none lies on another, though two are short, or at
 * the same time. `booked` in the order of their start; `from`, `to`: minutes of the day; `least`: what the words of one take.
 */
export function dayScale(
  booked: { start: number; minutes: number }[],
  from: number,
  to: number,
  perMinute: number,
  least: number,
): DayScale {
  const knots: [minute: number, y: number][] = [[from, 0]]
  for (const { start } of booked) {
    const [minute, y] = knots.at(-1)!
    knots.push([start, Math.max(y + (start - minute) * perMinute, knots.length > 1 ? y + least : 0)])
  }
  const at = (minute: number): number => {
    const k = Math.max(
      0,
      knots.findLastIndex((one, k) => one[0] < minute || (one[0] === minute && knots[k - 1]?.[0] !== minute)),
    )
    const [[start, y], next] = [knots[k]!, knots[k + 1]]
    // a stretch runs evenly through what lies between
    return y + (minute - start) * (next && next[0] > start ? Math.max(perMinute, (next[1] - y) / (next[0] - start)) : perMinute)
  }
  const rows = booked.map(({ start, minutes }, k) => {
    const top = knots[k + 1]![1]
    const under = knots[k + 2]?.[1] ?? Infinity
    return { top, height: Math.max(least, Math.min(under, at(start + minutes)) - top) }
  })
  return { rows, at, bottom: Math.max(at(to), ...rows.map((one) => one.top + one.height)) }
}

/** What else is booked in that stretch: of the same therapist, and of the same client. */
export const clashing = (booked: Booked[], slot: Slot, client: string | null, except: number | null = null): Booked[] =>
  booked.filter(
    (one) =>
      one.id !== except &&
      one.status !== 'missed' &&
      one.day === slot.day &&
      (one.with === slot.with || one.client.id === client) &&
      startOf(one) < slot.start + slot.minutes &&
      endOf(one) > slot.start,
  )

export const isOutside = (hours: Hours, start: number, minutes: number): boolean =>
  hours === null || start < minutesOf(hours[0]) || start + minutes > minutesOf(hours[1])

/** Who waits and would take that stretch, longest waiting first. */
export const suited = (waiting: Waits[], slot: Slot): Waits[] =>
  waiting.filter(
    (one) =>
      one.minutes <= slot.minutes &&
      (one.with === null || one.with === slot.with) &&
      (!one.days.length || one.days.includes(WEEKDAYS[weekdayOf(slot.day)]!)) &&
      (one.part === 'any' || (one.part === 'morning') === slot.start < NOON),
  )

/** One view further or back: a day, a week, a month on the same day of it or its last. */
export function turned(view: string, day: string, by: -1 | 1): string {
  if (view === 'day') return shifted(day, by)
  if (view === 'week') return shifted(day, 7 * by)
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number)
  const last = new Date(Date.UTC(year, month - 1 + by + 1, 0))
  return new Date(Date.UTC(last.getUTCFullYear(), last.getUTCMonth(), Math.min(date, last.getUTCDate()))).toISOString().slice(0, 10)
}
