import { expect, test } from './test'
import { accessible, denied, heard, inHand, openClient, openStep, openWith, planned, roomTo, saved, signIn, token } from './steps'

test('consent taken back in the running treatment takes its steps out at once, and stays so', async ({ page }) => {
  const visit = await planned(page, 'Isolde Marsh')
  await roomTo(page, /^Sternocleidomastoid/)
  await heard(page, () => page.keyboard.press('Enter')) // begun: the hand is on it
  const told = page.waitForResponse(
    (response) => response.url().endsWith('/events') && response.request().postData()?.includes('consent_withdrawn') === true,
  )
  await heard(page, () => page.getByRole('button', { name: /Something is wrong/ }).click())
  await heard(page, () => page.getByRole('button', { name: /^Takes back: the front/ }).click())
  await expect.poll(() => inHand(page)).not.toContain('Sternocleidomastoid')
  await expect(page.getByText(/Taken back: the front and side of the neck/)).toBeVisible()
  expect((await told).ok()).toBe(true)
  await page.reload()
  for (let tap = 0; tap < 60 && (await inHand(page)) !== 'Done'; tap++) {
    expect(await inHand(page)).not.toContain('Sternocleidomastoid')
    await heard(page, () => page.keyboard.press('Enter'))
  }
  await page.goto(`${visit}/agree`)
  await expect(page.getByRole('group', { name: /front and side of the neck/ }).getByRole('button', { name: 'no' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
})

test('an emergency answer stops the visit: nothing gets past it by link, by an open room or by request', async ({ page, context }) => {
  const visit = await planned(page, 'Corin Wade')
  const room = page
  const desk = await context.newPage()
  await desk.goto(`${visit}/screen`)
  await saved(desk, () =>
    desk
      .getByRole('group', { name: /drooping face/ })
      .getByRole('button', { name: 'yes' })
      .click(),
  )
  await expect(desk.getByRole('status').first()).toContainText('Emergency')
  await expect(desk.getByLabel(/Treat all the same/)).toHaveCount(0)
  // the room that was open already finds out by itself
  await expect(room.getByRole('heading', { name: 'Not yet' })).toBeVisible()
  // by link, and by request
  await desk.goto(`${visit}/work`)
  await expect(desk.getByRole('heading', { name: 'Not yet' })).toBeVisible()
  await desk.goto(`${visit}/plan`)
  await expect(desk.getByRole('button', { name: /Agree this with/ })).toHaveCount(0)
  const answer = await context.request.post(`${visit}/plan`, {
    headers: { 'X-XSRF-TOKEN': await token(page), Accept: 'application/json' },
    data: { key: '01KB3J5Y7V0000000000000001' },
  })
  expect(answer.status()).toBe(422)
  expect(Object.keys(((await answer.json()) as { errors: Record<string, string[]> }).errors)).toEqual(['plan'])
})

test('a stop sign is one touch, says what to do now, and leads to the letter', async ({ page }) => {
  const visit = await planned(page, 'Maren Holt')
  await roomTo(page, /^Sternocleidomastoid/)
  await heard(page, () => page.keyboard.press('Enter'))
  await expect(page.getByRole('note', { name: /^The pulse beside it/ })).toBeVisible()
  // what to watch comes one at a time, and the place never to press with its safe line
  const never = page.getByRole('note', { name: /Never press: .* Safe line:/ })
  for (let next = 0; next < 8 && !(await never.count()); next++) await page.keyboard.press('h')
  await expect(never).toBeVisible()
  const told = page.waitForResponse(
    (response) => response.url().endsWith('/events') && response.request().postData()?.includes('"dizzy"') === true,
  )
  await heard(page, () => page.getByRole('button', { name: /Something is wrong/ }).click())
  const signs = page.getByRole('group', { name: 'Stop signs' })
  for (const button of await signs.getByRole('button').all()) expect((await button.boundingBox())?.height).toBeGreaterThanOrEqual(64)
  await accessible(page)
  await heard(page, () => signs.getByRole('button', { name: 'Dizzy' }).click())
  await expect(page.getByRole('alertdialog')).toContainText('Nothing more on the neck today')
  expect((await told).ok()).toBe(true)
  await accessible(page)
  await heard(page, () => page.getByRole('button', { name: 'End it, and send on' }).click())
  await expect(page).toHaveURL(`${visit}/letter`)
  await page.goto(`${visit}/after`)
  const record = page.getByRole('complementary')
  await expect(record.getByRole('listitem').filter({ hasText: 'Dizzy, at Sternocleidomastoid' })).toHaveText(/^\d\d:\d\d/)
  await expect(record.getByRole('listitem').filter({ hasText: 'The front and side of the neck, lightly: yes' })).toContainText(
    'Asked by Nell Harrow',
  )
})

test('a minor waits for a guardian, whose words are kept with who asked', async ({ page }) => {
  await signIn(page)
  await openClient(page, 'Tam Wick')
  await page.getByRole('button', { name: /Start visit/ }).click()
  await openStep(page, 'Screen')
  await denied(page)
  const follows = page.getByRole('region', { name: 'What follows' })
  await expect(follows).toContainText('Not today')
  const guardian = page.getByRole('region', { name: 'Guardian' })
  await expect(guardian.getByLabel('Who answers')).toHaveValue('Orla Wick')
  await saved(page, () => guardian.getByRole('button', { name: 'agrees' }).click())
  await expect(guardian).toContainText('Asked by Nell Harrow')
  await expect(follows).not.toContainText('Not today')
  await accessible(page)
})

test('the cap of age is raised in writing, the calf is counted, and what stands in hand leads the strip', async ({ page }) => {
  await signIn(page)
  await openClient(page, 'Edda Vorn')
  await page.getByRole('button', { name: /Start visit/ }).click()
  await openStep(page, 'Screen')
  await denied(page)
  const follows = page.getByRole('region', { name: 'What follows' })
  await follows.getByText('Raise the cap of age, in writing').click()
  await follows.getByLabel(/Age alone caps pressure at 5/).fill('Strong bones but for the spine, used to firm work.')
  await saved(page, () => follows.getByRole('button', { name: 'Raise it to 6, on the record' }).click())
  await expect(follows).toContainText('pressure at most 6')
  await expect(follows).toContainText('Decided in writing, pressure up to 6')
  // a calf that has changed: the score counts, and the legs are left alone
  await saved(page, () =>
    page
      .getByRole('group', { name: /A calf that is hot/ })
      .getByRole('button', { name: 'yes' })
      .click(),
  )
  const calf = page.getByRole('region', { name: 'Calf' })
  await saved(page, () =>
    calf
      .getByRole('group', { name: /Pitting swelling/ })
      .getByRole('button', { name: 'yes' })
      .click(),
  )
  await expect(calf).toContainText(/^The calf\s*1 now; between −1 and 9/)
  await accessible(page)
  await openWith(page, page.url().replace(/\/screen$/, ''), 'feel', { muscle: 'gastrocnemius', side: 'left' })
  await expect(page.getByRole('region', { name: 'Safety' }).locator('p').first()).toContainText(
    /calf.*nothing pressed|Leg.*nothing pressed/i,
  )
})
