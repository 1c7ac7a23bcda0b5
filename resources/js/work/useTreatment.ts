import { computed, ref, type ComputedRef, type Ref } from 'vue'
import { muscle as muscleOf } from '@/chart/atlas'
import { isEvent } from '@/composables/useOutbox'
import { thisDevice } from '@/composables/unsent'
import type { ConsentAreaId } from '@/types/ids.generated'
import type { EventPayloads, EventType, Manoeuvre, Plan, PlanStep, Tableside, TreatmentEvent } from '@/types/visit'
import { fold, ordered, takenBack, type StepState, type TreatmentState } from './fold'

/** What was said last by the room itself: what a sign or a number means, or what was put down. */
export interface Told {
  kind: 'advice' | 'consent'
  text: string
}
type Log = <K extends EventType>(type: K, step: string, payload: EventPayloads[K], at?: number) => void

const CONTACTS: readonly EventType[] = ['step_started', 'pass_reached', 'eased_off', 'deepened', 'hands_on', 'hands_off']
/** What is done with no muscle in hand begins with the step before it. */
const begunByItself = (step: PlanStep): boolean => !step.manoeuvres?.length && step.kind !== 'treat'
const half = (pressure: number): number => Math.round(2 * pressure)

/** Where the treatment stands, and what a touch does to it. Every judgement comes from the core, as a table (Tableside). */
export function useTreatment(
  plan: ComputedRef<Plan | null>,
  events: Ref<TreatmentEvent[]>,
  withdrawn: ComputedRef<ReadonlySet<ConsentAreaId>>,
  tables: ComputedRef<Tableside | null>,
  now: Ref<number>,
  log: Log,
) {
  const steps = computed<PlanStep[]>(() => plan.value?.steps ?? [])
  const state = computed<TreatmentState>(() => fold(steps.value, events.value))
  const areaOf = (one: PlanStep): ConsentAreaId | null => (one.muscle ? muscleOf(one.muscle).consent : null)
  const isOut = (one: PlanStep): boolean => withdrawn.value.has(areaOf(one) ?? ('' as ConsentAreaId))
  const isEnded = (one: PlanStep): boolean => isOut(one) || state.value.steps[one.id]?.end != null
  const index = computed(() => (state.value.stopped ? -1 : steps.value.findIndex((one) => !isEnded(one))))
  const step = computed<PlanStep | undefined>(() => steps.value[index.value])
  const following = computed(() => steps.value.slice(index.value + 1).find((one) => !isEnded(one)))
  const here = computed<StepState | undefined>(() => (step.value ? state.value.steps[step.value.id] : undefined))
  const started = computed(() => here.value?.started ?? false)
  const off = computed(() => here.value?.hands_off ?? false)
  const part = computed(() => here.value?.at.part ?? 0)
  const manoeuvre = computed<Manoeuvre | undefined>(() => step.value?.manoeuvres?.[part.value])
  const spot = computed(() => here.value?.at.spot ?? 0)
  const nextManoeuvre = computed(() => step.value?.manoeuvres?.[part.value + 1])
  const pressure = computed(() => here.value?.pressure ?? null)
  const ceiling = computed(() => manoeuvre.value?.ceiling ?? step.value?.ceiling?.felt ?? null)

  const standing = computed(() => {
    const all = ordered(events.value)
    const back = takenBack(all)
    return all.filter((event) => !back.has(event.id))
  })
  const mine = computed(() => standing.value.filter((event) => event.step === step.value?.id))
  const momentOf = (event: TreatmentEvent | undefined): number | null => (event ? Date.parse(event.happened_at) : null)
  /** Since when the hands are on this place at this pressure. */
  const since = computed(() => (off.value ? null : momentOf(mine.value.filter((event) => CONTACTS.includes(event.type)).at(-1))))
  const begunAt = computed(() => momentOf(mine.value.find((event) => event.type === 'step_started')))
  const secondsSince = (moment: number | null): number => (moment === null ? 0 : Math.max(0, (now.value - moment) / 1000))
  const seconds = computed(() => (started.value ? secondsSince(since.value) : 0))
  const stepSeconds = computed(() => secondsSince(begunAt.value))
  /** Seconds asked for at the place in hand, or of the step that is done as a whole. */
  const planned = computed(() =>
    manoeuvre.value ? Math.max(1, manoeuvre.value.seconds * manoeuvre.value.repeats) : Math.max(1, (step.value?.minutes ?? 1) * 60),
  )
  /** What the plan reckoned for the manoeuvre in hand: a pass for each that presses. */
  const reckoned = computed(() => {
    const pressed = (step.value?.manoeuvres ?? []).slice(0, part.value).filter((one) => one.pressure !== null).length
    return step.value?.passes[pressed] ?? step.value?.passes.at(-1)
  })
  const tissueAt = (felt: number): number => (reckoned.value ? Math.round((reckoned.value.tissue_kpa * felt) / reckoned.value.pressure) : 0)
  const leanAt = (felt: number): number | null =>
    reckoned.value ? Math.round((reckoned.value.lean_percent * felt) / reckoned.value.pressure) : null
  /** The contact up to now, as the next event tells it. */
  const contact = (spots: string[], at: number) => ({
    manoeuvre: part.value,
    spots,
    pressure: pressure.value ?? 0,
    seconds: off.value || since.value === null ? 0 : Math.min(10800, Math.max(0, Math.round((at - since.value) / 100) / 10)),
    tissue_kpa: tissueAt(pressure.value ?? 0),
    ...(manoeuvre.value ? { tool: manoeuvre.value.tool } : {}),
  })
  /** kPa·s of the muscle in hand up to now, in all its steps of today. */
  const dose = computed(() => {
    const one = step.value
    if (!one?.muscle || !one.side) return 0
    const now = started.value && pressure.value !== null ? seconds.value * tissueAt(pressure.value) : 0
    return (state.value.muscles[`${one.muscle}|${one.side}`]?.kpa_s ?? 0) + now
  })
  const inHand = (): string[] => {
    const own = manoeuvre.value?.spots[spot.value]
    return own === undefined ? [] : [own]
  }
  const told = ref<Told | null>(null)
  const clockOf = (at: number): number => (begunAt.value === null ? 0 : Math.min(10800, Math.round((at - begunAt.value) / 1000)))
  const begin = (one: PlanStep, at: number) =>
    log('step_started', one.id, one.muscle && one.side ? { muscle: one.muscle, side: one.side } : {}, at)
  /** Ends a step; what follows without a muscle in hand begins at once. */
  const end = (type: 'step_done' | 'step_skipped' | 'stopped', at: number, sign?: string) => {
    const one = step.value
    if (!one) return
    const next = following.value
    log(type, one.id, { seconds: clockOf(at), technique: one.technique, tool: one.tool, ...(sign ? { sign } : {}) }, at)
    if (next && begunByItself(next) && type !== 'stopped') begin(next, at)
    told.value = told.value?.kind === 'consent' ? told.value : null
  }
  const pass = (spots: string[], at: number) => {
    const one = step.value!
    const isLast = !nextManoeuvre.value && spots.length >= (manoeuvre.value?.spots.length ?? 0) - spot.value
    log('pass_reached', one.id, contact(spots, at), at)
    if (isLast) end('step_done', at)
  }
  /** One key leads on: hands on, next place, next step. */
  const onward = (at: number) => {
    const one = step.value
    if (!one) return
    told.value = told.value?.kind === 'consent' ? told.value : null
    if (!started.value) begin(one, at)
    else if (off.value) log('hands_on', one.id, {}, at)
    else if (manoeuvre.value) pass(inHand(), at)
    else end('step_done', at)
  }
  /** All places of the manoeuvre at once: the time is shared between them. */
  const allSpots = (at: number) => manoeuvre.value && pass(manoeuvre.value.spots.slice(spot.value), at)
  const skipManoeuvre = (at: number) => {
    if (!step.value || !manoeuvre.value) return
    const spots = manoeuvre.value.spots.slice(spot.value)
    log('pass_reached', step.value.id, { ...contact(spots, at), pressure: 0, seconds: 0 }, at)
    if (!nextManoeuvre.value) end('step_done', at)
  }
  const eased = computed(() => (pressure.value === null ? null : (tables.value?.eased[half(pressure.value)] ?? null)))
  const raised = computed(() =>
    pressure.value === null || ceiling.value === null
      ? null
      : (tables.value?.ceilings[String(ceiling.value)]?.raised[half(pressure.value)] ?? null),
  )
  const press = (type: 'eased_off' | 'deepened', to: number | null, at: number) => {
    if (step.value && started.value && pressure.value !== null && to !== null)
      log(type, step.value.id, { to, ...contact(inHand(), at) }, at)
  }
  const ease = (at: number) => press('eased_off', eased.value, at)
  const raise = (at: number) => press('deepened', raised.value, at)
  const takeOff = (at: number) => {
    if (step.value && started.value && !off.value) log('hands_off', step.value.id, contact(inHand(), at), at)
  }
  /** What a sign asks for; the room shows it, and asks how it goes on where somebody has to say so. */
  const sign = (id: string, at: number): Tableside['signs'][string] | undefined => {
    const means = tables.value?.signs[id]
    if (!step.value || !means) return undefined
    log('sign', step.value.id, { sign: id, manoeuvre: part.value }, at)
    if (means.hands === 'ease') ease(at)
    if (means.hands === 'off') takeOff(at)
    told.value = { kind: 'advice', text: means.late && seconds.value >= (tables.value?.unchanged_seconds ?? 0) ? means.late : means.now }
    return means
  }
  const number = (said: number, at: number) => {
    const row = ceiling.value === null ? undefined : tables.value?.ceilings[String(ceiling.value)]?.numbers[said]
    const [follows, to] = row?.[half(pressure.value ?? 0)] ?? []
    if (!step.value) return
    log('number_said', step.value.id, { number: said, manoeuvre: part.value }, at)
    if (follows === undefined || to === undefined) return
    if (follows === 'off') takeOff(at)
    else if (follows !== 'stay') press('eased_off', to, at)
    const words = tables.value?.words[follows] ?? ''
    told.value = {
      kind: 'advice',
      text: words.replace('{to}', String(to)).replace('{number}', String(said)).replace('{ceiling}', String(ceiling.value)),
    }
  }
  const answered = computed(() => here.value?.answers.filter((one) => one.manoeuvre === part.value).at(-1)?.answer ?? null)
  const answer = (said: 'yes' | 'no', at: number) => {
    const branch = manoeuvre.value?.branch
    if (!step.value || !branch) return
    const does = branch[said].do
    const isLast = !nextManoeuvre.value
    // what was done until it was asked is told first
    if (does === 'skip') log('pass_reached', step.value.id, contact(inHand(), at), at)
    log('answered', step.value.id, { manoeuvre: part.value, branch: branch.id, answer: said }, at)
    told.value = { kind: 'advice', text: branch[said].text }
    if (does === 'ease') ease(at)
    if (does === 'next') pass(inHand(), at)
    if (does === 'skip' && isLast) end('step_done', at)
  }

  /** What the last touch here did, while it can still be taken back: within the step, or before the next is begun. */
  const slip = computed<TreatmentEvent[]>(() => {
    const device = thisDevice()
    const own = standing.value.filter(
      (event) => event.device === device && !['taken_back', 'consent_withdrawn', 'consent_given'].includes(event.type),
    )
    const last = own.at(-1)
    if (!last || !step.value) return []
    const one = own.filter((event) => event.happened_at === last.happened_at)
    const begun = mine.value.some((event) => event.type !== 'step_started' && event.happened_at !== last.happened_at)
    const touchesHere = one.some((event) => event.step === step.value?.id)
    return touchesHere || (!started.value && !begun) ? one.slice(0, 8) : []
  })
  const takeBack = (at: number) => {
    if (!slip.value.length) return
    log('taken_back', slip.value[0]!.step, { events: slip.value.map((event) => event.id) }, at)
    told.value = { kind: 'advice', text: 'Taken back: it stands in the record as a slip.' }
  }
  const areasLeft = computed(() => [
    ...new Set(
      steps.value.flatMap((one) => {
        const area = areaOf(one)
        return area && (!isEnded(one) || withdrawn.value.has(area)) ? [area] : []
      }),
    ),
  ])
  const stepsOf = (area: ConsentAreaId): PlanStep[] => steps.value.filter((one) => areaOf(one) === area && !isEnded(one))
  const minutesLeft = computed(() =>
    Math.max(0, steps.value.filter((one) => !isEnded(one)).reduce((sum, one) => sum + one.minutes, 0) - stepSeconds.value / 60),
  )
  /** Firm minutes asked of each part of the hand so far, beside what the plan asks in all and what it has. */
  const hands = computed(() =>
    (plan.value?.hands ?? []).map((one) => {
      const firm = Object.values(state.value.steps)
        .flatMap((of) => of.contacts)
        .filter((of) => of.tool && tables.value?.parts[of.tool] === one.part && of.pressure >= tables.value.firm_from)
      return { ...one, so_far: Math.round(firm.reduce((sum, of) => sum + of.seconds, 0) / 6) / 10 }
    }),
  )
  /** How long the hands were on: what was held, and the whole of a step that is strokes from end to end. */
  const handSeconds = computed(() => {
    const strokes = (one: PlanStep): boolean => tables.value?.hands_on.includes(one.kind) ?? false
    const before = steps.value.reduce((sum, one) => {
      const of = state.value.steps[one.id]
      return sum + (of?.hand_seconds ?? 0) + (strokes(one) && of?.end !== 'skipped' ? (of?.clock_seconds ?? 0) : 0)
    }, 0)
    const isOn = started.value && !off.value && (manoeuvre.value !== undefined || (step.value !== undefined && strokes(step.value)))
    return before + (isOn ? seconds.value : 0)
  })
  return {
    state,
    steps,
    index,
    step,
    following,
    here,
    started,
    off,
    part,
    manoeuvre,
    spot,
    nextManoeuvre,
    pressure,
    ceiling,
    seconds,
    stepSeconds,
    planned,
    dose,
    leanAt,
    eased,
    raised,
    told,
    slip,
    answered,
    areasLeft,
    minutesLeft,
    handSeconds,
    hands,
    areaOf,
    stepsOf,
    isEnded,
    onward,
    allSpots,
    skipManoeuvre,
    ease,
    raise,
    takeOff,
    sign,
    number,
    answer,
    takeBack,
    end,
    isBegun: computed(() => events.value.some(isEvent('step_started'))),
  }
}
export type Treatment = ReturnType<typeof useTreatment>
