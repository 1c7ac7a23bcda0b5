import { expect, test } from 'vitest'
import { confirmed } from '@/composables/confirmed'

test('what nobody has asked or read today is not confirmed with the rest', () => {
  expect(
    confirmed('complaint', {
      zone: 'neck_side',
      side: 'left',
      now: 5,
      worst_week: 8,
      best_week: 2,
      words: 'Like a rope',
      since: '2026-10-01',
      worse_with: [{ demand: 'sitting' }, { situation: 'at_night' }],
    }),
  ).toEqual({
    zone: 'neck_side',
    side: 'left',
    now: 5,
    since: '2026-10-01',
    worse_with: [{ demand: 'sitting' }, { situation: 'at_night' }],
  })
  expect(
    confirmed('palpation', {
      muscle: 'levator_scapulae',
      side: 'left',
      tenderness: 3,
      ppt_kpa: 210,
      ppt_repeats_kpa: [205, 215],
      simulated: true,
    }),
  ).toEqual({ muscle: 'levator_scapulae', side: 'left', tenderness: 3 })
  expect(confirmed('range', { movement: 'cervical.rotation', side: 'left', active: 52, repeats: [51, 53], simulated: true })).toEqual({
    movement: 'cervical.rotation',
    side: 'left',
    active: 52,
    // a number that a stand-in gave stays marked as one
    simulated: true,
  })
  expect(confirmed('target', { muscle: 'levator_scapulae', side: 'left', size: 'long', order: 3 })).toEqual({
    muscle: 'levator_scapulae',
    side: 'left',
    size: 'long',
  })
})
