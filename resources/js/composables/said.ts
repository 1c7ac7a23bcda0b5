/** What of an entry says something; null when nothing is left but the keys that name it: then the entry is taken back. */
export function said<T extends object>(entry: T, naming: number): T | null {
  const parts = Object.fromEntries(Object.entries(entry).filter(([, value]) => value !== undefined))
  return Object.keys(parts).length > naming ? (parts as T) : null
}
