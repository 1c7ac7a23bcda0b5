import { computed, type ComputedRef } from 'vue'
import { useVisit } from './useVisit'
import type { Entry } from '@/types/visit'

export type AnswerState = 'new' | 'ask' | 'stale' | 'standing'

/** Health answers as they stand today: said today, or earlier and not yet asked again. */
export function useAnswers(): {
  standing: (kind: string, identity: string) => Entry | undefined
  asked: ComputedRef<ReadonlySet<string>>
  answerOf: <T>(kind: string, identity: string, question: string) => T | undefined
  stateOf: (kind: string, identity: string, question: string) => AnswerState
} {
  const { props, judged, one } = useVisit()
  const standing = (kind: string, identity: string) =>
    props.value.standing.find((entry) => entry.kind === kind && entry.identity === identity)
  const asked = computed(() => new Set(judged.value.safety.questions.map((question) => question.id)))
  /** An answer of an earlier visit still stands where the gate does not ask it again. */
  const answerOf = <T>(kind: string, identity: string, question: string): T | undefined =>
    one<T>(kind, identity) ?? (asked.value.has(question) ? undefined : (standing(kind, identity)?.payload as T | undefined))
  const stateOf = (kind: string, identity: string, question: string): AnswerState => {
    const today = one(kind, identity)
    const before = standing(kind, identity)?.payload
    if (today !== undefined) return today !== 'no' && JSON.stringify(today) !== JSON.stringify(before) ? 'new' : 'standing'
    return before === undefined ? 'ask' : asked.value.has(question) ? 'stale' : 'standing'
  }
  return { standing, asked, answerOf, stateOf }
}
