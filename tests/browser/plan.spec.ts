import { readFileSync } from 'node:fs'
import { accessible, assessed, choose, offered, saved, signIn, standsIn } from './steps'
import { expect, test, type Page } from './test'

const felt = { side: 'left', tenderness: 3, familiar: 'yes', texture: ['taut_band'] }

test('a plan is changed by hand: each change says what follows, what is forbidden says why, and all of it can be undone', async ({
  page,
}) => {
  await signIn(page)
  const visit = await assessed(page, 'Quill Harrow', [
    { kind: 'complaint', payload: { zone: 'shoulder_blade', side: 'left', now: 6 } },
    { kind: 'palpation', payload: { muscle: 'infraspinatus', ...felt } },
    { kind: 'palpation', payload: { muscle: 'rhomboids', ...felt } },
    { kind: 'medicine', payload: { medicine: 'anticoagulant', answer: 'yes' } },
  ])
  await page.goto(`${visit}/plan`)
  const targets = page.getByRole('complementary', { name: 'Targets' })
  const row = targets.getByRole('button', { name: /^Infraspinatus, left/ })
  const said = page.getByRole('status').filter({ hasText: 'min' })
  const headline = await page.locator('p.display').first().textContent()
  await row.click()

  const long = targets.getByRole('group', { name: /How long, Infraspinatus/ })
  await saved(page, () => long.getByRole('button', { name: /Shorter/ }).click())
  await expect(said).toContainText(/Infraspinatus, left [\d.]+ → [\d.]+ min/)
  await expect(long.getByRole('button', { name: /Shorter/ })).toHaveAttribute('aria-pressed', 'true')
  await saved(page, () => long.getByRole('button', { name: /Usual/ }).click())
  await expect(long.getByRole('button', { name: /Usual/ })).toHaveAttribute('aria-pressed', 'true')

  const strong = targets.getByRole('group', { name: /How strong at most, Infraspinatus/ })
  await expect(strong.getByRole('button', { name: 'Stronger' })).toBeDisabled()
  const most = Number((await strong.textContent())?.match(/At most ([\d.]+)/)?.[1])
  await saved(page, () => strong.getByRole('button', { name: 'Lighter' }).click())
  await expect(strong).toContainText(`At most ${most - 1} of 10`)
  await expect(strong.getByRole('button', { name: 'Stronger' })).toBeEnabled()

  // a blood thinner: no elbow, and it says so
  const tools = await offered(targets.getByLabel('With'))
  expect(tools.find((one) => one.name.startsWith('elbow pad'))?.barred).toBe(true)
  await targets.getByText('Why not the others').click()
  await expect(
    targets.getByRole('list', { name: 'Why not the others' }).getByRole('listitem').filter({ hasText: 'elbow pad' }),
  ).toContainText(/blood|clot|thinner/i)
  const other = tools.filter((one) => !one.barred)[2]?.id ?? ''
  await saved(page, () => choose(targets.getByLabel('With'), other))
  await standsIn(targets.getByLabel('With'), other)

  await saved(page, () => targets.getByRole('button', { name: 'Other side too' }).click())
  await expect(targets.getByRole('button', { name: 'Other side too' })).toHaveAttribute('aria-pressed', 'true')
  await accessible(page)

  for (let k = 0; k < 5; k++) await saved(page, () => page.keyboard.press('z'))
  await expect(targets.getByRole('button', { name: 'Other side too' })).toHaveAttribute('aria-pressed', 'false')
  await standsIn(targets.getByLabel('With'), '')
  await expect(page.locator('p.display').first()).toHaveText(headline ?? '')
})

