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
  path,
  resample,
  rounded,
  seeded,
  segmentsOf,
  shade,
} from './spline.mjs'
import { modelled } from './muscle.mjs'
import { SvgPen } from './pen.mjs'
import { mixed } from './tones.mjs'

/**
 * @typedef {import('./spline.mjs').Point} Point
 * @typedef {import('./tones.mjs').Tones} Tones
 * @typedef {{ of?: string, bones?: 'all' | string[], from?: number, to?: number, cut?: string, pale?: boolean, only?: number[],
 *   clip?: Point[], edge?: Point[], breadth?: [number, number], mark?: string, shadow?: string, ghost?: string, overlays?: boolean,
 *   inside?: string, outside?: string, opacity?: number }} Layer
 */

const round = (n) => Math.round(n * 100) / 100

/** A closed line, as a path. @param {Point[]} line */
const ring = (line) => [{ line, shut: true }]
/** @param {Point[][]} all */
const strokes = (all) => all.map((line) => ({ line, shut: false }))

/** A band along a ring, closed or a stretch of it. @param {[Point, Point][]} pairs its outer and its inner points */
const band = (pairs, shut) => {
  const [outer, inner] = [pairs.map(([one]) => one), pairs.map(([, one]) => one).reverse()]
  return shut ? [...ring(outer), ...ring(inner)] : ring([...outer, ...inner])
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
  return stretches.filter((stretch) => stretch.length > 2).flatMap((stretch) => band(stretch, false))
}

export class Painter {
  /**
   * @param {object} region
   * @param {Tones} tones
   * @param {import('./pen.mjs').Pen} pen
   * @param {{ other?: boolean }} half of a region that draws one side only: the other side
   */
  constructor(region, tones, pen, { other = false } = {}) {
    this.region = region
    this.t = tones
    this.pen = pen
    this.axis = axisOf(region)
    this.own = region.midline === undefined && other
    this.strands = new Map(region.muscles.map((m) => [m.id, m]))
    this.bones = new Map(region.bones.map((b) => [b.id, b]))
    this.skin = region.skin.map((d) => this.turned(d, this.own))
    this.fine = true
  }

  /** A path, or the outline of the skin by its name. */
  outlined(d) {
    return /^skin\.\d$/.test(d) ? this.skin[Number(d[5])] : this.turned(d, this.own)
  }

  /** Every point on this half, or on the other: the picture is mirrored, the light is not. @param {boolean} other */
  half(other) {
    const { axis } = this
    return other ? ([x, y, c]) => (c ? [2 * axis - x, y, c] : [2 * axis - x, y]) : (p) => p
  }

  mirroredPath(d, other) {
    return other ? segmentsOf(d).map((s) => s.map(this.half(true))) : segmentsOf(d)
  }

  /** A path as it is stored, on this half or on the other. */
  turned(d, other) {
    return other ? path(this.mirroredPath(d, true), /Z$/.test(d)) : d
  }

  within(d, inner, evenodd = false) {
    this.pen.within([d], inner, evenodd)
  }

  /** @param {Point[]} outline */
  shadow(outline, strength = 1) {
    if (strength === 0) return
    for (const [width, opacity] of [
      [4.6, 0.07],
      [2.6, 0.09],
      [0.8, 0.14],
    ])
      this.pen.lined(ring(outline), this.t.shade, width, { shift: [1.6, 2.2], opacity: round(opacity * strength) })
  }

