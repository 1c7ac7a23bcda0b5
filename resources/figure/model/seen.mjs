// What is seen of each state: cell by cell which shape lies on top, so that a touch reaches what is seen, and where a name may point.
import { flat, segmentsOf } from './spline.mjs'
import { boxOf, Painter } from './paint.mjs'
import { halvesOf, share } from './whole.mjs'

/** Units a cell is wide, where a view tells of no other. */
export const CELL = 2
/** What is so faint that what lies under it is seen. */
const FAINT = 0.5

/**
 * A pen that paints names into cells instead of colours. A muscle paints its ground first: that decides; its strips and fibres lie within.
 *
 * @implements {import('./pen.mjs').Pen}
 */
class NamePen {
  constructor([x, y, w, h], size = CELL) {
    Object.assign(this, { x, y, size, columns: Math.ceil(w / size), rows: Math.ceil(h / size) })
    /** from what is painted to the cells */
    this.matrix = [1, 0, 0, 1, 0, 0]
    this.cells = new Uint16Array(this.columns * this.rows)
    this.ids = ['']
    this.name = 0
    this.clips = []
    this.alpha = 1
  }

  /** Calls back for each run of cells whose middle lies within. */
  runs(one, done, evenodd = false) {
    const lines =
      typeof one === 'string'
        ? one
            .split(/(?=M)/)
            .filter((d) => /[CL]/.test(d))
            .map((d) => (/C/.test(d) ? flat(segmentsOf(d), 6) : pointsOf(d)))
        : one.map(({ line }) => line)
    const [a, b, c, d, e, f] = this.matrix
    const there = ([x, y]) => [a * x + c * y + e, b * x + d * y + f]
    const rows = new Map()
    for (const line of lines)
      for (let i = 0; i < line.length; i++) {
        const [[x0, y0], [x1, y1]] = [there(line[i]), there(line[(i + 1) % line.length])]
        const [from, to] = y0 < y1 ? [y0, y1] : [y1, y0]
        const first = Math.max(0, Math.ceil((from - this.y) / this.size - 0.5))
        const last = Math.min(this.rows - 1, Math.ceil((to - this.y) / this.size - 0.5) - 1)
        for (let row = first; row <= last; row++) {
          const at = this.y + (row + 0.5) * this.size
          const cross = x0 + ((x1 - x0) * (at - y0)) / (y1 - y0)
          if (!rows.has(row)) rows.set(row, [])
          rows.get(row).push([cross, y0 < y1 ? 1 : -1])
        }
      }
    for (const [row, crossings] of rows) {
      crossings.sort((a, b) => a[0] - b[0])
      let turns = 0
      for (let k = 0; k < crossings.length - 1; k++) {
        turns += evenodd ? 1 : crossings[k][1]
        if (evenodd ? turns % 2 === 0 : turns === 0) continue
        const from = Math.max(0, Math.ceil((crossings[k][0] - this.x) / this.size - 0.5))
        const to = Math.min(this.columns - 1, Math.ceil((crossings[k + 1][0] - this.x) / this.size - 0.5) - 1)
        for (let column = from; column <= to; column++) done(row * this.columns + column)
      }
    }
  }

  fill(one, _, { opacity = 1, shift, evenodd = false } = {}) {
    if (opacity * this.alpha < FAINT || shift) return
    this.runs(
      one,
      (cell) => {
        if (this.clips.every((clip) => clip[cell])) this.cells[cell] = this.name
      },
      evenodd,
    )
  }

  stroke() {}

  lined(one, colour, _, how) {
    this.fill(one, colour, how)
  }

  dots() {}

  within(paths, inner, evenodd = false) {
    const clip = new Uint8Array(this.cells.length)
    for (const one of paths) this.runs(one, (cell) => (clip[cell] = 1), evenodd)
    this.clips.push(clip)
    inner()
    this.clips.pop()
  }

  faint(opacity, inner) {
    const before = this.alpha
    this.alpha *= opacity
    inner()
    this.alpha = before
  }

  named(name, inner) {
    const before = this.name
    this.name = this.ids.indexOf(name)
    if (this.name < 0) this.name = this.ids.push(name) - 1
    inner()
    this.name = before
  }
}

