import { AxeBuilder } from '@axe-core/playwright'
import { readFileSync } from 'node:fs'
import { expect, type BrowserContext, type Locator, type Page } from './test'

/** Where somebody came in once, by name: the door is a test of its own, and takes its time. */
const keys = new Map<string, Awaited<ReturnType<BrowserContext['cookies']>>>()

/** `anew`: at a server of a test's own, whose door nobody of the others came through. */
export async function signIn(page: Page, who = 'nell', anew = false): Promise<void> {
  if (!anew) await page.context().addCookies(keys.get(who) ?? [])
  await page.goto('/')
  if (new URL(page.url()).pathname === '/sign-in') {
    await page.getByLabel('Address').fill(`${who}@lantern-yard.example`)
    await page.getByLabel('Password').fill('lantern-yard')
    await page.getByRole('button', { name: 'Sign in' }).click()
    await expect(page).toHaveURL('/')
    if (!anew) keys.set(who, await page.context().cookies())
  }
  await expect(page).toHaveURL('/')
  // the whole page is loaded anew at the door: keys are heard once it is drawn
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
}

/** Every touch is saved: waits until the server has the last one. */
export async function saved(page: Page, act: () => Promise<unknown>): Promise<void> {
  const answer = page.waitForResponse((response) => response.url().includes('/entries') && response.request().method() === 'PUT')
  await act()
  expect((await answer).ok()).toBe(true)
}

/**
 * Reads out the danger signs of every visit, the others, and each group after them that is open, one by one, and has all denied. Returns
 * how many touches it took.
 */
export async function denied(page: Page): Promise<number> {
  await expect(page.getByRole('region', { name: 'What follows' })).toBeVisible()
  let touches = 0
  for (const button of [
    page.getByRole('button', { name: /read out, all denied/ }),
    page.getByRole('button', { name: /: none of (these|the others)$/ }),
  ]) {
    for (let left = await button.count(); left > 0; left--, touches++) {
      const kept = page.waitForResponse((response) => response.url().includes('/entries') && response.request().method() !== 'GET')
      await button.first().click()
      expect((await kept).ok()).toBe(true)
      await expect(button).toHaveCount(left - 1)
    }
  }
  return touches
}

export async function openStep(page: Page, name: string): Promise<void> {
  await page
    .getByRole('navigation', { name: 'Steps of the visit' })
    .getByRole('link', { name: new RegExp(`^${name}`) })
    .click()
  await expect(page.getByRole('navigation', { name: 'Steps of the visit' }).locator('[aria-current=step]')).toContainText(name)
}

/** No serious fault for a screen reader, a keyboard or a weak eye. */
export async function accessible(page: Page): Promise<void> {
  // the figure is one picture with a name: the thousand strokes inside say nothing to a reader of screens
  // in the page itself and not in a second one beside it: there are no frames here, and it takes a third of the time
  const { violations } = await new AxeBuilder({ page }).setLegacyMode().exclude('svg[role=img] > *').analyze()
  const grave = violations.filter((one) => one.impact === 'serious' || one.impact === 'critical')
  expect(grave.map((one) => `${one.id}: ${one.nodes[0]?.target.join(' ')} ${one.nodes[0]?.failureSummary ?? ''}`)).toEqual([])
}

/** Seven to one for all words, four and a half for large ones: the room is dim and the eye elsewhere. */
export async function contrasty(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).setLegacyMode().withRules(['color-contrast-enhanced']).analyze()
  expect(violations.flatMap((one) => one.nodes.map((node) => `${node.target.join(' ')} ${node.failureSummary ?? ''}`))).toEqual([])
}

export async function newClient(page: Page, name: string): Promise<void> {
  await page.goto('/clients/new')
  await page.getByLabel('Name').fill(name)
  await page.getByLabel('Date of birth').fill('1990-05-04')
  await page.getByRole('button', { name: 'Save and open' }).click()
  await expect(page.getByRole('heading', { name })).toBeVisible()
}

