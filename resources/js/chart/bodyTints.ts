import { TONES } from '../../figure/model/tones.mjs'
import { plateOf, type ViewId } from './art'
import { outlines, type Region, type Seen } from './dissection'

/** Pixels a unit of the body is in its tints. */
const FINE = 2
const MOST = 4
/** How strong the line between two of them is, and how wide in units. */
const LINE = { share: 0.5, width: 0.7 }
const made = new Map<string, HTMLCanvasElement>()

const parts = (colour: string): [number, number, number] =>
  [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16)) as [number, number, number]

/** The cells in the colour of what each is made of: what their smoothed outlines leave open. */
const cellsIn = ({ cells, columns, kinds }: Seen, colours: readonly string[]): HTMLCanvasElement => {
  const canvas = document.createElement('canvas')
  const rows = cells.length / columns
  ;[canvas.width, canvas.height] = [columns, rows]
  const on = canvas.getContext('2d')
  if (!on) return canvas
  const image = on.createImageData(columns, rows)
  const of = colours.map(parts)
  cells.forEach((id, k) => {
    const colour = of[Number(kinds[id])]
    if (!colour) return // nothing of its own: the skin is seen
    image.data.set([...colour, 255], 4 * k)
  })
  on.putImageData(image, 0, 0)
  return canvas
}

/**
 * The body of a view in outlines and tones: there at once, enough for a small window, and until it is painted. In pixels of its box.
 *
 * @param seen of the region in the state that is shown
 */
export const bodyTints = (view: ViewId, region: Region, state: string, seen: Seen, dark: boolean): HTMLCanvasElement | null => {
  const key = [region.id, state, dark].join()
  const [known, plate, tones] = [made.get(key), plateOf(view), TONES[dark ? 'dark' : 'linen']]
  if (known || !plate || !tones) return known ?? null
  const [x, y, w, h] = region.box
  const canvas = document.createElement('canvas')
  ;[canvas.width, canvas.height] = [Math.round(w * FINE), Math.round(h * FINE)]
  const on = canvas.getContext('2d')
  if (!on) return null
  on.setTransform(FINE, 0, 0, FINE, -x * FINE, -y * FINE)
  const halves = (draw: () => void): void => {
    for (const side of [1, -1]) {
      on.save()
      on.scale(side, 1)
      draw()
      on.restore()
    }
  }
  const [skin, edges] = [plate.parts.map((part) => new Path2D(part.skin)), plate.parts.map((part) => new Path2D(part.edge))]
  on.fillStyle = tones.skin
  halves(() => skin.forEach((one) => on.fill(one)))
  on.imageSmoothingQuality = 'high'
  const colours = [...tones.tones, tones.bone, tones.sheet, tones.fat]
  on.drawImage(cellsIn(seen, colours), x, y, w, h)
  on.strokeStyle = tones.line
  on.lineWidth = LINE.width
  for (const [id, rings] of outlines(seen, region.box)) {
    const colour = colours[Number(seen.kinds[id])]
    if (!colour) continue
    const path = new Path2D()
    for (const ring of rings) {
      ring.forEach(([px, py], k) => (k ? path.lineTo(px, py) : path.moveTo(px, py)))
      path.closePath()
    }
    on.fillStyle = colour
    on.fill(path, 'evenodd')
    on.globalAlpha = LINE.share
    on.stroke(path)
    on.globalAlpha = 1
  }
  on.strokeStyle = tones.skinLine
  on.lineWidth = 1.1
  halves(() => edges.forEach((one) => on.stroke(one)))
  for (const old of [...made.keys()].slice(0, Math.max(0, made.size + 1 - MOST))) made.delete(old)
  made.set(key, canvas)
  return canvas
}
