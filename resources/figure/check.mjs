// Reads the regions of the figure, and the body they are joined to, as the build will: npm run figure:check. What is known and not mended
// stands in regions/open.txt under the reason why it may stay; anything else is refused, and so is a line there that is mended: the list
// only gets shorter.
import { readdirSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { disagreements } from './model/agree.mjs'
import { faults, unexplained } from './model/check.mjs'
import { seams } from './model/seams.mjs'
import { regionText, wholes } from './source.mjs'

const folder = join(dirname(fileURLToPath(import.meta.url)), 'regions')
const read = (path) => JSON.parse(readFileSync(join(folder, path), 'utf8'))
const regions = new Map(
  readdirSync(folder)
    .filter((name) => name.endsWith('.json'))
    .map((name) => [name.slice(0, -5), JSON.parse(regionText(name.slice(0, -5)))]),
)
const found = [
  ...[...regions.values()].flatMap((region) => faults(region).map((fault) => `${region.id}: ${fault}`)),
  ...disagreements([...regions.values()], read('../../../core/data/muscles.json').muscles, read('../places.json')),
  ...wholes().flatMap((view) => seams(view, (id) => regions.get(id))),
]
const { fresh, mended, groundless } = unexplained(found, readFileSync(join(folder, 'open.txt'), 'utf8'))
for (const line of fresh) console.error(line)
for (const line of mended) console.error(`mended, take it off open.txt: ${line}`)
for (const line of groundless) console.error(`under no reason in open.txt: ${line}`)
console.log(`${found.length} known, ${fresh.length} new, ${mended.length} mended`)
process.exit(fresh.length + mended.length + groundless.length ? 1 : 0)