/** Opens a client of the demo story, however long ago it was seen. */
export async function openClient(page: Page, name: string): Promise<void> {
  await page.goto('/')
  await page.getByLabel('Find a client').fill(name)
  await page.getByRole('option', { name: new RegExp(name) }).click()
  await expect(page).toHaveURL(/\/clients\//) // Today may name them too
  await expect(page.getByRole('heading', { name })).toBeVisible()
}

/** Opens a step with something in hand, as a touch on another step does. */
export async function openWith(page: Page, visit: string, step: 'move' | 'feel', hand: Record<string, string>): Promise<void> {
  const id = visit.split('/').at(-1) ?? ''
  await page.evaluate(([key, value]) => sessionStorage.setItem(key!, value!), [`somatrace.hand.${id}.${step}`, JSON.stringify(hand)])
  await page.goto(`${visit}/${step}`)
}

/** Chooses from a list of ours: it opens on a click, and one of what it shows is touched. */
export async function choose(list: Locator, which: string | { label: string } | { index: number }): Promise<void> {
  await list.click()
  const options = list.page().locator('[data-options] [role=option]')
  if (typeof which === 'string') await options.and(list.page().locator(`[data-value="${which}"]`)).click()
  else if ('index' in which) await options.nth(which.index).click()
  else await list.page().locator('[data-options]').getByRole('option', { name: which.label, exact: true }).click()
}

/** What a list of ours offers: it is opened, read and closed again. */
export async function offered(list: Locator): Promise<{ id: string; name: string; barred: boolean }[]> {
  await list.click()
  const options = list.page().locator('[data-options] [role=option]')
  await expect(options.first()).toBeVisible()
  const read = await options.evaluateAll((rows) =>
    rows.map((row) => ({
      id: row.getAttribute('data-value') ?? '',
      name: row.textContent?.trim() ?? '',
      barred: row.getAttribute('aria-disabled') === 'true',
    })),
  )
  await list.page().keyboard.press('Escape')
  await expect(options).toHaveCount(0)
  return read
}
/** What stands in a list of ours. */
export const standsIn = (list: Locator, id: string): Promise<void> => expect(list).toHaveAttribute('data-value', id)

/** What a request of this page has to carry to be believed. */
export const token = async (page: Page): Promise<string> =>
  decodeURIComponent((await page.context().cookies()).find((one) => one.name === 'XSRF-TOKEN')?.value ?? '')

/** The page as the server makes it now. */
export async function propsOf<T>(page: Page, url: string): Promise<T> {
  const html = await (await page.request.get(url)).text()
  const at =
    /<script data-page="app"[^>]*>([^<]*)</.exec(html)?.[1] ?? /data-page="([^"]*)"/.exec(html)?.[1]?.replaceAll('&quot;', '"') ?? ''
  return (JSON.parse(at) as { props: T }).props
}

/** Findings put down without the interface, where another test looks at how they are put down. */
export async function recorded(page: Page, visit: string, entries: { kind: string; identity?: string; payload: unknown }[]): Promise<void> {
  const answer = await page.request.post(`${visit}/entries`, {
    headers: { 'X-XSRF-TOKEN': await token(page), Accept: 'application/json' },
    data: { entries: entries.map((one) => ({ phase: 'before', seen: 0, ...one })) },
  })
  expect(answer.status(), await answer.text()).toBe(200)
}

const questionGroups = [
  'red_flags_every_visit',
  'red_flags_other',
  ...Object.keys(
    (JSON.parse(readFileSync('resources/js/chart/atlas.generated.json', 'utf8')) as { groups: Record<string, unknown> }).groups,
  ),
]
const everyFlag = Object.keys(
  (JSON.parse(readFileSync('resources/js/chart/atlas.generated.json', 'utf8')) as { flags: Record<string, unknown> }).flags,
)
/** Every danger sign and every group of questions, asked and denied. */
export const everythingDenied = () => [
  ...everyFlag.map((identity) => ({ kind: 'red_flag', identity, payload: 'no' })),
  ...questionGroups.map((identity) => ({ kind: 'group_asked', identity, payload: true })),
]
/** A new client on a first visit, everything asked and denied, with these findings; the address of the visit. */
export async function assessed(
  page: Page,
  name: string,
  findings: { kind: string; identity?: string; payload: unknown }[],
): Promise<string> {
  await newClient(page, name)
  await page.getByRole('button', { name: 'Start visit 1' }).click()
  await expect(page).toHaveURL(/ask$/)
  const visit = page.url().replace(/\/ask$/, '')
  await recorded(page, visit, [...everythingDenied(), ...findings])
  return visit
}

