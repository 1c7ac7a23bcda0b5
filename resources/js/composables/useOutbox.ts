import { useEventListener } from '@vueuse/core'
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { onScopeDispose, ref, type Ref } from 'vue'
import { ulid } from 'ulid'
import { RETRY_MS, send } from './http'
import type { TreatmentEvent } from '@/types/visit'

interface Shelf extends DBSchema {
  events: { key: string; value: TreatmentEvent & { visit: string }; indexes: { visit: string } }
}
let opened: Promise<IDBPDatabase<Shelf>> | null = null
const shelf = (): Promise<IDBPDatabase<Shelf>> =>
  (opened ??= openDB<Shelf>('somatrace', 1, {
    upgrade: (db) => db.createObjectStore('events', { keyPath: 'id' }).createIndex('visit', 'visit'),
  }))

/** What happens at the table: kept in the browser at once, sent when it can be, and let go only when the server has it. */
export function useOutbox(
  visit: string,
  known: readonly TreatmentEvent[],
  /** work begun after an answer that forbids it: the server did not take it */
  onRefused: () => void = () => undefined,
): {
  events: Ref<TreatmentEvent[]>
  waiting: Ref<number>
  log: (type: TreatmentEvent['type'], step: string, payload: Record<string, unknown>) => void
} {
  const events = ref([...known]) as Ref<TreatmentEvent[]>
  const waiting = ref(0)
  let busy = false
  /** something was put down while the last lot was on its way */
  let more = false
  let timer: number | undefined

  async function flush(): Promise<void> {
    if (busy) {
      more = true
      return
    }
    busy = true
    more = false
    try {
      const db = await shelf()
      const open = await db.getAllFromIndex('events', 'visit', visit)
      waiting.value = open.length
      if (open.length) {
        const { kept, refused } = await send<{ kept: string[]; refused: string[] }>('POST', `/visits/${visit}/events`, {
          events: open.map(({ id, type, step, payload, happened_at }) => ({ id, type, step, payload, happened_at })),
        })
        for (const id of [...kept, ...refused]) await db.delete('events', id)
        waiting.value -= kept.length + refused.length
        if (refused.length) {
          events.value = events.value.filter((event) => !refused.includes(event.id))
          onRefused()
        }
      }
    } catch {
      timer = window.setTimeout(() => void flush(), RETRY_MS)
    }
    busy = false
    if (more) void flush()
  }
  // events left from a window that closed too soon
  void shelf()
    .then((db) => db.getAllFromIndex('events', 'visit', visit))
    .then((left) => {
      const seen = new Set(events.value.map((event) => event.id))
      events.value = [...events.value, ...left.filter((event) => !seen.has(event.id))].sort((a, b) =>
        a.happened_at.localeCompare(b.happened_at),
      )
      void flush()
    })
  useEventListener(window, 'online', () => void flush())
  onScopeDispose(() => window.clearTimeout(timer))

  return {
    events,
    waiting,
    log: (type, step, payload) => {
      const event: TreatmentEvent = { id: ulid(), type, step, payload, happened_at: new Date().toISOString() }
      events.value = [...events.value, event]
      waiting.value++
      void shelf()
        .then((db) => db.put('events', { ...event, payload: JSON.parse(JSON.stringify(payload)) as Record<string, unknown>, visit }))
        .then(flush)
    },
  }
}
