// Where the regions of a whole body meet: the skin and the bones of both go through the seam at the same places, or it would be seen.
import { distance, distanceTo, flat, inside, segmentsOf } from './spline.mjs'
import { halvesOf, share } from './whole.mjs'

/** Skin and bone of two regions may lie so far apart at their seam, in units of the body: thousandths of stature. */
export const SEAM = 2
/** Where so much of both is seen that two outlines are seen as two. */
const BOTH = [0.25, 0.75]
/** What lies so near to the edge of a frame, or to the axis a region is mirrored about, is no outline but where the drawing ends. */
const EDGE = 2
/** Of a skin made of several rings, what lies so deep in another is no outline. */
const WITHIN = 1
/** What is seen of a part under another is nothing where the other covers it. */
const COVERED = 0.95

const at = ([a, b, c, d, e, f], [x, y]) => [a * x + c * y + e, b * x + d * y + f]
const shut = (ring) => [...ring, ring[0]]
/** Points of a ring, one a unit. */
const dotted = (ring) =>
  ring.flatMap((p, i) => {
    const q = ring[(i + 1) % ring.length]
    const n = Math.max(1, Math.ceil(distance(p, q)))
    return Array.from({ length: n }, (_, k) => [p[0] + ((q[0] - p[0]) * k) / n, p[1] + ((q[1] - p[1]) * k) / n])
  })
const ringsOf = (region) => ({
  skin: region.skin.map((d, k) => ({ id: `skin ${k}`, ring: flat(segmentsOf(d), 8) })),
  bones: region.bones.map(({ id, d }) => ({ id, ring: flat(segmentsOf(d), 8) })),
})
/** Where a part lies on the body, all its halves. */
function laid(part, region) {
  const { skin, bones } = ringsOf(region)
  const on = (matrix, all) => all.map(({ id, ring }) => ({ id, ring: ring.map((p) => at(matrix, p)) }))
  const halves = halvesOf(part, region).map(({ matrix }) => ({ skin: on(matrix, skin), bones: on(matrix, bones) }))
  const [x, y, w, h] = region.frame
  const corners = [[x, y], [x + w, y], [x + w, y + h], [x, y + h]] // prettier-ignore
  const frames = halvesOf(part, region).map(({ matrix }) => corners.map((p) => at(matrix, p)))
  return { part, frames, skin: halves.flatMap((one) => one.skin), bones: halves.flatMap((one) => one.bones) }
}

/**
 * How far apart skin and bones of two parts are where one goes over into the other: of each outline that runs through a seam the place
 * where it is worst.
 *
 * @param {object} view of the whole body
 * @param {(id: string) => object} regionOf
 * @returns {{ region: string, what: string, far: number, at: [number, number] }[]} far in thousandths of stature
 */
export function gaps(view, regionOf) {
  const all = view.parts.map((part) => laid(part, regionOf(part.region)))
  return view.parts.flatMap((part, n) => {
    const region = regionOf(part.region)
    const { matrix } = halvesOf(part, region).find((one) => !one.other)
    const [x0, y0, w, h] = region.frame
    const { skin, bones } = ringsOf(region)
    const others = all.filter((_, k) => k !== n)
    const over = all.slice(n + 1)
    const atSeam = (p) => {
      const q = at(matrix, p)
      const seen = share(part, ...q)
      if (seen < BOTH[0] || seen > BOTH[1]) return false
      if (p[0] < x0 + EDGE || p[1] < y0 + EDGE || p[0] > x0 + w - EDGE || p[1] > y0 + h - EDGE) return false
      if (region.midline !== undefined && (region.map?.side ?? 1) * (p[0] - region.midline) < EDGE) return false
      // where nothing else is drawn there is no seam: an arm shown alone ends
      if (!others.some((one) => one.frames.some((frame) => inside(q, frame)))) return false
      return !over.some((one) => share(one.part, ...q) >= COVERED && one.skin.some(({ ring }) => inside(q, ring)))
    }
    const gap = (what, points, rings) => {
      let [far, place] = [0, null]
      for (const p of points) {
        const q = at(matrix, p)
        const one = Math.min(...rings.map(({ ring }) => distanceTo(q, shut(ring))))
        if (one > far) [far, place] = [one, q]
      }
      return place ? [{ region: part.region, what, far, at: place }] : []
    }
    const deep = (p, k) => skin.some(({ ring }, j) => j !== k && inside(p, ring) && distanceTo(p, shut(ring)) > WITHIN)
    const outlines = skin.flatMap(({ ring }, k) => dotted(ring).filter((p) => atSeam(p) && !deep(p, k)))
    /** What is laid on another begins within it: there its outline goes on in nothing. */
    const begins = (p) => part.laid && at(matrix, p)[1] <= part.top[1]
    const astray = outlines
      .filter(begins)
      .map((p) => at(matrix, p))
      .find((q) => !others.some((one) => one.skin.some(({ ring }) => inside(q, ring))))
    const found = [
      ...(astray ? [{ region: part.region, what: 'skin, laid on nothing,', far: Infinity, at: astray }] : []),
      ...gap(
        'skin',
        outlines.filter((p) => !begins(p)),
        others.flatMap((one) => one.skin),
      ),
    ]
    const crossing = bones.flatMap(({ id, ring }) => {
      const same = others.flatMap((one) => one.bones.filter((bone) => bone.id === id))
      return same.length ? gap(id, dotted(ring).filter(atSeam), same) : []
    })
    return [...found, ...crossing]
  })
}

/** Seams that are seen. */
export const seams = (view, regionOf) =>
  gaps(view, regionOf)
    .filter(({ far }) => far > SEAM)
    .map(
      ({ region, what, far, at: [x, y] }) =>
        `${view.id}: ${what} of ${region} is ${far.toFixed(1)} units from what it goes on in, at ${Math.round(x)}, ${Math.round(y)}`,
    )
