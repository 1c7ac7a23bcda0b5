/** Writes lang/en.json, every phrase of the interface as its own key: what a second language is translated from. */
import { readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { hasWords, phrased, spoken } from './phrases.mjs'

const FILE = 'lang/en.json'
const PAGES = 'resources/js'
/** What the server answers: there whatever is a sentence is a phrase. */
const SERVER = ['app/Actions', 'app/Cases', 'app/Http/Controllers', 'app/Http/Requests', 'app/Models', 'app/Rules', 'app/Support']
/** Where the server has words it gives to `__('…')`, alone or in a table that is marked `@phrases`. */
const MARKED = ['app', 'resources/views']
/** Words of a table, from the one of each row on that is told after the mark: `@phrases from 2` leaves the first. */
const TABLE = /@phrases(?: from (\d))?[^]*?\*\/\s*(?:public |private )?const \w+ = \[([^]*?)\n? *\];/g
const QUOTED = /'((?:[^'\\]|\\.)*)'(\s*=>)?/g
const tables = (source) =>
  [...source.matchAll(TABLE)].flatMap(([, from = '1', rows]) =>
    (from === '1' ? [rows] : [...rows.matchAll(/=> \[([^\]]*)\]/g)].map(([, row]) => row)).flatMap((row) =>
      [...row.matchAll(QUOTED)]
        .filter(([, , isKey]) => !isKey)
        .slice(Number(from) - 1)
        .map(([, text]) => text),
    ),
  )
const TEXT = /(__\()?'((?:[^'\\]|\\.)*)'/g
const SENTENCE = /^\p{Lu}[\p{Ll} ].*[.?!]$/u
const answers = (source, isAnswer) =>
  source
    .split('\n')
    .filter((line) => !/^\s*(\/?\*|\/\/)/.test(line))
    .flatMap((line) => [...line.matchAll(TEXT)])
    .filter(([, called, text]) => called || (isAnswer && SENTENCE.test(text) && !text.includes('`')))
    .map(([, , text]) => text.replaceAll("\\'", "'"))
const phpOf = (folder) =>
  readdirSync(folder, { recursive: true })
    .filter((name) => name.endsWith('.php'))
    .map((name) => `${folder}/${name}`)
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
  for (const file of MARKED.flatMap(phpOf)) {
    const source = readFileSync(file, 'utf8')
    answers(
      source,
      SERVER.some((folder) => file.startsWith(folder)),
    ).forEach((phrase) => found.add(phrase))
    tables(source).forEach((phrase) => found.add(phrase))
  }
  for (const texts of Object.values(JSON.parse(readFileSync(HELP, 'utf8'))))
    for (const { title, text } of texts) [title, text].forEach((phrase) => found.add(phrase))
  return Object.fromEntries([...found].sort().map((phrase) => [phrase, phrase]))
}
if (import.meta.url === `file://${process.argv[1]}`) writeFileSync(FILE, `${JSON.stringify(all(), null, 2)}\n`)
