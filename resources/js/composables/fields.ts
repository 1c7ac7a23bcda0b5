import type { Phase } from '@/types/visit'
import { nameKeys, type EntryKind, type EntryPayloads } from '@/types/entries.generated'

type Fields = Record<string, unknown>

const isFields = (value: unknown): value is Fields => typeof value === 'object' && value !== null && !Array.isArray(value)
export const isSame = (one: unknown, other: unknown): boolean => JSON.stringify(one) === JSON.stringify(other)

/**
 * What stands where `mine` was made on `base` while `theirs` came to stand there: what either of them changed, and of what both changed,
 * mine. What has no fields stands as a whole.
 */
export function withMine<T>(base: unknown, mine: T, theirs: unknown): T {
  if (!isFields(mine) || !isFields(theirs)) return mine
  const from = isFields(base) ? base : {}
  const fields: Fields = { ...theirs }
  for (const key of new Set([...Object.keys(from), ...Object.keys(mine)])) {
    if (isSame(mine[key], from[key])) continue
    if (key in mine) fields[key] = mine[key]
    else delete fields[key]
  }
  return fields as T
}

export const onlyFields = (value: unknown, keys: readonly string[] | null): unknown =>
  keys && isFields(value) ? Object.fromEntries(keys.map((key) => [key, value[key]])) : value

/** Without the parts that are not said. */
export const given = <T extends object>(value: T): T =>
  Object.fromEntries(Object.entries(value).filter(([, part]) => part !== undefined)) as T
/** What was chosen, if it is one of the choices. */
export const among = <T extends string>(choices: Record<T, unknown>, value: string | undefined): T | undefined =>
  value !== undefined && value in choices ? (value as T) : undefined
/** What an entry is found by among those of a page. */
export const entryKey = (kind: EntryKind, phase: Phase, name: string): string => `${kind}|${phase}|${name}`
/** The part of a payload that names its entry within a visit. */
export type Named<K extends EntryKind> = Pick<EntryPayloads[K], (typeof nameKeys)[K][number] & keyof EntryPayloads[K]>

/** What an entry is found by within a visit, as the server names it too. */
export function nameOf<K extends EntryKind>(kind: K, said: Named<K>): string {
  const fields = said as Fields
  const parts = nameKeys[kind].flatMap((key) => {
    const value = fields[key]
    const words = isFields(value)
      ? Object.keys(value)
          .sort()
          .map((one) => value[one])
      : [value ?? '']
    // where one of two stands, such as a muscle or a joint, the other leaves no gap
    return value === undefined && key === 'joint' ? [] : [words.join('.')]
  })
  return parts.join(':').replace(/:+$/, '')
}
