import { test, expect } from './test'
import { signIn, assessed, recorded, openWith } from './steps'
test('look', async ({ page }) => {
  test.setTimeout(60000)
  await page.setViewportSize({ width: 1280, height: 800 })
  await signIn(page)
  const visit = await assessed(page, 'Tilda Marrow', [
    { kind: 'complaint', payload: { zone: 'neck_back', side: 'right', now: 6 } },
    { kind: 'complaint', payload: { zone: 'shoulder_blade', side: 'right', now: 3 } },
    { kind: 'range', payload: { movement: 'cervical.rotation', side: 'right', active: 52, pain: 3, end_feel: 'firm' } },
    { kind: 'range', payload: { movement: 'cervical.rotation', side: 'left', active: 76, pain: 0 } },
    { kind: 'range', payload: { movement: 'scapula.adduction', side: 'right', active: 1 } },
    { kind: 'range', payload: { movement: 'scapula.adduction', side: 'left', active: 3 } },
    { kind: 'posture', payload: { sign: 'shoulder_rolled_forward', side: 'right', grade: 2 } },
    { kind: 'posture', payload: { sign: 'arm_rests_high', side: 'right', grade: 1 } },
    { kind: 'demand', payload: { demand: 'typing', side: 'right', hours_per_week: 20 } },
  ])
  await openWith(page, visit, 'move', { kind: 'test', movement: 'neck_spring' })
  await page.waitForTimeout(1500)
  await page.screenshot({ path: '/tmp/s-move0.png' })
  await recorded(page, visit, [
    { kind: 'test', payload: { test: 'neck_spring', side: 'right', segment: 'C5', value: 0, pain: 5 } },
    { kind: 'test', payload: { test: 'neck_spring', side: 'right', segment: 'C4', value: 2, pain: 0 } },
    { kind: 'test', payload: { test: 'neck_spring', side: 'left', segment: 'C5', value: 3, pain: 0 } },
    { kind: 'palpation', payload: { muscle: 'levator_scapulae', side: 'right', tenderness: 2, familiar: 'no' } },
    { kind: 'palpation', payload: { muscle: 'splenius_cervicis', side: 'right', tenderness: 2, familiar: 'no' } },
  ])
  await openWith(page, visit, 'move', { kind: 'test', movement: 'neck_spring' })
  await page.waitForTimeout(1500)
  await page.screenshot({ path: '/tmp/s-move.png' })
  await page.goto(`${visit}/think`)
  await page.waitForTimeout(1000)
  await page.keyboard.press('w')
  await page.waitForTimeout(1500)
  await page.screenshot({ path: '/tmp/s-think.png', fullPage: true })
  await page.goto(`${visit}/feel`)
  await page.waitForTimeout(1500)
  await page.screenshot({ path: '/tmp/s-feel.png' })
})