test('targets are put in another order by the keys [ and ], and what cannot be is said', async ({ page }) => {
  await signIn(page)
  const visit = await assessed(page, 'Isold Marrin', [
    { kind: 'complaint', payload: { zone: 'shoulder_blade', side: 'left', now: 6 } },
    { kind: 'palpation', payload: { muscle: 'infraspinatus', ...felt } },
    { kind: 'palpation', payload: { muscle: 'teres_major', ...felt } },
  ])
  await page.goto(`${visit}/plan`)
  await expect(scoreOf(page)).toBeVisible()
  const targets = page.getByRole('complementary', { name: 'Targets' })
  const begun = async (): Promise<string[]> =>
    (
      await page
        .getByRole('group', { name: 'The plan as a score' })
        .getByRole('button', { name: /(Infraspinatus|Teres major), left/ })
        .evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')?.replace(/, left.*/, '') ?? ''))
    ).filter((name, k, all) => all.indexOf(name) === k)
  const [first, second] = await begun()
  expect([first, second].sort()).toEqual(['Infraspinatus', 'Teres major'])
  await targets.getByRole('button', { name: new RegExp(`^${second}, left`) }).click()
  const stored = page.waitForResponse((response) => response.url().includes('/entries') && response.request().method() === 'POST')
  await page.keyboard.press('[')
  expect((await stored).ok()).toBe(true)
  await expect(page.getByText('Moved.')).toBeVisible()
  await expect.poll(begun).toEqual([second, first])
  await page.keyboard.press('[')
  await expect(page.getByText('Already first in this position.')).toBeVisible()
})

test('no name is cut: the longest of the atlas, at 1280, at 1024 and at 200 %', async ({ page }) => {
  await signIn(page)
  const long = JSON.parse(readFileSync('resources/js/chart/atlas.generated.json', 'utf8')) as { muscles: { id: string; name: string }[] }
  const longest = [...long.muscles].sort((a, b) => b.name.length - a.name.length).slice(0, 8)
  const visit = await assessed(page, 'Wren Ashby', [
    { kind: 'complaint', payload: { zone: 'neck_back', side: 'right', now: 6 } },
    { kind: 'palpation', payload: { muscle: 'semispinalis_capitis', ...felt, side: 'right' } },
    { kind: 'palpation', payload: { muscle: 'trapezius_upper', ...felt } },
    ...longest.map(({ id }) => ({ kind: 'target', payload: { muscle: id, side: 'right', lock: true } })),
  ])
  await page.goto(`${visit}/plan`)
  const score = page.getByRole('group', { name: 'The plan as a score' })
  await expect(score).toBeVisible()
  const texts = await score.locator('text').allTextContents()
  expect(texts.length).toBeGreaterThan(15)
  expect(texts.filter((text) => text.includes('…'))).toEqual([])
  const targets = page.getByRole('complementary', { name: 'Targets' })
  await targets.getByRole('button', { name: /right/ }).first().click()
  for (const [width, height] of [
    [1280, 800],
    [1024, 768],
    [640, 400],
  ] as const) {
    await page.setViewportSize({ width, height })
    const cut = await score.evaluate((svg) => {
      const box = svg.getBoundingClientRect()
      const outside = [...svg.querySelectorAll('text')].filter((text) => {
        const own = text.getBoundingClientRect()
        return own.left < box.left - 1 || own.right > box.right + 1 || own.bottom > box.bottom + 1
      })
      const beside = [...document.querySelectorAll('aside button, aside b, aside p, aside select')].filter(
        (one) => one.scrollWidth > one.clientWidth + 1 && getComputedStyle(one).display !== 'inline',
      )
      return [
        ...[...outside, ...beside].map((one) => one.textContent.trim().slice(0, 60)),
        ...(document.documentElement.scrollWidth > window.innerWidth ? ['the page scrolls sideways'] : []),
      ]
    })
    expect(cut, `at ${width}`).toEqual([])
  }
})

const shoulder = [
  { kind: 'complaint', payload: { zone: 'shoulder_blade', side: 'left', now: 6 } },
  ...['infraspinatus', 'teres_major', 'rhomboids', 'levator_scapulae'].map((muscle) => ({
    kind: 'palpation',
    payload: { muscle, ...felt },
  })),
]
const targetsOf = (page: Page) => page.getByRole('complementary', { name: 'Targets' })
const scoreOf = (page: Page) => page.getByRole('group', { name: 'The plan as a score' })
/** Muscles in the order in which the score begins them. */
const begun = async (page: Page): Promise<string[]> => {
  const names = await scoreOf(page)
    .getByRole('button', { name: /, left, [\d.]+ minutes/ })
    .evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')?.replace(/, left.*/, '') ?? ''))
  return names.filter((name, k) => names.indexOf(name) === k)
}

