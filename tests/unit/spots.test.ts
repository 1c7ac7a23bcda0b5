import { readFileSync } from 'node:fs'
import { describe, expect, test, vi } from 'vitest'
import { loadSeen, partAt, partOf, regions, seenOf } from '@/chart/dissection'
import type { MuscleId } from '@/types/ids.generated'

vi.mock('@inertiajs/vue3', () => ({ usePage: () => ({ props: {} }) }))
const { placesOfSpots: numbered, viewOfSpots } = await import('@/chart/spots')
const { placesOfSpots } = (await import('../../resources/figure/model/spots.mjs')) as {
  placesOfSpots: (
    cells: [number, number][],
    line: [[number, number], [number, number]] | null,
    spots: { id: string; along: number; across: number }[],
  ) => Record<string, [number, number]>
}
const read = <T>(path: string): T => JSON.parse(readFileSync(path, 'utf8')) as T
const told = read<{ muscles: { muscle: MuscleId; spots: { id: string }[] }[] }>('core/data/spots.json').muscles
const placed = read<Record<string, Record<string, Record<string, [number, number]>>>>('resources/js/chart/spots.generated.json')
const wholes = new Map(
  read<{ muscles: { id: string; whole: string | null }[] }>('resources/js/chart/atlas.generated.json').muscles.map((one) => [
    one.id,
    one.whole,
  ]),
)

describe('where spots lie', () => {
  // a strap 10 to 20 from the midline, from 0 down to 100
  const strap: [number, number][] = []
  for (let x = 10.5; x < 20; x++) for (let y = 0.5; y < 100; y++) strap.push([x, y])
  const spots = [
    { id: 'top', along: 0, across: 0 },
    { id: 'inner', along: 0.5, across: -1 },
    { id: 'outer', along: 0.5, across: 1 },
    { id: 'low', along: 0.9, across: 0 },
  ]

  test('along from the upper end, across from the inner edge', () => {
    const at = placesOfSpots(strap, [[15, 0], [15, 100]], spots) // prettier-ignore
    expect(at['top']?.[1]).toBeLessThan(2)
    expect(at['low']?.[1]).toBeCloseTo(90, -1)
    expect(at['inner']?.[0]).toBeLessThan(13)
    expect(at['outer']?.[0]).toBeGreaterThan(17)
    expect(at['inner']?.[1]).toBeCloseTo(50, -1)
  })

  test('without landmarks along its longest way, from above', () =>
    expect(placesOfSpots(strap, null, spots)).toEqual(placesOfSpots(strap, [[15, 0.5], [15, 99.5]], spots))) // prettier-ignore

  test('a line that is longer than what is drawn ends on what is drawn', () => {
    const at = placesOfSpots(strap, [[15, -50], [15, 150]], spots) // prettier-ignore
    for (const place of Object.values(at)) expect(strap).toContainEqual(place)
  })

  test('the line runs upward as well: inner stays inner', () => {
    const at = placesOfSpots(strap, [[15, 100], [15, 0]], spots) // prettier-ignore
    expect(at['top']?.[1]).toBeGreaterThan(98)
    expect(at['inner']?.[0]).toBeLessThan(13)
  })
})

test('every spot the atlas tells lies on its muscle, in each view that shows the muscle', async () => {
  let count = 0
  for (const { muscle, spots } of told) {
    const views = Object.entries(placed[muscle] ?? {})
    expect(views.length, muscle).toBeGreaterThan(0)
    for (const [view, places] of views) {
      expect(Object.keys(places).sort(), `${muscle}, ${view}`).toEqual(spots.map(({ id }) => id).sort())
      const drawn = regions.filter((one) => one.view === view && one.midline === 0 && one.muscles[muscle])
      const seen = await Promise.all(
        drawn.flatMap((one) =>
          one.states.map(async ({ id }) => {
            await loadSeen(one.id, id)
            return { one, seen: seenOf(one.id, id) }
          }),
        ),
      )
      for (const [spot, [x, y]] of Object.entries(places)) {
        count++
        const there = seen.some(({ one, seen: map }) => {
          if (!map) return false
          const { id, part } = partOf(one, partAt(one, map, x, y))
          return id === muscle || part === muscle || wholes.get(part ?? '') === muscle
        })
        expect(there, `${muscle}, ${view}, ${spot}`).toBe(true)
      }
    }
  }
  expect(count).toBeGreaterThan(600)
})

test('a step opens where all its spots are seen, numbered in the order of the hands, each once', () => {
  expect(viewOfSpots('infraspinatus', ['middle'])).toBeUndefined()
  const [first, second] = told.find((one) => one.muscle === 'infraspinatus')?.spots.map(({ id }) => id) ?? []
  const view = viewOfSpots('infraspinatus', [first ?? '', second ?? ''])
  expect(view).toBe('back')
  expect(numbered('back', 'infraspinatus', [second ?? '', first ?? '', second ?? '']).map(({ id, key }) => [id, key])).toEqual([
    [second, '1'],
    [first, '2'],
  ])
})
