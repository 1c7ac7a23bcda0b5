import { expect, test } from './test'
import { accessible, assessed, openWith, saved, signIn } from './steps'

/** Whole pictures at the screen: joints, a knee-cap and the whole body, by keys and by touch, in as few as a tired hand would give. */
test('a neck is sprung by keys, level by level, and its stiff level explains it best', async ({ page }) => {
  await signIn(page)
  const visit = await assessed(page, 'Spring Neck', [
    { kind: 'complaint', payload: { zone: 'neck_back', side: 'right', now: 6 } },
    { kind: 'range', payload: { movement: 'cervical.rotation', side: 'right', active: 52, pain: 3, end_feel: 'firm' } },
    { kind: 'palpation', payload: { muscle: 'levator_scapulae', side: 'right', tenderness: 1, familiar: 'no' } },
    { kind: 'palpation', payload: { muscle: 'splenius_cervicis', side: 'right', tenderness: 1, familiar: 'no' } },
    { kind: 'palpation', payload: { muscle: 'trapezius_upper', side: 'right', tenderness: 1, familiar: 'no' } },
  ])
  await openWith(page, visit, 'move', { kind: 'test', movement: 'neck_spring' })
  await expect(page.getByRole('heading', { name: 'Neck spring' })).toBeVisible()
  let touches = 0
  const key = async (name: string): Promise<void> => {
    await page.keyboard.press(name)
    touches++
  }
  await key('Enter')
  await expect(page.getByRole('radiogroup', { name: 'Neck spring, left' }).getByRole('radio').first()).toBeFocused()
  // C0 to C7 on the left, all free; the last one leads over to the right
  for (let level = 0; level < 8; level++) await saved(page, () => key('3'))
  await expect(page.getByRole('radiogroup', { name: 'Neck spring, right' }).getByRole('radio').first()).toBeFocused()
  for (const value of ['3', '3', '3', '3', '3', '0', '3', '3']) await saved(page, () => key(value))
  // it was the last of the list: back to the one that was stuck, and whether it hurts there
  const column = page.getByRole('group', { name: 'Level of the spine' })
  await expect(column.getByRole('button', { name: 'C5, left 3, right 0' })).toBeVisible()
  await column.getByRole('button', { name: 'C5, left 3, right 0' }).click()
  touches++
  await saved(page, () => page.getByRole('radiogroup', { name: 'Pain of C5, right' }).getByRole('radio', { name: '5' }).click())
  touches++
  await expect(column.getByRole('button', { name: 'C5, left 3, right 0, hurts 5' })).toBeVisible()
  await accessible(page)
  await key('.')
  await expect(page).toHaveURL(/feel$/)
  await key('.')
  await expect(page).toHaveURL(/think$/)
  await expect(page.getByRole('heading', { name: /Neck level C5, right explains it best/ })).toBeVisible()
  await expect(page.getByText('Neck spring C5 right is stuck')).toBeVisible()
  await accessible(page)
  expect(touches).toBeLessThanOrEqual(60)
})

test.describe('by touch', () => {
  test.use({ hasTouch: true })
  test('a knee-cap that does not glide explains a knee, and what if says what the plan would do', async ({ page }) => {
    await signIn(page)
    const visit = await assessed(page, 'Glide Knee', [{ kind: 'complaint', payload: { zone: 'knee_front', side: 'right', now: 5 } }])
    await page.goto(`${visit}/move`)
    let touches = 0
    const glide = async (name: string, value: number, pain: number): Promise<void> => {
      await page.getByRole('button', { name: new RegExp(`^${name}`) }).tap()
      const right = page.locator('[data-side="right"]')
      await saved(page, () =>
        right
          .getByRole('radiogroup')
          .first()
          .getByRole('radio', { name: String(value), exact: true })
          .tap(),
      )
      await saved(page, () =>
        right
          .getByRole('radiogroup', { name: /ain/ })
          .getByRole('radio', { name: String(pain), exact: true })
          .tap(),
      )
      touches += 3
    }
    await glide('Knee-cap up', 1, 3)
    await glide('Knee-cap down', 0, 4)
    await page.goto(`${visit}/think`)
    await expect(page.getByText('Knee-cap, right', { exact: false }).first()).toBeVisible()
    await page
      .getByRole('button', { name: /^What if/ })
      .first()
      .tap()
    touches++
    await expect(
      page
        .getByRole('group', { name: /^Supposed:/ })
        .getByText(/^The plan (takes in|leaves out|stays)/)
        .first(),
    ).toBeVisible()
    expect(touches).toBeLessThanOrEqual(60)
  })
})

