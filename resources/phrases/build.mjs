/** Writes lang/en.json, every phrase of the interface as its own key: what a second language is translated from. */
import { readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { hasWords, phrased, spoken } from './phrases.mjs'

const FILE = 'lang/en.json'
const PAGES = 'resources/js'
/** What the server answers: sentences, and what is given to `__('…')`. */
const SERVER = ['app/Actions', 'app/Cases', 'app/Http/Controllers', 'app/Http/Requests', 'app/Models', 'app/Rules', 'app/Support', 'resources/views']
const TEXT = /(__\()?'((?:[^'\\]|\\.)*)'/g
const SENTENCE = /^\p{Lu}[\p{Ll} ].*[.?!]$/u
const answers = (source) =>
  source
    .split('\n')
    .filter((line) => !/^\s*(\/?\*|\/\/)/.test(line))
    .flatMap((line) => [...line.matchAll(TEXT)])
    .filter(([, called, text]) => called || (SENTENCE.test(text) && !text.includes('`')))
    .map(([, , text]) => text.replaceAll("\\'", "'"))
/** What the help page says is a text of its own. */
const HELP = 'resources/js/parts/help.json'

export const all = () => {
  const found = new Set()
  for (const file of readdirSync(PAGES, { recursive: true })
    .map((name) => `${PAGES}/${name}`)
    .filter(hasWords)) {
    const source = readFileSync(file, 'utf8')
    phrased(source, { component: file.endsWith('.vue'), heard: (phrase) => found.add(phrase) })
    spoken(source, (phrase) => found.add(phrase))
  }
  for (const folder of SERVER)
    for (const name of readdirSync(folder, { recursive: true }).filter((name) => name.endsWith('.php')))
      answers(readFileSync(`${folder}/${name}`, 'utf8')).forEach((phrase) => found.add(phrase))
  for (const texts of Object.values(JSON.parse(readFileSync(HELP, 'utf8'))))
    for (const { title, text } of texts) [title, text].forEach((phrase) => found.add(phrase))
  return Object.fromEntries([...found].sort().map((phrase) => [phrase, phrase]))
}
if (import.meta.url === `file://${process.argv[1]}`) writeFileSync(FILE, `${JSON.stringify(all(), null, 2)}\n`)
