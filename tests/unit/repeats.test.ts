import { describe, expect, test } from 'vitest'
import { deviceWords, errorOf, meanOf, readingsOf } from '@/composables/repeats'

describe('readings of one thing', () => {
  test.each([
    [[], 0],
    [[42], 42],
    [[40, 41], 40.5],
    [[40, 41, 41], 40.7],
  ])('%j come to %d', (repeats, mean) => expect(meanOf(repeats)).toBe(mean))
  test('their error is that of the core, and there is none of one', () => {
    expect(errorOf([42])).toBeNull()
    expect(errorOf([40, 42])).toBeCloseTo(Math.SQRT2, 9)
    expect(errorOf([40, 40, 40])).toBe(0)
  })
  test('what a stand-in gave is marked for ever, and what was taken away leaves nothing', () => {
    expect(readingsOf('active', [40, 42], true)).toEqual({ active: 41, repeats: [40, 42], simulated: true })
    expect(readingsOf('active', [40, 42], false)).toEqual({ active: 41, repeats: [40, 42], simulated: undefined })
    expect(readingsOf('active', [], true)).toEqual({ active: undefined, repeats: undefined, simulated: undefined })
    expect([deviceWords(true), deviceWords(false)]).toEqual(['simulated', 'read from the device'])
  })
})
