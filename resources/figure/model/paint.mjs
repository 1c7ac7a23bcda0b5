// Paints a state of a region: what lies deepest first, each shape with its shadow, its roundness, its fibres and its line.
import {
  catmullRom,
  closed,
  distance,
  distanceTo,
  flat,
  inside as isInside,
  length,
  minus,
  normals,
  open,
  pair,
  path,
  polygon,
  resample,
  rounded,
  seeded,
  segmentsOf,
  shade,
} from './spline.mjs'
import { modelled } from './muscle.mjs'
import { mixed } from './tones.mjs'

/**
 * @typedef {import('./spline.mjs').Point} Point
 * @typedef {import('./tones.mjs').Tones} Tones
 * @typedef {{ of?: string, bones?: 'all' | string[], from?: number, to?: number, cut?: string, pale?: boolean, only?: number[],
 *   clip?: Point[], edge?: Point[], breadth?: [number, number], mark?: string, shadow?: string, ghost?: string, overlays?: boolean,
 *   inside?: string, outside?: string, opacity?: number }} Layer
 */

const round = (n) => Math.round(n * 100) / 100
const fill = (d, colour, opacity = 1) => `<path d="${d}" fill="${colour}"${opacity < 1 ? ` opacity="${round(opacity)}"` : ''}/>`
const stroke = (d, colour, width, opacity = 1, more = '') =>
  `<path d="${d}" fill="none" stroke="${colour}" stroke-width="${round(width)}"${opacity < 1 ? ` stroke-opacity="${round(opacity)}"` : ''} stroke-linecap="round"${more}/>`
const moved = (x, y) => ` transform="translate(${round(x)} ${round(y)})"`

/** A band along a ring, closed or a stretch of it. @param {[Point, Point][]} pairs its outer and its inner points */
const band = (pairs, shut) => {
  const [outer, inner] = [pairs.map(([one]) => one), pairs.map(([, one]) => one).reverse()]
  return shut ? polygon(outer, true) + polygon(inner, true) : polygon([...outer, ...inner], true)
}

/** Both edges of a line that is thin toward the light and heavy away from it; where `soft` is less than one, thinner still. */
const edges = (ring, thin, heavy, soft = null) =>
  normals(ring).map((n, i) => {
    const w = (thin + heavy * Math.max(0, shade(n))) * (soft ? soft[i] : 1) * 0.5
    const at = (way) => [ring[i][0] + way * n[0] * w, ring[i][1] + way * n[1] * w]
    return [at(1), at(-1)]
  })

/** @param {Point[]} ring */
const ink = (ring, thin, heavy, soft = null) => band(edges(ring, thin, heavy, soft), true)

/** The same line, left away where the ring runs along one of these. @param {Point[]} ring @param {Point[][]} gone */
const inkWithout = (ring, gone, thin, heavy) => {
  const keep = ring.map((p) => gone.every((line) => distanceTo(p, line) >= 2.4))
  const start = keep.findIndex((one, i) => one && !keep[(i + ring.length - 1) % ring.length])
  if (start < 0) return ink(ring, thin, heavy)
  const pairs = edges(ring, thin, heavy)
  const stretches = [[]]
  for (let k = 0; k < ring.length; k++) {
    const i = (start + k) % ring.length
    if (keep[i]) stretches.at(-1).push(pairs[i])
    else stretches.push([])
  }
  return stretches
    .filter((stretch) => stretch.length > 2)
    .map((stretch) => band(stretch, false))
    .join('')
}

export class Painter {
  /** @param {object} region @param {Tones} tones @param {string} prefix of the names of clips, which are one for a page */
  constructor(region, tones, prefix = 'f') {
    this.region = region
    this.t = tones
    this.prefix = prefix
    this.clips = 0
    this.strands = new Map(region.muscles.map((m) => [m.id, m]))
    this.bones = new Map(region.bones.map((b) => [b.id, b]))
  }

  /** A path, or the outline of the skin by its name. */
  outlined(d) {
    return /^skin\.\d$/.test(d) ? this.region.skin[Number(d[5])] : d
  }

  /** Inside a shape. */
  within(named, inner, evenodd = false) {
    const d = this.outlined(named)
    const id = `${this.prefix}${++this.clips}`
    return `<clipPath id="${id}"><path d="${d}"${evenodd ? ' clip-rule="evenodd"' : ''}/></clipPath><g clip-path="url(#${id})">${inner}</g>`
  }

