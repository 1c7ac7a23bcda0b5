type Fields = Record<string, unknown>

const isFields = (value: unknown): value is Fields => typeof value === 'object' && value !== null && !Array.isArray(value)
export const isSame = (one: unknown, other: unknown): boolean => JSON.stringify(one) === JSON.stringify(other)

/**
 * What stands where `mine` was made on `base` while `theirs` came to stand there: what either of them changed, and of what both changed, mine.
 * What has no fields stands as a whole.
 */
export function withMine(base: unknown, mine: unknown, theirs: unknown): unknown {
  if (!isFields(mine) || !isFields(theirs)) return mine
  const from = isFields(base) ? base : {}
  const fields = { ...theirs }
  for (const key of new Set([...Object.keys(from), ...Object.keys(mine)])) {
    if (isSame(mine[key], from[key])) continue
    if (key in mine) fields[key] = mine[key]
    else delete fields[key]
  }
  return fields
}

export const onlyFields = (value: unknown, keys: readonly string[] | null): unknown =>
  keys && isFields(value) ? Object.fromEntries(keys.map((key) => [key, value[key]])) : value
