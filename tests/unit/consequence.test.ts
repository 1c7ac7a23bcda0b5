import { describe, expect, it, vi } from 'vitest'
import type { Plan, PlanStep } from '@/types/visit'

vi.mock('@inertiajs/vue3', () => ({ usePage: () => ({ props: {} }) }))
const { consequence } = await import('@/composables/consequence')

const target = (name: string, minutes: number, side = 'left') => ({ name: `${name}, ${side}`, minutes, side }) as Plan['targets'][number]
const plan = (targets: Plan['targets'], more: Partial<Plan> = {}): Plan =>
  ({ targets, steps: [], left_out: [], minutes: 60, turns: 0, benefit: 1, therapist_load: {}, ...more }) as Plan

describe('what a change did to a plan', () => {
  const before = plan([target('Rhomboids', 6), target('Levator', 4)])

  it('says nothing where nothing changed', () => {
    expect(consequence(before, before)).toBe('')
    expect(consequence(before, plan([target('Rhomboids', 6.2), target('Levator', 4)], { benefit: 1.009 }))).toBe('')
  })

  it('names what came and what fell out, with its reason', () => {
    const after = plan([target('Rhomboids', 6), target('Scalenes', 3)], {
      left_out: [{ name: 'Levator, left', side: 'left', because: 'Worth less than the others.' }] as Plan['left_out'],
    })
    expect(consequence(before, after)).toBe('Scalenes, left comes in, 3 min · Levator, left falls out (worth less than the others).')
  })

  it('tells the two sides of one muscle apart', () => {
    const after = plan([target('Rhomboids', 6, 'right'), target('Levator', 4)])
    expect(consequence(before, after)).toBe('Rhomboids, right comes in, 6 min · Rhomboids, left falls out.')
  })

  it('tells minutes, turns, hands and worth', () => {
    const after = plan([target('Rhomboids', 8.5), target('Levator', 4)], {
      minutes: 62.5,
      turns: 1,
      benefit: 0.9,
      therapist_load: { thumb: 1.5, thumb_reinforced: 0.5 },
    })
    expect(consequence(before, after)).toBe(
      'Rhomboids, left 6 → 8.5 min · all 60 → 62.5 min · one turn · thumbs 0 → 2 min · benefit 10 % less.',
    )
  })

  it('says how somebody lies now, where that is another way', () => {
    const rhomboids = { muscle: 'rhomboids', ...target('Rhomboids', 6) } as Plan['targets'][number]
    const lying = (...positions: string[]): Plan =>
      plan([rhomboids], {
        steps: positions.map(
          (position, k) => ({ kind: 'treat', muscle: 'rhomboids', side: 'left', position, other_side: k > 9 }) as PlanStep,
        ),
      })
    expect(consequence(lying('prone'), lying('side_right'))).toBe('Rhomboids, left now on the right side.')
    expect(consequence(lying('prone', 'prone'), lying('prone', 'side_right'))).toBe('')
    expect(consequence(plan([rhomboids]), lying('prone'))).toBe('')
  })
})
