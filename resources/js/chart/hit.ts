import { plateOf, zonePlace, type ViewId } from './art'

type Ring = [number, number][]
interface Shape {
  id: string
  part: string | undefined
  rings: Ring[]
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

const places = new Map<ViewId, Shape[]>()
const placesOf = (view: ViewId): Shape[] => {
  const known = places.get(view)
  const plate = plateOf(view)
  if (known || !plate) return known ?? []
  const list = plate.zones.map(({ id, part, d }) => ({ id, part, rings: ringsOf(d) }))
  places.set(view, list)
  return list
}

/** Reads the shapes of a view when there is time, before the first finger asks. */
export const prepareHits = (view: ViewId): void => {
  requestIdleCallback(() => placesOf(view), { timeout: 400 })
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
  zone: string
  muscle: string | null
  /** others within reach of the finger: nearest first */
  near: string[]
}
/**
 * The place under a point of the drawn half, or the nearest within reach.
 * @param reach how far a finger may be off, in units of the figure
 */
export const zoneAt = (view: ViewId, x: number, y: number, reach: number, without: readonly string[] = []): string | null => {
  const zones = placesOf(view).filter((one) => !one.part || !without.includes(one.part))
  return (
    zones.find((one) => nearBox(zonePlace(view, one.id)?.box, x, y, 0) && inside(one.rings, x, y))?.id ??
    zones
      .filter((one) => nearBox(zonePlace(view, one.id)?.box, x, y, reach))
      .map((one) => ({ id: one.id, off: distance(one.rings, x, y) }))
      .filter((one) => one.off <= reach)
      .sort((a, b) => a.off - b.off)[0]?.id ??
    null
  )
}
