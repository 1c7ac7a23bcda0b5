import type { Crop } from './art'

export interface Label {
  text: string
  x: number
  y: number
  anchor: 'start' | 'end'
  /** from the muscle to its name */
  leader: [number, number][]
}
const LINE = 17
const MARGIN = 6
const LETTER = 6.4
/** A name more in a margin is as bad as lying so many pixels over the picture. */
const CROWDED = 12
/** Pixels from which on names have room beside the body. */
export const WIDE = 640
/** Square pixels a muscle has to show before it is named: more where the names have to stand on the picture. */
export const leastNamed = (width: number): number => (width < WIDE ? 900 : 160)

/** Room that something else takes at the edges of the window, in pixels. */
export interface Inset {
  top: number
  right: number
  bottom: number
}

/**
 * Names in the two margins of a window, each on a leader to its muscle, none upon another: whatever finds no line is left out.
 * Each is written where it lies free of the body and of the others, and points to the half that lies there.
 * @param unit units of a pixel
 */
export const labelsIn = (
  list: { text: string; at: [number, number]; over: [number, number] }[],
  frame: Crop,
  unit: number,
  inset: Inset,
): Label[] => {
  const [left, right] = [frame.x + MARGIN * unit, frame.x + frame.w - (MARGIN + inset.right) * unit]
  const [least, most] = [frame.y + (LINE + inset.top) * unit, frame.y + frame.h - (LINE * 0.6 + inset.bottom) * unit]
  const inner = (text: string, side: number): number => (side ? right - width(text, unit) : left + width(text, unit))
  /** How far a point lies clear of a name on that side; negative under it. */
  const clear = (text: string, point: [number, number], side: number): number =>
    side ? inner(text, 1) - point[0] : point[0] - inner(text, 0)
  const columns: { text: string; point: [number, number] }[][] = [[], []]
  const pointFor = (one: (typeof list)[number], side: number): [number, number] => (one.at[0] >= 0 === (side === 1) ? one.at : one.over)
  list
    .filter((one) => one.at[1] > least && one.at[1] < most)
    .sort((a, b) => a.at[1] - b.at[1] || a.text.localeCompare(b.text))
    .forEach((one) => {
      // where it stands clear, and where fewer stand already
      const cost = (side: number): number =>
        Math.max(0, -clear(one.text, pointFor(one, side), side)) + CROWDED * unit * (columns[side]?.length ?? 0)
      const side = cost(1) <= cost(0) ? 1 : 0
      const point = pointFor(one, side)
      const [x, y] = point
      if (x > frame.x && x < frame.x + frame.w && y > least && y < most) columns[side]?.push({ text: one.text, point })
    })
  const room = Math.floor((most - least) / (LINE * unit))
  return columns.flatMap((column, side) => {
    // a muscle that is seen on both halves may lie higher on one
    const kept = column.toSorted((a, b) => a.point[1] - b.point[1]).slice(0, room)
    const ys = kept.map((one) => one.point[1])
    // pushed down until none touches the one above, then back up from the foot
    for (let k = 0; k < ys.length; k++) ys[k] = Math.max(ys[k] ?? 0, k ? (ys[k - 1] ?? 0) + LINE * unit : least)
    for (let k = ys.length - 1; k >= 0; k--) ys[k] = Math.min(ys[k] ?? 0, k < ys.length - 1 ? (ys[k + 1] ?? 0) - LINE * unit : most)
    return kept.map((one, k): Label => {
      const y = ys[k] ?? 0
      // a leader never runs through its own name: under it, it comes from above or below
      const under = clear(one.text, one.point, side) < 0
      const away = Math.sign(one.point[1] - y) || 1
      const end: [number, number] = under ? [one.point[0], y + away * LINE * 0.45 * unit] : [inner(one.text, side), y]
      return { text: one.text, x: side ? right : left, y, anchor: side ? 'end' : 'start', leader: [one.point, end] }
    })
  })
}
const width = (text: string, unit: number): number => (text.length * LETTER + MARGIN) * unit
