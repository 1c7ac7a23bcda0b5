import { shallowReactive } from 'vue'
import type { MuscleId } from '@/types/ids.generated'
import rawIndex from './art/dissection/index.generated.json'

/** A part of the body as it is dissected, state by state, what lies over taken away. */
export interface Region {
  id: string
  name: string
  short: string
  /** regions beside it */
  next: string[]
  /** left, top, width and height */
  box: [number, number, number, number]
  /** null where one side alone is drawn */
  midline: number | null
  view: string
  /** each with what is taken away, and whether nerves and vessels are drawn in it */
  states: { id: string; what: string; nerves: boolean }[]
  /** of each muscle how many cells are seen in a state */
  muscles: Record<string, Record<string, number>>
  /** muscles of the atlas that are drawn under another name, or in several parts */
  parts: Record<string, string>
  /** shapes that show a part of a muscle that can be told apart */
  finer: Record<string, string>
}
interface RawState {
  cell: number
  ids: string[]
  /** of each of them what it is made of */
  kinds: string
  columns: number
  runs: number[]
  seen: Record<string, { at: [number, number]; cells: number }>
}
export interface Seen {
  /** the cell a unit lies in is asked of `partAt` */
  cells: Uint16Array
  columns: number
  size: number
  ids: string[]
  kinds: string
  seen: RawState['seen']
}
export const regions = rawIndex as unknown as Region[]
export const regionOf = (id: string): Region => regions.find((one) => one.id === id) ?? (regions[0] as Region)

/** Of the most that any state shows of a muscle, so much is seen well. */
const WELL = 0.6
/** The first state of a region that shows a muscle well. */
export const sightOf = (region: Region, muscle: string): string | undefined => {
  const seen = region.muscles[muscle] ?? {}
  const most = Math.max(0, ...Object.values(seen))
  return region.states.find((one) => (seen[one.id] ?? 0) > 0 && (seen[one.id] ?? 0) >= WELL * most)?.id
}

/** Where a muscle is seen, best first: of each region the state that shows most of it. */
export const sightsOf = (muscle: string): { region: Region; state: string; cells: number }[] =>
  regions
    .flatMap((region) => {
      const best = Object.entries(region.muscles[muscle] ?? {}).sort((a, b) => b[1] - a[1])[0]
      // regions are drawn at different sizes: the share of the picture tells how well it is seen
      return best ? [{ region, state: best[0], cells: best[1] / (region.box[2] * region.box[3]) }] : []
    })
    .sort((a, b) => b.cells - a.cells)

const loaders = import.meta.glob<RawState>(['./art/dissection/*.generated.json', '!./art/dissection/index.generated.json'], {
  import: 'default',
})
const loaded = shallowReactive(new Map<string, Seen>())
const asked = new Map<string, Promise<void>>()
const fetchSeen = async (name: string): Promise<void> => {
  try {
    const raw = await loaders[`./art/dissection/${name}.generated.json`]?.()
    if (!raw) return
    const { runs, ids, kinds, columns, seen } = raw
    const cells = new Uint16Array(runs.reduce((sum, n, k) => (k % 2 ? sum + n : sum), 0))
    for (let k = 0, at = 0; k < runs.length; k += 2) {
      const long = runs[k + 1] ?? 0
      cells.fill(runs[k] ?? 0, at, at + long)
      at += long
    }
    loaded.set(name, { cells, columns, size: raw.cell, ids, kinds, seen })
  } catch {
    // the connection dropped: who wants it next asks again
    asked.delete(name)
  }
}
/** Fetches what is seen of a region in a state, once; done when it is there, or when it cannot be had. */
export const loadSeen = (region: string, state: string): Promise<void> => {
  const name = `${region}.${state}`
  const begun = asked.get(name) ?? fetchSeen(name)
  asked.set(name, begun)
  return begun
}
export const seenOf = (region: string, state: string): Seen | undefined => loaded.get(`${region}.${state}`)

/** What lies on top at a place, in units of the region; '' where nothing named is. */
export const partAt = (region: Region, seen: Seen, x: number, y: number): string => {
  const [column, row] = [Math.floor((x - region.box[0]) / seen.size), Math.floor((y - region.box[1]) / seen.size)]
  if (column < 0 || column >= seen.columns || row < 0) return ''
  return seen.ids[seen.cells[row * seen.columns + column] ?? 0] ?? ''
}

