/**
 * What was agreed and what happened, folded into where a treatment stands: the same reading as core/src/Treatment/Fold.php, for a room that
 * has no network. Both are held to the same streams (tests/unit/fold.test.ts).
 */
import type { TreatmentEvent } from '@/types/visit'

/** What following a treatment needs of a step of the plan. */
export interface AgreedStep {
  id: string
  muscle?: string | null
  side?: string | null
  manoeuvres?: readonly {
    spots: readonly string[]
    pressure: number | null
    branch?: { yes: { do: string }; no: { do: string } } | null
  }[]
}
export type Happened = Pick<TreatmentEvent, 'id' | 'type' | 'step' | 'device' | 'number'> & { payload: object }
export interface Contact {
  /** which manoeuvre; null as told before they were told apart */
  manoeuvre: number | null
  spots: string[]
  /** felt; 0 where nothing is pressed */
  pressure: number
  seconds: number
  kpa_s: number
  /** null as told before each manoeuvre told its own */
  tool: string | null
}
export interface StepState {
  started: boolean
  end: 'done' | 'skipped' | 'stopped' | null
  clock_seconds: number | null
  hand_seconds: number
  /** the first place that is not done; the number of manoeuvres where all are */
  at: { part: number; spot: number }
  /** felt, of what is in hand; null where nothing is pressed */
  pressure: number | null
  /** eased off to, and stays for what follows */
  cap: number | null
  hands_off: boolean
  contacts: Contact[]
  signs: string[]
  numbers: number[]
  answers: { manoeuvre: number; branch: string; answer: string }[]
}
export interface MuscleDose {
  muscle: string
  side: string
  max_pressure: number
  seconds: number
  felt_s: number
  kpa_s: number
  clock_seconds: number
  spots: Record<string, { seconds: number; felt_s: number; kpa_s: number }>
  signs: string[]
}
export interface TreatmentState {
  steps: Record<string, StepState>
  muscles: Record<string, MuscleDose>
  taken_back: string[]
  stopped: boolean
}

const ENDS = { stopped: 'stopped', step_done: 'done', step_skipped: 'skipped' } as const
const CONTACTS: readonly string[] = ['pass_reached', 'eased_off', 'deepened', 'hands_off']
const NEVER_TAKEN_BACK: readonly string[] = ['taken_back', 'consent_withdrawn', 'consent_given']
const tenth = (value: number): number => Math.floor(value * 10 + 0.5) / 10
const cmp = <T>(a: T, b: T): number => (a < b ? -1 : a > b ? 1 : 0)
const figure = (event: Happened, key: string): number | null => {
  const value = (event.payload as Record<string, unknown>)[key]
  return typeof value === 'number' ? value : null
}
const text = (event: Happened, key: string): string | null => {
  const value = (event.payload as Record<string, unknown>)[key]
  return typeof value === 'string' ? value : null
}
const texts = (event: Happened, key: string): string[] => {
  const value = (event.payload as Record<string, unknown>)[key]
  return Array.isArray(value) ? value.filter((one): one is string => typeof one === 'string') : []
}

/** In order, each once; a device numbers what it makes above all it knew of, and no clock orders anything. */
export function ordered<E extends Happened>(events: Iterable<E>): E[] {
  const all = [...new Map([...events].map((event) => [event.id, event])).values()]
  return all.sort((a, b) => cmp(a.number ?? 0, b.number ?? 0) || cmp(a.device ?? '', b.device ?? '') || cmp(a.id, b.id))
}
/** Ids of the touches that were a slip. */
export function takenBack(events: readonly Happened[]): Set<string> {
  const named = new Set(events.flatMap((event) => (event.type === 'taken_back' ? texts(event, 'events') : [])))
  return new Set(events.flatMap((event) => (named.has(event.id) && !NEVER_TAKEN_BACK.includes(event.type) ? event.id : [])))
}

