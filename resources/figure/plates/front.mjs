// The body itself is dissected (whole.json): here are its skin, its places and what is never pressed.
import * as outline from '../outline.mjs'
import * as zones from '../zones.mjs'

export default {
  id: 'front',
  parts: [
    { id: 'ear', skin: outline.EAR, ring: true },
    { id: 'body', skin: outline.BODY, close: '0,470 0,893' },
    { id: 'head', skin: outline.HEAD, midline: true, close: '0,868.5 0,1000' },
  ],
  zones: zones.FRONT,
  lines: [...outline.FACE_LINES.map((one) => ({ ...one, part: 'head' })), ...outline.HAND_FRONT, ...outline.FOOT_FRONT],
}
