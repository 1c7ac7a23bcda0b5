import type { Answer, EntryKind, EntryPayloads, EventPayloads, EventType, Joint, Place, Setup } from './entries.generated'
import type { MuscleId, PositionId, RegionId, Side, TechniqueId, ToolId, ZoneId } from './ids.generated'

export type StepId = 'ask' | 'screen' | 'move' | 'feel' | 'think' | 'agree' | 'plan' | 'work' | 'recheck' | 'after'
export type StepState = 'done' | 'part' | 'open' | 'blocked'
export type Verdict = 'emergency' | 'refer' | 'defer' | 'modify' | 'proceed'
export type Phase = 'before' | 'after'
export type Role = 'source' | 'site' | 'overstretched' | 'compensating' | 'unclear'

/** What was found and said: as the schema of the case file declares it. */
export type { Answer, EntryKind, EntryPayloads, EventPayloads, EventType, Joint, Place } from './entries.generated'
export type Complaint = EntryPayloads['complaint']
export type Palpation = EntryPayloads['palpation']
export type Site = NonNullable<Palpation['site']>
export type RangeFinding = EntryPayloads['range']
export type Resisted = EntryPayloads['resisted']
export type TestFinding = EntryPayloads['test']
export type TestResult = NonNullable<TestFinding['result']>
export type Posture = EntryPayloads['posture']
export type ConditionAnswer = EntryPayloads['condition']
export type Medicine = EntryPayloads['medicine']
/** Agreement to an area or, by somebody else, for a minor: with the words it was asked in, who asked and when. */
export type Agreement = EntryPayloads['consent'] | EntryPayloads['guardian']
export interface Clot {
  sum: number
  least: number
  most: number
  items: Record<string, { points: number; answer: Answer }>
  suspected: boolean
}

/** One recorded entry as the server keeps it; a null payload was taken back. */
export interface Entry<K extends EntryKind = EntryKind> {
  kind: K
  phase: Phase
  identity: string
  payload: EntryPayloads[K] | null
  revision: number
  said_on: string
}

