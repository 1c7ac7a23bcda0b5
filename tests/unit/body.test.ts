import { describe, expect, it } from 'vitest'
import { musclePlace } from '@/chart/art'
import { regionOf } from '@/chart/dissection'
import { bodyOf } from '@/chart/useBody'

describe('the profiles, put together with the arms and without', () => {
  it('are what a window leaves of them', () => {
    expect(bodyOf('sides')).toBe('whole-sides')
    expect(bodyOf('sides', ['arm'])).toBe('sides-body')
    expect(bodyOf('sides', ['body', 'head'])).toBe('sides-arm')
    expect(bodyOf('front', ['arm'])).toBe('whole-front')
    expect(bodyOf('mouth')).toBe('whole-mouth')
  })

  it.each([
    ['triceps_brachii', 'arm'],
    ['extensor_digitorum', 'arm'],
    ['gluteus_maximus', 'body'],
    ['vastus_lateralis', 'body'],
    ['temporalis', 'body'],
  ])('%s lies on the %s', (muscle, on) => {
    expect(musclePlace('sides', muscle)?.on).toBe(on)
    expect(regionOf(on === 'arm' ? 'sides-arm' : 'sides-body').muscles).toHaveProperty(muscle)
  })
})
