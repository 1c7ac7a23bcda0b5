// What the source of a region may not be: an end that is not where it says, a name of nothing, a contour that crosses itself, a shape
// beside the skin, a hole in a state, a muscle that no state shows.
import { modelled } from './muscle.mjs'
import { closed, distance, distanceTo, flat, inside, minus, resample, segmentsOf } from './spline.mjs'

/** An end may lie so far from what it names, in units. */
const REACH = 3
/** So much of a shape may lie beside the skin, which cuts it off: what runs round the limb to the other face goes on behind it. */
const BESIDE = 0.4
/** A crossing that closes a loop smaller than this is rounded away when it is drawn. */
const LOOP = 9
/** Of the ground inside the skin, so much may be seen: between two muscles there is always a little. */
const BARE = 0.02

/** The skin of a region as rings. */
export const skins = (region) => region.skin.map((d) => flat(segmentsOf(d), 6))

/** How far a point is from what a name stands for: a point, a line of some breadth, a face, a bone. Null where it is none of them. */
function reach(p, name, region, bones, side) {
  const line = region.lines[name]
  const face = (id) => (inside(p, bones.get(id)) ? 0 : distanceTo(p, bones.get(id)))
  const far = []
  const point = region.points[name]
  // a broad end may come together at a point: then the point lies on the end
  if (point) far.push(distance(p, point), side.some((q, i) => i && distanceTo(point, [side[i - 1], q]) <= REACH) ? 0 : Infinity)
  if (line?.pts)
    far.push(
      line.area && inside(p, line.pts)
        ? 0
        : Math.max(0, distanceTo(p, line.area ? [...line.pts, line.pts[0]] : line.pts) - (line.half ?? 0)),
    )
  if (line?.bones) far.push(Math.max(0, Math.min(...line.bones.map(face)) - (line.half ?? 0)))
  if (bones.has(name)) far.push(face(name))
  return far.length ? Math.min(...far) : null
}

/**
 * Ends of guides that lie where their muscle does not say. `~` before a name says that it is no attachment; `free` says why a muscle, or a
 * part of it, ends nowhere.
 */
export function ends(region) {
  const bones = new Map(region.bones.map((b) => [b.id, flat(segmentsOf(b.d), 6)]))
  const strands = new Set(region.muscles.map((m) => m.id))
  const faults = []
  for (const muscle of region.muscles)
    for (const [end, names] of [
      [0, muscle.from],
      [-1, muscle.to],
    ]) {
      const where = end ? 'to' : 'from'
      for (const name of names)
        if (!name.startsWith('~') && !region.points[name] && !region.lines[name] && !bones.has(name) && !strands.has(name))
          faults.push(`${muscle.id}: ${where} "${name}" is nowhere`)
      // where one of the names is another muscle, or no attachment, no measure can be taken
      if (names.some((name) => name.startsWith('~') || strands.has(name)) || muscle.free) continue
      for (const part of muscle.parts ?? []) {
        if (part.free) continue
        const side = part.guides.map((guide) => guide.at(end))
        const worst = Math.max(...side.map((p) => Math.min(...names.map((name) => reach(p, name, region, bones, side) ?? Infinity))))
        if (worst > REACH) faults.push(`${muscle.id}: ${where} lies ${worst.toFixed(1)} units from ${names.join(', ')}`)
      }
    }
  return faults
}

/** Names that are one thing in a region and another in one beside it: put together, a touch would reach the wrong one. */
export function twofoldIn(regions) {
  const is = new Map()
  const twofold = new Set()
  for (const { muscles } of regions)
    for (const { id, of = id, part } of muscles) {
      const what = `${of} ${part ?? ''}`
      if ((is.get(id) ?? what) !== what) twofold.add(id)
      is.set(id, what)
    }
  return [...twofold]
}