  bone(bone, other) {
    const { t, pen } = this
    const segments = this.mirroredPath(bone.d, other)
    const d = path(segments, true)
    const outline = rounded(flat(segments, 8), 1.6, 1)
    const depth = bone.depth ?? 3
    const line = (one) => this.turned(one, other)
    const ground = bone.ground ? this.tone(bone.ground) : ({ disc: t.disc, cartilage: t.cartilage }[bone.kind] ?? t.bone)
    const away = bone.far ? Math.min(0.55, 0.34 * bone.far) : 0
    const [base, middle, dark] = [
      ground,
      ground === t.bone ? t.boneMiddle : mixed(ground, t.discDark, 0.3),
      ground === t.bone ? t.boneDark : mixed(ground, t.discDark, 0.55),
    ].map((colour) => mixed(colour, t.far, away))
    if (bone.patch) {
      pen.fill(d, base)
      for (const one of bone.detail ?? []) {
        pen.stroke(line(one), t.shade, 3, { opacity: 0.16, shift: [1.6, 1.8] })
        pen.stroke(line(one), t.boneLine, 1)
      }
      return
    }
    this.shadow(outline, bone.far ? 0.6 : 1)
    this.within(d, () => {
      pen.fill(d, dark)
      if (depth >= 9)
        // a skull is round all over: many small steps
        for (let k = 0; k < 7; k++)
          pen.fill(d, k < 3 ? mixed(dark, middle, (k + 1) / 3) : mixed(middle, base, (k - 2) / 4), {
            shift: [-1.6 - k * k * 0.62, -1.8 - k * k * 0.66],
          })
      else {
        pen.fill(d, middle, { shift: [-depth * 0.42, -depth * 0.5] })
        pen.fill(d, base, { shift: [-depth, -depth * 1.15] })
      }
      for (const one of bone.soft ?? []) {
        pen.fill(line(one), middle, { opacity: 0.5 })
        pen.stroke(line(one), middle, 6, { opacity: 0.3 })
      }
      for (const one of bone.dark ?? []) {
        pen.fill(line(one), mixed(t.boneDark, t.shade, 0.35))
        pen.stroke(line(one), t.boneLine, 0.7)
      }
      for (const one of [...(bone.open ?? []), ...(bone.window ?? [])]) {
        const hole = line(one)
        this.hole(hole, mixed(t.under, t.shade, 0.42), mixed(t.under, t.shade, 0.16), [3.4, 4])
        pen.stroke(hole, t.boneLine, 0.9)
      }
      for (const [x, y, rx, ry] of bone.bumps ?? [])
        for (const [cx, cy] of this.both(bone, [x, y], other)) {
          pen.dots([[cx + 1.4, cy + 1.8, rx, ry]], dark, { opacity: 0.8 })
          pen.dots([[cx, cy, rx, ry]], base)
        }
      for (const one of bone.detail ?? []) {
        pen.stroke(line(one), dark, 2.8, { opacity: 0.55, shift: [0.9, 1.1] })
        pen.stroke(line(one), t.boneLine, 0.7, { opacity: 0.75 })
      }
      for (const one of bone.fine ?? []) pen.stroke(line(one), t.boneLine, 0.6, { opacity: 0.42, dash: [7, 3] })
      this.hatch(bone, other)
      this.mark(bone.marks ?? [], other)
      for (const hole of bone.holes ?? []) {
        if (typeof hole === 'string') {
          this.hole(line(hole), mixed(t.boneDark, t.shade, 0.55), mixed(t.boneDark, t.shade, 0.28), [3, 4])
          pen.stroke(line(hole), t.boneLine, 0.8)
          continue
        }
        for (const [cx, cy] of this.both(bone, hole, other)) {
          pen.dots([[cx, cy, hole[2] + 0.35, hole[3] + 0.35]], t.boneLine)
          pen.dots([[cx, cy, hole[2] - 0.35, hole[3] - 0.35]], mixed(t.boneDark, t.shade, 0.35))
        }
      }
    })
    pen.fill(ink(outline, 0.55, 0.85), t.boneLine, { opacity: bone.far ? 0.7 : 1 })
    if (bone.cut) this.sawn(flat(this.mirroredPath(bone.cut, other), 6))
  }

  /** A hole in bone, lighter where the light falls in. */
  hole(d, dark, light, shift) {
    this.within(d, () => {
      this.pen.fill(d, dark)
      this.pen.fill(d, light, { shift })
    })
  }

  /** A place of a bone, and its mirror where the bone lies on the midline. */
  both(bone, [x, y], other) {
    return bone.midline ? [this.half(false)([x, y]), this.half(true)([x, y])] : [this.half(other)([x, y])]
  }

