import { ulid } from 'ulid'
import { owner, sealed, unsealed } from './seal'
import type { Entry, EntryKind, Phase, TreatmentEvent } from '@/types/visit'

/** A touch on its way, kept in the browser until the server has it. */
export interface UnsentEntry {
  kind: EntryKind
  phase: Phase
  identity: string
  payload: unknown
  /** The revision it was made on, whatever a page read later shows; a row that an older page kept has none. */
  seen?: number
}
/** What this window and another both wrote, in whole or in some fields: told until it is decided, also after the page was left. */
export interface Clash {
  kind: EntryKind
  phase: Phase
  identity: string
  mine: unknown
  theirs: unknown
}
/** What one visit still has here of whoever is signed in. */
export interface Unsent {
  visit: string
  count: number
}
/**
 * `arrived` is what the server answered, and when. Such a row stays until a page is opened that shows it: a page asked for while the touch
 * was on its way may be older than the answer, and would be without it.
 */
interface Row<T, A> {
  id: string
  value: T
  arrived?: { at: number; answer: A }
}
const ROOT = `somatrace.unsent.${owner}.`
const DEVICE = 'somatrace.device'
const NUMBER = 'somatrace.number'
/** No page that is opened now was asked for longer ago: of the server ten minutes, of a room that is kept without a network half a day. */
const ARRIVED_MS = { entry: 600_000, clash: 600_000, event: 12 * 3_600_000 }

/**
 * A row a thing, each under a name of its own that tells nothing, so that two windows never write over each other; written at once and not
 * by promise, so that a window that closes the next moment has it.
 */
function shelf<T, A>(name: keyof typeof ARRIVED_MS) {
  const start = (visit: string): string => `${ROOT}${name}.${visit}.`
  const rows = (visit: string): (Row<T, A> & { key: string })[] =>
    Object.keys(localStorage).flatMap((key) => {
      if (!key.startsWith(start(visit))) return []
      const row = unsealed<Row<T, A>>(localStorage.getItem(key))
      const over = row?.arrived && Date.now() - row.arrived.at > ARRIVED_MS[name]
      if (over) localStorage.removeItem(key)
      return row && !over ? [{ ...row, key }] : []
    })
  const write = (visit: string, row: Row<T, A>): void =>
    localStorage.setItem(rows(visit).find(({ id }) => id === row.id)?.key ?? start(visit) + ulid(), sealed(row))
  const drop = (visit: string, id: string): void => rows(visit).forEach((row) => row.id === id && localStorage.removeItem(row.key))
  return {
    keep: (visit: string, id: string, value: T): void => {
      if (owner !== null) write(visit, { id, value })
    },
    arrived: (visit: string, id: string, value: T, answer: A): void => write(visit, { id, value, arrived: { at: Date.now(), answer } }),
    drop,
    /** What is not there yet, and what arrived but no page has shown: `shown` says whether this one does. */
    left: (visit: string, shown: (id: string, answer: A) => boolean): Row<T, A>[] =>
      rows(visit).filter(({ id, arrived }) => {
        if (!arrived || !shown(id, arrived.answer)) return true
        drop(visit, id)
        return false
      }),
    waiting: (visit: string): number => rows(visit).filter((row) => !row.arrived).length,
  }
}
export const unsentEntries = shelf<UnsentEntry, Entry>('entry')
export const toldClashes = shelf<Clash, never>('clash')
export const unsentEvents = shelf<TreatmentEvent, true>('event')
/** Whether something of the room arrived so lately that a page asked for meanwhile may be without it. */
export const arrivedLately = (visit: string): boolean =>
  unsentEvents.left(visit, () => false).some(({ arrived }) => arrived && Date.now() - arrived.at < 15_000)

/** Which tablet this is. */
export const thisDevice = (): string => {
  const device = localStorage.getItem(DEVICE) ?? ulid()
  localStorage.setItem(DEVICE, device)
  return device
}
/**
 * Which tablet this is, and its running number, above all that is known here: by these what happened is in order, whatever a clock says,
 * and what somebody saw comes before what they did about it.
 */
export function nextInLine(known: number): { device: string; number: number } {
  const device = thisDevice()
  const number = 1 + Math.max(known, Number(localStorage.getItem(NUMBER) ?? 0))
  try {
    localStorage.setItem(NUMBER, String(number))
  } catch {
    // a tablet without room left: what is known here is enough to go on counting
  }
  return { device, number }
}

const ownRows = (): string[] => (owner === null ? [] : Object.keys(localStorage).filter((key) => key.startsWith(ROOT)))
/** All that whoever is signed in has not sent from this device, visit by visit. */
export const unsentOfAll = (): Unsent[] =>
  [...new Set(ownRows().flatMap((key) => key.slice(ROOT.length).split('.')[1] ?? []))].flatMap((visit) => {
    const count = unsentEntries.waiting(visit) + unsentEvents.waiting(visit)
    return count ? [{ visit, count }] : []
  })
/** Lets go of it for good, because its owner said so. */
export const discardUnsent = (): void => ownRows().forEach((key) => localStorage.removeItem(key))
