import { boxOf, Painter } from '../../figure/model/paint.mjs'
import { CanvasPen, Recording } from '../../figure/model/pen.mjs'
import { TONES } from '../../figure/model/tones.mjs'
import type { Painting } from './usePainter'

/** Paints regions beside the page, so that nothing there waits for it. */
const sources = import.meta.glob<object>('../../figure/regions/*.json', { import: 'default' })
/** The last few states as they were modelled, to be painted again nearer or farther. */
interface Recorded {
  made: Recording
  box: [number, number, number, number]
}
const recorded = new Map<string, Recorded>()
const MOST = 6
const EDGE = 3

const record = async ({ region, state, tones, other, overlays }: Painting): Promise<Recorded> => {
  const key = [region, state, tones, other, overlays].join('|')
  const kept = recorded.get(key)
  if (kept) return kept
  const source = await sources[`../../figure/regions/${region}.json`]?.()
  const colours = TONES[tones]
  if (!source || !colours) throw new Error(`no region ${region} in ${tones}`)
  const made = new Recording()
  new Painter(source, colours, made, { other }).state(state, { overlays })
  const entry = { made, box: boxOf(source as Parameters<typeof boxOf>[0]) }
  recorded.set(key, entry)
  for (const old of [...recorded.keys()].slice(0, -MOST)) recorded.delete(old)
  return entry
}

let newest = 0
self.onmessage = async ({ data }: MessageEvent<Painting & { asked: number }>) => {
  newest = data.asked
  try {
    const recording = await record(data)
    if (data.asked !== newest) return // something else is wanted by now
    const { x, y, w, h } = data.window
    const canvas = new OffscreenCanvas(data.width, data.height)
    const on = canvas.getContext('2d')
    if (!on) throw new Error('no canvas')
    on.setTransform(data.width / w, 0, 0, data.height / h, (-x * data.width) / w, (-y * data.height) / h)
    // the skin ends where the region does: its line there is no outline
    const [left, top, wide, tall] = recording.box
    on.beginPath()
    on.rect(left + EDGE, top + EDGE, wide - 2 * EDGE, tall - 2 * EDGE)
    on.clip()
    recording.made.replay(new CanvasPen(on))
    const bitmap = canvas.transferToImageBitmap()
    self.postMessage({ asked: data.asked, bitmap }, { transfer: [bitmap] })
  } catch (failure) {
    self.postMessage({ asked: data.asked, failed: String(failure) })
  }
}
