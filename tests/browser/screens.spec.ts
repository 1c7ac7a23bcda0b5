import { expect, test } from './test'
import { accessible, openClient, signIn } from './steps'

const steps = ['ask', 'screen', 'move', 'feel', 'think', 'agree', 'plan', 'work', 'recheck', 'after']

const atlas = [
  '/atlas',
  '/atlas?q=heel',
  '/atlas/muscle/psoas_major',
  '/atlas/movement/hip.extension',
  '/atlas/test/positional_artery',
  '/atlas/technique/cross_fibre',
  '/atlas/landmark/acromion',
  '/atlas/trainer',
]

test('no screen has a serious fault of access, nor asks for what the page’s policy forbids', async ({ page }) => {
  const forbidden: string[] = []
  page.on('console', (message) => /Content Security Policy/i.test(message.text()) && forbidden.push(message.text()))
  await page.goto('/sign-in')
  await accessible(page)
  await signIn(page)
  await accessible(page)
  await page.goto('/clients/new')
  await accessible(page)
  for (const path of atlas) {
    await page.goto(path)
    await page.waitForLoadState('networkidle')
    await accessible(page)
  }
  await openClient(page, 'Wendel Ash')
  await expect(page.getByRole('region', { name: 'Course' })).toBeVisible()
  await accessible(page)
  const client = page.url()
  for (const path of ['edit', 'files']) {
    await page.goto(`${client}/${path}`)
    await page.waitForLoadState('networkidle')
    await accessible(page)
  }
  await page.goto(client)
  await page.getByRole('link', { name: /Before and after/ }).click()
  await expect(page.getByRole('region', { name: 'What changed' })).toBeVisible()
  await accessible(page)
  await openClient(page, 'Ottoline Brack')
  await page.getByRole('button', { name: /Start visit/ }).click()
  await expect(page).toHaveURL(/ask/)
  const visit = page.url().replace(/\/ask$/, '')
  for (const step of steps) {
    await page.goto(`${visit}/${step}`)
    await page.waitForLoadState('networkidle')
    await accessible(page)
  }
  for (const path of [
    '/people',
    '/account',
    '/clinic/scope',
    '/clients',
    '/settings',
    '/clinic/audit',
    '/clinic/files',
    `${visit}/summary`,
  ]) {
    await page.goto(path)
    await page.waitForLoadState('networkidle')
    await accessible(page)
  }
  expect(forbidden).toEqual([])
})

test('nothing runs out of the window at 1024, nor at twice the size', async ({ page }) => {
  await signIn(page)
  await openClient(page, 'Ottoline Brack')
  await page
    .getByRole('link', { name: /Go on with visit|visit/ })
    .first()
    .click()
  const visit = page.url().replace(/\/[a-z]+$/, '')
  for (const width of [1280, 1024, 640]) {
    await page.setViewportSize({ width, height: width === 640 ? 400 : 768 })
    for (const path of [
      '/',
      '/clients/new',
      '/people',
      '/account',
      '/clients',
      '/settings',
      '/clinic/audit',
      '/clinic/files',
      ...atlas,
      `${visit}/ask`,
      `${visit}/screen`,
      `${visit}/move`,
      `${visit}/feel`,
      `${visit}/think`,
      `${visit}/agree`,
      `${visit}/plan`,
      `${visit}/recheck`,
      `${visit}/after`,
      `${visit}/summary`,
    ]) {
      await page.goto(path)
      const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
      expect(over, `${path} at ${width}`).toBeLessThanOrEqual(1)
    }
  }
})

test('reception books and finds people, and sees nothing clinical', async ({ page }) => {
  await signIn(page, 'desk')
  await page.keyboard.press('/')
  await page.keyboard.type('wa-08')
  await page.getByRole('option', { name: /Wendel Ash/ }).click()
  await expect(page.getByRole('heading', { name: 'Wendel Ash' })).toBeVisible()
  await expect(page.getByRole('button', { name: /Start visit/ })).toHaveCount(0)
  await expect(page.getByRole('region', { name: 'Course' })).toHaveCount(0)
  await page.getByLabel('Day').fill('2030-01-15')
  await page.getByLabel('Time').fill('14:30')
  await page.getByRole('button', { name: 'Book', exact: true }).click()
  await expect(page.getByText('Booked for 2030-01-15 at 14:30.')).toBeVisible()
})
