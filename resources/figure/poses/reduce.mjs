/** From the contours as they are found to the few curves that are kept: fills, tapered lines, and thin lines as strokes of one width. */
import { ev, fit, text } from './fit.mjs'

/** How far a curve may be from what it stands for, in units of the drawing. */
const LOOSE = { line: 2.1, fill: 3.3, stroke: 2.5 }
/** A tapered line no wider than this is a stroke. */
const THIN = 4

const NUMBER = /-?(?:\d+\.?\d*|\.\d+)/y
/** A path of M, c and z as points along it. */
function parse(d) {
  const all = []
  let at = 0
  let current = null
  let [x, y] = [0, 0]
  let command = ''
  const number = () => {
    while (d[at] === ' ' || d[at] === ',') at++
    NUMBER.lastIndex = at
    const found = NUMBER.exec(d)
    at = NUMBER.lastIndex
    return Number(found[0])
  }
  while (at < d.length) {
    const c = d[at]
    if (c === 'M') {
      at++
      ;[x, y] = [number(), number()]
      current = [[x, y]]
      all.push(current)
      command = 'M'
    } else if (c === 'c') {
      at++
      command = 'c'
    } else if (c === 'z' || c === ' ') {
      at++
    } else if (command === 'c') {
      const v = Array.from({ length: 6 }, number)
      const curve = [
        [x, y],
        [x + v[0], y + v[1]],
        [x + v[2], y + v[3]],
        [x + v[4], y + v[5]],
      ]
      const steps = Math.max(2, Math.min(24, Math.round((Math.hypot(v[4], v[5]) + Math.hypot(v[0], v[1])) / 5)))
      for (let k = 1; k <= steps; k++) current.push(ev(curve, k / steps))
      ;[x, y] = curve[3]
    } else {
      at++
    }
  }
  return all
}

const length = (points) => points.slice(1).reduce((sum, p, i) => sum + Math.hypot(p[0] - points[i][0], p[1] - points[i][1]), 0)

/** The same line by so many equal steps. */
function evenly(points, steps) {
  const sums = [0]
  for (let i = 1; i < points.length; i++)
    sums.push(sums[i - 1] + Math.hypot(points[i][0] - points[i - 1][0], points[i][1] - points[i - 1][1]))
  const whole = sums.at(-1) || 1
  const out = []
  let j = 0
  for (let i = 0; i <= steps; i++) {
    const s = (whole * i) / steps
    while (j < points.length - 2 && sums[j + 1] < s) j++
    const part = (s - sums[j]) / (sums[j + 1] - sums[j] || 1)
    out.push([points[j][0] + part * (points[j + 1][0] - points[j][0]), points[j][1] + part * (points[j + 1][1] - points[j][1])])
  }
  return out
}

/** The two sides of a drawn line, its middle, and how wide it is: a line that is not open is a ring. */
function halves(outline) {
  const closed = [...outline, outline[0]]
  const whole = length(closed)
  const n = Math.max(4, Math.min(160, Math.round(whole / 2 / 4)))
  const round = evenly(closed, 2 * n)
  const window = Math.max(4, Math.round(n * 0.22))
  const middle = []
  let width = 0
  for (let i = 0; i <= n; i++) {
    let [near, other] = [Infinity, 2 * n - i]
    for (let j = Math.max(n, 2 * n - i - window); j <= Math.min(2 * n, 2 * n - i + window); j++) {
      const d = Math.hypot(round[i][0] - round[j][0], round[i][1] - round[j][1])
      if (d < near) [near, other] = [d, j]
    }
    middle.push([(round[i][0] + round[other][0]) / 2, (round[i][1] + round[other][1]) / 2])
    width = Math.max(width, near)
  }
  return { n, round, middle, width, long: whole / 2, open: width < 9 }
}

const stroked = (points) => text(fit(points, LOOSE.stroke), 1, 0)
const filled = (outline, loose) => text(fit([...outline, outline[0]], loose), 1, 1)

function soft(d) {
  let out = ''
  let isInner = false
  for (const outline of parse(d)) {
    const h = halves(outline)
    if (h.open) {
      if (h.long >= 13) out += stroked(h.middle)
    } else if (isInner) {
      isInner = false
    } else {
      out += text(fit(evenly([...outline, outline[0]], Math.max(8, Math.round((h.long * 2) / 6))), LOOSE.line), 1, 1)
      isInner = true
    }
  }
  return out
}

function line(d) {
  let [out, hair] = ['', '']
  for (const outline of parse(d)) {
    const h = halves(outline)
    if (h.open && h.long < 10) continue
    if (h.open && h.width < THIN && h.long < 260) hair += stroked(h.middle)
    else if (h.open && h.width > 0)
      out += text([...fit(h.round.slice(0, h.n + 1), LOOSE.line), ...fit(h.round.slice(h.n), LOOSE.line)], 1, 1)
    else out += filled(outline, LOOSE.line)
  }
  return [out, hair]
}

const fill = (d) =>
  parse(d)
    .map((outline) => (length(outline) < 60 ? '' : filled(outline, LOOSE.fill)))
    .join('')

/** @returns the drawing as the pages read it (resources/js/chart/poses.ts) */
export function reduce({ w, h, g }) {
  const pose = { w, h, sw: Number((2.5 * Math.pow(Math.min(1, h / 960), 0.5)).toFixed(2)) }
  for (const tone of ['table', 'patch', 'pad', 'cloth', 'skin']) if (g[tone]) pose[tone] = fill(g[tone])
  if (g.soft) pose.soft = soft(g.soft)
  if (g.line) {
    const [wide, hair] = line(g.line)
    pose.line = wide
    if (hair) pose.hair = hair
  }
  if (g.arrow) pose.arrow = g.arrow
  return pose
}