test('how a target is done is chosen: technique, place, spots, what is added, own words; what may not be says why', async ({ page }) => {
  await signIn(page)
  const visit = await assessed(page, 'Maud Fenwright', [
    ...shoulder,
    { kind: 'medicine', payload: { medicine: 'anticoagulant', answer: 'yes' } },
  ])
  await page.goto(`${visit}/plan`)
  const targets = targetsOf(page)
  const step = page.getByRole('complementary', { name: 'Step in hand' })
  await targets.getByRole('button', { name: /^Infraspinatus, left/ }).click()
  await expect(step.getByRole('heading', { name: 'Infraspinatus, left' })).toBeVisible()
  // its spots are on the figure beside it, by the numbers they have in the list
  await expect(step.locator('[data-point]').first()).toBeVisible()
  await expect(step.locator('li', { hasText: /1 \w+/ }).first()).toBeVisible()
  const spotted = await step.locator('[data-point]').count()

  // thin blood: nothing across the fibres, and it says so
  const mainly = targets.getByLabel('Mainly')
  expect((await offered(mainly)).find((one) => one.name.startsWith('Across the fibres'))?.barred).toBe(true)
  await targets.getByText('Why not the others').click()
  await expect(
    targets.getByRole('list', { name: 'Why not the others' }).getByRole('listitem').filter({ hasText: 'Across the fibres' }),
  ).toContainText(/\w{4}/)
  await saved(page, () => choose(mainly, { label: 'Slow stroke along the fibres' }))
  await expect(step).toContainText('Slow stroke along the fibres')
  const answered = page.waitForResponse((response) => response.url().endsWith('/settings/prefers'))
  await targets.getByRole('button', { name: 'Always on this muscle: slow stroke along the fibres' }).click()
  expect((await answered).ok()).toBe(true)
  await saved(page, () => choose(mainly, ''))
  await expect(step).toContainText('Slow stroke along the fibres')
  await expect(targets.getByText('Yours here: slow stroke along the fibres.')).toBeVisible()
  await targets.getByRole('button', { name: 'Forget it' }).click()
  await expect(targets.getByText('Yours here')).toHaveCount(0)

  await saved(page, () => choose(targets.getByLabel('First at'), { label: 'upper attachment' }))
  await saved(page, () => choose(targets.getByLabel('First at'), ''))
  const spots = targets.getByRole('group', { name: /^Spots, Infraspinatus/ })
  await saved(page, () => spots.getByRole('button', { name: 'near the inner border' }).click())
  await expect(spots.getByRole('button', { name: 'near the inner border' })).toHaveAttribute('aria-pressed', 'true')
  await expect(step.locator('li', { hasText: 'near the inner border' })).toHaveCount(1)
  await expect(step.locator('li', { hasText: 'middle of the blade' })).toHaveCount(0)
  await expect(step.locator('[data-point]')).toHaveCount(1)
  expect(spotted).toBeGreaterThan(1)

  const also = targets.getByLabel('Also')
  const more = (await offered(also)).filter((one) => !one.barred)[1]?.name ?? ''
  await saved(page, () => choose(also, { label: more }))
  await expect(targets.getByText(`Also ${more.toLowerCase()}`)).toBeVisible()
  await expect(step).toContainText(more)

  const words = targets.getByLabel('Own words, read at the table')
  await words.fill('Slowly: she braces.')
  await saved(page, () => words.press('Enter'))
  await expect(step.getByText('Slowly: she braces.')).toBeVisible()
  await accessible(page)
})

test('by keys alone a target is stretched, locked, dropped and brought back; ten changes are undone, and done again', async ({ page }) => {
  await signIn(page)
  const visit = await assessed(page, 'Corin Vale', shoulder)
  await page.goto(`${visit}/plan`)
  const targets = targetsOf(page)
  const row = targets.getByRole('button', { name: /^Infraspinatus, left/ })
  await row.focus()
  await page.keyboard.press('Enter')
  const size = targets.getByRole('group', { name: /How long, Infraspinatus/ })
  const before = await page.locator('p.display').first().textContent()
  await saved(page, () => page.keyboard.press('-'))
  await expect(size.getByRole('button', { name: /Shorter/ })).toHaveAttribute('aria-pressed', 'true')
  await page.keyboard.press('-')
  await expect(page.getByText('It is as short as it can be. D drops it.')).toBeVisible()
  for (let k = 0; k < 4; k++) await saved(page, () => page.keyboard.press(k % 2 ? '-' : '+'))
  await saved(page, () => page.keyboard.press('l'))
  await expect(targets.getByText('(locked)')).toBeVisible()
  await saved(page, () => page.keyboard.press('l'))
  await saved(page, () => page.keyboard.press('l'))
  await saved(page, () => page.keyboard.press('d'))
  await expect(row).toHaveCount(0)
  await expect(page.getByRole('status').filter({ hasText: 'Infraspinatus, left falls out' })).toBeVisible()
  await expect(targets.getByText('Infraspinatus, left.')).toBeVisible()

  await page.keyboard.press('b')
  await page.keyboard.type('soleus ri')
  await expect(page.getByRole('option', { name: /^Soleus, right/ })).toBeVisible()
  await saved(page, () => page.keyboard.press('Enter'))
  await expect(targets.getByRole('button', { name: /^Soleus, right/ })).toBeVisible()
  await page.keyboard.press('Escape')
  await row
    .or(targets.getByRole('heading', { name: 'Left out' }))
    .first()
    .click()

  for (let k = 0; k < 10; k++) await saved(page, () => page.keyboard.press('z'))
  await expect(page.locator('p.display').first()).toHaveText(before ?? '')
  await expect(targets.getByText('(locked)')).toHaveCount(0)
  for (let k = 0; k < 9; k++) await saved(page, () => page.keyboard.press('Shift+Z'))
  await expect(row).toHaveCount(0)
})

