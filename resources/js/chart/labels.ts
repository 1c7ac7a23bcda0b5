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

/**
 * Names in the two margins of a window, each on a leader to its muscle, none upon another: whatever finds no line is left out.
 * Each is written on the side where there is room, on the half of the body that lies there.
 * @param unit units of a pixel
 */
export const labelsIn = (list: { text: string; at: [number, number]; over: [number, number] }[], frame: Crop, unit: number): Label[] => {
  const [left, right] = [frame.x, frame.x + frame.w]
  const visible = list
    .filter((one) => one.at[1] > frame.y && one.at[1] < frame.y + frame.h && Math.abs(one.at[0]) < Math.max(Math.abs(left), right))
    .sort((a, b) => a.at[1] - b.at[1] || a.text.localeCompare(b.text))
  const room = Math.floor(frame.h / (LINE * unit)) - 1
  const columns: { text: string; point: [number, number] }[][] = [[], []]
  visible.forEach((one, k) => {
    const goesRight = k % 2 === 0
    const point = (one.at[0] >= 0 === goesRight ? one.at : one.over) as [number, number]
    if (point[0] > left && point[0] < right) columns[goesRight ? 1 : 0]?.push({ text: one.text, point })
  })
  return columns.flatMap((column, side) => {
    const kept = column.slice(0, room)
    const least = frame.y + LINE * unit
    const most = frame.y + frame.h - LINE * unit * 0.6
    const ys = kept.map((one) => one.point[1])
    // pushed down until none touches the one above, then back up from the foot
    for (let k = 0; k < ys.length; k++) ys[k] = Math.max(ys[k] ?? 0, k ? (ys[k - 1] ?? 0) + LINE * unit : least)
    for (let k = ys.length - 1; k >= 0; k--) ys[k] = Math.min(ys[k] ?? 0, k < ys.length - 1 ? (ys[k + 1] ?? 0) - LINE * unit : most)
    return kept.map((one, k): Label => {
      const y = ys[k] ?? 0
      const x = side ? right - MARGIN * unit : left + MARGIN * unit
      const inner = side ? x - one.text.length * LETTER * unit - MARGIN * unit : x + one.text.length * LETTER * unit + MARGIN * unit
      // the leader leaves the name level and bends once; it never runs back through its own name
      const knee = side ? Math.max(inner, one.point[0]) : Math.min(inner, one.point[0])
      return { text: one.text, x, y, anchor: side ? 'end' : 'start', leader: [one.point, [knee === one.point[0] ? inner : knee, y]] }
    })
  })
}
