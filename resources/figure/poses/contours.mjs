import { V, rot } from './solids.mjs'
import * as Fit from './fit.mjs'
// objs: [{o:sdf, tone, dec:[...], noline, detail}]  cam:{yaw,elev,c:[x,y,z],s:px per unit,W,H}
function basis(cam) {
  const y = (cam.yaw * Math.PI) / 180,
    e = (cam.elev * Math.PI) / 180 // yaw 0: looking along +y ; right = +x
  const R = [Math.cos(y), Math.sin(y), 0],
    fw = [-Math.sin(y) * Math.cos(e), Math.cos(y) * Math.cos(e), -Math.sin(e)] // view dir
  const F = V.mul(fw, -1),
    U = V.cross(F, R)
  let r = R,
    u = U
  if (cam.roll) {
    r = rot(R, F, cam.roll)
    u = rot(U, F, cam.roll)
  }
  return { R: r, U: u, F }
}
const proj = (cam, B, p) => {
  const q = V.sub(p, cam.c)
  return [cam.W / 2 + V.dot(q, B.R) * cam.s, cam.H / 2 - V.dot(q, B.U) * cam.s, V.dot(q, B.F)]
}
function leaves(o, out = []) {
  if (o.parts) for (const p of o.parts) leaves(p.p, out)
  else out.push(o)
  return out
}
let GC = 0
function march(objs, cam) {
  const G0 = ++GC
  const { W, H, s } = cam,
    B = basis(cam),
    TS = 16,
    tw = Math.ceil(W / TS),
    th = Math.ceil(H / TS)
  const near = new Float32Array(tw * th).fill(-1e9),
    far = new Float32Array(tw * th).fill(1e9),
    lists = Array.from({ length: tw * th }, () => [])
  objs.forEach((ob, i) => {
    for (const l of leaves(ob.o)) {
      const q = proj(cam, B, l.c),
        r = (l.R + 3) * s
      const x0 = Math.max(0, Math.floor((q[0] - r) / TS)),
        x1 = Math.min(tw - 1, Math.floor((q[0] + r) / TS)),
        y0 = Math.max(0, Math.floor((q[1] - r) / TS)),
        y1 = Math.min(th - 1, Math.floor((q[1] + r) / TS))
      for (let y = y0; y <= y1; y++)
        for (let x = x0; x <= x1; x++) {
          const k = y * tw + x
          const L = lists[k]
          if (L[L.length - 1] !== i && !L.includes(i)) L.push(i)
          near[k] = Math.max(near[k], q[2] + l.R + 4)
          far[k] = Math.min(far[k], q[2] - l.R - 4)
        }
    }
  })
  const id = new Int16Array(W * H).fill(-1),
    z = new Float32Array(W * H).fill(-1e6),
    nx = new Float32Array(W * H),
    ny = new Float32Array(W * H),
    nz = new Float32Array(W * H)
  const { R, U, F } = B,
    c = cam.c
  const fs0 = objs.map((o) => o.o.f)
  const tileF = (i, tx, ty) => {
    const o = objs[i].o
    if (!o.cull) return fs0[i]
    const cxx = (tx + 0.5) * TS,
      cyy = (ty + 0.5) * TS,
      hr = (TS * 0.71) / s
    return o.cull((p) => {
      const q = p._q && p._qk === G0 ? p._q : ((p._qk = G0), (p._q = proj(cam, B, p.c)))
      return Math.hypot(q[0] - cxx, q[1] - cyy) / s - hr < p.R + (objs[i].tone == 'cloth' ? 56 : 38)
    }).f
  }
  for (let ty = 0; ty < th; ty++)
    for (let tx = 0; tx < tw; tx++) {
      const k = ty * tw + tx,
        L = lists[k]
      if (!L.length) continue
      const n0 = near[k],
        f0 = far[k]
      const fl = L.map((i) => tileF(i, tx, ty))
      const BS = 8
      for (let by = 0; by < TS; by += BS)
        for (let bx = 0; bx < TS; bx += BS) {
          const rr = (BS * 0.72) / s
          let tc = n0
          {
            const a = (tx * TS + bx + BS / 2 - W / 2) / s,
              b = (H / 2 - ty * TS - by - BS / 2) / s
            const ox = c[0] + R[0] * a + U[0] * b,
              oy = c[1] + R[1] * a + U[1] * b,
              oz = c[2] + R[2] * a + U[2] * b
            for (let it = 0; it < 60; it++) {
              const x = ox + F[0] * tc,
                y = oy + F[1] * tc,
                zz = oz + F[2] * tc
              let d = 1e9
              for (let i = 0; i < L.length; i++) {
                const v = fl[i](x, y, zz)
                if (v < d) d = v
              }
              if (d < rr * 1.3 + 0.6) break
              tc -= (d - rr) * 0.85
              if (tc < f0) break
            }
          }
          if (tc < f0) continue
          for (let py = ty * TS + by; py < Math.min(H, ty * TS + by + BS); py++)
            for (let px = tx * TS + bx; px < Math.min(W, tx * TS + bx + BS); px++) {
              const a = (px + 0.5 - W / 2) / s,
                b = (H / 2 - py - 0.5) / s
              const ox = c[0] + R[0] * a + U[0] * b,
                oy = c[1] + R[1] * a + U[1] * b,
                oz = c[2] + R[2] * a + U[2] * b
              let t = tc,
                hit = -1
              for (let it = 0; it < 110; it++) {
                const x = ox + F[0] * t,
                  y = oy + F[1] * t,
                  zz = oz + F[2] * t
                let d = 1e9,
                  m = -1
                for (let i = 0; i < L.length; i++) {
                  const v = fl[i](x, y, zz)
                  if (v < d) {
                    d = v
                    m = L[i]
                  }
                }
                if (d < 0.25) {
                  hit = m
                  break
                }
                t -= d < 4 ? d * 0.8 : d * 0.9
                if (t < f0) break
              }
              if (hit < 0) continue
              const o = py * W + px
              id[o] = hit
              z[o] = t
              const x = ox + F[0] * t,
                y = oy + F[1] * t,
                zz = oz + F[2] * t,
                e = 0.5,
                f = fl[L.indexOf(hit)]
              const v1 = f(x + e, y - e, zz - e),
                v2 = f(x - e, y - e, zz + e),
                v3 = f(x - e, y + e, zz - e),
                v4 = f(x + e, y + e, zz + e)
              let gx = v1 - v2 - v3 + v4,
                gy = -v1 - v2 + v3 + v4,
                gz = -v1 + v2 - v3 + v4
              const gl = Math.hypot(gx, gy, gz) || 1
              gx /= gl
              gy /= gl
              gz /= gl
              nx[o] = gx * R[0] + gy * R[1] + gz * R[2]
              ny[o] = gx * U[0] + gy * U[1] + gz * U[2]
              nz[o] = gx * F[0] + gy * F[1] + gz * F[2]
            }
        }
    }
  return { id, z, nx, ny, nz, B, cam, objs }
}
// edge classification on the pixel-corner grid
function chains(G, thr) {
  const { id, z, nx, ny, nz, cam, objs } = G,
    { W, H, s } = cam
  const VW = W + 1
  const hE = new Uint8Array(VW * (H + 1)),
    vE = new Uint8Array(VW * (H + 1))
  const cls = (p, q, dx) => {
    if (p < 0 || q < 0) return 0
    const a = id[p],
      b = id[q]
    if (a != b) {
      if (a < 0 || b < 0) return 1
      return 2
    }
    if (a < 0) return 0
    const ob = objs[a]
    if (ob.flat) return 0
    const dz = z[p] - z[q]
    const far = dz > 0 ? q : p
    const sl = nz[far] > 0.02 ? Math.abs((dx ? nx[far] : ny[far]) / nz[far]) / s : 50 / s
    const adz = Math.abs(dz)
    if (adz > thr + 2.2 * sl) return 3
    const dt = nx[p] * nx[q] + ny[p] * ny[q] + nz[p] * nz[q]
    if (dt < 0.55 && nz[p] > 0.12 && nz[q] > 0.12) return 4
    return 0
  }
  for (let y = 0; y < H; y++)
    for (let x = 0; x <= W; x++) {
      const p = x > 0 ? y * W + x - 1 : -1,
        q = x < W ? y * W + x : -1
      vE[y * VW + x] = cls(p, q, 1)
    } // vertical edge from corner (x,y) to (x,y+1)
  for (let y = 0; y <= H; y++)
    for (let x = 0; x < W; x++) {
      const p = y > 0 ? (y - 1) * W + x : -1,
        q = y < H ? y * W + x : -1
      hE[y * VW + x] = cls(p, q, 0)
    }
  const used = new Set()
  const nb = (v) => {
    const x = v % VW,
      y = (v / VW) | 0,
      o = []
    if (hE[v]) o.push([v + 1, 'h' + v, hE[v]])
    if (x > 0 && hE[v - 1]) o.push([v - 1, 'h' + (v - 1), hE[v - 1]])
    if (vE[v]) o.push([v + VW, 'v' + v, vE[v]])
    if (y > 0 && vE[v - VW]) o.push([v - VW, 'v' + (v - VW), vE[v - VW]])
    return o
  }
  const deg = new Uint8Array(VW * (H + 1))
  for (let v = 0; v < VW * (H + 1); v++) {
    const x = v % VW,
      y = (v / VW) | 0
    deg[v] = (hE[v] ? 1 : 0) + (x > 0 && hE[v - 1] ? 1 : 0) + (vE[v] ? 1 : 0) + (y > 0 && vE[v - VW] ? 1 : 0)
  }
  const out = []
  const walk = (v0, n) => {
    const ch = [v0],
      cl = []
    let cur = n[0],
      e = n[1],
      c = n[2]
    for (;;) {
      used.add(e)
      ch.push(cur)
      cl.push(c)
      if (deg[cur] != 2 || cur == v0) break
      const m = nb(cur).find((k) => !used.has(k[1]))
      if (!m) break
      cur = m[0]
      e = m[1]
      c = m[2]
    }
    return { v: ch, c: cl }
  }
  for (let v = 0; v < deg.length; v++) if (deg[v] && deg[v] != 2) for (const n of nb(v)) if (!used.has(n[1])) out.push(walk(v, n))
  for (let v = 0; v < deg.length; v++)
    if (deg[v] == 2)
      for (const n of nb(v)) {
        if (!used.has(n[1])) {
          const w = walk(v, n)
          w.loop = w.v[w.v.length - 1] == v
          out.push(w)
        }
      }
  let C = out.map((w) => ({ v: w.v, c: w.c, loop: !!w.loop }))
  const endDeg = () => {
    const m = new Map()
    for (const c of C) if (!c.loop) for (const e of [c.v[0], c.v[c.v.length - 1]]) m.set(e, (m.get(e) || 0) + 1)
    return m
  }
  const selfish = (c) => c.c.every((k) => k >= 3)
  const min = cam.minChain || 9
  for (let r = 0; r < 3; r++) {
    const m = endDeg()
    const n = C.length
    C = C.filter((c) => {
      if (c.loop) return c.v.length > min * 1.6 || !selfish(c)
      const L = c.v.length
      const fa = m.get(c.v[0]) < 2,
        fb = m.get(c.v[c.v.length - 1]) < 2
      if (fa && fb && L < min * 1.4) return false
      if ((fa || fb) && selfish(c) && L < min) return false
      return true
    })
    C = joinAll(C, VW)
    if (C.length == n) break
  }
  return C.map((c) => {
    const k = c.c.slice().sort()[c.c.length >> 1]
    return { pts: c.v.map((v) => [v % VW, (v / VW) | 0]), cls: c.c, loop: c.loop, k }
  })
}
function joinAll(C, VW) {
  // merge chains through junctions by straightness
  const P = (v) => [v % VW, (v / VW) | 0]
  const tang = (c, end) => {
    const n = c.v.length,
      k = Math.min(9, n - 1)
    const a = P(end ? c.v[n - 1] : c.v[0]),
      b = P(end ? c.v[n - 1 - k] : c.v[k])
    const d = [a[0] - b[0], a[1] - b[1]],
      l = Math.hypot(...d) || 1
    return [d[0] / l, d[1] / l]
  }
  const J = new Map()
  C.forEach((c, i) => {
    if (c.loop) return
    for (const e of [0, 1]) {
      const v = e ? c.v[c.v.length - 1] : c.v[0]
      if (!J.has(v)) J.set(v, [])
      J.get(v).push([i, e])
    }
  })
  const link = new Map()
  for (const L of J.values()) {
    const pr = []
    for (let a = 0; a < L.length; a++)
      for (let b = a + 1; b < L.length; b++) {
        if (L[a][0] == L[b][0]) continue
        const t = tang(C[L[a][0]], L[a][1]),
          u = tang(C[L[b][0]], L[b][1])
        const d = -(t[0] * u[0] + t[1] * u[1])
        pr.push([L.length == 2 ? 2 : d, L[a], L[b]])
      }
    pr.sort((x, y) => y[0] - x[0])
    const us = new Set()
    for (const [d, a, b] of pr) {
      if (d < 0.6) break
      const ka = a.join(),
        kb = b.join()
      if (us.has(ka) || us.has(kb)) continue
      us.add(ka)
      us.add(kb)
      link.set(ka, b)
      link.set(kb, a)
    }
  }
  const done = new Set(),
    out = []
  C.forEach((c, i) => {
    if (c.loop) {
      out.push(c)
      return
    }
    if (done.has(i)) return
    // walk back to the start
    let cur = i,
      end = 0,
      seen = new Set([i])
    for (;;) {
      const l = link.get(cur + ',' + end)
      if (!l) break
      if (seen.has(l[0])) {
        break
      }
      seen.add(l[0])
      cur = l[0]
      end = 1 - l[1]
    }
    // forward
    let v = [],
      k = []
    let e = 1 - end
    const vis = new Set()
    for (;;) {
      vis.add(cur)
      done.add(cur)
      const cc = C[cur]
      const vv = e == 1 ? cc.v : cc.v.slice().reverse(),
        kk = e == 1 ? cc.c : cc.c.slice().reverse()
      v = v.length ? v.concat(vv.slice(1)) : vv.slice()
      k = k.concat(kk)
      const l = link.get(cur + ',' + e)
      if (!l || vis.has(l[0])) break
      cur = l[0]
      e = 1 - l[1]
    }
    out.push({ v, c: k, loop: v[0] == v[v.length - 1] && v.length > 4 })
  })
  return out
}
function resample(P, step) {
  const o = [P[0]]
  let acc = 0
  for (let i = 1; i < P.length; i++) {
    let a = P[i - 1],
      b = P[i],
      d = Math.hypot(b[0] - a[0], b[1] - a[1])
    while (acc + d >= step) {
      const t = (step - acc) / d
      a = [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]
      o.push(a)
      d = Math.hypot(b[0] - a[0], b[1] - a[1])
      acc = 0
    }
    acc += d
  }
  const l = P[P.length - 1]
  const q = o[o.length - 1]
  if (Math.hypot(l[0] - q[0], l[1] - q[1]) > step * 0.3) o.push(l)
  else if (o.length > 1) o[o.length - 1] = l
  return o
}
// tapered stroke outline -> path text. w: function(i,n,pts)->full width
function stroke(P, wf, q, err, loop) {
  const n = P.length
  if (n < 2) return ''
  const L = [],
    R = []
  for (let i = 0; i < n; i++) {
    const a = P[Math.max(0, i - 1)],
      b = P[Math.min(n - 1, i + 1)]
    let t = [b[0] - a[0], b[1] - a[1]]
    if (loop && (i == 0 || i == n - 1)) {
      const a2 = P[n - 2],
        b2 = P[1]
      t = [b2[0] - a2[0], b2[1] - a2[1]]
    }
    const l = Math.hypot(...t) || 1
    const w = wf(i, n, [-t[1] / l, t[0] / l]) / 2
    L.push([P[i][0] - (t[1] / l) * w, P[i][1] + (t[0] / l) * w])
    R.push([P[i][0] + (t[1] / l) * w, P[i][1] - (t[0] / l) * w])
  }
  R.reverse()
  if (loop) {
    const x = Fit.text(Fit.fit(L, err), q, 1),
      y = Fit.text(Fit.fit(R, err), q, 1)
    return x + y
  }
  const A = Fit.fit(L, err),
    Bq = Fit.fit(R, err)
  if (!A.length || !Bq.length) return ''
  const e = A[A.length - 1][3],
    s = Bq[0][0]
  const segs = [...A]
  if (Math.hypot(e[0] - s[0], e[1] - s[1]) > 0.6) segs.push([e, e, s, s])
  segs.push(...Bq)
  return Fit.text(segs, q, 1)
}
function loopsOf(mask, W, H) {
  const VW = W + 1
  const nxt = new Map()
  const add = (a, b) => {
    if (!nxt.has(a)) nxt.set(a, [])
    nxt.get(a).push(b)
  }
  for (let y = 0; y < H; y++)
    for (let x = 0; x < W; x++)
      if (mask[y * W + x]) {
        if (y == 0 || !mask[(y - 1) * W + x]) add(y * VW + x, y * VW + x + 1)
        if (x == W - 1 || !mask[y * W + x + 1]) add(y * VW + x + 1, (y + 1) * VW + x + 1)
        if (y == H - 1 || !mask[(y + 1) * W + x]) add((y + 1) * VW + x + 1, (y + 1) * VW + x)
        if (x == 0 || !mask[y * W + x - 1]) add((y + 1) * VW + x, y * VW + x)
      }
  const out = []
  for (const [s] of nxt) {
    while (nxt.get(s) && nxt.get(s).length) {
      const loop = [s]
      let c = nxt.get(s).pop()
      while (c != s) {
        loop.push(c)
        const k = nxt.get(c)
        if (!k || !k.length) break
        c = k.pop()
      }
      if (loop.length > 12) out.push(loop.map((v) => [v % VW, (v / VW) | 0]))
    }
  }
  return out
}
export { basis, proj, march, chains, resample, stroke, loopsOf, leaves }
