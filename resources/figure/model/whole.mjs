// The whole body put together from its regions: where each lies on it, and how far it reaches before its neighbour takes over. All of it
// in thousandths of stature, x from the midline to the viewer's right, y from the crown down.

import { axisOf } from './paint.mjs'

/** @typedef {[number, number, number, number, number, number]} Matrix as a canvas takes it */

/**
 * From the frame of a region to the body: by its map, or by two places of it that are pinned to two of the body.
 *
 * @returns {Matrix}
 */
export function placed({ map, pins }) {
  if (!pins) return [1 / map.scale, 0, 0, 1 / map.scale, -map.x / map.scale, 1000 - map.top]
  const [[[x0, y0], [u0, v0]], [[x1, y1], [u1, v1]]] = pins
  const [dx, dy, du, dv] = [x1 - x0, y1 - y0, u1 - u0, v1 - v0]
  const size = dx * dx + dy * dy
  const [a, b] = [(du * dx + dv * dy) / size, (dv * dx - du * dy) / size]
  return [a, b, -b, a, u0 - a * x0 + b * y0, v0 - b * x0 - a * y0]
}

/**
 * The place of the other side of a region, whose data are mirrored about an axis of its frame.
 *
 * @param {Matrix} matrix
 * @returns {Matrix}
 */
export const placedOther = ([a, b, c, d, e, f], axis) => [a, -b, -c, d, -(2 * axis * a + e), 2 * axis * b + f]

/**
 * How much lower a part ends at a place than where it ends at the side: a line from point to point, and level beyond.
 *
 * @param {[number, number][] | undefined} lower from the midline outward
 */
export function drop(lower, x) {
  if (!lower) return 0
  const far = Math.abs(x)
  const k = lower.findIndex(([at]) => at > far)
  if (k < 1) return k === 0 ? lower[0][1] : lower.at(-1)[1]
  const [[x0, y0], [x1, y1]] = [lower[k - 1], lower[k]]
  return y0 + ((y1 - y0) * (far - x0)) / (x1 - x0)
}

/**
 * How much of a part is seen at a place: it fades where its neighbour, painted before it, goes on; nearer to the midline than `within`
 * where that is told. Farther out and lower than `without` nothing is seen of it.
 *
 * @param {{ top?: [number, number], foot?: [number, number], lower?: [number, number][], within?: number, without?: [number, number] }}
 *   part
 */
export function share({ top, foot, lower, within = Infinity, without }, x, y) {
  const rise = (from, to) => Math.max(0, Math.min(1, (y - from) / (to - from)))
  if (without && Math.abs(x) > without[0] && y > without[1]) return 0
  return (top ? rise(...top) : 1) * (foot && Math.abs(x) < within ? 1 - rise(...foot.map((at) => at + drop(lower, x))) : 1)
}

/**
 * The halves of a part as they are painted: which side's data, and where that lies on the body.
 *
 * @returns {{ other: boolean, matrix: Matrix }[]}
 */
export function halvesOf(part, region) {
  const own = placed({ map: part.map ?? region.map, pins: part.pins })
  const sides = region.midline === undefined ? [true, false] : [false]
  return sides.map((other) => ({ other, matrix: other ? placedOther(own, axisOf(region)) : own }))
}
