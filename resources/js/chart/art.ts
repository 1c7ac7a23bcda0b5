import { shallowReactive } from 'vue'
import type { Side, ZoneId } from '@/types/ids.generated'
import rawIndex from './art/index.generated.json'

/** A plate: the skin of half a body (or of both profiles), mirrored about the midline, with its places. */
export type ViewId = 'front' | 'back' | 'sides' | 'inner' | 'sole' | 'armpit' | 'mouth'
type Point = [number, number]
type Box = [number, number, number, number]
export interface Part {
  id: string
  skin: string
  edge: string
  hairline: string | null
  lines: { d: string; w: number }[]
}
export interface Plate {
  parts: Part[]
  /** a zone that lies on one part only names it */
  zones: { id: string; d: string; part?: string }[]
  /** places never to press: closed shapes, or lines of a width */
  hazards: { id: string; shapes: { d: string; w?: number }[] }[]
}
interface Placed {
  /** where a mark or a label of it sits */
  c: Point
  /** the place farthest from its edges that its own layer leaves free */
  pole: Point
  box: Box
  /** the part it lies on, where a window may leave that away */
  on?: string
}
interface Index {
  plates: Record<
    ViewId,
    { box: Box; muscles: Record<string, Placed & { layer: number }>; zones: Record<string, Placed>; hazards: string[] }
  >
  landmarks: Record<string, Partial<Record<ViewId, Point>>>
}
const index = rawIndex as unknown as Index
export const views = Object.keys(index.plates) as ViewId[]
export const viewNames: Record<ViewId, string> = {
  front: 'seen from in front',
  back: 'seen from behind',
  sides: 'seen from each side',
  inner: 'the inner sides of the legs',
  sole: 'the soles, from below',
  armpit: 'from in front, arms raised',
  mouth: 'inside the mouth, from in front',
}
/** The views as one word, for a switch. */
export const viewWords: Record<ViewId, string> = {
  front: 'Front',
  back: 'Back',
  sides: 'Sides',
  inner: 'Inner',
  sole: 'Soles',
  armpit: 'Armpit',
  mouth: 'Mouth',
}
/** A window on a plate in its units about the midline; `shift` draws the two halves together by so much, `without` leaves parts away. */
export interface Crop {
  x: number
  y: number
  w: number
  h: number
  shift?: number
  without?: readonly string[]
}

const loaders = import.meta.glob<Plate>(['./art/*.generated.json', '!./art/index.generated.json'], { import: 'default' })
const plates = shallowReactive(new Map<ViewId, Plate>())
const asked = new Set<ViewId>()
/** Fetches the art of a view once; until it is here `plateOf` gives nothing. */
export const loadView = async (view: ViewId): Promise<void> => {
  if (asked.has(view)) return
  asked.add(view)
  try {
    const art = await loaders[`./art/${view}.generated.json`]?.()
    if (art) plates.set(view, art)
  } catch {
    // the connection dropped: the next figure that wants it asks again
    asked.delete(view)
  }
}
export const plateOf = (view: ViewId): Plate | undefined => plates.get(view)

export const boxOfView = (view: ViewId): Box => index.plates[view].box
export const hazardsOfView = (view: ViewId): string[] => index.plates[view].hazards
export const musclePlace = (view: ViewId, id: string) => index.plates[view].muscles[id]
export const zonePlace = (view: ViewId, id: string) => index.plates[view].zones[id]
export const musclesOfView = (view: ViewId): string[] => Object.keys(index.plates[view].muscles)
export const drawnIn = (view: ViewId, muscle: string): boolean => muscle in index.plates[view].muscles
export const zoneOfView = (view: ViewId, zone: ZoneId): boolean => zone in index.plates[view].zones
export const landmarkIn = (view: ViewId, id: string): Point | null => index.landmarks[id]?.[view] ?? null
/** The first view that shows a muscle: the one wished for, or another. */
export const viewOf = (muscle: string, first: ViewId): ViewId => [first, ...views].find((one) => drawnIn(one, muscle)) ?? first

