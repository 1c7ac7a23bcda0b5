import { ref } from 'vue'

/** Deaf for so long after each action, and for as long as touches keep coming: a knuckle that bounces does one thing. */
export const DEAF_MS = 500

/** Whether a touch is heard; whoever asks has touched. `now`: when, in milliseconds. */
export function useDeafness(now: () => number): { hears: () => boolean } {
  let last = -Infinity
  return {
    hears: () => {
      const at = now()
      const quiet = at - last >= DEAF_MS
      last = at
      return quiet
    },
  }
}

/** Broader than this it is a palm or a cloth, and means nothing. */
const PALM_PX = 110
/** Touched by that much of a contact, in CSS pixels about its middle, a target may have been meant. */
const reach = (event: PointerEvent): { x: number; y: number } => ({ x: (event.width || 1) / 2, y: (event.height || 1) / 2 })

/** What a contact lies on: the one target under it; of two the one that eases; none where that is not told. */
export function meant(event: PointerEvent, root: ParentNode): HTMLElement | null {
  if (Math.max(event.width || 0, event.height || 0) > PALM_PX) return null
  const { x, y } = reach(event)
  const under = [...root.querySelectorAll<HTMLElement>('[data-target]:not(:disabled)')].filter((one) => {
    const box = one.getBoundingClientRect()
    const dx = Math.max(box.left - event.clientX, 0, event.clientX - box.right)
    const dy = Math.max(box.top - event.clientY, 0, event.clientY - box.bottom)
    return dx < x && dy < y && one.checkVisibility()
  })
  if (under.length < 2) return under[0] ?? null
  return under.find((one) => one.dataset.target === 'ease') ?? null
}

/** A hold that wakes a guarded screen: how much of it is done, 0 to 1. */
export const HOLD_MS = 900
export function useHold(done: () => void): { held: ReturnType<typeof ref<number>>; down: () => void; up: () => void } {
  const held = ref(0)
  let from = 0
  let frame = 0
  const look = () => {
    held.value = Math.min(1, (performance.now() - from) / HOLD_MS)
    if (held.value < 1) frame = requestAnimationFrame(look)
    else {
      held.value = 0
      done()
    }
  }
  return {
    held,
    down: () => {
      from = performance.now()
      cancelAnimationFrame(frame)
      look()
    },
    up: () => {
      cancelAnimationFrame(frame)
      held.value = 0
    },
  }
}
