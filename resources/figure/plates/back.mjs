// The body itself is dissected (whole.json): here are its skin, its places and what is never pressed.
import * as outline from '../outline.mjs'
import * as zones from '../zones.mjs'

export default {
  id: 'back',
  parts: [
    { id: 'ear', skin: outline.EAR, ring: true },
    { id: 'body', skin: outline.BODY_BACK, close: '0,470 0,922' },
    {
      id: 'head',
      skin: outline.SKULL_BACK,
      midline: true,
      close: '33,902 25,906 17,909 8,913.5 0,914',
      hairline: '38.5,905 33,901 25,905 17,908.5 8,913.5 0,914',
    },
  ],
  zones: zones.BACK,
  lines: outline.HAND_BACK,
}