/** Views that face the client: there the left lies to the viewer's right. */
const FACING: readonly ViewId[] = ['front', 'armpit', 'mouth']
export const faces = (view: ViewId): boolean => FACING.includes(view)
/** Which way the client's left lies: to the viewer's right from in front, to the left from behind and on the profiles. */
export const signOf = (view: ViewId, side: Side): number => (side === 'midline' ? 0 : (side === 'left') === faces(view) ? 1 : -1)

/** The windows on each region, by view; the first view is the one it opens with. */
export const nears = {
  whole: {
    name: 'Whole body',
    views: {
      front: { x: -240, y: -12, w: 480, h: 1040 },
      back: { x: -240, y: -12, w: 480, h: 1040 },
      sides: { x: -256, y: -12, w: 512, h: 1040 },
      sole: { x: -110, y: 820, w: 220, h: 192 },
    },
  },
  upper: {
    name: 'Upper body',
    views: {
      front: { x: -176, y: -8, w: 352, h: 440 },
      back: { x: -176, y: -8, w: 352, h: 440 },
      sides: { x: -216, y: -8, w: 432, h: 440 },
    },
  },
  head: {
    name: 'Head and jaw',
    views: {
      front: { x: -64, y: -8, w: 128, h: 158 },
      sides: { x: -142, y: -10, w: 284, h: 170, shift: 74, without: ['arm'] },
      back: { x: -64, y: -8, w: 128, h: 158 },
      mouth: { x: -116, y: 324, w: 232, h: 338 },
    },
  },
  neck: {
    name: 'Neck',
    views: {
      front: { x: -80, y: 70, w: 160, h: 140 },
      sides: { x: -120, y: 60, w: 240, h: 150, shift: 66 },
      back: { x: -80, y: 60, w: 160, h: 150 },
    },
  },
  shoulder: {
    name: 'Shoulder',
    views: {
      front: { x: -164, y: 130, w: 328, h: 190 },
      back: { x: -164, y: 130, w: 328, h: 210 },
      sides: { x: -204, y: 130, w: 408, h: 210 },
      armpit: { x: -284, y: 52, w: 568, h: 296 },
    },
  },
  chest: {
    name: 'Chest and belly',
    views: { front: { x: -130, y: 160, w: 260, h: 330 }, sides: { x: -204, y: 160, w: 408, h: 330 } },
  },
  forearm: {
    name: 'Forearm and hand',
    views: {
      front: { x: -158, y: 336, w: 316, h: 300, shift: 86 },
      back: { x: -158, y: 336, w: 316, h: 300, shift: 86 },
      sides: { x: -80, y: 330, w: 160, h: 290, shift: -6, without: ['body', 'head'] },
    },
  },
  hand: {
    name: 'Hand',
    views: {
      front: { x: -116, y: 486, w: 232, h: 144, shift: 128 },
      back: { x: -116, y: 486, w: 232, h: 144, shift: 128 },
    },
  },
  hips: {
    name: 'Low back and hip',
    views: {
      back: { x: -120, y: 316, w: 240, h: 250 },
      front: { x: -120, y: 316, w: 240, h: 250 },
      sides: { x: -160, y: 316, w: 320, h: 250, shift: 52, without: ['arm'] },
    },
  },
  thigh: {
    name: 'Thigh',
    views: {
      front: { x: -112, y: 436, w: 224, h: 292 },
      back: { x: -112, y: 436, w: 224, h: 292 },
      sides: { x: -160, y: 436, w: 320, h: 292, shift: 50, without: ['arm'] },
      inner: { x: -150, y: 446, w: 300, h: 292, shift: 44 },
    },
  },
  knee: {
    name: 'Knee',
    views: {
      front: { x: -100, y: 640, w: 200, h: 150 },
      back: { x: -100, y: 640, w: 200, h: 150 },
      sides: { x: -116, y: 640, w: 232, h: 150, shift: 80, without: ['arm'] },
      inner: { x: -110, y: 640, w: 220, h: 150, shift: 58 },
    },
  },
  leg: {
    name: 'Leg and foot',
    views: {
      front: { x: -100, y: 708, w: 200, h: 310 },
      back: { x: -100, y: 708, w: 200, h: 310 },
      sides: { x: -170, y: 708, w: 340, h: 310, shift: 82, without: ['arm'] },
      inner: { x: -174, y: 708, w: 348, h: 310 },
      sole: { x: -110, y: 820, w: 220, h: 192 },
    },
  },
} satisfies Record<string, { name: string; views: Partial<Record<ViewId, Crop>> }>
export type NearId = keyof typeof nears
/** The view to look at a region from: the one there was, if the region has it. */
export const viewIn = (near: NearId, view: ViewId): ViewId => (nearViews(near).includes(view) ? view : (nearViews(near)[0] ?? 'front'))
export const nearViews = (near: NearId): ViewId[] => views.filter((view) => view in nears[near].views)
/** All of a view, both halves. */
const boxCrop = (view: ViewId): Crop => {
  const [, top, right, foot] = index.plates[view].box
  return { x: -right - 6, y: top - 6, w: 2 * right + 12, h: foot - top + 12 }
}
/** The window of a region on a view, or the whole of the view if it has none there. */
export const cropOf = (view: ViewId, near: NearId): Crop => {
  const [here, whole]: Partial<Record<ViewId, Crop>>[] = [nears[near].views, nears.whole.views]
  return here?.[view] ?? whole?.[view] ?? boxCrop(view)
}

