import { boxOf, Painter } from '../../figure/model/paint.mjs'
import { CanvasPen, Recording } from '../../figure/model/pen.mjs'
import { TONES } from '../../figure/model/tones.mjs'
import { drop, halvesOf } from '../../figure/model/whole.mjs'
import whole from '../../figure/whole.json'
import type { Painting } from './usePainter'

/** Paints regions, and the whole body from them, beside the page, so that nothing there waits for it. */
type Box = [number, number, number, number]
type Matrix = [number, number, number, number, number, number]
type Region = Parameters<typeof boxOf>[0]
interface Recorded {
  made: Recording
  box: Box
  /** from its frame to that of the picture */
  matrix: Matrix
}
interface Part {
  region: string
  states: string[]
  top?: [number, number]
  foot?: [number, number]
  lower?: [number, number][]
  within?: number
  without?: [number, number]
}
type On = OffscreenCanvasRenderingContext2D

const sources = import.meta.glob<Region>('../../figure/regions/*.json', { import: 'default' })
/** The last few states as they were modelled, to be painted again nearer or farther. */
const recorded = new Map<string, Recorded[]>()
const MOST = 12
/** The skin ends where a region does: its line there is no outline. */
const EDGE = 3
/** Where a part ends on a slant it is faded strip by strip. */
const STRIP = 2
/** Strips overlap, else the edge of each leaves a hair of what it takes away. */
const OVER = 0.75

const once = async (key: string, make: () => Promise<Recorded[]>): Promise<Recorded[]> => {
  const kept = recorded.get(key)
  recorded.delete(key)
  const made = kept ?? (await make())
  recorded.set(key, made)
  for (const old of [...recorded.keys()].slice(0, -MOST)) recorded.delete(old)
  return made
}
const sourceOf = async (id: string): Promise<Region> => {
  const source = await sources[`../../figure/regions/${id}.json`]?.()
  if (!source) throw new Error(`no region ${id}`)
  return source
}
const coloursOf = (name: string) => {
  const colours = TONES[name]
  if (!colours) throw new Error(`no tones ${name}`)
  return colours
}

const regionAlone = ({ region, state, tones, other, overlays }: Painting): Promise<Recorded[]> =>
  once([region, state, tones, other, overlays].join('|'), async () => {
    const source = await sourceOf(region)
    const made = new Recording()
    new Painter(source, coloursOf(tones), made, { other }).state(state, { overlays })
    return [{ made, box: boxOf(source) as Box, matrix: [1, 0, 0, 1, 0, 0] }]
  })
/** Whether anything of a part of the body lies in a window on it. */
const touches = async (part: Part, { x, y, w, h }: Painting['window']): Promise<boolean> => {
  const source = await sourceOf(part.region)
  const [left, top, width, height] = boxOf(source) as Box
  const corners = [left, left + width].flatMap((cx) => [top, top + height].map((cy) => [cx, cy] as const))
  return halvesOf(part, source).some(({ matrix }) => {
    const [a, b, c, d, e, f] = matrix as Matrix
    const [xs, ys] = [corners.map(([cx, cy]) => a * cx + c * cy + e), corners.map(([cx, cy]) => b * cx + d * cy + f)]
    return Math.min(...xs) < x + w && Math.max(...xs) > x && Math.min(...ys) < y + h && Math.max(...ys) > y
  })
}
const partOfWhole = (part: Part, state: number, tones: string): Promise<Recorded[]> =>
  once(['whole', part.region, part.states[state], tones].join('|'), async () => {
    const source = await sourceOf(part.region)
    return halvesOf(part, source).map(({ other, matrix }): Recorded => {
      const made = new Recording()
      new Painter(source, coloursOf(tones), made, { other }).state(part.states[state] ?? '', { joined: true })
      return { made, box: boxOf(source) as Box, matrix: matrix as Matrix }
    })
  })

const paint = (on: On, { made, box: [x, y, w, h], matrix }: Recorded): void => {
  on.save()
  on.transform(...matrix)
  on.beginPath()
  on.rect(x + EDGE, y + EDGE, w - 2 * EDGE, h - 2 * EDGE)
  on.clip()
  made.replay(new CanvasPen(on))
  on.restore()
}

/** Takes away what a neighbour shows instead, softly where they meet. */
const fade = (on: On, part: Part, [left, top, width, height]: Box): void => {
  const { foot, lower, top: head, within = width, without } = part
  on.save()
  on.globalCompositeOperation = 'destination-out'
  const band = (from: number, to: number, x: number, w: number, down: boolean): void => {
    const gradient = on.createLinearGradient(0, from, 0, to)
    gradient.addColorStop(down ? 0 : 1, 'rgba(0,0,0,0)')
    gradient.addColorStop(down ? 1 : 0, 'rgba(0,0,0,1)')
    on.fillStyle = gradient
    on.fillRect(x, down ? from : top, w, down ? top + height - from : to - top)
  }
  if (head) band(...head, left, width, false)
  if (foot && lower) {
    const fall = (x: number): [number, number] => [foot[0] + drop(lower, x), foot[1] + drop(lower, x)]
    const out = lower.at(-1)?.[0] ?? 0
    for (let x = -out; x < out; x += STRIP) band(...fall(x + STRIP / 2), x, STRIP + OVER, true)
    for (const side of [-width, out]) band(...foot, side, width - out, true)
  } else if (foot) band(...foot, -within, 2 * within, true)
  on.fillStyle = '#000'
  if (without) for (const x of [without[0], -without[0] - width]) on.fillRect(x, without[1], width, height)
  on.restore()
}

const canvasOf = ({ window: { x, y, w, h }, width, height }: Painting): { canvas: OffscreenCanvas; on: On } => {
  const canvas = new OffscreenCanvas(width, height)
  const on = canvas.getContext('2d')
  if (!on) throw new Error('no canvas')
  on.setTransform(width / w, 0, 0, height / h, (-x * width) / w, (-y * height) / h)
  return { canvas, on }
}

/** What each who asks wants by now. */
const newest = new Map<number, number>()
self.onmessage = async ({ data }: MessageEvent<Painting & { of: number; asked: number }>) => {
  newest.set(data.of, data.asked)
  const name = { of: data.of, asked: data.asked }
  const isOver = (): boolean => newest.get(data.of) !== data.asked
  const answer = (bitmap: ImageBitmap, done: boolean): void => self.postMessage({ ...name, bitmap, done }, { transfer: [bitmap] })
  try {
    const view = whole.views.find((one) => one.id === data.region)
    const { canvas, on } = canvasOf(data)
    if (!view) {
      const recording = await regionAlone(data)
      if (isOver()) return // something else is wanted by now
      for (const one of recording) paint(on, one)
      answer(canvas.transferToImageBitmap(), true)
      return
    }
    const state = view.states.findIndex((one) => one.id === data.state)
    for (const [k, part] of (view.parts as Part[]).entries()) {
      // what lies beside the window is not even modelled
      const isLast = k === view.parts.length - 1
      if (!(await touches(part, data.window))) {
        if (isLast) answer(await createImageBitmap(canvas), true)
        continue
      }
      const recording = await partOfWhole(part, state, data.tones)
      if (isOver()) return
      const layer = canvasOf(data)
      for (const one of recording) paint(layer.on, one)
      fade(layer.on, part, view.box as Box)
      on.save()
      on.setTransform(1, 0, 0, 1, 0, 0)
      on.drawImage(layer.canvas, 0, 0)
      on.restore()
      // the body is seen as it is put together
      answer(await createImageBitmap(canvas), isLast)
    }
  } catch (failure) {
    self.postMessage({ ...name, failed: String(failure) })
  }
}
