import { describe, expect, test, vi } from 'vitest'
import type { Limit } from '@/types/visit'

vi.mock('@inertiajs/vue3', () => ({ usePage: () => ({ props: {} }) }))
const { capital, inLines, jointName, limitLines, listed, plural, speaksOf, tableWords, verdictOf } = await import('@/parts/words')

const limit = (one: Partial<Limit>): Limit => ({
  effect: 'avoid',
  scope: {},
  value: null,
  rules: ['r'],
  cause: '',
  reason: '',
  instead: '',
  ...one,
})

describe('limits in lines', () => {
  test('the same of several places is one line', () => {
    const lines = limitLines([
      limit({ scope: { zone: 'calf_upper', side: 'left' } }),
      limit({ scope: { zone: 'calf_lower', side: 'left' } }),
    ])
    expect(lines).toHaveLength(1)
    expect(lines[0]).toMatchObject({ where: 'Upper calf and lower calf, left', what: 'nothing pressed' })
  })
  test('two parts of a muscle are two lines, each with its name', () => {
    const scope = { muscle: 'biceps_femoris', side: 'left' } as const
    const lines = limitLines([
      limit({ effect: 'cap_pressure', value: 3, scope: { ...scope, site: 'upper_attachment' } }),
      limit({ effect: 'cap_pressure', value: 3, scope: { ...scope, site: 'belly' } }),
    ])
    expect(lines.map((line) => line.where)).toEqual(['Biceps femoris, left, upper attachment', 'Biceps femoris, left, belly'])
  })
  test('ways and tools are said differently', () => {
    expect(limitLines([limit({ effect: 'exclude', scope: { technique: 'muscle_scoop' } })])[0]).toMatchObject({
      where: 'Everywhere',
      what: 'leave out: lift the muscle away',
    })
    expect(limitLines([limit({ effect: 'exclude', scope: { tool: 'elbow' } })])[0]?.what).toBe('no elbow pad')
  })
  test('checks that one cause waits for stand in one line under its name', () => {
    const check = (value: string): Limit =>
      limit({ effect: 'check_first', scope: { muscle: 'longus_colli', side: 'left' }, value, cause: 'the deep front of the neck' })
    expect(limitLines([check('positional_artery'), check('cervical_compression')])).toEqual([
      expect.objectContaining({
        where: 'The deep front of the neck',
        what: 'wait for: positional artery check, compression of the neck',
        waits: true,
      }),
    ])
  })
  test('open questions are counted', () => {
    const ask = (value: string): Limit => limit({ effect: 'check_first', scope: { all: true }, value })
    expect(limitLines([ask('a'), ask('b'), ask('c')])[0]).toMatchObject({ where: 'Before work', what: '3 questions are open' })
  })
})

test('a limit speaks of what is in hand by name, and of nothing where it holds everywhere', () => {
  const hand = { places: [{ zone: 'neck_side', side: 'left' }], muscle: { muscle: 'scalene_middle', side: 'left' } } as const
  expect(speaksOf(limit({ scope: { zone: 'neck_side', side: 'left' } }), hand)).toBe(true)
  expect(speaksOf(limit({ scope: { zone: 'neck_side', side: 'right' } }), hand)).toBe(false)
  expect(speaksOf(limit({ scope: { muscle: 'scalene_middle', side: 'left' } }), hand)).toBe(true)
  expect(speaksOf(limit({ scope: { muscle: 'scalene_middle', side: 'right' } }), hand)).toBe(false)
  expect(speaksOf(limit({ scope: { all: true } }), hand)).toBe(false)
  expect(speaksOf(limit({ effect: 'check_first', scope: { zone: 'neck_side', side: 'left' } }), hand)).toBe(false)
})

test('before anything was asked no verdict is told as a leave', () => {
  expect(verdictOf({ verdict: 'proceed', asked: false })).toBe('Not asked yet')
  expect(verdictOf({ verdict: 'emergency', asked: false })).not.toBe('Not asked yet')
  expect(verdictOf({ verdict: 'proceed', asked: true })).toBe('Go')
})

test('small words', () => {
  expect([plural(1, 'entry', 'entries'), plural(0, 'entry', 'entries')]).toEqual(['1 entry', '0 entries'])
  expect(capital('low back')).toBe('Low back')
  expect(jointName({ kind: 'neck_level', level: 'C4' })).toBe('neck level C4')
  expect(jointName({ kind: 'shoulder_blade' })).toBe('shoulder blade')
})

describe('a text in lines', () => {
  test('is broken between words and never cut', () => {
    expect(inLines('Warm up top of the shoulder and around', 25)).toEqual(['Warm up top of the', 'shoulder and around'])
    expect(inLines('Sternocleidomastoid', 10)).toEqual(['Sternocleidomastoid'])
    expect(inLines('short', 25)).toEqual(['short'])
  })
})

test('a list is read as it is spoken', () => {
  expect([[], ['elbow'], ['elbow', 'thumb'], ['elbow', 'thumb', 'palm']].map(listed)).toEqual([
    '',
    'elbow',
    'elbow and thumb',
    'elbow, thumb and palm',
  ])
})

test('a table says whether it is lower than usual', () => {
  expect(tableWords({ cm: 64, lower: true })).toBe('Table at 64 cm, lower than usual: most firm work is leant on from above.')
  expect(tableWords({ cm: 72.5, lower: false })).toBe('Table at 72.5 cm, as usual.')
})
