import { confirmed, type Confirmed } from './confirmed'
import { nameOf, type Named } from './fields'
import { isOf, useVisit, type HeldEntry, type Touch } from './useVisit'
import type { EntryPayloads } from '@/types/entries.generated'

/** What the last visit found and nobody has found or confirmed today. */
export function useLastTime() {
  const visit = useVisit()
  const left = <K extends Confirmed>(kind: K, wanted: (one: EntryPayloads[K]) => boolean = () => true): EntryPayloads[K][] =>
    (visit.props.value.before?.entries ?? [])
      .filter(isOf(kind) as (entry: HeldEntry) => entry is HeldEntry & { payload: EntryPayloads[K] | null })
      .flatMap((entry) =>
        entry.phase === 'before' && entry.payload && visit.one(kind, entry.identity) === undefined ? [entry.payload] : [],
      )
      .filter(wanted)
  /** One touch: they are today's findings, by name. */
  const confirm = <K extends Confirmed>(kind: K, them: EntryPayloads[K][], words: string): void => {
    const touches = them.map((then) => {
      const payload = confirmed(kind, then)
      return { kind, identity: nameOf(kind, payload as Named<K>), payload } as unknown as Touch
    })
    if (touches.length) visit.saveAll(touches, words)
  }
  return { left, confirm }
}
