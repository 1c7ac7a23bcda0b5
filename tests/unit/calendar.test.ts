import { describe, expect, test } from 'vitest'
import { clashing, clock, dayScale, isOutside, lanes, snapped, span, suited, turned, type Booked, type Waits } from '@/parts/calendar/grid'

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

describe('a day drawn down a page', () => {
  const of = (...booked: [string, number][]) =>
    dayScale(
      booked.map(([time, minutes]) => ({ start: Number(time.slice(0, 2)) * 60 + Number(time.slice(3)), minutes })),
      9 * 60,
      17 * 60,
      1,
      50,
    )
  test('hours of room are as tall as their time, and each begins at its minute', () => {
    const day = of(['09:00', 60], ['11:30', 90])
    expect(day.rows).toEqual([
      { top: 0, height: 60 },
      { top: 150, height: 90 },
    ])
    expect([day.at(9 * 60), day.at(10 * 60 + 15), day.bottom]).toEqual([0, 75, 480])
  })
  test('short ones one after the other stretch the hour they are in, and what follows moves with it', () => {
    const day = of(['09:00', 15], ['09:15', 15], ['09:30', 15], ['10:30', 60])
    expect(day.rows.map((one) => one.top)).toEqual([0, 50, 100, 160])
    expect([day.at(9 * 60 + 5), day.at(10 * 60 + 30)].map(Math.round)).toEqual([17, 160])
    expect(day.bottom).toBe(160 + 390)
  })
  test('two at the same time stand one under the other, and the line of now is at the first until it has passed', () => {
    const day = of(['10:00', 60], ['10:00', 60])
    expect(day.rows).toEqual([
      { top: 60, height: 50 },
      { top: 110, height: 60 },
    ])
    expect([day.at(10 * 60), day.at(10 * 60 + 1)]).toEqual([60, 111])
  })
  test('on made-up days none lies on another, and later is never higher', () => {
    let seed = 7
    const next = (most: number): number => (seed = (seed * 48271) % 2147483647) % most
    let crowded = 0
    for (let round = 0; round < 400; round++) {
      const booked = Array.from({ length: next(9) }, () => ({ start: 540 + 5 * next(80), minutes: 5 * (1 + next(24)) })).sort(
        (a, b) => a.start - b.start,
      )
      const day = dayScale(booked, 540, 1020, 74 / 60, 58)
      day.rows.forEach((one, k) => {
        expect(one.height).toBeGreaterThanOrEqual(58)
        if (day.rows[k + 1]) expect(day.rows[k + 1]!.top).toBeGreaterThanOrEqual(one.top + one.height - 1e-9)
        expect(day.at(booked[k]!.start)).toBeLessThanOrEqual(one.top + 1e-9)
      })
      crowded += booked.some((one, k) => k > 0 && one.start < booked[k - 1]!.start + booked[k - 1]!.minutes) ? 1 : 0
      expect(Array.from({ length: 480 }, (_, k) => day.at(541 + k) > day.at(540 + k))).not.toContain(false)
    }
    expect(crowded).toBeGreaterThan(100)
  })
})
