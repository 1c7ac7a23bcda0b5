import type { Joint, Plan, PlanStep } from '@/types/visit'
import type { MuscleId, PositionId, Side } from '@/types/ids.generated'
import { nameOf } from './fields'

/** What a plan works on: a muscle or a joint, of a side. */
export type On = { muscle: MuscleId; side: Side } | { joint: Joint; side: Side }
export interface InOrder {
  on: On
  position: PositionId
  /** minutes from the beginning */
  start: number
}

interface Named {
  muscle?: MuscleId | null
  joint?: Joint | null
  side?: Side | null
}

/** Only what says which one it is. */
export const onOf = (one: Named): On | null =>
  !one.side ? null : one.joint ? { joint: one.joint, side: one.side } : one.muscle ? { muscle: one.muscle, side: one.side } : null
export const keyOf = (on: On): string => nameOf('target', on)
/** Whether a target, step or entry is about that. */
export const isOn = (one: Named, on: On): boolean => {
  const own = onOf(one)
  return own !== null && keyOf(own) === keyOf(on)
}
/** Steps with the minute each begins at. */
export const timed = (plan: Plan): { step: PlanStep; start: number }[] => {
  let at = 0
  return plan.steps.map((step) => {
    const start = at
    at += step.minutes
    return { step, start }
  })
}
const isOwn = (step: PlanStep): boolean => step.kind === 'treat' && !step.other_side

/** The targets in the order in which they are begun. */
export function sequenceOf(plan: Plan): InOrder[] {
  const seen = new Set<string>()
  return timed(plan).flatMap(({ step, start }) => {
    const on = isOwn(step) ? onOf(step) : null
    if (!on || seen.has(keyOf(on))) return []
    seen.add(keyOf(on))
    return [{ on, position: step.position, start }]
  })
}

/** Those that are worked in the same position, in order. */
export function rowOf(plan: Plan, on: On): InOrder[] {
  const all = sequenceOf(plan)
  const own = all.find((one) => keyOf(one.on) === keyOf(on))
  return all.filter((one) => one.position === own?.position)
}

/** The row with one of it at another place; null where it stands there already, or there is no such place. */
export function moved(row: InOrder[], on: On, to: number): On[] | null {
  const at = row.findIndex((one) => keyOf(one.on) === keyOf(on))
  if (at < 0 || to < 0 || to >= row.length || to === at) return null
  const all = row.map((one) => one.on)
  all.splice(to, 0, ...all.splice(at, 1))
  return all
}

/** The place in its row of what is let go at a minute of the plan. */
export const placeAt = (row: InOrder[], on: On, minute: number): number =>
  row.filter((one) => keyOf(one.on) !== keyOf(on) && one.start < minute).length

/** How something is measured again: "Re-check", or as they sit up, stand or turned. What is measured stands beside it. */
export const recheckHow = ({ label, check }: Pick<PlanStep, 'label' | 'check'>): string =>
  check && label.endsWith(`: ${check.text}`) ? label.slice(0, -check.text.length - 2) : label