  /** Four to eight hairlines in a hollow do more than another tone. */
  hatch(bone, other) {
    const lines = []
    for (const [a, b, count] of bone.hatch ?? []) {
      const [from, to] = [a, b].map((line) => resample(flat(open(line)), 16))
      const chance = seeded(bone.id + JSON.stringify(a))
      for (let k = 0; k < count; k++) {
        const share = count > 1 ? k / (count - 1) : 0
        const [first, last] = [Math.floor(chance() * 3), 16 - Math.floor(chance() * 4)]
        for (const mirror of bone.midline ? [false, true] : [other])
          lines.push(
            from
              .slice(first, last + 1)
              .map((p, i) => this.half(mirror)([p[0] + (to[first + i][0] - p[0]) * share, p[1] + (to[first + i][1] - p[1]) * share])),
          )
      }
    }
    if (lines.length) this.pen.stroke(strokes(lines), this.t.boneLine, 0.45, { opacity: 0.42 })
  }

  /** Where a bone is sawn through: spongy. */
  sawn(outline) {
    const border = rounded(outline, 1.2, 1)
    const chance = seeded(`sawn${border[0]}`)
    const middle = [0, 1].map((k) => border.reduce((sum, p) => sum + p[k], 0) / border.length)
    const dots = Array.from({ length: 9 }, () => {
      const [p, share] = [border[Math.floor(chance() * border.length)], 0.2 + chance() * 0.5]
      return [middle[0] + (p[0] - middle[0]) * share, middle[1] + (p[1] - middle[1]) * share, 0.5 + chance() * 0.5]
    })
    this.pen.fill(ring(border), mixed(this.t.cut, this.t.bone, 0.3))
    this.pen.dots(dots, this.t.boneDark)
    this.pen.fill(ink(border, 0.5, 0.7), this.t.line, { opacity: 0.9 })
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
    if (muscle.teeth) {
      this.intersection(muscle, other)
      return
    }
    const parts = () =>
      (muscle.parts ?? []).forEach((part, i) => {
        if (!layer.only || layer.only.includes(i)) this.part(muscle, part, i, other, layer)
      })
    if (!layer.clip) {
      parts()
      return
    }
    this.within(ring(layer.clip.map(this.half(other))), parts)
    if (!layer.edge) return
    const edge = path(open(layer.edge.map(this.half(other))))
    this.pen.stroke(edge, this.t.shade, 5, { opacity: 0.14, shift: [2, 1.5] })
    this.pen.stroke(edge, this.t.shade, 2.6, { opacity: 0.16, shift: [1.2, 1] })
    this.pen.stroke(edge, this.t.line, 1.1)
  }

  part(muscle, part, index, other, layer) {
    const { t, pen } = this
    const kind = part.kind ?? muscle.kind
    const pale = layer.pale ?? false
    const isSheet = kind !== undefined
    const shape = this.model(muscle, part, index, other, layer)
    const colour = this.colour(muscle, part, pale)
    const opacity = muscle.opacity ?? 1
    const strips = kind === 'ligament' || kind === 'tendon' ? 0.07 : isSheet ? 0.045 : pale ? 0.05 : 0.085
    const cast = (layer.cut === 'seam' ? 0 : (muscle.shadow ?? 1)) * (opacity < 1 ? 0.6 : 1)
    const lineColour = isSheet ? t.sheetLine : t.line
    const [thin, heavy] = isSheet ? [0.4, 0.6] : [0.5, 0.95]

    this.shadow(this.casting(shape, part, muscle), cast)
    this.within(ring(shape.ring), () => {
      pen.fill(ring(shape.ring), colour, { opacity })
      if (kind !== 'tendon' && kind !== 'fat')
        for (const one of shape.tendons) pen.fill(ring(one), pale ? mixed(t.sheet, colour, 0.25) : t.sheet, { opacity: 0.92 })
      for (const one of shape.crown) pen.fill(ring(one), isSheet ? t.sheetLight : t.light, { opacity: isSheet ? 0.22 : 0.13 })
      for (const one of shape.dark) pen.fill(ring(one), t.shade, { opacity: strips })
      if (muscle.mark) this.mark(this.region.marks[muscle.mark], other)
      if (muscle.concave) this.hollowed(shape)
      if (this.fine) this.pull(muscle, shape, other, isSheet, pale)
    })
    if ((muscle.line ?? 1) !== 0)
      pen.fill(this.outline(muscle, part, shape, other, layer, thin, heavy), lineColour, { opacity: muscle.line ?? 1 })
    this.fringes(muscle, part, other, colour, pale)
    if (layer.cut === 'end' || layer.cut === 'both') this.face(muscle, index, shape, shape.steps, isSheet)
    if (layer.cut === 'start' || layer.cut === 'both') this.face(muscle, index, shape, 0, isSheet)
  }

