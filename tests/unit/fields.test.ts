import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { among, entryKey, given, nameOf, onlyFields, withMine } from '@/composables/fields'
import { said } from '@/composables/said'
import type { EntryKind } from '@/types/entries.generated'

const names = JSON.parse(readFileSync('tests/tables/entry-names.json', 'utf8')) as [EntryKind, never, string][]

describe('the name of an entry', () => {
  test.each(names)('%s %j is %s, as the server says too', (kind, payload, name) => {
    expect(nameOf(kind, payload)).toBe(name)
  })
  test('with its kind and its phase it is found on the page', () => {
    expect(entryKey('palpation', 'after', 'soleus:left')).toBe('palpation|after|soleus:left')
  })
})

describe('what stands where two wrote on one', () => {
  test.each([
    ['each its own field', { a: 1 }, { a: 1, b: 2 }, { a: 1, c: 3 }, { a: 1, b: 2, c: 3 }],
    ['both the same field: mine', { a: 1 }, { a: 2 }, { a: 3 }, { a: 2 }],
    ['only theirs changed', { a: 1, b: 1 }, { a: 1, b: 1 }, { a: 1, b: 2 }, { a: 1, b: 2 }],
    ['I took a field away', { a: 1, b: 1 }, { a: 1 }, { a: 1, b: 1, c: 3 }, { a: 1, c: 3 }],
    ['they took one away that I did not touch', { a: 1, b: 1 }, { a: 2, b: 1 }, { a: 1 }, { a: 2 }],
    ['made on nothing', null, { a: 1 }, { b: 2 }, { a: 1, b: 2 }],
    ['they took all of it back', { a: 1 }, { a: 2 }, null, { a: 2 }],
    ['I took all of it back', { a: 1 }, null, { a: 1, b: 2 }, null],
    ['a word has no fields', 'no', 'yes', 'unknown', 'yes'],
    ['a list is one value', { a: [1] }, { a: [1, 2] }, { a: [1], b: 1 }, { a: [1, 2], b: 1 }],
  ])('%s', (_, base, mine, theirs, expected) => {
    expect(withMine<unknown>(base, mine, theirs)).toEqual(expected)
  })
  test('only the fields that clash are told, and all of a word', () => {
    expect(onlyFields({ a: 1, b: 2 }, ['b'])).toEqual({ b: 2 })
    expect(onlyFields({ a: 1, b: 2 }, null)).toEqual({ a: 1, b: 2 })
    expect(onlyFields('yes', ['b'])).toBe('yes')
  })
})

describe('what says something', () => {
  test('what is left with its name alone is taken back', () => {
    expect(said('range', { movement: 'cervical.rotation', side: 'left' })).toBeNull()
    expect(said('palpation', { muscle: 'soleus', side: 'left', site: 'belly', tenderness: undefined } as never)).toBeNull()
    expect(said('palpation', { muscle: 'soleus', side: 'left', tenderness: 0 })).toEqual({ muscle: 'soleus', side: 'left', tenderness: 0 })
  })
  test('what is not said is left out, nothing and no are said', () => {
    expect(given({ a: undefined, b: null, c: false, d: 0 })).toEqual({ b: null, c: false, d: 0 })
  })
  test('only what is a choice is chosen', () => {
    expect(among({ soft: '', firm: '' }, 'firm')).toBe('firm')
    expect(among({ soft: '', firm: '' }, 'hard')).toBeUndefined()
    expect(among({ soft: '', firm: '' }, undefined)).toBeUndefined()
  })
})
