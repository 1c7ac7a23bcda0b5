/** @typedef {[number, number]} Point */

/**
 * Points of a text: `x,y`, or `share/offset` along a limb; a `*` marks a corner.
 * @param {string} text @returns {{p: Point, corner: boolean, limb: boolean}[]}
 */
export const points = (text) =>
  text
    .trim()
    .split(/\s+/)
    .map((one) => {
      const limb = one.includes('/')
      const [x, y] = one
        .replace('*', '')
        .split(limb ? '/' : ',')
        .map(Number)
      if (!Number.isFinite(x) || !Number.isFinite(y)) throw new Error(`"${one}" is not a point`)
      return { p: [x, y], corner: one.endsWith('*'), limb }
    })

/** From figure space (y from the floor) to drawing space (y downward). */
const flip = ([x, y]) => [x, 1000 - y]
const f = (n) => String(Math.round(n * 10) / 10)

/**
 * Hobby's spline through points (Hobby 1986), open, as cubic segments; a handle is capped at 0.6 of its chord.
 * @param {Point[]} z
 */
export function hobby(z) {
  const n = z.length - 1
  if (n < 1) return []
  const d = [],
    delta = []
  for (let i = 0; i < n; i++) {
    const v = [z[i + 1][0] - z[i][0], z[i + 1][1] - z[i][1]]
    d.push(Math.hypot(v[0], v[1]))
    delta.push(v)
  }
  const psi = [0]
  for (let i = 1; i < n; i++) {
    const a = delta[i - 1],
      b = delta[i]
    psi.push(Math.atan2(a[0] * b[1] - a[1] * b[0], a[0] * b[0] + a[1] * b[1]))
  }
  psi.push(0)
  // tridiagonal system for the turning angles, ends free (curl 1)
  const A = [0],
    B = [1],
    C = [1],
    R = [n > 1 ? -psi[1] : 0]
  for (let i = 1; i < n; i++) {
    A.push(1 / d[i - 1])
    B.push(2 / d[i - 1] + 2 / d[i])
    C.push(1 / d[i])
    R.push(-((2 * psi[i]) / d[i - 1] + psi[i + 1] / d[i]))
  }
  A.push(1)
  B.push(1)
  C.push(0)
  R.push(0)
  for (let i = 1; i <= n; i++) {
    const m = A[i] / B[i - 1]
    B[i] -= m * C[i - 1]
    R[i] -= m * R[i - 1]
  }
  const theta = new Array(n + 1)
  theta[n] = R[n] / (B[n] || 1)
  for (let i = n - 1; i >= 0; i--) theta[i] = (R[i] - C[i] * theta[i + 1]) / B[i]
  const rho = (a, b) => {
    const s = Math.SQRT2 * (Math.sin(a) - Math.sin(b) / 16) * (Math.sin(b) - Math.sin(a) / 16) * (Math.cos(a) - Math.cos(b))
    return Math.min(0.6, (2 + s) / (1 + 0.618 * Math.cos(a) + 0.382 * Math.cos(b)) / 3)
  }
  const segments = []
  for (let i = 0; i < n; i++) {
    const t = theta[i],
      phi = -psi[i + 1] - theta[i + 1]
    const turn = (v, a) => [v[0] * Math.cos(a) - v[1] * Math.sin(a), v[0] * Math.sin(a) + v[1] * Math.cos(a)]
    const u = turn(delta[i], t),
      w = turn(delta[i], -phi)
    const r = rho(t, phi),
      s = rho(phi, t)
    segments.push([[z[i][0] + u[0] * r, z[i][1] + u[1] * r], [z[i + 1][0] - w[0] * s, z[i + 1][1] - w[1] * s], z[i + 1]])
  }
  return segments
}

/** Cubic segments of a path with corners. @param {{p: Point, corner: boolean}[]} list */
export function spline(list) {
  const out = []
  let run = [list[0].p]
  for (let i = 1; i < list.length; i++) {
    run.push(list[i].p)
    if (list[i].corner || i === list.length - 1) {
      out.push(...hobby(run))
      run = [list[i].p]
    }
  }
  return out
}

