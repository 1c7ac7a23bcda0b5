// Curves and rings in the plane. A point is [x, y] in frame units, y down; a third member 'c' marks a corner.

/** @typedef {[number, number] | [number, number, 'c']} Point */
/** @typedef {[Point, Point, Point, Point]} Segment one cubic: from, two handles, to */

export const minus = (a, b) => [a[0] - b[0], a[1] - b[1]]
export const length = (v) => Math.hypot(v[0], v[1])
export const between = (a, b, t) => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]
export const distance = (a, b) => Math.hypot(a[0] - b[0], a[1] - b[1])

/** Toward the light: upper left, in every picture. */
export const LIGHT = [-0.62, -0.785]

const tenth = (n) => String(Math.round(n * 10) / 10)
export const pair = (p) => `${tenth(p[0])} ${tenth(p[1])}`

/**
 * Centripetal Catmull–Rom through points (Yuksel, Schaefer, Keyser 2011), open: safe for guides, which must not swing out.
 * @param {Point[]} points @returns {Segment[]}
 */
export function catmullRom(points) {
  const n = points.length
  if (n < 2) return []
  if (n === 2) return [[points[0], points[0], points[1], points[1]]]
  const beyond = (end, next) => [2 * end[0] - next[0], 2 * end[1] - next[1]]
  const at = (i) => (i < 0 ? beyond(points[0], points[1]) : i >= n ? beyond(points[n - 1], points[n - 2]) : points[i])
  return points.slice(0, -1).map((p1, i) => {
    const [p0, p2, p3] = [at(i - 1), at(i + 1), at(i + 2)]
    const [d1, d2, d3] = [minus(p1, p0), minus(p2, p1), minus(p3, p2)].map((v) => Math.sqrt(length(v)) || 1e-3)
    const handle = (a, b, from, to, past) =>
      [0, 1].map((k) => (a * a * to[k] - b * b * past[k] + (2 * a * a + 3 * a * b + b * b) * from[k]) / (3 * a * (a + b)))
    return [p1, handle(d1, d2, p1, p2, p0), handle(d3, d2, p2, p1, p3), p2]
  })
}

/**
 * Hobby's spline (Hobby 1986) through points, open; a handle is capped at 0.6 of its chord. For what is seen as a contour.
 * @param {Point[]} points @returns {Segment[]}
 */
export function hobby(points) {
  const n = points.length - 1
  if (n < 1) return []
  if (n === 1) return catmullRom(points)
  const chords = points.slice(1).map((p, i) => minus(p, points[i]))
  const d = chords.map((v) => length(v) || 1e-6)
  const along = chords.map((v) => Math.atan2(v[1], v[0]))
  const turn = along.map((a, i) => {
    if (i === 0) return 0
    const by = a - along[i - 1]
    return by > Math.PI ? by - 2 * Math.PI : by < -Math.PI ? by + 2 * Math.PI : by
  })
  turn.push(0)
  // a tridiagonal system for the angle at each knot; the ends run out straight
  const [b, c, r] = [[1], [1], [-turn[1]]]
  for (let i = 1; i <= n; i++) {
    const last = i === n
    const a = last ? 1 : 1 / d[i - 1]
    const w = a / b[i - 1]
    b[i] = (last ? 1 : 2 / d[i - 1] + 2 / d[i]) - w * c[i - 1]
    c[i] = last ? 0 : 1 / d[i]
    r[i] = (last ? 0 : -(2 * turn[i]) / d[i - 1] - turn[i + 1] / d[i]) - w * r[i - 1]
  }
  const theta = []
  theta[n] = r[n] / b[n]
  for (let i = n - 1; i >= 0; i--) theta[i] = (r[i] - c[i] * theta[i + 1]) / b[i]
  const reach = (from, to) => {
    const [sa, sb, ca, cb] = [Math.sin(from), Math.sin(to), Math.cos(from), Math.cos(to)]
    const rho =
      (2 + Math.SQRT2 * (sa - sb / 16) * (sb - sa / 16) * (ca - cb)) /
      (3 * (1 + 0.5 * (Math.sqrt(5) - 1) * ca + 0.5 * (3 - Math.sqrt(5)) * cb))
    return Math.max(0.1, Math.min(0.6, rho))
  }
  return chords.map((_, i) => {
    const [out, into] = [theta[i], -turn[i + 1] - theta[i + 1]]
    const [first, second] = [reach(out, into) * d[i], reach(into, out) * d[i]]
    const [from, to] = [points[i], points[i + 1]]
    return [
      from,
      [from[0] + first * Math.cos(along[i] + out), from[1] + first * Math.sin(along[i] + out)],
      [to[0] - second * Math.cos(along[i] - into), to[1] - second * Math.sin(along[i] - into)],
      to,
    ]
  })
}

/** An open curve with corners where a point is marked. @param {Point[]} points */
export function open(points, spline = hobby) {
  const segments = []
  let run = [points[0]]
  points.slice(1).forEach((p, i) => {
    run.push(p)
    if (p[2] === 'c' || i === points.length - 2) {
      segments.push(...spline(run.map(([x, y]) => [x, y])))
      run = [p]
    }
  })
  return segments
}