test('a step is dragged to another time: what would follow is said while it is held, and let go on Escape nothing is', async ({ page }) => {
  await signIn(page)
  const visit = await assessed(page, 'Odile Garrow', shoulder)
  await page.goto(`${visit}/plan`)
  await expect(scoreOf(page)).toBeVisible()
  const order = await begun(page)
  const last = order.at(-1) ?? ''
  const from = await scoreOf(page)
    .getByRole('button', { name: new RegExp(`^${last}, left`) })
    .first()
    .boundingBox()
  const to = await scoreOf(page)
    .getByRole('button', { name: new RegExp(`^${order.at(-2)}, left`) })
    .first()
    .boundingBox()
  if (!from || !to) throw new Error('the names stand nowhere')
  const supposed = page.getByRole('status').filter({ hasText: /in this position|stays? where|would stay/ })
  const drag = async () => {
    await page.mouse.move(from.x + 8, from.y + 8)
    await page.mouse.down()
    await page.mouse.move(from.x + 8, to.y - 6, { steps: 8 })
    await expect(supposed).toBeVisible()
  }
  await drag()
  await page.keyboard.press('Escape')
  await page.mouse.up()
  await expect(supposed).toHaveCount(0)
  expect(await begun(page)).toEqual(order)
  await drag()
  const stored = page.waitForResponse((response) => response.url().endsWith('step=plan') && response.request().method() === 'POST')
  await page.mouse.up()
  expect((await stored).ok()).toBe(true)
  await expect.poll(() => begun(page)).not.toEqual(order)
  await page.keyboard.press('z')
  await expect.poll(() => begun(page)).toEqual(order)
})

test('the lower edge of a step is pulled: more or less is done on it, said while it is held; position and minutes are changed; all of it is undone', async ({
  page,
}) => {
  await signIn(page)
  const visit = await assessed(page, 'Tamsin Oake', shoulder)
  await page.goto(`${visit}/plan`)
  await expect(scoreOf(page)).toBeVisible()
  const targets = targetsOf(page)
  await targets.getByRole('button', { name: /^Infraspinatus, left/ }).click()
  const size = targets.getByRole('group', { name: /How long, Infraspinatus/ })
  await saved(page, () => size.getByRole('button', { name: /Shorter/ }).click())
  await expect(size.getByRole('button', { name: /Shorter/ })).toHaveAttribute('aria-pressed', 'true')
  const edge = scoreOf(page).locator('[data-edge] rect')
  const pull = async (by: number) => {
    await edge.scrollIntoViewIfNeeded()
    const box = await edge.boundingBox()
    if (!box) throw new Error('there is no edge to pull')
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
    await page.mouse.down()
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 + by, { steps: 6 })
  }
  const supposed = page.getByRole('status').filter({ hasText: /Infraspinatus, left, (as usual|at length)\./ })
  await pull(70)
  await expect(supposed).toBeVisible()
  await expect(supposed).toContainText(/min/)
  await page.keyboard.press('Escape')
  await page.mouse.up()
  await expect(supposed).toHaveCount(0)
  await expect(size.getByRole('button', { name: /Shorter/ })).toHaveAttribute('aria-pressed', 'true')
  await pull(70)
  await expect(supposed).toBeVisible()
  await saved(page, () => page.mouse.up())
  await expect(size.getByRole('button', { name: /Shorter/ })).toHaveAttribute('aria-pressed', 'false')

  const lies = targets.getByLabel('Lying')
  const other = (await offered(lies)).filter((one) => !one.barred)[1]?.id ?? ''
  await saved(page, () => choose(lies, other))
  await standsIn(lies, other)
  const minutes = (value: string) => page.getByRole('button', { name: value, exact: true })
  await minutes('45').click()
  await expect(minutes('45')).toHaveAttribute('aria-pressed', 'true')
  await page.getByRole('main').press('z')
  await expect(minutes('60')).toHaveAttribute('aria-pressed', 'true')
  await page.getByRole('main').press('Shift+Z')
  await expect(minutes('45')).toHaveAttribute('aria-pressed', 'true')
  await page.getByRole('main').press('z')
  await expect(minutes('60')).toHaveAttribute('aria-pressed', 'true')
  await saved(page, () => page.getByRole('main').press('z'))
  await standsIn(lies, '')
  await saved(page, () => page.getByRole('main').press('z'))
  await expect(size.getByRole('button', { name: /Shorter/ })).toHaveAttribute('aria-pressed', 'true')
})

