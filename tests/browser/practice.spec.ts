import { readFileSync } from 'node:fs'
import { expect, test, type Page, type Route } from './test'
import { choose, heard, newClient, planned, recorded, signIn } from './steps'

/** Writes down and stops a visit with a neck that hurts, and gives its address. */
async function visited(page: Page, name: string): Promise<string> {
  await newClient(page, name)
  await page.getByRole('button', { name: /Start visit/ }).click()
  await expect(page).toHaveURL(/\/ask$/)
  const visit = page.url().replace(/\/ask$/, '')
  await recorded(page, visit, [
    { kind: 'complaint', payload: { zone: 'neck_back', side: 'left', now: 6 } },
    { kind: 'palpation', payload: { muscle: 'levator_scapulae', side: 'left', tenderness: 3, familiar: 'yes' } },
  ])
  return visit
}
const stop = async (page: Page, visit: string) => {
  await page.goto(`${visit}/after`)
  await page.getByLabel('Treatment, in my own words').fill('Levator left, up to 5. It softened.')
  await page.getByRole('button', { name: 'Sign and freeze' }).click()
  await expect(page.getByRole('heading', { name: /^Signed/ })).toBeVisible()
}

test('a record goes out as a file, comes in elsewhere after it was looked at, and a broken one says where', async ({ page }) => {
  await signIn(page)
  const visit = await visited(page, 'Arno Velde')
  await stop(page, visit)
  await page.getByRole('button', { name: /^Back to/ }).click()
  await page.getByRole('link', { name: 'Files' }).click()
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'fhir.json' }).click()])
  expect(JSON.parse(readFileSync(await download.path(), 'utf8')).resourceType).toBe('Bundle')
  // all of it takes a while: it is said, and what goes wrong as well
  await page.route('**/export?*', (route) => route.fulfill({ status: 500, json: { message: 'It broke.' } }), { times: 1 })
  await page.getByRole('link', { name: 'one archive' }).click()
  await expect(page.getByRole('alert')).toHaveText('It broke.')
  const slowly = (route: Route) => setTimeout(() => void route.continue(), 900)
  await page.route('**/export?*', slowly, { times: 1 })
  const [archive] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'one archive' }).click(),
    expect(page.getByText('Putting it together…')).toBeVisible(),
  ])
  expect(archive.suggestedFilename()).toMatch(/^[A-Z]{2}-\d+\.zip$/)
  expect(
    readFileSync(await archive.path())
      .subarray(0, 2)
      .toString(),
  ).toBe('PK')
  await expect(page.getByRole('alert')).toHaveCount(0)
  const caseFile = await (await page.request.get(`${visit}/case.json`)).body()

  await newClient(page, 'Britta Velde')
  await page.getByRole('link', { name: 'Files' }).click()
  await page.locator('input[type=file]').setInputFiles({ name: 'arno.case.json', mimeType: 'application/json', buffer: caseFile })
  await expect(page.getByRole('heading', { name: 'What would change' })).toBeVisible()
  await expect(page.getByText('Palpation: Levator scapulae, left')).toBeVisible()
  await page.getByRole('button', { name: 'Take it in' }).click()
  await expect(page.getByText(/^Taken in: \d+ entries/)).toBeVisible()
  await page.getByRole('link', { name: 'Britta Velde' }).click()
  await page.getByRole('link', { name: /made elsewhere/ }).click()
  await expect(page.getByText('is only read here')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Sign and freeze' })).toBeHidden()
  await page.goBack()

  await page.getByRole('link', { name: 'Files' }).click()
  const broken = JSON.parse(caseFile.toString('utf8'))
  broken.findings.palpation[0].muscle = 'wing'
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'broken.case.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(broken)) })
  await expect(page.getByRole('alert')).toContainText('/findings/palpation/0/muscle')
  await expect(page.getByRole('button', { name: 'Take it in' })).toBeHidden()
})

test('a client is changed, found twice, made one and two again, and put away', async ({ page }) => {
  await signIn(page)
  await newClient(page, 'Cato Lind')
  await newClient(page, 'Cato Lind')
  await page.getByRole('link', { name: 'Details' }).click()
  await page.getByLabel('Telephone').first().fill('not a number')
  await page.getByRole('button', { name: 'Add somebody' }).click()
  await page.getByRole('group', { name: 'Contact 1' }).getByLabel('Name').fill('Rosa Lind')
  await page.getByRole('button', { name: 'Keep it so' }).click()
  await expect(page.getByText('Digits, spaces, + and brackets')).toBeVisible()
  await expect(page.getByRole('group', { name: 'Contact 1' }).getByLabel('Name')).toHaveValue('Rosa Lind')
  await page.getByLabel('Telephone').first().fill('+44 1632 960 199')
  await page.getByRole('button', { name: 'Keep it so' }).click()
  await expect(page.getByText('Kept.')).toBeVisible()

  await page.getByRole('link', { name: 'Details' }).click()
  await expect(page.getByText('same name, same birthday')).toBeVisible()
  await page.getByRole('button', { name: 'Take its record into this one' }).click()
  await expect(page.getByRole('status')).toContainText('can be undone')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('status')).toContainText('Two records again')

  await page.getByRole('button', { name: 'Put away' }).click()
  await expect(page.getByText('Put away: found only')).toBeVisible()
  await page.goto('/clients')
  await page.getByLabel('Find').fill('cato')
  await expect(page.getByRole('rowheader')).toHaveCount(1)
  await page.getByRole('link', { name: 'those put away' }).click()
  await expect(page.getByRole('rowheader')).toHaveCount(1)
})

