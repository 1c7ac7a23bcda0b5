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
}
interface RawState {
  ids: string[]
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
  seen: RawState['seen']
}
export const regions = rawIndex as unknown as Region[]
export const regionOf = (id: string): Region => regions.find((one) => one.id === id) ?? (regions[0] as Region)

/** Where a muscle is seen, best first: of each region the state that shows most of it. */
export const sightsOf = (muscle: string): { region: Region; state: string; cells: number }[] =>
  regions
    .flatMap((region) => {
      const best = Object.entries(region.muscles[muscle] ?? {}).sort((a, b) => b[1] - a[1])[0]
      // regions are drawn at different sizes: the share of the picture tells how well it is seen
      return best ? [{ region, state: best[0], cells: best[1] / (region.box[2] * region.box[3]) }] : []
    })
    .sort((a, b) => b.cells - a.cells)

const loaders = import.meta.glob<{ cell: number; states: Record<string, RawState> }>(
  ['./art/dissection/*.generated.json', '!./art/dissection/index.generated.json'],
  { import: 'default' },
)
const loaded = shallowReactive(new Map<string, Record<string, Seen>>())
const asked = new Set<string>()
/** Fetches what is seen of a region once. */
export const loadSeen = async (region: string): Promise<void> => {
  if (asked.has(region)) return
  asked.add(region)
  try {
    const raw = await loaders[`./art/dissection/${region}.generated.json`]?.()
    if (!raw) return
    const states = Object.entries(raw.states).map(([id, { runs, ...state }]): [string, Seen] => {
      const total = runs.reduce((sum, n, k) => (k % 2 ? sum + n : sum), 0)
      const cells = new Uint16Array(total)
      for (let k = 0, at = 0; k < runs.length; k += 2) {
        const long = runs[k + 1] ?? 0
        cells.fill(runs[k] ?? 0, at, at + long)
        at += long
      }
      return [id, { ...state, cells, size: raw.cell }]
    })
    loaded.set(region, Object.fromEntries(states))
  } catch {
    // the connection dropped: who wants it next asks again
    asked.delete(region)
  }
}
export const seenOf = (region: string, state: string): Seen | undefined => loaded.get(region)?.[state]

/** What lies on top at a place, in units of the region; '' where nothing named is. */
export const partAt = (region: Region, seen: Seen, x: number, y: number): string => {
  const [column, row] = [Math.floor((x - region.box[0]) / seen.size), Math.floor((y - region.box[1]) / seen.size)]
  if (column < 0 || column >= seen.columns || row < 0) return ''
  return seen.ids[seen.cells[row * seen.columns + column] ?? 0] ?? ''
}

/** A part of the picture by its name: which muscle of the atlas it belongs to, and whether it is the mirrored one. */
export const partOf = (region: Region, name: string): { id: string; other: boolean; bone: boolean } => {
  const [id = '', other] = name.split(':')
  return { id: region.parts[id] ?? id, other: other !== undefined, bone: id.startsWith('bone.') }
}
export const isOf = (region: Region, name: string, muscle: MuscleId): boolean => partOf(region, name).id === muscle

/** Left, top, width and height of all that is wanted, in units of the region; null where none of it is seen. */
export const boundsOf = (
  { cells, columns, size, ids }: Seen,
  [left, top]: Region['box'],
  wanted: (name: string) => boolean,
): Region['box'] | null => {
  const is = ids.map((name) => name !== '' && wanted(name))
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity]
  cells.forEach((id, k) => {
    if (!is[id]) return
    const [x, y] = [k % columns, Math.floor(k / columns)]
    ;[x0, y0, x1, y1] = [Math.min(x0, x), Math.min(y0, y), Math.max(x1, x + 1), Math.max(y1, y + 1)]
  })
  return x1 < x0 ? null : [left + x0 * size, top + y0 * size, (x1 - x0) * size, (y1 - y0) * size]
}

const PASSES = 4
/** The border of all that is wanted, round its cells and smoothed, as a path in units of the region. */
export const outline = ({ cells, columns, size, ids }: Seen, [left, top]: Region['box'], wanted: (name: string) => boolean): string => {
  const is = ids.map((name) => name !== '' && wanted(name))
  const rows = cells.length / columns
  const at = (row: number, column: number): boolean =>
    row >= 0 && row < rows && column >= 0 && column < columns && is[cells[row * columns + column] ?? 0] === true
  // the borders of cells, each with the inside at its right hand, from corner to corner
  const wide = columns + 1
  const onward = new Map<number, number[]>()
  const go = (from: number, to: number) => void onward.set(from, [...(onward.get(from) ?? []), to])
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      if (!at(row, column)) continue
      const corner = row * wide + column
      if (!at(row - 1, column)) go(corner, corner + 1)
      if (!at(row, column + 1)) go(corner + 1, corner + 1 + wide)
      if (!at(row + 1, column)) go(corner + 1 + wide, corner + wide)
      if (!at(row, column - 1)) go(corner + wide, corner)
    }
  type Point = [number, number]
  let d = ''
  for (const start of onward.keys()) {
    let ring: Point[] = []
    for (let corner = start; onward.get(corner)?.length;) {
      ring.push([left + (corner % wide) * size, top + Math.floor(corner / wide) * size])
      corner = onward.get(corner)?.pop() ?? start
    }
    if (ring.length < 8) continue
    for (let pass = 0; pass < PASSES; pass++)
      ring = ring.map(([x, y], k, all): Point => {
        const before: Point = all[(k + all.length - 1) % all.length] ?? [x, y]
        const after: Point = all[(k + 1) % all.length] ?? [x, y]
        return [(before[0] + 2 * x + after[0]) / 4, (before[1] + 2 * y + after[1]) / 4]
      })
    d += `M${ring.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`
  }
  return d
}