test('by finger a step is dragged by its handle, and the page is not', async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 1024, height: 768 }, hasTouch: true })
  const page = await context.newPage()
  await signIn(page)
  const visit = await assessed(page, 'Edda Quince', shoulder)
  await page.goto(`${visit}/plan`)
  await expect(scoreOf(page)).toBeVisible()
  const order = await begun(page)
  const named = (name: string | undefined) =>
    scoreOf(page)
      .getByRole('button', { name: new RegExp(`^${name}, left`) })
      .first()
  await named(order.at(-1)).tap()
  // moved clear of what it says, which lies over the foot of the page at this width
  const handle = scoreOf(page).locator('[data-handle] rect')
  const over = page.getByRole('complementary', { name: 'Step in hand' })
  await expect(over.getByRole('button', { name: 'Close this step' })).toBeVisible()
  await expect.poll(async () => ((await handle.boundingBox())?.y ?? 999) + 44 < ((await over.boundingBox())?.y ?? 0)).toBe(true)
  const [from, to] = [await handle.boundingBox(), await named(order.at(-2)).boundingBox()]
  if (!from || !to) throw new Error('there is no handle')
  const scrolled = () => page.evaluate(() => window.scrollY)
  const before = await scrolled()
  const finger = await context.newCDPSession(page)
  const at = (y: number) => [{ x: from.x + from.width / 2, y }]
  await finger.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: at(from.y + from.height / 2) })
  for (let k = 1; k <= 6; k++) {
    const y = from.y + from.height / 2 + ((to.y - 6 - from.y - from.height / 2) * k) / 6
    await finger.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: at(y) })
  }
  await expect(page.getByRole('status').filter({ hasText: /in this position|stays? where|would stay/ })).toBeVisible()
  expect(await scrolled()).toBe(before)
  const stored = page.waitForResponse((response) => response.url().endsWith('step=plan') && response.request().method() === 'POST')
  await finger.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] })
  expect((await stored).ok()).toBe(true)
  await expect.poll(() => begun(page)).not.toEqual(order)
  await context.close()
})

