// From the dissected regions to what the pages ask of them without painting: which states there are, what is seen in each and where, of
// what it is, and in which state each muscle is seen best. The pages paint the regions themselves.
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { boxOf, Painter } from './model/paint.mjs'
import { CELL, seen, seenWhole } from './model/seen.mjs'
import { inside } from './model/spline.mjs'
import { twofoldIn } from './model/check.mjs'
import { placesOfSpots } from './model/spots.mjs'
import { listed, regionText, sourceOf, wholes } from './source.mjs'

const here = dirname(fileURLToPath(import.meta.url))
const target = join(here, '../js/chart/art/dissection')
const data = (name) => JSON.parse(readFileSync(join(here, `../../core/data/${name}.json`), 'utf8'))[name]
const known = new Map(data('muscles').map((one) => [one.id, one]))
const atlas = new Set(known.keys())
const neighbours = new Map(data('zones').map((one) => [one.id, one.neighbours]))
mkdirSync(target, { recursive: true })

const read = (id) => JSON.parse(regionText(id))
const written = new Set(['index.generated.json'])
/** What is seen, a file a state; kept from the last build where neither what it is of nor the model is another. */
function kept(id, states, source, regions, fresh, cell = CELL) {
  return Object.fromEntries(
    states.map((state) => {
      const name = `${id}.${state}.generated.json`
      const path = join(target, name)
      written.add(name)
      const before = existsSync(path) ? JSON.parse(readFileSync(path, 'utf8')) : null
      if (before?.source === source) return [state, before]
      const now = fresh(state)
      const one = { source, cell, ...now, kinds: now.ids.map((of) => kindOf(of, regions)).join('') }
      writeFileSync(path, `${JSON.stringify(one)}\n`)
      return [state, one]
    }),
  )
}

/** What something is made of, as the pages tint it: a muscle of one of three tones, bone, sinew, fat, or nothing of its own. */
const KINDS = { bone: 3, sheet: 4, ligament: 4, tendon: 4, fat: 5 }
const NOTHING = 6
function kindOf(name, regions) {
  const id = name.replace(/:other$/, '')
  if (id.startsWith('bone.')) return KINDS.bone
  const muscle = regions.flatMap((region) => region.muscles).find((one) => one.id === id)
  if (!muscle) return NOTHING
  const kind = muscle.parts?.[0]?.kind ?? muscle.kind
  return kind === undefined ? (muscle.parts?.[0]?.tone ?? muscle.tone ?? 0) : (KINDS[kind] ?? NOTHING)
}

/** Of each muscle of the atlas, and of each part of one that can be told apart, how many cells are seen in a state. */
function muscles(states, parts, finer) {
  const all = {}
  for (const [state, { seen }] of Object.entries(states))
    for (const [name, { cells }] of Object.entries(seen)) {
      const shape = name.replace(/:other$/, '')
      for (const muscle of [parts[shape] ?? shape, finer[shape]]) {
        if (!atlas.has(muscle)) continue
        all[muscle] ??= {}
        all[muscle][state] = (all[muscle][state] ?? 0) + cells
      }
    }
  return all
}
/** Muscles that are drawn under another name, or in several parts. */
const partsOf = (region) => Object.fromEntries(region.muscles.filter((one) => one.of && one.of !== one.id).map((one) => [one.id, one.of]))
/** Shapes that show a part of a muscle that can be told apart. */
const finerOf = (region) => Object.fromEntries(region.muscles.filter((one) => one.part).map((one) => [one.id, one.part]))

/** Of the most that any state shows of a muscle, so much is seen well. */
const WELL = 0.6
/** A spot with something else beside it is as bad as one so far off. */
const NARROW = 60
const plates = join(target, '../index.generated.json')
const index = JSON.parse(readFileSync(plates, 'utf8'))
/** Points of a path of straight lines. */
const numbersOf = (d) =>
  (d.match(/-?\d*\.?\d+/g) ?? []).map(Number).reduce((all, n, k, list) => (k % 2 ? [...all, [list[k - 1], n]] : all), [])
/** Zones of a muscle and those beside them. */
const zonesOf = (muscle) => {
  const { zones, sites } = known.get(muscle)
  const own = [...zones, ...Object.values(sites).flatMap((site) => site.zones)]
  return new Set([...own, ...own.flatMap((zone) => neighbours.get(zone))])
}
/**
 * Where each muscle lies on the body, in the first state that shows it well: for marks, names and windows about it.
 *
 * @param {Record<string, string>} parts by shape, the muscle it is of
 */