  colour(muscle, part, pale) {
    const { t } = this
    const kind = part.kind ?? muscle.kind
    let colour =
      kind === undefined
        ? t.tones[part.tone ?? muscle.tone ?? 0]
        : ({ ligament: mixed(t.sheet, t.boneDark, 0.18), fat: t.fat }[kind] ?? mixed(t.sheet, t.tones[1], part.tint ?? muscle.tint ?? 0))
    if (muscle.dim) colour = mixed(colour, t.shade, muscle.dim)
    if (muscle.hollow) colour = mixed(t.under, t.shade, 0.3)
    return pale && kind === undefined ? mixed(colour, t.sheet, 0.42) : colour
  }

  /** The lines of its pull: fibres, sinews, what crosses them. */
  pull(muscle, shape, other, isSheet, pale) {
    const { t, pen } = this
    if (shape.sinews.length) pen.stroke(strokes(shape.sinews), t.sinew, 0.45, { opacity: 0.45 })
    if (shape.light.length && !isSheet) pen.stroke(strokes(shape.light), t.light, 0.7, { opacity: 0.45 })
    if (shape.fibres.length)
      pen.stroke(strokes(shape.fibres), isSheet ? t.sheetFibre : t.fibre, 0.5, { opacity: isSheet ? 0.38 : pale ? 0.36 : 0.52 })
    if (shape.heavy.length) pen.stroke(strokes(shape.heavy), t.fibre, 1, { opacity: pale ? 0.35 : 0.55 })
    const along = (one) => path(open(one.map(this.half(other))))
    for (const one of muscle.cross ?? []) pen.stroke(along(one), t.sheetFibre, 0.45, { opacity: 0.32 })
    for (const one of muscle.marks ?? []) {
      pen.stroke(along(one), t.shade, 3.4, { opacity: 0.1 })
      pen.stroke(along(one), t.sheetFibre, 0.7, { opacity: 0.6 })
    }
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
    const steps = Array.from({ length: shape.steps + 1 }, (_, i) => i)
    const line = (share) => steps.map((i) => shape.at(share * swell(i), i))
    for (const [near, far] of [
      [0, 0.8],
      [0, 0.66],
      [0, 0.53],
      [0, 0.41],
      [0, 0.3],
      [0, 0.2],
      [0, 0.11],
      [0.12, 0.62],
      [0.2, 0.5],
    ])
      this.pen.fill(ring([...line(near), ...line(far).reverse()]), this.t.shade, { opacity: 0.075 })
  }

  /** Teeth of a sheet into the muscle beside it, in the direction of its fibres. */
  fringes(muscle, part, other, colour, pale) {
    if (pale) return
    const turn = this.half(other)
    for (const [along, size, way, from = 0, to = 1] of muscle.fringes ?? []) {
      const line = Array.isArray(along) ? along : along === 's' ? part.guides.map((guide) => guide[0]) : part.guides[along]
      if (!line) continue
      const chance = seeded(`${muscle.id}f`)
      const whole = flat(open(line, catmullRom))
      const long = whole.slice(1).reduce((sum, p, i) => sum + distance(p, whole[i]), 0)
      const count = Math.max(24, Math.round(long / 1.1))
      const points = resample(whole, count)
      // in the side and down: on the left half of a picture from behind, "outward" is to the left
      const sense = this.region.map?.side ?? 1
      const teeth = []
      let run = 0
      for (let i = Math.round(from * count) + 2; i < to * count - 2; i++) {
        run += distance(points[i], points[i - 1])
        if (run < 2.1) continue
        run = 0
        const [p, share, long0] = [points[i], i / count, size * (0.5 + chance() * 0.8)]
        const [dx, dy] = way.length === 4 ? [way[0] + (way[2] - way[0]) * share, way[1] + (way[3] - way[1]) * share] : way
        teeth.push([turn(points[i - 2]), turn([p[0] + sense * dx * long0, p[1] + dy * long0]), turn(points[i + 2])])
      }
      this.pen.fill(teeth.flatMap(ring), colour, { opacity: 0.95 })
    }
  }

