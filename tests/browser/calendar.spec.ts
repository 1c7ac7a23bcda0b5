import { accessible, choose, newClient, signIn } from './steps'
import { expect, test, type Page } from './test'

/** A Monday so many weeks ahead: nothing of the demo is booked there. */
const monday = (weeks: number): string => {
  const day = new Date()
  day.setUTCDate(day.getUTCDate() - ((day.getUTCDay() + 6) % 7) + 7 * weeks)
  return day.toISOString().slice(0, 10)
}
const plus = (iso: string, days: number): string => new Date(Date.parse(`${iso}T12:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10)
const booked = (page: Page, name: string) => page.locator('[data-booked]').filter({ hasText: name })
const pick = async (page: Page, form: string, name: string) => {
  await page.getByRole('form', { name: form }).getByLabel('Find a client').fill(name)
  await page.getByRole('option', { name: new RegExp(name) }).click()
}
/** Finds somebody by keys: what stands in the list before the whole name was looked for is not chosen from. */
const found = async (page: Page, name: string) => {
  const answer = page.waitForResponse(
    (one) => one.url().endsWith('/clients/search') && (one.request().postData() ?? '').includes(`"${name}"`),
  )
  await page.keyboard.type(name)
  await answer
  await expect(page.getByRole('option')).toHaveCount(1)
  // what is drawn is not yet what keys know of
  await expect(async () => {
    await page.keyboard.press('ArrowDown')
    await expect(page.getByLabel('Find a client')).toHaveAttribute('aria-activedescendant', /./, { timeout: 300 })
  }).toPass()
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-book]')).toBeFocused()
}
const kept = (page: Page) => page.waitForResponse((one) => /appointments|waiting/.test(one.url()) && one.request().method() !== 'GET')
/** The middle of a quarter of an hour in a column, where the mouse would go. */
const spot = async (page: Page, column: string, minute: number, from = 9 * 60) => {
  const box = (await page.locator(`[data-column="${column}"]`).boundingBox())!
  return { x: box.x + box.width / 2, y: box.y + ((minute - from) / 60) * 64 + 4 }
}

test('by keys alone: booked, carried to another day, a clash overruled, cancelled, taken back', async ({ page }) => {
  await signIn(page)
  for (const name of ['Kestrel Moor', 'Ivo Tansy']) await newClient(page, name)
  const day = monday(20)
  await page.goto(`/calendar?view=week&day=${day}`)
  await expect(page.getByRole('application', { name: /^Week/ })).toBeVisible()
  const told = page.locator('main [aria-live=polite]')
  await page.keyboard.press('ArrowDown') // quarter past nine, Monday
  await expect(told).toContainText('09:15: free')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Find a client')).toBeFocused()
  await found(page, 'Kestrel')
  let done = kept(page)
  await page.keyboard.press('Enter')
  await done
  const words = new Date(day).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' })
  await expect(page.getByText(`Booked for ${words}, 09:15.`)).toBeVisible()
  await expect(booked(page, 'Kestrel Moor')).toHaveAccessibleName('Kestrel Moor, 09:15 to 10:15')

  // picked up, carried a day and an hour on, put down
  await page.keyboard.press(' ')
  await page.keyboard.press('ArrowRight')
  for (let k = 0; k < 4; k++) await page.keyboard.press('ArrowDown')
  await expect(page.locator('[data-ghost]')).toContainText('10:15–11:15')
  done = kept(page)
  await page.keyboard.press(' ')
  await done
  await expect(page.getByText(/Kestrel Moor moved to/)).toBeVisible()
  await expect(page.locator(`[data-column="${plus(day, 1)}"] [data-booked]`)).toHaveAccessibleName('Kestrel Moor, 10:15 to 11:15')

  // somebody else at the same time is a clash, said and overruled
  await page.keyboard.press('Escape')
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Find a client')).toBeFocused()
  await found(page, 'Tansy')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert').filter({ hasText: /has Kestrel Moor then/ })).toBeVisible()
  await page.getByRole('button', { name: 'Book all the same' }).focus()
  done = kept(page)
  await page.keyboard.press('Enter')
  await done
  await expect(booked(page, 'Ivo Tansy')).toHaveAccessibleName('Ivo Tansy, 09:45 to 10:45')

  // cancelled, and taken back
  await expect(told).toContainText('Ivo Tansy')
  await page.keyboard.press('Delete')
  await expect(page.locator('[data-sure]')).toBeFocused()
  done = kept(page)
  await page.keyboard.press('Enter')
  await done
  await expect(booked(page, 'Ivo Tansy')).toHaveCount(0)
  done = kept(page)
  await page.keyboard.press('u')
  await done
  await expect(booked(page, 'Ivo Tansy')).toHaveCount(1)

  // from view to view, and a month by days
  await page.keyboard.press('Escape')
  await page.keyboard.press('m')
  await expect(page.getByRole('application', { name: /^Month/ })).toBeVisible()
  await page.keyboard.press('ArrowRight')
  await expect(page).toHaveURL(new RegExp(`day=${plus(day, 1)}`))
  await page.keyboard.press('Enter')
  await expect(page.getByRole('application', { name: /^Day/ })).toBeVisible()
  await expect(page.locator('[data-booked]')).toHaveCount(2)
  await page.keyboard.press(']')
  await expect(page.locator('[data-booked]')).toHaveCount(0)
  await accessible(page)
})

test('an answer to fewer letters that comes late takes nothing away, and none at all is said', async ({ page }) => {
  await signIn(page)
  let come = (): void => undefined
  const late = new Promise<void>((resolve) => (come = resolve))
  await page.route('**/clients/search', async (route) => {
    const { q } = route.request().postDataJSON() as { q: string }
    const answer = await route.fetch()
    if (q === 'e') await late
    await route.fulfill({ response: answer })
  })
  const field = page.getByLabel('Find a client')
  const option = page.getByRole('option')
  const asked = page.waitForRequest('**/clients/search')
  await field.fill('e')
  await asked
  await field.fill('Wendel')
  await expect(option).toHaveText([/Wendel Ash/])
  await page.keyboard.press('ArrowDown')
  const answered = page.waitForResponse('**/clients/search')
  come()
  await answered
  await page.waitForTimeout(300)
  await expect(option).toHaveText([/Wendel Ash/])
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Wendel Ash' })).toBeVisible()

  await page.goto('/')
  await page.unroute('**/clients/search')
  await page.route('**/clients/search', (route) => route.abort())
  await field.fill('Wendel')
  await expect(page.getByRole('alert').filter({ hasText: 'Nobody answered' })).toBeVisible()
  await expect(page.getByText('Nobody here is called that')).toHaveCount(0)
})

test('by mouse: a stretch is drawn, dragged, pulled longer; who waits takes what becomes free; a series is moved from one on', async ({
  page,
}) => {
  await signIn(page)
  for (const name of ['Fennel Dray', 'Oriel Stokes']) await newClient(page, name)
  const day = monday(22)
  await page.goto(`/calendar?view=week&day=${day}`)
  await expect(page.locator('[data-column]')).toHaveCount(7)

  // somebody finds no time and is put on the list
  await page.getByRole('button', { name: 'Put somebody on the list' }).click()
  await pick(page, 'Waiting list', 'Oriel')
  await page.getByRole('form', { name: 'Waiting list' }).getByLabel('Minutes').fill('45')
  await page.getByRole('button', { name: 'Wed', exact: true }).click()
  let done = kept(page)
  await page.getByRole('button', { name: 'Write it down' }).click()
  await done
  await expect(page.getByText(/45 min · Wed · since/)).toBeVisible()

  // drawn on Tuesday from ten to half past eleven
  const from = await spot(page, plus(day, 1), 600)
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  await page.mouse.move(from.x, from.y + 96, { steps: 6 })
  await expect(page.locator('[data-ghost]')).toContainText('10:00–11:30')
  await page.mouse.up()
  await pick(page, 'Book', 'Fennel')
  await choose(page.getByRole('button', { name: 'Repeat', exact: true }), { label: 'every two weeks' })
  await page.getByLabel('Times').fill('3')
  await page.getByLabel('Times').press('Tab')
  done = kept(page)
  await page.getByRole('button', { name: 'Book', exact: true }).click()
  await done
  await expect(page.getByText(/^Booked 3 times/)).toBeVisible()

  // dragged to Wednesday at two
  const card = booked(page, 'Fennel Dray')
  const box = (await card.boundingBox())!
  const to = await spot(page, plus(day, 2), 840)
  await page.mouse.move(box.x + 20, box.y + 8)
  await page.mouse.down()
  await page.mouse.move(to.x, to.y + 4, { steps: 8 })
  await expect(page.locator('[data-ghost]')).toContainText('14:00–15:30')
  done = kept(page)
  await page.mouse.up()
  await done
  await expect(page.locator(`[data-column="${plus(day, 2)}"] [data-booked]`)).toHaveAccessibleName('Fennel Dray, 14:00 to 15:30, repeats')
  // pulled longer
  const lower = (await card.boundingBox())!
  await page.mouse.move(lower.x + 20, lower.y + lower.height - 4)
  await page.mouse.down()
  await page.mouse.move(lower.x + 20, lower.y + lower.height + 28, { steps: 5 })
  done = kept(page)
  await page.mouse.up()
  await done
  await expect(card).toHaveAccessibleName('Fennel Dray, 14:00 to 16:00, repeats')

  // the whole series goes to three o'clock
  await card.click()
  await page.getByRole('checkbox', { name: /series after it/ }).click()
  await page.getByRole('form', { name: 'Move' }).getByLabel('Time').fill('15:00')
  await page.getByRole('form', { name: 'Move' }).getByLabel('Time').press('Tab')
  done = kept(page)
  await page.getByRole('button', { name: 'Move it', exact: true }).click()
  await done
  await expect(page.getByText(/All 3 of the series/)).toBeVisible()
  await page.goto(`/calendar?view=week&day=${plus(day, 14)}`)
  await expect(booked(page, 'Fennel Dray')).toHaveAccessibleName('Fennel Dray, 15:00 to 16:30, repeats')
  await page.goto(`/calendar?view=week&day=${day}`)

  // cancelled: who waits for a Wednesday takes it
  await booked(page, 'Fennel Dray').click()
  await page.getByRole('button', { name: /^Cancel it/ }).click()
  done = kept(page)
  await page.getByRole('button', { name: 'Yes, cancel it' }).click()
  await done
  await page.getByRole('region', { name: 'Would take this time' }).getByRole('button', { name: 'Take it', exact: true }).first().click()
  done = kept(page)
  await page.getByRole('button', { name: 'Book', exact: true }).click()
  await done
  await expect(booked(page, 'Oriel Stokes')).toHaveAccessibleName('Oriel Stokes, 15:00 to 15:45')
  await expect(page.getByRole('region', { name: 'Waiting for a time' }).getByText('Oriel Stokes')).toHaveCount(0)
  await accessible(page)
})

test.describe('by touch', () => {
  test.use({ hasTouch: true, viewport: { width: 1024, height: 768 } })
  test('a free time is touched and booked; what is chosen is dragged; a walk-in is here now', async ({ page }) => {
    await signIn(page)
    await newClient(page, 'Tully Ferrant')
    const day = monday(30)
    await page.goto(`/calendar?view=week&day=${day}`)
    await expect(page.locator('[data-column]')).toHaveCount(7)
    const at = await spot(page, plus(day, 3), 660)
    await page.touchscreen.tap(at.x, at.y)
    await pick(page, 'Book', 'Tully')
    let done = kept(page)
    await page.getByRole('button', { name: 'Book', exact: true }).tap()
    await done
    const card = booked(page, 'Tully Ferrant')
    await expect(card).toHaveAccessibleName('Tully Ferrant, 11:00 to 12:00')

    await card.tap()
    await expect(page.getByRole('region', { name: 'Appointment' })).toBeVisible()
    const box = (await card.boundingBox())!
    const to = await spot(page, plus(day, 1), 780)
    const cdp = await page.context().newCDPSession(page)
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', x: number, y: number) =>
      cdp.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [{ x, y }] })
    await touch('touchStart', box.x + 30, box.y + 12)
    for (let k = 1; k <= 8; k++)
      await touch('touchMove', box.x + 30 + ((to.x - box.x - 30) * k) / 8, box.y + 12 + ((to.y + 8 - box.y - 12) * k) / 8)
    done = kept(page)
    await touch('touchEnd', 0, 0)
    await done
    await expect(page.locator(`[data-column="${plus(day, 1)}"] [data-booked]`)).toHaveAccessibleName('Tully Ferrant, 13:00 to 14:00')

    await page.getByRole('button', { name: /^Close/ }).tap()
    await page.getByRole('button', { name: /^Walk-in/ }).tap()
    await pick(page, 'Book', 'Tully')
    done = kept(page)
    await page.getByRole('button', { name: 'Is here' }).tap()
    await done
    await expect(page.getByText(/^Tully Ferrant is here, \d\d:\d\d\.$/)).toBeVisible()
    await booked(page, 'Tully Ferrant').first().tap()
    await expect(page.getByRole('region', { name: 'Appointment' }).getByRole('button', { name: 'Begin' })).toBeVisible()
    await accessible(page)
  })
})
