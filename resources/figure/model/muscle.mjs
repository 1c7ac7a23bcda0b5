// From the guides of a muscle (lines of pull from one attachment to the other, the first and the last being its edges) to what is seen of
// it: its contour, the strips that model its roundness, its fibres, its tendons. Everything in frame units.
import clip from 'polygon-clipping'
import { area, between, catmullRom, distance, length, minus, open, flat, resample, rounded, seeded, shade } from './spline.mjs'

/** steps along the pull, and across it */
const ALONG = 48
const ACROSS = 24

/**
 * @typedef {import('./spline.mjs').Point} Point
 * @typedef {{
 *   id: string, guides: Point[][], tendon?: [number, number], fibre?: number, pennation?: number, coarse?: number, bulge?: number,
 *   smooth?: number, from?: number, to?: number, ramp?: [number, number]
 * }} Strand tendon: share of the length at either end; fibre: how far apart, in units; coarse: each so-manieth is heavy; bulge: 1 a belly,
 *   0 flat; from and to: the share of the length that is left of it
 * @typedef {{
 *   ring: Point[], whole: boolean,
 *   fibres: Point[][], heavy: Point[][], light: Point[][], sinews: Point[][], tendons: Point[][], dark: Point[][],
 *   crown: Point[][], width: number, widths: number[], at: (across: number, step: number) => Point,
 *   along: (across: number, share: number) => Point, edge: (step: number) => Point[], steps: number
 * }} Modelled
 */

const clamp = (x) => Math.max(0, Math.min(1, x))

/** A field over the muscle: across 0 to 1, along by steps, or by shares of what is left of it. */
function field({ guides, from = 0, to = 1 }) {
  const lines = guides.map((guide) => {
    const whole = resample(flat(open(guide, catmullRom)), 200)
    return resample(whole.slice(Math.round(from * 200), Math.round(to * 200) + 1), ALONG)
  })
  const last = lines.length - 1
  // asked tens of thousands of times a picture: in numbers, not in points
  const at = (across, step) => {
    const x = clamp(across) * last
    const k = Math.min(last - 1, Math.floor(x))
    const q = x - k
    const i = step < 0 ? 0 : step > ALONG ? ALONG : step
    const [p1, p2] = [lines[k][i], lines[k + 1][i]]
    if (last < 2) return [p1[0] + (p2[0] - p1[0]) * q, p1[1] + (p2[1] - p1[1]) * q]
    const [before, after] = [k === 0 ? null : lines[k - 1][i], k + 2 > last ? null : lines[k + 2][i]]
    const [q2, q3] = [q * q, q * q * q]
    const w1 = 2 - 5 * q2 + 3 * q3
    const w2 = q + 4 * q2 - 3 * q3
    const w0 = -q + 2 * q2 - q3
    const w3 = q3 - q2
    const mixed = (c) => {
      // beyond an edge the field goes on as it came
      const p0 = before ? before[c] : 2 * p1[c] - p2[c]
      const p3 = after ? after[c] : 2 * p2[c] - p1[c]
      return 0.5 * (w1 * p1[c] + w2 * p2[c] + w0 * p0 + w3 * p3)
    }
    return [mixed(0), mixed(1)]
  }
  const along = (across, share) => {
    const x = clamp(share) * ALONG
    const i = Math.min(ALONG - 1, Math.floor(x))
    return between(at(across, i), at(across, i + 1), x - i)
  }
  const edge = (step) => Array.from({ length: ACROSS + 1 }, (_, k) => at(k / ACROSS, step))

  return { lines, at, along, edge }
}

/**
 * Its border. A fan whose guides run over each other would cross its own border if that were walked from edge to edge: what it covers is
 * then put together from small pieces; not whole where that leaves several.
 */
function border({ lines, at, edge }) {
  const walked = [...lines[0], ...edge(ALONG).slice(1), ...[...lines[lines.length - 1]].reverse().slice(1), ...edge(0).reverse().slice(1)]
  const [wide, long] = [8, 16]
  const cells = []
  for (let k = 0; k < wide; k++)
    for (let i = 0; i < long; i++) {
      const [a, b] = [(i * ALONG) / long, ((i + 1) * ALONG) / long]
      cells.push([at(k / wide, a), at((k + 1) / wide, a), at((k + 1) / wide, b), at(k / wide, b)])
    }
  const turns = cells.map(area)
  const flipped = turns.filter((one) => one > 0.05).length
  if (flipped === 0 || turns.every((one) => one > -0.05)) return { outer: walked, whole: true }
  const pieces = clip
    .union(...cells.filter((_, k) => Math.abs(turns[k]) > 0.01).map((cell) => [cell]))
    .map(([outer]) => outer.slice(0, -1))
    .sort((a, b) => Math.abs(area(b)) - Math.abs(area(a)))
  const lost = pieces.slice(1).filter((piece) => Math.abs(area(piece)) > 0.05 * Math.abs(area(pieces[0])))
  return { outer: pieces[0], whole: lost.length === 0 }
}