/** Names of nothing in a state, and what no state shows. */
export function names(region) {
  const have = {
    of: new Set(region.muscles.map((m) => m.id)),
    bone: new Set(region.bones.map((b) => b.id)),
    mark: new Set(Object.keys(region.marks ?? {})),
  }
  const seen = new Set()
  const faults = []
  for (const state of region.states)
    for (const one of [...state.stack, ...(state.over ?? [])]) {
      const layer = typeof one === 'string' ? { of: one } : one
      const named = [
        ...(layer.of === undefined ? [] : [['of', layer.of]]),
        ...(layer.shadow === undefined ? [] : [['of', layer.shadow]]),
        ...(layer.mark === undefined ? [] : [['mark', layer.mark]]),
        ...(Array.isArray(layer.bones) ? layer.bones.map((b) => ['bone', b]) : []),
      ]
      for (const [kind, id] of named) {
        if (!have[kind].has(id)) faults.push(`state ${state.id}: "${id}" is not there`)
        if (kind === 'of') seen.add(id)
      }
    }
  for (const id of have.of) if (!seen.has(id)) faults.push(`${id}: no state shows it`)
  for (const [what, all] of [
    ['muscle', region.muscles],
    ['bone', region.bones],
    ['state', region.states],
  ]) {
    const ids = all.map((one) => one.id)
    for (const id of new Set(ids.filter((one, i) => ids.indexOf(one) !== i))) faults.push(`${what} ${id} is there twice`)
  }
  return faults
}

/** A part without its fibres and its roundness: where it lies. */
const extent = (muscle, part, i, left = { smooth: part.smooth ?? muscle.smooth }) =>
  modelled({ id: `${muscle.id}${i}`, guides: part.guides, fibre: 40, bulge: 0, ...left })
const rings = (muscle) => (muscle.parts ?? []).map((part, i) => extent(muscle, part, i).ring)

/** Contours that cross themselves. */
export function crossings(region) {
  const faults = []
  const cross = (a, b, c, d) => {
    const [u, v, w] = [minus(b, a), minus(d, c), minus(c, a)]
    const det = u[0] * v[1] - u[1] * v[0]
    if (Math.abs(det) < 1e-9) return false
    const [s, t] = [(w[0] * v[1] - w[1] * v[0]) / det, (w[0] * u[1] - w[1] * u[0]) / det]
    return s > 0 && s < 1 && t > 0 && t < 1
  }
  for (const muscle of region.muscles)
    for (const [number, part] of (muscle.parts ?? []).entries()) {
      const { ring, whole: isWhole } = extent(muscle, part, number)
      if (!isWhole) faults.push(`${muscle.id}, part ${number}: its guides cross so that it falls into pieces`)
      const n = ring.length
      const whole = ring.reduce((sum, p, i) => sum + distance(p, ring[(i + 1) % n]), 0)
      let worst = 0
      for (let i = 0; i < n; i++)
        for (let j = i + 2; j < n; j++) {
          if (i === 0 && j === n - 1) continue
          if (!cross(ring[i], ring[i + 1], ring[j], ring[(j + 1) % n])) continue
          const loop = ring.slice(i, j).reduce((sum, p, k) => sum + distance(p, ring[i + k + 1]), 0)
          worst = Math.max(worst, Math.min(loop, whole - loop))
        }
      if (worst > LOOP) faults.push(`${muscle.id}, part ${number}: its contour crosses itself (a loop of ${worst.toFixed(0)} units)`)
    }
  return faults
}

/** Shapes that lie beside the skin, within the frame. */
export function outside(region) {
  const skin = skins(region)
  const [x0, y0, w, h] = region.frame
  const faults = []
  for (const muscle of region.muscles)
    for (const [number, part] of (muscle.parts ?? []).entries()) {
      const { at, steps } = extent(muscle, part, number)
      const points = Array.from({ length: 9 * 13 }, (_, k) => at((k % 9) / 8, Math.round((Math.floor(k / 9) * steps) / 12)))
      const framed = points.filter(([x, y]) => x >= x0 && y >= y0 && x <= x0 + w && y <= y0 + h)
      const beside = framed.filter((p) => !skin.some((one) => inside(p, one))).length
      if (beside > BESIDE * points.length)
        faults.push(`${muscle.id}, part ${number}: ${Math.round((100 * beside) / points.length)} % of it lies beside the skin`)
    }
  return faults
}

