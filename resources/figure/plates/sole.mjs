import * as outline from '../outline.mjs'
import * as zones from '../zones.mjs'

/**
 * The soles from below: x from the midline, y from the heel, in the units of the body. The body itself is dissected (whole.json): here are
 * its skin and its places.
 */
export default {
  id: 'sole',
  parts: [{ id: 'body', skin: outline.SOLE, ring: 'spline', flesh: '0,-10 120,-10 120,112 0,120' }],
  bones: [],
  muscles: [],
  zones: zones.SOLE,
  lines: outline.SOLE_LINES,
}