/** A neck whose source lies in front, agreed and planned: the room stands ready. */
export async function planned(
  page: Page,
  name: string,
  more: { kind: string; identity?: string; payload: unknown }[] = [],
): Promise<string> {
  await signIn(page)
  await newClient(page, name)
  await page.getByRole('button', { name: 'Start visit 1' }).click()
  await expect(page).toHaveURL(/ask$/)
  const visit = page.url().replace(/\/ask$/, '')
  const felt = { side: 'left', tenderness: 3, familiar: 'yes' }
  await recorded(page, visit, [
    ...everythingDenied(),
    { kind: 'complaint', payload: { zone: 'neck_side', side: 'left', now: 5 } },
    { kind: 'palpation', payload: { muscle: 'sternocleidomastoid_sternal', ...felt } },
    { kind: 'palpation', payload: { muscle: 'levator_scapulae', ...felt } },
    { kind: 'consent', payload: { area: 'front_of_neck', given: true } },
    ...more,
  ])
  await page.goto(`${visit}/plan`)
  await page.getByRole('button', { name: /Agree this with/ }).click()
  await expect(page.getByRole('heading', { name: /Settle/ })).toBeVisible()
  return visit
}

/** The page is told that what is touched from now on came so much later, in milliseconds: nobody waits for that. */
export const later = (page: Page, ms: number): Promise<void> =>
  page.evaluate((more) => {
    const seen = window as unknown as { ahead?: number }
    if (seen.ahead === undefined) {
      const own = Object.getOwnPropertyDescriptor(Event.prototype, 'timeStamp')?.get
      Object.defineProperty(Event.prototype, 'timeStamp', {
        get(this: Event) {
          return (own?.call(this) as number) + (seen.ahead ?? 0)
        },
      })
    }
    seen.ahead = (seen.ahead ?? 0) + more
  }, ms)

/** The room is deaf for half a second after each touch: one that is meant comes after it. That it is deaf is tried in true time. */
export async function heard(page: Page, act: () => Promise<unknown>): Promise<void> {
  await later(page, 560)
  await act()
}
/** What is in hand in the room: the name of its step, "Done" at the end. */
export const inHand = async (page: Page): Promise<string> => {
  const title = page.getByRole('heading', { level: 1 })
  return (await title.getAttribute('aria-label')) ?? (await title.textContent())?.trim() ?? ''
}
/** Goes on, touch by touch, until a step of that name is in hand, or the end; it is not begun. */
export async function roomTo(page: Page, name: RegExp, touch = () => page.keyboard.press('Enter')): Promise<void> {
  for (let k = 0; k < 90; k++) {
    const now = await inHand(page)
    if (name.test(now) || now === 'Done') break
    await heard(page, touch)
  }
  expect(await inHand(page)).toMatch(name)
}

/** Counts every touch and every key, over all pages of the window. */
export async function counting(page: Page): Promise<() => Promise<{ touches: number; keys: number }>> {
  await page.addInitScript(() => {
    const up = (name: string) => sessionStorage.setItem(name, String(Number(sessionStorage.getItem(name) ?? 0) + 1))
    document.addEventListener('pointerdown', () => up('touches'), true)
    document.addEventListener('keydown', (event) => event.key !== 'Shift' && up('keys'), true)
  })
  return () =>
    page.evaluate(() => ({
      touches: Number(sessionStorage.getItem('touches') ?? 0),
      keys: Number(sessionStorage.getItem('keys') ?? 0),
    }))
}
