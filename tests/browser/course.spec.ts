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

test('a client says on a phone how it was, and what worries stands on top of Today', async ({ page, browser }) => {
  await signIn(page)
  await page.goto('/clients')
  await page
    .getByRole('link', { name: /Edda Vorn/ })
    .first()
    .click()
  await page
    .getByRole('region', { name: 'Visits' })
    .getByRole('link', { name: /signed/ })
    .first()
    .click()
  await page.getByRole('region', { name: 'How was it?' }).getByRole('button', { name: 'Make a link and a code' }).click()
  const link = await page.getByLabel('Link').inputValue()
  await accessible(page)

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 } })
  const hers = await phone.newPage()
  await hers.goto(new URL(link).pathname)
  await hers.getByRole('button').first().click()
  await expect(hers.getByRole('heading', { name: 'How was it after your visit?' })).toBeVisible()
  await accessible(hers)
  const wide = await hers.evaluate(() => document.documentElement.scrollWidth)
  expect(wide, 'nothing beside the page').toBeLessThanOrEqual(390)
  await expect(hers.getByRole('button', { name: 'Send it' })).toBeDisabled()
  await hers.getByRole('group', { name: 'Were you sore afterwards?' }).getByRole('button', { name: 'a day or two' }).click()
  await hers.getByRole('group', { name: 'Was it worse than before?' }).getByRole('button', { name: 'no' }).click()
  await hers.getByRole('group', { name: 'New since then' }).getByRole('button').first().click()
  await hers.screenshot({ path: test.info().outputPath('back.png'), fullPage: true })
  await hers.getByRole('button', { name: 'Send it' }).click()
  await expect(hers.getByRole('heading', { name: 'Thank you, your answers are with us' })).toBeVisible()
  await phone.close()

  await page.goto('/')
  await expect(page.getByText(/^After the last visit: .*Ring today\.$/)).toBeVisible()
})
