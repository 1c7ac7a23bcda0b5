import type { Side } from '@/types/ids.generated'

/** A small drawing of a person, a hand or a set-up: paths by what they are of, in units of its own box. */
export interface Pose {
  w: number
  h: number
  /** width of soft lines and hair */
  sw: number
  ghost?: string
  table?: string
  patch?: string
  pad?: string
  cloth?: string
  skin?: string
  soft?: string
  hair?: string
  line?: string
  arrow?: string
}
/** What is filled, the farthest first. */
export const FILLED = ['table', 'patch', 'pad', 'cloth', 'skin'] as const
export const POSE_TONES = {
  light: {
    table: '#eadfca',
    patch: '#e3d3bb',
    pad: '#e6dcc9',
    cloth: '#f6f0e2',
    skin: '#ecdfcb',
    line: '#4a3728',
    soft: '#7a5f4a',
    ghost: '#b7a48d',
    arrow: '#24455f',
  },
  dark: {
    table: '#231d18',
    patch: '#2f261f',
    pad: '#2c251f',
    cloth: '#4a4036',
    skin: '#3b3128',
    line: '#c9b094',
    soft: '#927a62',
    ghost: '#5e5043',
    arrow: '#8fc0e6',
  },
}

const loaders = import.meta.glob<Pose>('./art/poses/*.json', { import: 'default' })
const pathOf = (id: string): string => `./art/poses/${id}.json`
/** The drawing of a side is the mirror of the other's where there is none of its own. */
const MIRRORED: Record<string, string> = { 'position.side_left': 'position.side_right' }
const of = (id: string): string => MIRRORED[id] ?? id
export const isDrawn = (id: string): boolean => pathOf(of(id)) in loaders
export const loadPose = async (id: string): Promise<Pose | null> => (await loaders[pathOf(of(id))]?.()) ?? null

/** The side of which each set-up is drawn: whose limb, or where the head goes. */
const DRAWN_SIDE: Record<string, 'left' | 'right'> = {
  head_turned: 'right',
  head_tilted: 'right',
  arm_overhead: 'right',
  arm_across: 'right',
  arm_back_at_side: 'left',
  hand_on_opposite_hip: 'right',
  knee_bent_foot_flat: 'right',
  foot_anchored: 'right',
  knee_fallen_out: 'right',
  leg_over_edge: 'right',
  calf_on_shoulder: 'right',
  leg_across: 'right',
  knee_bent_shin_on_thigh: 'left',
  leg_drawn_out_prone: 'left',
  top_leg_on_bolster: 'left',
  lower_leg_free: 'right',
  wrist_over_edge: 'right',
  toes_drawn_back: 'right',
  thigh_at_ease: 'right',
}
/** Whether a drawing is turned round to show a side. */
export const isTurned = (id: string, side: Side | undefined): boolean => {
  const drawn = id.startsWith('setup.') ? DRAWN_SIDE[id.slice('setup.'.length)] : undefined
  return id in MIRRORED || (drawn !== undefined && (side === 'left' || side === 'right') && side !== drawn)
}
