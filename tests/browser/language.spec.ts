import { readFileSync } from 'node:fs'
import { isSample } from './few'
import { places } from './places'
import { seenFaults } from './seen'
import { expect, test, type Page } from './test'

/**
 * The interface in a language that nobody speaks, in which every phrase stands between ‹ and › and is two fifths longer: what has no such
 * marks, and is neither the record's nor the atlas's, was never given to be translated; what runs out would not fit another language. With
 * WALK=full every page is walked, in the suite a few.
 */
const ATLAS = ['atlas.generated.json', 'art/dissection/index.generated.json']
  .map((file) => readFileSync(`resources/js/chart/${file}`, 'utf8').toLowerCase())
  .join(' ')
const SOME = ['today', 'feel', 'settings', ...(isSample ? [] : ['the list of clients', 'caseload', 'help', 'screen', 'after', 'trainer'])]

const untranslated = async (page: Page): Promise<string[]> =>
  page.evaluate((atlas) => {
    const shown =
      document.querySelector('script[data-page]')?.textContent ?? document.querySelector('[data-page]')?.getAttribute('data-page') ?? ''
    const known = `${JSON.stringify(JSON.parse(shown)).toLowerCase()} ${atlas}`
    const isKnown = (piece: string): boolean =>
      /\d|^(mon|tues|wednes|thurs|fri|satur|sun)day$/.test(piece) ||
      !/\p{L}{3}/u.test(piece) ||
      known.includes(piece) ||
      (piece.split(' ').length < 3 && piece.split(' ').every((word) => known.includes(word)))
    const found = new Set<string>()
    for (const of of document.querySelectorAll<HTMLElement>('body *')) {
      if (of.closest('script, style, .key-hint') || !of.checkVisibility()) continue
      for (const node of of.childNodes) {
        if (node.nodeType !== Node.TEXT_NODE) continue
        let text = node.textContent ?? ''
        // phrases within phrases
        for (let before = ''; before !== text;) [before, text] = [text, text.replace(/‹[^‹›]*›/g, ' ')]
        const pieces = text.toLowerCase().split(/[,·;:.()“”|\n]|\s–\s/)
        if (pieces.some((piece) => !isKnown(piece.replace(/\s+/g, ' ').trim()))) found.add(text.replace(/\s+/g, ' ').trim())
      }
    }
    return [...found]
  }, ATLAS)

const all = Object.entries(places)
for (const [name, place] of process.env['WALK'] === 'full' ? all : all.filter(([name]) => SOME.includes(name))) {
  test(`${name} in a language of its own: every word is given to be translated, and longer ones fit`, async ({
    browser,
    baseURL,
    nell,
    visit,
    client,
  }) => {
    const context = await browser.newContext({ storageState: nell, ...(baseURL ? { baseURL } : {}) })
    const page = await context.newPage()
    await page.route('**/*', async (route) => {
      if (route.request().resourceType() !== 'document') return route.fallback()
      const answer = await route.fetch()
      return route.fulfill({ response: answer, body: (await answer.text()).replace('<html lang="en">', '<html lang="en-XA">') })
    })
    await page.goto(place.path({ visit, client }))
    await page.getByRole('heading', { level: 1 }).first().waitFor()
    await expect(page.getByText('‹').first()).toBeAttached()
    expect(await untranslated(page)).toEqual([])
    await expect.poll(() => seenFaults(page), { timeout: 4000 }).toEqual([])
    await context.close()
  })
}
