import type { AtlasMovement } from '@/chart/atlas'
import type { Palpation } from '@/types/visit'

/** What a range has become since it was measured before, beside the error it is measured with. */
export function changeOf(movement: AtlasMovement, from: number, to: number): string {
  const change = Math.round((to - from) * 10) / 10
  const better = movement.larger ? change > 0 : change < 0
  return Math.abs(change) < movement.error
    ? `${change > 0 ? '+' : ''}${change}: within measuring error`
    : `${change > 0 ? '+' : ''}${change}: really ${better ? 'freer' : 'less'}`
}
/** Where something was felt, without what was found there: the same spot is felt again. */
export const placeOf = ({ muscle, side, site, spot }: Palpation): Palpation => ({
  muscle,
  side,
  ...(site ? { site } : {}),
  ...(spot ? { spot } : {}),
})
