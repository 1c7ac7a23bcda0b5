import { describe, expect, test } from 'vitest'
import { clashing, clock, isOutside, lanes, snapped, span, suited, turned, type Booked, type Waits } from '@/parts/calendar/grid'

const one = (id: number, time: string, minutes: number, more: Partial<Booked> = {}): Booked => ({
  id,
  day: '2026-03-09',
  time,
  minutes,
  status: 'booked',
  with: 1,
  series: null,
  seen: 0,
  reason: null,
  word: null,
  client: { id: `c${id}`, name: `Client ${id}` },
  visit: null,
  ...more,
})
const at = (booked: Booked[]): Record<number, string> =>
  Object.fromEntries([...lanes(booked)].map(([id, { lane, lanes: many }]) => [id, `${lane} of ${many}`]))

describe('what overlaps stands side by side', () => {
  test('one after the other is one lane', () => {
    expect(at([one(1, '09:00', 60), one(2, '10:00', 60)])).toEqual({ 1: '0 of 1', 2: '0 of 1' })
  })
  test('a lane is free again when its last has ended, and the width is that of the crowd', () => {
    expect(at([one(1, '09:00', 120), one(2, '09:30', 30), one(3, '10:00', 30), one(4, '12:00', 30)])).toEqual({
      1: '0 of 2',
      2: '1 of 2',
      3: '1 of 2',
      4: '0 of 1',
    })
  })
  test('the order in which they come is of no account', () => {
    const all = [one(1, '09:00', 90), one(2, '09:15', 30), one(3, '09:30', 45), one(4, '10:15', 30)]
    expect(at(all)).toEqual(at([...all].reverse()))
    expect(new Set(Object.values(at(all))).size).toBe(3)
  })
})

test('a clash is of the same hands or the same client, that day, and touching is none', () => {
  const all = [
    one(1, '09:00', 60),
    one(2, '10:00', 60),
    one(3, '09:30', 60, { with: 2 }),
    one(4, '09:30', 60, { with: 2, client: { id: 'x', name: 'X' } }),
    one(5, '09:30', 30, { status: 'missed' }),
    one(6, '09:30', 60, { day: '2026-03-10' }),
  ]
  const slot = { day: '2026-03-09', start: 9 * 60 + 30, minutes: 30, with: 1 }
  expect(clashing(all, slot, 'x').map(({ id }) => id)).toEqual([1, 4])
  expect(clashing(all, slot, null, 1).map(({ id }) => id)).toEqual([])
  expect(clashing(all, { ...slot, minutes: 31 }, null).map(({ id }) => id)).toEqual([1, 2])
})

test('minutes fall on quarters, within the day', () => {
  expect([snapped(607), snapped(608), snapped(-20), snapped(24 * 60, 60)]).toEqual([600, 615, 0, 23 * 60])
  expect([clock(0), clock(545), clock(23 * 60 + 45)]).toEqual(['00:00', '09:05', '23:45'])
})

test('the hours drawn hold the work and what is booked beside it', () => {
  const columns = [{ hours: ['09:00', '17:00'] as [string, string] }, { hours: null }, { hours: ['12:30', '20:15'] as [string, string] }]
  expect(span(columns, [])).toEqual([9, 21])
  expect(span(columns, [one(1, '07:45', 60), one(2, '20:30', 75)])).toEqual([7, 22])
  expect(span([{ hours: null }], [])).toEqual([9, 17])
})

test('outside the hours is before, after and on a day off', () => {
  expect(isOutside(['09:00', '17:00'], 16 * 60, 60)).toBe(false)
  expect(isOutside(['09:00', '17:00'], 16 * 60 + 15, 60)).toBe(true)
  expect(isOutside(['09:00', '17:00'], 8 * 60 + 45, 60)).toBe(true)
  expect(isOutside(null, 600, 60)).toBe(true)
})

test('who waits is offered what suits them: length, hands, weekday and half of the day', () => {
  const waits = (id: number, more: Partial<Waits> = {}): Waits => ({
    id,
    client: { id: `c${id}`, name: `Client ${id}` },
    with: null,
    minutes: 60,
    days: [],
    part: 'any',
    word: null,
    since: '2026-03-01',
    ...more,
  })
  const slot = { day: '2026-03-10', start: 10 * 60, minutes: 60, with: 1 } // a Tuesday morning
  const all = [
    waits(1),
    waits(2, { minutes: 75 }),
    waits(3, { with: 2 }),
    waits(4, { days: ['wed'] }),
    waits(5, { days: ['tue', 'thu'], part: 'morning' }),
    waits(6, { part: 'afternoon' }),
  ]
  expect(suited(all, slot).map(({ id }) => id)).toEqual([1, 5])
  expect(suited(all, { ...slot, start: 12 * 60, day: '2026-03-11', minutes: 90, with: 2 }).map(({ id }) => id)).toEqual([1, 2, 3, 4, 6])
})

test('a view is turned by itself: the last of a month stays the last', () => {
  expect(turned('day', '2026-02-28', 1)).toBe('2026-03-01')
  expect(turned('week', '2026-03-02', -1)).toBe('2026-02-23')
  expect(turned('month', '2026-01-31', 1)).toBe('2026-02-28')
  expect(turned('month', '2026-12-15', 1)).toBe('2027-01-15')
  expect(turned('month', '2026-01-15', -1)).toBe('2025-12-15')
})
