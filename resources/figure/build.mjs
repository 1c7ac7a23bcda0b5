// Builds the drawn figure from its source (one file a plate) → an index of all plates, and for each its art and, apart from it, its fibres.
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

/** A chance that is the same at every build. */
function seeded(text) {
  let h = 2166136261
  for (const c of text) h = Math.imul(h ^ c.charCodeAt(0), 16777619)
  return () => {
    h = Math.imul(h ^ (h >>> 15), 2246822507) ^ Math.imul(h ^ (h >>> 13), 3266489909)
    return ((h >>>= 0) % 10000) / 10000
  }
}

function across(guides, share) {
  const place = share * (guides.length - 1)
  const i = Math.min(guides.length - 2, Math.floor(place))
  const t = place - i
  return guides[i].map((p, k) => [p[0] + (guides[i + 1][k][0] - p[0]) * t, p[1] + (guides[i + 1][k][1] - p[1]) * t])
}

function slip(id, guides) {
  const last = guides[guides.length - 1]
  const lower = Array.from({ length: 7 }, (_, k) => across(guides, k / 6).at(-1))
  const upper = Array.from({ length: 7 }, (_, k) => across(guides, 1 - k / 6)[0])
  const rim = curves.rounded([...guides[0], ...lower.slice(1, -1), ...[...last].reverse(), ...upper.slice(1, -1)])
  const middle = across(guides, 0.5)
  const width = Math.max(...[6, 12, 18].map((k) => Math.hypot(guides[0][k][0] - last[k][0], guides[0][k][1] - last[k][1])))
  const chance = seeded(id)
  const count = Math.max(2, Math.round(width / 2.4))
  const fibres = []
  for (let k = 1; k < count; k++) {
    const fibre = across(guides, k / count + ((chance() - 0.5) * 0.12) / count)
    const from = Math.floor(chance() * 3),
      to = fibre.length - Math.floor(chance() * 3)
    const keep = chance()
    // where fibres crowd together every second ends, then three of four, each a little before or after its neighbour
    const runs = [[]]
    fibre.slice(from, to).forEach((point, n) => {
      const at = Math.round(((n + from) / (fibre.length - 1)) * (guides[0].length - 1))
      const spacing = (Math.hypot(guides[0][at][0] - last[at][0], guides[0][at][1] - last[at][1]) / count) * (0.88 + keep * 0.24)
      if ((spacing < 1.15 && k % 2) || (spacing < 0.65 && k % 4)) runs.push([])
      else runs.at(-1).push(point)
    })
    fibres.push(...runs.filter((run) => run.length > 2).map((run) => curves.line(curves.simplify(run, 0.25))))
  }
  const outline = curves.simplify([...rim, rim[0]], 0.15)
  return {
    outline,
    d: curves.line(outline, true),
    f: fibres.join(''),
    c: page(middle[12]),
  }
}

/** What is wrong with the drawing; anything stops the build. */
const faults = []
const ring = (list) => [[...list, list[0]]]
/** The union of rings that may each cross themselves. */
const solid = (rings) => rings.reduce((all, one) => clip.union(all, ring(one)), [])
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
      soft: part.soft ?? false,
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
      flesh: part.flesh ? curves.line(dots(part.flesh), true) : null,
      hairline: part.hairline ? curves.line(curves.along(dots(part.hairline), 24)) : null,
    }
  })
  // what of a part is seen: what no later part covers
  parts.forEach((part, k) => {
    part.seen = parts.slice(k + 1).reduce((rest, over) => clip.difference(rest, over.polygon), part.polygon)
  })
  const partOf = (id) => parts.find((one) => one.id === (id ?? 'body'))

  const shapes = plate.muscles.map(([id, layer, tone, texts, part]) => {
    const slips = (Array.isArray(texts[0]) ? texts : [texts]).map((guides) =>
      slip(
        id,
        guides.map((text) => curves.along(dots(text))),
      ),
    )
    const all = (key) => slips.map((one) => one[key]).join('')
    return {
      id,
      layer,
      tone,
      part: part ?? 'body',
      d: all('d'),
      f: all('f'),
      polygon: solid(slips.map((one) => one.outline)),
      box: boxOf(slips.flatMap((one) => one.outline)),
      c: slips[Math.floor(slips.length / 2)].c,
    }
  })
  // where a finger finds each with its own layer in front: the pole of what no other of that layer covers
  shapes.forEach((one, k) => {
    const over = shapes.slice(k + 1).filter((two) => two.layer === one.layer && two.part === one.part)
    const seen = over.reduce((rest, two) => clip.difference(rest, two.polygon), clip.intersection(one.polygon, partOf(one.part).seen))
    if (areaOf(seen) < 6) {
      faults.push(`${plate.id}: ${one.id} is not seen when its layer lies in front`)
      return
    }
    one.pole = page(pole(seen))
    // a mark sits in the middle, unless that is covered
    const [x, y] = one.c
    const middle = ring([0, 1, 2, 3].map((k) => [x + Math.cos((k * Math.PI) / 2) * 0.2, 1000 - y + Math.sin((k * Math.PI) / 2) * 0.2]))
    if (areaOf(clip.intersection(seen, middle)) === 0) one.c = one.pole
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

  const bones = plate.bones.map(({ d, w, over, sheet, keep, part }) => {
    const list = dots(d)
    const smooth = w ? curves.along(list, 24) : curves.rounded(curves.along([...list, list[0]], 72), 2)
    return {
      d: curves.line(curves.simplify(smooth, 0.15), !w),
      ...(w ? { w } : {}),
      ...(over ? { over } : {}),
      ...(sheet ? { sheet } : {}),
      ...(keep ? { keep } : {}),
      part: part ?? 'body',
    }
  })
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
  const lines = plate.lines.map(({ d, w, part }) => ({ d: curves.line(curves.along(dots(d), 16)), w, part: part ?? 'body' }))
  const within = (list, id) => list.filter((one) => one.part === id).map(({ part, ...one }) => (void part, one))
  return {
    art: parts.map((part) => ({
      id: part.id,
      soft: part.soft,
      skin: part.skin,
      seen: clip.difference(part.polygon, part.seen).length
        ? part.seen.map(([outer]) => curves.line(curves.simplify(outer, 0.2), true)).join('')
        : null,
      edge: part.edge,
      flesh: part.flesh,
      hairline: part.hairline,
      bones: within(bones, part.id),
      muscles: within(shapes, part.id).map(({ id, layer, tone, d }) => ({ id, layer, tone, d })),
      lines: within(lines, part.id),
    })),
    hazards,
    zones: tiles.map(({ id, d, part }) => ({ id, d, ...(part ? { part } : {}) })),
    fibres: Object.fromEntries(shapes.map(({ id, f }) => [id, f])),
    index: {
      hazards: hazards.map((one) => one.id),
      box: boxOf(parts.flatMap((part) => part.polygon.flat(2))),
      muscles: Object.fromEntries(shapes.map(({ id, layer, c, pole, box }) => [id, { layer, c, pole, box }])),
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
  const { art, zones, hazards, fibres, index: own } = built
  index[plate.id] = own
  write(plate.id, { parts: art, zones, hazards })
  if (Object.keys(fibres).length) write(`${plate.id}.fibres`, fibres)
  console.log(`${plate.id}: ${Object.keys(own.muscles).length} muscles, ${zones.length} zones`)
}
if (faults.length) {
  console.error(faults.join('\n'))
  process.exit(1)
}
write('index', { plates: index, landmarks })
