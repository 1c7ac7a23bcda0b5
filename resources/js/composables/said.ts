import { nameKeys, type EntryKind, type EntryPayloads } from '@/types/entries.generated'

/** What of an entry says something; null when nothing is left but what names it: then the entry is taken back. */
export function said<K extends EntryKind>(kind: K, entry: EntryPayloads[K] & object): EntryPayloads[K] | null {
  const parts = Object.fromEntries(Object.entries(entry).filter(([, value]) => value !== undefined))
  const names: readonly string[] = nameKeys[kind]
  return Object.keys(parts).some((key) => !names.includes(key)) ? (parts as EntryPayloads[K]) : null
}
