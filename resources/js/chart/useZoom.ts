import { computed, ref, watch, type Ref } from 'vue'
import type { Crop } from './art'

const MOST = 8
const STEP = 1.4

/** Nearer and farther within a window: by wheel about the pointer, by two fingers, by keys; never beyond its edges. */
export const useZoom = (svg: Ref<SVGSVGElement | null>, frame: Ref<Crop>) => {
  const near = ref(1)
  const middle = ref<[number, number]>([0, 0])
  const reset = () => {
    near.value = 1
    middle.value = [frame.value.x + frame.value.w / 2, frame.value.y + frame.value.h / 2]
  }
  watch(frame, reset, { immediate: true })

  const keepIn = ([x, y]: [number, number]): [number, number] => {
    const { x: left, y: top, w, h } = frame.value
    const [halfW, halfH] = [w / 2 / near.value, h / 2 / near.value]
    return [Math.min(left + w - halfW, Math.max(left + halfW, x)), Math.min(top + h - halfH, Math.max(top + halfH, y))]
  }
  const shown = computed<Crop>(() => {
    const [w, h] = [frame.value.w / near.value, frame.value.h / near.value]
    return { ...frame.value, x: middle.value[0] - w / 2, y: middle.value[1] - h / 2, w, h }
  })
  /** A point of the screen in units of the figure. */
  const toFigure = (clientX: number, clientY: number): [number, number] => {
    const matrix = svg.value?.getScreenCTM()
    if (!matrix) return [0, 0]
    const at = new DOMPoint(clientX, clientY).matrixTransform(matrix.inverse())
    return [at.x, at.y]
  }
  /** Nearer by a factor about a point of the figure, which stays where it is on the screen. */
  const by = (factor: number, about: [number, number] = middle.value) => {
    const next = Math.min(MOST, Math.max(1, near.value * factor))
    const share = near.value / next
    near.value = next
    middle.value = keepIn([about[0] + (middle.value[0] - about[0]) * share, about[1] + (middle.value[1] - about[1]) * share])
  }
  /** As near as shows all of a box. */
  const show = ({ x, y, w, h }: Crop) => {
    near.value = Math.min(MOST, Math.max(1, Math.min(frame.value.w / w, frame.value.h / h)))
    middle.value = keepIn([x + w / 2, y + h / 2])
  }
  const pan = (dx: number, dy: number) => (middle.value = keepIn([middle.value[0] + dx, middle.value[1] + dy]))

  const wheel = (event: WheelEvent) => {
    // at its farthest the wheel is the page's again
    if (event.deltaY > 0 && near.value === 1) return
    event.preventDefault()
    by(Math.pow(STEP, -event.deltaY / 100), toFigure(event.clientX, event.clientY))
  }
  const key = (event: KeyboardEvent): boolean => {
    const step = shown.value.w / 8
    const acts: Record<string, () => void> = {
      '+': () => by(STEP),
      '=': () => by(STEP),
      '-': () => by(1 / STEP),
      '0': reset,
      ...(near.value > 1
        ? {
            ArrowLeft: () => pan(-step, 0),
            ArrowRight: () => pan(step, 0),
            ArrowUp: () => pan(0, -step),
            ArrowDown: () => pan(0, step),
          }
        : {}),
    }
    const act = event.ctrlKey || event.metaKey || event.altKey ? undefined : acts[event.key]
    if (!act) return false
    act()
    event.preventDefault()
    event.stopPropagation()
    return true
  }

  const fingers = new Map<number, [number, number]>()
  let moved = 0
  const down = (event: PointerEvent) => {
    if (fingers.size === 0) moved = 0
    fingers.set(event.pointerId, [event.clientX, event.clientY])
  }
  /** Moves the window under one finger (if it may) or two; tells whether the finger is busy with that. */
  const move = (event: PointerEvent, oneFinger: boolean): boolean => {
    const before = fingers.get(event.pointerId)
    if (!before) return false
    const at: [number, number] = [event.clientX, event.clientY]
    const others = [...fingers.entries()].filter(([id]) => id !== event.pointerId).map(([, point]) => point)
    const other = others[0]
    const unit = shown.value.w / (svg.value?.clientWidth || 1)
    if (other) {
      const spread = (point: [number, number]): number => Math.hypot(point[0] - other[0], point[1] - other[1]) || 1
      by(spread(at) / spread(before), toFigure((at[0] + other[0]) / 2, (at[1] + other[1]) / 2))
      pan(((before[0] - at[0]) / 2) * unit, ((before[1] - at[1]) / 2) * unit)
      moved = Infinity
    } else {
      moved += Math.hypot(at[0] - before[0], at[1] - before[1])
      if (oneFinger && near.value > 1) pan((before[0] - at[0]) * unit, (before[1] - at[1]) * unit)
    }
    fingers.set(event.pointerId, at)
    return fingers.size > 1
  }
  const up = (event: PointerEvent) => fingers.delete(event.pointerId)
  /** A touch that went nowhere is a tap. */
  const wasTap = (): boolean => moved < 8
  return { near, shown, by, show, reset, toFigure, wheel, key, down, move, up, wasTap, touching: () => fingers.size }
}
