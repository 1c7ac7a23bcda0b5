import { atlas } from '@/chart/atlas'
import { tenth } from '@/parts/words'
import type { PositionId } from '@/types/ids.generated'
import type { Plan } from '@/types/visit'
import { isOn, onOf } from './planOrder'

/** Less than this nobody notices: minutes, and the share of what a plan is worth. */
const MINUTES = 0.25
const WORTH = 0.01
const keyOf = (one: { name: string; side: string }): string => `${one.name}:${one.side}`
/** How the client lies while a target is first worked. */
const liesAt = (plan: Plan, target: Plan['targets'][number]): PositionId | undefined => {
  const on = onOf(target)
  return on ? plan.steps.find((step) => step.kind === 'treat' && !step.other_side && isOn(step, on))?.position : undefined
}
/** Minutes of firm work with a thumb, alone or supported. */
export const thumbsOf = (plan: Plan): number => (plan.therapist_load['thumb'] ?? 0) + (plan.therapist_load['thumb_reinforced'] ?? 0)

/** The most of one's own mass that is leaned in with, per cent. */
export const leanOf = (plan: Plan): number =>
  Math.round(Math.max(0, ...plan.steps.flatMap((step) => step.passes.map((pass) => pass.lean_percent))))

/**
 * What a change did to a plan, in one line: what came, what fell out and why, minutes, how they lie, hands, benefit. Empty where nothing
 * changed.
 */
export const consequence = (before: Plan, after: Plan): string => {
  const [was, is] = [before, after].map((plan) => new Map(plan.targets.map((one) => [keyOf(one), one])))
  if (!was || !is) return ''
  const why = new Map(after.left_out.map((one) => [keyOf(one), one.because]))
  const parts = [
    ...after.targets.filter((one) => !was.has(keyOf(one))).map((one) => `${one.name} comes in, ${tenth(one.minutes)} min`),
    ...before.targets
      .filter((one) => !is.has(keyOf(one)))
      .map((one) => `${one.name} falls out${why.has(keyOf(one)) ? ` (${why.get(keyOf(one))?.replace(/\.$/, '').toLowerCase()})` : ''}`),
    ...after.targets.flatMap((one) => {
      const old = was.get(keyOf(one))
      return old && Math.abs(old.minutes - one.minutes) >= MINUTES ? [`${one.name} ${tenth(old.minutes)} → ${tenth(one.minutes)} min`] : []
    }),
  ]
  for (const one of after.targets) {
    const old = was.get(keyOf(one))
    const lies = liesAt(after, one)
    if (old && lies && lies !== (liesAt(before, old) ?? lies)) parts.push(`${one.name} now ${atlas.positions[lies]}`)
  }
  if (Math.abs(after.minutes - before.minutes) >= MINUTES) parts.push(`all ${tenth(before.minutes)} → ${tenth(after.minutes)} min`)
  if (after.turns !== before.turns) parts.push(after.turns === 1 ? 'one turn' : `${after.turns || 'no'} turns`)
  const [thumbs, now] = [tenth(thumbsOf(before)), tenth(thumbsOf(after))]
  if (thumbs !== now) parts.push(`thumbs ${thumbs} → ${now} min`)
  const share = before.benefit > 0 ? after.benefit / before.benefit - 1 : 0
  if (Math.abs(share) >= WORTH) parts.push(`benefit ${Math.round(100 * Math.abs(share))} % ${share > 0 ? 'more' : 'less'}`)
  const line = parts.join(' · ')
  return line && `${line[0]?.toUpperCase()}${line.slice(1)}.`
}