class Step {
  readonly parts
  started = false
  contacts: (Contact & { tissue_kpa: number })[] = []
  signs: string[] = []
  numbers: number[] = []
  answers: StepState['answers'] = []
  off = false
  muscle: string | null
  side: string | null
  private cap: number | null = null
  private set: { part: number; to: number } | null = null
  private readonly finished = new Set<string>()
  private passes = 0
  private readonly ends = new Map<string, Happened>()

  constructor(step: AgreedStep) {
    this.parts = step.manoeuvres ?? []
    this.muscle = step.muscle ?? null
    this.side = step.side ?? null
  }
  private places(part: number): readonly string[] {
    const spots = this.parts[part]?.spots ?? []
    return spots.length ? spots : ['']
  }
  private isOpen = (part: number, spot: string): boolean => !this.finished.has(`${part} ${spot}`)

  take(event: Happened): void {
    const contact = this.contactIn(event)
    const isTwice =
      event.type === 'pass_reached' &&
      contact?.manoeuvre != null &&
      !(contact.spots.length ? contact.spots : ['']).some((spot) => this.isOpen(contact.manoeuvre!, spot))
    if (contact && !isTwice) this.contacts.push(contact)
    switch (event.type) {
      case 'step_started':
        this.started = true
        this.muscle ??= text(event, 'muscle')
        this.side ??= text(event, 'side')
        break
      case 'pass_reached':
        this.reach(contact)
        break
      case 'eased_off':
        this.cap = figure(event, 'to') ?? 0
        this.set = { part: this.at().part, to: this.cap }
        break
      case 'deepened': {
        const to = figure(event, 'to') ?? 0
        this.cap = this.cap === null ? null : Math.max(this.cap, to)
        this.set = { part: this.at().part, to }
        break
      }
      case 'hands_off':
        this.off = true
        break
      case 'hands_on':
        this.off = false
        break
      case 'sign':
        this.signs.push(text(event, 'sign') ?? '')
        break
      case 'number_said':
        this.numbers.push(figure(event, 'number') ?? 0)
        break
      case 'answered':
        this.answer(event)
        break
      case 'stopped':
      case 'step_done':
      case 'step_skipped':
        if (!this.ends.has(event.type)) this.ends.set(event.type, event)
    }
  }
  private contactIn(event: Happened): (Contact & { tissue_kpa: number }) | null {
    const seconds = figure(event, 'seconds')
    if (!CONTACTS.includes(event.type) || (seconds === null && event.type !== 'pass_reached')) return null
    const tissue_kpa = figure(event, 'tissue_kpa') ?? 0
    return {
      manoeuvre: figure(event, 'manoeuvre'),
      spots: texts(event, 'spots'),
      pressure: figure(event, 'pressure') ?? 0,
      seconds: seconds ?? 0,
      kpa_s: tenth((seconds ?? 0) * tissue_kpa),
      tool: text(event, 'tool'),
      tissue_kpa,
    }
  }
  private finish(part: number): void {
    for (const spot of this.places(part)) this.finished.add(`${part} ${spot}`)
  }
  private reach(contact: Contact | null): void {
    this.started = true
    if (contact?.manoeuvre != null) {
      for (const spot of contact.spots.length ? contact.spots : ['']) this.finished.add(`${contact.manoeuvre} ${spot}`)
      return
    }
    // told as passes: each is the next manoeuvre that presses, with what stands before it
    const passes = ++this.passes
    let pressed = 0
    for (const [part, one] of this.parts.entries()) {
      pressed += one.pressure === null ? 0 : 1
      if (pressed > passes || (pressed === passes && one.pressure === null)) return
      this.finish(part)
    }
  }
  private answer(event: Happened): void {
    const part = Math.trunc(figure(event, 'manoeuvre') ?? 0)
    const answer = text(event, 'answer') ?? ''
    this.answers.push({ manoeuvre: part, branch: text(event, 'branch') ?? '', answer })
    const branch = this.parts[part]?.branch
    const skips = branch?.no.do === 'skip' ? 'no' : branch?.yes.do === 'skip' ? 'yes' : null
    if (skips === answer) this.finish(part)
  }
  private at(): StepState['at'] {
    for (const part of this.parts.keys()) {
      const spot = this.places(part).findIndex((one) => this.isOpen(part, one))
      if (spot >= 0) return { part, spot }
    }
    return { part: this.parts.length, spot: 0 }
  }
  private pressure(): number | null {
    const { part } = this.at()
    const planned = this.parts[part]?.pressure ?? null
    if (planned === null) return null
    return this.set?.part === part ? this.set.to : Math.min(planned, this.cap ?? planned)
  }
  private ending(): Happened | undefined {
    return Object.keys(ENDS).flatMap((type) => this.ends.get(type) ?? [])[0]
  }
  clock(): number | null {
    const end = this.ending()
    return end ? figure(end, 'seconds') : null
  }
  state(): StepState {
    const end = this.ending()?.type as keyof typeof ENDS | undefined
    return {
      started: this.started,
      end: end ? ENDS[end] : null,
      clock_seconds: this.clock(),
      hand_seconds: tenth(this.contacts.reduce((sum, one) => sum + one.seconds, 0)),
      at: this.at(),
      pressure: this.pressure(),
      cap: this.cap,
      hands_off: this.off,
      contacts: this.contacts.map(({ manoeuvre, spots, pressure, seconds, kpa_s, tool }) => ({
        manoeuvre,
        spots,
        pressure,
        seconds,
        kpa_s,
        tool,
      })),
      signs: this.signs,
      numbers: this.numbers,
      answers: this.answers,
    }
  }
}

