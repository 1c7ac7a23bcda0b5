import { test, type Page } from './test'
import { choose, denied, everythingDenied, heard, openClient, openWith, recorded, roomTo, saved, signIn } from './steps'

/** Pictures of the main views from the demo story, for docs/screenshots: SCREENSHOTS=1 npx playwright test */
/** Several views on one sheet, two beside each other. */
async function sheet(page: Page, name: string, shots: Buffer[]): Promise<void> {
  const one = await page.context().newPage()
  await one.setViewportSize({ width: 1280, height: Math.ceil(shots.length / 2) * 408 + 8 })
  const pictures = shots.map((shot) => `<img src="data:image/png;base64,${shot.toString('base64')}" width="628">`).join('')
  await one.setContent(`<body style="margin:8px;display:grid;grid-template-columns:1fr 1fr;gap:8px;background:#7d7265">${pictures}</body>`)
  await one.waitForTimeout(300)
  await one.screenshot({ path: `docs/screenshots/${name}.png` })
  await one.close()
}

test('pictures', async ({ page, browser }) => {
  test.setTimeout(420_000)
  const shot = (name: string) => page.screenshot({ path: `docs/screenshots/${name}.png` })
  /** Whatever is large enough to be painted is. */
  const settle = async () => {
    await page.waitForTimeout(700)
    await page.waitForFunction(
      () =>
        [...document.querySelectorAll<SVGSVGElement>('figure:has(> canvas) > svg[data-drawn]')].every(
          (svg) => svg.dataset['drawn'] === 'finely' || Math.min(svg.clientWidth, svg.clientHeight) < 320,
        ),
      null,
      { timeout: 60_000 },
    )
  }
  const painted = async () => {
    await page.locator('[data-painted=yes]').waitFor({ timeout: 60_000 })
    await settle()
  }
  await signIn(page)
  await settle()
  await shot('today')
  await page.goto(`/atlas?q=${encodeURIComponent('pain beside the eye')}`)
  await settle()
  const search = await page.screenshot()
  await page.goto('/atlas')
  await page.getByRole('button', { name: 'Dissect' }).click()
  await choose(page.getByLabel('Region', { exact: true }), 'whole-back')
  await page.getByRole('group', { name: 'State of the dissection' }).getByRole('button', { name: '2' }).click()
  await painted()
  const dissected = await page.screenshot()
  await page.goto('/atlas')
  await page.getByRole('button', { name: 'Places never to press' }).click()
  await choose(page.getByLabel('How near'), { label: 'Low back and hip' })
  await page.getByRole('button', { name: 'Back', exact: true }).click()
  await choose(page.getByLabel('Layer', { exact: true }), '2')
  await choose(page.getByLabel('Choose from the list'), { label: 'Sciatic line in mid-buttock' })
  await settle()
  await shot('figure-hips')
  await page.goto('/atlas/muscle/infraspinatus')
  await painted()
  const muscle = await page.screenshot()
  await page.goto('/atlas/trainer?region=shoulder')
  await settle()
  await page.keyboard.press('2')
  await settle()
  await sheet(page, 'atlas', [search, dissected, muscle, await page.screenshot()])
  const practice: Buffer[] = []
  for (const path of ['/clients', '/people', '/settings', '/clinic/audit']) {
    await page.goto(path)
    await settle()
    practice.push(await page.screenshot())
  }
  await openClient(page, 'Edda Vorn')
  const edda = page.url()
  for (const path of ['edit', 'files']) {
    await page.goto(`${edda}/${path}`)
    await settle()
    practice.push(await page.screenshot())
  }
  const desk = await (await browser.newContext({ baseURL: new URL(page.url()).origin, viewport: { width: 1280, height: 800 } })).newPage()
  await signIn(desk, 'desk')
  await desk.waitForTimeout(700)
  practice.push(await desk.screenshot())
  await desk.goto('/nowhere/at/all')
  await desk.waitForTimeout(500)
  practice.push(await desk.screenshot())
  await desk.context().close()
  await sheet(page, 'practice', practice)
  await page.goto('/calendar?view=week')
  await page.getByRole('button', { name: /^Later/ }).click()
  await page.locator('[data-booked]').first().click()
  await settle()
  const week = await page.screenshot()
  await page.goto('/caseload?of=all')
  await settle()
  await sheet(page, 'calendar', [week, await page.screenshot()])
  await openClient(page, 'Ottoline Brack')
  await page.getByRole('region', { name: 'Visits' }).getByRole('listitem').first().getByRole('link').click()
  await page.getByRole('link', { name: 'The note, to print' }).click()
  await settle()
  const note = await page.screenshot()
  await page.goto('/')
  await page.getByRole('link', { name: 'Wendel Ash' }).first().click()
  await settle()
  await shot('client')
  await page.getByRole('link', { name: /Before and after/ }).click()
  await settle()
  await shot('compare')
  await page.goBack()
  await page.getByRole('link', { name: 'Progress report' }).click()
  await settle()
  const report = await page.screenshot()
  await page.goBack()
  await page.getByRole('button', { name: 'Make a link and a code' }).click()
  const link = new URL(await page.getByLabel('Link').inputValue()).pathname
  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })
  const client = await phone.newPage()
  await client.goto(link)
  await client.getByRole('button', { name: 'Begin' }).tap()
  await client.getByRole('button', { name: 'Go on' }).tap() // how it was after the last visit
  await client.locator('[data-zone="neck_back:left"]').tap({ force: true })
  await client.waitForTimeout(900)
  await client.screenshot({ path: 'docs/screenshots/check-in.png' })
  await phone.close()
  await page.goto('/')
  await page.getByRole('link', { name: 'Ottoline Brack' }).first().click()
  await page.getByRole('button', { name: /Start visit/ }).click()
  await saved(page, () => page.getByRole('article', { name: /as on/ }).first().getByRole('radio', { name: '5', exact: true }).click())
  await settle()
  const visit = page.url().replace(/\/ask$/, '')
  await saved(page, () => page.getByRole('group', { name: 'Soreness' }).getByRole('button', { name: 'half a day' }).click())
  await saved(page, () => page.getByRole('group', { name: 'Worse afterwards' }).getByRole('button', { name: 'no', exact: true }).click())
  await settle()
  await shot('ask')
  await page.goto(`${visit}/screen`)
  await denied(page)
  await openWith(page, visit, 'move', { movement: 'cervical.rotation' })
  for (const [index, value] of ['63', '55'].entries()) {
    await saved(page, async () => {
      await page.getByLabel('Active, degrees').nth(index).fill(value)
      await page.getByLabel('Active, degrees').nth(index).blur()
    })
  }
  await saved(page, () => page.getByRole('radiogroup', { name: 'Pain, right' }).getByRole('radio', { name: '2', exact: true }).click())
  await settle()
  await shot('move')
  await openWith(page, visit, 'feel', { muscle: 'levator_scapulae', side: 'left' })
  const touch = (group: string, name: string) =>
    saved(page, () => page.getByRole('group', { name: group }).getByRole('button', { name, exact: true }).click())
  await touch('Tenderness, left', '3')
  await touch('Tenderness, right', '1')
  await touch('Tone, left', 'tight')
  await touch('Tone, right', 'usual')
  await touch('Texture, left', 'band')
  await touch('Sends it to, left', 'back of the neck')
  await touch('Own pain, left', 'hers')
  await openWith(page, visit, 'feel', { muscle: 'sternocleidomastoid_sternal', side: 'left' })
  await touch('Tenderness, left', '3')
  await touch('Tone, left', 'tight')
  await touch('Sends it to, left', 'temple')
  await touch('Own pain, left', 'hers')
  await openWith(page, visit, 'feel', { muscle: 'trapezius_upper', side: 'left' })
  await touch('Tenderness, left', '2')
  await touch('Texture, left', 'band')
  await openWith(page, visit, 'feel', { muscle: 'levator_scapulae', side: 'left' })
  await settle()
  await shot('feel')
  await recorded(page, visit, [
    { kind: 'range', payload: { movement: 'thoracic.rotation', side: 'left', active: 26 } },
    { kind: 'range', payload: { movement: 'thoracic.rotation', side: 'right', active: 21 } },
    { kind: 'posture', payload: { sign: 'head_forward', side: 'midline', grade: 2 } },
  ])
  await page.goto(`${visit}/summary`)
  await settle()
  await sheet(page, 'papers', [await page.screenshot(), note, report])
  await page.goto(`${visit}/agree`)
  await touch('the front and side of the neck, lightly', 'agrees')
  await settle()
  await shot('agree')
  await page.goto(`${visit}/plan`)
  await page
    .getByRole('group', { name: 'The plan as a score' })
    .getByRole('button', { name: /^Levator scapulae, left/ })
    .first()
    .click()
  await settle()
  await shot('plan')
  await page.getByRole('button', { name: /Agree this with/ }).click()
  await page.getByRole('heading', { name: /Settle/ }).waitFor()
  await roomTo(page, /^Levator scapulae, left/)
  await heard(page, () => page.keyboard.press('Enter'))
  await page.waitForTimeout(1500)
  await heard(page, () => page.keyboard.press('Enter'))
  await page.waitForTimeout(12_000)
  await shot('work')
  await roomTo(page, /^Done$/)
  await page.goto(`${visit}/recheck`)
  await saved(page, async () => {
    await page
      .getByLabel(/right, after/)
      .first()
      .fill('64')
    await page
      .getByLabel(/right, after/)
      .first()
      .blur()
  })
  await settle()
  await shot('recheck')
  await page.goto(`${visit}/after`)
  await settle()
  await shot('after')
  await openClient(page, 'Edda Vorn')
  await page.getByRole('button', { name: /Start visit/ }).click()
  await page.getByRole('heading', { name: /Where does it hurt/ }).waitFor()
  const other = page.url().replace(/\/ask$/, '')
  await recorded(page, other, [
    { kind: 'red_flag', identity: 'clumsy_hands_or_gait', payload: 'unknown' },
    { kind: 'condition', payload: { condition: 'high_blood_pressure', answer: 'yes', severity: 'moderate', controlled: 'unknown' } },
  ])
  await page.goto(`${other}/screen`)
  await settle()
  await shot('screen')
  await openClient(page, 'Maren Sallow')
  await page.getByRole('button', { name: /Start visit/ }).click()
  await page.getByRole('heading', { name: /Where does it hurt/ }).waitFor()
  const third = page.url().replace(/\/ask$/, '')
  const sides = (movement: string, left: number, right: number) => [
    { kind: 'range', payload: { movement, side: 'left', active: left, pain: 0 } },
    { kind: 'range', payload: { movement, side: 'right', active: right, pain: 0 } },
  ]
  const seen = (sign: string, grade: number) => ({ kind: 'posture', payload: { sign, side: 'left', grade } })
  await recorded(page, third, [
    ...everythingDenied(),
    { kind: 'condition', payload: { condition: 'pregnancy', answer: 'yes', severity: 'mild', weeks_pregnant: 27 } },
    { kind: 'complaint', payload: { zone: 'interscapular', side: 'right', now: 4 } },
    { kind: 'demand', payload: { demand: 'pinch', side: 'left', hours_per_week: 30 } },
    ...sides('cervical.rotation', 62, 77),
    ...sides('scapula.adduction', 1, 3),
    seen('shoulder_rolled_forward', 2),
    seen('collarbone_short', 1),
    seen('arm_rests_high', 1),
    { kind: 'palpation', payload: { muscle: 'pectoralis_minor', side: 'left', tenderness: 3, tone: 'high', familiar: 'no' } },
    { kind: 'palpation', payload: { muscle: 'rhomboids', side: 'right', tenderness: 2, familiar: 'yes' } },
  ])
  await page.goto(`${third}/think`)
  await settle()
  await shot('think')
})
