// The atlas and the figure tell of the same ends: what is drawn ends where the atlas says, and what the atlas says is drawn.

/** @typedef {{ id: string, attachments: { upper: { landmarks: string[] }, lower: { landmarks: string[] } } }} Entry of the atlas */
/** @typedef {Record<string, Record<string, string>>} Reasons */
/** @typedef {{ places: [string, string[]][], apart: Reasons, undrawn: Reasons }} Places */

/**
 * What a named point or line stands for.
 *
 * @param {Places} places
 * @returns {(name: string) => Set<string> | undefined} landmarks; none where it is no end of a muscle, undefined where nobody says
 */
export function standsFor({ places }) {
  const known = places.map(([pattern, landmarks]) => [new RegExp(`^(?:${pattern})$`), landmarks])
  return (name) => {
    const found = name.split('+').flatMap((piece) => known.filter(([pattern]) => pattern.test(piece)))
    return found.length ? new Set(found.flatMap(([, landmarks]) => landmarks)) : undefined
  }
}

/**
 * Ends that are drawn elsewhere than the atlas says, names that stand for nothing, and ends of the atlas that no region draws.
 *
 * @param {object[]} regions
 * @param {Entry[]} entries
 * @param {Places} places
 * @returns {string[]}
 */
export function disagreements(regions, entries, places) {
  const stands = standsFor(places)
  const told = new Map(
    entries.map(({ id, attachments }) => [id, new Set([...attachments.upper.landmarks, ...attachments.lower.landmarks])]),
  )
  const drawn = new Map()
  const faults = new Set()
  for (const region of regions) {
    const shapes = new Map(region.muscles.map((one) => [one.id, one]))
    /** Landmarks of an end; those of another shape where it ends in one: a tendon, a sheet. */
    const of = (name) => {
      if (!shapes.has(name)) return stands(name)
      const { from = [], to = [] } = shapes.get(name)
      return new Set([...from, ...to].filter((end) => !end.startsWith('~') && !shapes.has(end)).flatMap((end) => [...(stands(end) ?? [])]))
    }
    for (const shape of region.muscles)
      for (const muscle of new Set([shape.of ?? shape.id, shape.part].filter((id) => told.has(id)))) {
        const own = told.get(muscle)
        for (const end of [...(shape.from ?? []), ...(shape.to ?? [])]) {
          if (end.startsWith('~')) continue
          const landmarks = of(end)
          if (!landmarks) faults.add(`${region.id}: nobody says what "${end}" stands for`)
          else if (
            landmarks.size &&
            ![...landmarks].some((one) => own.has(one)) &&
            !shapes.has(end) &&
            !places.apart[region.id]?.[shape.id]
          )
            faults.add(`${region.id}: ${shape.id} ends at ${end}, which ${muscle} of the atlas does not`)
          for (const one of landmarks ?? []) if (own.has(one)) drawn.set(muscle, (drawn.get(muscle) ?? new Set()).add(one))
        }
      }
  }
  for (const [muscle, own] of drawn)
    for (const landmark of told.get(muscle))
      if (own.has(landmark) === Boolean(places.undrawn[muscle]?.[landmark]))
        faults.add(`${muscle}: ${landmark} is ${own.has(landmark) ? 'drawn, take it off the list' : 'drawn nowhere'}`)
  return [...faults].sort()
}
