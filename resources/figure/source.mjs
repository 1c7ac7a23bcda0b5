// What a built file was built from: of a region and of the model that paints it.
import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

const here = dirname(fileURLToPath(import.meta.url))
const read = (path) => readFileSync(join(here, path), 'utf8')

/** The regions in their order, with what lies beside each. */
export const listed = () => JSON.parse(read('regions.json')).regions
/** @param {string} id */
export const regionText = (id) => read(`regions/${id}.json`)

/** The views of the whole body, each with the regions it is put together from. */
export const wholes = () => JSON.parse(read('whole.json')).views

/** What reads the sources and paints nothing. */
const CHECKS = ['agree.mjs', 'check.mjs', 'seams.mjs', 'spots.mjs']

/** @param {string} id of a region, or of a view of the whole body */
export function sourceOf(id) {
  const model = readdirSync(join(here, 'model'))
    .filter((name) => !CHECKS.includes(name))
    .sort()
    .map((name) => read(`model/${name}`))
  const view = wholes().find((one) => one.id === id)
  const texts = view ? [JSON.stringify(view), ...view.parts.map((part) => regionText(part.region))] : [regionText(id)]
  const hash = createHash('sha256')
  for (const text of [...model, ...texts]) hash.update(text)
  return hash.digest('hex').slice(0, 12)
}
