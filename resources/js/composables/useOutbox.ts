import { onScopeDispose, ref, type Ref } from 'vue'
import { ulid } from 'ulid'
import { onConnectionBack, RETRY_MS } from './connection'
import { Refused, send } from './http'
import { dropEvents, eventsLeft, keepEvent, nextInLine } from './unsent'
import type { TakenBack, TreatmentEvent } from '@/types/visit'

type Answer = { kept: string[]; refused: string[] } & TakenBack

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
  log: (type: TreatmentEvent['type'], step: string, payload: Record<string, unknown>) => void
} {
  const events = ref([...known]) as Ref<TreatmentEvent[]>
  const waiting = ref<ReadonlySet<string>>(new Set())
  const trouble = ref('')
  let busy = false
  /** something was put down while the last lot was on its way */
  let more = false
  let timer: number | undefined
  const done = (ids: string[]) => (waiting.value = new Set([...waiting.value].filter((id) => !ids.includes(id))))

  /** One event nobody can read holds none of the others up: it is told, and let go. */
  async function setAside(open: TreatmentEvent[], failure: Refused): Promise<boolean> {
    const places = Object.keys(failure.body.errors ?? {}).flatMap((place) => /^events\.(\d+)/.exec(place)?.[1] ?? [])
    const ids = [...new Set(places)].flatMap((index) => open[Number(index)]?.id ?? [])
    if (!ids.length) return false
    trouble.value = `Not kept: ${failure.words}`
    await dropEvents(ids)
    events.value = events.value.filter((event) => !ids.includes(event.id))
    done(ids)
    return true
  }

  async function flush(): Promise<void> {
    if (busy) {
      more = true
      return
    }
    busy = true
    more = false
    window.clearTimeout(timer)
    let open: TreatmentEvent[] = []
    try {
      open = await eventsLeft(visit)
      waiting.value = new Set(open.map((event) => event.id))
      if (open.length) {
        const answer = await send<Answer>('POST', `/visits/${visit}/events`, { events: open, sent_at: new Date().toISOString() })
        await dropEvents([...answer.kept, ...answer.refused])
        done([...answer.kept, ...answer.refused])
        if (answer.refused.length) {
          events.value = events.value.filter((event) => !answer.refused.includes(event.id))
          onRefused()
        }
        onAnswer(answer)
      }
    } catch (failure) {
      if (failure instanceof Refused && failure.status === 422 && (await setAside(open, failure))) more = true
      else timer = window.setTimeout(() => void flush(), RETRY_MS)
    }
    busy = false
    if (more) void flush()
  }
  // events left from a window that closed too soon
  void eventsLeft(visit).then((left) => {
    const seen = new Set(events.value.map((event) => event.id))
    events.value = [...events.value, ...left.filter((event) => !seen.has(event.id))]
    void flush()
  })
  onScopeDispose(onConnectionBack(() => void flush()))
  onScopeDispose(() => window.clearTimeout(timer))

  return {
    events,
    waiting,
    trouble,
    log: (type, step, payload) => {
      const plain = JSON.parse(JSON.stringify(payload)) as Record<string, unknown>
      const event: TreatmentEvent = { id: ulid(), type, step, payload: plain, ...nextInLine(), happened_at: new Date().toISOString() }
      events.value = [...events.value, event]
      waiting.value = new Set([...waiting.value, event.id])
      void keepEvent(visit, event).then(flush)
    },
  }
}
