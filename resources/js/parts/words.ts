import type { Joint } from '@/types/entries.generated'
import type { MuscleId, Side } from '@/types/ids.generated'
import type { Limit, Place, Safety, Site, Verdict } from '@/types/visit'
import { settings } from '@/composables/settings'
import { atlas, muscle, placeName, zone } from '@/chart/atlas'

export const verdictWords: Record<Verdict, string> = {
  proceed: 'Go',
  modify: 'Go, with limits',
  defer: 'Not today',
  refer: 'Send on first',
  emergency: 'Emergency: call now',
}

/** Before anything was answered nothing is allowed with or without limits: it was not asked. */
export const verdictOf = (safety: Pick<Safety, 'verdict' | 'asked'>): string =>
  !safety.asked && ['proceed', 'modify'].includes(safety.verdict) ? 'Not asked yet' : verdictWords[safety.verdict]

/** Parts of a muscle, from its upper end down. */
export const siteNames: Record<Site, string> = {
  whole: 'the whole of it',
  upper_attachment: 'upper attachment',
  upper_belly: 'upper belly',
  belly: 'belly',
  lower_belly: 'lower belly',
  lower_attachment: 'lower attachment',
  tendon: 'tendon',
}
/** What has a plain name and a clinical term, as whoever is signed in reads it: the name, and the term beside it where both are wanted. */
export function called(one: { name: string; clinical: string }): { name: string; beside: string } {
  const words = settings().note_words
  const same = one.name.toLowerCase() === one.clinical.toLowerCase()
  return {
    name: words === 'clinical' ? capital(one.clinical) : one.name,
    beside: words === 'both' && !same ? one.clinical : '',
  }
}
/** One line for a set of limits of the same rule and effect: where, and what. */
export interface LimitLine {
  where: string
  what: string
  reason: string
  instead: string
  /** one way of working waits for a check; nothing that is done today is bound by it */
  waits?: boolean
}

const whatOf = (limit: Limit): string => {
  const { technique, tool, position, product } = limit.scope
  const thing =
    (technique && atlas.techniques[technique]) ||
    (tool && atlas.tools[tool]) ||
    (position && `lying ${atlas.positions[position]}`) ||
    (product && product.replaceAll('_', ' ')) ||
    ''
  switch (limit.effect) {
    case 'avoid':
      return 'nothing pressed'
    case 'cap_pressure':
      return `up to pressure ${limit.value}`
    case 'cap_minutes':
      return `${limit.value} minutes at most`
    case 'exclude':
      return technique ? `leave out: ${thing.toLowerCase()}` : `no ${thing.toLowerCase()}`
    case 'doctor_first':
      return 'ask a doctor first'
    case 'check_first':
      return `ask first: ${String(limit.value).replaceAll('_', ' ')}`
    case 'glove':
      return `${String(limit.value).replaceAll('_', ' ')} where gloves are needed`
    default:
      return String(limit.value ?? '').replaceAll('_', ' ')
  }
}

