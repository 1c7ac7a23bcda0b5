import { usePage } from '@inertiajs/vue3'

/** Where a window remembers that it is covered. */
export const LOCKED = 'somatrace.locked'

/** How whoever is signed in wishes to see and work; the server has put their own choices over those of the clinic. */
export interface UserSettings {
  pressure_unit: 'kPa' | 'N/cm²' | 'kg/cm²' | 'lb/in²'
  length_unit: 'cm' | 'inch'
  date_form: 'words' | 'day_month' | 'month_day' | 'iso'
  /** which words are used for what has a plain name and a clinical term */
  note_words: 'plain' | 'clinical' | 'both'
  theme: 'linen' | 'dusk'
  figure: 'painted' | 'outlines'
  idle_minutes: number
  pedals: Record<'onward' | 'ease' | 'soften', string>
  timezone: string
}
const plain: UserSettings = {
  pressure_unit: 'kPa',
  length_unit: 'cm',
  date_form: 'words',
  note_words: 'both',
  theme: 'linen',
  figure: 'painted',
  idle_minutes: 10,
  pedals: { onward: 'PageDown', ease: 'PageUp', soften: 'b' },
  timezone: 'UTC',
}
export const settings = (): UserSettings => usePage<{ user?: { settings: UserSettings } | null }>().props?.user?.settings ?? plain

const IN_KPA: Record<UserSettings['pressure_unit'], number> = { kPa: 1, 'N/cm²': 10, 'kg/cm²': 98.0665, 'lb/in²': 6.894757 }
const CM_PER_INCH = 2.54

/** A unit of the record as it is shown, and the number with it; everything is kept in kPa and cm. */
type Units = Pick<UserSettings, 'pressure_unit' | 'length_unit'>
export const shownUnit = (unit: string, wish: Units = settings()): string =>
  unit === 'kPa' ? wish.pressure_unit : unit === 'cm' && wish.length_unit === 'inch' ? 'in' : unit
export const shown = (value: number, unit: string, wish: Units = settings()): number => {
  if (unit === 'kPa') return rounded(value / IN_KPA[wish.pressure_unit])
  if (unit === 'cm' && wish.length_unit === 'inch') return rounded(value / CM_PER_INCH)
  return value
}
/** What somebody typed in the unit they see, as it is kept. */
export const kept = (value: number, unit: string): number => {
  if (unit === 'kPa') return rounded(value * IN_KPA[settings().pressure_unit])
  if (unit === 'cm' && settings().length_unit === 'inch') return rounded(value * CM_PER_INCH)
  return value
}
const rounded = (value: number): number => (Math.abs(value) >= 100 ? Math.round(value * 10) / 10 : Math.round(value * 100) / 100)

/** Of days and times: the language of the page, English as it is written in Britain. */
export const dateLanguage = ((spoken) => (spoken === 'en' ? 'en-GB' : spoken))(
  typeof document === 'undefined' ? 'en' : document.documentElement.lang || 'en',
)
const numerals = (iso: string): string[] => [iso.slice(0, 4), iso.slice(5, 7), iso.slice(8, 10)]
/** A day, Y-m-d, in the form that was chosen; in words the year is said when it is not the running one. */
export const dayWords = (iso: string, form: UserSettings['date_form'] = settings().date_form): string => {
  const [year = '', month = '', day = ''] = numerals(iso)
  switch (form) {
    case 'day_month':
      return `${day}/${month}/${year}`
    case 'month_day':
      return `${month}/${day}/${year}`
    case 'iso':
      return `${year}-${month}-${day}`
    case 'words':
      return new Date(`${iso.slice(0, 10)}T12:00:00Z`).toLocaleDateString(dateLanguage, {
        day: 'numeric',
        month: 'short',
        timeZone: 'UTC',
        ...(Number(year) === new Date().getFullYear() ? {} : { year: 'numeric' }),
      })
  }
}
/** Of a day without a clock: "Mon". */
export const weekdayWords = (iso: string): string =>
  new Date(`${iso}T12:00:00Z`).toLocaleDateString(dateLanguage, { weekday: 'short', timeZone: 'UTC' })
/** The time of day, in the clinic's zone, of a moment the server wrote. */
export const timeWords = (moment: string): string =>
  new Date(moment).toLocaleTimeString(dateLanguage, { hour: '2-digit', minute: '2-digit', timeZone: settings().timezone })
