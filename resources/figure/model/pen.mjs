// What a state is painted with: a pen that writes SVG, for papers and files, and one that paints on a canvas, for the screen.
import { polygon } from './spline.mjs'

/**
 * A path is what SVG calls one, or lines of points, which a canvas is told without the detour over words.
 *
 * @typedef {import('./spline.mjs').Point} Point
 * @typedef {string | { line: Point[], shut: boolean }[] | Path2D} Path
 * @typedef {{ shift?: [number, number], evenodd?: boolean, dash?: number[], opacity?: number }} How
 * @typedef {{
 *   fill: (path: Path, colour: string, how?: How) => void,
 *   stroke: (path: Path, colour: string, width: number, how?: How) => void,
 *   lined: (path: Path, colour: string, width: number, how?: How) => void,
 *   dots: (all: [number, number, number, number?][], colour: string, how?: How) => void,
 *   within: (paths: Path[], inner: () => void, evenodd?: boolean) => void,
 *   faint: (opacity: number, inner: () => void) => void,
 *   named: (name: string, inner: () => void) => void
 * }} Pen lined: filled, and its border with it; dots: middle, half width and half height
 */

const round = (n) => Math.round(n * 100) / 100

/** @param {Path} one */
const words = (one) => (typeof one === 'string' ? one : one.map(({ line, shut }) => polygon(line, shut)).join(''))

/** @implements {Pen} */
export class SvgPen {
  /** @param {string} prefix of the names of clips, which are one for a page */
  constructor(prefix = 'f') {
    this.prefix = prefix
    this.clips = 0
    this.text = ''
  }

  how({ shift, opacity = 1 } = {}) {
    return (opacity < 1 ? ` opacity="${round(opacity)}"` : '') + (shift ? ` transform="translate(${shift.map(round).join(' ')})"` : '')
  }

  fill(one, colour, how = {}) {
    const d = words(one)
    if (d) this.text += `<path d="${d}" fill="${colour}"${how.evenodd ? ' fill-rule="evenodd"' : ''}${this.how(how)}/>`
  }

  stroke(one, colour, width, how = {}) {
    const d = words(one)
    const dash = how.dash ? ` stroke-dasharray="${how.dash.join(' ')}"` : ''
    const line = `stroke="${colour}" stroke-width="${round(width)}" stroke-linecap="round" stroke-linejoin="round"`
    if (d) this.text += `<path d="${d}" fill="none" ${line}${dash}${this.how(how)}/>`
  }

  lined(one, colour, width, how = {}) {
    const line = `stroke="${colour}" stroke-width="${round(width)}" stroke-linejoin="round"`
    this.text += `<path d="${words(one)}" fill="${colour}" ${line}${this.how(how)}/>`
  }

  dots(all, colour, how = {}) {
    const dot = ([x, y, rx, ry = rx]) => `<ellipse cx="${round(x)}" cy="${round(y)}" rx="${round(rx)}" ry="${round(ry)}"/>`
    this.text += `<g fill="${colour}"${this.how(how)}>${all.map(dot).join('')}</g>`
  }

  within(paths, inner, evenodd = false) {
    const id = `${this.prefix}${++this.clips}`
    const rule = evenodd ? ' clip-rule="evenodd"' : ''
    this.text += `<clipPath id="${id}">${paths.map((one) => `<path d="${words(one)}"${rule}/>`).join('')}</clipPath>`
    this.text += `<g clip-path="url(#${id})">`
    inner()
    this.text += '</g>'
  }

  faint(opacity, inner) {
    this.text += `<g opacity="${round(opacity)}">`
    inner()
    this.text += '</g>'
  }

  named(name, inner) {
    this.text += `<g data-m="${name}">`
    inner()
    this.text += '</g>'
  }
}

/** @param {Path} one */
function traced(one) {
  if (one instanceof Path2D) return one
  if (typeof one === 'string') return new Path2D(one)
  const path = new Path2D()
  for (const { line, shut } of one) {
    line.forEach(([x, y], i) => (i ? path.lineTo(x, y) : path.moveTo(x, y)))
    if (shut) path.closePath()
  }
  return path
}

/** @implements {Pen} */
export class CanvasPen {
  /** @param {CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D} on its transformation set for the frame of the region */
  constructor(on) {
    this.on = on
    on.lineCap = 'round'
    on.lineJoin = 'round'
  }

  /** Shifted and faint, and then as before. */
  so({ shift, opacity = 1 }, draw) {
    const { on } = this
    const before = on.globalAlpha
    on.globalAlpha = before * opacity
    if (shift) on.translate(...shift)
    draw(on)
    if (shift) on.translate(-shift[0], -shift[1])
    on.globalAlpha = before
  }

  fill(one, colour, how = {}) {
    const path = traced(one)
    this.so(how, (on) => {
      on.fillStyle = colour
      on.fill(path, how.evenodd ? 'evenodd' : 'nonzero')
    })
  }

  stroke(one, colour, width, how = {}) {
    const path = traced(one)
    this.so(how, (on) => {
      on.strokeStyle = colour
      on.lineWidth = width
      on.setLineDash(how.dash ?? [])
      on.stroke(path)
    })
  }

  lined(one, colour, width, how = {}) {
    const path = traced(one)
    this.so(how, (on) => {
      on.fillStyle = on.strokeStyle = colour
      on.lineWidth = width
      on.setLineDash([])
      on.fill(path)
      on.stroke(path)
    })
  }

  dots(all, colour, how = {}) {
    this.so(how, (on) => {
      on.fillStyle = colour
      for (const [x, y, rx, ry = rx] of all) {
        on.beginPath()
        on.ellipse(x, y, rx, ry, 0, 0, 2 * Math.PI)
        on.fill()
      }
    })
  }

  within(paths, inner, evenodd = false) {
    const both = new Path2D()
    for (const one of paths) both.addPath(traced(one))
    this.on.save()
    this.on.clip(both, evenodd ? 'evenodd' : 'nonzero')
    inner()
    this.on.restore()
  }

  /** What is faint as a whole is painted shape by shape: what lies over something of it shows a little of that. */
  faint(opacity, inner) {
    const before = this.on.globalAlpha
    this.on.globalAlpha = before * opacity
    inner()
    this.on.globalAlpha = before
  }

  named(_, inner) {
    inner()
  }
}

/**
 * Keeps what is painted, to be painted again nearer or farther without being modelled again.
 *
 * @implements {Pen}
 */
export class Recording {
  constructor() {
    this.acts = []
  }

  fill(one, ...how) {
    this.acts.push(['fill', traced(one), ...how])
  }

  stroke(one, ...how) {
    this.acts.push(['stroke', traced(one), ...how])
  }

  lined(one, ...how) {
    this.acts.push(['lined', traced(one), ...how])
  }

  dots(...all) {
    this.acts.push(['dots', ...all])
  }

  /** What is painted meanwhile, kept apart. */
  meanwhile(inner) {
    const before = this.acts
    this.acts = []
    inner()
    const acts = this.acts
    this.acts = before
    return acts
  }

  within(paths, inner, evenodd) {
    this.acts.push(['within', paths.map(traced), this.meanwhile(inner), evenodd])
  }

  faint(opacity, inner) {
    this.acts.push(['faint', opacity, this.meanwhile(inner)])
  }

  named(_, inner) {
    inner()
  }

  /** @param {Pen} pen */
  replay(pen, acts = this.acts) {
    for (const [act, first, second, ...rest] of acts)
      if (act === 'within' || act === 'faint') pen[act](first, () => this.replay(pen, second), ...rest)
      else pen[act](first, second, ...rest)
  }
}