  /** Every point on this half, or on the other: the picture is mirrored, the light is not. @param {boolean} other */
  half(other) {
    const { midline } = this.region
    return other ? ([x, y, c]) => (c ? [2 * midline - x, y, c] : [2 * midline - x, y]) : (p) => p
  }

  mirroredPath(d, other) {
    return other ? segmentsOf(d).map((s) => s.map(this.half(true))) : segmentsOf(d)
  }

  shadow(ring, strength = 1) {
    if (strength === 0) return ''
    const d = polygon(ring, true)
    const edge = (width, opacity) => `<path d="${d}" stroke-width="${width}" opacity="${round(opacity * strength)}"/>`
    const edges = edge(4.6, 0.07) + edge(2.6, 0.09) + edge(0.8, 0.14)
    return `<g${moved(1.6, 2.2)} fill="${this.t.shade}" stroke="${this.t.shade}" stroke-linejoin="round">${edges}</g>`
  }

  bone(bone, other) {
    const { t } = this
    const segments = this.mirroredPath(bone.d, other)
    const d = path(segments, true)
    const ring = rounded(flat(segments, 8), 1.6, 1)
    const depth = bone.depth ?? 3
    const line = (one) => path(this.mirroredPath(one, other), /Z$/.test(one))
    const ground = bone.ground ? this.tone(bone.ground) : ({ disc: t.disc, cartilage: t.cartilage }[bone.kind] ?? t.bone)
    const away = bone.far ? Math.min(0.55, 0.34 * bone.far) : 0
    const [base, middle, dark] = [
      ground,
      ground === t.bone ? t.boneMiddle : mixed(ground, t.discDark, 0.3),
      ground === t.bone ? t.boneDark : mixed(ground, t.discDark, 0.55),
    ].map((colour) => mixed(colour, t.far, away))
    if (bone.patch)
      return (
        fill(d, base) +
        (bone.detail ?? []).map((one) => stroke(line(one), t.shade, 3, 0.16, moved(1.6, 1.8)) + stroke(line(one), t.boneLine, 1)).join('')
      )
    let inner = fill(d, dark)
    if (depth >= 9)
      // a skull is round all over: many small steps
      for (let k = 0; k < 7; k++)
        inner += `<path d="${d}" fill="${k < 3 ? mixed(dark, middle, (k + 1) / 3) : mixed(middle, base, (k - 2) / 4)}"${moved(-1.6 - k * k * 0.62, -1.8 - k * k * 0.66)}/>`
    else
      inner += `<path d="${d}" fill="${middle}"${moved(-depth * 0.42, -depth * 0.5)}/><path d="${d}" fill="${base}"${moved(-depth, -depth * 1.15)}/>`
    for (const one of bone.soft ?? []) inner += fill(line(one), middle, 0.5) + stroke(line(one), middle, 6, 0.3)
    for (const one of bone.dark ?? []) inner += fill(line(one), mixed(t.boneDark, t.shade, 0.35)) + stroke(line(one), t.boneLine, 0.7)
    for (const one of [...(bone.open ?? []), ...(bone.window ?? [])]) {
      const hole = line(one)
      inner +=
        this.within(
          hole,
          fill(hole, mixed(t.under, t.shade, 0.42)) + `<path d="${hole}" fill="${mixed(t.under, t.shade, 0.16)}"${moved(3.4, 4)}/>`,
        ) + stroke(hole, t.boneLine, 0.9)
    }
    for (const [x, y, rx, ry] of bone.bumps ?? [])
      for (const side of bone.midline ? [1, -1] : [1]) {
        const [cx, cy] = this.half(other)([
          this.region.midline === undefined ? x : this.region.midline - side * (this.region.midline - x || 0),
          y,
        ])
        inner += `<ellipse cx="${round(cx + 1.4)}" cy="${round(cy + 1.8)}" rx="${rx}" ry="${ry}" fill="${dark}" opacity=".8"/><ellipse cx="${round(cx)}" cy="${round(cy)}" rx="${rx}" ry="${ry}" fill="${base}"/>`
      }
    for (const one of bone.detail ?? [])
      inner += stroke(line(one), dark, 2.8, 0.55, moved(0.9, 1.1)) + stroke(line(one), t.boneLine, 0.7, 0.75)
    for (const one of bone.fine ?? []) inner += stroke(line(one), t.boneLine, 0.6, 0.42, ' stroke-dasharray="7 3"')
    inner += this.hatch(bone, other) + this.mark(bone.marks ?? [], other)
    for (const hole of bone.holes ?? []) {
      if (typeof hole === 'string') {
        const d0 = line(hole)
        inner +=
          this.within(
            d0,
            fill(d0, mixed(t.boneDark, t.shade, 0.55)) + `<path d="${d0}" fill="${mixed(t.boneDark, t.shade, 0.28)}"${moved(3, 4)}/>`,
          ) + stroke(d0, t.boneLine, 0.8)
        continue
      }
      for (const mirror of bone.midline ? [false, true] : [other]) {
        const [cx, cy] = this.half(mirror)([hole[0], hole[1]])
        inner += `<ellipse cx="${round(cx)}" cy="${round(cy)}" rx="${hole[2]}" ry="${hole[3]}" fill="${mixed(t.boneDark, t.shade, 0.35)}" stroke="${t.boneLine}" stroke-width=".7"/>`
      }
    }
    return (
      this.shadow(ring, bone.far ? 0.6 : 1) +
      this.within(d, inner) +
      fill(ink(ring, 0.55, 0.85), t.boneLine, bone.far ? 0.7 : 1) +
      (bone.cut ? this.sawn(flat(this.mirroredPath(bone.cut, other), 6)) : '')
    )
  }

