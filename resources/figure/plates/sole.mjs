import * as outline from '../outline.mjs'
import * as zones from '../zones.mjs'

/**
 * The soles from below: x from the midline, y from the heel, in the units of the body. The body itself is dissected (whole.json): here are
 * its skin and its places.
 */
export default {
  id: 'sole',
  parts: [{ id: 'body', skin: outline.SOLE, ring: 'spline' }],
  zones: zones.SOLE,
  lines: outline.SOLE_LINES,
}
