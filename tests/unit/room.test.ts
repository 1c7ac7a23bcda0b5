import { describe, expect, test } from 'vitest'
import { breathAt, rhythmOf } from '@/work/breath'
import { linesOf } from '@/work/lines'
import { DEAF_MS, useDeafness } from '@/work/touch'
import type { Manoeuvre, PlanStep } from '@/types/visit'

describe('half a second of deafness', () => {
  const heardOf = (moments: number[]): number[] => {
    let now = 0
    const { hears } = useDeafness(() => now)
    return moments.filter((at) => {
      now = at
      return hears()
    })
  }
  test('the first touch is heard, one that follows too soon is not', () => {
    expect(heardOf([1000, 1000 + DEAF_MS - 1])).toEqual([1000])
    expect(heardOf([1000, 1000 + DEAF_MS])).toEqual([1000, 1500])
  })
  test('as long as touches keep coming it stays deaf: ten in a second are one', () => {
    expect(heardOf(Array.from({ length: 10 }, (_, k) => 5000 + k * 100))).toEqual([5000])
    expect(heardOf(Array.from({ length: 30 }, (_, k) => 5000 + k * 400))).toEqual([5000])
  })
})

describe('the breath along the ladder', () => {
  test('from full to out and back in one cycle, without a jump', () => {
    expect(breathAt(0, 6000)).toBeCloseTo(1)
    expect(breathAt(0.42 * 6000, 6000)).toBeCloseTo(0)
    for (let at = 0; at < 6000; at += 50) expect(Math.abs(breathAt(at + 50, 6000) - breathAt(at, 6000))).toBeLessThan(0.05)
  })
  test('three taps make a rhythm; two, or what is no breath, do not', () => {
    expect(rhythmOf([0, 4000])).toBeNull()
    expect(rhythmOf([0, 4000, 8200])).toBe(4100)
    expect(rhythmOf([0, 9000, 13_000, 17_000])).toBe(4000)
    expect(rhythmOf([0, 500, 1000])).toBeNull()
    expect(rhythmOf([0, 30_000, 60_000])).toBeNull()
  })
})

describe('what stands at the table', () => {
  const step = {
    kind: 'treat',
    label: 'Pectoralis minor, right',
    minutes: 2,
    places: [],
    find: [],
    why: '',
    check: null,
    technique: null,
    tool: null,
    product: null,
    client_action: null,
  } as unknown as PlanStep
  const one = {
    technique: 'compressive_hold',
    spots: ['rib_3', 'rib_4'],
    spot_names: ['rib 3', 'rib 4'],
    setup: { id: 'head_turned', side: 'left' },
    hand: 'Two fingers, the other hand on top; wrist straight.',
    say: 'Breathe out as I sink.',
    client_action: null,
    repeats: 3,
    seconds: 7,
    product: 'none',
  } as unknown as Manoeuvre

  test('a manoeuvre: what, which spot, set-up and hands, words, count and skin', () => {
    expect(linesOf(step, one, 1, {})).toEqual({
      what: 'Hold and glide out',
      where: 'rib 4',
      how: ['Head turned, left', 'Two fingers, the other hand on top'],
      say: 'Breathe out as I sink.',
      count: ['spot 2 of 2', '3 × 7 s', 'dry'],
    })
  })
  test('without words of its own the client’s part is said; one spot is not counted', () => {
    const lines = linesOf(
      step,
      { ...one, say: null, client_action: 'Push.', spots: ['rib_3'], spot_names: ['rib 3'], repeats: 1, seconds: 120 },
      0,
      {},
    )
    expect([lines.say, lines.count]).toEqual(['Push.', ['2:00 min', 'dry']])
  })
  test('a stroke has no spot but a way', () => {
    const stroke = { ...one, spots: [], spot_names: [], from: 'scapula_medial_border', to: 'thoracic_spines' }
    expect(linesOf(step, stroke, 0, {}).where).toMatch(/^from the inner .* to /)
  })
  test('a place of both sides is named once, and the kind of step has its words', () => {
    const places = [
      { zone: 'shoulder_top', side: 'left' },
      { zone: 'shoulder_top', side: 'right' },
      { zone: 'neck_back', side: 'left' },
    ]
    const warm = {
      ...step,
      kind: 'warm_up',
      label: 'Warm up',
      places,
      why: 'Broad and slow. Dry.',
      product: 'light_oil',
      technique: 'effleurage',
      tool: 'palm',
    } as unknown as PlanStep
    expect(linesOf(warm, undefined, 0, { warm_up: 'Be heavy.' })).toEqual({
      what: 'Warm up',
      where: 'Top of the shoulder · back of the neck, left',
      how: ['Broad and slow.', 'Long broad strokes, palm'],
      say: 'Be heavy.',
      count: ['2:00 min', 'a little oil'],
    })
  })
  test('a re-check says how it is measured, a spot that is pressed again in its own words', () => {
    const check = { kind: 'palpate', id: 'soleus', side: 'left', text: 'press soleus on the left again' }
    const lines = linesOf({ ...step, kind: 'recheck', check } as unknown as PlanStep, undefined, 0, {
      press_again: 'Less, or more?',
      recheck: 'no',
    })
    expect([lines.what, lines.say]).toEqual(['Press soleus on the left again', 'Less, or more?'])
    expect(lines.how).toEqual(['Press the same spot as strongly as before, and ask.'])
  })
})
