// one jointed body in thousandths of stature (canon of the figure), posed by directions or targets
import * as S from './solids.mjs'
const { V, bframe, at, dirOf, rot, rotF, cone, ell, sweep, group } = S
const D = Math.PI / 180
// ---------- hand: frame z fingers, y palm normal (out of the palm), x toward thumb
const FL = {
  // finger flexion presets [mcp,pip,dip] for index..little, thumb:[abd out of plane, across, ip]
  relax: {
    f: [
      [18, 22, 10],
      [22, 26, 12],
      [26, 28, 14],
      [30, 30, 15],
    ],
    sp: [3, 0, -3, -7],
    th: [28, 24, 12],
  },
  flat: {
    f: [
      [2, 3, 2],
      [2, 3, 2],
      [2, 3, 2],
      [3, 4, 2],
    ],
    sp: [5, 1, -3, -8],
    th: [10, 38, 4],
  },
  soft: {
    f: [
      [10, 12, 6],
      [10, 13, 6],
      [12, 14, 7],
      [14, 15, 8],
    ],
    sp: [4, 1, -3, -7],
    th: [18, 30, 8],
  },
  fan: {
    f: [
      [-4, 2, 0],
      [-4, 2, 0],
      [-4, 2, 0],
      [-4, 2, 0],
    ],
    sp: [14, 4, -7, -18],
    th: [8, 56, -6],
  },
  fist: {
    f: [
      [80, 98, 60],
      [84, 100, 62],
      [86, 100, 62],
      [88, 98, 60],
    ],
    sp: [1, 0, -1, -2],
    th: [46, -4, 46],
    tb: [0.45, 0.85],
  },
  loosefist: {
    f: [
      [62, 82, 44],
      [66, 84, 46],
      [70, 84, 46],
      [72, 82, 44],
    ],
    sp: [2, 0, -2, -4],
    th: [44, 2, 36],
    tb: [0.5, 0.8],
  },
  point: {
    f: [
      [14, 18, 8],
      [60, 80, 40],
      [66, 84, 44],
      [70, 84, 44],
    ],
    sp: [2, 0, -2, -4],
    th: [34, 10, 26],
  },
  two: {
    f: [
      [20, 20, 10],
      [20, 22, 10],
      [62, 80, 40],
      [68, 82, 42],
    ],
    sp: [1, -1, -3, -5],
    th: [32, 14, 22],
  },
  hook: {
    f: [
      [14, 52, 34],
      [14, 54, 34],
      [16, 54, 34],
      [18, 52, 34],
    ],
    sp: [2, 0, -2, -5],
    th: [22, 28, 20],
  },
  cup: {
    f: [
      [30, 22, 12],
      [30, 24, 12],
      [32, 24, 12],
      [34, 24, 12],
    ],
    sp: [3, 0, -3, -6],
    th: [40, 30, 10],
  },
  pinch: {
    f: [
      [52, 34, 22],
      [40, 36, 20],
      [42, 38, 20],
      [44, 40, 20],
    ],
    sp: [2, 0, -3, -7],
    th: [52, 22, 18],
  },
  grip: {
    f: [
      [58, 62, 30],
      [60, 64, 32],
      [62, 64, 32],
      [64, 62, 30],
    ],
    sp: [2, 0, -2, -4],
    th: [52, 14, 30],
  },
  hold: {
    f: [
      [34, 34, 18],
      [34, 36, 18],
      [36, 36, 18],
      [38, 36, 18],
    ],
    sp: [3, 0, -3, -6],
    th: [46, 34, 14],
  },
}
function hand(O, F, side, shape, sc) {
  const s = sc || 1
  const h = typeof shape == 'object' ? shape : FL[shape || 'relax']
  const P = [],
    dec = []
  const p = (a) => at(O, F, V.mul(a, s))
  P.push({
    p: sweep(
      O,
      F,
      [
        [-6, 15, 10.5, 10.5],
        [6, 16, 11, 10.5],
        [18, 19, 11.5, 10],
        [32, 21.5, 10.5, 9.5],
        [46, 22.5, 9, 9],
        [58, 21.5, 8, 8],
        [62, 20, 6.5, 6.5],
      ].map((r) => r.map((v) => v * s)),
    ),
  })
  P.push({ p: ell(p([12, 24, 5]), rotF(F, F.y, -24), [10 * s, 9 * s, 20 * s]), k: 10 * s })
  P.push({ p: ell(p([-14, 26, 4].map((v, i) => (i == 1 ? 4 : i == 2 ? 26 : v))), F, [8 * s, 8 * s, 21 * s]), k: 8 * s })
  P[1] = { p: ell(p([12, 5, 24]), rotF(F, F.y, -22), [10 * s, 9 * s, 20 * s]), k: 10 * s }
  const M = [
      [15.2, -1, 57],
      [5, -2, 59.5],
      [-5.6, -1.6, 57.5],
      [-15.2, 0, 53],
    ],
    Ln = [
      [24, 14, 11],
      [27, 16.5, 11.5],
      [25, 15.5, 11.5],
      [19, 11.5, 10.5],
    ],
    Rr = [
      [7.2, 6.1, 5.4, 4.6],
      [7.4, 6.2, 5.5, 4.7],
      [7, 5.9, 5.2, 4.5],
      [6.2, 5.2, 4.6, 4],
    ]
  const tips = [],
    mcp = [],
    pip = [],
    dor = []
  for (let i = 0; i < 4; i++) {
    const fl = h.f[i]
    let o = p(M[i])
    let G = rotF(F, F.y, h.sp[i] * 1) // spread: rotate about palm normal toward thumb (+x)
    // positive toward thumb: rotating z toward x about y
    mcp.push(o)
    let ang = 0
    for (let j = 0; j < 3; j++) {
      ang = fl[j]
      G = rotF(G, G.x, -ang)
      /* flex toward +y */ const e = V.add(o, V.mul(G.z, Ln[i][j] * s))
      P.push({ p: cone(o, e, Rr[i][j] * s, Rr[i][j + 1] * s), k: j ? 2.2 * s : 5 * s })
      if (j == 0) {
        P.push({ p: ell(o, G, [7.4 * s, 7.4 * s, 8 * s]), k: 4 * s })
      }
      if (j < 2 && fl[j + 1] < 70) {
        const b = e
        dec.push({
          g: 'crease',
          pts: [-0.62, -0.2, 0.2, 0.62].map((t) =>
            V.add(b, V.add(V.mul(G.x, t * Rr[i][j + 1] * s), V.mul(G.y, -Rr[i][j + 1] * s * (1 - t * t * 0.35)))),
          ),
          w: 0.5,
        })
      }
      if (j == 2) {
        const r = Rr[i][3] * s
        const nl = []
        for (let a = -150; a <= 150; a += 25)
          nl.push(
            V.add(
              V.add(e, V.mul(G.z, (-2.2 + 3.9 * Math.cos(a * D)) * s)),
              V.add(V.mul(G.x, r * 0.74 * Math.sin(a * D)), V.mul(G.y, -r * (0.98 - 0.45 * Math.sin(a * D) ** 2))),
            ),
          )
        dec.push({ g: 'nail', pts: nl, w: 0.5 })
        tips.push(e)
      }
      if (j == 0) {
        pip.push(e)
        dor.push(V.mul(G.y, -1))
      }
      o = e
    }
  }
  for (let i = 0; i < 3; i++)
    if (h.f[i][0] > 58 && h.f[i + 1][0] > 58) {
      const d = V.norm(V.add(dor[i], dor[i + 1]))
      const a = V.lerp(mcp[i], mcp[i + 1], 0.5),
        c = V.lerp(pip[i], pip[i + 1], 0.5)
      dec.push({ g: 'nail', pts: [-0.05, 0.25, 0.55, 0.85, 1.02].map((t) => V.add(V.lerp(a, c, t), V.mul(d, 5.2 * s))), w: 0.75, tol: 12 })
    }
  for (let i = 0; i < 4; i++)
    if (h.f[i][0] > 58) {
      const bk = V.norm(V.add(V.mul(F.y, -1), V.mul(dor[i], 0.9)))
      dec.push({
        g: 'nail',
        pts: [-1, -0.5, 0, 0.5, 1].map((t) =>
          V.add(mcp[i], V.add(V.mul(F.x, t * 5 * s), V.add(V.mul(bk, 7.2 * s), V.mul(F.z, -2 * s * (t * t))))),
        ),
        w: 0.5,
        tol: 12,
      })
    }
  // thumb
  {
    const [ab, ac, ip] = h.th
    let o = p([11, 3, 10])
    let z = V.norm(
      V.add(V.mul(V.add(V.mul(F.z, Math.cos(ac * D)), V.mul(F.x, Math.sin(ac * D))), Math.cos(ab * D)), V.mul(F.y, Math.sin(ab * D))),
    )
    // nail side of thumb faces roughly away from palm & toward thumb side
    const tb = h.tb || [0.8, -0.55]
    let back = V.norm(V.add(V.mul(F.y, tb[1]), V.mul(F.x, tb[0])))
    let T = bframe(z, V.mul(back, -1)) // T.y pad side
    const L = [27, 20, 16],
      r = [9.4, 7.6, 6.6, 5.6]
    const fx = [0, ip * 0.55, ip]
    for (let j = 0; j < 3; j++) {
      T = rotF(T, T.x, -fx[j])
      const e = V.add(o, V.mul(T.z, L[j] * s))
      P.push({ p: cone(o, e, r[j] * s, r[j + 1] * s), k: (j ? 3 : 9) * s })
      if (j == 1)
        dec.push({
          g: 'crease',
          pts: [-0.6, -0.2, 0.2, 0.6].map((t) => V.add(e, V.add(V.mul(T.x, t * r[2] * s), V.mul(T.y, -r[2] * s * (1 - t * t * 0.35))))),
          w: 0.5,
        })
      if (j == 2) {
        const q = r[3] * s,
          nl = []
        for (let a = -150; a <= 150; a += 25)
          nl.push(
            V.add(
              V.add(e, V.mul(T.z, (-2.4 + 4.6 * Math.cos(a * D)) * s)),
              V.add(V.mul(T.x, q * 0.76 * Math.sin(a * D)), V.mul(T.y, -q * (0.98 - 0.45 * Math.sin(a * D) ** 2))),
            ),
          )
        dec.push({ g: 'nail', pts: nl, w: 0.5 })
        tips.push(e)
      }
      o = e
    }
  }
  return { g: group(P), dec, tips, mcp, pip }
}
function foot(A, F, side, o = {}) {
  // A ankle centre, F: z toe direction, y up (dorsum), x lateral(body left)
  const m = side == 'L' ? 1 : -1 // medial is -m in x
  const P = []
  const p = (a) => at(A, F, [a[0] * m, a[1], a[2]])
  P.push({ p: ell(p([-1, -20, -18]), F, [17, 21, 19]) })
  P.push({
    p: sweep(at(A, F, [0, -31, 0]), F, [
      [-20, 15, 22, 9],
      [0, 17, 36, 10],
      [16, 18, 42, 10 - (o.arch || 0) * 0.55],
      [34, 19, 36, 10 - (o.arch || 0) * 1],
      [53, 20, 25, 10 - (o.arch || 0) * 0.75],
      [72, 21.5, 16, 10],
      [90, 21, 10, 9],
      [96, 18, 8, 8],
    ]),
    k: 10,
  })
  P.push({ p: ell(p([-9, -27, 24]), F, [10, 14, 34]), k: 8 })
  const te = o.toes || 0 // toe extension deg
  const tz = [
    [-13.5, 82, 113, 9.2, 7.6],
    [-3, 88, 111, 5.8, 5],
    [4, 87, 106, 5.4, 4.7],
    [10.5, 84, 101, 5, 4.4],
    [16.5, 80, 95, 4.8, 4.3],
  ]
  for (const [t, a, b, r1, r2] of tz) {
    const q = p([t, -33, a]),
      z = rot(F.z, F.x, te * 1)
    const e = V.add(V.add(q, V.mul(z, b - a)), V.mul(F.x, m * (t < -10 ? 1.2 : 0)))
    P.push({ p: cone(q, e, r1, r2), k: 3 })
  }
  const dec = []
  // inner and outer ankle knobs
  return { g: group(P), dec, ball: p([0, -42, 88]), toe: p([-12, -36, 113]), heel: p([0, -41, -22]) }
}
function head(O, F, o = {}) {
  const jw = o.jaw || 0 // O at skull base; F z up y front x left ; coordinates relative to (0,-6,908) standing
  const b = [0, -6, 908]
  const p = (a) => at(O, F, V.sub(a, b))
  const P = []
  P.push({ p: ell(p([0, -5, 947]), F, [43.8, 53.5, 53]) })
  P.push({ p: ell(p([0, 16, 954]), F, [39, 39, 36]), k: 8 })
  P.push({
    p: sweep(at(O, F, [0, 26, 0]), F, [
      [-35 - jw * 0.8, 13, 30 - jw * 0.2, 9],
      [-29, 21, 33.8, 16],
      [-20, 29, 34.5, 22],
      [-5, 35.5, 33.5, 27],
      [12, 39.5, 32.5, 34],
      [30, 41, 32, 40],
      [44, 40, 33, 40],
    ]),
    k: 8,
  })
  P.push({ p: ell(p([0, 44.5 - jw * 0.25, 877.3 - jw * 0.85]), F, [12, 10.5, 8.8]), k: 8 })
  P.push({ p: ell(p([0, 49.5, 903]), F, [12, 8, 7.5]), k: 5 })
  P.push({ p: ell(p([17, 45, 945]), rotF(F, F.y, 0), [14, 7.5, 4.6]), k: 7 })
  P.push({ p: ell(p([-17, 45, 945]), F, [14, 7.5, 4.6]), k: 7 })
  P.push({ p: ell(p([16, 43, 933.5]), F, [9.5, 7, 6]), k: 4 })
  P.push({ p: ell(p([-16, 43, 933.5]), F, [9.5, 7, 6]), k: 4 })
  P.push({ p: ell(p([24, 38, 917]), F, [13, 10, 9]), k: 10 })
  P.push({ p: ell(p([-24, 38, 917]), F, [13, 10, 9]), k: 10 })
  P.push({ p: cone(p([0, 50.5, 940]), p([0, 61, 914]), 4, 5.6), k: 5 })
  P.push({ p: ell(p([6, 57, 911.5]), F, [4.2, 5.4, 4]), k: 4 })
  P.push({ p: ell(p([-6, 57, 911.5]), F, [4.2, 5.4, 4]), k: 4 })
  P.push({ p: ell(p([0, 53, 897.4]), F, [13, 6.2, 3]), k: 3 })
  P.push({ p: ell(p([0, 52, 892 - jw]), F, [11.5, 6, 3.4]), k: 3 })
  for (const s of [1, -1]) {
    const E = rotF(rotF(F, F.x, -12), F.z, s * 16)
    P.push({ p: ell(p([s * 43, -5, 929]), E, [4.2, 10, 17.5]), k: 2.5 })
    P.push({ p: ell(p([s * 41, -2, 914]), E, [4, 6, 6]), k: 3 })
  }
  const dec = []
  const L = (pts, w, g) => dec.push({ g: g || 'face', pts: pts.map(p), w })
  for (const s of [1, -1]) {
    L(
      [
        [25.5, 41, 935],
        [23, 44.5, 932],
        [19, 48.2, 929.8],
        [15, 49.6, 929.2],
        [11, 49.2, 930.4],
        [8, 47.2, 932.6],
      ].map((a) => [a[0] * s, a[1], a[2]]),
      1.05,
      'eye',
    )
    L(
      [
        [29, 41, 944.5],
        [24, 47, 948.6],
        [17, 51, 950],
        [9, 53, 947.5],
        [6.5, 53, 945.5],
      ].map((a) => [a[0] * s, a[1], a[2]]),
      0.75,
      'brow',
    )
    L(
      [
        [8.6, 59, 914.5],
        [10.2, 57, 911.5],
        [9.2, 58, 908.6],
        [6.5, 60, 908],
      ].map((a) => [a[0] * s, a[1], a[2]]),
      0.7,
      'nose',
    )

    // ear inner
    L(
      [
        [46, 5, 938],
        [47.5, 0, 944],
        [48, -8, 944],
        [47.8, -12, 936],
        [47, -10, 925],
        [46, -5, 917],
        [45, 0, 914],
      ].map((a) => [a[0] * s, a[1], a[2]]),
      0.6,
      'ear',
    )
    L(
      [
        [47, 2, 931],
        [48, -3, 936],
        [48, -6.5, 930],
        [47, -4, 922],
      ].map((a) => [a[0] * s, a[1], a[2]]),
      0.5,
      'ear',
    )
  }
  if (jw) {
    L(
      [
        [-12, 54, 895.5],
        [-6, 58, 894.8],
        [0, 59, 894.6],
        [6, 58, 894.8],
        [12, 54, 895.5],
      ],
      0.9,
      'mouth',
    )
    L(
      [
        [-11, 54, 894],
        [-6, 57, 894 - jw * 0.8],
        [0, 58, 894 - jw],
        [6, 57, 894 - jw * 0.8],
        [11, 54, 894],
      ],
      0.7,
      'mouth',
    )
  } else
    L(
      [
        [-13, 52, 894.6],
        [-7, 57, 894.4],
        [-2, 58.8, 894.6],
        [0, 59, 894.1],
        [2, 58.8, 894.6],
        [7, 57, 894.4],
        [13, 52, 894.6],
      ],
      0.9,
      'mouth',
    )
  L(
    [
      [-6, 56, 886.4],
      [0, 57.5, 885.6],
      [6, 56, 886.4],
    ],
    0.45,
    'mouth',
  )
  return { g: group(P), dec }
}
/** Sections of the forearm from the elbow on. */
const FOREARM = [
  [-10, 19, 18, 18],
  [4, 21.5, 20, 20],
  [24, 24.5, 22, 21],
  [46, 24.5, 21, 20.5],
  [76, 21.5, 18, 17.5],
  [106, 17.5, 14.5, 14],
  [130, 15.5, 12, 12],
  [146, 15.6, 11.2, 11.2],
  [150, 15.4, 11, 11],
]
const UA = 179,
  FA = 146,
  TH = 251,
  SH = 236
