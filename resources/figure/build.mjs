// Builds the drawn figure from its source: outlines, fibre guides and zone polygons → one JSON of paths.
import { mkdirSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import clip from 'polygon-clipping'
import * as bones from './bones.mjs'
import * as curves from './curves.mjs'
import { LANDMARKS } from './landmarks.mjs'
import * as muscles from './muscles.mjs'
import * as outline from './outline.mjs'
import * as zones from './zones.mjs'

const here = dirname(fileURLToPath(import.meta.url))
export const target = join(here, '../js/chart/figure.generated.json')

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

/** The pale end of a muscle: a tongue that reaches up into the belly with small teeth, never a straight cut. */
function tendon(guides, share, lower, chance) {
  const across9 = Array.from({ length: 13 }, (_, k) => {
    const g = across(guides, k / 12)
    const reach = share * (0.62 + 0.5 * Math.sin((Math.PI * k) / 12)) + (k % 2 ? 1 : -1) * 0.014 + (chance() - 0.5) * 0.012
    const at = Math.max(0, Math.min(1, lower ? 1 - reach : reach)) * (g.length - 1)
    const i = Math.min(g.length - 2, Math.floor(at))
    const cut = [0, 1].map((j) => g[i][j] + (g[i + 1][j] - g[i][j]) * (at - i))
    return { cut, end: lower ? g.at(-1) : g[0] }
  })
  return curves.line([...across9.map((one) => one.cut), ...across9.map((one) => one.end).reverse()], true)
}

function slip(id, texts) {
  const guides = texts.map((text) => curves.along(curves.points(text).map((one) => one.p)))
  const last = guides[guides.length - 1]
  const lower = Array.from({ length: 7 }, (_, k) => across(guides, k / 6).at(-1))
  const upper = Array.from({ length: 7 }, (_, k) => across(guides, 1 - k / 6)[0])
  const rim = curves.rounded([...guides[0], ...lower.slice(1, -1), ...[...last].reverse(), ...upper.slice(1, -1)])
  const middle = across(guides, 0.5)
  const width = Math.max(...[6, 12, 18].map((k) => Math.hypot(guides[0][k][0] - last[k][0], guides[0][k][1] - last[k][1])))
  const chance = seeded(id)
  const count = Math.max(2, Math.round(width / 2.4))
  const fibres = []
  const feather = muscles.PENNATE[id] ?? 0
  const length = middle.slice(1).reduce((sum, q, k) => sum + Math.hypot(q[0] - middle[k][0], q[1] - middle[k][1]), 0)
  const lines = feather ? Math.round(length / 3.4) : count
  for (let k = 1; k < lines; k++) {
    const share = k / lines + ((chance() - 0.5) * 0.12) / lines
    // in a feathered muscle the fibres run from both edges down to a seam in the middle
    const fibre = feather
      ? Array.from({ length: 13 }, (_, n) => {
          const g = across(guides, k % 2 ? (0.5 * n) / 12 : 1 - (0.5 * n) / 12)
          const at = Math.min(g.length - 1, (share * (1 - feather) + (feather * n) / 12) * (g.length - 1))
          const i = Math.min(g.length - 2, Math.floor(at))
          return [0, 1].map((j) => g[i][j] + (g[i + 1][j] - g[i][j]) * (at - i))
        })
      : across(guides, share)
    const from = Math.floor(chance() * 3),
      to = fibre.length - Math.floor(chance() * 3)
    fibres.push(curves.line(curves.simplify(fibre.slice(from, to), 0.25)))
  }
  return {
    d: curves.line(curves.simplify([...rim, rim[0]], 0.15), true),
    f: fibres.join(''),
    s: (muscles.TENDONS[id] ?? []).map((share, k) => (share ? tendon(guides, share, k === 1, chance) : '')).join(''),
    c: middle[12].map((n, j) => Math.round((j ? 1000 - n : n) * 10) / 10),
  }
}

/** Outline, fibres, pale ends and middle of a muscle; one of several slips is drawn as one. */
function muscle([id, layer, tone, texts]) {
  const slips = (Array.isArray(texts[0]) ? texts : [texts]).map((guides) => slip(id, guides))
  const all = (part) => slips.map((one) => one[part]).join('')
  return { id, layer, tone, d: all('d'), f: all('f'), s: all('s'), c: slips[Math.floor(slips.length / 2)].c }
}

function bone({ d, w, over, sheet }) {
  const list = curves.points(d).map((one) => one.p)
  const smooth = w ? curves.along(list, 24) : curves.rounded(curves.along([...list, list[0]], 72), 2)
  return { d: curves.line(curves.simplify(smooth, 0.15), !w), ...(w ? { w } : {}), ...(over ? { over } : {}), ...(sheet ? { sheet } : {}) }
}

const headHalf = curves.points(outline.HEAD)
const body = curves.points(outline.BODY)
const bodySegments = curves.spline(body)
// the head meets the midline without a dent: three mirrored points beyond each end
const p = headHalf.map((one) => one.p)
const beyond = (list) => list.map(([x, y]) => [-x, y])
const whole = [...beyond(p.slice(1, 4)).reverse(), ...p, ...beyond(p.slice(-4, -1)).reverse()]
const headSegments = curves.hobby(whole).slice(3, 3 + p.length - 1)
const ear = curves.points(outline.EAR).map((one) => one.p)

const bodyPoints = curves.sample(body[0].p, bodySegments, 5)
const headPoints = curves.sample(p[0], headSegments, 6)
const earPoints = curves.along([...ear, ear[0]], 24)
const ring = (list) => [[...list, list[0]]]
const silhouette = clip.union(
  ring([[-0.5, headPoints[0][1]], ...headPoints, [-0.5, headPoints.at(-1)[1]]]),
  ring([[-0.5, 893], ...bodyPoints, [-0.5, 470]]),
  ring(earPoints),
)

function tile(list, shape = silhouette) {
  let rest = shape
  const tiles = list.map(([id, text]) => {
    const polygon = ring(curves.points(text).map((one) => one.p))
    const part = clip.intersection(rest, polygon)
    rest = clip.difference(rest, polygon)
    const rings = part.map((part) => curves.simplify(part[0], 0.25)).filter((one) => area(one) > 4)
    if (rings.length === 0) throw new Error(`zone ${id} is empty`)
    const biggest = rings.reduce((a, b) => (area(a) > area(b) ? a : b))
    return { id, d: rings.map((one) => curves.line(one, true)).join(''), c: centre(biggest) }
  })
  const left = rest.reduce((sum, part) => sum + area(part[0]), 0)
  return { tiles, left }
}
function area(points) {
  return Math.abs(
    points.reduce((sum, a, i) => sum + a[0] * points[(i + 1) % points.length][1] - points[(i + 1) % points.length][0] * a[1], 0) / 2,
  )
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
  return [Math.round((x / w) * 10) / 10, Math.round((1000 - y / w) * 10) / 10]
}

const soleStart = curves.points(outline.SOLE)
const soleSegments = curves.spline(soleStart)
const soleShape = [ring(curves.sample(soleStart[0].p, soleSegments, 6))]
const areaOf = (shape) => shape.reduce((sum, part) => sum + area(part[0]), 0)
const front = tile(zones.FRONT),
  back = tile(zones.BACK),
  sole = tile(zones.SOLE, soleShape)
for (const [view, tiled, shape] of [
  ['front', front, silhouette],
  ['back', back, silhouette],
  ['sole', sole, soleShape],
]) {
  const total = areaOf(shape)
  if (tiled.left / total > 0.002) throw new Error(`${view}: ${((100 * tiled.left) / total).toFixed(2)} % of the body lies in no zone`)
}
const lines = (list) =>
  list.map(({ d, w }) => ({
    d: curves.line(
      curves.along(
        curves.points(d).map((one) => one.p),
        16,
      ),
    ),
    w,
  }))
const skin = { body: curves.pathOf(body[0].p, bodySegments), close: 'L0 107Z' }
// landmarks in the units of the pages: y from the crown down
const points = Object.fromEntries(
  Object.entries(LANDMARKS).map(([id, views]) => [
    id,
    Object.fromEntries(Object.entries(views).map(([view, [x, y]]) => [view, [x, 1000 - y]])),
  ]),
)
const figure = {
  landmarks: points,
  head: curves.pathOf(p[0], headSegments),
  ear: curves.line(curves.simplify(earPoints, 0.1), true),
  views: {
    front: {
      ...skin,
      bones: bones.FRONT.map(bone),
      muscles: muscles.FRONT.map(muscle),
      zones: front.tiles,
      lines: lines([...outline.FRONT_LINES, ...outline.HAND_FRONT, ...outline.FOOT_FRONT]),
    },
    back: {
      ...skin,
      bones: bones.BACK.map(bone),
      muscles: muscles.BACK.map(muscle),
      zones: back.tiles,
      lines: lines([...outline.BACK_LINES, ...outline.HAND_BACK]),
    },
    sole: {
      body: curves.pathOf(soleStart[0].p, soleSegments),
      close: 'Z',
      bones: [],
      muscles: muscles.SOLE.map(muscle),
      zones: sole.tiles,
      lines: lines(outline.SOLE_LINES),
    },
  },
}
mkdirSync(dirname(target), { recursive: true })
writeFileSync(target, JSON.stringify(figure) + '\n')
console.log(
  `figure: ${muscles.FRONT.length} + ${muscles.BACK.length} muscles, ${front.tiles.length} + ${back.tiles.length} zones, ${Math.round(JSON.stringify(figure).length / 1024)} kB`,
)