/** How wide it is at each step, measured across the pull, and how long. */
function measured({ at }) {
  const widths = []
  let long = 0
  for (let i = 0; i <= ALONG; i++) {
    let wide = 0
    for (let k = 0; k < ACROSS; k++) {
      const step = minus(at((k + 1) / ACROSS, i), at(k / ACROSS, i))
      const middle = (k + 0.5) / ACROSS
      const pull = minus(at(middle, Math.min(ALONG, i + 1)), at(middle, Math.max(0, i - 1)))
      wide += Math.abs(step[0] * pull[1] - step[1] * pull[0]) / (length(pull) || 1)
    }
    widths.push(wide)
    if (i) long += distance(at(0.5, i), at(0.5, i - 1))
  }
  return { widths, long }
}

/** For both edges, how far each step of them looks away from the light. */
function shades({ at }) {
  return [0, 1].map((edge) => {
    let away = Array.from({ length: ALONG + 1 }, (_, i) => {
      const pull = minus(at(edge, Math.min(ALONG, i + 2)), at(edge, Math.max(0, i - 2)))
      const size = length(pull) || 1
      const out = [pull[1] / size, -pull[0] / size]
      const inward = minus(at(edge ? 0.7 : 0.3, i), at(edge, i))
      return shade(out[0] * inward[0] + out[1] * inward[1] > 0 ? [-out[0], -out[1]] : out)
    })
    for (let k = 0; k < 3; k++) away = away.map((x, i) => (away[Math.max(0, i - 1)] + 2 * x + away[Math.min(ALONG, i + 1)]) / 4)
    return away
  })
}

/** Five nested strips on the side away from the light, three on the crown: their width follows how far the edge turns. */
function roundness({ at }, away, bulge, swell) {
  const strip = (edge, near, far) => {
    const [a, b] = [[], []]
    for (let i = 0; i <= ALONG; i++) {
      a.push(at(edge ? 1 - near(i) : near(i), i))
      b.push(at(edge ? 1 - far(i) : far(i), i))
    }
    return [...a, ...b.reverse()]
  }
  const dark = []
  const crown = []
  if (bulge <= 0) return { dark, crown }
  away.forEach((turned, edge) => {
    if (Math.max(...turned) > 0.12)
      for (const share of [0.46, 0.36, 0.27, 0.18, 0.09])
        dark.push(
          strip(
            edge,
            () => 0,
            (i) => share * bulge * Math.max(0, turned[i]) * swell(i),
          ),
        )
    if (bulge >= 0.55 && Math.min(...turned) < -0.12)
      for (const share of [1, 0.66, 0.33]) {
        const lit = (i) => share * Math.max(0, -turned[i]) * swell(i)
        crown.push(
          strip(
            edge,
            (i) => 0.28 - 0.15 * lit(i),
            (i) => 0.28 + 0.2 * lit(i),
          ),
        )
      }
  })
  return { dark, crown }
}

/** Runs of points that go on where a test holds, each at least so long. */
function runs(steps, holds, point, least) {
  const all = []
  let run = []
  for (let i = 0; i <= steps; i++) {
    if (holds(i)) run.push(point(i))
    else {
      if (run.length > least) all.push(run)
      run = []
    }
  }
  if (run.length > least) all.push(run)
  return all
}

/** @param {Strand} strand @returns {Modelled} */
export function modelled(strand) {
  const { id, from = 0, to = 1, fibre = 2.6, bulge = 1, coarse = 0, pennation = 0, smooth = 4, ramp = null } = strand
  const chance = seeded(id)
  const shape = field(strand)
  const { at, along, edge } = shape
  const { outer, whole } = border(shape)
  const ring = rounded(outer, 1.8, smooth)
  const { widths, long } = measured(shape)
  const width = Math.max(...widths)
  const count = Math.max(2, Math.round(width / fibre))
  const away = shades(shape)
  const risen = (i) => {
    if (!ramp) return 1
    const q = clamp((i / ALONG - ramp[0]) / (ramp[1] - ramp[0]))
    return 0.12 + 0.88 * q * q * (3 - 2 * q)
  }
  const swell = (i) => risen(i) * Math.sqrt(Math.sin(Math.PI * Math.max(0.02, Math.min(0.98, i / ALONG))))

  // the share of tendon in what is left of it, its border a tongue with a tooth for each fibre
  const [upper, lower] = (strand.tendon ?? [0, 0]).map((share, end) =>
    Math.min(1, Math.max(0, (share - (end ? 1 - to : from)) / (to - from))),
  )
  const teeth = Array.from({ length: count + 2 }, () => [chance() * 0.05, chance() * 0.06, chance()])
  const tongue = (across, share) => 0.26 * Math.min(0.5, share) * Math.sin(Math.PI * across)
  const belly = (across, k) => [
    upper > 0 ? Math.min(1, upper + tongue(across, upper) + teeth[k][0] * Math.min(1, upper * 4)) : 0,
    lower > 0 ? Math.max(0, 1 - lower - tongue(across, lower) - teeth[k][1] * Math.min(1, lower * 4)) : 1,
  ]
  const nearest = (across) => Math.min(count, Math.max(1, Math.round(across * count)))

  const drawn = pennation
    ? pennate({ at, along, belly, nearest, count, upper, lower, step: (fibre * 1.25) / long, pennation })
    : straight({ at, belly, teeth, count, widths, away, bulge, coarse, swell })

  const tendons = []
  const tip = (up) => {
    const fine = Math.max(6, Math.round(width / 3.2))
    const border = Array.from({ length: fine + 1 }, (_, k) => {
      const [a, b] = belly(k / fine, nearest(k / fine))
      const tooth = k % 2 ? 0.014 : 0
      return along(k / fine, up ? a + tooth : b - tooth)
    })
    const [[a0, b0], [a1, b1]] = [belly(0, 1), belly(1, count)]
    const down = Array.from({ length: 25 }, (_, i) => along(1, up ? a1 * (1 - i / 24) : b1 + ((1 - b1) * i) / 24))
    const back = Array.from({ length: 25 }, (_, i) => along(0, up ? (a0 * i) / 24 : 1 - ((1 - b0) * i) / 24))
    return [...border, ...down, ...edge(up ? 0 : ALONG).reverse(), ...back]
  }
  if (upper > 0) tendons.push(tip(true))
  if (lower > 0) tendons.push(tip(false))

  return { ring, whole, ...drawn, tendons, ...roundness(shape, away, bulge, swell), width, widths, at, along, edge, steps: ALONG }
}