export interface Limit {
  effect: string
  scope: {
    all?: true
    zone?: ZoneId
    muscle?: MuscleId
    /** a part of the muscle; absent means all of it */
    site?: Site
    side?: Side
    technique?: TechniqueId
    tool?: ToolId
    position?: PositionId
    product?: string
  }
  value: number | string | null
  rules: string[]
  /** what the rule speaks of */
  cause: string
  reason: string
  instead: string
}
export interface Question {
  id: string
  ask: string
  because: string
  blocks: boolean
}
export interface Safety {
  verdict: Verdict
  when: { within_days: number } | { again_after_days: number } | null
  limits: Limit[]
  questions: Question[]
  because: { rule: string; verdict: Verdict; reason: string }[]
  may_start: boolean
  /** whether anything was answered at all */
  asked: boolean
  overridden: Verdict | null
  clot: Clot | null
}
export interface Evidence {
  kind: string
  code: string
  weight: number
  text: string
}
export interface Candidate {
  muscle: MuscleId
  side: Side
  name: string
  support: number
  log_odds: number
  words: string
  role: Role
  trigger_point: string
  evidence: Evidence[]
}
/** A joint, at one level where it has levels, that was examined and could explain the picture. */
export interface JointCandidate {
  joint: { kind: string; level?: string }
  side: Side
  name: string
  support: number
  log_odds: number
  words: string
  role: 'joint'
  evidence: Evidence[]
  /** the check by which it is tried with the hand */
  tried: { kind: 'test' | 'range'; id: string }
  /** muscles around it that were found tender, tense or short */
  explains: { muscle: MuscleId; side: Side }[]
}
export interface NextCheck {
  kind: 'palpate' | 'range' | 'resisted' | 'test' | 'ask'
  id: string
  side: Side
  name: string
  bits: number
  /** bits a minute: by this they are ordered */
  gain: number
  minutes: number
  because: string
}
/** Where a muscle or a joint would stand if a check were done; `was` is its place now, from 1. */
export interface Supposed {
  /** of a muscle or a joint, with its side */
  key: string
  name: string
  words: string
  was: number
}
export interface SupposedCase {
  first: Supposed[]
  /** what the plan would take in and leave out; nothing where it stays */
  plan: string[]
}
export interface ListedMeasure {
  kind: 'range' | 'resisted' | 'test'
  id: string
  name: string
  unit: 'deg' | 'mm' | 'cm' | 'kg' | 'glide' | 'grade' | 'result' | 'strength' | 's' | 'times'
  paired: boolean
  position: Standing
  minutes: number
  /** measured at the last visit */
  last: boolean
  /** listed because a complaint feels like a nerve */
  nerve: boolean
  /** why it is not done today */
  refused: { kind: 'unasked' | 'forbidden' | 'position'; text: string } | null
}
export type Standing = 'standing' | 'seated' | 'supine' | 'side' | 'prone'
export interface ListedMuscle {
  id: MuscleId
  name: string
  position: Standing
  last: boolean
}
/** What to measure and feel, in the order in which the client turns least. */
export interface Worklist {
  regions: RegionId[]
  full: boolean
  position: Standing | null
  measures: ListedMeasure[]
  muscles: ListedMuscle[]
}
export interface Compared {
  what: 'usual' | 'other_side' | 'last' | 'first'
  other: number
  difference: number
  real: boolean
  better: boolean
  /** null where nobody has set what would matter */
  matters: boolean | null
  words: string
}
/** A measure of today beside the usual, the other side and before. */
export interface Comparison {
  key: string
  side: Side
  value: number
  unit: string
  norm: number | null
  error: number
  error_from: 'default' | 'repeats'
  with: Compared[]
}
/** Something found in one place that would keep up the trouble in another. */
export interface Chain {
  kind: 'short_pulls' | 'stiff' | 'busy_side' | 'whole' | 'whole_open'
  title: string
  because: string[]
  muscles: { muscle: MuscleId; side: Side }[]
  from: Place[]
  to: Place[]
  against: string[]
  /** what was not looked at, and would confirm it */
  ask: string[]
  /** what to measure again after the work */
  again: string[]
}
export interface Assessment {
  worklist: Worklist
  compared: Comparison[]
}
export type DeviceId = 'algometer' | 'inclinometer' | 'dynamometer'
/** One line of what a device sends (docs/device-protocol.md). */
export interface DeviceReading {
  device: DeviceId | 'plate'
  quantity: 'pressure' | 'angle' | 'force'
  value: number
  unit: 'kPa' | 'deg' | 'kg' | 'N'
  state: 'live' | 'hold'
  at: number
}
export interface Pattern {
  candidates: Candidate[]
  joints: JointCandidate[]
  /** leads where what was found speaks for it more than for any: then no muscle is offered as the source */
  none: { support: number; leads: boolean; evidence: { code: string; weight: number; text: string }[] }
  next_checks: NextCheck[]
}
export interface Pass {
  pressure: number
  seconds: number
  hold_seconds: number | null
  tissue_kpa: number
  force_n: number
  lean_percent: number
}
/** One thing a hand bears in mind at a step; `id` is of what it comes from. */
export interface Caution {
  kind: 'safety' | 'hazard' | 'muscle' | 'glove' | 'hygiene' | 'cold'
  id: string
  text: string
}
/** One thing the hands do. */
export interface Manoeuvre {
  technique: TechniqueId
  do: string
  spots: string[]
  spot_names: string[]
  setup: { id: string; side: Side } | null
  tool: ToolId
  hand: string
  other_hand: string
  from: string | null
  to: string | null
  product: string
  say: string | null
  client_action: string | null
  repeats: number
  /** at one spot, each time */
  seconds: number
  /** none where nothing is pressed */
  pressure: number | null
  /** felt; a plan agreed earlier does not tell */
  ceiling?: number | null
  leave: string
  ends_when: string[]
  branch: { id: string; ask: string; yes: { do: string; text: string }; no: { do: string; text: string } } | null
  because: string
}
export interface PlanStep {
  id: string
  kind:
    | 'settle'
    | 'position'
    | 'warm_up'
    | 'cold'
    | 'feel'
    | 'treat'
    | 'soothe'
    | 'rest_stroke'
    | 'hygiene'
    | 'recheck'
    | 'finish'
    | 'aftercare'
  label: string
  minutes: number
  position: PositionId
  muscle: MuscleId | null
  side: Side | null
  site: Site | null
  zones: ZoneId[]
  places: Place[]
  technique: TechniqueId | null
  tool: ToolId | null
  product: string | null
  client_action: string | null
  passes: Pass[]
  /** how to come to it, step by step, and what proves it */
  find: string[]
  cautions: Caution[]
  why: string
  ceiling: { felt: number; because: string; caps: { felt: number; id: string; reason: string }[] } | null
  check: { kind: 'range' | 'test' | 'palpate'; id: string; side: Side; text: string } | null
  other_side: boolean
  /** of a step of hygiene */
  what?: 'wash' | 'glove_on' | 'glove_off_wash' | 'wipe'
  joint?: Joint
  /** the same in each round of one target */
  target?: string
  round?: number
  /** the therapist's own */
  words?: string
  manoeuvres?: Manoeuvre[]
}
export interface Plan {
  verdict: 'planned' | 'none'
  because: string
  /** the plan in one sentence */
  headline: string
  minutes: number
  steps: PlanStep[]
  left_out: {
    muscle?: MuscleId
    joint?: Joint
    side: Side
    name: string
    kind:
      | 'dropped'
      | 'stopped'
      | 'course'
      | 'training'
      | 'position'
      | 'technique'
      | 'tool'
      | 'ceiling'
      | 'minutes'
      | 'quiet'
      | 'unfelt'
      | 'consent'
      | 'check_first'
      | 'limit'
      | 'worth'
    /** the word of the case file for the kind */
    reason: string
    /** how it comes in after all */
    bring_in: string | null
    /** the area to be agreed or the rule that forbids it */
    id: string
    because: string
  }[]
  turns: number
  /** what all its minutes together are expected to bring; to compare plans of one case */
  benefit: number
  therapist_load: Record<string, number>
  /** firm minutes asked of each part of the hand, and what it has; a plan agreed earlier may not tell */
  hands?: { part: string; name: string; minutes: number; of: number }[]
  /** per cent of one's mass */
  most_lean?: number | null
  /** tools whose forces are those of one's own hands on the plate; and how high the table stands, where it was told */
  measured?: ToolId[]
  table?: { cm: number; lower: boolean } | null
  targets: {
    muscle?: MuscleId
    joint?: Joint
    side: Side
    name: string
    minutes: number
    size: 'short' | 'usual' | 'long'
    /** what it is found like, in words */
    situation: string
    role: Role
    words: string
    worth: number
    locked: boolean
    /** of a muscle: what may be set by hand, and why not the rest */
    choices?: {
      /** minutes by size */
      sizes: Partial<Record<'short' | 'usual' | 'long', number>>
      positions: { id: PositionId; because: string | null }[]
      tools: { id: ToolId; because: string | null }[]
      /** of the part the minutes are there for; also what may be added */
      techniques: { id: TechniqueId; because: string | null }[]
      setups: { id: Setup['id']; side: Side; because: string | null }[]
      sites: { id: Site; because: string | null }[]
      /** none where it is not held spot by spot */
      spots: { id: string; name: string; because: string | null }[]
      ceiling: number | null
    }
    /** what was set by hand and could not be kept, each in a sentence */
    refused?: string[]
  }[]
}
/** How somebody likes to work a muscle. */
export interface Liked {
  technique?: TechniqueId
  tool?: ToolId
}
/** Whose paper it is, when and by whom. */
export interface PaperOf {
  visit: { id: string; number: number; date: string }
  client: { id: string; name: string; code: string; words: Words }
  clinic: string
  therapist: string
}
export interface Measure {
  key: string
  name: string
  unit: string
  side: Side
  series: [string, number][]
  points: ('improved' | 'no_real_change' | 'worse' | 'not_enough')[]
  change: number | null
  mdc: number
  /** where the error comes from that a change must exceed: repeats of that day, or the table */
  mdc_from: string
  better: 'larger' | 'smaller'
  verdict: 'improved' | 'no_real_change' | 'worse' | 'not_enough'
}
export interface Response {
  measures: Measure[]
  targets: {
    muscle: MuscleId
    side: Side
    name: string
    decision: string
    pressure_step: number
    because: string
    visits: number
    last_dose_kpa_s: number | null
    /** kPa·s: the most that was borne, and the least that made sore */
    tolerance: { borne: number | null; sore_from: number | null; varies: boolean; visits: number }
    own: Measure['verdict']
  }[]
  course: { decision: string; because: string; sureness: string }
  /** what got better while something else got worse, in words */
  contradiction: string | null
  goals: GoalProgress[]
  helped: Helped[]
  /** null where no pain was ever asked */
  line: CourseLine | null
  plan: { phases: CoursePhase[]; look_again: string | null; ends: string[] }
  visits: VisitMark[]
}
/** How far a goal is reached; nothing where it was never measured. */
export interface GoalProgress {
  measure: string
  side: Side
  name: string | null
  unit: string | null
  value: number
  by: string | null
  share: number | null
  /** on how many readings in a row, up to the last */
  kept: number
  reached: boolean
  overdue: boolean
}
/** What came after one kind of work, in changes that are real. */
export interface Helped {
  by: 'target' | 'technique' | 'pressure'
  id: string
  name: string
  change: number
  low: number
  high: number
  readings: number
  visits: number
  shared: boolean
  verdict: 'helps' | 'hinders' | 'open'
  words: string
}
export interface CourseLine {
  measure: string
  stage: string | null
  points: { date: string; actual: number | null; expected: number; low: number; high: number }[]
  verdict: 'ahead' | 'within' | 'behind' | 'unknown'
  words: string
}
export interface CoursePhase {
  id: 'calm' | 'range' | 'strength' | 'space_out'
  name: string
  state: 'passed' | 'now' | 'ahead'
  gates: { id: string; words: string; holds: boolean | null; because: string }[]
  expect: string
}
/** How a past visit was borne, and how much was worked, kPa·s by muscle and side. */
export interface VisitMark {
  date: string
  sore_hours: number | null
  worse: boolean | null
  home_care: number | null
  doses: Record<string, number>
}
export type Done = EntryPayloads['done']
/** Something that happened at the table, as the schema of events declares it. */
export interface TreatmentEvent<K extends EventType = EventType> {
  id: string
  type: K
  step: string
  payload: EventPayloads[K]
  /** which tablet, and its running number there; none for what happened before they were told apart */
  device: string | null
  number: number | null
  happened_at: string
}
/** What follows from what the client says or shows, judged by the core before the work begins. */
export interface Tableside {
  signs: Record<string, { hands: 'off' | 'ease' | 'stay'; decides: boolean; now: string; late: string | null; leads_on: boolean }>
  /** held so long without a change, it is left */
  unchanged_seconds: number
  /** to the client, by the kind of a step */
  says: Partial<Record<PlanStep['kind'] | 'press_again', string>>
  /** kinds of steps without manoeuvres whose whole time is time of hands on */
  hands_on: string[]
  /** what to expect and when to ring, by where the plan presses */
  after: string[]
  /** of a number: may hold {to}, {number} and {ceiling} */
  words: Record<string, string>
  /** to what one eases off, by pressure in halves */
  eased: number[]
  /** from so much on a hand is asked for something, felt; and of which part of it each tool asks */
  firm_from: number
  parts: Record<string, string>
  /** by ceiling: how deep next by pressure in halves, null where it is the ceiling; what a number means, 0-10, by pressure */
  ceilings: Record<string, { raised: (number | null)[]; numbers: [string, number][][] }>
}
/** Consent as the server knows it: areas taken back, and the withdrawals at the table that no consent has lifted. */
export interface TakenBack {
  withdrawn: string[]
  unlifted: Record<string, string>
}
/** A sentence of a note, and where in the visit it was read from. */
export interface NoteSentence {
  id: string
  text: string
  sources: { step: StepId; name: string }[]
  /** as it was composed, where somebody changed it */
  composed?: string
  /** the record says something else by now than when it was changed */
  stale?: boolean
}
/** What was measured before the work and after it. */
export interface NoteChange {
  key: string
  name: string
  side: Side
  before: string
  after: string
  verdict: Measure['verdict']
  words: string
}
export interface NoteDocument {
  parts: { id: NotePart; heading: string; sentences: NoteSentence[] }[]
  changes: NoteChange[]
  next?: Pick<NextVisit, 'days' | 'minutes' | 'reason' | 'because'>
  /** changed by hand, and about something that is no longer in the record */
  gone: { id: string; text: string }[]
}
/** Something that could be given for home. */
/** Something for home as it may be chosen by hand: on which sides, or why not today. */
export interface HomeChoice {
  exercise: EntryPayloads['home_care']['exercise']
  sides: Side[]
  /** at the freshest of the places it works on */
  dose: string
  because: string | null
}
export interface HomeAdvice {
  exercise: EntryPayloads['home_care']['exercise']
  name: string
  kind: 'stretch' | 'release' | 'move' | 'strengthen' | 'habit'
  steps: string[]
  dose: string
  how_often: string
  /** when to stop; empty where there is nothing to say */
  stop: string
  stage: string
  because: string
  /** handed out last time as well */
  again: boolean
  muscle: MuscleId
  side: Side
}
/** When to come again, where the diary has room then, and what is booked. */
export interface NextVisit {
  days: number | null
  minutes: number | null
  reason: string
  because: string
  free: { day: string; time: string }[]
  booked: { at: string; minutes: number; word: string | null } | null
}
export type NotePart = 'reason' | 'safety' | 'found' | 'reasoning' | 'agreed' | 'done' | 'home_care' | 'next'
export interface Words {
  possessive: string
  object: string
  subject: string
}
export interface Judged {
  safety: Safety
  line: { id: StepId; state: StepState; note: string }[]
  assessment?: Assessment
  chains?: Chain[]
  pattern?: Pattern
  plan?: Plan
  response?: Response
  /** on After, until it is signed */
  note?: NoteDocument
  home?: HomeAdvice[]
  home_choices?: HomeChoice[]
}
export interface VisitProps extends Judged {
  visit: {
    id: string
    number: number
    status: 'open' | 'stopped' | 'signed'
    minutes: number
    date: string
    step: StepId
    /** made here, or brought in from elsewhere and only read */
    origin: 'here' | 'elsewhere'
    writable: boolean
  }
  client: {
    id: string
    name: string
    code: string
    occupation: string | null
    hand: string | null
    age: number
    guardian: string | null
    words: Words
  }
  entries: Entry[]
  standing: Entry[]
  agreed: { id: number; at: string; plan: Plan } | null
  events: TreatmentEvent[] | null
  /** on Plan, of a treatment that runs */
  minutes_left: number | null
  /** on Work */
  tableside: Tableside | null
  /** on Work */
  taken_back: TakenBack | null
  /** what is stored of this visit and cannot be read any more */
  unreadable: { what: string; fault: string }[]
  done: Done[]
  /** what the client answered to the work, in order */
  signs: { at: string; sign: string; by_server: boolean; slip: boolean; muscle: MuscleId | null; side: Side | null }[]
  notes: {
    revision: number
    happened: string
    advice: string
    next_time: string
    reason: string | null
    /** as it was signed; none of an older record */
    note: NoteDocument | null
    signed_at: string
    needs_countersign: boolean
    countersigned_at: string | null
    countersigner: string | null
    /** what a supervisor said of it instead of signing, and who */
    back: string | null
    back_by: string | null
  }[]
  /** on After */
  next: NextVisit | null
  /** how the client is asked afterwards how it was: the address there is, and when mails go or went */
  check_back: { email: string | null; mails: { at: string; sent: boolean }[] } | null
  /** somebody licensed, and not who wrote it */
  may_countersign: boolean
  may_correct: boolean
  before: {
    number: number
    date: string
    entries: Entry[]
    done: Done[]
    /** what the note leaves for this visit, on Ask */
    to_look_at: string[]
    /** what was handed out for home */
    home_care: EntryPayloads['home_care'][]
  } | null
  /** where each measuring device answers */
  devices: Partial<Record<DeviceId, { address: string; simulated: boolean }>>
  /** techniques that are not done in this clinic, and why */
  /** how whoever treats works where practitioners differ, on Plan */
  /** how muscles are liked to be worked, on the plan */
  prefers: Partial<Record<MuscleId, Liked>>
  school: Record<string, string>
  off_here: { name: string; reason: string }[]
  /** what the client answered alone before this visit */
  check_in: { at: string; taken: boolean; raised: { answer: string; words: string }[] } | null
}
