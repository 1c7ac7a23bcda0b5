import * as B from './body.mjs'
import * as P from './props.mjs'
import { V, cone, group, rot } from './solids.mjs'

const up = [-1, 0, 0]
const isFields = (v) => typeof v === 'object' && v !== null && !Array.isArray(v)
/** A pose with some of it otherwise: a limb that is sent somewhere no longer has directions, and the other way round. */
const mix = (a, b) => {
  const o = structuredClone(a)
  if (b.t || b.u) for (const k of ['to', 'pole', 'toe']) delete o[k]
  if (b.to) for (const k of ['t', 's', 'u', 'f']) delete o[k]
  for (const k in b) o[k] = isFields(b[k]) && isFields(o[k]) ? mix(o[k], b[k]) : b[k]
  return o
}
// supine, head to the left, pelvis at x=0
const supine = (m = {}) =>
  mix(
    {
      pel: { o: [0, 0, 78], up, front: [0, 0, 1] },
      chest: { up: [-1, 0, 0.02], front: [0.02, 0, 1] },
      head: { up: [-1, 0, -0.04], front: [-0.04, 0, 1] },
      L: {
        arm: { u: [0.26, -0.16, -1], f: [0.1, -0.02, -1], n: [-0.55, -0.8, 0], hand: 'relax' },
        leg: { to: [478, 62, 40], pole: [0.12, 1, 0], pf: 28, out: 22 },
      },
      R: {
        arm: { u: [0.26, -0.16, -1], f: [0.1, -0.02, -1], n: [-0.55, -0.8, 0], hand: 'relax' },
        leg: { to: [478, -62, 40], pole: [0.12, 1, 0], pf: 28, out: 22 },
      },
    },
    m,
  )
// side lying. dirn=-1: head left
const side = (s, m = {}) => {
  const u = s == 'L' ? [1, 0, 0] : [-1, 0, 0],
    lo = s,
    hi = s == 'L' ? 'R' : 'L'
  const o = {
    pel: { o: [0, 50, 100], up: u, front: [0, -1, 0] },
    chest: { up: [u[0], 0, 0.03], front: [0, -1, 0] },
    head: { up: [u[0], 0, 0.04], front: [0, -1, -0.02] },
  }
  o[lo] = {
    arm: { u: [0.12, 1.0, 0.3], f: [0.05, -0.12, 1.0], n: [0.9, 0, -0.2], hand: 'soft', sh: [-26, 12, 0] },
    leg: { t: [0.02, 0.42, -1], s: [0.0, -0.62, -1], pf: 24, out: 0 },
  }
  o[hi] = {
    arm: { u: [-0.08, 0.82, -0.62], f: [-0.22, 0.9, -0.1], n: [-0.9, -0.2, 0.2], hand: 'relax' },
    leg: { t: [0.03, 0.95, -0.75], s: [0.0, -0.62, -1], pf: 24, out: 0 },
  }
  return mix(o, m)
}
// standing; front direction f (world)
const stand = (f, m = {}) =>
  mix(
    {
      pel: { o: [0, 0, 529], up: [0, 0, 1], front: f },
      L: { arm: { u: [0.14, 0.02, -1], f: [0.05, 0.14, -1], n: [-1, 0.2, 0], hand: 'relax' }, leg: { t: [0.01, 0, -1], pf: 0, out: 8 } },
      R: { arm: { u: [0.14, 0.02, -1], f: [0.05, 0.14, -1], n: [-1, 0.2, 0], hand: 'relax' }, leg: { t: [0.01, 0, -1], pf: 0, out: 8 } },
    },
    m,
  )
// sitting on a stool, hip at z 320
const sit = (f, m = {}) =>
  mix(
    {
      pel: { o: [0, 0, 330], up: [0, 0, 1], front: f },
      L: {
        arm: { u: [0.16, 0.22, -1], f: [-0.1, 1, -0.34], n: [0, -0.4, -1], hand: 'soft' },
        leg: { t: [0.16, 1, -0.14], s: [0, -0.04, -1], pf: 2, out: 4 },
      },
      R: {
        arm: { u: [0.16, 0.22, -1], f: [-0.1, 1, -0.34], n: [0, -0.4, -1], hand: 'soft' },
        leg: { t: [0.16, 1, -0.14], s: [0, -0.04, -1], pf: 2, out: 4 },
      },
    },
    m,
  )
