import { expect, test, type Page } from './test'
import { heard, inHand, saved, signIn } from './steps'

/** Presses Tab until what is wanted has the focus; fails when it cannot be reached that way. */
async function tabTo(page: Page, wanted: (text: string) => boolean, most = 150): Promise<void> {
  for (let k = 0; k < most; k++) {
    await page.keyboard.press('Tab')
    const text = await page.evaluate(() => {
      const on = document.activeElement as HTMLElement | null
      const labelled = on?.id ? (document.querySelector(`label[for="${on.id}"]`)?.textContent ?? '') : ''
      return `${on?.getAttribute('aria-label') ?? ''} ${labelled} ${on?.closest('label')?.textContent ?? ''} ${on?.textContent ?? ''}`.trim()
    })
    if (wanted(text)) return
  }
  throw new Error('not reachable by Tab')
}
const has =
  (part: string) =>
  (text: string): boolean =>
    text.includes(part)

test('a whole visit by keyboard only', async ({ page }) => {
  await signIn(page)
  await page.keyboard.press('c')
  await expect(page).toHaveURL(/clients\/new/)
  await page.keyboard.type('Wren Sedge')
  await page.keyboard.press('Tab')
  await page.keyboard.type('04051985')
  await tabTo(page, has('Save and open'))
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Wren Sedge' })).toBeVisible()
  await tabTo(page, has('Start visit 1'))
  await page.keyboard.press('Enter')

  // Ask: from the list that mirrors the figure
  await expect(page.getByText('Paint it on the figure')).toBeVisible()
  await tabTo(page, has('Add a place that hurts'))
  await page.keyboard.press('Enter')
  await expect(page.getByRole('combobox', { name: /^Add a place that hurts/ })).toBeFocused()
  // typing walks through the list and chooses nothing until it is said
  await page.keyboard.type('back of the neck, l')
  await expect(page.getByRole('article')).toHaveCount(0)
  await saved(page, () => page.keyboard.press('Enter'))
  await expect(page.getByRole('article')).toHaveCount(1)
  await expect(page.getByRole('button', { name: /Back of the neck/ }).first()).toBeVisible()
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())
  await saved(page, () => page.keyboard.press('6'))

  // Screen: y, n, u
  await page.keyboard.press('.')
  await expect(page).toHaveURL(/screen/)
  const groups = page.getByRole('button', { name: /read out, all denied/ })
  for (let left = 2; left > 0; left--) {
    await tabTo(page, (text) => /all denied/.test(text))
    await page.keyboard.press('Enter')
    await expect(groups).toHaveCount(left - 1)
  }
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())
  const open = page.getByRole('button', { name: /: none of these$/ })
  for (let left = await open.count(); left > 0; left--) {
    await page.keyboard.press('d')
    await expect(open).toHaveCount(left - 1)
  }

  // Move
  await page.keyboard.press('.')
  await expect(page).toHaveURL(/move/)
  await tabTo(page, has('Active, degrees'))
  await page.keyboard.type('60')
  await saved(page, () => page.keyboard.press('Tab'))
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())

  // Feel: digits and letters
  await page.keyboard.press('.')
  await expect(page).toHaveURL(/feel/)
  await page.keyboard.press('ArrowDown')
  await saved(page, () => page.keyboard.press('3'))
  await saved(page, () => page.keyboard.press('t'))
  await saved(page, () => page.keyboard.press('x'))
  await saved(page, () => page.keyboard.press('f'))
  await page.keyboard.press(';')
  await saved(page, () => page.keyboard.press('1'))
  await saved(page, () => page.keyboard.press('z'))
  await expect(page.getByText(/taken back/)).toBeVisible()
  await page.keyboard.press('?')
  await expect(page.getByRole('heading', { name: 'Keys and words on this page' })).toBeVisible()
  await page.keyboard.press('Escape')

  // Think → Agree → Plan → Work
  await page.keyboard.press('.')
  await expect(page).toHaveURL(/think/)
  await page.keyboard.press('.')
  await expect(page).toHaveURL(/agree/)
  await page.keyboard.press('.')
  await expect(page).toHaveURL(/plan/)
  await expect(page.getByRole('complementary', { name: 'Targets' })).toBeVisible()
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/work/)
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Settle')
  let worked = false
  for (let k = 0; k < 120 && (await inHand(page)) !== 'Done'; k++) {
    const treat = (await page.getByRole('button', { name: /Softens/ }).count()) > 0
    await heard(page, () => page.keyboard.press('Enter'))
    if (treat && !worked) {
      await heard(page, () => page.keyboard.press('1'))
      await heard(page, () => page.keyboard.press(' '))
      await expect(page.getByText(/Softer: one layer/)).toBeVisible()
      worked = true
    }
  }
  expect(worked).toBe(true)
  await expect(page.getByRole('heading', { name: 'Done' })).toBeVisible()
  await tabTo(page, has('Re-check'))
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/recheck/)
  await page.keyboard.press('.')
  await expect(page).toHaveURL(/after/)
  await tabTo(page, has('Sign and freeze'))
  await page.keyboard.press('Enter')
  await expect(page.getByText('What is corrected later is a new revision')).toBeVisible()
})
