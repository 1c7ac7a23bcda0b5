import { execFileSync } from 'node:child_process'
import { describe, expect, test } from 'vitest'
import { fold, type AgreedStep, type Happened, type TreatmentState } from '@/work/fold'

interface Made {
  steps: AgreedStep[]
  events: Happened[]
  state: TreatmentState
}
/** Made and folded by the core, now: nothing here can be out of date. */
const streams = execFileSync('php', ['core/tests/Support/print-streams.php', '500', '20261129'], { maxBuffer: 64e6 })
  .toString()
  .trim()
  .split('\n')
  .map((line) => JSON.parse(line) as Made)

/** Some order that is another one for each `k`, the same on every run. */
const shuffled = <T>(list: readonly T[], k: number): T[] =>
  list
    .map((one, place) => [((place + 1) * (7919 + 2 * k)) % 10007, one] as const)
    .sort((a, b) => a[0] - b[0])
    .map(([, one]) => one)

describe('the room folds a treatment as the core does', () => {
  test('five hundred of them, as they were made', () => {
    expect(streams).toHaveLength(500)
    for (const { steps, events, state } of streams) expect(fold(steps, events)).toEqual(state)
  })

  test('and in any order, any of it twice', () => {
    streams.forEach(({ steps, events, state }, k) => {
      const other = shuffled([...events, ...shuffled(events, k + 1).slice(0, k % (events.length + 1))], k)
      expect(fold(steps, other)).toEqual(state)
    })
  })

  test('they reach what they speak of', () => {
    const states = streams.flatMap(({ state }) => Object.values(state.steps))
    const count = (is: (one: (typeof states)[number]) => boolean): number => states.filter(is).length
    expect(count((one) => one.end === 'stopped')).toBeGreaterThan(50)
    expect(count((one) => one.end === 'skipped')).toBeGreaterThan(50)
    expect(count((one) => one.cap !== null && one.pressure !== null)).toBeGreaterThan(30)
    expect(count((one) => one.hands_off)).toBeGreaterThan(50)
    expect(count((one) => one.answers.length > 0 && one.at.part > 0)).toBeGreaterThan(20)
    expect(count((one) => one.contacts.some((contact) => contact.manoeuvre === null))).toBeGreaterThan(50)
    expect(streams.filter(({ state }) => state.taken_back.length).length).toBeGreaterThan(100)
    expect(streams.filter(({ state }) => state.stopped).length).toBeGreaterThan(0)
    expect(
      streams.flatMap(({ state }) => Object.values(state.muscles)).filter((one) => Object.keys(one.spots).length > 1).length,
    ).toBeGreaterThan(50)
  })
})
