// From the dissected regions to what the pages ask of them without painting: which states there are, what is seen in each and where, and in
// which state each muscle is seen best. The pages paint the regions themselves.
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { boxOf, Painter } from './model/paint.mjs'
import { CELL, seen, seenWhole } from './model/seen.mjs'
import { listed, regionText, sourceOf, wholes } from './source.mjs'

const here = dirname(fileURLToPath(import.meta.url))
const target = join(here, '../js/chart/art/dissection')
const atlas = new Set(JSON.parse(readFileSync(join(here, '../../core/data/muscles.json'), 'utf8')).muscles.map((one) => one.id))
mkdirSync(target, { recursive: true })

/** What is seen; kept from the last build where neither what it is of nor the model is another. */
function kept(id, source, fresh) {
  const path = join(target, `${id}.generated.json`)
  const before = existsSync(path) ? JSON.parse(readFileSync(path, 'utf8')) : null
  if (before?.source === source) return before.states
  const states = fresh()
  writeFileSync(path, `${JSON.stringify({ source, cell: CELL, states })}\n`)
  return states
}

const read = (id) => JSON.parse(regionText(id))
/** Of each muscle of the atlas how many cells are seen in a state. */
function muscles(states, parts) {
  const all = {}
  for (const [state, { seen }] of Object.entries(states))
    for (const [name, { cells }] of Object.entries(seen)) {
      const part = name.replace(/:other$/, '')
      const muscle = parts[part] ?? part
      if (!atlas.has(muscle)) continue
      all[muscle] ??= {}
      all[muscle][state] = (all[muscle][state] ?? 0) + cells
    }
  return all
}
/** Muscles that are drawn under another name, or in several parts. */
const partsOf = (region) => Object.fromEntries(region.muscles.filter((one) => one.of && one.of !== one.id).map((one) => [one.id, one.of]))

const regions = listed().map(({ id, name, short, next }) => {
  const region = read(id)
  const states = kept(id, sourceOf(id), () => Object.fromEntries(region.states.map((state) => [state.id, seen(region, state.id)])))
  const painter = new Painter(region, null, null)
  const parts = partsOf(region)
  return {
    id,
    name,
    short,
    next,
    box: boxOf(region),
    midline: region.midline ?? null,
    view: region.view,
    states: region.states.map((state) => ({ id: state.id, what: state.what, nerves: painter.overlays(state).length > 0 })),
    muscles: muscles(states, parts),
    parts,
  }
})
const whole = wholes().map((view) => {
  const known = Object.assign({}, ...view.parts.map((part) => partsOf(read(part.region))))
  const states = kept(view.id, sourceOf(view.id), () =>
    Object.fromEntries(view.states.map((state, k) => [state.id, seenWhole(view, k, read)])),
  )
  return {
    id: view.id,
    name: view.name,
    short: view.short,
    next: view.next,
    box: view.box,
    midline: 0,
    view: view.view,
    states: view.states.map((state) => ({ ...state, nerves: false })),
    muscles: muscles(states, known),
    parts: known,
  }
})
writeFileSync(join(target, 'index.generated.json'), `${JSON.stringify([...whole, ...regions])}\n`)
