import { throughSkin } from './drawing'
import { musclePlace, plateOf, zonePlace, type ViewId } from './art'

type Ring = [number, number][]
interface Shape {
  id: string
  layer: number
  rings: Ring[]
}
interface Solid {
  parts: { id: string; soft: boolean; rings: Ring[]; muscles: Shape[] }[]
  zones: (Shape & { part?: string | undefined })[]
}

/** Numbers of a path of straight lines, or the ends of its curves: near enough for a finger on a part. */
const ringsOf = (d: string): Ring[] =>
  d
    .split('M')
    .filter(Boolean)
    .map((text) => {
      const ring: Ring = []
      for (const [, command, body] of `M${text}`.matchAll(/([MLC])([^MLCZ]*)/g)) {
        const numbers = (body ?? '').match(/-?[\d.]+/g)?.map(Number) ?? []
        if (command === 'C') {
          const from = ring[ring.length - 1] ?? [0, 0]
          const [ax = 0, ay = 0, bx = 0, by = 0, x = 0, y = 0] = numbers
          for (let n = 1; n <= 6; n++) {
            const t = n / 6
            const u = 1 - t
            ring.push([
              u * u * u * from[0] + 3 * u * u * t * ax + 3 * u * t * t * bx + t * t * t * x,
              u * u * u * from[1] + 3 * u * u * t * ay + 3 * u * t * t * by + t * t * t * y,
            ])
          }
        } else for (let n = 0; n + 1 < numbers.length; n += 2) ring.push([numbers[n] ?? 0, numbers[n + 1] ?? 0])
      }
      return ring
    })

const solids = new Map<ViewId, Solid>()
const solidOf = (view: ViewId): Solid | undefined => {
  const known = solids.get(view)
  const plate = plateOf(view)
  if (known || !plate) return known
  const shape = (id: string, layer: number, d: string): Shape => ({ id, layer, rings: ringsOf(d) })
  const solid = {
    parts: plate.parts.map((part) => ({
      id: part.id,
      soft: part.soft,
      rings: ringsOf(part.skin),
      muscles: part.muscles.map((one) => shape(one.id, one.layer, one.d)),
    })),
    zones: plate.zones.map((one) => ({ ...shape(one.id, 0, one.d), part: one.part })),
  }
  solids.set(view, solid)
  return solid
}

/** Reads the shapes of a view when there is time, before the first finger asks. */
export const prepareHits = (view: ViewId): void => {
  requestIdleCallback(() => solidOf(view), { timeout: 400 })
}

const inRing = (ring: Ring, x: number, y: number): number => {
  let winding = 0
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const [xi = 0, yi = 0] = ring[i] ?? []
    const [xj = 0, yj = 0] = ring[j] ?? []
    if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) winding += yj > yi ? 1 : -1
  }
  return winding
}
/** Inside by the rule by which the shapes are filled. */
const inside = (rings: Ring[], x: number, y: number): boolean => rings.reduce((sum, ring) => sum + inRing(ring, x, y), 0) !== 0
const distance = (rings: Ring[], x: number, y: number): number => {
  let least = Infinity
  for (const ring of rings) {
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
      const [ax = 0, ay = 0] = ring[j] ?? []
      const [bx = 0, by = 0] = ring[i] ?? []
      const [dx, dy] = [bx - ax, by - ay]
      const t = Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)))
      least = Math.min(least, Math.hypot(ax + dx * t - x, ay + dy * t - y))
    }
  }
  return least
}
const nearBox = (box: readonly number[] | undefined, x: number, y: number, reach: number): boolean =>
  !!box && x >= (box[0] ?? 0) - reach && x <= (box[2] ?? 0) + reach && y >= (box[1] ?? 0) - reach && y <= (box[3] ?? 0) + reach

export interface Hit {
  zone: string | null
  muscle: string | null
  /** others of the layer in front, or just under it, within reach of the finger: nearest first */
  near: string[]
}
/**
 * What lies under a point of the drawn half, with a layer in front.
 * @param reach how far a finger may be off, in units of the figure
 */
export const hitAt = (view: ViewId, x: number, y: number, depth: number, reach: number, without: readonly string[] = []): Hit => {
  const solid = solidOf(view)
  if (!solid) return { zone: null, muscle: null, near: [] }
  const zones = solid.zones.filter((one) => !one.part || !without.includes(one.part))
  const zone =
    zones.find((one) => nearBox(zonePlace(view, one.id)?.box, x, y, 0) && inside(one.rings, x, y))?.id ??
    zones
      .filter((one) => nearBox(zonePlace(view, one.id)?.box, x, y, reach))
      .map((one) => ({ id: one.id, off: distance(one.rings, x, y) }))
      .filter((one) => one.off <= reach)
      .sort((a, b) => a.off - b.off)[0]?.id ??
    null
  const part = [...solid.parts].reverse().find((one) => !without.includes(one.id) && inside(one.rings, x, y))
  if (!part) return { zone, muscle: null, near: [] }
  const around = part.muscles
    .filter(
      (one) => one.layer >= depth && (!part.soft || throughSkin(one.layer, depth)) && nearBox(musclePlace(view, one.id)?.box, x, y, reach),
    )
    .map((one, order) => ({ id: one.id, layer: one.layer, order, off: inside(one.rings, x, y) ? 0 : distance(one.rings, x, y) }))
    .filter((one) => one.off <= reach)
    // what lies in front first: the shallowest layer, and of one layer what is drawn last
    .sort((a, b) => a.layer - b.layer || b.order - a.order)
  const muscle = (around.find((one) => one.off === 0) ?? [...around].sort((a, b) => a.off - b.off)[0])?.id ?? null
  return {
    zone,
    muscle,
    near: around
      .filter((one) => one.id !== muscle)
      .sort((a, b) => a.layer - b.layer || a.off - b.off)
      .map((one) => one.id),
  }
}
