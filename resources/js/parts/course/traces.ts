import type { Measure, Response } from '@/types/visit'

/** One line of the course: one thing measured on both sides, or on none. */
export interface TraceRow {
  key: string
  kind: TraceKind
  name: string
  unit: string
  measures: { left?: Measure; right?: Measure; middle?: Measure }
  decisions: Partial<Record<'left' | 'right', Response['targets'][number]>>
  /** kPa·s by day of the visit, where the muscle was worked */
  doses: Partial<Record<'left' | 'right', Map<string, number>>>
}
export const KINDS = { complaint: 'Pain', function: 'Tasks', range: 'Movement', palpation: 'Under the finger', test: 'Tests' } as const
export type TraceKind = keyof typeof KINDS
const kindOf = (key: string): TraceKind => {
  const kind = key.split('.')[0]
  return kind === 'complaint' || kind === 'range' || kind === 'palpation' || kind === 'test' ? kind : 'function'
}

/** Rows in the order of the body: pain, tasks, movements, what was felt, as the atlas lists it, then tests. Measured twice at least. */
export function traceRows(response: Response, order: Map<string, number>, unitOf: (measure: Measure) => string): TraceRow[] {
  const rows = new Map<string, TraceRow>()
  for (const one of response.measures) {
    if (one.series.length < 2) continue
    const muscle = /^palpation\.(\w+)\./.exec(one.key)?.[1]
    const row: TraceRow = rows.get(one.key) ?? {
      key: one.key,
      kind: kindOf(one.key),
      name: one.name.replace(/, tenderness$|^Pain: /, ''),
      unit: unitOf(one),
      measures: {},
      decisions: {},
      doses: {},
    }
    row.measures[one.side === 'midline' ? 'middle' : one.side] = one
    for (const side of ['left', 'right'] as const) {
      const target = response.targets.find((each) => each.muscle === muscle && each.side === side)
      if (target) row.decisions[side] = target
      const doses = response.visits.flatMap(({ date, doses: all }) =>
        muscle && all[`${muscle}:${side}`] ? [[date, all[`${muscle}:${side}`]!] as const] : [],
      )
      if (doses.length) row.doses[side] = new Map(doses)
    }
    rows.set(one.key, row)
  }
  const kinds = Object.keys(KINDS)
  const rank = (row: TraceRow): [number, number] => [kinds.indexOf(row.kind), order.get(row.key.split('.')[1] ?? '') ?? 0]
  return [...rows.values()].sort((a, b) => rank(a)[0] - rank(b)[0] || rank(a)[1] - rank(b)[1] || (a.key < b.key ? -1 : 1))
}

/** Where something is drawn: across by its day, up by its value. */
export interface Frame {
  width: number
  height: number
  days: string[]
  low: number
  high: number
}
/** A dose as it is said: of kPa·s there are thousands. */
export const doseWords = (kpaS: number): string => `${Math.round(kpaS / 100) / 10} MPa·s`
/** From where one muscle made sore and what it bore; nothing while it never did, or where the visits contradict each other. */
export const toleranceWords = ({ borne, sore_from, varies }: Response['targets'][number]['tolerance']): string =>
  sore_from === null || varies ? '' : `Sore from about ${doseWords(sore_from)}${borne === null ? '' : `; ${doseWords(borne)} was borne`}.`
const INSET = 8
export const xOf = (frame: Frame, at: number): number =>
  frame.days.length < 2 ? frame.width / 2 : INSET + (at * (frame.width - 2 * INSET)) / (frame.days.length - 1)
export const yOf = ({ height, low, high }: Frame, value: number): number =>
  INSET + (height - 2 * INSET) * (1 - (value - low) / (high - low || 1))
/** The visit nearest to where a finger came down. */
export const nearest = (frame: Frame, x: number): number =>
  frame.days.length < 2
    ? 0
    : Math.max(0, Math.min(frame.days.length - 1, Math.round(((x - INSET) * (frame.days.length - 1)) / (frame.width - 2 * INSET))))

const round = (n: number): string => n.toFixed(1).replace(/\.0$/, '')
export interface Drawn {
  /** within measuring error */
  noise: string
  better: string
  worse: string
  /** points: open, really better, really worse */
  open: string
  good: string
  bad: string
}
/** One measure as six paths, however many visits: what is real is drawn, what may be noise stays noise. */
export function draw(frame: Frame, measure: Measure): Drawn {
  const out: Drawn = { noise: '', better: '', worse: '', open: '', good: '', bad: '' }
  const at = new Map(frame.days.map((day, index) => [day, index]))
  let last: [number, number] | null = null
  measure.series.forEach(([day, value], index) => {
    const place = at.get(day)
    if (place === undefined) return
    const [x, y] = [xOf(frame, place), yOf(frame, value)]
    const verdict = measure.points[index]
    if (last) {
      const line = verdict === 'improved' ? 'better' : verdict === 'worse' ? 'worse' : 'noise'
      out[line] += `M${round(last[0])} ${round(last[1])}L${round(x)} ${round(y)}`
    }
    if (verdict === 'worse') out.bad += `M${round(x - 4.5)} ${round(y - 4.5)}h9v9h-9z`
    else if (verdict === 'improved') out.good += `M${round(x - 4.5)} ${round(y)}a4.5 4.5 0 1 0 9 0a4.5 4.5 0 1 0 -9 0`
    else out.open += `M${round(x - 3.2)} ${round(y)}a3.2 3.2 0 1 0 6.4 0a3.2 3.2 0 1 0 -6.4 0`
    last = [x, y]
  })
  return out
}
/** Doses as bars from the bottom of the row, the largest as high as there is room. */
export function bars(frame: Frame, doses: Map<string, number>, room: number): string {
  const most = Math.max(...doses.values())
  return frame.days
    .flatMap((day, index) => {
      const dose = doses.get(day)
      return dose ? [`M${round(xOf(frame, index) - 3)} ${frame.height}v${round(-(room * dose) / most)}h6V${frame.height}z`] : []
    })
    .join('')
}
/** The scale of one row: both sides on one, with the error above and below, and the goal within. */
export function scaleOf(row: TraceRow, goal: number | undefined): [number, number] {
  const measures = Object.values(row.measures)
  const values = [...measures.flatMap((one) => one.series.map(([, value]) => value)), ...(goal === undefined ? [] : [goal])]
  const pad = Math.max(0.5, ...measures.map((one) => one.mdc))
  return [Math.min(...values) - pad, Math.max(...values) + pad]
}
