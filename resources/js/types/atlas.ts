import type { ToolId } from './ids.generated'
export type EntryKind = 'muscle' | 'movement' | 'test' | 'technique' | 'landmark'

/** A way to another entry. */
export interface EntryLink {
  kind: EntryKind
  id: string
  name: string
}
export interface SidedLink extends EntryLink {
  side: string
  prime?: boolean
}
export interface LandmarkName {
  id: string
  name: string
  plain: string
}
export interface HazardWords {
  name: string
  where: string
  what: string
  sign: string
  safe_line: string
  only: 'left' | 'right' | null
}
/** A name and what is to be known of it. */
export interface Word {
  name: string
  says: string
}
interface Entry<K extends EntryKind> {
  kind: K
  id: string
  name: string
}
export interface MuscleEntry extends Entry<'muscle'> {
  plain: string | null
  synonyms: string[]
  group: string
  structure: boolean
  layer: string
  tissue: string
  advanced: boolean
  most_felt: number | null
  ppt_kpa: number
  zones: string[]
  core: string[]
  spill_over: string[]
  under: string
  felt_at: string
  also_at: string
  find: { do: string; landmark: LandmarkName | null }[]
  proof: string | null
  upper: { words: string; landmarks: LandmarkName[] }
  lower: { words: string; landmarks: LandmarkName[] }
  fibres: string
  nerve: string | null
  roots: string
  does: SidedLink[]
  also: string[]
  lengthened_by: SidedLink[]
  lengthening_note: string | null
  covered_by: EntryLink[]
  part_of: EntryLink | null
  parts: EntryLink[]
  antagonists: EntryLink[]
  synergists: EntryLink[]
  positions: Word[]
  techniques: EntryLink[]
  tools: Word[]
  sites: { name: string; under: string; techniques: string[]; tools: string[] }[]
  client_action: string | null
  consent: string | null
  shortened_by: Word[]
  tired_by: Word[]
  complaints: string[]
  hazards: HazardWords[]
  beware: string[]
  self_care: { id: string; name: string; steps: string[]; dose: string; how_often: string; not_with: string[] }[]
  no_self_care: string | null
  source: string
}
export interface MovementEntry extends Entry<'movement'> {
  steps: string[]
  position: string
  paired: boolean
  norm: string
  error: string
  possible: string
  larger: boolean
  done_by: SidedLink[]
  lengthens: SidedLink[]
  source: string
}
export interface TestEntry extends Entry<'test'> {
  steps: string[]
  position: string
  usual: string
  means: string
  never_when: string[]
  error: string | null
  paired: boolean
  source: string
}
export interface TechniqueEntry extends Entry<'technique'> {
  what: string
  steps: string[]
  dose: string
  stages: string[]
  on_stretch: boolean
  not_with: string[]
  products: Word[]
  tools: { id: ToolId; name: string; hand: string; load: string }[]
  used_on: EntryLink[]
  source: string
}
export interface LandmarkEntry extends Entry<'landmark'> {
  plain: string
  find: string
  palpable: boolean
  midline: boolean
  zones: string[]
  under: string
  attached: EntryLink[]
  hazards: HazardWords[]
}
export type AtlasEntry = MuscleEntry | MovementEntry | TestEntry | TechniqueEntry | LandmarkEntry

export interface SearchHit {
  kind: EntryKind
  id: string
  name: string
  plain: string | null
  because: string
}
