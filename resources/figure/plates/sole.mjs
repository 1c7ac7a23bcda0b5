import * as muscles from '../muscles.mjs'
import * as outline from '../outline.mjs'
import * as zones from '../zones.mjs'

/** The soles from below: x from the midline, y from the heel, in the units of the body. */
export default {
  id: 'sole',
  parts: [{ id: 'body', skin: outline.SOLE, ring: 'spline', flesh: '0,-10 120,-10 120,112 0,120' }],
  bones: [],
  muscles: muscles.SOLE,
  zones: zones.SOLE,
  lines: outline.SOLE_LINES,
}
