import type { MuscleId } from '@/types/ids.generated'
import { views, type ViewId } from './art'
import type { FigurePoint } from './Figure.vue'
import raw from './spots.generated.json'

/** Where the spots of a muscle lie on each view that shows it, of the half to the right, in units of the view. */
const all = raw as unknown as Record<string, Partial<Record<ViewId, Record<string, [number, number]>>>>

/** The first view that shows these spots of a muscle: the one wished for, or another. */
export const viewOfSpots = (muscle: MuscleId, spots: readonly string[], first?: ViewId): ViewId | undefined =>
  (first ? [first, ...views] : views).find((view) => {
    const there = all[muscle]?.[view]
    return there && spots.every((spot) => there[spot])
  })
/** Spots with their numbers, in that order; each once. */
export const placesOfSpots = (view: ViewId, muscle: MuscleId, spots: readonly string[]): FigurePoint[] => {
  const there = all[muscle]?.[view] ?? {}
  return [...new Set(spots)].flatMap((id, k) => ((home) => (home ? [{ id, key: String(k + 1), home }] : []))(there[id]))
}
