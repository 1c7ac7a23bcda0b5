import { useLocalStorage } from '@vueuse/core'
import { ref } from 'vue'

/** A calm breath, until the client's own was tapped. */
const CALM_MS = 10_000
const LEAST_MS = 2_000
const MOST_MS = 20_000
const TAPS = 3

/** Where the breath is at a moment: 0 full, 1 out. The way out takes a little longer than the way in. */
export function breathAt(now: number, cycle: number): number {
  const at = (now % cycle) / cycle
  const IN = 0.42
  return at < IN ? 0.5 + 0.5 * Math.cos((Math.PI * at) / IN) : 0.5 - 0.5 * Math.cos((Math.PI * (at - IN)) / (1 - IN))
}
/** From the moments of three breaths tapped one after another, the length of one; null where they are not those of a breath. */
export function rhythmOf(taps: readonly number[]): number | null {
  if (taps.length < TAPS) return null
  const last = taps.slice(-TAPS)
  const mean = (last[TAPS - 1]! - last[0]!) / (TAPS - 1)
  return mean >= LEAST_MS && mean <= MOST_MS ? Math.round(mean) : null
}

/** Shown or not by choice; the rhythm is the client's, tapped on three out-breaths, and kept for this visit only. */
export function useBreath() {
  const on = useLocalStorage('somatrace.room.breath', true)
  const cycle = ref(CALM_MS)
  const taps = ref<number[]>([])
  const tap = (at = Date.now()) => {
    taps.value = [...taps.value.filter((one) => at - one < TAPS * MOST_MS), at].slice(-TAPS)
    cycle.value = rhythmOf(taps.value) ?? cycle.value
  }
  return { on, cycle, taps, tap }
}
export type Breath = ReturnType<typeof useBreath>