  /** Four to eight hairlines in a hollow do more than another tone. */
  hatch(bone, other) {
    let d = ''
    for (const [a, b, count] of bone.hatch ?? []) {
      const [from, to] = [a, b].map((line) => resample(flat(open(line)), 16))
      const chance = seeded(bone.id + JSON.stringify(a))
      for (let k = 0; k < count; k++) {
        const share = count > 1 ? k / (count - 1) : 0
        const [first, last] = [Math.floor(chance() * 3), 16 - Math.floor(chance() * 4)]
        for (const mirror of bone.midline ? [false, true] : [other])
          d += polygon(
            from
              .slice(first, last + 1)
              .map((p, i) => this.half(mirror)([p[0] + (to[first + i][0] - p[0]) * share, p[1] + (to[first + i][1] - p[1]) * share])),
          )
      }
    }
    return d ? stroke(d, this.t.boneLine, 0.45, 0.42) : ''
  }

  /** Where a bone is sawn through: spongy. */
  sawn(outline) {
    const ring = rounded(outline, 1.2, 1)
    const chance = seeded(`sawn${ring[0]}`)
    const middle = [0, 1].map((k) => ring.reduce((sum, p) => sum + p[k], 0) / ring.length)
    const dots = Array.from({ length: 9 }, () => {
      const [p, share] = [ring[Math.floor(chance() * ring.length)], 0.2 + chance() * 0.5]
      return `<circle cx="${round(middle[0] + (p[0] - middle[0]) * share)}" cy="${round(middle[1] + (p[1] - middle[1]) * share)}" r="${round(0.5 + chance() * 0.5)}"/>`
    }).join('')
    return (
      fill(polygon(ring, true), mixed(this.t.cut, this.t.bone, 0.3)) +
      `<g fill="${this.t.boneDark}">${dots}</g>` +
      fill(ink(ring, 0.5, 0.7), this.t.line, 0.9)
    )
  }

  /** The strand as it is modelled here, on this half or the other. */
  model(muscle, part, index, other, layer = {}) {
    const turn = this.half(other)
    let guides = part.guides
    if (layer.breadth) guides = narrowed(guides, layer.breadth)
    const pick = (name) => part[name] ?? muscle[name]
    const soft = part.soft && !layer.cut ? part.soft[1] : null
    return modelled({
      id: `${muscle.id}${index}`,
      guides: guides.map((guide) => guide.map(turn)),
      tendon: pick('tendon'),
      fibre: pick('fibre'),
      pennation: pick('pennation'),
      coarse: muscle.coarse,
      bulge: pick('bulge'),
      smooth: layer.pale ? 3 : pick('smooth'),
      from: layer.from,
      to: layer.to,
      ramp: soft === null ? undefined : [soft - 0.12, soft + 0.3],
    })
  }

