// vectors, frames and signed-distance parts
const V = {
  add: (a, b) => [a[0] + b[0], a[1] + b[1], a[2] + b[2]],
  sub: (a, b) => [a[0] - b[0], a[1] - b[1], a[2] - b[2]],
  mul: (a, s) => [a[0] * s, a[1] * s, a[2] * s],
  dot: (a, b) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2],
  cross: (a, b) => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]],
  len: (a) => Math.hypot(a[0], a[1], a[2]),
  norm: (a) => {
    const l = Math.hypot(a[0], a[1], a[2]) || 1
    return [a[0] / l, a[1] / l, a[2] / l]
  },
  lerp: (a, b, t) => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t],
}
// orthonormal frame: x lateral, y front, z up/axis ; z exact, y as near as possible
function frame(z, y) {
  z = V.norm(z)
  let f = V.sub(y, V.mul(z, V.dot(y, z)))
  if (V.len(f) < 1e-4) f = Math.abs(z[2]) < 0.9 ? V.sub([0, 0, 1], V.mul(z, z[2])) : V.sub([1, 0, 0], V.mul(z, z[0]))
  f = V.norm(f)
  return { x: V.cross(z, f).map((v) => -v), y: f, z }
}
// NB left = up x front ; our x axis must be body's left: up x front
function bframe(up, front) {
  const F = frame(up, front)
  F.x = V.cross(F.z, F.y)
  return F
}
const at = (o, F, p) => [
  o[0] + F.x[0] * p[0] + F.y[0] * p[1] + F.z[0] * p[2],
  o[1] + F.x[1] * p[0] + F.y[1] * p[1] + F.z[1] * p[2],
  o[2] + F.x[2] * p[0] + F.y[2] * p[1] + F.z[2] * p[2],
]
const dirOf = (F, p) => [
  F.x[0] * p[0] + F.y[0] * p[1] + F.z[0] * p[2],
  F.x[1] * p[0] + F.y[1] * p[1] + F.z[1] * p[2],
  F.x[2] * p[0] + F.y[2] * p[1] + F.z[2] * p[2],
]
function rot(v, ax, deg) {
  ax = V.norm(ax)
  const c = Math.cos((deg * Math.PI) / 180),
    s = Math.sin((deg * Math.PI) / 180),
    d = V.dot(ax, v),
    k = V.cross(ax, v)
  return [0, 1, 2].map((i) => v[i] * c + k[i] * s + ax[i] * d * (1 - c))
}
const rotF = (F, ax, d0) => {
  const h = V.dot(V.cross(F.x, F.y), F.z) < 0 ? -1 : 1,
    deg = d0 * h
  return { x: rot(F.x, ax, deg), y: rot(F.y, ax, deg), z: rot(F.z, ax, deg) }
}
// round cone
function cone(A, B, r1, r2) {
  const ba = V.sub(B, A),
    l2 = V.dot(ba, ba) || 1e-6,
    rr = r1 - r2,
    a2 = l2 - rr * rr,
    il2 = 1 / l2
  const [ax, ay, az] = A,
    [bx, by, bz] = ba
  const c = V.lerp(A, B, 0.5),
    R = Math.sqrt(l2) / 2 + Math.max(r1, r2)
  return {
    c,
    R,
    f(x, y, z) {
      const px = x - ax,
        py = y - ay,
        pz = z - az,
        yy = px * bx + py * by + pz * bz,
        zz = yy - l2
      const qx = px * l2 - bx * yy,
        qy = py * l2 - by * yy,
        qz = pz * l2 - bz * yy
      const x2 = qx * qx + qy * qy + qz * qz,
        y2 = yy * yy * l2,
        z2 = zz * zz * l2
      const k = Math.sign(rr) * rr * rr * x2
      if (Math.sign(zz) * a2 * z2 > k) return Math.sqrt(x2 + z2) * il2 - r2
      if (Math.sign(yy) * a2 * y2 < k) return Math.sqrt(x2 + y2) * il2 - r1
      return (Math.sqrt(x2 * a2 * il2) + yy * rr) * il2 - r1
    },
  }
}
function ell(C, F, r) {
  const R = Math.max(...r)
  const [cx, cy, cz] = C,
    X = F.x,
    Y = F.y,
    Z = F.z,
    [a, b, c] = r
  return {
    c: C,
    R,
    f(x, y, z) {
      const dx = x - cx,
        dy = y - cy,
        dz = z - cz
      const u = (dx * X[0] + dy * X[1] + dz * X[2]) / a,
        v = (dx * Y[0] + dy * Y[1] + dz * Y[2]) / b,
        w = (dx * Z[0] + dy * Z[1] + dz * Z[2]) / c
      const k0 = Math.sqrt(u * u + v * v + w * w),
        k1 = Math.sqrt((u * u) / (a * a) + (v * v) / (b * b) + (w * w) / (c * c))
      return k1 < 1e-9 ? -Math.min(a, b, c) : (k0 * (k0 - 1)) / k1
    },
  }
}
// sweep along F.z from O, rows [s, a(+x), bf(+y), bb(-y), a2(-x)?]
function sweep(O, F, rows) {
  const s0 = rows[0][0],
    s1 = rows[rows.length - 1][0],
    N = 96,
    T = new Float64Array((N + 1) * 4)
  for (let i = 0; i <= N; i++) {
    const s = s0 + ((s1 - s0) * i) / N
    let k = 0
    while (k < rows.length - 2 && rows[k + 1][0] < s) k++
    const g = (j) => rows[Math.max(0, Math.min(rows.length - 1, j))]
    const t = (s - rows[k][0]) / (rows[k + 1][0] - rows[k][0])
    // nonuniform hermite
    for (let c = 0; c < 4; c++) {
      const val = (j) => {
        const r = g(j)
        return c < 3 ? r[c + 1] : (r[4] ?? r[1])
      }
      const P = (j) => Math.max(0, Math.min(rows.length - 1, j))
      const m = (j) => {
        const a = P(j - 1),
          b = P(j + 1)
        return (val(b) - val(a)) / (g(b)[0] - g(a)[0] || 1)
      }
      const h = rows[k + 1][0] - rows[k][0]
      const t2 = t * t,
        t3 = t2 * t
      T[i * 4 + c] =
        (2 * t3 - 3 * t2 + 1) * val(k) + (t3 - 2 * t2 + t) * h * m(k) + (-2 * t3 + 3 * t2) * val(k + 1) + (t3 - t2) * h * m(k + 1)
    }
  }
  const mx = Math.max(...rows.map((r) => Math.max(r[1], r[2], r[3], r[4] || 0)))
  const c = at(O, F, [0, 0, (s0 + s1) / 2]),
    R = Math.hypot((s1 - s0) / 2, mx) + mx * 0.5
  const [ox, oy, oz] = O,
    X = F.x,
    Y = F.y,
    Z = F.z,
    sc = N / (s1 - s0)
  const e0 = Math.min(T[0], T[1], T[2], T[3]),
    e1 = Math.min(T[N * 4], T[N * 4 + 1], T[N * 4 + 2], T[N * 4 + 3])
  return {
    c,
    R,
    f(x, y, z) {
      const dx = x - ox,
        dy = y - oy,
        dz = z - oz
      const u = dx * X[0] + dy * X[1] + dz * X[2],
        v = dx * Y[0] + dy * Y[1] + dz * Y[2]
      let w = dx * Z[0] + dy * Z[1] + dz * Z[2]
      let i = (w - s0) * sc,
        ex = 0,
        ec = 1
      if (i < 0) {
        ex = s0 - w
        i = 0
        ec = e0 * 0.8
      } else if (i >= N) {
        ex = w - s1
        i = N - 1e-6
        ec = e1 * 0.8
      }
      const j = i | 0,
        q = i - j,
        o = j * 4
      const a = u > 0 ? T[o] + (T[o + 4] - T[o]) * q : T[o + 3] + (T[o + 7] - T[o + 3]) * q,
        b = v > 0 ? T[o + 1] + (T[o + 5] - T[o + 1]) * q : T[o + 2] + (T[o + 6] - T[o + 2]) * q
      const U = u / a,
        W = v / b,
        E = ex / ec
      const k0 = Math.sqrt(U * U + W * W + E * E),
        k1 = Math.sqrt((U * U) / (a * a) + (W * W) / (b * b) + (E * E) / (ec * ec))
      return k1 < 1e-9 ? -Math.min(a, b) : (k0 * (k0 - 1)) / k1
    },
  }
}
function rbox(C, F, h, r) {
  const R = Math.hypot(h[0], h[1], h[2])
  const [cx, cy, cz] = C,
    X = F.x,
    Y = F.y,
    Z = F.z
  const a = h[0] - r,
    b = h[1] - r,
    c = h[2] - r
  return {
    c: C,
    R,
    f(x, y, z) {
      const dx = x - cx,
        dy = y - cy,
        dz = z - cz
      const u = Math.abs(dx * X[0] + dy * X[1] + dz * X[2]) - a,
        v = Math.abs(dx * Y[0] + dy * Y[1] + dz * Y[2]) - b,
        w = Math.abs(dx * Z[0] + dy * Z[1] + dz * Z[2]) - c
      const m = Math.max(u, v, w)
      const p = u > 0 ? u : 0,
        q = v > 0 ? v : 0,
        s = w > 0 ? w : 0
      return Math.sqrt(p * p + q * q + s * s) + (m < 0 ? m : 0) - r
    },
  }
}
function torus(C, F, R1, r, sq) {
  const [cx, cy, cz] = C,
    X = F.x,
    Y = F.y,
    Z = F.z
  sq = sq || 1
  return {
    c: C,
    R: R1 * Math.max(1, sq) + r,
    f(x, y, z) {
      const dx = x - cx,
        dy = y - cy,
        dz = z - cz
      const u = dx * X[0] + dy * X[1] + dz * X[2],
        v = (dx * Y[0] + dy * Y[1] + dz * Y[2]) / sq,
        w = dx * Z[0] + dy * Z[1] + dz * Z[2]
      const q = Math.sqrt(u * u + v * v) - R1
      return Math.sqrt(q * q + w * w) - r
    },
  }
}
const smin = (a, b, k) => {
  const h = k - Math.abs(a - b)
  return (a < b ? a : b) - (h > 0 && k > 0 ? ((h * h) / k) * 0.25 : 0)
}
// group: ordered parts {p, k, j?, d?, l?}: joins with blend k that fades along direction d from joint j over length l
function group(parts) {
  let c = [0, 0, 0]
  for (const q of parts) c = V.add(c, q.p.c)
  c = V.mul(c, 1 / parts.length)
  let R = 0
  for (const q of parts) R = Math.max(R, V.len(V.sub(q.p.c, c)) + q.p.R)
  const n = parts.length,
    P = parts.map((q) => q.p),
    K = parts.map((q) => q.k || 0)
  const J = parts.map((q) => q.j || null),
    D = parts.map((q) => q.d || null),
    L = parts.map((q) => q.l || 1)
  const self = {
    c,
    R,
    parts,
    cull(keep) {
      const a = []
      for (const q of parts) {
        if (!keep(q.p)) continue
        a.push(q.p.parts && q.p.cull ? { ...q, p: q.p.cull(keep) } : q)
      }
      return a.length ? group(a) : { c, R: 0, f: () => 1e3 }
    },
    f(x, y, z) {
      let d = 1e9
      for (let i = 0; i < n; i++) {
        const p = P[i]
        let k = K[i]
        const bx = x - p.c[0],
          by = y - p.c[1],
          bz = z - p.c[2]
        const bd = Math.sqrt(bx * bx + by * by + bz * bz) - p.R
        let di
        if (bd > 30) {
          if (bd > d) continue
          di = bd
        } else di = p.f(x, y, z)
        if (J[i] && k > 0) {
          const s = (x - J[i][0]) * D[i][0] + (y - J[i][1]) * D[i][1] + (z - J[i][2]) * D[i][2]
          if (s > 0) k = s >= L[i] ? 0 : k * (1 - s / L[i])
        }
        d = i ? smin(d, di, k) : di
      }
      return d
    },
  }
  return self
}
export { V, frame, bframe, at, dirOf, rot, rotF, cone, ell, sweep, rbox, torus, smin, group }
