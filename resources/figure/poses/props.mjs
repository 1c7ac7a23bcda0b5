import * as S from './solids.mjs'
const { V, bframe, ell, sweep, rbox, group } = S
import * as B from './body.mjs'
const X = [1, 0, 0],
  Y = [0, 1, 0],
  Z = [0, 0, 1]
const AX = { x: X, y: Y, z: Z }
const solo = (p) => ({ ...group([{ p }]) })
const bolsterY = (x, z, r, hl = 120, y = 0) => {
  return {
    o: solo({
      c: [x, y, z],
      R: Math.hypot(hl, r) + 4,
      f(a, b, c) {
        const q = Math.hypot(a - x, c - z) - r + 5,
          w = Math.abs(b - y) - hl + 5
        return Math.min(Math.max(q, w), 0) + Math.hypot(Math.max(q, 0), Math.max(w, 0)) - 5
      },
    }),
    tone: 'pad',
  }
}
const pillow = (c, h, F, r) => {
  const G = F || AX
  const [a, b, d] = h
  const e = ell(c, G, [a * 1.18, b * 1.18, d * 1.02]),
    bx = rbox(c, G, h, r || Math.min(...h) * 0.95)
  return {
    o: solo({ c, R: Math.hypot(a, b, d) * 1.05, f: (x, y, z) => Math.max(bx.f(x, y, z), e.f(x, y, z)) }),
    tone: 'pad',
  }
}
const box = (c, h, r, tone, F) => ({ o: solo(rbox(c, F || AX, h, r)), tone: tone || 'pad' })
const ball = (c, r) => ({ o: solo(ell(c, AX, [r, r, r])), tone: 'pad' })
/** A hand with its forearm, seen near: where the wrist is, where the fingers point, out of which side the palm looks. */
function helper(o) {
  const n = V.norm(o.n),
    dir = V.norm(o.dir)
  let hy = V.norm(V.sub(n, V.mul(dir, V.dot(n, dir))))
  let hx = V.cross(hy, dir)
  if (o.side == 'R') hx = V.mul(hx, -1)
  const F = { x: hx, y: hy, z: dir }
  const s = o.sc || 1
  const H = B.hand(o.wr, F, o.side, o.shape || 'flat', s)
  const back = V.norm(o.from || V.mul(dir, -1))
  const fl = V.mul(back, -1)
  const el = V.add(o.wr, V.mul(back, 146 * s))
  const fF = bframe(fl, V.norm(V.sub(hy, V.mul(fl, V.dot(hy, fl)))))
  const parts = [
    {
      p: sweep(
        el,
        fF,
        B.FOREARM.map((r) => r.map((v) => v * s)),
      ),
    },
    { p: H.g, k: 9, j: V.add(o.wr, V.mul(dir, -4)), d: dir, l: 34 },
  ]
  const objs = [{ o: group(parts), tone: 'skin', dec: [...H.dec.filter((d) => o.crease || d.g == 'nail')], nofit: o.nofit }]
  return { objs, H, el, F }
}
export { bolsterY, pillow, box, ball, helper, solo }