  /** @param {Layer} layer */
  muscle(muscle, other, layer = {}) {
    if (muscle.teeth) return this.intersection(muscle, other)
    const drawn = (muscle.parts ?? [])
      .map((part, i) => (layer.only && !layer.only.includes(i) ? '' : this.part(muscle, part, i, other, layer)))
      .join('')
    if (layer.clip) {
      const edge = layer.edge ? path(open(layer.edge.map(this.half(other)))) : ''
      return (
        this.within(polygon(layer.clip.map(this.half(other)), true), drawn) +
        (edge &&
          stroke(edge, this.t.shade, 5, 0.14, moved(2, 1.5)) +
            stroke(edge, this.t.shade, 2.6, 0.16, moved(1.2, 1)) +
            stroke(edge, this.t.line, 1.1))
      )
    }
    return drawn
  }

  part(muscle, part, index, other, layer) {
    const { t } = this
    const kind = part.kind ?? muscle.kind
    const pale = layer.pale ?? false
    const isSheet = kind !== undefined
    const shape = this.model(muscle, part, index, other, layer)
    const tint = part.tint ?? muscle.tint ?? 0
    let colour = isSheet
      ? ({ ligament: mixed(t.sheet, t.boneDark, 0.18), fat: t.fat }[kind] ?? mixed(t.sheet, t.tones[1], tint))
      : t.tones[part.tone ?? muscle.tone ?? 0]
    if (muscle.dim) colour = mixed(colour, t.shade, muscle.dim)
    if (muscle.hollow) colour = mixed(t.under, t.shade, 0.3)
    if (pale && !isSheet) colour = mixed(colour, t.sheet, 0.42)
    const d = polygon(shape.ring, true)
    const opacity = muscle.opacity ?? 1
    const strips = kind === 'ligament' || kind === 'tendon' ? 0.07 : isSheet ? 0.045 : pale ? 0.05 : 0.085

    let inner = fill(d, colour, opacity)
    if (kind !== 'tendon' && kind !== 'fat')
      for (const one of shape.tendons) inner += fill(polygon(one, true), pale ? mixed(t.sheet, colour, 0.25) : t.sheet, 0.92)
    for (const one of shape.crown) inner += fill(polygon(one, true), isSheet ? t.sheetLight : t.light, isSheet ? 0.22 : 0.13)
    for (const one of shape.dark) inner += fill(polygon(one, true), t.shade, strips)
    if (muscle.mark) inner += this.mark(this.region.marks[muscle.mark], other)
    if (muscle.concave) inner += this.hollowed(shape)
    const lines = (all) => all.map((one) => polygon(one)).join('')
    if (shape.sinews.length) inner += stroke(lines(shape.sinews), t.sinew, 0.45, 0.45)
    if (shape.light.length && !isSheet) inner += stroke(lines(shape.light), t.light, 0.7, 0.45)
    if (shape.fibres.length)
      inner += stroke(lines(shape.fibres), isSheet ? t.sheetFibre : t.fibre, 0.5, isSheet ? 0.38 : pale ? 0.36 : 0.52)
    if (shape.heavy.length) inner += stroke(lines(shape.heavy), t.fibre, 1, pale ? 0.35 : 0.55)
    for (const one of muscle.cross ?? []) inner += stroke(path(open(one.map(this.half(other)))), t.sheetFibre, 0.45, 0.32)
    for (const one of muscle.marks ?? [])
      inner +=
        stroke(path(open(one.map(this.half(other)))), t.shade, 3.4, 0.1) +
        stroke(path(open(one.map(this.half(other)))), t.sheetFibre, 0.7, 0.6)

    const lineColour = isSheet ? t.sheetLine : t.line
    const [thin, heavy] = isSheet ? [0.4, 0.6] : [0.5, 0.95]
    const cast = (layer.cut === 'seam' ? 0 : (muscle.shadow ?? 1)) * (opacity < 1 ? 0.6 : 1)
    return (
      this.shadow(this.casting(shape, part, muscle), cast) +
      this.within(d, inner) +
      ((muscle.line ?? 1) === 0 ? '' : fill(this.outline(muscle, part, shape, other, layer, thin, heavy), lineColour, muscle.line ?? 1)) +
      this.fringes(muscle, part, other, colour, pale) +
      (layer.cut === 'end' || layer.cut === 'both' ? this.face(muscle, index, shape, shape.steps, isSheet) : '') +
      (layer.cut === 'start' || layer.cut === 'both' ? this.face(muscle, index, shape, 0, isSheet) : '')
    )
  }