/** Whether the window of a region on a view shows all of a box. */
const shows = (view: ViewId, near: NearId, [x0, y0, x1, y1]: Box): boolean => {
  const { y: up, w, h, shift = 0 } = cropOf(view, near)
  return nearViews(near).includes(view) && x0 >= shift && x1 - shift <= w / 2 && y0 >= up && y1 <= up + h
}
/** The nearest window of a view that shows all of a box: small, and not with the box at its edge. */
const nearest = (view: ViewId, box: Box): NearId => {
  const worth = (near: NearId): number => {
    const { y, w, h } = cropOf(view, near)
    return w * h * (1 + (2 * Math.abs((box[1] + box[3]) / 2 - y - h / 2)) / h)
  }
  const all = (Object.keys(nears) as NearId[]).filter((near) => shows(view, near, box))
  return all.sort((one, other) => worth(one) - worth(other))[0] ?? 'whole'
}
/** The nearest window of a view that shows all of a muscle; the one there was, as long as it shows the middle of it. */
export const nearAbout = (view: ViewId, { c: [x, y], box }: Placed, now: NearId): NearId =>
  shows(view, now, [x, y, x, y]) ? now : nearest(view, box)
/** The nearest window of a view that shows all of a zone. */
export const nearOfZone = (view: ViewId, id: ZoneId): NearId => {
  const place = zonePlace(view, id)
  return place ? nearest(view, place.box) : 'whole'
}

/** A crop about muscles, landmarks and zones of one side, as near as they allow; the whole view without any. */
export const cropAround = (
  view: ViewId,
  side: Side,
  about: { muscles?: readonly string[]; points?: readonly string[]; zones?: readonly string[] },
  least = 150,
): Crop => {
  const flip = signOf(view, side) || 1
  const boxes: Box[] = [
    ...(about.muscles ?? []).map((id) => musclePlace(view, id)?.box),
    ...(about.zones ?? []).map((id) => zonePlace(view, id)?.box),
    ...(about.points ?? []).map((id): Box | undefined => {
      const at = landmarkIn(view, id)
      return at ? [...at, ...at] : undefined
    }),
  ].filter((one): one is Box => one !== undefined)
  if (!boxes.length) return cropOf(view, 'whole')
  const xs = boxes.flatMap((box) => [box[0] * flip, box[2] * flip])
  const ys = boxes.flatMap((box) => [box[1], box[3]])
  const [left, right, top, foot] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const size = Math.max(least, 1.35 * (right - left), 1.35 * (foot - top))
  return { x: (left + right) / 2 - size / 2, y: (top + foot) / 2 - size / 2, w: size, h: size }
}
/** The region that shows a zone of a group best. */
export const nearOf = (group: string): NearId =>
  ['hip', 'thigh', 'knee', 'leg'].includes(group) ? 'whole' : ['head', 'neck', 'shoulder'].includes(group) ? 'neck' : 'upper'
