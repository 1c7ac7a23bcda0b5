import raw from './atlas.generated.json'
import type { Joint } from '@/types/entries.generated'
import type { Place } from '@/types/visit'
import type {
  ClotItemId,
  ConditionId,
  ConsentAreaId,
  DemandId,
  MedicineId,
  MovementId,
  MuscleId,
  PositionId,
  PostureSignId,
  RedFlagId,
  SituationId,
  RegionId,
  Side,
  TechniqueId,
  TestId,
  ToolId,
  ZoneId,
} from '@/types/ids.generated'

export interface AtlasMuscle {
  id: MuscleId
  name: string
  plain: string | null
  /** the muscle or group of which it is a part that can be told apart */
  whole: MuscleId | null
  /** seldom the source by itself */
  seldom: boolean
  layer: number
  group: string
  zones: ZoneId[]
  refers: ZoneId[]
  find: string[]
  /** all its parts, its attachments too */
  everywhere: ZoneId[]
  proof: string
  /** What the hand looks out for there, by side: some things lie on one side only. */
  watch: Record<'left' | 'right', string[]>
  lengthened: [MovementId, 'same' | 'opposite' | 'midline'][]
  consent: ConsentAreaId | null
  /** places beside it that are never pressed */
  hazards: string[]
}
export interface AtlasMovement {
  id: MovementId
  name: string
  clinical: string
  unit: string
  paired: boolean
  norm: number
  min: number
  max: number
  error: number
  larger: boolean
  how: string
}
export interface AtlasTest {
  id: TestId
  name: string
  result: 'result' | 'glide' | 'mm' | 'cm' | 'kg' | 'deg' | 'grade' | 's' | 'times'
  paired: boolean
  how: string
  usual: string
  norm: number | null
  max: number | null
  error: number | null
  larger: boolean
  /** the longest a side is held */
  seconds: number | null
  /** signs that stop it at once */
  alarms: string[]
  /** places it may run to */
  where: ZoneId[]
  /** what can be answered where no number is, in words */
  answers: Partial<Record<'negative' | 'positive' | 'relieves', string>>
  /** levels of the spine it speaks of, with what it is tried on there */
  levels: Record<string, string>
}
export interface AtlasHazard {
  name: string
  sign: string
  safe: string
  only: Side | null
  zones: ZoneId[]
}
export interface AtlasCondition {
  id: ConditionId
  label: string
  ask: string
  /** what is asked after a yes, at the visit */
  more: string | null
  group: string
  zoned: boolean
  staged: boolean
  /** what else decides: swelling, controlled, pressure, weeks */
  details: string[]
  /** for how many days an answer stands */
  fresh_days: number | null
}
/** What of a complaint, or of whom, a question belongs to: there it is asked before the others. */
interface FirstFor {
  near?: string[]
  zones?: ZoneId[]
  qualities?: string[]
  situations?: SituationId[]
  from_age?: number
}
interface Atlas {
  muscles: AtlasMuscle[]
  zones: { id: ZoneId; name: string; group: string; midline: boolean; neighbours: ZoneId[] }[]
  movements: AtlasMovement[]
  tests: AtlasTest[]
  regions: { id: RegionId; name: string; zones: ZoneId[]; look: PostureSignId[] }[]
  /** tests that speak for a joint only together */
  testSets: { id: string; name: string; tests: TestId[]; least: number }[]
  posture: { id: PostureSignId; name: string; clinical: string; paired: boolean }[]
  /** places never to press, or only with care */
  hazards: Record<string, AtlasHazard>
  /** by their everyday name where there is one */
  landmarks: Record<string, string>
  /** small things to do at home */
  self_care: Record<string, { name: string; dose: string; how_often: string; kind: string }>
  demands: Record<DemandId, string>
  /** groups of zones each is asked of first */
  demandsNear: Record<DemandId, string[]>
  /** what worsens or eases and is no movement and no demand, with the groups of zones it is asked of */
  situations: Record<SituationId, { name: string; worse: string[]; better: string[] }>
  products: Record<string, string>
  techniques: Record<TechniqueId, string>
  tools: Record<ToolId, string>
  positions: Record<PositionId, string>
  /** how a limb lies within a position */
  setups: Record<string, { name: string; bolster: string; drape: string; say: string }>
  /** by side only, or by level too */
  joints: { kind: Joint['kind']; name: string; levels: string[] }[]
  consent: Record<ConsentAreaId, string>
  /** how each is asked, word for word */
  consentAsks: Record<ConsentAreaId, string>
  /** urgent: a yes alone is an emergency */
  flags: Record<RedFlagId, { ask: string; everyVisit: boolean; urgent: boolean; dated: boolean; firstFor: FirstFor }>
  conditions: AtlasCondition[]
  groups: Record<string, string>
  medicines: Record<
    MedicineId,
    {
      label: string
      ask: string
      more: string | null
      local: boolean
      within_days: number | null
      asks_weeks: boolean
      asks_dose: boolean
      names: string[]
    }
  >
  /** the calf score: what each item asks and counts */
  clot: Record<ClotItemId, { ask: string; points: number }>
  stopSigns: { id: string; name: string; do_now: string; goes_on: boolean }[]
  answerSigns: Record<string, string>
}
export const atlas = raw as unknown as Atlas

