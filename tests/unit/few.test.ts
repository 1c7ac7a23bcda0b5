import { readFileSync, readdirSync } from 'node:fs'
import { expect, test } from 'vitest'
import { FEW } from '../browser/few'

test('every main flow of the sample is one test of the browser, by the beginning of its title', () => {
  const specs = readdirSync('tests/browser')
    .filter((name) => name.endsWith('.spec.ts'))
    .map((name) => readFileSync(`tests/browser/${name}`, 'utf8'))
  const times = (title: string) => specs.reduce((sum, source) => sum + source.split(`test('${title}`).length - 1, 0)
  // the walks make their titles themselves
  const walks = FEW.filter((title) => /^[: ]/.test(title))
  expect(walks.filter((title) => !specs.some((source) => source.includes('{name}' + title)))).toEqual([])
  expect(FEW.filter((title) => !walks.includes(title) && times(title) !== 1)).toEqual([])
})
