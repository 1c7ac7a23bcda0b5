import { expect, test, type Page } from './test'
import { accessible, signIn } from './steps'

/** Every screen, a test each: where it lies, and whether somebody is signed in. */
const screens: Record<string, string | ((at: { visit: string; client: string }) => string)> = {
  today: '/',
  'a new client': '/clients/new',
  'the list of clients': '/clients',
  'a client with a course': ({ client }) => client,
  'details of a client': ({ client }) => `${client}/edit`,
  'files of a client': ({ client }) => `${client}/files`,
  'before and after': ({ client }) => `${client}/compare`,
  'a report of a course': ({ client }) => `${client}/report`,
  caseload: '/caseload?of=all',
  'a day of the calendar': '/calendar?with=all',
  'a week of the calendar': '/calendar?view=week',
  'a month of the calendar': '/calendar?view=month',
  people: '/people',
  'one’s own account': '/account',
  'what is done here': '/clinic/scope',
  settings: '/settings',
  audit: '/clinic/audit',
  'files of the clinic': '/clinic/files',
  'the outbox of the demo': '/outbox',
  help: '/help',
  atlas: '/atlas',
  'a search in the atlas': '/atlas?q=heel',
  'a muscle': '/atlas/muscle/psoas_major',
  'a movement': '/atlas/movement/hip.extension',
  'a test': '/atlas/test/positional_artery',
  'a technique': '/atlas/technique/cross_fibre',
  'a landmark': '/atlas/landmark/acromion',
  trainer: '/atlas/trainer',
  summary: ({ visit }) => `${visit}/summary`,
  letter: ({ visit }) => `${visit}/letter`,
  ...Object.fromEntries(
    ['ask', 'screen', 'move', 'feel', 'think', 'agree', 'plan', 'work', 'recheck', 'after'].map((step) => [
      step,
      ({ visit }: { visit: string }) => `${visit}/${step}`,
    ]),
  ),
}
/** What is looked at on another screen size by tests of its own: the dark room has one size, a letter is a sheet of paper. */
const oneSize = ['work', 'letter', 'before and after', 'details of a client', 'files of a client']

/** Controls that look and behave as the browser would have it. */
const BROWSERS_OWN = [
  'select',
  'datalist',
  ...['date', 'time', 'number', 'range', 'checkbox', 'radio', 'file'].map((type) => `input[type=${type}]`),
]
  .map((one) => `${one}:visible`)
  .join(', ')
async function fits(page: Page): Promise<void> {
  for (const width of [1280, 1024, 640]) {
    await page.setViewportSize({ width, height: width === 640 ? 400 : 768 })
    const over = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
    await expect.poll(over, { message: `runs out at ${width}` }).toBeLessThanOrEqual(1)
  }
}

for (const [name, place] of Object.entries(screens)) {
  test(`${name}: no serious fault of access, nothing the policy forbids, and it fits`, async ({
    browser,
    baseURL,
    nell,
    visit,
    client,
  }) => {
    const context = await browser.newContext({ storageState: nell, ...(baseURL ? { baseURL } : {}) })
    const page = await context.newPage()
    const forbidden: string[] = []
    page.on('console', (message) => /Content Security Policy/i.test(message.text()) && forbidden.push(message.text()))
    const answer = await page.goto(typeof place === 'string' ? place : place({ visit, client }))
    expect(answer?.status()).toBe(200)
    await expect(page.getByText('Demo: all of it is made up')).toBeVisible()
    await page.getByRole('heading', { level: 1 }).first().waitFor()
    await accessible(page)
    expect(await page.locator(BROWSERS_OWN).count(), 'a control of the browser is seen').toBe(0)
    // a list, a thing or nothing put into a sentence as it is
    expect(await page.locator('body').innerText()).not.toMatch(/\[ ?"|\[ \]|\[object Object\]|\bundefined\b|\bNaN\b/)
    if (!oneSize.includes(name)) await fits(page)
    expect(forbidden).toEqual([])
    await context.close()
  })
}

test('the door: no serious fault of access, and it fits', async ({ page }) => {
  for (const path of ['/sign-in', '/forgotten', '/check-in']) {
    await page.goto(path)
    await expect(page.getByText('Demo: all of it is made up')).toBeVisible()
    await accessible(page)
    await fits(page)
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
  await expect(page.getByLabel('What for')).toHaveCount(0)
  await page.getByLabel('Day').fill('2030-01-15')
  await page.getByLabel('Time').fill('14:30')
  await page.getByRole('button', { name: 'Book', exact: true }).click()
  await expect(page.getByText('Booked for 2030-01-15 at 14:30.')).toBeVisible()
  await page.getByRole('link', { name: 'Details' }).click()
  await expect(page.getByLabel('Telephone').first()).toBeVisible()
  for (const clinical of ['Weight, kg', 'Bears a lot']) await expect(page.getByText(clinical)).toHaveCount(0)
  await expect(page.getByRole('group', { name: 'Skin' })).toHaveCount(0)
  await page.getByLabel('Telephone').first().fill('+44 20 7946 0000')
  await page.getByRole('button', { name: 'Keep it so' }).click()
  await expect(page.getByText('Kept.')).toBeVisible()
})
