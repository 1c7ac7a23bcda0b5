import type { Fibres, Plate } from './art'

/**
 * Where skin is drawn over the muscles (face, hand) only those shine through that lie no more than a layer deeper than what is looked at.
 */
export const throughSkin = (layer: number, depth: number): boolean => layer <= depth + 1

/** The still part of a figure as markup: it is drawn once a view and only its style follows theme, layer and nearness. */
export const halfMarkup = (plate: Plate, fibres: Fibres | undefined, id: string, without: readonly string[] = []): string =>
  plate.parts
    .filter((part) => !without.includes(part.id))
    .map((part) => {
      const bone = (one: Plate['parts'][number]['bones'][number], kind: string) => {
        if (!one.w) return `<path class="bone ${kind}" d="${one.d}"/>`
        const edge = one.sheet ? '' : `<path class="rod-edge" d="${one.d}" style="stroke-width:${one.w + 1.1}"/>`
        return `${edge}<path class="rod ${kind}" d="${one.d}" style="stroke-width:${one.w}"/>`
      }
      const under = part.bones.filter((one) => !one.over && !one.keep).map((one) => bone(one, ''))
      const kept = (over: boolean) =>
        part.bones
          .filter((one) => one.keep && !!one.over === over)
          .map((one) => bone(one, one.sheet ? 'sheet' : ''))
          .join('')
      const over = part.bones
        .filter((one) => one.over && !one.keep)
        .map((one) => `<g class="${one.sheet ? 'sheets' : 'over'}">${bone(one, one.sheet ? 'sheet' : '')}</g>`)
      const muscles = part.muscles.map(
        (one) =>
          `<g class="m l${one.layer} t${one.tone}"><path class="b" d="${one.d}"/>` +
          (fibres?.[one.id] ? `<path class="f" d="${fibres[one.id]}"/>` : '') +
          `<path class="c" d="${one.d}"/></g>`,
      )
      return (
        `<clipPath id="${id}-${part.id}"><path d="${part.skin}"/></clipPath>` +
        (part.seen ? `<clipPath id="${id}-${part.id}-seen"><path d="${part.seen}"/></clipPath>` : '') +
        `<path class="skin" d="${part.skin}"/>` +
        `<g clip-path="url(#${id}-${part.id})">` +
        (part.flesh ? `<path class="under" d="${part.flesh}"/>` : '') +
        `<g class="bones">${under.join('')}</g>${kept(false)}` +
        `<g class="${part.soft ? 'soft' : 'flesh'}">${muscles.join('')}</g>` +
        over.join('') +
        kept(true) +
        `<path class="rim" d="${part.edge}"/></g>` +
        `<path class="edge" d="${part.edge}"/>` +
        (part.hairline ? `<path class="hair" d="${part.hairline}"/>` : '') +
        part.lines.map((one) => `<path class="line w${Math.round(one.w * 100)}" d="${one.d}"/>`).join('')
      )
    })
    .join('')

/** What a shirt and shorts cover, by zones. */
const SHIRT = new RegExp(
  '^(shoulder_(top|front|outer|back|blade)|chest_|breastbone|ribs_side|armpit|arm_(front|back|inner|outer)' +
    '|interscapular|mid_back|low_back|flank|abdomen_upper)',
)
const SHORTS = /^(abdomen_lower|groin|hip_outer|sacrum|buttock|sit_bone|thigh_)/
/** The body as laypeople see it: its outline, a face, and clothes. */
export const clothedMarkup = (plate: Plate): string => {
  const cloth = (which: RegExp, name: string): string =>
    plate.zones
      .filter((one) => which.test(one.id))
      .map((one) => `<path class="cloth ${name}" d="${one.d}"/>`)
      .join('')
  const skins = plate.parts.map((part) => `<path class="skin" d="${part.skin}"/>`)
  const edges = plate.parts.map(
    (part) =>
      `<path class="edge" d="${part.edge}"/>` +
      (part.hairline ? `<path class="hair" d="${part.hairline}"/>` : '') +
      part.lines.map((one) => `<path class="line w${Math.round(one.w * 100)}" d="${one.d}"/>`).join(''),
  )
  return skins.join('') + cloth(SHIRT, 'shirt') + cloth(SHORTS, 'shorts') + edges.join('')
}

