import type { EntryKind, EntryPayloads } from '@/types/entries.generated'

/** What is found by hand or by asking, or was set by hand in a plan, and may be confirmed as it was at the last visit. */
export type Confirmed = Extract<EntryKind, 'complaint' | 'function' | 'range' | 'resisted' | 'test' | 'palpation' | 'posture' | 'target'>

/**
 * What of a finding belongs to the day it was found: words that were said then, the week before it, and what an instrument read. It is not
 * confirmed by saying that nothing has changed.
 */
const OF_ITS_DAY: { [K in Confirmed]: readonly (keyof EntryPayloads[K])[] } = {
  complaint: ['words', 'worst_week', 'best_week'],
  function: [],
  range: ['repeats'],
  resisted: [],
  test: ['repeats'],
  palpation: ['ppt_kpa', 'ppt_repeats_kpa', 'simulated'],
  posture: [],
  // its place among the others was its place in that plan
  target: ['order'],
}

/** A finding of the last visit as it may stand today. */
export function confirmed<K extends Confirmed>(kind: K, then: EntryPayloads[K]): EntryPayloads[K] {
  const left: readonly PropertyKey[] = OF_ITS_DAY[kind]
  return Object.fromEntries(Object.entries(then).filter(([key]) => !left.includes(key))) as EntryPayloads[K]
}
