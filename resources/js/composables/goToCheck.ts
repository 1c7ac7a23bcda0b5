import { router } from '@inertiajs/vue3'
import type { MuscleId, Side } from '@/types/ids.generated'
import type { NextCheck } from '@/types/visit'

/** What is in hand on a step, kept with the window: coming back lands there, and no address carries a finding into logs and histories. */
export interface HandOn {
  muscle?: MuscleId
  side?: Side
  /** the list of the visit is walked */
  list?: boolean
  movement?: string
  kind?: string
}
type Step = 'move' | 'feel'
const shelf = (visit: string, step: Step): string => `somatrace.hand.${visit}.${step}`
export const handOn = (visit: string, step: Step): HandOn => JSON.parse(sessionStorage.getItem(shelf(visit, step)) ?? '{}') as HandOn
export const keepHand = (visit: string, step: Step, hand: HandOn): void => sessionStorage.setItem(shelf(visit, step), JSON.stringify(hand))
export const goWith = (visit: string, step: Step, hand: HandOn): void => {
  keepHand(visit, step, hand)
  router.visit(`/visits/${visit}/${step}`)
}

/** Opens the place where a check is done, with it in hand. */
export function goToCheck(visit: string, check: Pick<NextCheck, 'kind' | 'id' | 'side'>): void {
  if (check.kind === 'palpate') goWith(visit, 'feel', { muscle: check.id as MuscleId, side: check.side })
  else if (['range', 'resisted', 'test'].includes(check.kind)) goWith(visit, 'move', { movement: check.id, kind: check.kind })
  else router.visit(`/visits/${visit}/screen`)
}