const stool = (x = 0, y = 0, z = 272) => [
  P.box([x, y, z - 14], [100, 100, 14], 10, 'pad'),
  ...[
    [-78, -78],
    [78, -78],
    [-78, 78],
    [78, 78],
  ].map(([a, b]) => P.box([x + a, y + b, z / 2 - 14], [8, 8, z / 2 - 14], 5, 'pad')),
]
const floor = (x0, x1, y = 0, hw = 150) => P.box([(x0 + x1) / 2, y, -7], [(x1 - x0) / 2, hw, 7], 5, 'table')
const wall = (x, h = 980, y = 0, hw = 170) => P.box([x, y, h / 2], [9, hw, h / 2], 3, 'table')
// simple shorts: offset of pelvis and upper thighs, cut by the waist plane and by each thigh's own plane
const shorts = (b, len = 96) => {
  const J = b.J
  const tr = b.parts.filter((q) => q.tag == 'trunk').slice(0, 3)
  const pel = group([...tr.map((q) => ({ p: q.p, k: 22 }))])
  const legs = ['L', 'R'].map((s) => ({
    h: J['hip' + s],
    t: V.norm(V.sub(J['knee' + s], J['hip' + s])),
    p: b.parts.filter((q) => q.tag == 'leg' + s)[0].p,
  }))
  const wp = J.P([0, 0, 590]),
    wn = J.pel.z
  const mk = (keep) => {
    const pg = keep ? pel.cull(keep) : pel
    const lg = legs.map((l) => (keep && !keep(l.p) ? null : l))
    return (x, y, z) => {
      let d = pg.f(x, y, z)
      for (const l of lg) {
        if (!l) continue
        const s = (x - l.h[0]) * l.t[0] + (y - l.h[1]) * l.t[1] + (z - l.h[2]) * l.t[2]
        const q = Math.max(l.p.f(x, y, z), s - len)
        const k = s > 95 ? 0 : s < 0 ? 30 : 30 * (1 - s / 95)
        const h = k - Math.abs(d - q)
        d = Math.min(d, q) - (h > 0 && k > 0 ? ((h * h) / k) * 0.25 : 0)
      }
      d -= 3.5
      const w = (x - wp[0]) * wn[0] + (y - wp[1]) * wn[1] + (z - wp[2]) * wn[2]
      return Math.max(d, w)
    }
  }
  const parts = [...tr.map((q) => ({ p: q.p })), ...legs.map((l) => ({ p: l.p }))]
  return { o: { c: pel.c, R: pel.R + 120, parts, f: mk(null), cull: (keep) => ({ f: mk(keep) }) }, tone: 'cloth', dec: [] }
}
const one = (b0, o = {}) => {
  const b = B.build(b0)
  return {
    people: [b],
    objs: [...(o.noShort ? [] : [shorts(b, o.len)]), ...(typeof o.props == 'function' ? o.props(b) : o.props || [])],
    cam: o.cam || { yaw: 0, elev: 8 },
    arrows: o.arr ? o.arr(b) : [],
    ...(o.x || {}),
  }
}
const FL = [-1, 0, 0],
  FV = [0, -1, 0],
  F34 = [-0.62, -0.78, 0]
