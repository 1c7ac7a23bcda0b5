import { onScopeDispose } from 'vue'
import type { Crop } from './art'

/** A state of a region, in which window of it and how many pixels large. */
export interface Painting {
  region: string
  state: string
  tones: 'linen' | 'dark' | 'grey' | 'print'
  /** of a region that draws one side only: the other side */
  other: boolean
  overlays: boolean
  window: Pick<Crop, 'x' | 'y' | 'w' | 'h'>
  width: number
  height: number
}
interface Answer {
  of: number
  asked: number
  bitmap?: ImageBitmap
  /** false of what is not whole yet */
  done?: boolean
  failed?: string
}
interface Asker {
  asked: number
  painting: Painting
  painted: (bitmap: ImageBitmap, of: Painting, done: boolean) => void
  failed: () => void
}

/** One painter for all figures: what it has modelled once is painted again at once, on the next page too. */
let painter: Worker | null = null
const askers = new Map<number, Asker>()
let last = 0
const hire = (): Worker => {
  const worker = new Worker(new URL('./painter.worker.ts', import.meta.url), { type: 'module' })
  worker.onmessage = ({ data }: MessageEvent<Answer>) => {
    const asker = askers.get(data.of)
    if (data.asked !== asker?.asked) data.bitmap?.close()
    else if (data.bitmap) {
      if (data.done) keep(asker.painting, data.bitmap)
      asker.painted(data.bitmap, asker.painting, data.done === true)
    } else asker.failed()
  }
  worker.onerror = () => askers.forEach((one) => one.failed())
  return worker
}

/** The last paintings, whole: a figure that comes back is there at once. */
const MOST = 6
const kept = new Map<string, ImageBitmap>()
const keep = (painting: Painting, bitmap: ImageBitmap): void => {
  const name = JSON.stringify(painting)
  kept.delete(name)
  kept.set(name, bitmap)
  for (const old of [...kept.keys()].slice(0, -MOST)) kept.delete(old) // who still shows it has it
}

/**
 * Asks for paintings, one at a time: what is asked meanwhile replaces what waited. A painting that is whole belongs to all who ask for it
 * and is never closed; one that is not is whoever's it is given to.
 */
export const usePainter = (painted: Asker['painted'], failed: () => void) => {
  const own = ++last
  onScopeDispose(() => askers.delete(own))
  let asked = 0
  return (painting: Painting): void => {
    askers.set(own, { asked: ++asked, painting, painted, failed })
    const known = kept.get(JSON.stringify(painting))
    if (known) {
      keep(painting, known)
      painted(known, painting, true)
      return
    }
    painter ??= hire()
    painter.postMessage({ ...painting, of: own, asked })
  }
}
