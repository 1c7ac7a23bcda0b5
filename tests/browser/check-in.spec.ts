import { expect, test } from './test'
import { accessible, newClient, openStep, signIn } from './steps'

test('a client checks in on a phone with two yes answers, and the therapist reads them first', async ({ page, browser }) => {
  await signIn(page)
  await newClient(page, 'Bettina Kray')
  await page.getByRole('button', { name: 'Make a link and a code' }).click()
  const link = new URL(await page.getByLabel('Link').inputValue()).pathname
  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  const client = await phone.newPage()
  let touches = 0
  const touch = async (name: string | RegExp, within?: RegExp) => {
    touches++
    const at = within ? client.getByRole('group', { name: within }) : client
    await at.getByRole('button', { name }).first().tap()
  }
  /** To the end of the page, as a thumb scrolls: nobody says no to what they have not seen. */
  const toTheEnd = () => client.evaluate(() => window.scrollTo(0, document.body.scrollHeight))
  await client.goto(link)
  await expect(client.getByText('Lantern Yard')).toBeVisible()
  await expect(client.getByText('Bettina')).toHaveCount(0)
  await accessible(client)
  await touch('Begin')
  await expect(client.getByRole('heading', { name: 'Where does it hurt?' })).toBeVisible()
  await expect(client.locator('.skin').first()).toBeAttached()
  await expect(client.locator('.shirt').first()).toBeAttached()
  await expect(client.locator('svg .m')).toHaveCount(0) // no muscles for laypeople
  touches++
  await expect(client.getByRole('button', { name: 'Nothing hurts' })).toBeVisible()
  await client.locator('[data-zone="low_back:right"]').tap({ force: true })
  await touch('How strong is it?')
  await touch('7', /How strong is it now/)
  await accessible(client)
  await touch('That is where it hurts')
  await expect(client.getByRole('heading', { name: 'Today' })).toBeVisible()
  await expect(client.getByRole('button', { name: 'Read on' })).toBeVisible()
  await expect(client.getByRole('button', { name: /^None of/ })).toHaveCount(0)
  await toTheEnd()
  await touch('yes', /Fever or an infection today/)
  await touch('None of the others')

  // the phone is put away and taken up again: it goes on where it was
  await expect(client.getByRole('heading', { name: 'Lately' })).toBeVisible()
  await client.reload()
  await expect(client.getByRole('heading', { name: 'Lately' })).toBeVisible()

  // a page asked for while an answer was on its way, and shown after it arrived, still has the answer
  await client.getByRole('button', { name: 'Back' }).click()
  const before = await (await client.request.get(client.url())).text()
  const kept = client.waitForResponse((answer) => answer.request().method() === 'PUT' && answer.ok())
  const headache = client.getByRole('group', { name: /worst ever/ }).getByRole('button', { name: 'not sure' })
  await headache.click()
  await kept
  await client.route(client.url(), (route) =>
    route.request().method() === 'GET' ? route.fulfill({ body: before, contentType: 'text/html' }) : route.fallback(),
  )
  await client.reload()
  await client.unroute(client.url())
  await client.getByRole('button', { name: 'Back' }).click()
  await expect(headache).toHaveAttribute('aria-pressed', 'true')
  await headache.click()
  await touch('None of the others')
  await expect(client.getByRole('heading', { name: 'Lately' })).toBeVisible()
  await toTheEnd()
  await touch('None of these')
  await expect(client.getByRole('heading', { name: 'Heart, blood and breath' })).toBeVisible()
  await toTheEnd()
  await touch('None of these')
  await expect(client.getByRole('heading', { name: 'Bones, joints and muscles' })).toBeVisible()
  await toTheEnd()
  await touch('None of these')
  await touch('yes', /^Diabetes/)
  await touch('hardly', /How much is it in your way: Diabetes/)
  await touch('longer', /How long: Diabetes/)
  await accessible(client)
  await toTheEnd()
  await touch('None of the others')
  await expect(client.getByRole('heading', { name: 'Allergies' })).toBeVisible()
  await toTheEnd()
  await touch('None of these')
  await expect(client.getByText('Diabetes?')).toBeVisible()
  await touch('Send it')
  await expect(client.getByRole('heading', { name: /your answers are with us/ })).toBeVisible()
  expect(touches).toBeLessThanOrEqual(25)
  // the link is spent
  await client.goto(link)
  await expect(client.getByRole('heading', { name: /your answers are with us/ })).toBeVisible()
  await expect(client.getByText('Bettina')).toHaveCount(0)

  await page.getByRole('button', { name: 'Start visit 1' }).click()
  await openStep(page, 'Screen')
  const note = page.getByRole('region', { name: 'From the check-in' })
  await expect(note.getByRole('listitem')).toHaveText([/^yes\s*Fever or an infection today/, /^yes\s*Diabetes/])
  await note.getByRole('button', { name: 'Take it into the record' }).click()
  await expect(note.getByText('in the record')).toBeVisible()
  await expect(page.getByRole('complementary').getByText('Not today')).toBeVisible()
  const flags = page.getByRole('region', { name: 'Red flags' }).getByRole('listitem')
  await expect(flags.nth(0)).toHaveText('New, or changed since last time')
  await expect(flags.nth(1)).toContainText('Fever or an infection today?')
  await openStep(page, 'Ask')
  await expect(page.getByRole('region', { name: 'What hurts' }).getByRole('button', { name: 'Low back right' })).toBeVisible()
  await phone.close()
})

test('wrong codes say so, and a guessed link tells nothing', async ({ page }) => {
  await page.goto('/check-in')
  await page.getByLabel('Code').fill('aaaa-aaaa')
  await page.getByRole('button', { name: 'Go on' }).click()
  await expect(page.getByRole('alert')).toContainText('does not open anything')
  await expect(page.getByLabel('Code')).toHaveValue('aaaa-aaaa')
  await accessible(page)
  const answer = await page.goto(`/check-in/${'b'.repeat(43)}`)
  expect(answer?.status()).toBe(404)
  await expect(page.getByRole('heading', { name: 'This link opens nothing' })).toBeVisible()
})