function dosesOf(steps: Iterable<Step>): Record<string, MuscleDose> {
  const doses: Record<string, MuscleDose> = {}
  for (const step of steps) {
    if (!step.started || step.muscle === null || step.side === null) continue
    const dose = (doses[`${step.muscle}|${step.side}`] ??= {
      muscle: step.muscle,
      side: step.side,
      max_pressure: 0,
      seconds: 0,
      felt_s: 0,
      kpa_s: 0,
      clock_seconds: 0,
      spots: {},
      signs: [],
    })
    for (const { pressure, seconds, spots, tissue_kpa } of step.contacts) {
      if (pressure <= 0) continue
      dose.max_pressure = Math.max(dose.max_pressure, pressure)
      dose.seconds += seconds
      dose.felt_s += seconds * pressure
      dose.kpa_s += seconds * tissue_kpa
      const share = seconds / Math.max(1, spots.length)
      for (const spot of spots) {
        const own = (dose.spots[spot] ??= { seconds: 0, felt_s: 0, kpa_s: 0 })
        own.seconds += share
        own.felt_s += share * pressure
        own.kpa_s += share * tissue_kpa
      }
    }
    dose.clock_seconds += step.clock() ?? 0
    dose.signs = [...new Set([...dose.signs, ...step.signs])]
  }
  for (const dose of Object.values(doses)) {
    for (const key of ['seconds', 'felt_s', 'kpa_s', 'clock_seconds'] as const) dose[key] = tenth(dose[key])
    for (const spot of Object.values(dose.spots)) for (const key of ['seconds', 'felt_s', 'kpa_s'] as const) spot[key] = tenth(spot[key])
  }
  return doses
}

/**
 * @param agreed steps of all the plans that were agreed for the visit
 * @param events in any order, any of them more than once
 */
export function fold(agreed: Iterable<AgreedStep>, events: Iterable<Happened>): TreatmentState {
  const all = ordered(events)
  const back = takenBack(all)
  const steps = new Map([...agreed].map((step) => [step.id, new Step(step)]))
  let stopped = false
  for (const event of all) {
    if (back.has(event.id)) continue
    if (event.step === 'all') {
      stopped ||= event.type === 'stopped'
      continue
    }
    const step = steps.get(event.step) ?? new Step({ id: event.step })
    steps.set(event.step, step)
    step.take(event)
  }
  return {
    steps: Object.fromEntries([...steps].map(([id, step]) => [id, step.state()])),
    muscles: dosesOf(steps.values()),
    taken_back: all.flatMap((event) => (back.has(event.id) ? event.id : [])),
    stopped,
  }
}