  /** What throws the shadow: not an end that runs on into its bone. */
  casting(shape, part, muscle) {
    const runsOn = part.open ?? muscle.open
    if (!runsOn) return shape.ring
    const [from, to] = [runsOn === 'end' ? 0 : 0.07, runsOn === 'start' ? 1 : 0.93]
    const side = (across) => Array.from({ length: 41 }, (_, i) => shape.along(across, from + ((to - from) * i) / 40))
    return [...side(0), ...side(1).reverse()]
  }

  outline(muscle, part, shape, other, layer, thin, heavy) {
    if (layer.cut === 'seam') {
      const upper = shape.edge(0)
      return ink(
        shape.ring,
        thin,
        heavy,
        shape.ring.map((p) => (distanceTo(p, upper) < 6 ? 0.02 : 1)),
      )
    }
    const gone = []
    const runsOn = layer.cut ? undefined : (part.open ?? muscle.open)
    if (runsOn) {
      if (runsOn !== 'end') gone.push(shape.edge(0))
      if (runsOn !== 'start') gone.push(shape.edge(shape.steps))
    }
    if (part.soft && !layer.cut) {
      const [edge, share] = part.soft
      gone.push(Array.from({ length: Math.floor(shape.steps * share) + 1 }, (_, i) => shape.at(edge ? 1 : 0, i)))
    }
    if (gone.length) return inkWithout(shape.ring, gone, thin, heavy)
    if (muscle.soft_edges && !layer.pale) {
      const lines = muscle.soft_edges.map((k) => resample(flat(open(part.guides[k].map(this.half(other)), catmullRom)), 80))
      return ink(
        shape.ring,
        thin,
        heavy,
        shape.ring.map((p) => Math.max(0.16, Math.min(1, (Math.min(...lines.map((l) => distanceTo(p, l))) - 4) / 8))),
      )
    }
    return ink(shape.ring, thin, heavy)
  }

  /** A hollow seen from inside: darker from its first guide on. */
  hollowed(shape) {
    const swell = (i) => Math.sqrt(Math.sin(Math.PI * Math.max(0.02, Math.min(0.98, i / shape.steps))))
    return [
      [0, 0.8],
      [0, 0.66],
      [0, 0.53],
      [0, 0.41],
      [0, 0.3],
      [0, 0.2],
      [0, 0.11],
      [0.12, 0.62],
      [0.2, 0.5],
    ]
      .map(([near, far]) => {
        const steps = Array.from({ length: shape.steps + 1 }, (_, i) => i)
        const line = (share) => steps.map((i) => shape.at(share * swell(i), i))
        return fill(polygon([...line(near), ...line(far).reverse()], true), this.t.shade, 0.075)
      })
      .join('')
  }

  /** Teeth of a sheet into the muscle beside it, in the direction of its fibres. */
  fringes(muscle, part, other, colour, pale) {
    if (pale) return ''
    const turn = this.half(other)
    return (muscle.fringes ?? [])
      .map(([along, size, way, from = 0, to = 1]) => {
        const line = Array.isArray(along) ? along : along === 's' ? part.guides.map((guide) => guide[0]) : part.guides[along]
        if (!line) return ''
        const chance = seeded(`${muscle.id}f`)
        const whole = flat(open(line, catmullRom))
        const long = whole.slice(1).reduce((sum, p, i) => sum + distance(p, whole[i]), 0)
        const count = Math.max(24, Math.round(long / 1.1))
        const points = resample(whole, count)
        // in the side and down: on the left half of a picture from behind, "outward" is to the left
        const sense = this.region.map?.side ?? 1
        let d = ''
        let run = 0
        for (let i = Math.round(from * count) + 2; i < to * count - 2; i++) {
          run += distance(points[i], points[i - 1])
          if (run < 2.1) continue
          run = 0
          const [p, share, long0] = [points[i], i / count, size * (0.5 + chance() * 0.8)]
          const [dx, dy] = way.length === 4 ? [way[0] + (way[2] - way[0]) * share, way[1] + (way[3] - way[1]) * share] : way
          d += `M${pair(turn(points[i - 2]))}L${pair(turn([p[0] + sense * dx * long0, p[1] + dy * long0]))}L${pair(turn(points[i + 2]))}Z`
        }
        return fill(d, colour, 0.95)
      })
      .join('')
  }

