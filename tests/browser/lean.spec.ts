import { accessible, signIn } from './steps'
import { expect, test } from './test'

test('ten seconds on the plate, twice: what an elbow makes is kept, shown, reckoned with and forgotten; looking on is practice', async ({
  page,
}) => {
  await signIn(page)
  await page.goto('/atlas/trainer')
  await page.getByRole('link', { name: 'Lean' }).click()
  const elbow = page.getByRole('row', { name: /^Elbow pad/ })
  const press = async (felt: number) => {
    await elbow.getByRole('button', { name: new RegExp(`^${felt} with`) }).click()
    await page.keyboard.press('Enter')
    await expect(page.getByRole('timer')).toBeVisible()
    await expect(page.getByText('not shown while you press')).toBeVisible()
    await expect(page.getByRole('button', { name: 'Next' })).toBeVisible()
  }
  await press(3)
  await expect(page.getByText('One more strength, and plans reckon with it.')).toBeVisible()
  await press(5)
  await expect(page.getByText(/With elbow pad plans reckon/)).toBeVisible()
  await expect(elbow).toContainText(/than usual|as is usual/)
  await accessible(page)

  await page.getByRole('checkbox', { name: /look on while I press/ }).check()
  await page.getByRole('button', { name: 'Press again' }).click()
  await expect(page.getByText('not shown while you press')).toHaveCount(0)
  await page.getByRole('button', { name: 'Let go' }).click()
  await expect(page.getByRole('button', { name: /^Press/ })).toBeVisible()

  await page.getByRole('button', { name: 'Forget what elbow pad made' }).click()
  await expect(elbow.getByRole('button', { name: /not pressed yet/ })).toHaveCount(3)
})