function ik(A, T, l1, l2, pole) {
  let d = V.sub(T, A),
    L = V.len(d)
  const mx = (l1 + l2) * 0.999
  if (L > mx) {
    d = V.mul(d, mx / L)
    L = mx
  }
  if (L < Math.abs(l1 - l2) + 2) {
    L = Math.abs(l1 - l2) + 2
  }
  const n = V.norm(d)
  let a = (l1 * l1 - l2 * l2 + L * L) / (2 * L)
  const h = Math.sqrt(Math.max(0, l1 * l1 - a * a))
  let p = V.sub(pole, V.mul(n, V.dot(pole, n)))
  p = V.norm(p)
  const K = V.add(A, V.add(V.mul(n, a), V.mul(p, h)))
  return [V.norm(V.sub(K, A)), V.norm(V.sub(V.add(A, V.mul(n, L)), K))]
}
function fwd(F, side, v, w) {
  if (w) return V.norm(v)
  const m = side == 'L' ? 1 : -1
  return V.norm(dirOf(F, [v[0] * m, v[1], v[2]]))
}
// build(pose) -> {sdf, dec, J}
function build(q) {
  const parts = [],
    dec = [],
    J = {}
  const pel = bframe(q.pel.up, q.pel.front),
    ch = bframe((q.chest || q.pel).up, (q.chest || q.pel).front),
    hd = bframe((q.head || q.chest || q.pel).up, (q.head || q.chest || q.pel).front)
  const wa = bframe(V.add(pel.z, ch.z), V.add(pel.y, ch.y))
  const po = q.pel.o
  const P = (a) => at(po, pel, V.sub(a, [0, -2, 528]))
  const l5 = P([0, -12, 598])
  const W = (a) => at(l5, wa, V.sub(a, [0, -12, 598]))
  const t12 = W([0, -12, 650])
  const C = (a) => at(t12, ch, V.sub(a, [0, -12, 650]))
  const c7 = C([0, -22, 842])
  const nkz = V.norm(V.add(V.mul(ch.z, 1), V.mul(hd.z, 1)))
  const nk = bframe(V.add(nkz, V.mul(V.add(ch.y, hd.y), 0.1)), V.add(ch.y, hd.y))
  const ho = V.add(c7, V.add(V.mul(nk.z, 66), V.mul(nk.y, q.headFwd || 0)))
  J.pel = pel
  J.ch = ch
  J.hd = hd
  J.P = P
  J.C = C
  J.W = W
  J.c7 = c7
  J.ho = ho
  J.H = (a) => at(ho, hd, V.sub(a, [0, -6, 908]))
  const tag = (t) => {
    for (const x of parts) if (!x.tag) x.tag = t
  }
  const sw = (o, F, ref, rows) =>
    sweep(
      o,
      F,
      rows.map((r) => [r[0] - ref, ...r.slice(1)]),
    )
  parts.push({
    p: sw(P([0, 0, 528]), pel, 528, [
      [478, 70, 34, 52],
      [488, 82, 40, 58],
      [505, 90, 44, 62],
      [530, 93, 46, 66],
      [556, 90, 49, 66],
      [580, 86, 51, 58],
      [604, 82, 51, 48],
      [612, 80, 50, 46],
    ]),
  })
  for (const s of [1, -1]) parts.push({ p: ell(P([s * 44, -36, 506]), rotF(pel, pel.y, s * -8), [43, 41, 50]), k: 22 })
  // soft separation of the cleft is a decal
  parts.push({
    p: sw(W([0, 0, 600]), wa, 600, [
      [580, 83, 50, 52],
      [600, 80, 50, 47],
      [620, 80, 49.5, 45],
      [640, 83, 49, 47],
      [664, 87, 50, 51],
    ]),
    k: 26,
  })
  parts.push({
    p: sw(C([0, 0, 650]), ch, 650, [
      [640, 84, 49, 47],
      [664, 88, 51, 52],
      [692, 93, 54, 57],
      [716, 96, 57, 62],
      [738, 97, 57.5, 66],
      [758, 95, 53, 68],
      [778, 90, 46, 68],
      [797, 80, 37, 64],
      [816, 60, 25, 56],
      [834, 36, 14, 48],
    ]),
    k: 26,
  })
  tag('trunk') // chest muscle
  for (const s of [1, -1]) {
    parts.push({ p: ell(C([s * 50, 32, 748]), rotF(ch, ch.x, 12), [46, 24, 36]), k: 16 })
    parts.push({ p: ell(C([s * 58, -46, 775]), ch, [38, 20, 46]), k: 18 })
  }
  // neck
  const nF = bframe(V.sub(ho, c7), V.add(ch.y, hd.y))
  const nl = V.len(V.sub(ho, c7))
  parts.push({
    p: sweep(V.add(c7, V.mul(nF.y, 2)), nF, [
      [-22, 42, 28, 30],
      [0, 34.5, 26.5, 28],
      [22, 31.5, 26, 27],
      [44, 31, 26, 28],
      [nl, 32, 24, 28],
      [nl + 10, 31, 20, 28],
    ]),
    k: 18,
  })
  const sh = {}
  const elevOf = (s, u) => (V.dot(u, ch.z) + 1) / 2
  for (const sd of ['L', 'R']) {
    const m = sd == 'L' ? 1 : -1
    const A = (q[sd] && q[sd].arm) || {}
    const rest = C([m * 108, -8, 799])
    let u
    const res = () => {
      if (A.to) {
        const T = A.to
        const r = ik(sh[sd], T, UA, FA, fwd(ch, sd, A.pole || [0.5, -0.6, -0.6], A.w || A.pw))
        A._u = r[0]
        A._f = r[1]
      } else {
        A._u = fwd(ch, sd, A.u || [0.18, 0, -1], A.w)
        A._f = A.f ? fwd(ch, sd, A.f, A.w || A.fw) : A._u
      }
    }
    sh[sd] = rest
    res()
    u = A._u
    const e = Math.pow(elevOf(sd, u), 1.4),
      fr = Math.max(-0.4, V.dot(u, ch.y)),
      ac = Math.max(0, -m * V.dot(u, ch.x))
    const sx = A.sh || [0, 0, 0]
    sh[sd] = C([m * (108 - 16 * e - 10 * ac - 6 * Math.max(0, fr) + sx[0]), -8 + 16 * fr + 10 * ac + sx[1], 799 + 34 * e + sx[2]])
    res()
    J['sh' + sd] = sh[sd]
    // girdle
    parts.push({
      p: cone(C([m * 24, -24, 831]), V.add(sh[sd], V.add(V.mul(ch.x, -m * 17), V.add(V.mul(ch.y, -4), V.mul(ch.z, -5)))), 22, 18),
      k: 22,
    })
    A._sd = sd
    sh[sd + 'A'] = A
  }
  const headG = head(ho, hd, { jaw: q.jaw || 0 })
  if (!q.noHead) parts.push({ p: headG.g, k: 12, j: V.add(ho, V.mul(hd.z, -10)), d: hd.z, l: 40 })
  if (!q.noHead) dec.push(...headG.dec)
  tag('upper') // legs first (thigh joins the pelvis), then arms
  for (const sd of ['L', 'R']) {
    const m = sd == 'L' ? 1 : -1
    const G = (q[sd] && q[sd].leg) || {}
    if (G.none) continue
    const hp = P([m * 52, -2, 528])
    J['hip' + sd] = hp
    let t, s
    if (G.to) {
      const r = ik(hp, G.to, TH, SH, fwd(pel, sd, G.pole || [0.1, 1, 0], G.w || G.pw))
      t = r[0]
      s = r[1]
    } else {
      t = fwd(pel, sd, G.t || [0.01, 0, -1], G.w)
      s = G.s ? fwd(pel, sd, G.s, G.w || G.sw) : t
    }
    const kn = V.add(hp, V.mul(t, TH)),
      an = V.add(kn, V.mul(s, SH))
    J['knee' + sd] = kn
    J['ankle' + sd] = an
    let kf = V.sub(V.mul(t, V.dot(s, t)), s)
    const bend = V.len(kf)
    const kd = fwd(pel, sd, G.kf || [0.08, 1, 0], G.w || G.kw)
    kf = bend > 0.22 && !G.kfix ? V.norm(kf) : kd
    const tF = bframe(t, kf)
    // shank front: kf made perpendicular to s
    const sF2 = bframe(s, V.len(V.sub(kf, V.mul(s, V.dot(kf, s)))) > 0.15 ? kf : V.mul(t, 1))
    parts.push({
      p: sweep(
        hp,
        tF,
        [
          [-30, 30, 34, 30, 30],
          [-10, 38, 46, 40, 40],
          [20, 44, 50, 46, 45],
          [58, 48, 52, 50, 46],
          [85, 46.5, 52, 50, 45],
          [115, 43, 51, 49.5, 43],
          [140, 40, 49, 48, 41.5],
          [175, 35.5, 45.5, 44, 37.5],
          [205, 31, 42, 39, 33.5],
          [228, 28.5, 40, 35, 30.5],
          [250, 27, 36, 33, 28],
          [262, 26, 33, 32, 27],
        ].map((r) => (sd == 'L' ? r : [r[0], r[4], r[2], r[3], r[1]])),
      ),
      k: 34,
      j: hp,
      d: t,
      l: 95,
    })
    parts.push({
      p: sweep(kn, sF2, [
        [-12, 25, 31, 32],
        [0, 27, 34.5, 33],
        [14, 27.5, 34, 35],
        [32, 28.5, 30, 42],
        [50, 30, 28, 47],
        [68, 30.5, 27, 48.5],
        [96, 29, 25, 45],
        [126, 24.5, 21, 37],
        [160, 18.5, 18.5, 28],
        [190, 14.8, 17.5, 22],
        [212, 15, 19, 21.5],
        [228, 17, 20, 22],
        [242, 16.5, 19, 22],
      ]),
      k: 22,
      j: V.add(kn, V.mul(s, -6)),
      d: s,
      l: 70,
    })
    const kb = V.norm(V.add(V.mul(tF.y, 1), V.mul(sF2.y, 1)))
    const bendA = Math.acos(Math.max(-1, Math.min(1, V.dot(t, s)))) / D
    const kc = V.add(kn, V.add(V.mul(kb, 27 + bendA * 0.03), V.mul(V.norm(V.sub(t, s)), bendA > 30 ? 3 : -6)))
    parts.push({ p: ell(kc, bframe(V.norm(V.add(t, s)), kb), [17, 12, 20]), k: 9 })
    const pf = G.pf == null ? 10 : G.pf
    let tz = V.norm(V.add(V.mul(sF2.y, Math.cos(pf * D)), V.mul(s, Math.sin(pf * D))))
    if (G.toe) tz = fwd(pel, sd, G.toe, G.w || G.tw)
    const to = G.out == null ? 7 : G.out
    tz = rot(tz, s, -m * to)
    const fF = bframe(tz, V.mul(s, -1))
    const Ff = foot(an, fF, sd, { toes: G.toes || 0, arch: G.arch || 0 })
    J['foot' + sd] = Ff
    J['fF' + sd] = fF
    parts.push({ p: Ff.g, k: 16, j: an, d: fF.z, l: 60 })
    // malleoli
    for (const k of [1, -1])
      parts.push({ p: ell(V.add(an, V.add(V.mul(sF2.x, k * 12.5), V.mul(s, k * m > 0 ? 2 : -5))), sF2, [6.5, 9, 9]), k: 6 })
    // decals: kneecap arc, ankle
    const kF = bframe(V.norm(V.add(t, s)), kb)
    const arc = []
    for (let a = -70; a <= 70; a += 20)
      arc.push(V.add(kc, V.add(V.mul(kF.x, 16 * Math.sin(a * D)), V.add(V.mul(kF.z, 17 * Math.cos(a * D)), V.mul(kF.y, 9)))))
    dec.push({ g: 'knee', pts: arc, w: 0.6 })
    tag('leg' + sd)
    J['tF' + sd] = tF
    J['sF' + sd] = sF2
  }
  for (const sd of ['L', 'R']) {
    const A = sh[sd + 'A'],
      m = sd == 'L' ? 1 : -1
    if (A.none) continue
    const o = sh[sd],
      u = A._u,
      f = A._f
    const el = V.add(o, V.mul(u, UA)),
      wr = V.add(el, V.mul(f, FA))
    J['el' + sd] = el
    J['wr' + sd] = wr
    let n = A.n ? fwd(ch, sd, A.n, A.w || A.nw) : null
    let hz = A.h ? fwd(ch, sd, A.h, A.w || A.hw) : f
    const cr = V.sub(f, V.mul(u, V.dot(f, u)))
    if (!n) n = V.len(cr) > 0.25 ? V.norm(cr) : fwd(ch, sd, [-1, 0.2, 0])
    if (A.wx) {
      // wrist extension, degrees: the hand turns away from the palm
      const F0 = bframe(hz, n)
      hz = rot(hz, F0.x, -A.wx)
      n = rot(n, F0.x, -A.wx)
    }
    // hand frame: z fingers, y palm, x toward the thumb (left, palm to the front, fingers down: the thumb looks outward)
    let hy = V.norm(V.sub(n, V.mul(hz, V.dot(n, hz))))
    let hx = V.cross(hy, hz)
    if (sd == 'R') hx = V.mul(hx, -1)
    const HF = { x: hx, y: hy, z: hz }
    // check handedness: left, z=-up,y=front: cross(front,-up)= -(front x up)= up x front = left  OK
    const fy = V.norm(V.sub(hy, V.mul(f, V.dot(hy, f))))
    const fF = bframe(f, fy)
    const ub = V.len(cr) > 0.2 ? V.norm(cr) : hy
    const uF = bframe(u, ub)
    parts.push({ p: ell(V.add(o, V.add(V.mul(u, 20), V.mul(ch.x, m * 1))), bframe(u, ch.y), [27, 31, 34]), k: 30, j: o, d: u, l: 90 })
    parts.push({
      p: sweep(o, uF, [
        [4, 22, 24, 24],
        [16, 25.5, 27, 28],
        [38, 26, 28, 29],
        [70, 24.5, 28, 27],
        [105, 22.5, 26, 25.5],
        [140, 21, 23, 22.5],
        [165, 21, 21.5, 20.5],
        [186, 20, 19.5, 19],
      ]),
      k: 30,
      j: o,
      d: u,
      l: 95,
    })
    parts.push({
      p: sweep(el, fF, FOREARM),
      k: 15,
      j: V.add(el, V.mul(f, -4)),
      d: f,
      l: 52,
    })
    const ol = V.add(el, V.mul(ub, -13))
    parts.push({ p: ell(ol, uF, [9, 9, 12]), k: 8 })
    const H = hand(wr, HF, sd, A.hand || 'relax')
    parts.push({ p: H.g, k: 9, j: V.add(wr, V.mul(hz, -4)), d: hz, l: 34 })
    if (A.nails !== 0) dec.push(...H.dec.filter((d) => d.g == 'nail'))
    J['hand' + sd] = H
    J['HF' + sd] = HF
    tag('arm' + sd) // elbow crease
    const eb = V.len(cr)
    if (eb > 0.35 && eb < 0.98) {
      dec.push({
        g: 'crease',
        pts: [-0.8, -0.3, 0.3, 0.8].map((t) =>
          V.add(el, V.add(V.mul(uF.x, t * 17), V.mul(V.norm(V.sub(ub, V.mul(V.sub(u, f), 0.25))), 16 - 3 * t * t))),
        ),
        w: 0.5,
      })
    }
  }
  // trunk decals
  const d = (F, pts, w, g) => dec.push({ g, pts: pts.map(F), w })
  if (!q.plain) {
    for (const s of [1, -1]) {
      d(
        C,
        [
          [s * 9, 37, 812],
          [s * 26, 34, 812],
          [s * 48, 26, 814],
          [s * 70, 16, 819],
          [s * 92, 6, 823],
        ],
        0.6,
        'clav',
      )
      d(
        C,
        [
          [s * 14, 60, 712],
          [s * 32, 63, 707],
          [s * 52, 60, 709],
          [s * 72, 52, 717],
          [s * 84, 40, 728],
        ],
        0.45,
        'pec',
      )
      d(
        C,
        [
          [s * 50, -70, 805],
          [s * 44, -74, 785],
          [s * 44, -76, 766],
          [s * 52, -75, 752],
        ],
        0.55,
        'blade',
      )
    }
    d(
      C,
      [
        [0, -62, 812],
        [0, -66, 780],
        [0, -66, 745],
        [0, -61, 705],
        [0, -56, 668],
      ],
      0.5,
      'spine',
    )
    d(
      W,
      [
        [0, -52, 640],
        [0, -47, 615],
        [0, -48, 600],
      ],
      0.5,
      'spine',
    )
    d(
      P,
      [
        [0, -66, 548],
        [0, -74, 532],
        [0, -79, 512],
        [0, -77, 490],
        [0, -68, 470],
      ],
      0.8,
      'cleft',
    )
    d(
      W,
      [
        [-2.5, 52, 606],
        [0, 53, 603],
        [2.5, 52, 606],
        [1.5, 52, 610],
        [0, 52, 610.5],
      ],
      0.6,
      'navel',
    )
    d(
      C,
      [
        [0, 58, 722],
        [0, 57, 742],
        [0, 52, 765],
        [0, 45, 785],
      ],
      0.35,
      'sternum',
    )
  }
  return { sdf: group(parts), dec, J, parts }
}
export { build, FOREARM, hand, foot, head, FL, ik, UA, FA, TH, SH }
