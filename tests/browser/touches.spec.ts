import { choose, counting, denied, openStep, recorded, saved, signIn } from './steps'
import { expect, test, type Page } from './test'

/** The one button that goes on. */
const onward = async (page: Page) => {
  const here = page.url()
  await page.getByRole('contentinfo').getByRole('button').last().click()
  await expect(page).not.toHaveURL(here)
}
const inHand = (page: Page) => page.locator('h2.display').first()

/** A client, a complaint with what it is like, the danger signs, seven movements in pairs, six muscles on both sides, a plan. */
async function firstVisit(page: Page, name: string): Promise<string> {
  await page.getByRole('link', { name: 'New client' }).click()
  await page.getByLabel('Name').click()
  await page.keyboard.type(name)
  await page.keyboard.press('Tab')
  await page.keyboard.type('4.5.90')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Start visit 1' }).click()

  await saved(page, () => page.locator('[data-zone="neck_back:left"]').click({ force: true }))
  await saved(page, () => page.getByRole('radiogroup', { name: 'Pain now' }).getByRole('radio', { name: '6', exact: true }).click())
  await saved(page, () => page.getByRole('button', { name: 'ache', exact: true }).click())
  await saved(page, () => page.getByRole('button', { name: '6 weeks' }).click())
  await onward(page)
  await denied(page)

  await onward(page)
  await expect(page.getByRole('navigation', { name: 'What to measure' })).toBeVisible()
  await page.getByRole('button', { name: 'full', exact: true }).click()
  await expect(page.getByRole('navigation', { name: 'What to measure' })).toContainText('resisted')
  const active = page.getByLabel('Active, degrees')
  await active.first().click()
  const done: string[] = []
  for (let tries = 0; done.length < 7 && tries < 40; tries++) {
    const name = (await inHand(page).textContent()) ?? ''
    const typed = (await active.count()) === 2
    const graded = (await page.locator('[data-side="right"] [data-first] [role=radio]').count()) > 0
    // what has no two sides is passed over for now
    if (!typed && !graded) {
      await page.keyboard.press('Enter')
      await page.waitForTimeout(200)
    } else {
      for (const side of [0, 1])
        await saved(page, async () => {
          if (typed) {
            await expect(active.nth(side)).toBeFocused()
            await page.keyboard.type(String(30 + 8 * side))
            await page.keyboard.press('Enter')
          } else await page.keyboard.press(String(side))
        })
      done.push(name)
      await expect(inHand(page)).not.toHaveText(name)
    }
  }
  expect(done, done.join('; ')).toHaveLength(7)

  await openStep(page, 'Feel')
  await page.getByRole('button', { name: /^list of \d+/ }).click()
  const muscles = page.getByRole('listbox', { name: 'Muscles of the list' }).getByRole('option')
  for (let one = 0; one < 6; one++) {
    if (one > 0) await muscles.nth(one).click()
    for (const [side, grade] of [
      ['left', one === 0 ? '3' : '1'],
      ['right', '0'],
    ] as const)
      await saved(page, () =>
        page
          .getByRole('group', { name: `Tenderness, ${side}` })
          .getByRole('button', { name: grade, exact: true })
          .click(),
      )
  }
  await onward(page)
  await onward(page)
  await onward(page)
  await page.getByRole('button', { name: /Agree this with/ }).click()
  await expect(page).toHaveURL(/work$/)
  return page.url().replace(/\/work$/, '')
}

test('a first visit: 80 touches and 70 keystrokes at most', async ({ page }) => {
  const counted = await counting(page)
  await signIn(page)
  await page.evaluate(() => sessionStorage.clear())
  await firstVisit(page, 'Ida Moss')
  const { touches, keys } = await counted()
  console.log(`first visit: ${touches} touches, ${keys} keystrokes`)
  expect(touches).toBeGreaterThan(30)
  expect(touches).toBeLessThanOrEqual(80)
  expect(keys).toBeGreaterThan(30)
  expect(keys).toBeLessThanOrEqual(70)
})

