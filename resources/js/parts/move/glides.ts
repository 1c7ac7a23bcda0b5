/**
 * One glide or spring on a drawing: where its arrow begins and which way it points, as seen on the client's left; the right is its mirror.
 */
export interface GlideSpot {
  kind: 'range' | 'test'
  id: string
  word: string
  x: number
  y: number
  /** the way it is moved, in parts of the drawing: x grows toward the midline, y downward */
  to: [number, number]
}
export interface GlidePicture {
  /** what is drawn, for who cannot see it */
  name: string
  /** lines of the bones, in a field from -60 to 60 each way; the midline of the body lies to the right */
  faint: string
  lines: string
  /** what is moved */
  part: string
  spots: GlideSpot[]
}

const rib = (k: number): string =>
  `M52 ${-26 + k * 12}C${10 - k * 3} ${-32 + k * 12} ${-30 - k * 3} ${-22 + k * 12} ${-34 - k * 2} ${2 + k * 11}`

const pictures: GlidePicture[] = [
  {
    name: 'The knee from in front',
    faint: 'M-15-60L-17-36Q-31-26-29-10Q-25 2-9 0Q0-5 9 0Q25 2 29-10Q31-26 17-36L15-60M-31 22Q-37 26-32 36L-29 60M-23 32L-25 60',
    lines: 'M-28 10Q0 3 28 10Q30 22 17 30L13 60M-28 10Q-30 22-17 30L-13 60M-5 26Q0 32 5 26',
    part: 'M0-21Q17-21 15-6Q11 9 0 15Q-11 9-15-6Q-17-21 0-21Z',
    spots: [
      { kind: 'range', id: 'patella.glide_up', word: 'up', x: 0, y: -24, to: [0, -1] },
      { kind: 'range', id: 'patella.glide_down', word: 'down', x: 0, y: 18, to: [0, 1] },
      { kind: 'range', id: 'patella.glide_in', word: 'in', x: 18, y: -4, to: [1, 0] },
      { kind: 'range', id: 'patella.glide_out', word: 'out', x: -18, y: -4, to: [-1, 0] },
    ],
  },
  {
    name: 'The shoulder blade from behind',
    faint: `${[0, 1, 2, 3, 4].map(rib).join('')}M56-60V60`,
    lines: 'M20-17L-32-32Q-40-35-42-30Q-41-24-34-25L-26-22Q-31-16-27-11',
    part: 'M12-36Q22-30 21-16Q20 8 9 40Q4 47 0 39Q-8 12-24-12Q-30-20-22-26Q-6-32 12-36Z',
    spots: [
      { kind: 'range', id: 'scapula.elevation', word: 'up', x: 0, y: -33, to: [0, -1] },
      { kind: 'range', id: 'scapula.depression', word: 'down', x: 2, y: 38, to: [0, 1] },
      { kind: 'range', id: 'scapula.adduction', word: 'in', x: 24, y: 0, to: [1, 0] },
      { kind: 'range', id: 'scapula.abduction', word: 'out', x: -24, y: 2, to: [-1, 0] },
    ],
  },
  {
    name: 'The ribs of one side',
    faint: `${[1, 2, 3, 4].map(rib).join('')}M52-44V44`,
    lines: 'M54-46Q20-38-2-48Q-26-56-44-48',
    part: `M52-36Q22-44 6-34Q0-29 6-26M52 34C-5 28-45 34-46 57`,
    spots: [
      { kind: 'test', id: 'first_rib_spring', word: 'first rib', x: 12, y: -32, to: [0.2, 1] },
      { kind: 'test', id: 'rib_movement', word: 'low ribs', x: -38, y: 30, to: [-1, 0] },
    ],
  },
]

/** The drawing on which that measure is one arrow; null where there is none. */
export const glidesOf = (kind: string, id: string): GlidePicture | null =>
  pictures.find(({ spots }) => spots.some((spot) => spot.kind === kind && spot.id === id)) ?? null
