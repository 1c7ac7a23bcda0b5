import { expect, test, type Page, type Route } from './test'
import { heard, inHand, newClient, openStep, planned, roomTo, signIn } from './steps'

/** Everything this browser keeps, in one text: what anybody who sits down at it could read. */
const kept = (page: Page): Promise<string> =>
  page.evaluate(async () => JSON.stringify([{ ...localStorage }, { ...sessionStorage }, await indexedDB.databases(), history.state]))
const noAnswer = async (page: Page, on: boolean) => {
  for (const address of ['**/entries*', '**/events'])
    await (on
      ? page.route(address, (route) => (route.request().method() === 'GET' ? route.continue() : route.abort()))
      : page.unroute(address))
}

test('what could not be sent is sealed at sign-out, never sent by another, and told at the next sign-in', async ({ page }) => {
  await signIn(page)
  await newClient(page, 'Rhona Teal')
  await page.getByRole('button', { name: 'Start visit 1' }).click()
  await openStep(page, 'Feel')
  const visit = page.url()
  await noAnswer(page, true)
  const right = page.getByRole('group', { name: 'Tenderness, right' }).getByRole('button', { name: '3' })
  await right.click()
  await expect(page.getByText('No connection. What you touched is kept here')).toBeVisible()
  // at no time does it lie there in the clear
  expect(await kept(page)).not.toContain('tenderness')
  await page.goto('/')
  await expect(page.getByText('1 finding of yours could not be sent from this device.')).toBeVisible()
  await page.getByRole('button', { name: 'Sign out' }).click()
  await expect(page.getByRole('alertdialog')).toContainText('1 finding was not sent.')
  await page.getByRole('button', { name: 'Stay' }).click()
  await page.getByRole('button', { name: 'Sign out' }).click()
  await page.getByRole('button', { name: 'Keep on this device for me, and sign out' }).click()
  await expect(page).toHaveURL(/sign-in$/)
  const left = await kept(page)
  for (const word of ['tenderness', 'Rhona', 'palpation', 'levator']) expect(left).not.toContain(word)
  await noAnswer(page, false)

  // somebody else at the same window: neither told, nor theirs to send
  const sent: string[] = []
  page.on('request', (request) => request.method() !== 'GET' && sent.push(request.url()))
  await signIn(page, 'desk')
  await expect(page.getByText('could not be sent')).toHaveCount(0)
  await page.getByRole('button', { name: 'Sign out' }).click()
  await expect(page).toHaveURL(/sign-in$/)
  expect(sent.filter((url) => /entries|events/.test(url))).toEqual([])

  await signIn(page)
  await expect(page.getByText('1 finding of yours could not be sent from this device.')).toBeVisible()
  const arrived = page.waitForResponse((response) => response.url().includes('/entries') && response.request().method() === 'PUT')
  await page.getByRole('link', { name: /Open the visit/ }).click()
  expect((await arrived).ok()).toBe(true)
  await (await arrived).finished()
  expect(page.url()).toContain(new URL(visit).pathname.split('/')[2])
  await expect(right).toHaveAttribute('aria-pressed', 'true')
  await page.goto(visit)
  await expect(right).toHaveAttribute('aria-pressed', 'true')
  await page.goto('/')
  await expect(page.getByText('could not be sent')).toHaveCount(0)
})

test('what could not be sent is discarded at sign-out where its owner says so', async ({ page }) => {
  await signIn(page)
  await newClient(page, 'Sorrel Teal')
  await page.getByRole('button', { name: 'Start visit 1' }).click()
  await openStep(page, 'Feel')
  await noAnswer(page, true)
  await page.getByRole('group', { name: 'Tenderness, left' }).getByRole('button', { name: '2' }).click()
  await expect(page.getByText('No connection. What you touched is kept here')).toBeVisible()
  await page.goto('/')
  await page.getByRole('button', { name: 'Sign out' }).click()
  await page.getByRole('button', { name: 'Discard, and sign out' }).click()
  await expect(page).toHaveURL(/sign-in$/)
  expect(await kept(page)).not.toContain('unsent.')
  await noAnswer(page, false)
  await signIn(page)
  await expect(page.getByText('could not be sent')).toHaveCount(0)
})

test('what takes a while says so: a line first, then for how long; what is quick, and what is sent meanwhile, says nothing', async ({
  page,
}) => {
  await signIn(page)
  const waiting = page.getByTestId('waiting')
  const slow = (ms: number) => async (route: Route) => {
    await new Promise((done) => setTimeout(done, ms))
    await route.continue()
  }
  await page.route('**/caseload*', slow(2600))
  await page.getByRole('link', { name: 'Caseload' }).first().click()
  await expect(waiting).toBeVisible()
  await expect(waiting).not.toContainText('second')
  await expect(waiting).toContainText('Still working, 2 seconds.')
  await expect(page.getByTestId('waiting-heard')).toHaveText('Still working')
  await expect(page).toHaveURL(/caseload/)
  await expect(waiting).toHaveCount(0)

  // what is fetched beside a page as well
  await page.route('**/clients/search', slow(700))
  await page.keyboard.press('/')
  await page.keyboard.type('brack')
  await expect(waiting).toBeVisible()
  await expect(page.getByRole('option', { name: /Ottoline Brack/ })).toBeVisible()
  await expect(waiting).toHaveCount(0)

  // the screen tells the server by itself that somebody is there: nobody waits for that
  await page.route('**/touched', slow(1200))
  await page.evaluate(() => window.dispatchEvent(new Event('pointerdown')))
  await page.waitForTimeout(600)
  await expect(waiting).toHaveCount(0)
})

