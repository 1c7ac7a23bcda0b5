// Where the named spots of a muscle lie on a view of the body: along the line from its upper end to its lower, across from its inner edge
// to its outer, and always on what is drawn of it.
import { distance } from './spline.mjs'

/** Of the length of a line, so much to either side of a spot tells how broad the muscle is there. */
const BAND = 0.08
/** A spot at an edge lies within it, by so much of half the breadth. */
const WITHIN = 0.75

/** The line of a muscle where its landmarks are not in a view: its longest way, from above. */
function ownLine(cells) {
  const n = cells.length
  const [mx, my] = [0, 1].map((k) => cells.reduce((sum, p) => sum + p[k], 0) / n)
  let [xx, xy, yy] = [0, 0, 0]
  for (const [x, y] of cells) {
    xx += (x - mx) ** 2
    xy += (x - mx) * (y - my)
    yy += (y - my) ** 2
  }
  const angle = Math.atan2(2 * xy, xx - yy) / 2
  const [dx, dy] = [Math.cos(angle), Math.sin(angle)]
  const ways = cells.map(([x, y]) => (x - mx) * dx + (y - my) * dy)
  const ends = [Math.min(...ways), Math.max(...ways)].map((way) => [mx + way * dx, my + way * dy])
  return ends.sort((a, b) => a[1] - b[1])
}

/**
 * @param {[number, number][]} cells middles of the cells a muscle is seen in, of one half, in units of the view
 * @param {[[number, number], [number, number]] | null} line from its upper end to its lower, where both are in the view
 * @param {{ id: string, along: number, across: number }[]} spots `across` −1 at the inner edge, 1 at the outer
 * @returns {Record<string, [number, number]>} by spot
 */
export function placesOfSpots(cells, line, spots) {
  const [from, to] = line ?? ownLine(cells)
  const long = distance(from, to) || 1
  const [dx, dy] = [(to[0] - from[0]) / long, (to[1] - from[1]) / long]
  // across the line, away from the midline of the body
  const sign = -dy * Math.sign(cells[0][0] || 1) >= 0 ? 1 : -1
  const [ax, ay] = [-dy * sign, dx * sign]
  const placed = cells.map((p) => [((p[0] - from[0]) * dx + (p[1] - from[1]) * dy) / long, (p[0] - from[0]) * ax + (p[1] - from[1]) * ay])
  return Object.fromEntries(
    spots.map(({ id, along, across }) => {
      const off = placed.map(([at]) => Math.abs(at - along))
      const nearest = Math.min(...off)
      const there = placed.filter((_, k) => off[k] <= nearest + BAND).map(([, aside]) => aside)
      const [inner, outer] = [Math.min(...there), Math.max(...there)]
      const aside = (inner + outer) / 2 + (WITHIN * across * (outer - inner)) / 2
      const meant = [from[0] + along * long * dx + aside * ax, from[1] + along * long * dy + aside * ay]
      const best = cells.reduce((one, p) => (distance(p, meant) < distance(one, meant) ? p : one))
      return [id, best.map((n) => Math.round(10 * n) / 10)]
    }),
  )
}
