import { describe, expect, test } from 'vitest'
import help from '@/parts/help.json'
import { glossary, wordsIn } from '@/parts/helpTexts'

const titles = (text: string) => wordsIn(text).map((one) => one.title)

describe('words of a page that are explained', () => {
  test('each by any of its words, however it is written there', () => {
    expect(titles('Go, with limits')).toContain('Go with limits')
    expect(titles('Sources are worked first')).toContain('Source, site')
    expect(titles('END-FEEL\nnot said')).toEqual(['End-feel'])
    expect(titles('with a taut band')).toEqual(['Taut band, nodule'])
  })
  test('a word is whole at its beginning, and what is not there is not explained', () => {
    expect(titles('the opposite leg, a resource')).toEqual([])
    expect(titles('')).toEqual([])
  })
  test('every entry is found by its own title', () => {
    for (const one of glossary) expect(titles(one.title), one.title).toContain(one.title)
  })
})

test('no title stands twice, and every text is a sentence', () => {
  const all = [...help.steps, ...help.glossary, ...help.first]
  expect(new Set(all.map((one) => one.title)).size).toBe(all.length)
  for (const { title, text } of all) expect(text, title).toMatch(/^\p{Lu}.+\.$/u)
})