test('a busy server is said to be busy, and what was asked is done as soon as it is free', async ({ page }) => {
  await signIn(page)
  await newClient(page, 'Tamsin Reed')
  let busy = 2
  await page.route('**/clients/*/visits', (route) =>
    busy-- > 0 ? route.fulfill({ status: 503, headers: { 'Retry-After': '1' }, json: { message: 'busy' } }) : route.continue(),
  )
  let answers = 1
  await page.route('**/up', (route) => (answers-- > 0 ? route.fulfill({ status: 503, json: { up: false } }) : route.continue()))
  await page.getByRole('button', { name: 'Start visit 1' }).click()
  await expect(page.getByTestId('connection')).toHaveText('The server is busy, trying again.')
  await expect(page).toHaveURL(/\/ask$/)
  await expect(page.getByTestId('connection')).toHaveCount(0)
  await page.getByRole('link', { name: 'Tamsin Reed' }).click()
  await expect(page.getByRole('list').getByText('open')).toHaveCount(1)
})

test('a visit begun where no answer came is begun once when the connection is back', async ({ page }) => {
  await signIn(page)
  await newClient(page, 'Una Wren')
  let lost = 1
  // the server does it, and its answer is lost on the way
  await page.route('**/clients/*/visits', async (route) => {
    if (lost-- <= 0) return route.continue()
    await route.fetch({ maxRedirects: 0 })
    await route.abort()
  })
  await page.getByRole('button', { name: 'Start visit 1' }).click()
  await expect(page).toHaveURL(/\/ask$/)
  await page.getByRole('link', { name: 'Una Wren' }).click()
  await expect(page.getByRole('region', { name: 'Visits' }).getByRole('link', { name: /open/ })).toHaveCount(1)
})

test('consent taken back at the desk stops the room within seconds, and only a consent given after that lifts it', async ({
  page,
  context,
}) => {
  const visit = await planned(page, 'Isolde Marsh')
  await roomTo(page, /^Sternocleidomastoid/)
  const wrong = page.getByRole('button', { name: /Something is wrong/ })
  const desk = await context.newPage()
  await desk.goto(`${visit}/agree`)
  await desk
    .getByRole('group', { name: /front and side of the neck/ })
    .getByRole('button', { name: 'no' })
    .click()
  await expect.poll(() => inHand(page)).not.toContain('Sternocleidomastoid')
  await heard(page, () => wrong.click())
  await heard(page, () => page.getByRole('button', { name: /Agrees again: the front and side of the neck/ }).click())
  // the room had not read what the desk wrote when it was opened: it stands
  await page.reload()
  await wrong.click()
  const again = page.getByRole('button', { name: /Agrees again: the front and side of the neck/ })
  await expect(again).toBeVisible()
  const told = page.waitForResponse((response) => response.url().endsWith('/events'))
  await heard(page, () => again.click())
  await told
  await heard(page, () => wrong.click())
  await expect(page.getByRole('button', { name: /Takes back: the front and side of the neck/ })).toBeVisible()
})

/** A page that was asked for, and made, before the touch arrived, and is shown only after the touch was answered. */
async function reloadedOlder(page: Page, address: string, touch: () => Promise<unknown>): Promise<void> {
  let answer = () => {}
  const answered = new Promise<void>((done) => (answer = done))
  let made = () => {}
  const pageMade = new Promise<void>((done) => (made = done))
  await page.route(address, async (route) => {
    if (route.request().method() === 'GET') return route.continue()
    await pageMade
    await route.fulfill({ response: await route.fetch() })
    setTimeout(answer, 500)
  })
  await page.route(page.url(), async (route) => {
    const response = await route.fetch()
    made()
    await answered
    await route.fulfill({ response })
  })
  await touch()
  await page.reload()
  await page.unroute(address)
  await page.unroute(page.url())
}

test('a page made before a touch arrived, and shown after it was answered, still has it', async ({ page }) => {
  await signIn(page)
  await newClient(page, 'Perrin Flax')
  await page.getByRole('button', { name: 'Start visit 1' }).click()
  await openStep(page, 'Feel')
  const right = page.getByRole('group', { name: 'Tenderness, right' }).getByRole('button', { name: '3' })
  await reloadedOlder(page, '**/entries*', () => right.click())
  await expect(right).toHaveAttribute('aria-pressed', 'true')
})

test('the room is where it was left, though its page is older than the last touch', async ({ page }) => {
  await planned(page, 'Corin Vetch')
  await page.getByRole('button', { name: /Skip/ }).click()
  await reloadedOlder(page, '**/events', () => heard(page, () => page.getByRole('button', { name: /^All of Settle/ }).click()))
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await expect(page.getByRole('heading', { name: /Settle/ })).toHaveCount(0)
  await page.reload()
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await expect(page.getByRole('heading', { name: /Settle/ })).toHaveCount(0)
})
