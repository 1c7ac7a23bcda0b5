import { readFileSync } from 'node:fs'
import { accessible, assessed, heard, inHand, later, planned, recorded, roomTo, saved, signIn } from './steps'
import { expect, test } from './test'

/** The step in hand, begun and ended a minute later: less than a second of hands is no work, and no note tells of it. */
async function worked(page: import('@playwright/test').Page): Promise<void> {
  await heard(page, () => page.keyboard.press('Enter'))
  await later(page, 60_000)
  await heard(page, () => page.keyboard.press('Enter'))
}
const said = (page: import('@playwright/test').Page, id: string) => page.locator(`[data-sentence="${id}"]`)

test('the note is composed, changed sentence by sentence, and asks where its facts have changed', async ({ page }) => {
  await signIn(page)
  const visit = await assessed(page, 'Ilse Marten', [
    { kind: 'complaint', payload: { zone: 'neck_side', side: 'left', now: 5, words: 'Like a rope' } },
    { kind: 'range', payload: { movement: 'cervical.rotation', side: 'left', active: 52, pain: 3 } },
    { kind: 'range', payload: { movement: 'cervical.rotation', side: 'right', active: 71 } },
    { kind: 'palpation', payload: { muscle: 'levator_scapulae', side: 'left', tenderness: 3, familiar: 'yes' } },
  ])
  await page.goto(`${visit}/after`)
  await expect(said(page, 'reason.complaint.neck_side:left')).toContainText('In the client’s words: “Like a rope.”')
  await accessible(page)

  // one stop of Tab for all sentences, arrows between them; Enter opens one, which says where it was read
  const first = page.getByRole('button', { name: /^Pain in the side of the neck.*Change this sentence/ })
  await first.focus()
  await page.keyboard.press('ArrowDown')
  await expect(page.getByRole('button', { name: /^Danger signs.*Change this sentence/ })).toBeFocused()
  const turning = said(page, 'found.range.cervical.rotation')
  await turning.getByRole('button').click()
  await expect(page.getByRole('link', { name: 'Move: Turning the head' })).toHaveAttribute('href', `${new URL(visit).pathname}/move`)
  await page.getByLabel('The sentence').fill('Turns left 52°, and it pulls.')
  await saved(page, () => page.getByRole('button', { name: 'Keep it so' }).click())
  await expect(turning).toHaveText('Turns left 52°, and it pulls.')
  await said(page, 'reasoning.lead').getByRole('button').click()
  await page.keyboard.press('Escape')
  await expect(page.getByLabel('The sentence')).toHaveCount(0)
  await said(page, 'found.palpation.levator_scapulae.left').getByRole('button').click()
  await saved(page, () => page.getByRole('button', { name: 'Leave it out' }).click())
  await expect(page.getByRole('button', { name: /^Left out: Left levator scapulae/ })).toBeVisible()

  await recorded(
    page,
    visit,
    [{ kind: 'range', payload: { movement: 'cervical.rotation', side: 'right', active: 78 } }].map((one) => ({ ...one, seen: 1 })),
  )
  await page.reload()
  await expect(turning.getByRole('status')).toContainText('The record says something else by now')
  await expect(turning).toContainText('right 78°')
  await saved(page, () => turning.getByRole('button', { name: 'Mine stands' }).click())
  await expect(turning.getByRole('status')).toHaveCount(0)

  await page.getByLabel('To look at first').fill('The right side of the neck.')
  await page.getByRole('button', { name: 'Sign and freeze' }).click()
  await expect(page.getByText('Turns left 52°, and it pulls.')).toBeVisible()
  await expect(page.getByText('Left levator scapulae: tenderness')).toHaveCount(0)

  // a correction of one sentence, with its reason; what was signed is read beside it
  await page.getByRole('button', { name: 'Correct it' }).click()
  await turning.getByRole('button').click()
  await page.getByLabel('The sentence').fill('Turns left 50°, and it pulls.')
  await page.getByRole('button', { name: 'Keep it so' }).click()
  await page.getByLabel('Why it is corrected').fill('Read off wrongly.')
  await page.getByRole('button', { name: 'Sign the correction' }).click()
  await page.getByRole('link', { name: 'The note, to print' }).click()
  await expect(page.locator('del')).toHaveText('52°, ')
  await expect(page.locator('ins')).toHaveText('50°, ')
  await accessible(page)
  const [pdf] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'PDF' }).click()])
  expect(
    readFileSync(await pdf.path())
      .subarray(0, 4)
      .toString(),
  ).toBe('%PDF')
})

test('what was done stands in the note, and the next visit is booked in two touches', async ({ page }) => {
  const visit = await planned(page, 'Uwe Lindgard')
  await roomTo(page, /^Sternocleidomastoid/)
  await worked(page)
  expect(await inHand(page)).not.toBe('')
  await page.goto(`${visit}/after`)
  await expect(page.getByRole('button', { name: /^Warmed up.*Change this sentence/ })).toBeVisible()
  await expect(page.getByText(/^Planned and not worked: .*levator scapulae/)).toBeVisible()

  await expect(page.getByRole('heading', { name: 'Next visit' })).toBeVisible()
  await expect(page.getByText(/^In 7 days, \d+ min\./)).toBeVisible()
  await page.getByRole('radiogroup', { name: 'Free then' }).getByRole('radio').first().click()
  await page.getByLabel('A word to the desk').fill('Print the exercises.')
  await page.getByRole('button', { name: 'Book it' }).click()
  await expect(page.getByText(/^Booked: .*\. To the desk: Print the exercises\.$/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Book it' })).toHaveCount(0)
})

test('what the room could not send as it was left is sent from the note, which then says it', async ({ page }) => {
  const visit = await planned(page, 'Ottmar Rieck')
  await roomTo(page, /^Sternocleidomastoid/)
  await worked(page)
  await expect.poll(async () => (await page.request.get(`${visit}/after`)).text()).toContain('Planned and not worked')
  await roomTo(page, /^Levator scapulae/)
  await page.route('**/events', (route) => route.abort())
  await worked(page)
  await page.goto(`${visit}/after`)
  await expect(page.getByText(/^Planned and not worked: .*levator scapulae/)).toBeVisible()
  await page.unroute('**/events')
  await expect(page.getByText(/^Planned and not worked: .*levator scapulae/)).toHaveCount(0)
  await expect(page.getByText(/levator scapulae/i).first()).toBeVisible()
})

test('what was worked gets something for home, with its dose, on a sheet to take along', async ({ page }) => {
  const visit = await planned(page, 'Hedda Voss')
  await roomTo(page, /^Levator scapulae/)
  await worked(page)
  await page.goto(`${visit}/after`)
  await saved(page, () => page.getByRole('button', { name: 'Hand out Shrug and drop' }).click())
  await expect(page.getByRole('button', { name: /^Shrug and drop, left: 6 times, every hour at work\. Change/ })).toBeVisible()
  const dose = page.getByLabel('How much of Shrug and drop')
  await saved(page, async () => {
    await dose.fill('4 times')
    await dose.blur()
  })
  await page.getByRole('link', { name: 'The sheet, to print' }).click()
  await expect(page.getByText('4 times, every hour at work')).toBeVisible()
  await accessible(page)
  await page.goBack()
  await saved(page, () => page.getByRole('button', { name: 'Take back Shrug and drop' }).click())
  await expect(page.getByRole('button', { name: 'Hand out Shrug and drop' })).toBeVisible()
})