/** Fibres from both edges to the middle, slipping by a share of the length. */
function pennate({ at, along, belly, nearest, count, upper, lower, step, pennation }) {
  const fibres = []
  const slip = Math.abs(pennation)
  for (let t = upper - slip; t < 1 - lower; t += step)
    for (const right of [false, true]) {
      const line = []
      for (let k = 0; k <= 8; k++) {
        const q = k / 8
        const share = t + slip * (pennation > 0 ? q : 1 - q)
        const across = right ? 1 - 0.48 * q : 0.02 + 0.46 * q
        const [a, b] = belly(across, nearest(across))
        if (share >= a && share <= b - 0.004) line.push(along(across, share))
      }
      if (line.length > 2) fibres.push(line)
    }
  const sinews = []
  for (let k = 1; k < count; k++) {
    const [a, b] = belly(k / count, k)
    sinews.push(
      ...runs(
        ALONG,
        (i) => i / ALONG < a,
        (i) => at(k / count, i),
        3,
      ),
      ...runs(
        ALONG,
        (i) => i / ALONG > b,
        (i) => at(k / count, i),
        3,
      ),
    )
  }
  return { fibres, heavy: [], light: [], sinews }
}

/** One fibre a step across; where they crowd each second goes, then three of four. */
function straight({ at, belly, teeth, count, widths, away, bulge, coarse, swell }) {
  const [fibres, heavy, light, sinews] = [[], [], [], []]
  for (let k = 1; k < count; k++) {
    const across = k / count
    const rank = k % 2 ? 0 : k % 4 === 2 ? 1 : 2
    const [a, b] = belly(across, k)
    const loose = 0.9 + 0.25 * teeth[k][2]
    const room = (i) => {
      const s = widths[i] / count
      return s >= 0.8 * loose || (rank >= 1 && s >= 0.42 * loose) || (rank === 2 && s >= 0.2 * loose)
    }
    const isBelly = (i) => i / ALONG >= a && i / ALONG <= b
    ;(coarse && k % coarse === 0 ? heavy : fibres).push(
      ...runs(
        ALONG,
        (i) => room(i) && isBelly(i),
        (i) => at(across, i),
        3,
      ),
    )
    sinews.push(
      ...runs(
        ALONG,
        (i) => room(i) && !isBelly(i),
        (i) => at(across, i),
        3,
      ),
    )
    if (bulge <= 0) continue
    // between the fibres: doubled where it is dark, a pale line on the crown
    const half = (k + 0.5) / count
    const firm = (i) => i / ALONG >= a + 0.03 && i / ALONG <= b - 0.03 && widths[i] / count > 1
    const toDark = (i) => (away[0][i] > away[1][i] ? half : 1 - half)
    const turned = (i) => Math.max(away[0][i], away[1][i])
    fibres.push(
      ...runs(
        ALONG,
        (i) => firm(i) && toDark(i) < 0.26 * turned(i) * swell(i) * Math.min(1, bulge * 1.3),
        (i) => at(half, i),
        4,
      ),
    )
    const isCrown = (i) => 1 - toDark(i) > 0.16 && 1 - toDark(i) < 0.44 && Math.min(away[0][i], away[1][i]) < -0.2
    if (bulge >= 0.55)
      light.push(
        ...runs(
          ALONG,
          (i) => firm(i) && isCrown(i),
          (i) => at(half, i),
          5,
        ),
      )
  }
  return { fibres, heavy, light, sinews }
}
