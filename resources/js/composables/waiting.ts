import { readonly, ref } from 'vue'

/** How long something may take before the page says that it is being done, and before it says for how long. */
export const LINE_MS = 250
export const WORDS_MS = 1000

/** Nothing is waited for; something is; it has been for a while, in whole seconds. */
const line = ref(false)
const seconds = ref(0)
export const waiting = { line: readonly(line), seconds: readonly(seconds) }

const pending = new Set<symbol>()
let since = 0
let timer: ReturnType<typeof setTimeout> | undefined

function tick(): void {
  const ms = performance.now() - since
  line.value = ms >= LINE_MS
  seconds.value = Math.floor(ms / WORDS_MS)
  // the next whole second, or the moment the line is due
  timer = setTimeout(tick, line.value ? WORDS_MS - (ms % WORDS_MS) : LINE_MS - ms)
}

/** Tells the window that somebody waits, until what it gives back is called. What overlaps is one waiting, from the first to the last. */
export function begin(): () => void {
  const one = Symbol()
  if (!pending.size) {
    since = performance.now()
    timer = setTimeout(tick, LINE_MS)
  }
  pending.add(one)
  return () => {
    if (!pending.delete(one) || pending.size) return
    clearTimeout(timer)
    line.value = false
    seconds.value = 0
  }
}
