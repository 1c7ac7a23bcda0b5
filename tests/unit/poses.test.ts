import { readdirSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import setups from '../../core/data/setups.json'
import selfCare from '../../core/data/self_care.json'
import positions from '../../core/data/positions.json'
import tools from '../../core/data/tools.json'
import { FILLED, isDrawn, isTurned, loadPose } from '@/chart/poses'

const ids = (list: { id: string }[], kind: string): string[] => list.map(({ id }) => `${kind}.${id}`)
const known = new Set([
  ...ids(setups.setups, 'setup'),
  ...ids(selfCare.self_care, 'home'),
  ...ids(selfCare.self_care, 'home').map((id) => `${id}.start`),
  ...ids(positions.positions, 'position'),
  ...ids(tools.tools, 'tool'),
])
const drawn = readdirSync('resources/js/chart/art/poses').map((name) => name.replace(/\.json$/, ''))

describe('drawings of how somebody lies, of hands and of exercises', () => {
  test('each is of something the data know, lies in its box and is drawn with lines', async () => {
    expect(drawn.filter((id) => !known.has(id))).toEqual([])
    for (const id of drawn) {
      const pose = await loadPose(id)
      expect(pose?.line, id).toMatch(/^M/)
      expect(
        FILLED.some((part) => pose?.[part]),
        id,
      ).toBe(true)
      expect(pose?.w, id).toBeGreaterThan(200)
      for (const part of [...FILLED, 'line', 'soft', 'hair', 'arrow'] as const)
        expect(pose?.[part] ?? '', `${id} ${part}`).not.toMatch(/[^MmLlCcSsHhVvZz\d\s.,-]/)
    }
  })

  test('every exercise is drawn; what moves is drawn where it begins as well, in the same size', async () => {
    for (const { id, kind } of selfCare.self_care) {
      expect(isDrawn(`home.${id}`), id).toBe(true)
      // what is held or rubbed in one place has one drawing
      if (kind === 'habit' || kind === 'release') continue
      const [start, end] = await Promise.all([loadPose(`home.${id}.start`), loadPose(`home.${id}`)])
      expect(start, id).not.toBeNull()
      expect([start?.w, start?.h], id).toEqual([end?.w, end?.h])
      expect(start?.line, id).not.toBe(end?.line)
    }
  })

  test('every position is drawn, the left side as the mirror of the right', async () => {
    for (const id of ids(positions.positions, 'position')) expect(isDrawn(id), id).toBe(true)
    expect(isTurned('position.side_left', undefined)).toBe(true)
    expect(isTurned('position.side_right', undefined)).toBe(false)
    expect(await loadPose('position.side_left')).toEqual(await loadPose('position.side_right'))
  })

  test('a limb of the other side is shown by the mirror, and what has no side is not turned', () => {
    expect([isTurned('setup.leg_over_edge', 'right'), isTurned('setup.leg_over_edge', 'left')]).toEqual([false, true])
    expect([isTurned('setup.top_leg_on_bolster', 'left'), isTurned('setup.top_leg_on_bolster', 'right')]).toEqual([false, true])
    expect(isTurned('setup.jaw_slack', 'left')).toBe(false)
    expect(isTurned('setup.head_turned', undefined)).toBe(false)
    expect(isTurned('tool.thumb', 'left')).toBe(false)
    expect(isDrawn('setup.no_such')).toBe(false)
  })

  test('most set-ups are drawn, with their side', () => {
    const here = ids(setups.setups, 'setup').filter(isDrawn)
    expect(here.length).toBeGreaterThan(20)
    const sided = here.filter((id) => !['setup.head_tipped_forward', 'setup.jaw_slack'].includes(id))
    for (const id of sided) expect(isTurned(id, 'left'), id).not.toBe(isTurned(id, 'right'))
  })
})
