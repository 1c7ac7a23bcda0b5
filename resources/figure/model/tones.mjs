// What the figure is painted with: on linen, in the dark room, in grey, on paper.

/**
 * @typedef {'paper' | 'skin' | 'skinLine' | 'under' | 'bare' | 'shade' | 'line' | 'fibre' | 'light' | 'sheet' | 'sheetLine' | 'sheetFibre'
 *   | 'sheetLight' | 'sinew' | 'fat' | 'cut' | 'bone' | 'boneMiddle' | 'boneDark' | 'boneLine' | 'far' | 'disc' | 'cartilage' | 'discDark'
 * } Tone
 * @typedef {Record<Tone, string> & { tones: string[], ropes: Record<string, [string, string, string]> }} Tones
 */

/** @type {Record<string, Tones>} */
export const TONES = {
  linen: {
    paper: '#f5efe4',
    skin: '#ecdfcb',
    skinLine: '#4a3728',
    under: '#c3a386',
    bare: '#d2bb9b',
    shade: '#6f4b34',
    tones: ['#d3b49a', '#c9a78b', '#bb967a'],
    line: '#7a5640',
    fibre: '#6b4934',
    light: '#f3dfc6',
    sheet: '#efe6d3',
    sheetLine: '#8a6b4d',
    sheetFibre: '#8d6f50',
    sheetLight: '#fbf6ea',
    sinew: '#9a7c5c',
    fat: '#e8d6b6',
    cut: '#ead3b8',
    bone: '#f1e8d6',
    boneMiddle: '#e4d5ba',
    boneDark: '#cdb896',
    boneLine: '#86684a',
    far: '#b79a76',
    disc: '#ddd2bd',
    cartilage: '#e6dcc8',
    discDark: '#a98f6c',
    ropes: { nerve: ['#6d552c', '#e3c98a', '#f6e7bf'], artery: ['#5b3a2a', '#a9795c', '#d8b096'], vein: ['#4d5457', '#949c9e', '#c8cdcc'] },
  },
  dark: {
    paper: '#13100e',
    skin: '#3b3128',
    skinLine: '#b9a389',
    under: '#2b221a',
    bare: '#3a3026',
    shade: '#0d0906',
    tones: ['#75604d', '#665240', '#564434'],
    line: '#1b1511',
    fibre: '#d8c1a5',
    light: '#a88d70',
    sheet: '#85755f',
    sheetLine: '#241c15',
    sheetFibre: '#cdb795',
    sheetLight: '#b7a588',
    sinew: '#d0bb99',
    fat: '#6f614c',
    cut: '#95806a',
    bone: '#b3a48c',
    boneMiddle: '#998a72',
    boneDark: '#776950',
    boneLine: '#231b13',
    far: '#4a3e30',
    disc: '#8d8069',
    cartilage: '#a2957e',
    discDark: '#5b4e3b',
    ropes: { nerve: ['#2b210f', '#d9bd76', '#f6e7bf'], artery: ['#2a1710', '#b9805c', '#e3b996'], vein: ['#1d2326', '#87959b', '#c3d0d4'] },
  },
  grey: {
    paper: '#ffffff',
    skin: '#eeeeee',
    skinLine: '#333333',
    under: '#a9a9a9',
    bare: '#c4c4c4',
    shade: '#3c3c3c',
    tones: ['#bdbdbd', '#b0b0b0', '#a0a0a0'],
    line: '#555555',
    fibre: '#4b4b4b',
    light: '#e6e6e6',
    sheet: '#e6e6e6',
    sheetLine: '#6d6d6d',
    sheetFibre: '#727272',
    sheetLight: '#f8f8f8',
    sinew: '#7f7f7f',
    fat: '#dcdcdc',
    cut: '#d8d8d8',
    bone: '#f0f0f0',
    boneMiddle: '#dcdcdc',
    boneDark: '#bfbfbf',
    boneLine: '#6a6a6a',
    far: '#9c9c9c',
    disc: '#d2d2d2',
    cartilage: '#e2e2e2',
    discDark: '#929292',
    ropes: { nerve: ['#4a4a4a', '#d6d6d6', '#f4f4f4'], artery: ['#333333', '#8a8a8a', '#c4c4c4'], vein: ['#4c4c4c', '#a2a2a2', '#d0d0d0'] },
  },
  // paper: no ground, and lines that a plain printer keeps
  print: {
    paper: '#ffffff',
    skin: '#fbf6ee',
    skinLine: '#2b211a',
    under: '#d8bfa6',
    bare: '#e6d6bf',
    shade: '#7a5a44',
    tones: ['#e3cdb8', '#dac1aa', '#cfb299'],
    line: '#5e412f',
    fibre: '#5e412f',
    light: '#fbeedd',
    sheet: '#f8f3e8',
    sheetLine: '#7a5d42',
    sheetFibre: '#7d6146',
    sheetLight: '#fffdf8',
    sinew: '#8a6d50',
    fat: '#f0e3cb',
    cut: '#f1e0ca',
    bone: '#faf5ea',
    boneMiddle: '#efe5d1',
    boneDark: '#dccbac',
    boneLine: '#6f533a',
    far: '#c9b291',
    disc: '#ebe2d0',
    cartilage: '#f1e9d9',
    discDark: '#b59f7e',
    ropes: { nerve: ['#5c4722', '#e8d29c', '#faf0d4'], artery: ['#4b2f22', '#b3836a', '#e2c4b0'], vein: ['#3f474b', '#9aa4a8', '#d3dadd'] },
  },
}

/** One colour on the way to another. */
export const mixed = (a, b, share) =>
  '#' +
  [1, 3, 5]
    .map((i) =>
      Math.round(parseInt(a.slice(i, i + 2), 16) * (1 - share) + parseInt(b.slice(i, i + 2), 16) * share)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')
