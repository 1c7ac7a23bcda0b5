import { expect, test } from './test'
import { accessible, assessed, later, signIn } from './steps'

/** What stands over every page: the finder, the list of keys, and the help behind it. */
test('anything is found from anywhere: who rings, a muscle beside the work, a page', async ({ page }) => {
  await signIn(page)
  await page.goto('/settings')
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await page.keyboard.press('/')
  const box = page.getByRole('combobox', { name: 'Find anything' })
  await expect(box).toBeFocused()
  await accessible(page)
  await page.keyboard.type('01632 960 121')
  await expect(page.getByRole('option', { name: /Maren Sallow/ })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/clients\//)
  await expect(page.getByRole('heading', { name: 'Maren Sallow' })).toBeVisible()

  await page.keyboard.press('/')
  await page.keyboard.type('soleus')
  await page.getByRole('option', { name: /^Soleus/ }).click()
  await expect(page.getByRole('dialog').getByRole('heading', { name: 'Soleus' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page).toHaveURL(/\/clients\//) // nothing behind it has moved

  await page.keyboard.press('/')
  await page.keyboard.type('palette') // at once, while it opens
  await expect(page.getByRole('option', { name: 'Settings' })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL('/settings')
  await page.keyboard.press('/')
  await page.keyboard.type('zzqx')
  await expect(page.getByText(/Nothing here is called that/)).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(box).toHaveCount(0)
})

test('? tells the keys of every page, and leads to the help, where every word is found', async ({ page }) => {
  await signIn(page)
  await page.keyboard.press('?')
  const list = page.getByRole('dialog', { name: 'Keys and words on this page' })
  await expect(list.getByText('new client')).toBeVisible()
  await expect(list.getByText('Overstretched')).toHaveCount(0)
  await accessible(page)
  await page.keyboard.press('Escape')
  await page.goto('/calendar')
  await expect(
    page
      .getByRole('grid')
      .or(page.getByRole('heading', { level: 1 }))
      .first(),
  ).toBeVisible()
  await page.keyboard.press('?')
  await expect(list.getByText('lift a booking, and set it down')).toBeVisible()
  await expect(list.getByText('new client')).toHaveCount(0) // the page before has left its keys
  await list.getByRole('link', { name: /^Help/ }).click()
  await expect(page).toHaveURL('/help')
  await expect(list).toHaveCount(0)
  await page.keyboard.press('/')
  await page.keyboard.type('end-feel')
  await expect(page.getByText(/Hard or empty with pain is a question for a doctor/)).toBeVisible()
  await expect(page.getByText('Scope of practice says what is done here')).toHaveCount(0)
  await accessible(page)
})

test('in a visit ? tells the step, and the finder leaves the treatment room alone', async ({ page }) => {
  await signIn(page)
  const visit = await assessed(page, 'Keys Told', [{ kind: 'complaint', payload: { zone: 'neck_side', side: 'left', now: 5 } }])
  await page.goto(`${visit}/move`)
  await expect(page.getByRole('navigation', { name: 'What to measure' })).toBeVisible()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog').getByText('look: a digit grades and goes on, Enter passes')).toBeVisible()
  await expect(page.getByRole('dialog').getByText('next step')).toBeVisible()
  const words = page.getByRole('dialog').getByRole('term')
  await expect(words.filter({ hasText: 'End-feel' })).toHaveCount(1)
  await expect(words.filter({ hasText: 'Countersign' })).toHaveCount(0) // no word of this page
  await page.keyboard.press('Escape')
  await page.goto(`${visit}/work`)
  await later(page, 600)
  await page.keyboard.press('/')
  await expect(page.getByRole('combobox', { name: 'Find anything' })).toHaveCount(0)
})
