// From the dissected regions to what the pages ask of them without painting: which states there are, what is seen in each and where, and in
// which state each muscle is seen best. The pages paint the regions themselves.
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { boxOf, Painter } from './model/paint.mjs'
import { CELL, seen } from './model/seen.mjs'
import { listed, regionText, sourceOf } from './source.mjs'

const here = dirname(fileURLToPath(import.meta.url))
const target = join(here, '../js/chart/art/dissection')
const atlas = new Set(JSON.parse(readFileSync(join(here, '../../core/data/muscles.json'), 'utf8')).muscles.map((one) => one.id))
mkdirSync(target, { recursive: true })

/** What is seen of a region; kept from the last build where neither it nor the model is another. */
function seenOf(id) {
  const path = join(target, `${id}.generated.json`)
  const source = sourceOf(id)
  const kept = existsSync(path) ? JSON.parse(readFileSync(path, 'utf8')) : null
  if (kept?.source === source) return kept
  const region = JSON.parse(regionText(id))
  const states = Object.fromEntries(region.states.map((state) => [state.id, seen(region, state.id)]))
  const fresh = { source, cell: CELL, states }
  writeFileSync(path, `${JSON.stringify(fresh)}\n`)
  return fresh
}

const index = listed().map(({ id, name, short, next }) => {
  const region = JSON.parse(regionText(id))
  const { states } = seenOf(id)
  const painter = new Painter(region, null, null)
  const known = new Map(region.muscles.map((one) => [one.id, one.of ?? one.id]))
  const muscles = {}
  for (const state of region.states)
    for (const [part, { cells }] of Object.entries(states[state.id].seen)) {
      const muscle = known.get(part.replace(/:other$/, ''))
      if (!atlas.has(muscle)) continue
      muscles[muscle] ??= {}
      muscles[muscle][state.id] = (muscles[muscle][state.id] ?? 0) + cells
    }
  return {
    id,
    name,
    short,
    next,
    box: boxOf(region),
    midline: region.midline ?? null,
    view: region.view,
    states: region.states.map((state) => ({ id: state.id, what: state.what, nerves: painter.overlays(state).length > 0 })),
    muscles,
    parts: Object.fromEntries([...known].filter(([part, muscle]) => part !== muscle)),
  }
})
writeFileSync(join(target, 'index.generated.json'), `${JSON.stringify(index)}\n`)