test('a returning visit: 35 touches and keystrokes at most, nothing of last time is asked again', async ({ page }) => {
  const counted = await counting(page)
  await signIn(page)
  const first = await firstVisit(page, 'Odo Ferne')
  await recorded(page, first, [{ kind: 'function', payload: { task: 'Look over the shoulder', score: 4 } }])
  await page.goto(`${first}/after`)
  await page.getByRole('button', { name: 'Sign and freeze' }).click()
  await expect(page.getByText('What is corrected later is a new revision')).toBeVisible()
  await page.getByRole('button', { name: /Back to/ }).click()
  await expect(page.getByRole('button', { name: 'Start visit 2' })).toBeVisible()

  await page.evaluate(() => sessionStorage.clear())
  await page.getByRole('button', { name: 'Start visit 2' }).click()
  const last = page.getByRole('article', { name: /^Back of the neck, left, as on / })
  await saved(page, () => last.getByRole('radio', { name: '4', exact: true }).click())
  await saved(page, () => page.getByRole('radiogroup', { name: 'Look over the shoulder' }).getByRole('radio', { name: '6' }).click())
  await saved(page, () => page.getByRole('group', { name: 'Soreness' }).getByRole('button', { name: 'not', exact: true }).click())
  await saved(page, () => page.getByRole('group', { name: 'Worse afterwards' }).getByRole('button', { name: 'no', exact: true }).click())
  await onward(page)
  // what was answered stands; what is asked at every visit is one group (of the same day it stands too: CarryOverTest goes a week on)
  await expect(page.getByRole('button', { name: /: none of (these|the others)$/ })).toHaveCount(0)
  expect(await denied(page)).toBeLessThanOrEqual(1)
  await onward(page)

  // what is measured again is typed, what is unchanged is one key
  await expect(page.getByRole('button', { name: /^Unchanged/ })).toBeVisible()
  await page.keyboard.press('Enter')
  for (const degrees of ['58', '70'])
    await saved(page, async () => {
      await page.keyboard.type(degrees)
      await page.keyboard.press('Enter')
    })
  await expect(page.getByRole('button', { name: /^Unchanged/ })).toBeVisible()
  const together = page.waitForResponse((response) => response.url().includes('/entries') && response.request().method() === 'POST')
  await page.getByRole('button', { name: /^Unchanged/ }).click()
  expect((await together).ok()).toBe(true)
  await onward(page)
  await page.getByRole('button', { name: /^list of \d+/ }).click()
  for (let one = 0; one < 2; one++) {
    const felt = page.waitForResponse((response) => response.url().includes('/entries') && response.request().method() === 'POST')
    if (one > 0) await page.keyboard.press('ArrowDown')
    await page.keyboard.press('p')
    expect((await felt).ok()).toBe(true)
  }
  await onward(page)
  await onward(page)
  await onward(page)
  await page.getByRole('button', { name: /Agree this with/ }).click()
  await expect(page).toHaveURL(/work$/)
  const { touches, keys } = await counted()
  console.log(`returning visit: ${touches} touches, ${keys} keystrokes`)
  expect(touches + keys).toBeGreaterThan(15)
  expect(touches + keys).toBeLessThanOrEqual(35)
})

test('the controls of our own answer to keys: a list, a search, a day and its month, a time', async ({ page }) => {
  await signIn(page)
  await page.goto('/clients/new')
  const born = page.getByLabel('Date of birth')
  await born.fill('31/2/1990')
  await born.blur()
  await expect(page.getByRole('alert').filter({ hasText: 'That is no day' })).toBeVisible()
  await expect(born).toHaveValue('31/2/1990')
  await born.fill('4 may 1990')
  await born.blur()
  await expect(born).toHaveValue('4 May 1990')
  await page.getByRole('button', { name: 'Choose in the month' }).click()
  const month = page.getByRole('grid', { name: 'Date of birth, May 1990' })
  await expect(month.getByRole('button', { name: '4 May 1990', exact: true })).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('PageUp')
  await expect(
    page.getByRole('grid', { name: 'Date of birth, April 1990' }).getByRole('button', { name: '11 Apr 1990', exact: true }),
  ).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(born).toHaveValue('11 Apr 1990')
  await expect(page.getByRole('grid')).toHaveCount(0)

  await page.goto('/settings')
  const own = page.getByRole('form', { name: 'For yourself' })
  const dates = own.getByLabel('Dates as')
  await dates.focus()
  await page.keyboard.press('ArrowDown')
  await expect(page.locator('[data-options] [role=option]').first()).toBeVisible()
  await page.keyboard.press('End')
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-options]')).toHaveCount(0)
  await expect(dates).toBeFocused()
  await expect(dates).toHaveAttribute('data-value', 'iso')
  await choose(dates, '')
  await expect(dates).toHaveAttribute('data-value', '')
})