function placesOn(view, states, parts) {
  const own = new Map()
  Object.values(states).forEach(({ ids, cell, columns, runs, seen }, k) => {
    const found = new Map()
    for (const [name, { at, cells }] of Object.entries(seen)) {
      const muscle = parts[name] ?? name
      if (!atlas.has(muscle)) continue
      const one = found.get(muscle) ?? { layer: k + 1, cells: 0, most: 0, box: [Infinity, Infinity, -Infinity, -Infinity], ids: new Set() }
      one.cells += cells
      one.ids.add(ids.indexOf(name))
      if (cells > one.most) Object.assign(one, { most: cells, at })
      found.set(muscle, one)
    }
    const of = new Map([...found.values()].flatMap((one) => [...one.ids].map((id) => [id, one])))
    const cells = runs.flatMap((id, r) => (r % 2 ? [] : Array(runs[r + 1]).fill(id)))
    const muscleOf = ids.map((name) => parts[name.replace(/:other$/, '')] ?? name.replace(/:other$/, ''))
    /** The halves lie over each other at the midline: where both show the same. */
    const agree = (n) => muscleOf[cells[n]] === muscleOf[cells[n - (n % columns) + (columns - 1 - (n % columns))]]
    const around = [-columns - 1, -columns, -columns + 1, -1, 0, 1, columns - 1, columns, columns + 1]
    cells.forEach((id, n) => {
      const one = of.get(id)
      if (!one) return
      const [left, y] = [view.box[0] + (n % columns) * cell, view.box[1] + Math.floor(n / columns) * cell]
      const [x0, x1] = [Math.abs(left), Math.abs(left + cell)].sort((a, b) => a - b)
      one.box = [Math.min(one.box[0], x0), Math.min(one.box[1], y), Math.max(one.box[2], x1), Math.max(one.box[3], y + cell)]
      if (!agree(n)) return
      const middle = [left + cell / 2, y + cell / 2]
      const far = Math.hypot(middle[0] - one.at[0], middle[1] - one.at[1])
      const off = far + (around.every((step) => muscleOf[cells[n + step]] === muscleOf[id]) ? 0 : NARROW)
      if (off < (one.off ?? Infinity)) Object.assign(one, { off, spot: middle })
    })
    for (const [muscle, one] of found) own.set(muscle, [...(own.get(muscle) ?? []), one])
  })
  // what no state shows, or only from behind what it is worked through, is shown by the views from elsewhere
  const { zones } = JSON.parse(readFileSync(join(target, `../${view.view}.generated.json`), 'utf8'))
  const rings = zones.map(({ id, d }) => ({ id, rings: d.split(/(?=M)/).map(numbersOf) }))
  const zoneAt = (point) => rings.find((zone) => zone.rings.some((ring) => inside(point, ring)))?.id
  const places = {}
  for (const [muscle, all] of own) {
    const most = Math.max(...all.map((one) => one.cells))
    const { layer, at, spot = at, box } = all.find((one) => one.cells >= WELL * most)
    const point = [Math.abs(spot[0]), spot[1]]
    const zone = zoneAt(point)
    if (zone && !zonesOf(muscle).has(zone)) continue
    places[muscle] = { c: point, pole: point, box, layer }
  }
  return places
}
/**
 * Parts lie where they are seen by themselves, their wholes where any of their parts is. A plate that is put together in several ways (the
 * profiles, with the arms and without) takes each from the first that shows it.
 */
const placed = {}
function onPlate(view, states, parts, finer) {
  const apart = placesOn(view, states, finer)
  const named = Object.values(finer).filter((part) => apart[part])
  const places = { ...placesOn(view, states, parts), ...Object.fromEntries(named.map((part) => [part, apart[part]])) }
  const before = placed[view.view] ?? {}
  // what lies on a part that a window may leave away says so
  if (view.only) for (const place of Object.values(before)) if (showsAt(view, states, place)) place.on = view.only
  placed[view.view] = { ...places, ...before }
}
/** Whether a view, whose halves mirror each other, shows anything where a muscle lies, in the state that shows it. */
function showsAt(view, states, { c: [x, y], layer }) {
  const { cell, columns, runs } = states[view.states[layer - 1].id]
  let n = Math.floor((y - view.box[1]) / cell) * columns + Math.floor((x - view.box[0]) / cell)
  for (let k = 0; k < runs.length; k += 2) {
    if (n < runs[k + 1]) return runs[k] > 0
    n -= runs[k + 1]
  }
  return false
}

