import { isSample } from './few'
import { places, type Place } from './places'
import { expect, test, type Page } from './test'
import { seenFaults } from './seen'
import { accessible, signIn } from './steps'

/** Controls that look and behave as the browser would have it. */
const BROWSERS_OWN = [
  'select',
  'datalist',
  ...['date', 'time', 'number', 'range', 'checkbox', 'radio', 'file'].map((type) => `input[type=${type}]`),
]
  .map((one) => `${one}:visible`)
  .join(', ')
const WIDE = 1280
/** A laptop, a tablet, the laptop at 200 %; a telephone where one is used. */
const sizes = ({ phone, oneSize }: Pick<Place, 'phone' | 'oneSize'>): [number, number][] =>
  oneSize ? [[WIDE, 800]] : [[WIDE, 800], [1024, 768], [WIDE / 2, 400], ...(phone ? ([[390, 844]] as [number, number][]) : [])]
/** A sheet of A4 between its margins. */
const SHEET = { width: 688, height: 1000 }

async function fits(page: Page, place: Pick<Place, 'phone' | 'oneSize' | 'paper'> = {}): Promise<void> {
  for (const [width, height] of sizes(place)) {
    await page.setViewportSize({ width, height })
    await expect.poll(() => seenFaults(page), { message: `at ${width}`, timeout: 4000 }).toEqual([])
  }
  if (place.paper) {
    // from the widest window, as one prints: nothing of the page is told that the sheet is narrower
    await page.setViewportSize({ width: WIDE, height: 800 })
    await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')))
    await page.evaluate(() => void (window.isStill = true))
    await page.setViewportSize(SHEET)
    await page.emulateMedia({ media: 'print' })
    await expect.poll(() => seenFaults(page), { message: 'on paper', timeout: 4000 }).toEqual([])
    await page.emulateMedia({ media: null })
    await page.evaluate(() => void (window.isStill = false))
    await page.evaluate(() => window.dispatchEvent(new Event('afterprint')))
  }
  await page.setViewportSize({ width: WIDE, height: 800 })
}
declare global {
  interface Window {
    /** what becomes of the window is told to nobody */
    isStill?: boolean
  }
}
/** While the window is still, nothing hears of another size: so it is while a page is printed. */
function stillWhilePrinted(): void {
  const Plain = window.ResizeObserver
  window.ResizeObserver = class extends Plain {
    constructor(told: ResizeObserverCallback) {
      super((entries, observer) => !window.isStill && told(entries, observer))
    }
  }
  window.addEventListener('resize', (event) => window.isStill && event.stopImmediatePropagation(), true)
}
/** Every day that is written in words is the widest there is: what fits on the day of a test would else run out on another. */
function widestDays(): void {
  const plain = Date.prototype.toLocaleDateString
  const widest = new Date('2026-09-30T12:00:00Z')
  Date.prototype.toLocaleDateString = function (locales?: Intl.LocalesArgument, options?: Intl.DateTimeFormatOptions) {
    if (!options) return plain.call(this, locales)
    return plain.call(widest, locales, { ...options, ...(options.day && options.month ? { year: 'numeric' } : {}) })
  }
}
/** By the eye, by the axe, by the policy of what may be loaded; in the light and, for who wishes it, in the dark. */
async function holds(page: Page, path: string, place: Place): Promise<void> {
  const forbidden: string[] = []
  page.on('console', (message) => /Content Security Policy/i.test(message.text()) && forbidden.push(message.text()))
  await page.addInitScript(widestDays)
  await page.addInitScript(stillWhilePrinted)
  const answer = await page.goto(path)
  expect(answer?.status()).toBe(200)
  await page.getByRole('heading', { level: 1 }).first().waitFor()
  await accessible(page)
  expect(await page.locator(BROWSERS_OWN).count(), 'a control of the browser is seen').toBe(0)
  // a list, a thing or nothing put into a sentence as it is
  expect(await page.locator('body').innerText()).not.toMatch(/\[ ?"|\[ \]|\[object Object\]|\bundefined\b|\bNaN\b/)
  await fits(page, place)
  if (EVERYTHING && !place.oneSize) {
    await page.evaluate(() => document.documentElement.classList.add('dusk'))
    await accessible(page)
  }
  expect(forbidden).toEqual([])
}

/**
 * `bin/test --full`, or WALK=full: every page of every clinic. `--whole` walks the demo's, and of the others a sample (WALK_SEED=);
 * `bin/test` alone a sample of both.
 */
const EVERYTHING = process.env['WALK'] === 'full'
const seed = Number(process.env['WALK_SEED'] ?? 1)
/** The same few for the same seed: by a number made of the name. */
function sampled<T>(all: [string, T][], most: number): [string, T][] {
  if (EVERYTHING) return all
  const rank = (name: string) =>
    [...`${seed} ${name}`].reduce((sum, sign) => Math.imul(sum ^ sign.codePointAt(0)!, 0x01000193) >>> 0, 0x811c9dc5)
  return [...all].sort(([a], [b]) => rank(a) - rank(b)).slice(0, most)
}

for (const [name, place] of sampled(Object.entries(places), isSample ? 12 : Infinity)) {
  test(`${name}: no serious fault of access, nothing the policy forbids, and it fits`, async ({
    browser,
    baseURL,
    nell,
    visit,
    client,
  }) => {
    const context = await browser.newContext({ storageState: nell, ...(baseURL ? { baseURL } : {}) })
    const page = await context.newPage()
    await holds(page, place.path({ visit, client }), place)
    await expect(page.getByText('Demo: all of it is made up')).toBeVisible()
    await context.close()
  })
}

const elsewhere: [string, { who: string; place: Place }][] = [
  ...Object.entries(places).map(([name, place]) => [`${name}, as full as can be`, { who: 'owner@longest.example', place }] as const),
  ...Object.entries(places).flatMap(([name, place]) =>
    place.whenEmpty ? [[`${name}, of a clinic that begins`, { who: 'ida@quay-street.example', place }] as const] : [],
  ),
  ...Object.entries(places).flatMap(([name, place]) =>
    place.desk ? [[`${name}, at the desk`, { who: 'desk@longest.example', place }] as const] : [],
  ),
].map(([name, of]) => [name, of])
for (const [name, { who, place }] of sampled(elsewhere, isSample ? 5 : 7)) {
  test(`${name}: no serious fault of access, and it fits`, async ({ browser, longest }) => {
    const context = await browser.newContext({ storageState: await longest.as(who), baseURL: longest.address })
    const page = await context.newPage()
    await holds(page, place.path(longest), place)
    await context.close()
  })
}

test('the door: no serious fault of access, and it fits', async ({ page }) => {
  for (const path of ['/sign-in', '/forgotten', '/check-in']) {
    await page.goto(path)
    await expect(page.getByText('Demo: all of it is made up')).toBeVisible()
    await accessible(page)
    await fits(page, { phone: true })
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
  await expect(page.getByText('Booked for 15 January 2030, 14:30.')).toBeVisible()
  await page.getByRole('link', { name: 'Details' }).click()
  await expect(page.getByLabel('Telephone').first()).toBeVisible()
  for (const clinical of ['Weight, kg', 'Says little of pain']) await expect(page.getByText(clinical)).toHaveCount(0)
  await expect(page.getByRole('group', { name: 'Skin' })).toHaveCount(0)
  await page.getByLabel('Telephone').first().fill('+44 20 7946 0000')
  await page.getByRole('button', { name: 'Keep it so' }).click()
  await expect(page.getByText('Kept.')).toBeVisible()
})
