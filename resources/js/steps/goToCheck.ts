import { router } from '@inertiajs/vue3'
import type { NextCheck } from '@/types/visit'

/** Opens the place where a check is done, with it in hand. */
export function goToCheck(visit: string, check: Pick<NextCheck, 'kind' | 'id' | 'side'>): void {
  const where =
    check.kind === 'palpate'
      ? `feel?muscle=${check.id}&side=${check.side}`
      : check.kind === 'range' || check.kind === 'resisted'
        ? `move?movement=${check.id}&kind=${check.kind}`
        : 'screen'
  router.visit(`/visits/${visit}/${where}`)
}