// ---- neck and jaw (bust)
const bust = (m, o = {}) => {
  const q = sit(o.f || F34, m)
  return one(q, { props: stool(), ...o, cam: o.cam || { yaw: 0, elev: 6 }, x: { crop: o.crop || [[0, 0, 690], 215, 180], lw: 5 } })
}
const headAt = (f, yawDeg, tilt, nod) => {
  let up = [0, 0, 1],
    fr = f
  fr = rot(fr, [0, 0, 1], yawDeg)
  const sideAx = V.cross(fr, [0, 0, 1])
  up = rot(up, fr, tilt)
  let f2 = rot(fr, sideAx, nod)
  up = rot(up, sideAx, nod)
  return { up, front: f2 }
}
const tipTo = (m, f, sd, tgt, hd, n, reach, pole, shape, o) => {
  const q = sit(f, m)
  const b = B.build(q)
  const c = tgt(b)
  const m2 = mix(m, { [sd]: { arm: { to: V.sub(c, V.mul(V.norm(hd), reach)), pole, pw: 1, n, nw: 1, h: hd, hw: 1, hand: shape } } })
  return bust(m2, { f, ...o })
}
const lie = (m = {}) => mix(supine({ pel: { o: [0, 0, 78] } }), m)
const mat = (x0 = -560, x1 = 590) => P.box([(x0 + x1) / 2, 0, -6], [(x1 - x0) / 2, 150, 6], 5, 'table')
const kneesUp = {
  L: { leg: { to: [232, 60, 42], pole: [0.06, 1, 0], toe: [1, 0, 0], tw: 1 } },
  R: { leg: { to: [232, -60, 42], pole: [0.06, 1, 0], toe: [1, 0, 0], tw: 1 } },
}
const C0 = { yaw: -16, elev: 12 }
const four = (m = {}) =>
  mix(
    {
      pel: { o: [120, 0, 296], up: [-1, 0, 0.04], front: [-0.04, 0, -1] },
      chest: { up: [-1, 0, 0.02], front: [-0.02, 0, -1] },
      head: { up: [-1, 0, 0.05], front: [-0.05, 0, -1] },
      L: {
        arm: { to: [-165, -100, 22], pole: [0.3, 0, -1], n: [0, 0, -1], nw: 1, h: [-1, -0.05, 0], hw: 1, hand: 'flat' },
        leg: { t: [-0.0, 0, -1], w: 1, s: [1, 0, -0.02], toe: [0.9, 0, -0.25], tw: 1, kf: [0, 1, 0] },
      },
      R: {
        arm: { to: [-165, 100, 22], pole: [0.3, 0, -1], n: [0, 0, -1], nw: 1, h: [-1, 0.05, 0], hw: 1, hand: 'flat' },
        leg: { t: [0, 0, -1], w: 1, s: [1, 0, -0.02], toe: [0.9, 0, -0.25], tw: 1 },
      },
    },
    m,
  )
const DOWN = { arm: { u: [0.16, 0, -1], f: [0.1, 0.1, -1] } }
const BOTH = { L: DOWN, R: DOWN }
const PIL = P.pillow([-425, 0, 6], [74, 110, 17])
const rod = (a, b, r, tone) => ({ o: P.solo(cone(a, b, r, r)), tone: tone || 'pad' })
const tips = {
  f: [
    [14, 16, 8],
    [14, 16, 8],
    [16, 18, 8],
    [18, 18, 8],
  ],
  sp: [3, 0, -3, -6],
  th: [20, 30, 6],
}
const W2 = (o) => {
  const h = P.helper({ crease: 1, cuff: 0, ...o })
  const fr = V.norm(o.from)
  h.objs[0] = {
    ...h.objs[0],
    o: group([...h.objs[0].o.parts, { p: cone(V.add(h.el, V.mul(fr, -10)), V.add(h.el, V.mul(fr, 170)), 20.5, 27), k: 12 }]),
  }
  return h
}
const near = (hs, o) => ({
  people: [],
  objs: hs.flatMap((h) => h.objs),
  cam: { yaw: o.yaw || 0, elev: o.elev == null ? 14 : o.elev },
  crop: o.crop,
  lw: 5,
  arrows: o.arr || [],
  sig: 1.9,
})
export {
  mix,
  side,
  stand,
  sit,
  stool,
  floor,
  wall,
  one,
  FL,
  FV,
  F34,
  bust,
  headAt,
  tipTo,
  lie,
  mat,
  kneesUp,
  C0,
  four,
  DOWN,
  BOTH,
  PIL,
  rod,
  tips,
  W2,
  near,
}
