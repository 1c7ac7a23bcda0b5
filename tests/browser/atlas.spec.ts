import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test, type Page } from './test'
import { accessible, choose, denied, newClient, openStep, openWith, saved, signIn } from './steps'

async function aPlannedVisit(page: Page, name: string): Promise<string> {
  await newClient(page, name)
  await page.getByRole('button', { name: 'Start visit 1' }).click()
  await saved(page, () => page.locator('[data-zone="neck_back:left"]').click({ force: true }))
  await saved(page, () => page.getByRole('radiogroup', { name: 'Pain now' }).getByRole('radio', { name: '7', exact: true }).click())
  await openStep(page, 'Screen')
  await denied(page)
  const visit = page.url().replace(/\/screen$/, '')
  await openWith(page, visit, 'feel', { muscle: 'levator_scapulae', side: 'left' })
  await saved(page, () => page.getByRole('group', { name: 'Tenderness, left' }).getByRole('button', { name: '3' }).click())
  await saved(page, () => page.getByRole('group', { name: 'Own pain, left' }).getByRole('button', { name: 'own', exact: true }).click())
  return visit
}

test('from a plan step to the muscle beside it, further, and back to the same step and scroll', async ({ page }) => {
  await signIn(page)
  const visit = await aPlannedVisit(page, 'Tamsin Rook')
  // from the finding in hand, by its key
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())
  await page.keyboard.press('i')
  await expect(page.getByRole('dialog').getByRole('heading', { name: 'Levator scapulae' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toBeHidden()

  await page.goto(`${visit}/plan`)
  const step = page.getByRole('button', { name: /^Levator scapulae, left, \d/ })
  await step.click()
  const about = page.getByRole('button', { name: 'About: Levator scapulae, left' })
  await page.mouse.wheel(0, 120)
  await page.waitForTimeout(300)
  await about.click()
  const sheet = page.getByRole('dialog')
  await expect(sheet.getByRole('heading', { name: 'Levator scapulae' })).toBeVisible()
  const scroll = await page.evaluate(() => window.scrollY) // the touch itself may have brought the button into view

  // the touches light their landmarks one after another
  await expect(sheet.locator('[aria-current=step]')).toContainText('Superior angle of the scapula')
  await sheet.getByRole('button', { name: 'Next touch' }).click()
  await sheet.getByRole('button', { name: 'Next touch' }).click()
  await expect(sheet.locator('[aria-current=step]')).toContainText('Transverse process of C1')
  await expect(sheet.locator('[data-point="c1_transverse_process"] circle[stroke-width="3"]')).toHaveCount(1)

  // one entry leads to another, and the way back is kept
  await sheet.getByRole('link', { name: 'Turning the head' }).first().click()
  await expect(sheet.getByRole('heading', { name: 'Turning the head' })).toBeVisible()
  await expect(sheet.getByText('Sit tall, shoulders still, a hand on the far shoulder.')).toBeVisible()
  await sheet.getByRole('button', { name: 'Back' }).click()
  await expect(sheet.getByRole('heading', { name: 'Levator scapulae' })).toBeVisible()
  await sheet.getByRole('button', { name: /Close/ }).click()

  await expect(sheet).toBeHidden()
  await expect(page).toHaveURL(`${visit}/plan`)
  await expect(about).toBeVisible() // the step is still in hand
  expect(await page.evaluate(() => window.scrollY)).toBe(scroll)
  await expect(about).toBeFocused()
})

test('a complaint in plain words finds the muscle, and Back returns to what was found', async ({ page }) => {
  await signIn(page)
  await page.getByRole('link', { name: 'Atlas' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Atlas' })).toBeVisible()
  await page.keyboard.press('/')
  await page.keyboard.type('cannot lok over the sholder')
  const found = page.getByRole('region', { name: 'What was found' })
  await expect(found.getByRole('listitem').first()).toContainText('Levator scapulae')
  await found.getByRole('link', { name: /Levator scapulae/ }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Levator scapulae' })).toBeVisible()
  await page.goBack()
  await expect(page.getByLabel('Search the atlas')).toHaveValue('cannot lok over the sholder')
  await expect(found.getByRole('listitem').first()).toContainText('Levator scapulae')

  await page.getByLabel('Search the atlas').fill('zzqx')
  await expect(page.getByText('Nothing of that sounds like the atlas.')).toBeVisible()
  await page.getByLabel('Search the atlas').fill('')
  await expect(page.getByRole('region', { name: 'Muscles by region' })).toBeVisible()
  await page.locator('[data-zone="calf_upper:left"]').or(page.locator('[data-zone="thigh_front:left"]')).first().click({ force: true })
  await expect(page.getByRole('region', { name: 'Under this place' }).getByRole('link').first()).toBeVisible()
})

test('a round of the trainer by keyboard: what is missed comes back, and progress is remembered', async ({ page }) => {
  await signIn(page)
  await page.goto('/atlas/trainer?region=knee')
  const how = page.getByRole('complementary', { name: 'How far you are' })
  const knee = how.getByRole('button', { name: /^Knee/ })
  await expect(knee).toContainText('0 of 18')
  /** What of the body is darker than what nobody asked about. */
  const darker = how.getByRole('img').first().locator('[data-shade]:not([data-shade="0"])')
  await expect(how.locator('[data-shade]').first()).toBeAttached()
  await expect(darker).toHaveCount(0)
  const ask = page.getByRole('region', { name: 'Question' }).getByRole('heading').first()
  const right = new Map<string, string>()
  const asked: string[] = []
  for (let turn = 0; turn < 40; turn++) {
    const text = (await ask.textContent()) ?? ''
    if (text.includes('at the first try')) break
    asked.push(text)
    const kept = page.waitForResponse((one) => one.url().endsWith('/atlas/trainer') && one.request().method() === 'POST')
    await page.keyboard.press(right.get(text) ?? '1')
    await kept
    const labels = await page.getByRole('group', { name: 'Answers' }).getByRole('button').allTextContents()
    const key = labels.findIndex((one) => one.includes('this one')) + 1
    expect(key, text).toBeGreaterThan(0)
    right.set(text, `${key}`)
    await page.keyboard.press('Enter')
  }
  await expect(ask).toContainText('of 12 at the first try.')
  const first = Number(/^\d+/.exec((await ask.textContent()) ?? '')?.[0])
  expect(asked.length, 'every missed card came back once').toBe(12 + (12 - first))
  await expect(knee).toContainText('0 of 18')

  await page.reload()
  await expect(page.getByText(/12 learning/)).toBeVisible()
  await expect(darker).not.toHaveCount(0)
  await how.getByRole('img').first().locator('[data-zone="calf_upper:left"], [data-zone="foot_top:left"]').first().click({ force: true })
  await page.waitForURL(/region=leg/)
  await expect(how.getByRole('button', { name: /^Leg and foot/ })).toHaveAttribute('aria-pressed', 'true')
})

test('the body is dissected state by state, and what is seen is touched', async ({ page }) => {
  await signIn(page)
  await page.goto('/atlas')
  await page.getByRole('button', { name: 'Dissect' }).click()
  const picture = page.locator('[data-region]')
  const painted = async (): Promise<void> => expect(picture).toHaveAttribute('data-painted', 'yes')
  await choose(page.getByLabel('Region', { exact: true }), 'hip-back')
  await painted()
  await accessible(page)

  // the same spot is another muscle in another state
  const spot = async (state: string, name: string): Promise<[number, number]> => {
    const built = JSON.parse(readFileSync(join('resources/js/chart/art/dissection', `hip-back.${state}.generated.json`), 'utf8')) as {
      seen: Record<string, { at: [number, number] }>
    }
    const at = built.seen[name]?.at ?? [0, 0]
    return picture.evaluate((svg, [x, y]) => {
      const on = new DOMPoint(x, y).matrixTransform((svg as SVGSVGElement).getScreenCTM() ?? undefined)
      return [on.x, on.y]
    }, at)
  }
  const at = await spot('3', 'piriformis:other')
  await page.mouse.click(...at)
  await expect(picture).toHaveAttribute('data-lit', 'gluteus_maximus')
  await picture.focus()
  await page.keyboard.press('3')
  await expect(page.getByRole('group', { name: 'State of the dissection' }).getByRole('button', { name: '3' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await expect(page.getByText('Erector, gluteus medius and long hamstrings reflected')).toBeVisible()
  // before it is there, what is seen there is not known
  await painted()
  await page.mouse.click(...at)
  await expect(picture).toHaveAttribute('data-lit', 'piriformis')
  await painted()
  // nearer, where it was painted anew
  await picture.focus()
  await page.keyboard.press('+')
  await painted()

  await page
    .getByRole('link', { name: /^Piriformis/ })
    .first()
    .click()
  await expect(page.getByRole('heading', { level: 1, name: 'Piriformis' })).toBeVisible()
  await expect(picture).toHaveAttribute('data-state', '3')
  await expect(picture).toHaveAttribute('data-lit', 'piriformis')
  await painted()
  // from one region to the next that shows it, and from muscle to muscle
  await page.getByRole('navigation', { name: 'Beside it' }).getByRole('button', { name: 'Flank' }).click()
  await expect(picture).toHaveAttribute('data-region', 'side-trunk')
  await painted()
})
