// Schneider cubic fitting, gaussian smoothing, compact path text
function fit(P, err) {
  if (P.length < 2) return []
  if (P.length == 2) return [[P[0], lerp(P[0], P[1], 1 / 3), lerp(P[0], P[1], 2 / 3), P[1]]]
  const t1 = unit(sub(P[Math.min(2, P.length - 1)], P[0])),
    t2 = unit(sub(P[Math.max(0, P.length - 3)], P[P.length - 1]))
  const out = []
  rec(P, 0, P.length - 1, t1, t2, err * err, out, 0)
  return out
}
const sub = (a, b) => [a[0] - b[0], a[1] - b[1]],
  lerp = (a, b, t) => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t],
  dot = (a, b) => a[0] * b[0] + a[1] * b[1],
  unit = (a) => {
    const l = Math.hypot(a[0], a[1]) || 1
    return [a[0] / l, a[1] / l]
  }
function rec(P, i, j, t1, t2, e2, out, depth) {
  if (j - i == 1) {
    const d = Math.hypot(P[j][0] - P[i][0], P[j][1] - P[i][1]) / 3
    out.push([P[i], [P[i][0] + t1[0] * d, P[i][1] + t1[1] * d], [P[j][0] + t2[0] * d, P[j][1] + t2[1] * d], P[j]])
    return
  }
  let u = [0]
  for (let k = i + 1; k <= j; k++) u.push(u[u.length - 1] + Math.hypot(P[k][0] - P[k - 1][0], P[k][1] - P[k - 1][1]))
  const T = u[u.length - 1] || 1
  u = u.map((v) => v / T)
  let best = null
  for (let it = 0; it < 4; it++) {
    const B = gen(P, i, j, u, t1, t2)
    let mx = 0,
      sp = (i + j) >> 1
    for (let k = i + 1; k < j; k++) {
      const q = ev(B, u[k - i]),
        d = (q[0] - P[k][0]) ** 2 + (q[1] - P[k][1]) ** 2
      if (d > mx) {
        mx = d
        sp = k
      }
    }
    best = { B, mx, sp }
    if (mx < e2) {
      out.push(B)
      return
    }
    if (mx > e2 * 16) break
    for (let k = i; k <= j; k++) {
      const t = u[k - i],
        q = ev(B, t),
        d1 = [0, 1].map(
          (c) => 3 * ((1 - t) ** 2 * (B[1][c] - B[0][c]) + 2 * (1 - t) * t * (B[2][c] - B[1][c]) + t * t * (B[3][c] - B[2][c])),
        ),
        d2 = [0, 1].map((c) => 6 * ((1 - t) * (B[2][c] - 2 * B[1][c] + B[0][c]) + t * (B[3][c] - 2 * B[2][c] + B[1][c])))
      const n = (q[0] - P[k][0]) * d1[0] + (q[1] - P[k][1]) * d1[1],
        dd = d1[0] ** 2 + d1[1] ** 2 + (q[0] - P[k][0]) * d2[0] + (q[1] - P[k][1]) * d2[1]
      if (Math.abs(dd) > 1e-9) u[k - i] = Math.max(0, Math.min(1, t - n / dd))
    }
  }
  let sp = best.sp
  if (sp <= i) sp = i + 1
  if (sp >= j) sp = j - 1
  const a = Math.max(i, sp - 2),
    b = Math.min(j, sp + 2)
  const tc = unit(sub(P[a], P[b]))
  rec(P, i, sp, t1, tc, e2, out, depth + 1)
  rec(P, sp, j, [-tc[0], -tc[1]], t2, e2, out, depth + 1)
}
function gen(P, i, j, u, t1, t2) {
  let c00 = 0,
    c01 = 0,
    c11 = 0,
    x0 = 0,
    x1 = 0
  const p0 = P[i],
    p3 = P[j]
  for (let k = i; k <= j; k++) {
    const t = u[k - i],
      s = 1 - t,
      b0 = s * s * s,
      b1 = 3 * t * s * s,
      b2 = 3 * t * t * s,
      b3 = t * t * t
    const a0 = [t1[0] * b1, t1[1] * b1],
      a1 = [t2[0] * b2, t2[1] * b2]
    c00 += dot(a0, a0)
    c01 += dot(a0, a1)
    c11 += dot(a1, a1)
    const q = [P[k][0] - (p0[0] * (b0 + b1) + p3[0] * (b2 + b3)), P[k][1] - (p0[1] * (b0 + b1) + p3[1] * (b2 + b3))]
    x0 += dot(a0, q)
    x1 += dot(a1, q)
  }
  const det = c00 * c11 - c01 * c01,
    L = Math.hypot(p3[0] - p0[0], p3[1] - p0[1])
  let al = 0,
    ar = 0
  if (Math.abs(det) > 1e-9) {
    al = (x0 * c11 - x1 * c01) / det
    ar = (c00 * x1 - c01 * x0) / det
  }
  if (!(al > 1e-3 * L) || !(ar > 1e-3 * L) || al > 3 * L || ar > 3 * L) {
    al = ar = L / 3
  }
  return [p0, [p0[0] + t1[0] * al, p0[1] + t1[1] * al], [p3[0] + t2[0] * ar, p3[1] + t2[1] * ar], p3]
}
const ev = (B, t) => {
  const s = 1 - t
  return [0, 1].map((c) => s * s * s * B[0][c] + 3 * s * s * t * B[1][c] + 3 * s * t * t * B[2][c] + t * t * t * B[3][c])
}
function smooth(P, sig, closed) {
  if (P.length < 4) return P
  const n = P.length,
    r = Math.ceil(sig * 2.5),
    w = []
  for (let k = -r; k <= r; k++) w.push(Math.exp((-k * k) / (2 * sig * sig)))
  const g = (i) => {
    if (closed) return P[((i % n) + n) % n]
    if (i < 0) {
      const q = P[Math.min(n - 1, -i)]
      return [2 * P[0][0] - q[0], 2 * P[0][1] - q[1]]
    }
    if (i >= n) {
      const q = P[Math.max(0, 2 * (n - 1) - i)]
      return [2 * P[n - 1][0] - q[0], 2 * P[n - 1][1] - q[1]]
    }
    return P[i]
  }
  return P.map((_, i) => {
    let x = 0,
      y = 0,
      s = 0
    for (let k = -r; k <= r; k++) {
      const q = g(i + k)
      x += q[0] * w[k + r]
      y += q[1] * w[k + r]
      s += w[k + r]
    }
    return [x / s, y / s]
  })
}
function adapt(P, s1, s2, closed, d0, d1) {
  const A = smooth(P, s1, closed),
    B = smooth(P, s2, closed)
  const w = A.map((a, i) => {
    const d = Math.hypot(a[0] - B[i][0], a[1] - B[i][1])
    const t = Math.max(0, Math.min(1, (d1 - d) / (d1 - d0)))
    return [t * t * (3 - 2 * t), 0]
  })
  const ws = smooth(w, s2 * 0.6, closed)
  return A.map((a, i) => {
    const t = Math.max(0, Math.min(1, ws[i][0]))
    return [a[0] + (B[i][0] - a[0]) * t, a[1] + (B[i][1] - a[1]) * t]
  })
}
// relative compact cubic path, q = 1/step
function text(segs, q, close) {
  if (!segs.length) return ''
  const R = (v) => Math.round(v * q)
  let cx = R(segs[0][0][0]),
    cy = R(segs[0][0][1])
  let o = 'M' + num(cx, q) + sp(num(cy, q))
  let first = 1
  for (const s of segs) {
    const p = [R(s[1][0]) - cx, R(s[1][1]) - cy, R(s[2][0]) - cx, R(s[2][1]) - cy, R(s[3][0]) - cx, R(s[3][1]) - cy]
    o +=
      (first ? 'c' : sp0(num(p[0], q))) +
      (first ? num(p[0], q) : '') +
      p
        .slice(1)
        .map((v) => sp(num(v, q)))
        .join('')
    first = 0
    cx += p[4]
    cy += p[5]
  }
  return o + (close ? 'z' : '')
}
const num = (v, q) => {
  let s = (v / q).toFixed(q == 1 ? 0 : 1)
  if (q != 1 && s.endsWith('.0')) s = s.slice(0, -2)
  if (s == '-0') s = '0'
  return s.replace(/^(-?)0\./, '$1.')
}
const sp = (s) => (s[0] == '-' ? s : ' ' + s),
  sp0 = sp
export { fit, smooth, adapt, text, ev }
