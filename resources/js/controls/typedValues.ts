import { settings } from '@/composables/settings'

/** What is typed into a field for a day, a time or a number, read as people write it; null where it is none. */

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'] as const
const names = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const
const DAY_MS = 864e5
const two = (value: number): string => String(value).padStart(2, '0')

/** A day of the calendar as it is kept; null where that month has no such day. */
export const isoOf = (year: number, month: number, day: number): string | null => {
  const at = new Date(Date.UTC(year, month - 1, day))
  return at.getUTCFullYear() === year && at.getUTCMonth() === month - 1 && at.getUTCDate() === day
    ? `${year}-${two(month)}-${two(day)}`
    : null
}
export const shifted = (iso: string, days: number): string =>
  new Date(Date.parse(`${iso}T12:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10)
/** The same day of another month, or the last that month has. */
export const monthsOn = (iso: string, months: number): string => {
  const [year = 0, month = 1, day = 1] = iso.split('-').map(Number)
  const count = year * 12 + (month - 1) + months
  const [toYear, toMonth] = [Math.floor(count / 12), (count % 12) + 1]
  for (let last = day; last > 0; last--) {
    const there = isoOf(toYear, toMonth, last)
    if (there) return there
  }
  return iso
}

/** Two figures are a year of this century up to the running one, else of the last. */
const century = (year: number, today: string): number => {
  if (year > 99) return year
  const running = Number(today.slice(0, 4))
  return year + (year <= running % 100 ? running - (running % 100) : running - (running % 100) - 100)
}
/**
 * A day in any of the usual ways: 2026-11-12, 12/11/2026 or 12112026 (month first where the clinic writes so), 12 Nov 2026, Nov 12, today,
 * yesterday.
 * Without a year it is the last such day, or with `ahead` the next one.
 */
export function dayOf(text: string, today: string, ahead = false): string | null {
  const said = text.trim().toLowerCase().replace(/,/g, ' ').replace(/\s+/g, ' ')
  if (said === 'today') return today
  if (said === 'yesterday') return shifted(today, -1)
  if (said === 'tomorrow') return shifted(today, 1)
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(said)
  if (iso) return isoOf(Number(iso[1]), Number(iso[2]), Number(iso[3]))
  const yearless = (month: number, day: number): string | null => {
    const running = Number(today.slice(0, 4))
    const years = ahead ? [running, running + 1] : [running, running - 1]
    const days = years.map((year) => isoOf(year, month, day))
    return days.find((one) => one !== null && (ahead ? one >= today : one <= today)) ?? days.find((one) => one !== null) ?? null
  }
  const numbers = /^(\d{1,2})[./ -](\d{1,2})(?:[./ -](\d{2}|\d{4}))?\.?$/.exec(said) ?? /^(\d{2})(\d{2})(\d{4}|\d{2})$/.exec(said)
  if (numbers) {
    const [first, second] = [Number(numbers[1]), Number(numbers[2])]
    const [day, month] = settings().date_form === 'month_day' ? [second, first] : [first, second]
    return numbers[3] ? isoOf(century(Number(numbers[3]), today), month, day) : yearless(month, day)
  }
  const word = /^(?:(\d{1,2})\.? ([a-z]{3,9})|([a-z]{3,9}) (\d{1,2}))\.?(?: (\d{2}|\d{4}))?$/.exec(said)
  if (!word) return null
  const month = MONTHS.findIndex((one) => (word[2] ?? word[3] ?? '').startsWith(one)) + 1
  const day = Number(word[1] ?? word[4])
  if (!month) return null
  return word[5] ? isoOf(century(Number(word[5]), today), month, day) : yearless(month, day)
}
/** A day as a field shows it: with its year, whatever year it is. */
export function dayText(iso: string): string {
  const [year = '', month = '', day = ''] = iso.split('-')
  switch (settings().date_form) {
    case 'day_month':
      return `${day}/${month}/${year}`
    case 'month_day':
      return `${month}/${day}/${year}`
    case 'iso':
      return iso
    case 'words':
      return `${Number(day)} ${names[Number(month) - 1] ?? ''} ${year}`
  }
}

const HOURS = 24
const MINUTES = 60
/** A time of the day: 9, 930, 9:30, 9.30, 0930. */
export function timeOf(text: string): string | null {
  const said = /^(\d{1,2})(?:[:.h ]?(\d{2}))?$/.exec(text.trim().toLowerCase())
  if (!said) return null
  const [hour, minute] = [Number(said[1]), Number(said[2] ?? 0)]
  return hour < HOURS && minute < MINUTES ? `${two(hour)}:${two(minute)}` : null
}
/** A number, with a point or a comma. */
export function numberOf(text: string): number | null {
  const said = text.trim().replace(',', '.')
  return /^-?(\d+(\.\d*)?|\.\d+)$/.test(said) ? Number(said) : null
}
