import { describe, expect, test } from 'vitest'
import { boundsOf, loadSeen, outline, partAt, partOf, regionOf, regions, seenOf, sightsOf, type Seen } from '@/chart/dissection'

const loaded = async (region: string, state: string): Promise<Seen> => {
  await loadSeen(region, state)
  const seen = seenOf(region, state)
  if (!seen) throw new Error(`${region} ${state} is not there`)
  return seen
}

describe('what is seen of a dissected region', () => {
  test('a touch on the spot of every name of every state reaches that name', async () => {
    let spots = 0
    for (const region of regions)
      for (const { id } of region.states) {
        const seen = await loaded(region.id, id)
        expect(seen.cells.length % seen.columns, region.id).toBe(0)
        for (const [name, { at, cells }] of Object.entries(seen.seen)) {
          expect(partAt(region, seen, ...at), `${region.id} ${id} ${name}`).toBe(name)
          expect(cells).toBeGreaterThan(0)
          spots++
        }
      }
    expect(spots).toBeGreaterThan(2000)
  })

  test('what is drawn in several parts is one muscle, and the other half is told apart', () => {
    const leg = regionOf('leg-back')
    expect(partOf(leg, 'gastrocnemius_medial')).toEqual({ id: 'gastrocnemius', other: false, bone: false })
    expect(partOf(regionOf('hip-back'), 'piriformis:other')).toEqual({ id: 'piriformis', other: true, bone: false })
    expect(partOf(leg, 'bone.tibia').bone).toBe(true)
  })

  test('a muscle opens where it is seen best: the one under another not at the surface', async () => {
    const [best] = sightsOf('piriformis')
    expect(best?.region.id).toBe('hip-back')
    expect(best?.state).not.toBe('1')
    expect(sightsOf('gluteus_maximus')[0]).toMatchObject({ state: '1' })
    expect(sightsOf('no_muscle')).toEqual([])
    const cells = (state: string): number => regionOf('hip-back').muscles['piriformis']?.[state] ?? 0
    expect(regionOf('hip-back').states.every((state) => cells(state.id) <= cells(best?.state ?? ''))).toBe(true)
  })

  test('nothing is reached beside the picture', async () => {
    const region = regionOf('hip-back')
    const seen = await loaded('hip-back', '1')
    const [x, y, w, h] = region.box
    for (const at of [
      [x - 1, y + 9],
      [x + w + 3, y + 9],
      [x + 9, y - 1],
      [x + 9, y + h + 3],
    ] as const)
      expect(partAt(region, seen, ...at)).toBe('')
  })

  test('a border runs round the cells it is of, holes too', () => {
    const cells = new Uint16Array(100)
    for (let row = 2; row < 8; row++) for (let column = 1; column < 7; column++) cells[row * 10 + column] = 1
    for (const k of [44, 45, 54, 55]) cells[k] = 0
    const seen: Seen = { cells, columns: 10, size: 2, ids: ['', 'a'], kinds: '60', seen: {} }
    const d = outline(seen, [100, 200, 20, 20], (name) => name === 'a')
    expect(d.match(/M/g)).toHaveLength(2)
    const xs = [...d.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map((one) => [Number(one[1]), Number(one[2])] as const)
    for (const [x, y] of xs) {
      expect(x).toBeGreaterThanOrEqual(102)
      expect(x).toBeLessThanOrEqual(114)
      expect(y).toBeGreaterThanOrEqual(204)
      expect(y).toBeLessThanOrEqual(216)
    }
    expect(outline(seen, [100, 200, 20, 20], () => false)).toBe('')
    expect(boundsOf(seen, [100, 200, 20, 20], (name) => name === 'a')).toEqual([102, 204, 12, 12])
    expect(boundsOf(seen, [100, 200, 20, 20], () => false)).toBeNull()
  })
})
