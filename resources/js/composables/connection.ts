import { ref, readonly } from 'vue'

/** Whether the server answers: it does; it is there and somebody else writes; nothing is heard of it. */
export type Connection = 'there' | 'busy' | 'gone'

/** How often it is asked whether it is back, and how long what could not be sent waits before it is tried again. */
export const RETRY_MS = 1000

export const connectionWords: Record<Connection, string> = {
  there: '',
  busy: 'The server is busy, trying again.',
  gone: 'No connection. What you touched is kept here and sent when it is back.',
}
/** A page that has a line for it says it there, and not over everything. */
export const saidOnThePage = ref(false)
const state = ref<Connection>('there')
export const connection = readonly(state)
const waiting = new Set<() => void>()
let timer: number | undefined

/** Calls when the server is there again; gives a way to stop listening. */
export function onConnectionBack(act: () => void): () => void {
  waiting.add(act)
  return () => waiting.delete(act)
}
export function found(): void {
  if (state.value === 'there') return
  state.value = 'there'
  window.clearTimeout(timer)
  for (const act of waiting) act()
}
/** Says so, and asks until it is back: nobody has to touch anything for it. */
export function lost(how: 'busy' | 'gone'): void {
  state.value = how
  window.clearTimeout(timer)
  timer = window.setTimeout(() => void ask(), RETRY_MS)
}
async function ask(): Promise<void> {
  try {
    const answer = await fetch('/up', { cache: 'no-store' })
    if (answer.ok) return found()
    lost('busy')
  } catch {
    lost('gone')
  }
}
window.addEventListener('online', () => state.value !== 'there' && void ask())
