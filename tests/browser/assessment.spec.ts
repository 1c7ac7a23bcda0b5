import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { newClient, recorded, saved, signIn } from './steps'

const atlas = JSON.parse(readFileSync('resources/js/chart/atlas.generated.json', 'utf8')) as {
  flags: Record<string, unknown>
  muscles: { id: string }[]
}
const MARK_MS = 50
/** The budget is 150 on a quiet machine (docs/ranking-trial.md has the figures); a shared one may take twice that, not more. */
const RANKING_MS = 300

test('a finding is marked at once and the ranking follows soon after', async ({ page }) => {
  await signIn(page)
  await newClient(page, 'Ulla Penn')
  await page.getByRole('button', { name: 'Start visit 1' }).click()
  await expect(page).toHaveURL(/ask$/)
  const visit = page.url().replace(/\/ask$/, '')
  await recorded(page, visit, [
    ...Object.keys(atlas.flags).map((identity) => ({ kind: 'red_flag', identity, payload: 'no' })),
    { kind: 'others_denied', identity: '', payload: true },
    { kind: 'complaint', payload: { zone: 'neck_back', side: 'left', now: 6 } },
    ...atlas.muscles.slice(0, 40).map(({ id }) => ({ kind: 'palpation', payload: { muscle: id, side: 'left', tenderness: 1 } })),
  ])
  await page.goto(`${visit}/feel?muscle=levator_scapulae&side=left`)
  await saved(page, () => page.getByRole('group', { name: 'Tenderness, left' }).getByRole('button', { name: '2' }).click())
  const times = await page.evaluate(async () => {
    const ranking = document.querySelector('aside ol')
    const cells = [...document.querySelectorAll<HTMLButtonElement>('[aria-label="Tenderness, left"] button')]
    const taken: [number, number][] = []
    for (const grade of ['3', '0', '4', '1', '3', '0', '4', '2', '0', '3']) {
      const cell = cells.find((one) => one.textContent?.trim() === grade)
      if (!ranking || !cell) throw new Error('nothing to touch')
      const from = performance.now()
      const followed = new Promise<number>((done) => {
        const watch = new MutationObserver(() => {
          watch.disconnect()
          done(performance.now() - from)
        })
        watch.observe(ranking, { subtree: true, childList: true, characterData: true, attributes: true })
      })
      cell.click()
      await new Promise<void>((done) => {
        const look = () => (cell.getAttribute('aria-pressed') === 'true' ? done() : requestAnimationFrame(look))
        requestAnimationFrame(look)
      })
      const marked = performance.now() - from
      taken.push([marked, await followed])
    }
    return taken
  })
  const median = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0
  const [mark, ranking] = [median(times.map(([one]) => one)), median(times.map(([, one]) => one))]
  console.log(`mark ${mark.toFixed(0)} ms, ranking ${ranking.toFixed(0)} ms (median of ${times.length} touches)`)
  expect(mark).toBeLessThanOrEqual(MARK_MS)
  expect(ranking).toBeLessThanOrEqual(RANKING_MS)
})