/** A closed curve; without a corner it is as smooth where it meets as elsewhere. @param {Point[]} points */
export function closed(points, spline = hobby) {
  const corner = points.findIndex((p) => p[2] === 'c')
  if (corner >= 0) return open([...points.slice(corner), ...points.slice(0, corner + 1)], spline)
  return spline([...points.slice(-3), ...points, ...points.slice(0, 4)]).slice(3, 3 + points.length)
}

/** @param {Segment[]} segments */
export const path = (segments, shut = false) =>
  `M${pair(segments[0][0])}${segments.map(([, a, b, to]) => `C${pair(a)} ${pair(b)} ${pair(to)}`).join('')}${shut ? 'Z' : ''}`

export const polygon = (points, shut = false) => `M${points.map(pair).join('L')}${shut ? 'Z' : ''}`

/** The path of a bone as it is stored: absolute, M and C alone. @param {string} d @returns {Segment[]} */
export function segmentsOf(d) {
  const numbers = (d.match(/-?\d*\.?\d+(?:e-?\d+)?/g) ?? []).map(Number)
  const segments = []
  let from = [numbers[0], numbers[1]]
  for (let i = 2; i + 5 < numbers.length; i += 6) {
    const to = [numbers[i + 4], numbers[i + 5]]
    segments.push([from, [numbers[i], numbers[i + 1]], [numbers[i + 2], numbers[i + 3]], to])
    from = to
  }
  return segments
}

/** @param {Segment[]} segments @returns {Point[]} */
export function flat(segments, steps = 10) {
  const points = [segments[0][0]]
  for (const [p, a, b, q] of segments)
    for (let i = 1; i <= steps; i++) {
      const t = i / steps
      const u = 1 - t
      points.push([0, 1].map((k) => u * u * u * p[k] + 3 * u * u * t * a[k] + 3 * u * t * t * b[k] + t * t * t * q[k]))
    }
  return points
}

/** The same line in so many equal steps. @param {Point[]} line */
export function resample(line, steps) {
  const run = [0]
  for (let i = 1; i < line.length; i++) run.push(run[i - 1] + distance(line[i], line[i - 1]))
  const whole = run[run.length - 1]
  const points = []
  let j = 0
  for (let i = 0; i <= steps; i++) {
    const s = (whole * i) / steps
    while (j < line.length - 2 && run[j + 1] < s) j++
    points.push(between(line[j], line[j + 1], (s - run[j]) / (run[j + 1] - run[j] || 1)))
  }
  return points
}

/** A ring in steps of about that length, its corners rounded as an illustrator would. @param {Point[]} points */
export function rounded(points, step = 1.8, passes = 4) {
  const shut = [...points, points[0]]
  const whole = shut.slice(1).reduce((sum, p, i) => sum + distance(p, shut[i]), 0)
  let ring = resample(shut, Math.max(14, Math.round(whole / step))).slice(0, -1)
  for (let k = 0; k < passes; k++)
    ring = ring.map((p, i) => {
      const [a, b] = [ring[(i + ring.length - 1) % ring.length], ring[(i + 1) % ring.length]]
      return [0.25 * a[0] + 0.5 * p[0] + 0.25 * b[0], 0.25 * a[1] + 0.5 * p[1] + 0.25 * b[1]]
    })
  return ring
}

/** Twice-signed: positive where the ring runs clockwise on the page. */
export const area = (ring) =>
  ring.reduce((sum, p, i) => {
    const q = ring[(i + 1) % ring.length]
    return sum + p[0] * q[1] - q[0] * p[1]
  }, 0) / 2

/** Which way out of the ring at each of its points. @param {Point[]} ring */
export function normals(ring) {
  const sign = area(ring) > 0 ? 1 : -1
  const n = ring.length
  return ring.map((_, i) => {
    const along = minus(ring[(i + 2) % n], ring[(i + n - 2) % n])
    const size = length(along) || 1
    return [(along[1] / size) * sign, (-along[0] / size) * sign]
  })
}

/** How far it looks away from the light, from −1 to 1. */
export const shade = (normal) => -(normal[0] * LIGHT[0] + normal[1] * LIGHT[1])

/** How near a point comes to a broken line. @param {Point} p @param {Point[]} line */
export function distanceTo(p, line) {
  let least = line.length === 1 ? distance(p, line[0]) : Infinity
  for (let i = 1; i < line.length; i++) {
    const [a, d] = [line[i - 1], minus(line[i], line[i - 1])]
    const t = Math.max(0, Math.min(1, ((p[0] - a[0]) * d[0] + (p[1] - a[1]) * d[1]) / (d[0] * d[0] + d[1] * d[1] || 1)))
    least = Math.min(least, distance(p, [a[0] + d[0] * t, a[1] + d[1] * t]))
  }
  return least
}

/** Whether a point lies in a ring. @param {Point} p @param {Point[]} ring */
export function inside([x, y], ring) {
  let within = false
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const [[ax, ay], [bx, by]] = [ring[i], ring[j]]
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) within = !within
  }
  return within
}

/** A chance that is the same at every build (minimal standard generator), seeded by a name. */
export function seeded(name) {
  let s = [...name].reduce((a, c) => (a * 31 + c.charCodeAt(0)) & 0xffffff, 7) || 7
  return () => (s = (s * 16807) % 2147483647) / 2147483647
}