test('one side that works and shortens is told in one sentence, with what would confirm it', async ({ page }) => {
  await signIn(page)
  const visit = await assessed(page, 'Whole Pattern', [
    { kind: 'complaint', payload: { zone: 'interscapular', side: 'left', now: 5 } },
    { kind: 'range', payload: { movement: 'cervical.rotation', side: 'right', active: 58, pain: 0 } },
    { kind: 'range', payload: { movement: 'cervical.rotation', side: 'left', active: 76, pain: 0 } },
    { kind: 'posture', payload: { sign: 'shoulder_rolled_forward', side: 'right', grade: 2 } },
  ])
  await page.goto(`${visit}/think`)
  const told = page.getByRole('region', { name: 'What hangs together' })
  await expect(told.getByText(/Not enough for a pattern of the whole body: 2 signs more for the right/)).toBeVisible()
  await page.goto(`${visit}/move`)
  await page
    .getByRole('group', { name: 'Arm rests high, face up, right' })
    .or(page.getByRole('radiogroup', { name: /Arm rests high.*right/ }))
    .first()
    .getByText('1')
    .click()
  await page.goto(`${visit}/think`)
  await expect(told.getByText('The right side works and shortens in front; the left gives way behind.')).toBeVisible()
  await expect(told.getByText(/Would confirm it: side bend of the neck/)).toBeVisible()
  await expect(told.getByText(/Measure again after: turning the head/)).toBeVisible()
  await accessible(page)
})

test('compression that runs into the arm is told where, bounds the work, and no muscle is offered', async ({ page }) => {
  await signIn(page)
  const visit = await assessed(page, 'Root Arm', [
    { kind: 'complaint', payload: { zone: 'fingers_index_middle', side: 'right', now: 6, qualities: ['tingling'] } },
    { kind: 'resisted', payload: { movement: 'elbow.extension', side: 'right', strength: 3, pain: 0 } },
    { kind: 'test', payload: { test: 'cervical_lift', side: 'midline', result: 'relieves' } },
    { kind: 'palpation', payload: { muscle: 'extensor_digitorum', side: 'right', tenderness: 2, familiar: 'no' } },
    { kind: 'palpation', payload: { muscle: 'scalene_middle', side: 'right', tenderness: 1, familiar: 'no' } },
    { kind: 'palpation', payload: { muscle: 'triceps_brachii', side: 'right', tenderness: 1, familiar: 'no' } },
  ])
  await openWith(page, visit, 'move', { kind: 'test', movement: 'cervical_compression' })
  await expect(page.getByText('Where does it run?')).toHaveCount(0)
  await saved(page, () => page.getByRole('radio', { name: /^brings it on/ }).click())
  const right = page.getByRole('group', { name: 'Compression of the neck runs to, right' })
  await saved(page, () => right.getByRole('button', { name: /index and middle/ }).click())
  await expect(right.getByRole('button', { name: /index and middle/ })).toHaveAttribute('aria-pressed', 'true')
  // a root with weakness is sent on: that it runs into the arm is what tells it
  await expect(page.getByRole('region', { name: 'Safety' }).getByRole('status')).toHaveText('Send on first')
  await accessible(page)
  await page.goto(`${visit}/think`)
  await expect(page.getByRole('heading', { name: 'None of these explains it.' })).toBeVisible()
  await expect(page.getByText(/A nerve answers: compression of the neck; .*is weak without pain/)).toBeVisible()
})