test('by touch at 1024x768: brought in from the figure, done otherwise this visit, compared and taken', async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 1024, height: 768 }, hasTouch: true })
  const page = await context.newPage()
  await signIn(page)
  const visit = await assessed(page, 'Bram Tolley', shoulder)
  await page.goto(`${visit}/plan`)
  const targets = targetsOf(page)
  await targets.getByRole('button', { name: 'Or touch it on the figure' }).tap()
  const sheet = page.getByRole('dialog', { name: 'Bring in from the figure' })
  await choose(sheet.getByLabel('Choose from the list'), { label: 'Gastrocnemius, left' })
  await saved(page, () =>
    sheet
      .getByRole('button', { name: /^Bring in Gastrocnemius/ })
      .first()
      .tap(),
  )
  await expect(targets.getByRole('button', { name: /^Gastrocnemius/ })).toBeVisible()

  await page.getByText('How it is done, this visit').tap()
  await saved(page, () => choose(page.getByLabel('Of two sides'), { label: 'both alike' }))
  await expect(page.getByText('How it is done, this visit: 1 otherwise')).toBeVisible()

  await page.getByRole('button', { name: 'Compare' }).tap()
  const beside = page.getByRole('region', { name: 'Plans beside each other' })
  await expect(beside.getByRole('columnheader', { name: /90 minutes/ })).toBeVisible()
  await expect(beside.getByRole('columnheader', { name: /60 minutes/ })).toContainText('as it is now')
  await beside.getByRole('button', { name: 'Keep this one to compare' }).tap()
  await beside.getByRole('button', { name: 'Take 45 minutes' }).tap()
  await expect(page.getByRole('button', { name: '45', exact: true })).toHaveAttribute('aria-pressed', 'true')
  await choose(beside.getByLabel('Beside each other'), { label: 'Versions kept by hand' })
  await beside.getByRole('button', { name: 'Take Version 1' }).tap()
  await expect(page.getByRole('button', { name: '60', exact: true })).toHaveAttribute('aria-pressed', 'true')
  await accessible(page)
  await page.getByRole('button', { name: /Agree this with/ }).tap()
  await expect(page).toHaveURL(/work$/)
  await context.close()
})

test('a plan is kept as a protocol and applied to somebody with a limit: what falls out or is not done so is listed, then taken', async ({
  page,
}) => {
  await signIn(page)
  const first = await assessed(page, 'Hesper Lund', shoulder)
  await page.goto(`${first}/plan`)
  const targets = targetsOf(page)
  await targets.getByRole('button', { name: /^Infraspinatus, left/ }).click()
  await saved(page, () => choose(targets.getByLabel('Mainly'), { label: 'Across the fibres' }))
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: /^Protocols/ }).click()
  const sheet = page.getByRole('dialog', { name: 'Protocols' })
  await expect(sheet.getByRole('button', { name: /ships with Somatrace/ })).toHaveCount(6)
  await sheet.getByLabel('Name').fill('Blade, as we do it')
  await sheet.getByLabel('What it is for').fill('A blade that aches when the arm is busy.')
  await sheet.getByRole('button', { name: 'Keep it' }).click()
  await expect(sheet.getByText('Blade, as we do it is kept.')).toBeVisible()
  await accessible(page)

  const second = await assessed(page, 'Piers Calloway', [
    { kind: 'complaint', payload: { zone: 'shoulder_blade', side: 'right', now: 6 } },
    { kind: 'medicine', payload: { medicine: 'anticoagulant', answer: 'yes' } },
  ])
  await page.goto(`${second}/plan`)
  await expect(scoreOf(page)).toBeVisible()
  await page.keyboard.press('p')
  await sheet.getByRole('button', { name: /^Blade, as we do it/ }).click()
  await expect(sheet.getByRole('button', { name: 'For the right' })).toHaveAttribute('aria-pressed', 'true')
  await expect(sheet.getByRole('row', { name: /^Infraspinatus, right/ })).toContainText(/No across the fibres/)
  await expect(sheet.getByRole('row', { name: /^Teres major, right/ })).toContainText(/min/)
  const stored = page.waitForResponse((response) => response.url().endsWith('step=plan') && response.request().method() === 'POST')
  await sheet.getByRole('button', { name: 'Take it, judged like this' }).click()
  expect((await stored).ok()).toBe(true)
  await expect(targets.getByRole('button', { name: /^Teres major, right/ })).toBeVisible()
  await expect(targets.getByRole('button', { name: /^Infraspinatus, right/ })).toContainText('locked')
  await page.keyboard.press('z')
  await expect(targets.getByText('(locked)')).toHaveCount(0)
})

