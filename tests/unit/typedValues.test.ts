import { describe, expect, it, vi } from 'vitest'

let form = 'words'
vi.mock('@inertiajs/vue3', () => ({ usePage: () => ({ props: { user: { settings: { date_form: form } } } }) }))
const { dayOf, dayText, isoOf, monthsOn, numberOf, shifted, timeOf } = await import('@/controls/typedValues')
const today = '2026-11-12'

describe('a day as people write it', () => {
  it.each([
    ['2026-11-02', '2026-11-02'],
    ['2/11/2026', '2026-11-02'],
    ['02.11.26', '2026-11-02'],
    ['4 5 90', '1990-05-04'],
    ['04051985', '1985-05-04'],
    ['040526', '2026-05-04'],
    ['12 Nov 2025', '2025-11-12'],
    ['november 3, 2025', '2025-11-03'],
    ['3 nov', '2026-11-03'],
    ['24 dec', '2025-12-24'], // without a year it has been
    ['29 feb 2024', '2024-02-29'],
    ['today', '2026-11-12'],
    ['yesterday', '2026-11-11'],
  ])('%s is %s', (text, iso) => expect(dayOf(text, today)).toBe(iso))
  it.each(['', '31/4/2026', '29 feb 2026', '12', 'soon', '2026-13-01', '99/99/99', '12 frimaire 2026'])('%s is none', (text) =>
    expect(dayOf(text, today)).toBeNull(),
  )
  it('is the next one where something is booked', () => {
    expect(dayOf('3 nov', today, true)).toBe('2027-11-03')
    expect(dayOf('24 dec', today, true)).toBe('2026-12-24')
  })
  it('has the month first where the clinic writes so', () => {
    form = 'month_day'
    expect(dayOf('2/11/2026', today)).toBe('2026-02-11')
    form = 'words'
  })
  it('is read back as it is shown, whatever the form, for every day of four years', () => {
    for (form of ['words', 'day_month', 'month_day', 'iso'])
      for (let k = 0; k < 1461; k++) expect(dayOf(dayText(shifted('2024-01-01', k)), today)).toBe(shifted('2024-01-01', k))
    form = 'words'
  })
  it('goes to another month, and to its last day where there is no such day', () => {
    expect(monthsOn('2026-01-31', 1)).toBe('2026-02-28')
    expect(monthsOn('2026-01-15', -1)).toBe('2025-12-15')
    expect(monthsOn('2024-03-31', -1)).toBe('2024-02-29')
    expect(isoOf(2026, 2, 29)).toBeNull()
  })
})
it.each([
  ['9', '09:00'],
  ['930', '09:30'],
  ['9:30', '09:30'],
  ['09.30', '09:30'],
  ['1745', '17:45'],
  ['24:00', null],
  ['9:75', null],
  ['noon', null],
  ['', null],
])('the time %s is %s', (text, time) => expect(timeOf(text)).toBe(time))
it.each([
  ['62', 62],
  ['1,5', 1.5],
  ['-3.', -3],
  ['.5', 0.5],
  ['6e2', null],
  ['abc', null],
  ['', null],
  ['1 000', null],
])('the number %s is %s', (text, number) => expect(numberOf(text)).toBe(number))