interface Ink {
  skin: string
  under: string
  tones: [string, string, string, string]
  line: string
  fibre: string
  fibreO: number
  edge: string
  bone: string
}
const linen: Ink = {
  skin: '#ecdfcb',
  under: '#c3a386',
  tones: ['#d3b49a', '#c9a78b', '#bb967a', '#efe6d3'],
  line: '#7a5640',
  fibre: '#6b4934',
  fibreO: 0.5,
  edge: '#4a3728',
  bone: '#f1e8d6',
}
const room: Ink = {
  skin: '#3b3128',
  under: '#2b221a',
  tones: ['#66503f', '#5a4637', '#4a392d', '#6d604f'],
  line: '#1b1511',
  fibre: '#d8c1a5',
  fibreO: 0.33,
  edge: '#b9a389',
  bone: '#8d7f6c',
}
/** Ink on white paper: no ground, greys far apart enough for any printer. */
const print: Ink = {
  skin: '#ffffff',
  under: '#d9d9d9',
  tones: ['#f2f2f2', '#e6e6e6', '#d9d9d9', '#ffffff'],
  line: '#555555',
  fibre: '#777777',
  fibreO: 0.55,
  edge: '#000000',
  bone: '#ffffff',
}

const inked = (at: string, ink: Ink): string =>
  `${at} .skin{fill:${ink.skin}}${at} .under{fill:${ink.under}}` +
  ink.tones.map((tone, k) => `${at} .t${k} .b{fill:${tone}}`).join('') +
  `${at} .sheet{fill:${ink.tones[3]}}${at} .rod.sheet{fill:none;stroke:${ink.tones[3]}}` +
  `${at} .f{stroke:${ink.fibre};opacity:${ink.fibreO}}${at} .c{stroke:${ink.line}}` +
  `${at} .bone{fill:${ink.bone};stroke:${ink.line}}${at} .rod{stroke:${ink.bone}}${at} .rod-edge{stroke:${ink.line}}` +
  `${at} .rim{stroke:${ink.skin}}${at} .edge,${at} .hair,${at} .line{stroke:${ink.edge}}`

/** Weights of drawn lines (lids, creases, nails), in hundredths: every twentieth. */
const LINES = Array.from({ length: 20 }, (_, k) => 5 * (k + 1))

/**
 * The style of the still part.
 * @param at selector of the figure
 * @param px pixels a unit of the figure is wide: lines grow more slowly than what they draw
 */
export const figureStyle = (at: string, dark: boolean, depth: number, px: number): string => {
  const k = Math.pow(px, -0.65)
  const w = (n: number): string => (n * k).toFixed(3)
  const above = [1, 2, 3].filter((layer) => layer < depth)
  return (
    inked(at, dark ? room : linen) +
    `${at} .f,${at} .c,${at} .rod,${at} .rod-edge,${at} .rim,${at} .edge,${at} .hair,${at} .line{fill:none;stroke-linecap:round;stroke-linejoin:round}` +
    `${at} .shirt{fill:${dark ? '#5d5a55' : '#d9d3c4'};stroke:${dark ? '#5d5a55' : '#d9d3c4'}}` +
    `${at} .shorts{fill:${dark ? '#4a4c52' : '#b9b6ae'};stroke:${dark ? '#4a4c52' : '#b9b6ae'}}${at} .cloth{stroke-width:1.8}` +
    `${at} .z{fill:transparent}${at} .z:hover{fill:color-mix(in srgb,var(--color-walnut) 8%,transparent)}` +
    `${at} .c{stroke-width:${w(0.6)}}${at} .f{stroke-width:${w(0.34)}}` +
    `${at} .bone{stroke-width:${w(0.5)}}${at} .rim{stroke-width:${Math.min(5, 4.4 * Math.pow(px, -0.4)).toFixed(2)}}` +
    `${at} .edge{stroke-width:${w(1.1)}}${at} .hair{stroke-width:${w(0.8)};opacity:.6}${at} .line{opacity:.6}` +
    LINES.map((weight) => `${at} .w${weight}{stroke-width:${w((weight / 100) * 0.9)}}`).join('') +
    `${at} .soft .m{opacity:${depth > 1 ? 0.95 : 0.6}}` +
    [3, 4]
      .filter((layer) => !throughSkin(layer, depth))
      .map((layer) => `${at} .soft .l${layer}{display:none}`)
      .join('') +
    (depth === 1 ? `${at} .bones{display:none}` : `${at} .sheets{display:none}`) +
    (depth >= 3 ? `${at} .over{display:none}` : '') +
    // what lies over the layer in front stays as a trace of its edge
    above.map((layer) => `${at} .l${layer} .b,${at} .l${layer} .f{display:none}${at} .l${layer} .c{opacity:.2}`).join('') +
    (px < 0.38 ? `${at} .f{display:none}` : '') +
    `@media print{${inked(at, print)}}`
  )
}
export const highlight = (dark: boolean) =>
  dark
    ? { fill: '#b08c5a', line: 'var(--color-room-weld)', fibre: room.fibre }
    : { fill: 'var(--color-weld-wash)', line: 'var(--color-walnut)', fibre: linen.fibre }