/**
 * A part of the picture by its name: which muscle of the atlas it belongs to, which part of that where one can be told apart, and whether
 * it is the mirrored one.
 */
export const partOf = (region: Region, name: string): { id: string; part: string | undefined; other: boolean; bone: boolean } => {
  const [id = '', other] = name.split(':')
  return { id: region.parts[id] ?? id, part: region.finer[id], other: other !== undefined, bone: id.startsWith('bone.') }
}
export const isOf = (region: Region, name: string, muscle: MuscleId): boolean => {
  const { id, part } = partOf(region, name)
  return id === muscle || part === muscle
}

/**
 * Muscles under a finger: the one that is seen there, or else the nearest that is; and the others within reach, nearest first.
 *
 * @param reach how far a finger may be off, in units of the region
 */
export const musclesAt = (
  region: Region,
  seen: Seen,
  [x, y]: readonly [number, number],
  reach: number,
  isMuscle: (id: string) => boolean,
): { muscle: string | null; near: string[] } => {
  const own = partOf(region, partAt(region, seen, x, y)).id
  const off = new Map<string, number>(isMuscle(own) ? [[own, -1]] : [])
  const steps = Math.ceil(reach / seen.size)
  for (let row = -steps; row <= steps; row++)
    for (let column = -steps; column <= steps; column++) {
      const far = Math.hypot(row, column) * seen.size
      if (far > reach) continue
      const { id } = partOf(region, partAt(region, seen, x + column * seen.size, y + row * seen.size))
      if (isMuscle(id) && far < (off.get(id) ?? Infinity)) off.set(id, far)
    }
  const [first, ...others] = [...off].sort((a, b) => a[1] - b[1]).map(([id]) => id)
  return { muscle: first ?? null, near: others }
}

/**
 * Where names of a picture may point, from its centre: of each muscle its deepest spot on this half, and on the other where it is seen
 * there too.
 *
 * @param least cells it has to show
 * @param apart whether parts that can be told apart have names of their own
 */
export const spotsOf = (
  region: Region,
  seen: Seen,
  nameOf: (muscle: string) => string | undefined,
  centre: number,
  least: number,
  apart = false,
): { text: string; at: [number, number]; over: [number, number] }[] => {
  const once = new Map<string, { text: string; at: [number, number]; over: [number, number]; cells: number }>()
  for (const [name, { at, cells }] of Object.entries(seen.seen)) {
    const of = partOf(region, name)
    const id = (apart && of.part) || of.id
    const text = nameOf(id)
    if (!text || cells < least) continue
    const point: [number, number] = [at[0] - centre, at[1]]
    const kept = once.get(id)
    if (!kept) once.set(id, { text, at: point, over: point, cells })
    else if (point[0] >= 0 !== kept.at[0] >= 0) kept.over = point
    else if (cells > kept.cells) Object.assign(kept, { at: point, cells })
  }
  return [...once.values()]
}

/** Left, top, width and height of all that is wanted, in units of the region; null where none of it is seen. */
export const boundsOf = (seen: Seen, [left, top]: Region['box'], wanted: (name: string) => boolean): Region['box'] | null => {
  const reach = reachOf(
    seen,
    seen.ids.map((name) => name !== '' && wanted(name)),
  )
  if (!reach) return null
  const [x0, y0, x1, y1] = reach
  return [left + x0 * seen.size, top + y0 * seen.size, (x1 - x0 + 1) * seen.size, (y1 - y0 + 1) * seen.size]
}