  /** A tendinous intersection: a pale band with teeth on both sides, across a belly. */
  intersection(muscle, other) {
    const { t, pen } = this
    const chance = seeded(muscle.id)
    const turn = this.half(other)
    for (const { line, n, height } of muscle.teeth) {
      const middle = resample(flat(open(line)), n)
      const [upper, lower] = [[], []]
      middle.forEach(([x, y], i) => {
        const tall = height * (0.35 + 0.65 * Math.sin((Math.PI * i) / n))
        const tooth = () => (i % 2 ? 0.45 + chance() * 0.25 : 0.9 + chance() * 0.5)
        upper.push([x, y - tall * tooth()])
        lower.push([x, y + tall * tooth()])
      })
      const fibres = middle.slice(1, -1).map(([x, y]) => [turn([x, y - height * 0.6]), turn([x + 0.4, y + height * 0.6])])
      pen.fill(ring([...upper, ...lower.reverse()].map(turn)), t.sheet, { opacity: 0.72 })
      pen.stroke(strokes(fibres), t.sinew, 0.45, { opacity: 0.5 })
    }
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
    const lens = rounded([...near, ...far.reverse()], 1.4, 2)
    const count = Math.max(2, Math.round(shape.widths[step] / 3.4))
    const dots = []
    for (let k = 1; k < count; k++) {
      const [p, way] = out((k + (chance() - 0.5) * 0.6) / count)
      const off = (chance() - 0.45) * thick * 0.8
      dots.push([p[0] + way[0] * off, p[1] + way[1] * off, 0.5 + chance() * 0.5])
    }
    this.shadow(lens)
    this.pen.fill(ring(lens), mixed(t.cut, t.sheet, 0.25))
    this.pen.fill(ink(lens, 0.5, 0.7), t.line, { opacity: 0.9 })
    if (!isSheet) this.pen.dots(dots, t.tones[2], { opacity: 0.8 })
  }

  /** A nerve or a vessel; faint where it runs under something. */
  rope({ pts, width, under, kind }, overlay, other) {
    const { t, pen } = this
    const [dark, middle, light] = t.ropes[kind ?? overlay.kind] ?? t.ropes.nerve
    const d = path(open(pts.map(this.half(other))))
    if (under) {
      pen.stroke(d, dark, width + 1, { opacity: 0.28 })
      pen.stroke(d, middle, Math.max(0.6, width - 0.4), { opacity: 0.5 })
      return
    }
    pen.stroke(d, t.shade, width + 3, { opacity: 0.14, shift: [1.4, 1.8] })
    pen.stroke(d, dark, width + 1.3)
    pen.stroke(d, middle, width)
    pen.stroke(d, light, width * 0.28, { opacity: 0.8, shift: [-width * 0.2, -width * 0.1] })
  }

  /** A muscle round an opening: its fibres run round with it. */
  ring(muscle, other) {
    const { pen } = this
    const { outer, inner, lines } = muscle.ring
    const colour = this.t.tones[muscle.tone ?? 0]
    const [out, into] = [outer, inner].map((line) => resample(flat(closed(line.map(this.half(other))), 14), 90))
    const round = Array.from({ length: lines - 1 }, (_, k) =>
      out.map((p, i) => [p[0] + ((into[i][0] - p[0]) * (k + 1)) / lines, p[1] + ((into[i][1] - p[1]) * (k + 1)) / lines]),
    )
    pen.fill(ring(into), colour, { opacity: 0.8 })
    pen.fill([...ring(out), ...ring(into)], colour, { evenodd: true })
    pen.stroke([...ring(out), ...ring(into)], this.t.line, 0.7)
    pen.stroke(round.flatMap(ring), this.t.fibre, 0.5, { opacity: 0.4 })
  }

