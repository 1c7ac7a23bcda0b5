/**
 * Drawings of what is done at home, from one jointed body: npm run figure:poses [ids…]
 * Where it begins is drawn with where it goes, in one box, so that both have one size.
 */
import { writeFileSync } from 'node:fs'
import { boxOf, render } from './draw.mjs'
import { S as HOME } from './home.mjs'
import { reduce } from './reduce.mjs'

const only = process.argv.slice(2)
for (const id of Object.keys(HOME).filter((one) => !one.endsWith('.start'))) {
  if (only.length > 0 && !only.includes(id)) continue
  const drawn = [id, `${id}.start`].filter((one) => HOME[one]).map((one) => ({ ...HOME[one](), id: one }))
  if (drawn.length === 2 && !drawn[0].crop) {
    const boxes = drawn.map(boxOf)
    const outer = [Math.min, Math.max, Math.min, Math.max].map((most, i) => most(boxes[0][i], boxes[1][i]))
    for (const one of drawn) one.box = outer
  }
  for (const one of drawn) writeFileSync(`resources/js/chart/art/poses/home.${one.id}.json`, JSON.stringify(reduce(render(one))))
  console.log(id, drawn.length)
}
