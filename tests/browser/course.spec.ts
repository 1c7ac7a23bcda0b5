import { accessible, assessed, choose, saved, signIn } from './steps'
import { expect, test } from './test'

test('a course is read on one page: its way, what was measured, what was expected, what helped', async ({ page }) => {
  await signIn(page)
  await page.goto('/clients')
  await page
    .getByRole('link', { name: /Wendel Ash/ })
    .first()
    .click()
  await expect(page.locator('[data-phase=calm]')).toHaveAttribute('data-state', 'passed')
  await expect(page.locator('[data-phase=range]')).toHaveAttribute('aria-current', 'step')
  await expect(page.locator('[data-gate=ranges]')).toContainText('Still short: turning the head left')
  await expect(page.getByText(/^Looked at again from the start by/)).toBeVisible()
  await accessible(page)

  // both halves run from the first visit to the last; arrows go along, and the visit opens
  const turning = page.getByRole('slider', { name: /^Turning the head, left: / })
  await turning.focus()
  await page.keyboard.press('Home')
  const first = await turning.getAttribute('aria-valuetext')
  await page.keyboard.press('End')
  expect(await turning.getAttribute('aria-valuetext')).not.toBe(first)
  await expect(turning).toHaveAttribute('aria-valuenow', (await turning.getAttribute('aria-valuemax')) ?? '')
  const points = (half: 'left' | 'right') =>
    page
      .getByRole('slider', { name: new RegExp(`^Turning the head, ${half}: `) })
      .locator('path')
      .nth(0)
      .getAttribute('d')
  const across = async (half: 'left' | 'right') => [...((await points(half)) ?? '').matchAll(/M([\d.]+) /g)].map(([, x]) => Number(x))
  for (const half of ['left', 'right'] as const) {
    const xs = await across(half)
    expect(xs).toEqual([...xs].sort((a, b) => a - b))
  }

  await page.getByRole('group', { name: 'Which measures' }).getByRole('button', { name: 'Under the finger' }).click()
  await expect(page.locator('[data-row^="range."]')).toHaveCount(0)
  const felt = await page.locator('[data-row]').count()
  await page.getByRole('button', { name: 'What really changed' }).click()
  expect(await page.locator('[data-row]').count()).toBeLessThan(felt)

  await page.getByRole('group', { name: 'What helped' }).getByRole('button', { name: 'by technique' }).click()
  await expect(page.locator('[data-helped]').first()).toContainText(/readings? on/)

  await page.getByRole('button', { name: 'What really changed' }).click()
  const slider = page.locator('[data-row^="palpation."]').getByRole('slider').first()
  await slider.focus()
  await page.keyboard.press('Home')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/visits\//)
})

test('a goal is something that is measured: set, followed, and given up', async ({ page }) => {
  await signIn(page)
  const visit = await assessed(page, 'Runa Veld', [
    { kind: 'complaint', payload: { zone: 'neck_back', side: 'left', now: 7 } },
    { kind: 'range', payload: { movement: 'cervical.rotation', side: 'left', active: 50 } },
  ])
  await page.goto(`${visit}/after`)
  await choose(page.getByRole('button', { name: /^What should change/ }), 'range.cervical.rotation.active|left')
  await page.getByLabel('To', { exact: true }).fill('75')
  await page.getByLabel('To', { exact: true }).blur()
  await saved(page, () => page.getByRole('button', { name: 'Set the goal' }).click())
  const goals = page.getByRole('list', { name: 'Goals' })
  await expect(goals).toContainText('Turning the head, left to 75°')
  await expect(goals).toContainText('0 % of the way')
  await accessible(page)
  await saved(page, () => goals.getByRole('button', { name: 'Given up' }).click())
  await expect(goals).toHaveCount(0)
})
