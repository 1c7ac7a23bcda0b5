import { expect, test } from './test'
import { accessible, newClient, saved, signIn } from './steps'

test('what makes it worse and better, where it spreads and how it is told stand in the record, and none takes another away', async ({
  page,
}) => {
  await signIn(page)
  await newClient(page, 'Orla Penn')
  await page.getByRole('button', { name: 'Start visit 1' }).click()
  await expect(page).toHaveURL(/ask$/)
  await saved(page, () => page.locator('#place-list').selectOption('neck_side:left'))
  const worse = page.getByLabel('A movement that makes it worse')
  await worse.focus()
  await saved(page, () => worse.selectOption('cervical.rotation:left'))
  await saved(page, () => page.getByRole('group', { name: 'Worse with' }).getByRole('button', { name: 'driving' }).click())
  const better = page.getByLabel('A movement that eases it')
  await better.focus()
  await saved(page, () => better.selectOption('cervical.flexion:midline'))
  const spreads = page.getByLabel('Where it spreads to')
  await spreads.focus()
  await saved(page, () => spreads.selectOption('temple:left'))
  await page.getByLabel(/own words/).fill('It pulls up behind the ear.')
  await saved(page, () => page.getByLabel(/own words/).blur())
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
