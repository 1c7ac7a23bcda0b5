import { accessible, assessed, saved, signIn } from './steps'
import { expect, test } from './test'

const felt = { side: 'left', tenderness: 3, familiar: 'yes', texture: ['taut_band'] }

test('a plan is changed by hand: each change says what follows, what is forbidden says why, and all of it can be undone', async ({
  page,
}) => {
  await signIn(page)
  const visit = await assessed(page, 'Quill Harrow', [
    { kind: 'complaint', payload: { zone: 'shoulder_blade', side: 'left', now: 6 } },
    { kind: 'palpation', payload: { muscle: 'infraspinatus', ...felt } },
    { kind: 'palpation', payload: { muscle: 'rhomboids', ...felt } },
    { kind: 'medicine', payload: { medicine: 'anticoagulant', answer: 'yes' } },
  ])
  await page.goto(`${visit}/plan`)
  const targets = page.getByRole('complementary', { name: 'Targets' })
  const row = targets.getByRole('button', { name: /^Infraspinatus, left/ })
  const said = page.getByRole('status').filter({ hasText: 'min' })
  const headline = await page.locator('p.display').first().textContent()
  await row.click()

  const long = targets.getByRole('group', { name: /How long, Infraspinatus/ })
  await saved(page, () => long.getByRole('button', { name: /Shorter/ }).click())
  await expect(said).toContainText(/Infraspinatus, left [\d.]+ → [\d.]+ min/)
  await expect(long.getByRole('button', { name: /Shorter/ })).toHaveAttribute('aria-pressed', 'true')
  await saved(page, () => long.getByRole('button', { name: /Usual/ }).click())
  await expect(long.getByRole('button', { name: /Usual/ })).toHaveAttribute('aria-pressed', 'true')

  const strong = targets.getByRole('group', { name: /How strong at most, Infraspinatus/ })
  await expect(strong.getByRole('button', { name: 'Stronger' })).toBeDisabled()
  const most = Number((await strong.textContent())?.match(/At most ([\d.]+)/)?.[1])
  await saved(page, () => strong.getByRole('button', { name: 'Lighter' }).click())
  await expect(strong).toContainText(`At most ${most - 1} of 10`)
  await expect(strong.getByRole('button', { name: 'Stronger' })).toBeEnabled()

  // a blood thinner: no elbow, and it says so
  const elbow = targets.getByLabel('With').locator('option', { hasText: 'elbow pad' })
  await expect(elbow).toBeDisabled()
  await targets.getByText('Why not the others').click()
  await expect(targets.locator('details li', { hasText: 'elbow pad' })).toContainText(/blood|clot|thinner/i)
  const other = await targets.getByLabel('With').locator('option:enabled').nth(2).getAttribute('value')
  await saved(page, () => targets.getByLabel('With').selectOption(other))
  await expect(targets.getByLabel('With')).toHaveValue(other ?? '')

  await saved(page, () => targets.getByRole('button', { name: 'Other side too' }).click())
  await expect(targets.getByRole('button', { name: 'Other side too' })).toHaveAttribute('aria-pressed', 'true')
  await accessible(page)

  for (let k = 0; k < 5; k++) await saved(page, () => page.keyboard.press('z'))
  await expect(targets.getByRole('button', { name: 'Other side too' })).toHaveAttribute('aria-pressed', 'false')
  await expect(targets.getByLabel('With')).toHaveValue('')
  await expect(page.locator('p.display').first()).toHaveText(headline ?? '')
})

test('targets are put in another order by the keys [ and ], and what cannot be is said', async ({ page }) => {
  await signIn(page)
  const visit = await assessed(page, 'Isold Marrin', [
    { kind: 'complaint', payload: { zone: 'shoulder_blade', side: 'left', now: 6 } },
    { kind: 'palpation', payload: { muscle: 'infraspinatus', ...felt } },
    { kind: 'palpation', payload: { muscle: 'teres_major', ...felt } },
  ])
  await page.goto(`${visit}/plan`)
  const targets = page.getByRole('complementary', { name: 'Targets' })
  const begun = async (): Promise<string[]> =>
    (
      await page
        .getByRole('group', { name: 'The plan as a score' })
        .getByRole('button', { name: /(Infraspinatus|Teres major), left/ })
        .evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')?.replace(/, left.*/, '') ?? ''))
    ).filter((name, k, all) => all.indexOf(name) === k)
  const [first, second] = await begun()
  expect([first, second].sort()).toEqual(['Infraspinatus', 'Teres major'])
  await targets.getByRole('button', { name: new RegExp(`^${second}, left`) }).click()
  const stored = page.waitForResponse((response) => response.url().includes('/entries') && response.request().method() === 'POST')
  await page.keyboard.press('[')
  expect((await stored).ok()).toBe(true)
  await expect(page.getByText('Moved.')).toBeVisible()
  await expect.poll(begun).toEqual([second, first])
  await page.keyboard.press('[')
  await expect(page.getByText('Already first in this position.')).toBeVisible()
})

test('no name beside the score is cut', async ({ page }) => {
  await signIn(page)
  const visit = await assessed(page, 'Wren Ashby', [
    { kind: 'complaint', payload: { zone: 'neck_back', side: 'right', now: 6 } },
    { kind: 'palpation', payload: { muscle: 'suboccipitals', ...felt, side: 'right' } },
    { kind: 'palpation', payload: { muscle: 'semispinalis_capitis', ...felt, side: 'right' } },
    { kind: 'palpation', payload: { muscle: 'trapezius_upper', ...felt } },
  ])
  await page.goto(`${visit}/plan`)
  const score = page.getByRole('group', { name: 'The plan as a score' })
  await expect(score).toBeVisible()
  const texts = await score.locator('text').allTextContents()
  expect(texts.length).toBeGreaterThan(15)
  expect(texts.filter((text) => text.includes('…'))).toEqual([])
  const outside = await score.evaluate((svg) => {
    const box = svg.getBoundingClientRect()
    return [...svg.querySelectorAll('text')].filter((text) => {
      const own = text.getBoundingClientRect()
      return own.left < box.left - 1 || own.right > box.right + 1
    }).length
  })
  expect(outside).toBe(0)
})
