import { describe, expect, it } from 'vitest'
import { stillOpen } from '@/parts/stillOpen'
import type { Judged, StepId } from '@/types/visit'

const ALL = ['ask', 'screen', 'move', 'feel', 'agree', 'work', 'recheck'] as const
const STEPS: StepId[] = ['ask', 'screen', 'move', 'feel', 'think', 'agree', 'plan', 'work', 'recheck', 'after']
type State = Judged['line'][number]['state']
const line = (states: Partial<Record<StepId, State>>, rest: State = 'done'): Judged['line'] =>
  STEPS.map((id) => ({ id, state: states[id] ?? rest, note: '' }))
const open = (...args: Parameters<typeof line>) => stillOpen(line(...args), ALL).map(({ id }) => id)

describe('what a visit has nothing of yet', () => {
  it.each<[string, Partial<Record<StepId, State>>, State, StepId[]]>([
    ['all of it is there', {}, 'done', []],
    ['nothing is there yet', {}, 'open', ['ask', 'screen', 'move', 'feel', 'work', 'recheck']],
    ['some danger signs were not asked', { screen: 'part', work: 'blocked' }, 'done', ['screen', 'work']],
    ['a yes is missing where something waits for it', { agree: 'part' }, 'done', ['agree']],
    ['nobody was asked, and nothing waits for it', { agree: 'open' }, 'done', []],
    [
      'who is sent on is not worked or compared',
      { screen: 'blocked', plan: 'blocked', work: 'blocked', recheck: 'open', feel: 'open' },
      'done',
      ['feel'],
    ],
  ])('%s', (_, states, rest, said) => {
    expect(open(states, rest)).toEqual(said)
  })
  it('tells only of the steps that were asked about, in the order of the visit', () => {
    expect(stillOpen(line({}, 'open'), ['feel', 'ask'] as const)).toEqual([
      { id: 'ask', words: 'Nothing is said to hurt yet.' },
      { id: 'feel', words: 'Nothing was felt.' },
    ])
  })
})
