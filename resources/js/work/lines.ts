import { atlas, movement, placeName, test } from '@/chart/atlas'
import { capital } from '@/parts/words'
import type { Manoeuvre, PlanStep, Tableside } from '@/types/visit'

/** What stands at the table, in three large lines and a count. */
export interface Lines {
  what: string
  /** the place in hand */
  where: string
  how: string[]
  say: string | null
  /** time and skin, in parts that do not break */
  count: string[]
}
const clock = (seconds: number): string =>
  seconds < 90 ? `${Math.round(seconds)} s` : `${Math.floor(seconds / 60)}:${String(Math.round(seconds % 60)).padStart(2, '0')} min`
export const skinOf = (product: string | null): string =>
  product === null ? '' : product === 'none' ? 'dry' : (atlas.products[product] ?? product.replaceAll('_', ' '))
/** What has to be caught in a glance; the rest of the sentence is one touch away. */
const short = (sentence: string): string => sentence.split(/[;:.]/)[0] ?? ''
const first = (text: string): string => text.split(/(?<=\.) /)[0] ?? ''
/** The figure shows all of them; so many names are read in a glance. */
const MOST_PLACES = 4
const places = (step: PlanStep): string => {
  // both sides of one place are one place
  const both = new Set(
    step.places.flatMap(({ zone, side }) =>
      side === 'left' && step.places.some((one) => one.zone === zone && one.side === 'right') ? zone : [],
    ),
  )
  const names = step.places.map((place) => (both.has(place.zone) ? placeName({ zone: place.zone, side: 'midline' }) : placeName(place)))
  const all = [...new Set(names)]
  return all.length <= MOST_PLACES ? all.join(' · ') : `${all.slice(0, MOST_PLACES - 1).join(' · ')} · and around`
}
export const setupOf = (one: Manoeuvre): string => {
  if (!one.setup) return ''
  const name = atlas.setups[one.setup.id]?.name ?? ''
  return one.setup.side === 'midline' ? name : `${name}, ${one.setup.side}`
}
/** Of a stroke: from landmark to landmark. */
const wayOf = (one: Manoeuvre): string => {
  const [from, to] = [one.from, one.to].map((id) => (id ? (atlas.landmarks[id] ?? '') : ''))
  return from && to ? `from ${from} to ${to}` : ''
}
const checkHow = (step: PlanStep): string => {
  const check = step.check
  if (check?.kind === 'range') return movement(check.id).how
  if (check?.kind === 'test') return test(check.id).how
  return check ? 'Press the same spot as strongly as before, and ask.' : ''
}

export function linesOf(
  step: PlanStep,
  one: Manoeuvre | undefined,
  spot: number,
  says: Tableside['says'],
  after: readonly string[] = [],
): Lines {
  if (one) {
    const name = one.spot_names[spot] ?? wayOf(one)
    return {
      what: atlas.techniques[one.technique],
      where: name,
      how: [setupOf(one) && capital(setupOf(one)), short(one.hand)].filter(Boolean),
      say: one.say ?? one.client_action,
      count: [
        one.spots.length > 1 ? `spot ${Math.min(spot, one.spots.length - 1) + 1} of ${one.spots.length}` : '',
        one.repeats > 1 ? `${one.repeats} × ${clock(one.seconds)}` : clock(one.seconds),
        skinOf(one.product),
      ].filter(Boolean),
    }
  }
  const hands = [step.technique && atlas.techniques[step.technique], step.tool && atlas.tools[step.tool]].filter(Boolean).join(', ')
  return {
    what: step.kind === 'recheck' && step.check ? capital(step.check.text) : step.label,
    where: ['warm_up', 'soothe', 'rest_stroke', 'finish', 'cold'].includes(step.kind) ? capital(places(step)) : '',
    how: [
      ...(step.kind === 'aftercare' ? after : []),
      step.kind === 'settle' ? capital(atlas.positions[step.position]) : '',
      step.kind === 'recheck'
        ? first(checkHow(step))
        : step.kind === 'feel'
          ? (step.find[0] ?? step.why)
          : step.kind === 'aftercare' && after.length
            ? ''
            : first(step.why),
      capital(hands),
    ].filter(Boolean),
    say: step.words ?? says[step.check?.kind === 'palpate' ? 'press_again' : step.kind] ?? step.client_action,
    count: [clock(step.minutes * 60), skinOf(step.product)].filter(Boolean),
  }
}