  /** A tendinous intersection: a pale band with teeth on both sides, across a belly. */
  intersection(muscle, other) {
    const { t } = this
    const chance = seeded(muscle.id)
    return muscle.teeth
      .map(({ line, n, height }) => {
        const middle = resample(flat(open(line)), n)
        const [upper, lower] = [[], []]
        middle.forEach(([x, y], i) => {
          const tall = height * (0.35 + 0.65 * Math.sin((Math.PI * i) / n))
          const tooth = () => (i % 2 ? 0.45 + chance() * 0.25 : 0.9 + chance() * 0.5)
          upper.push([x, y - tall * tooth()])
          lower.push([x, y + tall * tooth()])
        })
        const turn = this.half(other)
        const fibres = middle
          .slice(1, -1)
          .map(([x, y]) =>
            polygon(
              [
                [x, y - height * 0.6],
                [x + 0.4, y + height * 0.6],
              ].map(turn),
            ),
          )
          .join('')
        return fill(polygon([...upper, ...lower.reverse()].map(turn), true), t.sheet, 0.72) + stroke(fibres, t.sinew, 0.45, 0.5)
      })
      .join('')
  }

  /** The cut face of a stump: a wavy lens with the ends of its bundles. */
  face(muscle, index, shape, step, isSheet) {
    const { t } = this
    const chance = seeded(muscle.id + index + step)
    const thick = Math.max(2.2, Math.min(6, shape.widths[step] * 0.09)) * (isSheet ? 0.4 : 1)
    const out = (across) => {
      const p = shape.at(across, step)
      const pull = minus(p, shape.at(across, step === 0 ? 3 : step - 3))
      const size = length(pull) || 1
      return [p, [pull[0] / size, pull[1] / size]]
    }
    const [near, far] = [[], []]
    const steps = shape.edge(step).length - 1
    for (let k = 0; k <= steps; k++) {
      const across = k / steps
      const [p, way] = out(across)
      const wave = Math.sin(across * Math.PI * Math.max(2, shape.widths[step] / 14)) * 0.9 + (chance() - 0.5) * 0.8
      const bow = Math.pow(Math.max(0, Math.sin(Math.PI * across)), 0.6)
      near.push([p[0] + way[0] * (wave * 0.6 + thick * 0.75 * bow), p[1] + way[1] * (wave * 0.6 + thick * 0.75 * bow)])
      far.push([p[0] + way[0] * (wave * 0.6 - thick * 0.65 * bow), p[1] + way[1] * (wave * 0.6 - thick * 0.65 * bow)])
    }
    const ring = rounded([...near, ...far.reverse()], 1.4, 2)
    const count = Math.max(2, Math.round(shape.widths[step] / 3.4))
    let dots = ''
    for (let k = 1; k < count; k++) {
      const [p, way] = out((k + (chance() - 0.5) * 0.6) / count)
      const off = (chance() - 0.45) * thick * 0.8
      dots += `<circle cx="${round(p[0] + way[0] * off)}" cy="${round(p[1] + way[1] * off)}" r="${round(0.5 + chance() * 0.5)}"/>`
    }
    return (
      this.shadow(ring) +
      fill(polygon(ring, true), mixed(t.cut, t.sheet, 0.25)) +
      fill(ink(ring, 0.5, 0.7), t.line, 0.9) +
      (isSheet ? '' : `<g fill="${t.tones[2]}" opacity=".8">${dots}</g>`)
    )
  }

  /** A nerve or a vessel; faint where it runs under something. */
  rope({ pts, width, under, kind }, overlay, other) {
    const { t } = this
    const [dark, middle, light] = t.ropes[kind ?? overlay.kind] ?? t.ropes.nerve
    const d = path(open(pts.map(this.half(other))))
    if (under) return stroke(d, dark, width + 1, 0.28) + stroke(d, middle, Math.max(0.6, width - 0.4), 0.5)
    return (
      stroke(d, t.shade, width + 3, 0.14, moved(1.4, 1.8)) +
      stroke(d, dark, width + 1.3) +
      stroke(d, middle, width) +
      stroke(d, light, width * 0.28, 0.8, moved(-width * 0.2, -width * 0.1))
    )
  }

