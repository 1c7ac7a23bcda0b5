import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { ulid } from 'ulid'
import { owner, sealed, unsealed } from './seal'
import type { Phase, TreatmentEvent } from '@/types/visit'

/** A touch on its way, kept in the browser until the server has it. */
export interface UnsentEntry {
  kind: string
  phase: Phase
  identity: string
  payload: unknown
}
/** What one visit still has here of whoever is signed in. */
export interface Unsent {
  visit: string
  count: number
}
interface Shelf extends DBSchema {
  unsent: { key: string; value: { id: string; visit: string; user: string; sealed: string }; indexes: { user: string } }
}
const PREFIX = `somatrace.unsent.${owner}.`
const DEVICE = 'somatrace.device'
const NUMBER = 'somatrace.number'
let opened: Promise<IDBPDatabase<Shelf>> | null = null
const shelf = (): Promise<IDBPDatabase<Shelf>> =>
  (opened ??= openDB<Shelf>('somatrace', 2, {
    upgrade: (db) => {
      // the shelf of before did not say whose things lay on it
      for (const name of [...db.objectStoreNames]) db.deleteObjectStore(name)
      db.createObjectStore('unsent', { keyPath: 'id' }).createIndex('user', 'user')
    },
  }))

/** Touches of a visit that were not sent: written at once, so that a window that closes the next moment has them. */
export const entriesLeft = (visit: string): UnsentEntry[] => unsealed<UnsentEntry[]>(localStorage.getItem(PREFIX + visit)) ?? []
export function keepEntries(visit: string, entries: UnsentEntry[]): void {
  if (entries.length) localStorage.setItem(PREFIX + visit, sealed(entries))
  else localStorage.removeItem(PREFIX + visit)
}

/** Which tablet this is, and its running number: by these what happened here is in order, whatever its clock says. */
export function nextInLine(): { device: string; number: number } {
  const device = localStorage.getItem(DEVICE) ?? ulid()
  const number = 1 + Number(localStorage.getItem(NUMBER) ?? 0)
  localStorage.setItem(DEVICE, device)
  localStorage.setItem(NUMBER, String(number))
  return { device, number }
}

async function eventsOfAll(): Promise<{ id: string; visit: string; event: TreatmentEvent }[]> {
  const rows = owner === null ? [] : await (await shelf()).getAllFromIndex('unsent', 'user', owner)
  return rows.flatMap(({ id, visit, sealed: hidden }) => {
    const event = unsealed<TreatmentEvent>(hidden)
    return event ? [{ id, visit, event }] : []
  })
}
export const eventsLeft = async (visit: string): Promise<TreatmentEvent[]> =>
  (await eventsOfAll())
    .filter((one) => one.visit === visit)
    .map((one) => one.event)
    .sort((a, b) => (a.number ?? 0) - (b.number ?? 0))
export const keepEvent = async (visit: string, event: TreatmentEvent): Promise<void> => {
  if (owner !== null) await (await shelf()).put('unsent', { id: event.id, visit, user: owner, sealed: sealed(event) })
}
export const dropEvents = async (ids: string[]): Promise<void> => {
  const db = await shelf()
  for (const id of ids) await db.delete('unsent', id)
}

/** All that whoever is signed in has not sent from this device, visit by visit. */
export async function unsentOfAll(): Promise<Unsent[]> {
  if (owner === null) return []
  const counts = new Map<string, number>()
  const add = (visit: string, n: number) => counts.set(visit, (counts.get(visit) ?? 0) + n)
  for (const name of Object.keys(localStorage))
    if (name.startsWith(PREFIX)) add(name.slice(PREFIX.length), entriesLeft(name.slice(PREFIX.length)).length)
  for (const one of await eventsOfAll()) add(one.visit, 1)
  return [...counts].flatMap(([visit, count]) => (count ? [{ visit, count }] : []))
}
/** Lets go of it for good, because its owner said so. */
export async function discardUnsent(): Promise<void> {
  for (const name of Object.keys(localStorage)) if (name.startsWith(PREFIX)) localStorage.removeItem(name)
  await dropEvents((await eventsOfAll()).map((one) => one.id))
}
