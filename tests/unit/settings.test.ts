import { beforeEach, describe, expect, test, vi } from 'vitest'

const wished = { settings: {} as Record<string, unknown> }
vi.mock('@inertiajs/vue3', () => ({ usePage: () => ({ props: { user: { settings: wished.settings } } }) }))
const { called } = await import('@/parts/words')
const { dayWords, kept, shown, shownUnit, timeWords } = await import('@/composables/settings')

const plain = {
  pressure_unit: 'kPa',
  length_unit: 'cm',
  date_form: 'words',
  theme: 'linen',
  figure: 'painted',
  idle_minutes: 10,
  timezone: 'UTC',
}
beforeEach(() => (wished.settings = { ...plain }))

describe('units', () => {
  test.each([
    ['kPa', 196.1, 196.1],
    ['N/cm²', 196.1, 19.61],
    ['kg/cm²', 196.133, 2],
    ['lb/in²', 68.94757, 10],
  ])('%s shows and keeps the same pressure', (unit, kPa, number) => {
    wished.settings['pressure_unit'] = unit
    expect(shownUnit('kPa')).toBe(unit)
    expect(shown(kPa, 'kPa')).toBeCloseTo(number, 2)
    expect(kept(shown(kPa, 'kPa'), 'kPa')).toBeCloseTo(kPa, 0)
  })
  test('inches only where a length is meant', () => {
    wished.settings['length_unit'] = 'inch'
    expect(shown(25.4, 'cm')).toBe(10)
    expect(kept(10, 'cm')).toBe(25.4)
    expect(shownUnit('cm')).toBe('in')
    expect(shown(45, 'deg')).toBe(45)
    expect(shownUnit('mm')).toBe('mm')
  })
})

describe('days', () => {
  test.each([
    ['day_month', '07/03/2026'],
    ['month_day', '03/07/2026'],
    ['iso', '2026-03-07'],
  ])('%s', (form, words) => {
    wished.settings['date_form'] = form
    expect(dayWords('2026-03-07')).toBe(words)
  })
  test('in words the year is said when it is not the running one', () => {
    const year = new Date().getUTCFullYear()
    expect(dayWords(`${year}-03-07`)).toBe('7 Mar')
    expect(dayWords('2019-03-07')).toMatch(/7 Mar 2019/)
  })
  test('a moment is told in the clock of the clinic', () => {
    wished.settings['timezone'] = 'Europe/Warsaw'
    expect(timeWords('2026-01-07T10:05:00Z')).toMatch(/11:05/)
  })
})

describe('words', () => {
  const turning = { name: 'Turning the head', clinical: 'cervical rotation' }
  test.each([
    ['both', { name: 'Turning the head', beside: 'cervical rotation' }],
    ['plain', { name: 'Turning the head', beside: '' }],
    ['clinical', { name: 'Cervical rotation', beside: '' }],
  ])('%s', (words, shown) => {
    wished.settings['note_words'] = words
    expect(called(turning)).toEqual(shown)
  })
  test('a term that is the plain name is not said twice', () => {
    wished.settings['note_words'] = 'both'
    expect(called({ name: 'Jaw drift', clinical: 'jaw drift' }).beside).toBe('')
  })
})