  /** A muscle round an opening: its fibres run round with it. */
  ring(muscle, other) {
    const { outer, inner, lines } = muscle.ring
    const colour = this.t.tones[muscle.tone ?? 0]
    const [out, into] = [outer, inner].map((line) => resample(flat(closed(line.map(this.half(other))), 14), 90))
    let d = ''
    for (let k = 1; k < lines; k++)
      d += polygon(
        out.map((p, i) => [p[0] + ((into[i][0] - p[0]) * k) / lines, p[1] + ((into[i][1] - p[1]) * k) / lines]),
        true,
      )
    return (
      fill(polygon(into, true), colour, 0.8) +
      `<path d="${polygon(out, true)}${polygon(into, true)}" fill-rule="evenodd" fill="${colour}" stroke="${this.t.line}" stroke-width=".7"/>` +
      stroke(d, this.t.fibre, 0.5, 0.4)
    )
  }

  /** A colour by its name. @param {string} name */
  tone(name) {
    return name.split('.').reduce((tones, key) => tones[key], this.t)
  }

  /** A pad of fat: small lobes under a thin cover. */
  pad(outline, other) {
    const { t } = this
    const segments = this.mirroredPath(outline, other)
    const [d, ring] = [path(segments, true), rounded(flat(segments, 8), 1.8, 1)]
    const chance = seeded(outline)
    const [xs, ys] = [0, 1].map((k) => ring.map((p) => p[k]))
    let lobes = ''
    for (let y = Math.min(...ys); y < Math.max(...ys); y += 6)
      for (let x = Math.min(...xs) + (Math.round(y / 6) % 2 ? 3.5 : 0); x < Math.max(...xs); x += 7) {
        const [cx, cy] = [x + (chance() - 0.5) * 2.4, y + (chance() - 0.5) * 2.4]
        const size = 2.6 + chance() * 1.2
        if (isInside([cx, cy], ring))
          lobes += path(
            closed([
              [cx - size, cy],
              [cx, cy - size * 0.8],
              [cx + size, cy + (chance() - 0.5)],
              [cx, cy + size * 0.8],
            ]),
            true,
          )
      }
    return (
      fill(d, t.bare) +
      this.within(
        d,
        `<path d="${d}" fill="${t.fat}"${moved(-3, -3.6)}/><path d="${d}" fill="${t.light}" opacity=".7"${moved(-9, -11)}/>` +
          stroke(lobes, t.sinew, 0.55, 0.25),
      ) +
      fill(ink(ring, 0.4, 0.6), t.sheetLine)
    )
  }

  /** What is no muscle and no bone: nails, folds, fat, glands, the lines of a face. */
  mark(shapes, other) {
    const turned = (one) => (other ? path(this.mirroredPath(one, true), /Z$/.test(one)) : one)
    return shapes
      .map(({ pad, d: named, fill: inside, stroke: line, width, opacity = 1, shift, clip, in: inner, dash, evenodd }) => {
        if (pad) return this.pad(pad, other)
        if (inner) return this.within(/^skin/.test(clip) ? clip : turned(clip), this.mark(inner, other))
        const d = this.outlined(named)
        const more = `${shift ? moved(...shift) : ''}${dash ? ` stroke-dasharray="${dash}"` : ''}`
        return (
          (inside
            ? `<path d="${turned(d)}" fill="${this.tone(inside)}"${evenodd ? ' fill-rule="evenodd"' : ''}${opacity < 1 ? ` opacity="${opacity}"` : ''}${shift ? moved(...shift) : ''}/>`
            : '') + (line ? stroke(turned(d), this.tone(line), width, opacity, more) : '')
        )
      })
      .join('')
  }

  /** Which halves of it are to be seen here. */
  halves(one) {
    return this.region.midline === undefined || one.midline ? [false] : [true, false]
  }

  /** @param {Layer} layer */
  layer(layer) {
    const drawn = this.bare(layer)
    const { inside, outside, opacity } = layer
    const [x, y, w, h] = this.region.frame
    const window = outside && `M${x - w} ${y - h}H${x + 2 * w}V${y + 2 * h}H${x - w}Z${outside}`
    const cut = inside ? this.within(inside, drawn) : window ? this.within(window, drawn, true) : drawn
    return opacity === undefined ? cut : `<g opacity="${opacity}">${cut}</g>`
  }

