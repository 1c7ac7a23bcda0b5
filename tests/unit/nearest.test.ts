import { describe, expect, it } from 'vitest'
import { nearOfZone, nears, viewIn, zoneOfView } from '@/chart/art'
import { atlas } from '@/chart/atlas'
import type { ZoneId } from '@/types/ids.generated'

/** Where Feel opens: on the region the complaint lies in, not on the upper body for a thumb. */
describe('the window a zone is shown in', () => {
  it.each([
    ['back', 'neck_back', 'neck'],
    ['front', 'thumb', 'hand'],
    ['back', 'hand_back', 'hand'],
    ['back', 'forearm_back', 'forearm'],
    ['back', 'low_back', 'hips'],
    ['front', 'knee_front', 'knee'],
    ['front', 'cheek', 'head'],
  ] as const)('%s, %s: %s', (view, zone, near) => {
    expect(nearOfZone(view, zone)).toBe(near)
  })

  it('is one that shows the view, for every zone that is drawn', () => {
    for (const { id } of atlas.zones) {
      const view = zoneOfView('back', id as ZoneId) ? 'back' : 'front'
      const near = nearOfZone(view, id as ZoneId)
      expect(viewIn(near, view), `${id} in ${nears[near].name}`).toBe(view)
    }
  })
})