type Point = [number, number]
/** Borders of cells by where each begins, the inside at its right hand, from corner to corner. */
type Borders = Map<number, number[]>
const PASSES = 4
const LEAST_RING = 8
/** Rings of borders, smoothed, in units of the region. */
const ringsOf = (onward: Borders, { columns, size }: Seen, [left, top]: Region['box']): Point[][] => {
  const wide = columns + 1
  const rings: Point[][] = []
  for (const start of onward.keys()) {
    let ring: Point[] = []
    for (let corner = start; onward.get(corner)?.length;) {
      ring.push([left + (corner % wide) * size, top + Math.floor(corner / wide) * size])
      corner = onward.get(corner)?.pop() ?? start
    }
    if (ring.length < LEAST_RING) continue
    for (let pass = 0; pass < PASSES; pass++)
      ring = ring.map(([x, y], k, all): Point => {
        const before: Point = all[(k + all.length - 1) % all.length] ?? [x, y]
        const after: Point = all[(k + 1) % all.length] ?? [x, y]
        return [(before[0] + 2 * x + after[0]) / 4, (before[1] + 2 * y + after[1]) / 4]
      })
    rings.push(ring)
  }
  return rings
}
/** First and last column and row of each name by its place among the names: read once. */
type Reach = [number, number, number, number]
const reaches = new WeakMap<Seen, Reach[]>()
const reachesOf = (seen: Seen): Reach[] => {
  const known = reaches.get(seen)
  if (known) return known
  const all = seen.ids.map((): Reach => [Infinity, Infinity, -1, -1])
  for (let k = 0, column = 0, row = 0; k < seen.cells.length; k++) {
    const of = all[seen.cells[k] ?? 0]
    if (of) {
      if (column < of[0]) of[0] = column
      if (column > of[2]) of[2] = column
      if (row < of[1]) of[1] = row
      of[3] = row
    }
    if (++column === seen.columns) [column, row] = [0, row + 1]
  }
  reaches.set(seen, all)
  return all
}
/** Where any of those that are wanted lies; null where none does. */
const reachOf = (seen: Seen, is: readonly boolean[]): Reach | null => {
  const [x0, y0, x1, y1] = reachesOf(seen).reduce(
    (all, one, id): Reach =>
      is[id] ? [Math.min(all[0], one[0]), Math.min(all[1], one[1]), Math.max(all[2], one[2]), Math.max(all[3], one[3])] : all,
    [Infinity, Infinity, -1, -1] as Reach,
  )
  return x1 < x0 ? null : [x0, y0, x1, y1]
}

/** The borders between cells of one kind and the others, for each kind that is wanted. */
const bordersOf = ({ cells, columns }: Seen, [first, top, last, foot]: Reach, kindOf: (id: number) => number): Map<number, Borders> => {
  const rows = cells.length / columns
  const wide = columns + 1
  const all = new Map<number, Borders>()
  const kindAt = (k: number): number => kindOf(cells[k] ?? 0)
  const go = (kind: number, from: number, to: number): void => {
    let of = all.get(kind)
    if (!of) all.set(kind, (of = new Map()))
    const known = of.get(from)
    if (known) known.push(to)
    else of.set(from, [to])
  }
  for (let row = top; row <= foot; row++)
    for (let column = first; column <= last; column++) {
      const k = row * columns + column
      const kind = kindAt(k)
      if (kind < 0) continue
      const corner = row * wide + column
      if (row === 0 || kindAt(k - columns) !== kind) go(kind, corner, corner + 1)
      if (column === columns - 1 || kindAt(k + 1) !== kind) go(kind, corner + 1, corner + 1 + wide)
      if (row === rows - 1 || kindAt(k + columns) !== kind) go(kind, corner + 1 + wide, corner + wide)
      if (column === 0 || kindAt(k - 1) !== kind) go(kind, corner + wide, corner)
    }
  return all
}

/** The border of all that is wanted, round its cells and smoothed, as a path in units of the region. */
export const outline = (seen: Seen, box: Region['box'], wanted: (name: string) => boolean): string => {
  const is = seen.ids.map((name) => name !== '' && wanted(name))
  const reach = reachOf(seen, is)
  const borders = reach && bordersOf(seen, reach, (id) => (is[id] ? 0 : -1)).get(0)
  if (!borders) return ''
  return ringsOf(borders, seen, box)
    .map((ring) => `M${ring.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`)
    .join('')
}

/** The border of each name by itself: rings by the place of the name among the names. */
export const outlines = (seen: Seen, box: Region['box']): Map<number, Point[][]> =>
  new Map(
    [...bordersOf(seen, [0, 0, seen.columns - 1, seen.cells.length / seen.columns - 1], (id) => id || -1)].map(([id, borders]) => [
      id,
      ringsOf(borders, seen, box),
    ]),
  )
