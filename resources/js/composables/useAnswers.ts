import { computed, type ComputedRef } from 'vue'
import { useVisit } from './useVisit'
import type { Entry, EntryKind, EntryPayloads } from '@/types/visit'

export type AnswerState = 'new' | 'ask' | 'stale' | 'standing'

/** Health answers as they stand today: said today, or earlier and not yet asked again. */
export function useAnswers(): {
  standing: <K extends EntryKind>(kind: K, identity: string) => Entry<K> | undefined
  asked: ComputedRef<ReadonlySet<string>>
  answerOf: <K extends EntryKind>(kind: K, identity: string, question: string) => EntryPayloads[K] | undefined
  stateOf: (kind: EntryKind, identity: string, question: string) => AnswerState
} {
  const { props, judged, one } = useVisit()
  const standing = <K extends EntryKind>(kind: K, identity: string): Entry<K> | undefined =>
    props.value.standing.find((entry): entry is Entry<K> & Entry => entry.kind === kind && entry.identity === identity)
  const asked = computed(() => new Set(judged.value.safety.questions.map((question) => question.id)))
  /** An answer of an earlier visit still stands where the gate does not ask it again. */
  const answerOf = <K extends EntryKind>(kind: K, identity: string, question: string): EntryPayloads[K] | undefined =>
    one(kind, identity) ?? (asked.value.has(question) ? undefined : (standing(kind, identity)?.payload ?? undefined))
  const stateOf = (kind: EntryKind, identity: string, question: string): AnswerState => {
    const today = one(kind, identity)
    const before = standing(kind, identity)?.payload
    if (today !== undefined) return today !== 'no' && JSON.stringify(today) !== JSON.stringify(before) ? 'new' : 'standing'
    return before === undefined ? 'ask' : asked.value.has(question) ? 'stale' : 'standing'
  }
  return { standing, asked, answerOf, stateOf }
}
