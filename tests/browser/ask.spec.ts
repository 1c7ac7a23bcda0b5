import { expect, test } from './test'
import { accessible, choose, newClient, saved, signIn } from './steps'

test('what makes it worse and better, where it spreads and how it is told stand in the record, and none takes another away', async ({
  page,
}) => {
  await signIn(page)
  await newClient(page, 'Orla Penn')
  await page.getByRole('button', { name: 'Start visit 1' }).click()
  await expect(page).toHaveURL(/ask$/)
  await saved(page, () => choose(page.locator('#place-list'), 'neck_side:left'))
  const worse = page.getByRole('combobox', { name: 'A movement that makes it worse' })
  await worse.focus()
  await saved(page, () => choose(worse, 'cervical.rotation:left'))
  await saved(page, () => page.getByRole('group', { name: 'Worse with' }).getByRole('button', { name: 'driving' }).click())
  const better = page.getByRole('combobox', { name: 'A movement that eases it' })
  await better.focus()
  await saved(page, () => choose(better, 'cervical.flexion:midline'))
  const spreads = page.getByRole('combobox', { name: 'Where it spreads to' })
  await spreads.focus()
  await saved(page, () => choose(spreads, 'temple:left'))
  const ownWords = page.getByLabel(/own words/)
  await ownWords.fill('It pulls up behind the ear.')
  await saved(page, () => ownWords.blur())
  await accessible(page)

  await page.reload()
  await expect(page.getByRole('button', { name: 'Turning the head, left: take away' })).toBeVisible()
  await expect(page.getByRole('group', { name: 'Worse with' }).getByRole('button', { name: 'driving' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await expect(page.getByRole('button', { name: 'Bending the head forward: take away' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'temple, left: take away' })).toBeVisible()
  await expect(page.getByLabel(/own words/)).toHaveValue('It pulls up behind the ear.')

  await saved(page, () => page.getByRole('button', { name: 'Turning the head, left: take away' }).click())
  await page.reload()
  await expect(page.getByRole('button', { name: 'Turning the head, left: take away' })).toHaveCount(0)
  await expect(page.getByRole('group', { name: 'Worse with' }).getByRole('button', { name: 'driving' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
})

test('what is being typed is not written over by an answer that arrives meanwhile', async ({ page }) => {
  await signIn(page)
  await newClient(page, 'Tavi Lorne')
  await page.getByRole('button', { name: 'Start visit 1' }).click()
  await expect(page).toHaveURL(/ask$/)
  await saved(page, () => choose(page.locator('#place-list'), 'neck_side:left'))
  let letGo = (): void => {}
  const typed = new Promise<void>((resolve) => (letGo = resolve))
  await page.route('**/entries?**', async (route) => {
    await typed
    await route.continue()
  })
  const ownWords = page.getByLabel(/own words/)
  await saved(page, async () => {
    await page.getByRole('group', { name: 'Worse with' }).getByRole('button', { name: 'driving' }).click()
    await ownWords.pressSequentially('It pulls up ')
    letGo()
  })
  await expect(page.getByRole('group', { name: 'Worse with' }).getByRole('button', { name: 'driving' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await ownWords.pressSequentially('behind the ear.')
  await saved(page, () => ownWords.blur())
  await page.reload()
  await expect(ownWords).toHaveValue('It pulls up behind the ear.')

  // what was emptied of sense shows what is kept
  await ownWords.fill('  It pulls up behind the ear. ')
  await ownWords.blur()
  await expect(ownWords).toHaveValue('It pulls up behind the ear.')
})

test('a place chosen by name is shown, from wherever it is seen', async ({ page }) => {
  await signIn(page)
  await newClient(page, 'Imre Falk')
  await page.getByRole('button', { name: 'Start visit 1' }).click()
  await expect(page).toHaveURL(/ask$/)
  const view = (name: string) => page.getByRole('button', { name, exact: true })
  await expect(view('Back')).toHaveAttribute('aria-pressed', 'true')
  await saved(page, () => choose(page.locator('#place-list'), 'knee_front:right'))
  await expect(view('Front')).toHaveAttribute('aria-pressed', 'true')
  await expect(
    page
      .getByText('front of the knee right')
      .or(page.getByText(/Front of the knee/))
      .first(),
  ).toBeVisible()
  // what is near what hurts is asked first; the rest waits beneath
  const days = page.getByRole('group', { name: 'What the days ask' })
  await expect(days).toContainText(/Could load what hurts.*kneeling.*Anything else.*arms overhead/s)
  await saved(page, () => days.getByRole('button', { name: 'kneeling' }).click())
})
