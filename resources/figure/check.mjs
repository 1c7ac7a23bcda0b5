// Reads the regions of the figure as the build will: npm run figure:check. What is known and not mended yet stands in regions/open.txt;
// anything else is refused, and so is a line there that is mended: the list only gets shorter.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { disagreements } from './model/agree.mjs'
import { faults } from './model/check.mjs'

const folder = join(dirname(fileURLToPath(import.meta.url)), 'regions')
const read = (path) => JSON.parse(readFileSync(join(folder, path), 'utf8'))
const regions = readdirSync(folder)
  .filter((name) => name.endsWith('.json'))
  .map(read)
const found = [
  ...regions.flatMap((region) => faults(region).map((fault) => `${region.id}: ${fault}`)),
  ...disagreements(regions, read('../../../core/data/muscles.json').muscles, read('../places.json')),
]
if (process.argv[2] === '--write') writeFileSync(join(folder, 'open.txt'), found.map((line) => `${line}\n`).join(''))
const open = readFileSync(join(folder, 'open.txt'), 'utf8').split('\n').filter(Boolean)
const fresh = found.filter((line) => !open.includes(line))
const mended = open.filter((line) => !found.includes(line))
for (const line of fresh) console.error(line)
for (const line of mended) console.error(`mended, take it off open.txt: ${line}`)
console.log(`${found.length} known, ${fresh.length} new, ${mended.length} mended`)
process.exit(fresh.length + mended.length ? 1 : 0)
