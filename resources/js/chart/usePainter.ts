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
  asked: number
  bitmap?: ImageBitmap
  /** false of what is not whole yet */
  done?: boolean
  failed?: string
}

/**
 * Asks for paintings, one at a time: what is asked meanwhile replaces what waited. Each page that paints has a painter of its own, which
 * goes with it.
 */
export const usePainter = (painted: (bitmap: ImageBitmap, of: Painting, done: boolean) => void, failed: () => void) => {
  const worker = new Worker(new URL('./painter.worker.ts', import.meta.url), { type: 'module' })
  let asked = 0
  let last: Painting | null = null
  worker.onmessage = ({ data }: MessageEvent<Answer>) => {
    if (data.asked !== asked || !last) {
      data.bitmap?.close()
      return
    }
    if (data.bitmap) painted(data.bitmap, last, data.done === true)
    else failed()
  }
  worker.onerror = failed
  onScopeDispose(() => worker.terminate())
  return (painting: Painting): void => {
    last = painting
    worker.postMessage({ ...painting, asked: ++asked })
  }
}
