import { onScopeDispose, ref, type Ref } from 'vue'
import { believed } from './http'
import type { DeviceReading } from '@/types/visit'

const sleep = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, Math.max(0, ms)))
const isReading = (line: unknown): line is DeviceReading =>
  typeof line === 'object' &&
  line !== null &&
  typeof (line as DeviceReading).value === 'number' &&
  ((line as DeviceReading).state === 'live' || (line as DeviceReading).state === 'hold')

/** Reads one stream of a measuring device, line by line, until it holds a value or falls silent (docs/device-protocol.md). */
export function useDevice(): {
  live: Ref<number | null>
  busy: Ref<boolean>
  trouble: Ref<string>
  /** The value held; null when the device fell silent before, which is said in `trouble`. */
  read: (address: string, about: Record<string, string>, each?: (reading: DeviceReading) => void) => Promise<number | null>
  stop: () => void
} {
  const live = ref<number | null>(null)
  const busy = ref(false)
  const trouble = ref('')
  let abort: AbortController | null = null
  let stopped = false

  async function* lines(address: string, about: Record<string, string>): AsyncGenerator<unknown> {
    abort = new AbortController()
    // as a form, in the body: no address says what was measured, and a device on another port need not be asked beforehand
    const answer = await fetch(address, {
      method: 'POST',
      body: new URLSearchParams(about),
      signal: abort.signal,
      headers: { Accept: 'application/x-ndjson, application/json', ...(address.startsWith('/') ? believed() : {}) },
    })
    if (!answer.ok || !answer.body) throw new Error(`the device refused (${answer.status})`)
    const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader()
    let rest = ''
    for (;;) {
      const { value, done } = await reader.read()
      if (done) return
      const parts = (rest + value).split('\n')
      rest = parts.pop() ?? ''
      for (const part of parts) if (part.trim()) yield JSON.parse(part) as unknown
    }
  }

  async function read(address: string, about: Record<string, string>, each?: (reading: DeviceReading) => void): Promise<number | null> {
    busy.value = true
    stopped = false
    trouble.value = ''
    live.value = null
    try {
      const began = performance.now()
      for await (const line of lines(address, about)) {
        if (!isReading(line)) throw new Error('the device sent a line that is no reading')
        // one that says more than has been yet, as the simulated one does, is shown when its time comes
        await sleep((line.at ?? 0) - (performance.now() - began))
        if (stopped) return null
        live.value = line.value
        each?.(line)
        if (line.state === 'hold') return line.value
      }
      trouble.value = 'The device fell silent before it held a value. Nothing of this repeat is kept; measure again.'
    } catch (failure) {
      if (!(failure instanceof DOMException && failure.name === 'AbortError'))
        trouble.value = 'The device does not answer. What was read before is kept; measure again when it is back.'
    } finally {
      busy.value = false
      abort = null
    }
    return null
  }
  const stop = () => {
    stopped = true
    abort?.abort()
  }
  onScopeDispose(stop)
  return { live, busy, trouble, read, stop }
}
