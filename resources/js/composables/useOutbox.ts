import { onScopeDispose, ref, type Ref } from 'vue'
import { ulid } from 'ulid'
import { onConnectionBack, RETRY_MS } from './connection'
import { Refused, send } from './http'
import { nextInLine, unsentEvents } from './unsent'
import type { EventPayloads, EventType, TakenBack, TreatmentEvent } from '@/types/visit'

const FULL = 'No room left on this tablet'
type Answer = { kept: string[]; refused: string[] } & TakenBack

/** Whether an event is one of that type, with what is told of it. */
export const isEvent =
  <K extends EventType>(type: K) =>
  (event: TreatmentEvent): event is TreatmentEvent<K> =>
    event.type === type

/** What happens at the table: kept in the browser at once, sent when it can be, and let go only when the server has it. */
export function useOutbox(
  visit: string,
  known: readonly TreatmentEvent[],
  /** what the server now knows of consent */
  onAnswer: (answer: TakenBack) => void = () => undefined,
  /** work begun after an answer that forbids it: the server did not take it */
  onRefused: () => void = () => undefined,
): {
  events: Ref<TreatmentEvent[]>
  /** ids of those the server does not have yet */
  waiting: Ref<ReadonlySet<string>>
  /** what the server cannot keep, in its words */
  trouble: Ref<string>
  /** at: by the clock of this page; what one touch did has one moment */
  log: <K extends EventType>(type: K, step: string, payload: EventPayloads[K], at?: number) => void
  /** how many the server has, as far as is known here */
  arrived: () => number
  /** what another device told */
  merge: (others: readonly TreatmentEvent[]) => void
} {
  const seen = new Set(known.map((event) => event.id))
  /** Of this page's own, and those a page left that closed too soon. */
  const left = (): { value: TreatmentEvent; arrived?: unknown }[] =>
    unsentEvents.left(visit, (id) => seen.has(id)).sort((a, b) => (a.value.number ?? 0) - (b.value.number ?? 0))
  /** What this tablet has no room for: on this page only, until it is sent. */
  const loose = new Map<string, TreatmentEvent>()
  const open = (): TreatmentEvent[] =>
    [...left().flatMap((row) => (row.arrived ? [] : row.value)), ...loose.values()].sort((a, b) => (a.number ?? 0) - (b.number ?? 0))
  const events = ref([...known, ...left().flatMap((row) => (seen.has(row.value.id) ? [] : row.value))]) as Ref<TreatmentEvent[]>
  const waiting = ref<ReadonlySet<string>>(new Set(open().map((event) => event.id)))
  const trouble = ref('')
  let busy = false
  /** something was put down while the last lot was on its way */
  let more = false
  let timer: number | undefined
  const done = (ids: string[]) => (waiting.value = new Set([...waiting.value].filter((id) => !ids.includes(id))))

  /** One event nobody can read holds none of the others up: it is told, and let go. */
  function setAside(sent: TreatmentEvent[], failure: Refused): boolean {
    const places = Object.keys(failure.body.errors ?? {}).flatMap((place) => /^events\.(\d+)/.exec(place)?.[1] ?? [])
    const ids = [...new Set(places)].flatMap((index) => sent[Number(index)]?.id ?? [])
    if (!ids.length) return false
    trouble.value = `Not kept: ${failure.words}`
    forget(ids)
    return true
  }
  function forget(ids: string[]): void {
    for (const id of ids) if (!loose.delete(id)) unsentEvents.drop(visit, id)
    events.value = events.value.filter((event) => !ids.includes(event.id))
    done(ids)
  }

  async function flush(): Promise<void> {
    if (busy) {
      more = true
      return
    }
    busy = true
    more = false
    window.clearTimeout(timer)
    const sent = open()
    waiting.value = new Set(sent.map((event) => event.id))
    try {
      if (sent.length) {
        const answer = await send<Answer>('POST', `/visits/${visit}/events`, { events: sent, sent_at: new Date().toISOString() }, 'goes-on')
        for (const event of sent)
          if (answer.kept.includes(event.id) && !loose.delete(event.id)) unsentEvents.arrived(visit, event.id, event, true)
        if (!loose.size && trouble.value.startsWith(FULL)) trouble.value = ''
        done(answer.kept)
        if (answer.refused.length) {
          forget(answer.refused)
          onRefused()
        }
        onAnswer(answer)
      }
    } catch (failure) {
      if (failure instanceof Refused && failure.status === 422 && setAside(sent, failure)) more = true
      else if (failure instanceof Refused && !failure.passes) trouble.value = `Not sent: ${failure.words}`
      else timer = window.setTimeout(() => void flush(), RETRY_MS)
    }
    busy = false
    if (more) void flush()
  }
  void flush()
  onScopeDispose(onConnectionBack(() => void flush()))
  onScopeDispose(() => window.clearTimeout(timer))

  return {
    events,
    waiting,
    trouble,
    arrived: () => events.value.length - waiting.value.size,
    merge: (others) => {
      const here = new Set(events.value.map((event) => event.id))
      const fresh = others.filter((event) => !here.has(event.id))
      if (fresh.length) events.value = [...events.value, ...fresh]
    },
    log: (type, step, payload, at = Date.now()) => {
      const plain = JSON.parse(JSON.stringify(payload)) as typeof payload
      const known = Math.max(0, ...events.value.map((event) => event.number ?? 0))
      const event: TreatmentEvent = {
        id: ulid(),
        type,
        step,
        payload: plain,
        ...nextInLine(known),
        happened_at: new Date(at).toISOString(),
      }
      events.value = [...events.value, event]
      waiting.value = new Set([...waiting.value, event.id])
      try {
        unsentEvents.keep(visit, event.id, event)
      } catch {
        // it is sent all the same; what a lid that is shut now would lose is said
        loose.set(event.id, event)
        trouble.value = `${FULL}: ${loose.size === 1 ? 'one touch is' : `${loose.size} touches are`} on this page only, until sent`
      }
      void flush()
    },
  }
}
