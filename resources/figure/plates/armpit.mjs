// The armpit: seen from in front with the arm raised and turned out. x from the midline, y from the floor; points of the arm as
// `share/offset` from shoulder to elbow, the offset toward the head. The body itself is dissected (whole.json): here are its skin, its
// places and what is never pressed.
import * as outline from '../outline.mjs'
import * as zones from '../zones.mjs'
import { limbOf } from './limb.mjs'

const limb = limbOf([
  [111, 826],
  [241, 896.5],
])
export const place = (p, inLimb) => (inLimb ? limb(p) : p)
const HEAD_ZONES = ['vertex', 'forehead', 'temple', 'eye', 'ear', 'jaw_angle', 'chin', 'cheek', 'neck_front', 'neck_side', 'breastbone']

export default {
  id: 'armpit',
  place,
  parts: [
    { id: 'ear', skin: outline.EAR, ring: true },
    {
      id: 'body',
      skin: '24,893* 31.5,886 33.2,874.4 34.4,866.2 37.4,860.7 42.5,857.2 50.8,855 62.3,854.3 93.5,855.1 106.1,857.9 129.7,871.1 141.6,877.4 167.1,887.3 194.1,901.4 217.7,911 222.7,915.8 224.9,921.9 224,938* 271.5,938* 270.1,918.6 263.6,899.3 258,889.3 252,883.9 237.9,876.1 229.8,870.6 197.5,842.9 177.6,828.7 169.8,822.4 147.9,800.5 136.9,787.5 130.1,777.7 118.7,756.2 109.9,732.8 105.4,716.7 96.6,677.3 91,655*',
      close: '0,655 0,893',
    },
    { id: 'head', skin: outline.HEAD, midline: true, close: '0,868.5 0,1000' },
  ],
  zones: [
    ...zones.FRONT.filter(([id]) => HEAD_ZONES.includes(id)),
    ['elbow_front', '.97/-90 .97/90 1.9/90 1.9/-90'],
    ['arm_inner', '.44/-60 .46/-9 1.2/-5 1.2/-60'],
    ['arm_front', '.46/-10 .44/14 1.2/12 1.2/-6'],
    ['arm_outer', '.42/13 .4/60 1.2/60 1.2/11'],
    ['armpit', '108,812 .18/-11 .46/-8 .46/-60 .06/-60 140,752 128,738 112,766 100,780'],
    ['shoulder_top', '20,872 30,848 86,848 .14/18 .2/60 60,890 36,892'],
    ['shoulder_outer', '86,848 .14/18 .42/12 .44/60 .1/60'],
    ['shoulder_front', '78,850 .14/18 .48/12 .48/-10 .18/-12 106,808 88,804 74,828'],
    ['chest_upper', '7,848 88,850 112,812 108,790 100,764 7,764'],
    ['ribs_side', '86,782 150,780 120,660 78,660 72,712'],
    ['chest_lower', '4,770 90,770 76,712 40,706 8,706'],
    ['flank', '72,670 120,670 100,590 66,590'],
    ['abdomen_upper', '-1,722 90,722 90,590 -1,590'],
  ],
  lines: outline.FACE_LINES.map((one) => ({ ...one, part: 'head' })),
}
