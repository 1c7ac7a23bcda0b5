import { useDebounceFn } from '@vueuse/core'
import { computed, shallowRef, watch, watchEffect, type Ref } from 'vue'
import { settings } from '@/composables/settings'
import type { Crop, ViewId } from './art'
import { bodyTints } from './bodyTints'
import { loadSeen, regionOf, seenOf } from './dissection'
import { usePainter, type Painting } from './usePainter'

/** Views of the whole body that are put together from its dissected regions. */
const BODIES: Record<ViewId, string> = {
  front: 'whole-front',
  back: 'whole-back',
  sides: 'whole-sides',
  inner: 'whole-inner',
  sole: 'whole-sole',
  armpit: 'whole-armpit',
  mouth: 'whole-mouth',
}
/** The profiles, whose arms hang over what lies behind them: without what a window leaves away. */
const PROFILES: Record<string, string> = { arm: 'sides-body', body: 'sides-arm' }
export const bodyOf = (view: ViewId, without: readonly string[] = []): string =>
  (view === 'sides' && without.map((part) => PROFILES[part]).find(Boolean)) || BODIES[view]

/** How much of a muscle a state of the body shows, of the most that any does; 1 of one that no state of it shows. */
export const shareSeen = (view: ViewId, muscle: string, depth: number): number => {
  const seen = regionOf(bodyOf(view)).muscles[muscle]
  return seen ? (seen[String(depth)] ?? 0) / Math.max(...Object.values(seen)) : 1
}

/** Pixels from which on a window shows more than outlines and tones. */
const LARGE = 320
/** A hand that goes on turning the figure waits for no painting. */
const CALM_MS = 350

/**
 * The dissected body under the marks of a figure: its outlines and tones at once, and the painting when it is there. Where the halves are
 * drawn together (`shift`) the left half of the window is the mirror of the right.
 */
export const useBody = (
  canvas: Ref<HTMLCanvasElement | null>,
  of: { view: Ref<ViewId | null>; depth: Ref<number>; dim: Ref<boolean>; shown: Ref<Crop>; width: Ref<number>; height: Ref<number> },
) => {
  const id = computed(() => (of.view.value ? bodyOf(of.view.value, of.shown.value.without) : undefined))
  const region = computed(() => (id.value ? regionOf(id.value) : undefined))
  const state = computed(() => String(of.depth.value))
  watchEffect(() => {
    if (id.value) void loadSeen(id.value, state.value)
  })
  const seen = computed(() => (id.value ? seenOf(id.value, state.value) : undefined))
  const tints = computed(() =>
    of.view.value && region.value && seen.value ? bodyTints(of.view.value, region.value, state.value, seen.value, of.dim.value) : null,
  )
  const subject = computed(() => [id.value, state.value, of.dim.value].join())
  const painted = shallowRef<{ bitmap: ImageBitmap; window: Painting['window']; of: string } | null>(null)
  const shift = computed(() => of.shown.value.shift ?? 0)
  const ratio = Math.min(2, window.devicePixelRatio || 1)
  const isLarge = computed(() => settings().figure === 'painted' && Math.min(of.width.value, of.height.value) >= LARGE)

  const draw = (): void => {
    const on = canvas.value?.getContext('2d')
    if (!canvas.value || !on || !region.value) return
    const { x, y, w, h } = of.shown.value
    const [width, height] = [Math.round(of.width.value * ratio), Math.round(of.height.value * ratio)]
    if (canvas.value.width !== width || canvas.value.height !== height) [canvas.value.width, canvas.value.height] = [width, height]
    on.setTransform(1, 0, 0, 1, 0, 0)
    on.clearRect(0, 0, width, height)
    on.setTransform(width / w, 0, 0, height / h, (-x * width) / w, (-y * height) / h)
    on.imageSmoothingQuality = 'high'
    const lay = (image: CanvasImageSource, [left, top, wide, tall]: readonly [number, number, number, number]): void => {
      for (const side of shift.value ? [1, -1] : [1]) {
        on.save()
        on.scale(side, 1)
        if (shift.value) {
          on.beginPath()
          on.rect(0, y, Math.abs(x) + w, h)
          on.clip()
        }
        on.drawImage(image, left - shift.value, top, wide, tall)
        on.restore()
      }
    }
    const fine = painted.value?.of === subject.value && isLarge.value ? painted.value : null
    const covers = fine && within(wanted(), fine.window)
    if (tints.value && !covers) lay(tints.value, region.value.box)
    if (fine) lay(fine.bitmap, [fine.window.x, fine.window.y, fine.window.w, fine.window.h])
  }
  /** The window on the body itself: of halves that are drawn together the one that is drawn. */
  const wanted = (): Painting['window'] => {
    const { x, y, w, h } = of.shown.value
    return shift.value ? { x: shift.value, y, w: Math.max(-x, x + w), h } : { x, y, w, h }
  }
  watch([of.shown, of.width, of.height, tints, painted, canvas, subject], draw, { flush: 'post' })

  const paint = usePainter(
    (bitmap, which, done) => {
      const name = [which.region, which.state, which.tones === 'dark'].join()
      // what is put together part by part would show seams of tones beside paint
      if (!done) bitmap.close()
      if (!done || name !== subject.value) return
      painted.value = { bitmap, window: which.window, of: name }
    },
    () => undefined, // outlines and tones stay
  )
  const ask = (): void => {
    if (!id.value || !isLarge.value || document.visibilityState === 'hidden') return
    const window = wanted()
    paint({
      region: id.value,
      state: state.value,
      tones: of.dim.value ? 'dark' : 'linen',
      other: false,
      overlays: false,
      window,
      width: Math.round((of.width.value * ratio * window.w) / of.shown.value.w),
      height: Math.round(of.height.value * ratio),
    })
  }
  const soon = useDebounceFn(ask, CALM_MS)
  watch([subject, of.shown, of.width, of.height], () => void soon(), { immediate: true })

  return { region, state, seen, painted: computed(() => painted.value?.of === subject.value) }
}
const within = (one: Painting['window'], other: Painting['window']): boolean => {
  const slack = 0.5
  return (
    one.x >= other.x - slack &&
    one.y >= other.y - slack &&
    one.x + one.w <= other.x + other.w + slack &&
    one.y + one.h <= other.y + other.h + slack
  )
}