/** @param {Point} start */
export const pathOf = (start, segments) =>
  `M${flip(start).map(f).join(' ')}` + segments.map((s) => `C${s.map((p) => flip(p).map(f).join(' ')).join(' ')}`).join('')

/** Points along cubic segments, for geometry. @param {Point} start @returns {Point[]} */
export function sample(start, segments, steps = 6) {
  const out = [start]
  let from = start
  for (const [a, b, to] of segments) {
    for (let k = 1; k <= steps; k++) {
      const t = k / steps,
        u = 1 - t
      out.push([0, 1].map((j) => u * u * u * from[j] + 3 * u * u * t * a[j] + 3 * u * t * t * b[j] + t * t * t * to[j]))
    }
    from = to
  }
  return out
}

/** Catmull–Rom through few points, resampled evenly by length. @param {Point[]} p @returns {Point[]} */
export function along(p, count = 24) {
  const fine = []
  for (let i = 0; i < p.length - 1; i++) {
    const a = p[i - 1] ?? [2 * p[i][0] - p[i + 1][0], 2 * p[i][1] - p[i + 1][1]]
    const b = p[i],
      c = p[i + 1]
    const d = p[i + 2] ?? [2 * c[0] - b[0], 2 * c[1] - b[1]]
    for (let k = 0; k < 20; k++) {
      const t = k / 20
      fine.push(
        [0, 1].map(
          (j) =>
            0.5 *
            (2 * b[j] +
              (c[j] - a[j]) * t +
              (2 * a[j] - 5 * b[j] + 4 * c[j] - d[j]) * t * t +
              (3 * b[j] - a[j] - 3 * c[j] + d[j]) * t * t * t),
        ),
      )
    }
  }
  fine.push(p[p.length - 1])
  const lengths = [0]
  for (let i = 1; i < fine.length; i++) lengths.push(lengths[i - 1] + Math.hypot(fine[i][0] - fine[i - 1][0], fine[i][1] - fine[i - 1][1]))
  const total = lengths[lengths.length - 1]
  const out = []
  for (let k = 0, i = 0; k < count; k++) {
    const want = (total * k) / (count - 1)
    while (i < fine.length - 2 && lengths[i + 1] < want) i++
    const span = lengths[i + 1] - lengths[i] || 1
    const t = Math.min(1, Math.max(0, (want - lengths[i]) / span))
    out.push([fine[i][0] + (fine[i + 1][0] - fine[i][0]) * t, fine[i][1] + (fine[i + 1][1] - fine[i][1]) * t])
  }
  return out
}

/** Ramer–Douglas–Peucker. @param {Point[]} p @returns {Point[]} */
export function simplify(p, tolerance = 0.3) {
  if (p.length < 3) return p
  const [a, b] = [p[0], p[p.length - 1]]
  const len = Math.hypot(b[0] - a[0], b[1] - a[1])
  const closed = len < 1e-6 // a ring: the chord says nothing, so the farthest point splits it
  let worst = 0,
    at = 0
  for (let i = 1; i < p.length - 1; i++) {
    const gap = closed
      ? Math.hypot(p[i][0] - a[0], p[i][1] - a[1])
      : Math.abs((b[0] - a[0]) * (a[1] - p[i][1]) - (a[0] - p[i][0]) * (b[1] - a[1])) / len
    if (gap > worst) [worst, at] = [gap, i]
  }
  if (worst <= tolerance) return [a, b]
  return [...simplify(p.slice(0, at + 1), tolerance).slice(0, -1), ...simplify(p.slice(at), tolerance)]
}

/** @param {Point[]} p */
export const line = (p, close = false) => 'M' + p.map((q) => flip(q).map(f).join(' ')).join('L') + (close ? 'Z' : '')

/** Rounds a closed outline as an illustrator would: each point averaged with its neighbours. @param {Point[]} p @returns {Point[]} */
export function rounded(p, times = 3) {
  let out = p
  for (let t = 0; t < times; t++) {
    out = out.map((q, i) => {
      const a = out[(i + out.length - 1) % out.length],
        b = out[(i + 1) % out.length]
      return [(a[0] + 2 * q[0] + b[0]) / 4, (a[1] + 2 * q[1] + b[1]) / 4]
    })
  }
  return out
}