  bare(layer) {
    if (layer.bones !== undefined) {
      const drawn = (layer.bones === 'all' ? [...this.bones.keys()] : layer.bones)
        .flatMap((id) => this.halves(this.bones.get(id)).map((other) => this.bone(this.bones.get(id), other)))
        .join('')
      return layer.clip ? this.within(polygon(layer.clip, true), drawn) : drawn
    }
    if (layer.shadow) {
      const muscle = this.strands.get(layer.shadow)
      return this.halves(muscle)
        .flatMap((other) => muscle.parts.map((part, i) => this.shadow(this.model(muscle, part, i, other).ring)))
        .join('')
    }
    if (layer.ghost) return stroke(path(open(this.region.lines[layer.ghost].pts)), this.t.skinLine, 1.1, 0.62, ' stroke-dasharray="4 4.5"')
    if (layer.mark !== undefined) return this.mark(this.region.marks[layer.mark], false)
    if (layer.of === undefined) return ''
    const muscle = this.strands.get(layer.of)
    if (muscle.ring)
      return this.halves(muscle)
        .map((other) => `<g data-m="${muscle.id}${other ? ':other' : ''}">${this.ring(muscle, other)}</g>`)
        .join('')
    return this.halves(muscle)
      .map((other) => `<g data-m="${muscle.id}${other ? ':other' : ''}">${this.muscle(muscle, other, layer)}</g>`)
      .join('')
  }

  /** @param {string} id @param {{ overlays?: boolean }} show */
  state(id, show = {}) {
    const { region, t } = this
    const state = region.states.find((one) => one.id === id)
    if (state.bare) return state.stack.map((one) => this.layer(typeof one === 'string' ? { of: one } : one)).join('')
    const under = state.under ? t.bare : t.under
    const all = region.skin.join('')
    let body = ''
    // the ground is darker below and to the right, as if the body were round
    for (let k = 0; k < 6; k++)
      body += `<g fill="${mixed(under, t.shade, 0.17 * (1 - k / 5))}"${moved(-k * 3.2, -k * 2)}>${region.skin.map((d) => `<path d="${d}"/>`).join('')}</g>`
    for (const one of state.stack) body += this.layer(typeof one === 'string' ? { of: one } : one)
    if (show.overlays)
      for (const overlay of region.overlays ?? [])
        if (!overlay.state || overlay.state === id || (state.overlays ?? []).includes(overlay.id))
          for (const other of region.midline === undefined ? [false] : [true, false])
            for (const line of overlay.lines) body += this.rope(line, overlay, other)
    const over =
      (state.over ?? []).map((one) => this.layer(one)).join('') +
      (state.outside ?? []).map((bone) => this.bone(this.bones.get(bone), false)).join('')
    const clip = `${this.prefix}skin`
    const rim = region.skin.length === 1 ? `<path d="${all}" fill="none" stroke="${t.skin}" stroke-width="6"/>` : ''
    const skins = (attributes) => region.skin.map((d) => `<path d="${d}" ${attributes}/>`).join('')
    return (
      `<clipPath id="${clip}">${region.skin.map((d) => `<path d="${d}"/>`).join('')}</clipPath>` +
      skins(`fill="${t.skin}" stroke="${t.skinLine}" stroke-width="2.6"`) +
      skins(`fill="${t.skin}"`) +
      `<g clip-path="url(#${clip})">${body}${rim}</g>${over}`
    )
  }
}

/** The guides of a part of the breadth only. @param {Point[][]} guides @param {[number, number]} breadth */
function narrowed(guides, [from, to]) {
  const lines = guides.map((guide) => resample(flat(open(guide, catmullRom)), 60))
  const count = Math.max(2, Math.round(guides.length * (to - from)) + 1)
  return Array.from({ length: count }, (_, k) => {
    const x = (from + ((to - from) * k) / (count - 1)) * (guides.length - 1)
    const i = Math.min(guides.length - 2, Math.floor(x))
    return lines[i]
      .map((p, j) => [p[0] + (lines[i + 1][j][0] - p[0]) * (x - i), p[1] + (lines[i + 1][j][1] - p[1]) * (x - i)])
      .filter((_, j) => j % 6 === 0)
  })
}

/** A state as a picture that stands alone. */
export function picture(region, state, tones, { scale = 1, overlays = false, prefix = 'f', box = null } = {}) {
  const [x, y, w, h] = box ?? region.frame
  const painter = new Painter(region, tones, prefix)
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${Math.round(w * scale)}" height="${Math.round(h * scale)}" viewBox="${x} ${y} ${w} ${h}">` +
    `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="${tones.paper}"/>${painter.state(state, { overlays })}</svg>`
  )
}