  /** A colour by its name. @param {string} name */
  tone(name) {
    return name.split('.').reduce((tones, key) => tones[key], this.t)
  }

  /** A pad of fat: small lobes under a thin cover. */
  pad(outline, other) {
    const { t, pen } = this
    const segments = this.mirroredPath(outline, other)
    const [d, border] = [path(segments, true), rounded(flat(segments, 8), 1.8, 1)]
    const chance = seeded(outline)
    const [xs, ys] = [0, 1].map((k) => border.map((p) => p[k]))
    let lobes = ''
    for (let y = Math.min(...ys); y < Math.max(...ys); y += 6)
      for (let x = Math.min(...xs) + (Math.round(y / 6) % 2 ? 3.5 : 0); x < Math.max(...xs); x += 7) {
        const [cx, cy] = [x + (chance() - 0.5) * 2.4, y + (chance() - 0.5) * 2.4]
        const size = 2.6 + chance() * 1.2
        if (isInside([cx, cy], border))
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
    pen.fill(d, t.bare)
    this.within(d, () => {
      pen.fill(d, t.fat, { shift: [-3, -3.6] })
      pen.fill(d, t.light, { opacity: 0.7, shift: [-9, -11] })
      pen.stroke(lobes, t.sinew, 0.55, { opacity: 0.25 })
    })
    pen.fill(ink(border, 0.4, 0.6), t.sheetLine)
  }

  /** What is no muscle and no bone: nails, folds, fat, glands, the lines of a face. */
  mark(shapes, other) {
    const { pen } = this
    const drawn = (d) => (/^skin/.test(d) ? this.outlined(d) : this.turned(d, other))
    for (const { pad, d: named, fill: inside, stroke: line, width, opacity = 1, shift, clip, in: inner, dash, evenodd } of shapes) {
      if (pad) this.pad(pad, other)
      else if (inner) this.within(drawn(clip), () => this.mark(inner, other))
      else {
        const how = { opacity, shift, evenodd }
        if (inside) pen.fill(drawn(named), this.tone(inside), how)
        if (line) pen.stroke(drawn(named), this.tone(line), width, { ...how, dash: dash?.split(' ').map(Number) })
      }
    }
  }

  /** Which halves of it are to be seen here. */
  halves(one) {
    if (this.region.midline === undefined) return [this.own]
    return one.midline ? [false] : [true, false]
  }

  /** @param {Layer} layer */
  layer(layer) {
    const { inside, outside, opacity } = layer
    const [x, y, w, h] = this.region.frame
    const drawn = () => {
      if (inside) this.within(this.outlined(inside), () => this.bare(layer))
      else if (outside)
        this.within(`M${x - w} ${y - h}H${x + 2 * w}V${y + 2 * h}H${x - w}Z${this.turned(outside, this.own)}`, () => this.bare(layer), true)
      else this.bare(layer)
    }
    if (opacity === undefined) drawn()
    else this.pen.faint(opacity, drawn)
  }

  bare(layer) {
    if (layer.bones !== undefined) {
      const drawn = () => {
        for (const id of layer.bones === 'all' ? [...this.bones.keys()] : layer.bones)
          for (const other of this.halves(this.bones.get(id)))
            this.pen.named(`bone.${id}${other ? ':other' : ''}`, () => this.bone(this.bones.get(id), other))
      }
      if (layer.clip) this.within(ring(layer.clip.map(this.half(this.own))), drawn)
      else drawn()
    } else if (layer.shadow) {
      const muscle = this.strands.get(layer.shadow)
      for (const other of this.halves(muscle)) muscle.parts.forEach((part, i) => this.shadow(this.model(muscle, part, i, other).ring))
    } else if (layer.ghost) {
      const line = this.region.lines[layer.ghost].pts.map(this.half(this.own))
      this.pen.stroke(path(open(line)), this.t.skinLine, 1.1, { opacity: 0.62, dash: [4, 4.5] })
    } else if (layer.mark !== undefined) this.mark(this.region.marks[layer.mark], this.own)
    else if (layer.of !== undefined) {
      const muscle = this.strands.get(layer.of)
      for (const other of this.halves(muscle))
        this.pen.named(`${muscle.id}${other ? ':other' : ''}`, () => {
          if (muscle.ring) this.ring(muscle, other)
          else this.muscle(muscle, other, layer)
        })
    }
  }

  /**
   * @param {string} id
   * @param {{ overlays?: boolean, fine?: boolean, joined?: boolean }} show fine: with the lines of the pull; joined: as a part of the whole
   *   body, where nothing is laid beside it
   */
  state(id, show = {}) {
    const { region, t, pen } = this
    this.fine = show.fine ?? true
    const state = region.states.find((one) => one.id === id)
    const waiting = show.overlays ? this.overlays(state) : []
    const stack = () => {
      for (const one of state.stack) {
        const layer = typeof one === 'string' ? { of: one } : one
        for (const overlay of waiting.filter(({ under }) => under?.includes(layer.of))) {
          waiting.splice(waiting.indexOf(overlay), 1)
          this.ropes(overlay)
        }
        this.layer(layer)
      }
      for (const overlay of waiting) this.ropes(overlay)
    }
    if (state.bare) {
      stack()
      return
    }
    const under = state.under ? t.bare : t.under
    for (const d of this.skin) pen.stroke(d, t.skinLine, 2.6)
    for (const d of this.skin) pen.fill(d, t.skin)
    pen.within(this.skin, () => {
      // the ground is darker below and to the right, as if the body were round
      for (let k = 0; k < 6; k++)
        for (const d of this.skin) pen.fill(d, mixed(under, t.shade, 0.17 * (1 - k / 5)), { shift: [-k * 3.2, -k * 2] })
      stack()
      if (this.skin.length === 1) pen.stroke(this.skin[0], t.skin, 6)
    })
    for (const one of state.over ?? []) this.layer(one)
    if (!show.joined) for (const bone of state.outside ?? []) this.bone(this.bones.get(bone), this.own)
  }

  /** Nerves and vessels of a state. */
  overlays(state) {
    return (this.region.overlays ?? []).filter(
      (overlay) => !overlay.state || overlay.state === state.id || (state.overlays ?? []).includes(overlay.id),
    )
  }

  /** Nerves lie nearer to the eye than the vessels beside them. */
  ropes(overlay) {
    const isNerve = (line) => (line.kind ?? overlay.kind) === 'nerve'
    const ordered = [...overlay.lines.filter((line) => !isNerve(line)), ...overlay.lines.filter(isNerve)]
    for (const other of this.halves({})) for (const line of ordered) this.rope(line, overlay, other)
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

/**
 * The window on a region: about its midline both halves, apart.
 *
 * @returns {[number, number, number, number]} left, top, width and height
 */
export function boxOf({ frame, midline }) {
  const [x, y, w, h] = frame
  if (midline === undefined) return frame
  const half = Math.max(midline - x, x + w - midline)
  return [midline - half, y, 2 * half, h]
}

/** What the other side of a region is its mirror about: what draws one side only lies in the same window then. */
export const axisOf = ({ frame, midline }) => midline ?? frame[0] + frame[2] / 2

/** A state as a picture that stands alone. */
export function picture(region, state, tones, { scale = 1, overlays = false, prefix = 'f', box = null } = {}) {
  const [x, y, w, h] = box ?? region.frame
  const pen = new SvgPen(prefix)
  new Painter(region, tones, pen).state(state, { overlays })
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${Math.round(w * scale)}" height="${Math.round(h * scale)}" viewBox="${x} ${y} ${w} ${h}">` +
    `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="${tones.paper}"/>${pen.text}</svg>`
  )
}
