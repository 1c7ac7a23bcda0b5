import { tenth } from '@/parts/words'
import type { Plan } from '@/types/visit'

/** Less than this nobody notices: minutes, and the share of what a plan is worth. */
const MINUTES = 0.25
const WORTH = 0.01
const keyOf = (one: { name: string; side: string }): string => `${one.name}:${one.side}`
/** Minutes of firm work with a thumb, alone or supported. */
export const thumbsOf = (plan: Plan): number => (plan.therapist_load['thumb'] ?? 0) + (plan.therapist_load['thumb_reinforced'] ?? 0)

/** The most of one's own mass that is leaned in with, per cent. */
export const leanOf = (plan: Plan): number =>
  Math.round(Math.max(0, ...plan.steps.flatMap((step) => step.passes.map((pass) => pass.lean_percent))))

/** What a change did to a plan, in one line: what came, what fell out and why, minutes, hands, worth. Empty where nothing changed. */
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
  if (Math.abs(after.minutes - before.minutes) >= MINUTES) parts.push(`all ${tenth(before.minutes)} → ${tenth(after.minutes)} min`)
  if (after.turns !== before.turns) parts.push(after.turns === 1 ? 'one turn' : `${after.turns || 'no'} turns`)
  const [thumbs, now] = [tenth(thumbsOf(before)), tenth(thumbsOf(after))]
  if (thumbs !== now) parts.push(`thumbs ${thumbs} → ${now} min`)
  const share = before.benefit > 0 ? after.benefit / before.benefit - 1 : 0
  if (Math.abs(share) >= WORTH) parts.push(`worth ${Math.round(100 * Math.abs(share))} % ${share > 0 ? 'more' : 'less'}`)
  const line = parts.join(' · ')
  return line && `${line[0]?.toUpperCase()}${line.slice(1)}.`
}