/** A path of straight lines. */
function pointsOf(d) {
  const points = []
  let [x, y] = [0, 0]
  for (const [, letter, rest] of d.matchAll(/([MLHVZ])([^MLHVZ]*)/g)) {
    const numbers = (rest.match(/-?\d*\.?\d+/g) ?? []).map(Number)
    if (letter === 'H') points.push([(x = numbers[0]), y])
    else if (letter === 'V') points.push([x, (y = numbers[0])])
    else for (let i = 0; i + 1 < numbers.length; i += 2) points.push([(x = numbers[i]), (y = numbers[i + 1])])
  }
  return points
}

/** Every colour is the same to a pen of names. */
const PLAIN = new Proxy({}, { get: (_, key) => (key === 'tones' ? ['#000000', '#000000', '#000000'] : key === 'ropes' ? {} : '#000000') })

/** Steps from each cell of a name to its border, roughly: in rows and columns, and across. */
function depths({ cells, columns, rows }) {
  const deep = new Uint16Array(cells.length)
  const far = (k, other, step) => (cells[other] === cells[k] ? deep[other] + step : 0)
  for (let k = 0; k < cells.length; k++) {
    const [row, column] = [Math.floor(k / columns), k % columns]
    deep[k] = row && column ? Math.min(far(k, k - 1, 3), far(k, k - columns, 3), far(k, k - columns - 1, 4)) : 0
  }
  for (let k = cells.length - 1; k >= 0; k--) {
    const [row, column] = [Math.floor(k / columns), k % columns]
    const edge = row === rows - 1 || column === columns - 1
    deep[k] = edge ? 0 : Math.min(deep[k], far(k, k + 1, 3), far(k, k + columns, 3), far(k, k + columns + 1, 4))
  }
  return deep
}

/** What a pen of names was told: the names, runs of cells, and of each name the spot deepest within it. */
function told(pen) {
  const runs = []
  for (const id of pen.cells) {
    if (runs.length && runs[runs.length - 2] === id) runs[runs.length - 1]++
    else runs.push(id, 1)
  }
  const deep = depths(pen)
  const best = new Map()
  pen.cells.forEach((id, k) => {
    if (!id) return
    const one = best.get(id) ?? { deep: -1, cells: 0, k }
    one.cells++
    if (deep[k] > one.deep) Object.assign(one, { deep: deep[k], k })
    best.set(id, one)
  })
  const at = (k) => [pen.x + ((k % pen.columns) + 0.5) * pen.size, pen.y + (Math.floor(k / pen.columns) + 0.5) * pen.size]
  return {
    ids: pen.ids,
    columns: pen.columns,
    runs,
    seen: Object.fromEntries([...best].map(([id, one]) => [pen.ids[id], { at: at(one.k), cells: one.cells }])),
  }
}

/**
 * @typedef {{ ids: string[], columns: number, runs: number[], seen: Record<string, { at: [number, number], cells: number }> }} Seen the
 *   names that are seen, runs of cells row by row (place among the names, how many), and of each name the spot deepest within it
 */

/**
 * @param {object} region
 * @param {string} state
 * @returns {Seen}
 */
export function seen(region, state) {
  const pen = new NamePen(boxOf(region))
  new Painter(region, PLAIN, pen).state(state, { fine: false })
  return told(pen)
}

/**
 * The same of the whole body.
 *
 * @param {object} view of the whole body
 * @param {number} state
 * @param {(id: string) => object} regionOf
 * @returns {Seen}
 */
export function seenWhole(view, state, regionOf) {
  const pen = new NamePen(view.box, view.cell)
  for (const part of view.parts) {
    const region = regionOf(part.region)
    const mask = pen.cells.map((_, k) => {
      const [x, y] = [pen.x + ((k % pen.columns) + 0.5) * pen.size, pen.y + (Math.floor(k / pen.columns) + 0.5) * pen.size]
      return share(part, x, y) >= 0.5 ? 1 : 0
    })
    pen.clips.push(mask)
    for (const { other, matrix } of halvesOf(part, region)) {
      pen.matrix = matrix
      new Painter(region, PLAIN, pen, { other }).state(part.states[state], { fine: false, joined: true })
    }
    pen.clips.pop()
  }
  return told(pen)
}