/** Where the spots of each muscle lie, by view: in the state that shows it, of the half to the right. */
const spotMaps = new Map(JSON.parse(readFileSync(join(here, '../../core/data/spots.json'), 'utf8')).muscles.map((one) => [one.muscle, one]))
const spots = {}
function spotsOn(view, states, parts, finer) {
  for (const [muscle, place] of Object.entries(placed[view.view])) {
    const map = spotMaps.get(muscle)
    if (!map || spots[muscle]?.[view.view]) continue
    const { ids, cell, columns, runs } = states[view.states[place.layer - 1].id]
    const own = ids.map((name) => {
      const shape = name.replace(/:other$/, '')
      return parts[shape] === muscle || shape === muscle || finer[shape] === muscle || known.get(finer[shape])?.whole === muscle
    })
    const cells = []
    for (let k = 0, n = 0; k < runs.length; n += runs[k + 1], k += 2)
      for (let j = n; own[runs[k]] && j < n + runs[k + 1]; j++) {
        const x = view.box[0] + ((j % columns) + 0.5) * cell
        if (x > 0) cells.push([x, view.box[1] + (Math.floor(j / columns) + 0.5) * cell])
      }
    if (!cells.length) continue
    // strokes go along the line either way; spots count from the upper end
    const { from, to } = map.lines[0]
    const { upper, lower } = known.get(muscle).attachments
    const ends = [from, to].map((landmark) => index.landmarks[landmark]?.[view.view])
    const told = [upper.landmarks, lower.landmarks].map((list) => [list.includes(from), list.includes(to)])
    const isUp = told.flat().some(Boolean) ? !told[0][1] && !told[1][0] : (ends[0]?.[1] ?? 0) <= (ends[1]?.[1] ?? 0)
    const line = ends.every(Boolean) ? (isUp ? ends : ends.toReversed()) : null
    spots[muscle] = { ...spots[muscle], [view.view]: placesOfSpots(cells, line, map.spots) }
  }
}

const regions = listed().map(({ id, name, short, next }) => {
  const region = read(id)
  const all = region.states.map((state) => state.id)
  const states = kept(id, all, sourceOf(id), [region], (state) => seen(region, state))
  const painter = new Painter(region, null, null)
  const [parts, finer] = [partsOf(region), finerOf(region)]
  return {
    id,
    name,
    short,
    next,
    box: boxOf(region),
    midline: region.midline ?? null,
    view: region.view,
    states: region.states.map((state) => ({ id: state.id, what: state.what, nerves: painter.overlays(state).length > 0 })),
    muscles: muscles(states, parts, finer),
    parts,
    finer,
  }
})
const whole = wholes().map((view) => {
  const of = view.parts.map((part) => read(part.region))
  const twofold = twofoldIn(of)
  if (twofold.length) throw new Error(`${view.id}: one name for two things: ${twofold.join(', ')}`)
  const [parts, finer] = [Object.assign({}, ...of.map(partsOf)), Object.assign({}, ...of.map(finerOf))]
  const all = view.states.map((state) => state.id)
  const states = kept(view.id, all, sourceOf(view.id), of, (state) => seenWhole(view, all.indexOf(state), read), view.cell)
  onPlate(view, states, parts, finer)
  spotsOn(view, states, parts, finer)
  return {
    id: view.id,
    name: view.name,
    short: view.short,
    next: view.next,
    box: view.box,
    midline: 0,
    view: view.view,
    states: view.states.map((state) => ({ ...state, nerves: false })),
    muscles: muscles(states, parts, finer),
    parts,
    finer,
  }
})
for (const [view, muscles] of Object.entries(placed)) index.plates[view].muscles = muscles
const shown = new Set(Object.values(index.plates).flatMap((plate) => Object.keys(plate.muscles)))
const lost = [...atlas].filter((muscle) => !shown.has(muscle))
if (lost.length) throw new Error(`no view shows ${lost.join(', ')}`)
writeFileSync(plates, `${JSON.stringify(index)}\n`)
writeFileSync(join(target, '../../spots.generated.json'), `${JSON.stringify(spots)}\n`)
for (const old of readdirSync(target)) if (!written.has(old)) rmSync(join(target, old))
writeFileSync(join(target, 'index.generated.json'), `${JSON.stringify([...whole, ...regions])}\n`)
