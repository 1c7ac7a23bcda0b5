// Builds the plates from their source: of each the skin, the places and what is never pressed, and an index of all. What lies under the
// skin is dissected (dissect.mjs).
import { mkdirSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import polylabel from 'polylabel'
import clip from 'polygon-clipping'
import * as curves from './curves.mjs'
import { HAZARDS } from './hazards.mjs'
import { LANDMARKS } from './landmarks.mjs'
import { PLATES } from './plates/index.mjs'

const here = dirname(fileURLToPath(import.meta.url))
const target = join(here, '../js/chart/art')
const tenth = (n) => Math.round(n * 10) / 10
/** To the units of the pages: y from the crown down. */
const page = ([x, y]) => [tenth(x), tenth(1000 - y)]

/** What is wrong with the drawing; anything stops the build. */
const faults = []
const ring = (list) => [[...list, list[0]]]
function area(points) {
  return Math.abs(
    points.reduce((sum, a, i) => sum + a[0] * points[(i + 1) % points.length][1] - points[(i + 1) % points.length][0] * a[1], 0) / 2,
  )
}
/** Area of a shape of parts with holes. */
const areaOf = (shape) =>
  shape.reduce((sum, [outer, ...holes]) => sum + area(outer) - holes.reduce((less, hole) => less + area(hole), 0), 0)
const boxOf = (list) => {
  const [xs, ys] = [list.map(([x]) => x), list.map(([, y]) => y)]
  return [tenth(Math.min(...xs)), tenth(1000 - Math.max(...ys)), tenth(Math.max(...xs)), tenth(1000 - Math.min(...ys))]
}
/** The place farthest from any edge, of the part where that is farthest. */
function pole(shape) {
  return shape
    .map((part) => polylabel(part, 0.05))
    .reduce((best, one) => (one.distance > best.distance ? one : best))
    .slice(0, 2)
}

function build(plate) {
  const place = plate.place ?? ((p) => p)
  const read = (text) => curves.points(text).map(({ p, corner, limb }) => ({ p: place(p, limb), corner }))
  const dots = (text) => read(text).map((one) => one.p)

  const parts = plate.parts.map((part) => {
    const list = read(part.skin)
    const start = list[0].p
    let segments
    if (part.midline) {
      // the skull meets the midline without a dent: three mirrored points beyond each end that lies on it
      const p = list.map((one) => one.p)
      const mirror = (some) => some.map(([x, y]) => [-x, y])
      const tail = p.at(-1)[0] < 1 ? mirror(p.slice(-4, -1)).reverse() : []
      segments = curves.hobby([...mirror(p.slice(1, 4)).reverse(), ...p, ...tail]).slice(3, 3 + p.length - 1)
    } else segments = part.ring === true ? null : curves.spline(list)
    const edge = segments ? curves.sample(start, segments, 6) : curves.along([...list.map((one) => one.p), start], 24)
    const shape = [...edge, ...(part.close ? dots(part.close) : [])]
    return {
      id: part.id,
      polygon: clip.union(ring(shape)),
      edge: part.vignette ? '' : segments ? curves.pathOf(start, segments) : curves.line(curves.simplify(edge, 0.1), true),
      skin:
        (segments ? curves.pathOf(start, segments) : curves.line(curves.simplify(edge, 0.1))) +
        (part.close
          ? dots(part.close)
              .map((p) => `L${page(p).join(' ')}`)
              .join('')
          : '') +
        'Z',
      hairline: part.hairline ? curves.line(curves.along(dots(part.hairline), 24)) : null,
    }
  })
  // what of a part is seen: what no later part covers
  parts.forEach((part, k) => {
    part.seen = parts.slice(k + 1).reduce((rest, over) => clip.difference(rest, over.polygon), part.polygon)
  })
  let rest = parts.map((part) => part.seen)
  const tiles = plate.zones.map(([id, text, part]) => {
    const polygon = clip.union(ring(dots(text)))
    const taken = []
    const on = new Set()
    rest = rest.map((shape, k) => {
      if (part && parts[k].id !== part) return shape
      const own = clip.intersection(shape, polygon)
      if (areaOf(own) > 4) on.add(parts[k].id)
      taken.push(...own)
      return clip.difference(shape, polygon)
    })
    const whole = clip.union([], ...taken.map((one) => [one]))
    const rings = whole.map((one) => curves.simplify(one[0], 0.25)).filter((one) => area(one) > 4)
    if (rings.length === 0) {
      faults.push(`${plate.id}: zone ${id} is empty`)
      return null
    }
    const biggest = rings.reduce((a, b) => (area(a) > area(b) ? a : b))
    return {
      id,
      part: on.size === 1 ? [...on][0] : null,
      d: rings.map((one) => curves.line(one, true)).join(''),
      c: centre(biggest),
      box: boxOf(rings.flat()),
      pole: page(pole([[biggest]])),
    }
  })
  if (tiles.includes(null)) return null
  const total = areaOf(parts.reduce((all, part) => clip.union(all, part.seen), []))
  const left = rest.reduce((sum, shape) => sum + areaOf(shape), 0)
  if (left / total > 0.003) {
    const worst = rest
      .flat()
      .sort((a, b) => area(b[0]) - area(a[0]))
      .slice(0, 5)
      .map((one) => `${one[0][0].map(Math.round)} (${Math.round(area(one[0]))})`)
    faults.push(`${plate.id}: ${((100 * left) / total).toFixed(2)} % of the body lies in no zone, most of it at ${worst.join(' ')}`)
  }

  const hazards = Object.entries(HAZARDS).flatMap(([id, on]) => {
    const list = on[plate.id]
    if (!list) return []
    const shapes = list.map(({ d, w }) => {
      const points = dots(d)
      return {
        d: curves.line(curves.simplify(w ? curves.along(points, 20) : curves.along([...points, points[0]], 40), 0.15), !w),
        ...(w ? { w } : {}),
      }
    })
    return [{ id, shapes }]
  })
  const lines = (plate.lines ?? []).map(({ d, w, part }) => ({ d: curves.line(curves.along(dots(d), 16)), w, part: part ?? 'body' }))
  return {
    art: parts.map((part) => ({
      id: part.id,
      skin: part.skin,
      edge: part.edge,
      hairline: part.hairline,
      lines: lines.filter((one) => one.part === part.id).map(({ d, w }) => ({ d, w })),
    })),
    hazards,
    zones: tiles.map(({ id, d, part }) => ({ id, d, ...(part ? { part } : {}) })),
    index: {
      hazards: hazards.map((one) => one.id),
      box: boxOf(parts.flatMap((part) => part.polygon.flat(2))),
      zones: Object.fromEntries(tiles.map(({ id, c, pole, box }) => [id, { c, pole, box }])),
    },
  }
}
function centre(points) {
  let x = 0,
    y = 0,
    w = 0
  points.forEach((a, i) => {
    const b = points[(i + 1) % points.length],
      cross = a[0] * b[1] - b[0] * a[1]
    x += (a[0] + b[0]) * cross
    y += (a[1] + b[1]) * cross
    w += cross * 3
  })
  return page([x / w, y / w])
}

const places = new Map(PLATES.map((plate) => [plate.id, plate.place ?? ((p) => p)]))
const spot = (view, at) => {
  const { p, limb } = typeof at === 'string' ? curves.points(at)[0] : { p: at, limb: false }
  return page(places.get(view)(p, limb))
}
const landmarks = Object.fromEntries(
  Object.entries(LANDMARKS).map(([id, on]) => [id, Object.fromEntries(Object.entries(on).map(([view, at]) => [view, spot(view, at)]))]),
)
mkdirSync(target, { recursive: true })
const write = (name, what) => writeFileSync(join(target, `${name}.generated.json`), JSON.stringify(what) + '\n')
const index = {}
for (const plate of PLATES) {
  const built = build(plate)
  if (!built) continue
  const { art, zones, hazards, index: own } = built
  index[plate.id] = own
  write(plate.id, { parts: art, zones, hazards })
  console.log(`${plate.id}: ${zones.length} zones`)
}
if (faults.length) {
  console.error(faults.join('\n'))
  process.exit(1)
}
write('index', { plates: index, landmarks })