test('the plan on paper: for the client in plain words, for the table complete, one page each', async ({ page }) => {
  await signIn(page)
  const visit = await assessed(page, 'Linnet Farrow', [
    ...shoulder,
    { kind: 'palpation', payload: { muscle: 'pectoralis_minor', ...felt } },
    { kind: 'consent', identity: 'chest_wall', payload: { area: 'chest_wall', given: false, said: 'May I work on the upper chest?' } },
  ])
  await page.goto(`${visit}/plan`)
  const pages = async (): Promise<number> => {
    const paper = await page.pdf({ format: 'A4', margin: { top: '12mm', bottom: '12mm', left: '14mm', right: '14mm' } })
    return paper.toString('latin1').match(/\/Type\s*\/Page\b(?!s)/g)?.length ?? 0
  }
  await page.getByRole('link', { name: /^For .*, to read/ }).click()
  await expect(page.getByRole('heading', { name: 'What we plan today' })).toBeVisible()
  await expect(page.getByText('“May I work on the upper chest?”')).toContainText('You said no.')
  await expect(page.locator('main')).not.toContainText(/rotator|scapulae \(|trigger/i)
  expect(Number.parseFloat(await page.locator('main').evaluate((one) => getComputedStyle(one).fontSize))).toBeGreaterThan(18)
  await accessible(page)
  expect(await pages()).toBe(1)
  await page.getByRole('link', { name: 'visit 1, back to Plan' }).click()
  await page.getByRole('link', { name: 'For the table, to print' }).click()
  await expect(page.getByRole('heading', { name: 'Plan for the table' })).toBeVisible()
  await expect(page.getByRole('row', { name: /Infraspinatus, left/ }).first()).toContainText(/\d+ s · felt \d/)
  await expect(page.getByText(/Not agreed: the upper chest/)).toBeVisible()
  await accessible(page)
  expect(await pages()).toBe(1)
})

test('from an assessed client to an agreed plan that was changed three times: 25 touches at most', async ({ page }) => {
  await signIn(page)
  const visit = await assessed(page, 'Jory Penwald', [...shoulder, { kind: 'palpation', payload: { muscle: 'pectoralis_minor', ...felt } }])
  await page.goto(`${visit}/think`)
  await expect(page.getByRole('button', { name: /Agree what may be touched/ })).toBeVisible()
  await page.evaluate(() => {
    const counted = window as unknown as { touches: number }
    counted.touches = 0
    const count = () => (counted.touches += 1)
    for (const kind of ['pointerdown', 'change', 'keydown']) document.addEventListener(kind, count, true)
  })
  const targets = targetsOf(page)
  await page.getByRole('button', { name: /Agree what may be touched/ }).click()
  await saved(page, () =>
    page
      .getByRole('group', { name: /upper chest/i })
      .getByRole('button', { name: 'agrees', exact: true })
      .click(),
  )
  await page.getByRole('button', { name: /See the plan/ }).click()
  await targets.getByRole('button', { name: /^Infraspinatus, left/ }).click()
  await saved(page, () => targets.getByRole('button', { name: /^Shorter/ }).click())
  await saved(page, () => choose(targets.getByLabel('Mainly'), { label: 'Slow stroke along the fibres' }))
  await saved(page, () => page.keyboard.press('l'))
  await page.getByRole('button', { name: /Agree this with/ }).click()
  await expect(page).toHaveURL(/work$/)
  const touches = await page.evaluate(() => (window as unknown as { touches: number }).touches)
  expect(touches).toBeGreaterThan(6)
  expect(touches).toBeLessThanOrEqual(25)
})

/** What may lie between a change by hand and the plan that answers it, in milliseconds. */
const CHANGE_MS = 150

test('a change by hand is answered at once', { tag: '@timing' }, async ({ page }) => {
  await signIn(page)
  const visit = await assessed(page, 'Perrin Ashdown', shoulder)
  await page.goto(`${visit}/plan`)
  await expect(scoreOf(page)).toBeVisible()
  await targetsOf(page)
    .getByRole('button', { name: /^Infraspinatus, left/ })
    .click()
  await page.waitForTimeout(1500) // the figure beside the step is drawn: what is measured is the change
  const taken: number[] = []
  for (let k = 0; k < 20; k++) {
    taken.push(
      await page.evaluate(
        (key) =>
          new Promise<number>((done) => {
            const score = document.querySelector('[aria-label="The plan as a score"]')
            if (!score) throw new Error('there is no score')
            const from = performance.now()
            const watch = new MutationObserver(() => {
              watch.disconnect()
              done(performance.now() - from)
            })
            watch.observe(score, { subtree: true, childList: true, characterData: true, attributes: true })
            document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }))
          }),
        k % 2 ? '+' : '-',
      ),
    )
    await page.waitForTimeout(250)
  }
  const median = taken.sort((a, b) => a - b)[10] ?? 0
  console.log(
    `a change is answered in ${median.toFixed(0)} ms (median of ${taken.length}, from ${taken[0]?.toFixed(0)} to ${taken.at(-1)?.toFixed(0)})`,
  )
  expect(median).toBeLessThanOrEqual(CHANGE_MS)
})
