import * as bones from '../bones.mjs'
import * as muscles from '../muscles.mjs'
import * as outline from '../outline.mjs'
import * as zones from '../zones.mjs'

const FACE = ['frontalis', 'temporalis', 'masseter', 'medial_pterygoid', 'lateral_pterygoid', 'longus_capitis']

export default {
  id: 'front',
  parts: [
    { id: 'ear', skin: outline.EAR, ring: true },
    { id: 'body', skin: outline.BODY, close: '0,470 0,893', flesh: '-1,940 240,940 240,491 150,491 150,60 -1,60' },
    { id: 'head', skin: outline.HEAD, midline: true, close: '0,868.5 0,1000', soft: true },
  ],
  bones: bones.FRONT,
  muscles: muscles.FRONT.map(([id, layer, tone, guides]) => [id, layer, tone, guides, FACE.includes(id) ? 'head' : 'body']),
  zones: zones.FRONT,
  lines: [...outline.FACE_LINES.map((one) => ({ ...one, part: 'head' })), ...outline.HAND_FRONT, ...outline.FOOT_FRONT],
}
