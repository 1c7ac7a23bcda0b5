import type { MuscleId, Side } from '@/types/ids.generated'
import type { Evidence, NextCheck, Pattern } from '@/types/visit'

/** A muscle or a joint that could explain the picture, as it is listed. */
export interface Explaining {
  key: string
  name: string
  support: number
  words: string
  /** what part it plays, and what kind of point was felt */
  part: string
  evidence: Evidence[]
  side: Side
  muscle: MuscleId | null
  unfelt: boolean
  /** where it is tried */
  check: Pick<NextCheck, 'kind' | 'id' | 'side'>
  /** muscles around a joint that were found tender, tense or short */
  around: MuscleId[]
}
/** Muscles and joints in one order, the strongest first; joints only once they were examined. */
export function explaining(pattern: Pattern): Explaining[] {
  const muscles = pattern.candidates.map((one): Explaining & { odds: number } => ({
    key: `${one.muscle}:${one.side}`,
    name: one.name,
    support: one.support,
    odds: one.log_odds,
    words: one.words,
    part: ['active', 'latent'].includes(one.trigger_point) ? `${one.role} · ${one.trigger_point} point` : one.role,
    evidence: one.evidence,
    side: one.side,
    muscle: one.muscle,
    unfelt: one.trigger_point === 'unknown',
    check: { kind: 'palpate', id: one.muscle, side: one.side },
    around: [],
  }))
  const joints = pattern.joints.map((one): Explaining & { odds: number } => ({
    key: `${one.joint.kind}:${one.joint.level ?? ''}:${one.side}`,
    name: one.name,
    support: one.support,
    odds: one.log_odds,
    words: one.words,
    part: one.role,
    evidence: one.evidence,
    side: one.side,
    muscle: null,
    unfelt: false,
    check: { ...one.tried, side: one.side },
    around: [...new Set(one.explains.map((item) => item.muscle))],
  }))
  return [...muscles, ...joints].sort((a, b) => b.odds - a.odds)
}