/** A question that holds the whole visit, not one way of working. */
const isStart = (limit: Limit): boolean => limit.scope.all === true
/** Limits that say the same of many zones, drawn together into one line. */
export function limitLines(limits: readonly Limit[]): LimitLine[] {
  const groups = new Map<string, Limit[]>()
  for (const limit of limits) {
    const { technique, tool, position, product, muscle: of, site } = limit.scope
    const name =
      limit.effect === 'check_first'
        ? isStart(limit)
          ? 'check_first'
          : `check_first|${limit.cause}`
        : [limit.effect, limit.value, technique, tool, position, product, of, site, limit.rules.join()].join('|')
    groups.set(name, [...(groups.get(name) ?? []), limit])
  }
  return [...groups.values()].map((group) => {
    const first = group[0] as Limit
    if (first.effect === 'check_first' && !isStart(first)) {
      const checks = [...new Set(group.map((limit) => String(limit.value)))].map(
        (id) => atlas.tests.find((one) => one.id === id)?.name.toLowerCase() ?? id.replaceAll('_', ' '),
      )
      return {
        where: capital(first.cause),
        what: `wait for: ${checks.join(', ')}`,
        reason: 'Until it is done, and clean, these steps stay out.',
        instead: first.instead,
        waits: true,
      }
    }
    if (first.effect === 'check_first' && group.length > 1) {
      return {
        where: 'Before work',
        what: `${group.length} questions are open`,
        reason: 'Until they are answered they are unknown, and unknown is never no.',
        instead: '',
      }
    }
    const zones = [...new Set(group.flatMap((limit) => (limit.scope.zone ? [limit.scope.zone] : [])))]
    const sides = new Set(group.map((limit) => limit.scope.side))
    const groupNames = [...new Set(zones.map((id) => zone(id).group))]
    const side = sides.size === 1 && first.scope.side && first.scope.side !== 'midline' ? `, ${first.scope.side}` : ''
    const where = first.scope.muscle
      ? `${muscle(first.scope.muscle).name}${side}${first.scope.site ? `, ${siteNames[first.scope.site]}` : ''}`
      : zones.length === 0
        ? 'Everywhere'
        : group.length === 1 && first.scope.zone && first.scope.side
          ? placeName({ zone: first.scope.zone, side: first.scope.side })
          : zones.length <= 2
            ? zones.map((id) => zone(id).name).join(' and ') + side
            : groupNames.length <= 2
              ? groupNames.join(' and ') + side
              : `${zones.length} places`
    return { where: capital(where), what: whatOf(first), reason: first.reason, instead: first.instead }
  })
}
/** What is in hand: places, and the muscle if there is one. */
export interface InHand {
  places: readonly Place[]
  muscle?: { muscle: MuscleId; side: Side }
}
/** Whether a limit speaks of what is in hand by name; one that holds everywhere speaks of nothing in particular. */
export const speaksOf = (limit: Limit, hand: InHand): boolean => {
  if (limit.effect === 'check_first') return false
  const { zone: at, muscle: of, side } = limit.scope
  if (of) return hand.muscle?.muscle === of && hand.muscle.side === side
  return at !== undefined && hand.places.some((place) => place.zone === at && (place.side === side || side === 'midline'))
}
export const plural = (count: number, one: string, several: string): string => `${count} ${count === 1 ? one : several}`
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
/** How soon somebody is to be seen, or when again; empty where neither is said. */
export const whenWords = (when: Safety['when']): string => {
  if (!when) return ''
  if ('again_after_days' in when) return `again after ${when.again_after_days} ${when.again_after_days === 1 ? 'day' : 'days'}`
  return when.within_days === 0 ? 'the same day' : `within ${when.within_days} ${when.within_days === 1 ? 'day' : 'days'}`
}
/** Where practitioners differ: what it is about, and the choices. */
export const schoolWords: Record<string, { about: string; choices: Record<string, string> }> = {
  pressure: { about: 'How strong at most', choices: { under_pain: 'under pain', firm_seven: 'a firm 7', up_to_eight: 'up to 8' } },
  trigger_point: {
    about: 'A hold lasts',
    choices: { seconds: 'so many seconds', breaths: 'so many breaths', until_change: 'until it changes' },
  },
  order: { about: 'First comes', choices: { source_first: 'the source', site_first: 'where it hurts' } },
  tendon: {
    about: 'A tendon is worked',
    choices: { cross_fibre: 'across', pin_and_lengthen: 'pinned, lengthened', broad_only: 'broadly only' },
  },
  strap_muscle: { about: 'A strap muscle lies', choices: { slack: 'slack', lengthened: 'lengthened' } },
  acute_tendon: { about: 'An acute tendon', choices: { cold_and_around: 'cold, and around it', leave_alone: 'is left alone' } },
  low_back: { about: 'The low back is worked', choices: { face_down: 'face down', side_lying: 'lying on the side', both: 'either way' } },
  both_sides: {
    about: 'Of two sides',
    choices: { affected_deep_other_light: 'one deep, one light', always_equal: 'both alike', affected_only: 'the affected only' },
  },
}
/** A joint as it is spoken of: "neck level C4", "shoulder blade". */
export const jointName = ({ kind, level, part }: Joint): string => [kind.replaceAll('_', ' '), level, part].filter(Boolean).join(' ')

/** One, two and three. */
export const listed = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`
/** How high the table stands for a plan. */
export const tableWords = ({ cm, lower }: { cm: number; lower: boolean }): string =>
  lower ? `Table at ${tenth(cm)} cm, lower than usual: most firm work is leant on from above.` : `Table at ${tenth(cm)} cm, as usual.`
/** To one place after the point. */
export const tenth = (value: number): number => Math.round(10 * value) / 10
/** A text in lines of at most so many letters, broken between words: a longer word stands alone. */
export const inLines = (text: string, most: number): string[] =>
  text.split(' ').reduce<string[]>((lines, word) => {
    const last = lines.at(-1)
    if (last !== undefined && last.length + 1 + word.length <= most) return [...lines.slice(0, -1), `${last} ${word}`]
    return [...lines, word]
  }, [])