test('a treatment room that nobody touched is covered, opens nothing on a reload, and goes on at the same step', async ({ page }) => {
  await page.clock.install()
  await planned(page, 'Dora Finch')
  const title = page.getByRole('heading', { level: 1 })
  const cover = page.getByRole('dialog', { name: 'Locked' })
  for (let tap = 0; tap < 5; tap++) await heard(page, () => page.keyboard.press('Enter'))
  const step = (await title.textContent()) ?? ''
  expect(step).not.toMatch(/^Settle/)

  await page.clock.fastForward('09:00')
  await expect(cover).toBeHidden()
  const told = page.waitForResponse((response) => response.url().endsWith('/lock'))
  await page.clock.fastForward('01:30')
  await expect(cover).toBeVisible()
  expect((await told).ok()).toBe(true)
  await page.keyboard.press('Escape')
  await cover.getByLabel('Password').fill('somebody else')
  await cover.getByRole('button', { name: 'Go on' }).click()
  await expect(cover.getByRole('alert')).toContainText('not your password')
  await cover.getByLabel('Password').fill('lantern-yard')
  await cover.getByRole('button', { name: 'Go on' }).click()
  await expect(cover).toBeHidden()
  await expect(title).toHaveText(step)

  const toldAgain = page.waitForResponse((response) => response.url().endsWith('/lock'))
  await page.clock.fastForward('11:00')
  await expect(cover).toBeVisible()
  await toldAgain
  await page.reload()
  await expect(page).toHaveURL(/\/locked$/)
  await expect(page.getByText('Dora Finch')).toBeHidden()
  await page.getByLabel('Password').fill('lantern-yard')
  await page.getByRole('button', { name: 'Go on' }).click()
  await expect(page).toHaveURL(/\/work$/)
  await expect(title).toHaveText(step)
})

test('what is set is seen: units, dates, the palette, and the pedal in the room', async ({ page }) => {
  await signIn(page)
  await page.goto('/settings')
  const own = page.getByRole('form', { name: 'For yourself' })
  await choose(own.getByLabel('Pressure in'), 'N/cm²')
  await choose(own.getByLabel('Dates as'), 'iso')
  await choose(own.getByLabel('Palette'), 'dusk')
  await own.getByLabel('further').press('F9')
  await own.getByRole('button', { name: 'Keep it for me' }).click()
  await expect(page.getByText('Kept, for you.')).toBeVisible()
  await expect(own.getByLabel('further')).toHaveValue('F9')
  await expect(page.locator('html')).toHaveClass(/dusk/)
  await page.goto('/clients')
  await expect(page.getByRole('cell', { name: /^\d{4}-\d\d-\d\d$/ }).first()).toBeVisible()
  await page.goto('/atlas/muscle/trapezius_upper')
  await expect(page.getByText(/at about [\d.]+ N\/cm²/)).toBeVisible()

  await page.goto('/settings')
  for (const label of ['Pressure in', 'Dates as', 'Palette']) await choose(own.getByLabel(label), { index: 0 })
  await own.getByRole('button', { name: 'Keep it for me' }).click()
  await expect(page.locator('html')).not.toHaveClass(/dusk/)
})

test('a correction shows what it changed, goes to paper, and the audit tells who looked', async ({ page }) => {
  await signIn(page)
  const visit = await visited(page, 'Egon Pask')
  await stop(page, visit)
  await page.getByRole('button', { name: 'Correct it' }).click()
  await page.getByLabel('Treatment, in my own words').fill('Levator left, up to 6. It softened.')
  await page.getByLabel('Why it is corrected').fill('It was six, not five.')
  await page.getByRole('button', { name: 'Sign the correction' }).click()
  await page.getByRole('link', { name: 'The note, to print' }).click()
  await expect(page.locator('del')).toHaveText('5. ')
  await expect(page.locator('ins')).toHaveText('6. ')
  const [pdf] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'PDF' }).click()])
  expect(
    readFileSync(await pdf.path())
      .subarray(0, 4)
      .toString(),
  ).toBe('%PDF')

  await page.goto('/clinic/audit?kind=took')
  await expect(page.getByText(/downloaded the note of visit \d+ of [A-Z]+-\d+/).first()).toBeVisible()
})