const byId = <T extends { id: string }>(list: T[]): Map<string, T> => new Map(list.map((one) => [one.id, one]))
const muscles = byId(atlas.muscles)
const zones = byId(atlas.zones)
const movements = byId(atlas.movements)
const tests = byId(atlas.tests)
const regions = byId(atlas.regions)

const found = <T>(one: T | undefined, id: string): T => {
  if (one === undefined) throw new Error(`"${id}" is not in the atlas`)
  return one
}
export const muscle = (id: string): AtlasMuscle => found(muscles.get(id), id)
/** The muscle or group a part belongs to, or itself. */
export const wholeOf = (id: MuscleId): MuscleId => muscle(id).whole ?? id
/** The parts of a muscle or group that can be told apart. */
export const partsOf = (id: MuscleId): AtlasMuscle[] => atlas.muscles.filter((one) => one.whole === id)
/** What lies beside a muscle on that side and is never pressed; what lies in these zones first. */
export const hazardsBeside = (id: string, side: Side, zones: readonly ZoneId[]): (AtlasHazard & { id: string })[] => {
  const inReach = (one: AtlasHazard): number => Number(one.zones.some((here) => zones.includes(here)))
  return muscle(id)
    .hazards.flatMap((name) => {
      const one = atlas.hazards[name]
      return one && (!one.only || one.only === side) ? [{ ...one, id: name }] : []
    })
    .sort((a, b) => inReach(b) - inReach(a))
}
export const movement = (id: string): AtlasMovement => found(movements.get(id), id)
export const test = (id: string): AtlasTest => found(tests.get(id), id)
export const region = (id: string) => found(regions.get(id), id)
export const zone = (id: string) => found(zones.get(id), id)
export const placeName = (place: { zone: string; side: Side }): string =>
  zone(place.zone).name + (place.side === 'midline' ? '' : `, ${place.side}`)
export const layerName = (layer: number): string => ['', 'surface', 'middle', 'deep', 'deepest'][layer] ?? ''
/** Every place, each side of it. */
export const places: Place[] = atlas.zones.flatMap((one) =>
  (one.midline ? (['midline'] as const) : (['left', 'right'] as const)).map((side): Place => ({ zone: one.id, side })),
)
const coveredBy = (zones: readonly ZoneId[]): AtlasMuscle[] =>
  atlas.muscles
    .filter((one) => one.whole === null && one.zones.some((here) => zones.includes(here)))
    .sort((a, b) => a.layer - b.layer || Number(a.seldom) - Number(b.seldom) || a.name.localeCompare(b.name))
/** Whether a muscle lies right under a place: over some there is only bone, gristle or tendon. */
export const isBare = (id: ZoneId): boolean => coveredBy([id]).length === 0
/**
 * Muscles that lie under a place, each as a whole, surface first, of a layer what is common first; where none does,
 * those with a part there, and those around it.
 */
export const under = (id: ZoneId): AtlasMuscle[] => {
  const own = coveredBy([id])
  if (own.length) return own
  const part = atlas.muscles.filter((one) => one.whole === null && one.everywhere.includes(id))
  return [...part, ...coveredBy(zone(id).neighbours).filter((one) => !part.includes(one))]
}
export const other = (side: Side): Side => (side === 'left' ? 'right' : side === 'right' ? 'left' : 'midline')