/** States where the bare ground is seen: what was taken away left nothing under it. */
export function voids(region, step = 6) {
  const skin = skins(region)
  const strands = new Map(region.muscles.map((m) => [m.id, m]))
  const shape = new Map(region.muscles.map((m) => [m.id, m.ring ? [resample(flat(closed(m.ring.outer), 8), 60)] : rings(m)]))
  const bones = new Map(region.bones.map((b) => [b.id, [flat(segmentsOf(b.d), 6)]]))
  const [x0, y0, w, h] = region.frame
  const own = (p) => region.midline === undefined || (region.map?.side ?? 1) * (p[0] - region.midline) >= 0
  const ground = []
  for (let y = y0 + 14; y < y0 + h - 14; y += step)
    for (let x = x0 + 4; x < x0 + w - 4; x += step) {
      const p = [x, y]
      const depth = Math.max(...skin.map((one) => (inside(p, one) ? distanceTo(p, [...one, one[0]]) : -1)))
      if (depth > 7 && own(p)) ground.push(p)
    }
  const faults = []
  for (const state of region.states) {
    if (state.under || state.bare || state.ground) continue
    const drawn = state.stack.flatMap((one) => {
      const layer = typeof one === 'string' ? { of: one } : one
      if (layer.bones) return (layer.bones === 'all' ? [...bones.keys()] : layer.bones).flatMap((id) => bones.get(id))
      if (layer.mark)
        return (region.marks[layer.mark] ?? []).flatMap((m) => (m.pad || (m.fill && !m.width) ? [flat(segmentsOf(m.pad ?? m.d), 4)] : []))
      const muscle = strands.get(layer.of)
      if (!muscle) return []
      if (layer.from === undefined && layer.to === undefined) return shape.get(layer.of)
      return muscle.parts.map((part, i) => extent(muscle, part, i, { from: layer.from, to: layer.to }).ring)
    })
    const boxes = drawn.map((ring) => [
      Math.min(...ring.map((p) => p[0])),
      Math.min(...ring.map((p) => p[1])),
      Math.max(...ring.map((p) => p[0])),
      Math.max(...ring.map((p) => p[1])),
    ])
    const bare = ground.filter(
      (p) =>
        !drawn.some(
          (ring, i) => p[0] >= boxes[i][0] && p[0] <= boxes[i][2] && p[1] >= boxes[i][1] && p[1] <= boxes[i][3] && inside(p, ring),
        ),
    )
    const share = bare.length / ground.length
    if (share > BARE) faults.push(`state ${state.id}: ${(100 * share).toFixed(1)} % of it is bare ground, first at ${bare[0].join(', ')}`)
  }
  return faults
}

/** The painter puts the frame round a window itself: a cut that holds a frame of its own is turned inside out. */
const WINDOW = 0.5
/** States that still have skin of their own: lips, ear, navel. */
const SURFACE = /^[01]/

/** What is seen too much of: a window as large as the picture, and skin laid over what a state has bared. */
export function covers(region) {
  const [, , w, h] = region.frame
  const faults = []
  for (const state of region.states)
    for (const [place, layer] of state.stack.entries()) {
      if (layer.outside) {
        const points = flat(segmentsOf(layer.outside), 6)
        const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])]
        if ((Math.max(...xs) - Math.min(...xs)) * (Math.max(...ys) - Math.min(...ys)) > WINDOW * w * h)
          faults.push(`state ${state.id}: the window in ${layer.bones ?? layer.of} is as large as the picture`)
      }
      const within = (shapes) => shapes.flatMap((one) => [one, ...within(one.in ?? [])])
      for (const one of layer.mark && place > 0 && !SURFACE.test(state.id) ? within(region.marks[layer.mark] ?? []) : [])
        if (one.fill === 'skin') faults.push(`state ${state.id}: ${layer.mark} lays skin over what is bared`)
    }
  return faults
}

/** Everything that is wrong with a region. */
export const faults = (region) => [
  ...names(region),
  ...ends(region),
  ...crossings(region),
  ...outside(region),
  ...covers(region),
  ...voids(region),
]

/**
 * Faults against the list of those that may stay: lines under the reason, which begins with `# `.
 *
 * @param {string[]} found
 * @param {string} list
 */
export function unexplained(found, list) {
  const lines = list.split('\n').filter(Boolean)
  const first = lines.findIndex((line) => line.startsWith('# '))
  const known = lines.filter((line) => !line.startsWith('# '))
  return {
    fresh: found.filter((line) => !known.includes(line)),
    mended: known.filter((line) => !found.includes(line)),
    groundless: first < 0 ? known : lines.slice(0, first),
  }
}
