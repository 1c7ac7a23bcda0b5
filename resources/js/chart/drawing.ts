import type { Plate } from './art'
import clothes from './clothes.json'

/** The body as laypeople see it: its outline, a face, and what a shirt and shorts cover, by how the names of zones begin; or left bare. */
export const quietMarkup = (plate: Plate, bare = false): string => {
  const cloth = (name: keyof typeof clothes): string =>
    plate.zones
      .filter((one) => clothes[name].some((begins) => one.id.startsWith(begins)))
      .map((one) => `<path class="cloth ${name}" d="${one.d}"/>`)
      .join('')
  const skins = plate.parts.map((part) => `<path class="skin" d="${part.skin}"/>`)
  const edges = plate.parts.map(
    (part) =>
      `<path class="edge" d="${part.edge}"/>` +
      (part.hairline ? `<path class="hair" d="${part.hairline}"/>` : '') +
      part.lines.map((one) => `<path class="line w${Math.round(one.w * 100)}" d="${one.d}"/>`).join(''),
  )
  return skins.join('') + (bare ? '' : cloth('shirt') + cloth('shorts')) + edges.join('')
}

interface Ink {
  skin: string
  edge: string
}
const linen: Ink = { skin: '#ecdfcb', edge: '#4a3728' }
const room: Ink = { skin: '#3b3128', edge: '#b9a389' }
/** Ink on white paper. */
const print: Ink = { skin: '#ffffff', edge: '#000000' }

const inked = (at: string, ink: Ink): string => `${at} .skin{fill:${ink.skin}}${at} .edge,${at} .hair,${at} .line{stroke:${ink.edge}}`

/** Weights of drawn lines (lids, creases, nails), in hundredths: every twentieth. */
const LINES = Array.from({ length: 20 }, (_, k) => 5 * (k + 1))

/**
 * The style of the clothed body and of the places of any.
 * @param at selector of the figure
 * @param px pixels a unit of the figure is wide: lines grow more slowly than what they draw
 */
export const figureStyle = (at: string, dark: boolean, px: number): string => {
  const k = Math.pow(px, -0.65)
  const w = (n: number): string => (n * k).toFixed(3)
  return (
    inked(at, dark ? room : linen) +
    `${at} .edge,${at} .hair,${at} .line{fill:none;stroke-linecap:round;stroke-linejoin:round}` +
    `${at} .shirt{fill:${dark ? '#5d5a55' : '#d9d3c4'};stroke:${dark ? '#5d5a55' : '#d9d3c4'}}` +
    `${at} .shorts{fill:${dark ? '#4a4c52' : '#b9b6ae'};stroke:${dark ? '#4a4c52' : '#b9b6ae'}}${at} .cloth{stroke-width:1.8}` +
    `${at} .z{fill:transparent}${at} .z:hover{fill:color-mix(in srgb,var(--color-walnut) 8%,transparent)}` +
    `${at} .edge{stroke-width:${w(1.1)}}${at} .hair{stroke-width:${w(0.8)};opacity:.6}${at} .line{opacity:.6}` +
    LINES.map((weight) => `${at} .w${weight}{stroke-width:${w((weight / 100) * 0.9)}}`).join('') +
    `@media print{${inked(at, print)}}`
  )
}
