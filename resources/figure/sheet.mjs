// A sheet of regions and their states, to be looked at: npm run figure:sheet -- out.png [--tones linen|dark|grey|print] [--height 620]
// region[:state,state] …  Without a region: all of them.
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { parseArgs } from 'node:util'
import { picture } from './model/paint.mjs'
import { TONES } from './model/tones.mjs'

const folder = join(dirname(fileURLToPath(import.meta.url)), 'regions')
const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { tones: { type: 'string', default: 'linen' }, height: { type: 'string', default: '620' }, nerves: { type: 'boolean' } },
})
const [out, ...asked] = positionals
const tones = TONES[values.tones]
if (!out || !tones) throw new Error('npm run figure:sheet -- out.png [--tones linen|dark|grey|print] [--height 620] region[:state,state] …')
const all = readdirSync(folder)
  .filter((name) => name.endsWith('.json'))
  .map((name) => name.slice(0, -5))
let [html, width] = ['', 0]
const rows = asked.length ? asked : all
for (const [row, one] of rows.entries()) {
  const [id, only] = one.split(':')
  const region = JSON.parse(readFileSync(join(folder, `${id}.json`), 'utf8'))
  const scale = Number(values.height) / region.frame[3]
  const states = only ? only.split(',') : region.states.map((state) => state.id)
  html += `<div style="display:flex">${states
    .map((state, i) => picture(region, state, tones, { scale, overlays: values.nerves, prefix: `r${row}s${i}_` }))
    .join('')}</div>`
  width = Math.max(width, states.length * Math.ceil(region.frame[2] * scale))
}
const here = mkdtempSync(join(tmpdir(), 'sheet-'))
writeFileSync(join(here, 'sheet.html'), `<body style="margin:0;background:${tones.paper}">${html}</body>`)
const size = `--window-size=${width},${rows.length * Number(values.height)}`
const chromium = ['--headless', '--no-sandbox', '--disable-gpu', '--hide-scrollbars', size, `--screenshot=${resolve(out)}`]
execFileSync('chromium', [...chromium, join(here, 'sheet.html')], { stdio: 'ignore' })
rmSync(here, { recursive: true })
