import { describe, expect, test } from 'vitest'
import { keyOf, moved, onOf, placeAt, rowOf, sequenceOf, type On, recheckHow } from '@/composables/planOrder'
import type { Plan, PlanStep } from '@/types/visit'

const step = (part: Partial<PlanStep>): PlanStep =>
  ({ kind: 'treat', minutes: 5, position: 'prone', side: 'left', other_side: false, muscle: null, ...part }) as PlanStep
const plan = {
  steps: [
    step({ kind: 'settle', minutes: 1 }),
    step({ muscle: 'infraspinatus' }),
    step({ muscle: 'teres_major' }),
    step({ muscle: 'infraspinatus', other_side: true, side: 'right' }),
    step({ muscle: 'infraspinatus' }),
    step({ joint: { kind: 'shoulder_blade' } }),
    step({ muscle: 'soleus', position: 'supine' }),
  ],
} as Plan
const on = (muscle: string): On => ({ muscle, side: 'left' }) as On
const names = (all: { on: On }[] | On[]): string[] => all.map((one) => keyOf('on' in one ? one.on : one))

describe('the order of a plan', () => {
  test('each target once, where it is begun; the other side is none of its own', () => {
    expect(sequenceOf(plan).map(({ start }) => start)).toEqual([1, 6, 21, 26])
    expect(names(sequenceOf(plan))).toEqual(
      names([on('infraspinatus'), on('teres_major'), { joint: { kind: 'shoulder_blade' }, side: 'left' }, on('soleus')]),
    )
  })

  test('only what is worked in the same position changes places', () => {
    const row = rowOf(plan, on('teres_major'))
    expect(row).toHaveLength(3)
    expect(rowOf(plan, on('soleus'))).toHaveLength(1)
    expect(names(moved(row, on('teres_major'), 0) ?? [])).toEqual(names([on('teres_major'), on('infraspinatus'), row[2]!.on]))
    expect(names(moved(row, on('infraspinatus'), 2) ?? [])).toEqual(names([on('teres_major'), row[2]!.on, on('infraspinatus')]))
    for (const to of [-1, 3, 1]) expect(moved(row, on('teres_major'), to)).toBeNull()
    expect(moved(row, on('soleus'), 0)).toBeNull()
  })

  test('let go at a minute, it comes after all that began before', () => {
    const row = rowOf(plan, on('teres_major'))
    expect([0, 0.5, 3, 22, 60].map((minute) => placeAt(row, on('teres_major'), minute))).toEqual([0, 0, 1, 2, 2])
  })

  test('what names neither muscle nor joint, or no side, is none', () => {
    expect(onOf({ side: 'left' })).toBeNull()
    expect(onOf({ muscle: 'soleus', side: null })).toBeNull()
    expect(onOf({ muscle: null, joint: { kind: 'hip' }, side: 'right' })).toEqual({ joint: { kind: 'hip' }, side: 'right' })
  })
})

test('says of what is measured again how one lies for it, and not only that it is', () => {
  const check = { kind: 'range' as const, id: 'x', side: 'left' as const, text: 'foot up, knee bent, left' }
  expect(recheckHow({ label: 'Turned face-up: foot up, knee bent, left', check })).toBe('Turned face-up')
  expect(recheckHow({ label: 'Re-check: foot up, knee bent, left', check })).toBe('Re-check')
  expect(recheckHow({ label: 'Settle', check: null })).toBe('Settle')
})
