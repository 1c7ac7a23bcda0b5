import { V } from './solids.mjs'
import * as R from './contours.mjs'
import * as Fit from './fit.mjs'
import * as Bd from './body.mjs'
const Q = 1 // integer output
const LIGHT = [-0.62, -0.78] // light from upper left (screen, y down)
function boxOf(sc) {
  return render(sc, { boxOnly: 1 })
}
function render(sc, opt = {}) {
  const k = opt.k || 1
  let OW = sc.W || 1280,
    OH = sc.H || 960
  const built = (sc.people || []).map((p) => (p.sdf ? p : Bd.build(p)))
  const objs = []
  built.forEach((b) => objs.push({ o: b.sdf, tone: 'skin', dec: b.dec }))
  for (const o of sc.objs || []) objs.push(o)
  const cam = { yaw: 0, elev: 14, c: [0, 0, 0], s: 1, ...sc.cam }
  const B = R.basis(cam)
  // fit: coarse pass
  let x0 = 1e9,
    x1 = -1e9,
    y0 = 1e9,
    y1 = -1e9
  if (sc.crop) {
    const c = sc.crop[0],
      a = V.dot(c, B.R),
      b = V.dot(c, B.U)
    x0 = a - sc.crop[1]
    x1 = a + sc.crop[1]
    y0 = b - sc.crop[2]
    y1 = b + sc.crop[2]
  } else {
    const all = [...objs.filter((o) => !o.nofit)]
    let cc = [0, 0, 0]
    for (const o of all) cc = V.add(cc, o.o.c)
    cc = V.mul(cc, 1 / all.length)
    const pc = { ...cam, c: cc, s: 0.1, W: 340, H: 340 }
    const G = R.march(all, pc)
    for (let y = 0; y < 340; y++)
      for (let x = 0; x < 340; x++)
        if (G.id[y * 340 + x] >= 0) {
          const a = (x + 0.5 - 170) / 0.1 + V.dot(cc, B.R),
            b = (170 - y - 0.5) / 0.1 + V.dot(cc, B.U)
          x0 = Math.min(x0, a - 6)
          x1 = Math.max(x1, a + 6)
          y0 = Math.min(y0, b - 6)
          y1 = Math.max(y1, b + 6)
        }
    for (const a of sc.arrows || [])
      for (const p of a.p3 || []) {
        const u = V.dot(p, B.R),
          v = V.dot(p, B.U)
        x0 = Math.min(x0, u - 16)
        x1 = Math.max(x1, u + 16)
        y0 = Math.min(y0, v - 16)
        y1 = Math.max(y1, v + 16)
      }
    if (sc.fit)
      for (const p of sc.fit) {
        const a = V.dot(p, B.R),
          b = V.dot(p, B.U)
        x0 = Math.min(x0, a)
        x1 = Math.max(x1, a)
        y0 = Math.min(y0, b)
        y1 = Math.max(y1, b)
      }
  }
  if (sc.box) {
    ;[x0, x1, y0, y1] = sc.box
  }
  if (opt.boxOnly) return [x0, x1, y0, y1]
  const mg = sc.margin != null ? sc.margin : sc.crop ? 0 : 34
  let s = Math.min((OW - 2 * mg) / (x1 - x0), (OH - 2 * mg) / (y1 - y0))
  if (sc.smax) s = Math.min(s, sc.smax)
  if (!sc.W) {
    OW = Math.round((x1 - x0) * s + 2 * mg)
    OH = Math.round((y1 - y0) * s + 2 * mg)
  }
  const W = Math.round(OW * k),
    H = Math.round(OH * k)
  cam.W = W
  cam.H = H
  s *= k
  cam.s = s
  const cx = (x0 + x1) / 2,
    cy = (y0 + y1) / 2
  cam.c = V.add(V.mul(B.R, cx), V.mul(B.U, cy))
  const out = { table: '', patch: '', pad: '', cloth: '', skin: '', line: '', soft: '', arrow: '' }
  const inv = 1 / k
  const sgm = (sc.sig || 2.1) * k ** 0.5
  const thr = sc.thr || 5
  cam.minChain = (sc.minChain || 16) * k
  const base = (sc.lw || 4.6) * Math.pow(Math.min(1, OH / 960), 0.55)
  const doLines = (G) => {
    const C = R.chains(G, thr)
    const { id, z } = G
    for (const c of C) {
      let P = c.pts.map((p) => [p[0], p[1]])
      const closed = c.loop
      let S
      if (closed) {
        let L = P.slice(0, -1)
        L = Fit.adapt(L, sgm * 1.2, sgm * 5, true, 1 * k, 2.4 * k)
        S = [...L, L[0]]
      } else S = Fit.adapt(P, sgm * 1.2, sgm * 5, false, 1 * k, 2.4 * k)
      // side ownership sampled from raster
      const owner = (i) => {
        const j = Math.max(0, Math.min(P.length - 2, i))
        const a = P[j],
          b = P[j + 1]
        let p, q
        if (a[0] == b[0]) {
          const y = Math.min(a[1], b[1])
          p = [a[0] - 1, y]
          q = [a[0], y]
        } else {
          const x = Math.min(a[0], b[0])
          p = [x, a[1] - 1]
          q = [x, a[1]]
        }
        const g = (u) => (u[0] < 0 || u[1] < 0 || u[0] >= W || u[1] >= H ? [-1, -1e9] : [id[u[1] * W + u[0]], z[u[1] * W + u[0]]])
        const A = g(p),
          Bb = g(q)
        const pr = (i) => (i < 0 ? -1 : { table: 0, patch: 0, pad: 1, cloth: 2, skin: 3 }[G.objs[i].tone])
        const nearFirst = A[0] != Bb[0] && A[0] >= 0 && Bb[0] >= 0 && Math.abs(A[1] - Bb[1]) < 14 ? pr(A[0]) >= pr(Bb[0]) : A[1] >= Bb[1]
        const n = nearFirst ? A : Bb
        return { id: n[0], nrm: nearFirst ? [q[0] - p[0], q[1] - p[1]] : [p[0] - q[0], p[1] - q[1]] }
      }
      const n = P.length // break into runs by tone of the owner
      const own = []
      for (let i = 0; i < n - 1; i++) own.push(owner(i))
      const toneOf = (i) => {
        const o = own[Math.min(i, own.length - 1)]
        const ob = G.objs[o.id]
        return ob ? ob.tone : 'skin'
      }
      const runs = []
      let st = 0
      for (let i = 1; i <= n - 1; i++) {
        if (i == n - 1 || toneOf(i) != toneOf(st)) {
          runs.push([st, i])
          st = i
        }
      }
      const big = runs.filter((r) => r[1] - r[0] > 6)
      if (!big.length && runs.length) big.push(runs[0])
      for (const r of big) {
        const a = r[0],
          b = r[1]
        let seg = S.slice(a, b + 1)
        if (seg.length < 3) continue
        const tone = toneOf(a)
        const whole = closed && runs.length == 1
        // average class
        let cnt = [0, 0, 0, 0, 0]
        for (let i = a; i < b; i++) cnt[c.cls[i] || 1]++
        const cl = cnt.indexOf(Math.max(...cnt))
        let w0 = base * (cl <= 1 ? 1 : cl == 2 ? 0.92 : cl == 3 ? 0.8 : 0.62)
        if (tone != 'skin') w0 *= tone == 'cloth' ? 0.66 : 0.6
        const freeA = !closed && a == 0,
          freeB = !closed && b == n - 1
        const selfish = cl >= 3
        // smoothed normals from ownership
        const NX = [],
          m = 8
        for (let i = a; i <= b; i++) {
          let x = 0,
            y = 0
          for (let j = Math.max(a, i - m); j <= Math.min(b - 1, i + m); j++) {
            x += own[Math.min(j, own.length - 1)].nrm[0]
            y += own[Math.min(j, own.length - 1)].nrm[1]
          }
          const l = Math.hypot(x, y) || 1
          NX.push([x / l, y / l])
        }
        let acc = 0
        const step = Math.max(2, 3.2 * k)
        let pts = [seg[0]],
          nn = [NX[0]]
        for (let i = 1; i < seg.length; i++) {
          acc += Math.hypot(seg[i][0] - seg[i - 1][0], seg[i][1] - seg[i - 1][1])
          if (acc >= step || i == seg.length - 1) {
            pts.push(seg[i])
            nn.push(NX[i])
            acc = 0
          }
        }
        pts = pts.map((p) => [p[0] * inv, p[1] * inv])
        const N = pts.length
        let len = 0
        const cum = [0]
        for (let i = 1; i < N; i++) {
          len += Math.hypot(pts[i][0] - pts[i - 1][0], pts[i][1] - pts[i - 1][1])
          cum.push(len)
        }
        const tl = Math.min(len * 0.42, selfish ? 60 : 34)
        const wf = (i) => {
          const d = nn[i]
          const l = d[0] * -LIGHT[0] + d[1] * -LIGHT[1]
          /* >0 away from light */ let w = w0 * (1 + 0.34 * l)
          let ta = 1
          if (freeA) ta = Math.min(ta, 0.22 + 0.78 * Math.min(1, cum[i] / tl))
          if (freeB) ta = Math.min(ta, 0.22 + 0.78 * Math.min(1, (len - cum[i]) / tl))
          if (!freeA && !whole && selfish) ta = Math.min(ta, 0.55 + 0.45 * Math.min(1, cum[i] / tl))
          if (!freeB && !whole && selfish) ta = Math.min(ta, 0.55 + 0.45 * Math.min(1, (len - cum[i]) / tl))
          return Math.max(0.8, w * ta)
        }
        const d = R.stroke(pts, wf, Q, sc.err || 0.75, whole)
        if (tone == 'skin') out.line += d
        else out.soft += d
      }
    }
  }
  const G = R.march(objs, cam)
  // fills
  for (const tone of ['table', 'patch', 'pad', 'cloth', 'skin']) {
    const m = new Uint8Array(W * H)
    let any = 0
    for (let i = 0; i < m.length; i++)
      if (G.id[i] >= 0 && objs[G.id[i]].tone == tone) {
        m[i] = 1
        any = 1
      }
    if (!any) continue
    for (let L of R.loopsOf(m, W, H)) {
      if (L.length < 24 * k) continue
      L = Fit.adapt(L, sgm * 1.2, sgm * 5, true, 1 * k, 2.4 * k)
      L.push(L[0])
      let P = L.filter((_, i) => i % Math.max(1, Math.round(3 * k)) == 0 || i == L.length - 1).map((p) => [p[0] * inv, p[1] * inv])
      out[tone] += Fit.text(Fit.fit(P, 1.1), Q, 1)
    }
  }
  doLines(G)
  // decals
  objs.forEach((ob, oi) => {
    for (const d of ob.dec || []) {
      if (d.w * cam.s * inv < (sc.minDec || 0.0)) continue
      const P0 = d.pts.map((p) => R.proj(cam, B, p))
      let run = []
      const flush = () => {
        if (run.length > 4) {
          let pts = run.map((p) => [p[0] * inv, p[1] * inv])
          let len = 0
          for (let i = 1; i < pts.length; i++) len += Math.hypot(pts[i][0] - pts[i - 1][0], pts[i][1] - pts[i - 1][1])
          if (len > (d.min || 7)) {
            const N = pts.length
            const w0 = base * 0.62 * (d.w || 0.6) * 1.25
            const t = R.stroke(
              pts,
              (i) => {
                const u = Math.min(i, N - 1 - i) / (N * 0.36)
                return Math.max(0.7, w0 * (0.3 + 0.7 * Math.min(1, u)))
              },
              Q,
              0.6,
              false,
            )
            if (d.g == 'eye' || d.g == 'mouth') out.line += t
            else out.soft += t
          }
        }
        run = []
      }
      for (const p of curve(P0, 0.125)) {
        const x = Math.floor(p[0]),
          y = Math.floor(p[1])
        const o = y * W + x
        const ok = x >= 0 && y >= 0 && x < W && y < H && G.id[o] == oi && Math.abs(G.z[o] - p[2]) < (d.tol || 9) && G.nz[o] > (d.nz || 0.12)
        if (ok) run.push(p)
        else flush()
      }
      flush()
    }
  })
  for (const see of sc.see || []) {
    const P0 = see.map((p) => R.proj(cam, B, p)).map((p) => [p[0] * inv, p[1] * inv])
    out.soft += R.stroke(curve(P0, 0.125), () => base * 0.8, Q, 0.6, false)
  }
  // arrows: pts in 3D or 2D
  for (const a of sc.arrows || []) {
    const P0 = (a.p3 || []).map((p) => R.proj(cam, B, p)).map((p) => [p[0] * inv, p[1] * inv])
    out.arrow += arrow(P0, a)
  }
  for (const k2 of Object.keys(out)) if (!out[k2]) delete out[k2]
  return { id: sc.id, w: OW, h: OH, g: out, J: built.map((b) => b.J) }
}
/** A smooth line through points (Catmull–Rom), so many steps from one to the next. */
function curve(P, step) {
  const out = []
  for (let i = 0; i < P.length - 1; i++) {
    const [a, b, c, e] = [P[Math.max(0, i - 1)], P[i], P[i + 1], P[Math.min(P.length - 1, i + 2)]]
    for (let t = 0; t < 1; t += step) {
      const [t2, t3] = [t * t, t * t * t]
      out.push(
        b.map(
          (_, j) =>
            0.5 *
            (2 * b[j] + (-a[j] + c[j]) * t + (2 * a[j] - 5 * b[j] + 4 * c[j] - e[j]) * t2 + (-a[j] + 3 * b[j] - 3 * c[j] + e[j]) * t3),
        ),
      )
    }
  }
  out.push(P[P.length - 1])
  return out
}
function arrow(P, a) {
  if (P.length == 2) P = [P[0], [(P[0][0] + P[1][0]) / 2, (P[0][1] + P[1][1]) / 2], P[1]]
  const S = R.resample(curve(P, 0.1), 4)
  const N = S.length
  const w = a.w || 7
  let d = R.stroke(S, (i) => w * (0.35 + 0.65 * Math.min(1, i / (N * 0.6))), Q, 0.8, false)
  const hd = (tip, dir) => {
    const l = a.hl || 26,
      b = 0.5
    const n = [-dir[1], dir[0]]
    const t = [tip[0] + dir[0] * 6, tip[1] + dir[1] * 6]
    let s = ''
    for (const k of [1, -1]) {
      const e = [t[0] - dir[0] * l + n[0] * l * b * k, t[1] - dir[1] * l + n[1] * l * b * k]
      const m = [(t[0] + e[0]) / 2 + n[0] * k * -1.5, (t[1] + e[1]) / 2 + n[1] * k * -1.5]
      s += R.stroke(R.resample([t, m, e], 4), (i, nn) => w * (1 - (0.6 * i) / nn), Q, 0.8, false)
    }
    return s
  }
  const dir = (i, j) => {
    const v = [S[j][0] - S[i][0], S[j][1] - S[i][1]],
      l = Math.hypot(...v) || 1
    return [v[0] / l, v[1] / l]
  }
  d += hd(S[N - 1], dir(Math.max(0, N - 5), N - 1))
  if (a.both) d += hd(S[0], dir(Math.min(N - 1, 4), 0))
  return d
}
export { boxOf, render }
