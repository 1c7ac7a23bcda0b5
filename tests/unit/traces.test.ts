import { describe, expect, test } from 'vitest'
import { bars, draw, nearest, scaleOf, traceRows, xOf, yOf, type Frame } from '@/parts/course/traces'
import type { Measure, Response } from '@/types/visit'

const measure = (key: string, side: 'left' | 'right' | 'midline', values: number[], points: Measure['points']): Measure => ({
  key,
  name: key,
  unit: '0–10',
  side,
  series: values.map((value, index) => [`2026-01-0${index + 1}`, value]),
  points,
  change: null,
  mdc: 2,
  mdc_from: 'default',
  better: 'smaller',
  verdict: points.at(-1) ?? 'not_enough',
})
const response = (measures: Measure[], more: Partial<Response> = {}): Response => ({
  measures,
  targets: [],
  course: { decision: 'continue', because: '', sureness: '' },
  contradiction: null,
  goals: [],
  helped: [],
  line: null,
  plan: { phases: [], look_again: null, ends: [] },
  visits: [],
  ...more,
})
const frame: Frame = { width: 216, height: 52, days: ['2026-01-01', '2026-01-02', '2026-01-03'], low: 0, high: 10 }

describe('traces', () => {
  test('time runs from left to right, more is higher, and a finger finds the nearest visit', () => {
    expect([0, 1, 2].map((at) => xOf(frame, at))).toEqual([8, 108, 208])
    expect([0, 10].map((value) => yOf(frame, value))).toEqual([44, 8])
    expect([-5, 57, 59, 400].map((x) => nearest(frame, x))).toEqual([0, 0, 1, 2])
    expect(xOf({ ...frame, days: ['2026-01-01'] }, 0)).toBe(108)
  })

  test('both halves of a body are drawn the same way round: the left is not the mirror of the right', () => {
    const of = (side: 'left' | 'right') =>
      draw(frame, measure('complaint.neck', side, [7, 6, 2], ['no_real_change', 'no_real_change', 'improved']))
    expect(of('left')).toEqual(of('right'))
  })

  test('what may be noise is noise, what is real is real, and a visit without the measure has no point', () => {
    const drawn = draw(frame, measure('complaint.neck', 'left', [5, 8, 2], ['no_real_change', 'worse', 'improved']))
    expect([drawn.noise, drawn.worse, drawn.better].map((path) => path.split('M').length - 1)).toEqual([0, 1, 1])
    expect([drawn.open, drawn.bad, drawn.good].map((path) => path.split('M').length - 1)).toEqual([1, 1, 1])
    const gap: Measure = {
      ...measure('a', 'left', [5], ['no_real_change']),
      series: [
        ['2026-01-01', 5],
        ['2026-01-03', 5],
      ],
      points: ['no_real_change', 'no_real_change'],
    }
    expect(draw(frame, gap).noise).toBe('M8 26L208 26')
  })

  test('rows stand in the order of the body, what was measured once stays away, and doses belong to their side', () => {
    const rows = traceRows(
      response(
        [
          measure('palpation.b.whole.tenderness', 'left', [3, 2], ['no_real_change', 'improved']),
          measure('palpation.a.whole.tenderness', 'left', [3, 2], ['no_real_change', 'improved']),
          measure('range.turn.active', 'left', [50, 60], ['no_real_change', 'improved']),
          measure('range.turn.active', 'right', [50, 60], ['no_real_change', 'improved']),
          measure('complaint.neck', 'left', [7], ['no_real_change']),
          measure('function.drive', 'midline', [4, 7], ['no_real_change', 'improved']),
        ],
        { visits: [{ date: '2026-01-01', sore_hours: null, worse: null, home_care: null, doses: { 'a:left': 900 } }] },
      ),
      new Map([
        ['a', 0],
        ['b', 1],
      ]),
      () => '',
    )
    expect(rows.map(({ key }) => key)).toEqual([
      'function.drive',
      'range.turn.active',
      'palpation.a.whole.tenderness',
      'palpation.b.whole.tenderness',
    ])
    expect([rows[1]?.measures.left?.side, rows[1]?.measures.right?.side]).toEqual(['left', 'right'])
    expect([rows[2]?.doses.left?.get('2026-01-01'), rows[2]?.doses.right]).toEqual([900, undefined])
  })

  test('bars are as high as their dose, and the scale holds the error and the goal', () => {
    expect(
      bars(
        frame,
        new Map([
          ['2026-01-01', 100],
          ['2026-01-03', 50],
        ]),
        40,
      ),
    ).toBe('M5 52v-40h6V52zM205 52v-20h6V52z')
    const row = traceRows(response([measure('complaint.neck', 'left', [7, 4], ['no_real_change', 'improved'])]), new Map(), () => '')[0]!
    expect(scaleOf(row, 1)).toEqual([-1, 9])
    expect(scaleOf(row, undefined)).toEqual([2, 9])
  })
})

test('sixty visits of forty rows are worked out in less than a tenth of a second', () => {
  const days = Array.from({ length: 60 }, (_, day) => new Date(Date.UTC(2025, 0, 1 + 6 * day)).toISOString().slice(0, 10))
  const measures = Array.from({ length: 40 }, (_, row) =>
    (['left', 'right'] as const).map((side): Measure => ({
      ...measure(`range.m${row}.active`, side, [], []),
      series: days.map((day, k) => [day, 50 + ((k * 7 + row) % 13)]),
      points: days.map((_, k) => (k % 3 ? 'no_real_change' : 'improved')),
    })),
  ).flat()
  const drawn = () =>
    traceRows(response(measures), new Map(), () => '').flatMap((row) => {
      const [low, high] = scaleOf(row, undefined)
      return Object.values(row.measures).map((one) => draw({ width: 300, height: 52, days, low, high }, one))
    })
  const paths = drawn()
  // the quickest of several: what else the machine does meanwhile is not what is measured
  const took = Array.from({ length: 8 }, () => {
    const from = performance.now()
    drawn()
    return performance.now() - from
  })
  expect(Math.min(...took)).toBeLessThan(100)
  expect(paths).toHaveLength(80)
  // however many visits there are, a measure is six paths
  expect(Object.keys(paths[0]!)).toHaveLength(6)
})
