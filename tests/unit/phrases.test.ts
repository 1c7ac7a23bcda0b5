import { readFileSync, readdirSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { t } from '@/composables/language'
import { all } from '../../resources/phrases/build.mjs'
import { phrased } from '../../resources/phrases/phrases.mjs'

const template = (inner: string): { made: string; heard: string[] } => {
  const heard: string[] = []
  const made = phrased(`<template>${inner}</template>`, { heard: (phrase: string) => heard.push(phrase) }).toString()
  return { made: made.slice('<template>'.length, -'</template>'.length), heard }
}
const script = (text: string): string => phrased(text, { component: false }).toString()

describe('words of a template', () => {
  it.each([
    ['<p>Nobody yet.</p>', "<p>{{ $t('Nobody yet.') }}</p>"],
    ['<p>Seen {{ n }} times</p>', "<p>{{ $t('Seen :n times', { n: n }) }}</p>"],
    ['<p>{{ a.of }} of {{ b.of }}</p>', "<p>{{ $t(':of of :of2', { of: a.of, of2: b.of }) }}</p>"],
    ["<b>{{ on ? 'Open' : shut }}</b>", "<b>{{ on ? $t('Open') : shut }}</b>"],
    ['<b>{{ `${n} min` }}</b>', "<b>{{ $t(':n min', { n: n }) }}</b>"],
    ['<b>Entered<i> · done</i></b>', "<b>{{ $t('Entered') }}<i>{{ ' ' + $t('· done') }}</i></b>"],
    ['<input title="It is “his”" />', '<input :title="$t(\'It is “his”\')" />'],
    ['<input :label="`Why: ${one}`" />', '<input :label="$t(\'Why: :one\', { one: one })" />'],
    ['<p>Her <b>own</b> words</p>', "<p>{{ $t('Her') + ' ' }}<b>{{ $t('own') }}</b>{{ ' ' + $t('words') }}</p>"],
    [
      '<p v-for="(word, one) in { back: \'My back\' }">{{ word }}</p>',
      '<p v-for="(word, one) in { back: $t(\'My back\') }">{{ word }}</p>',
    ],
    // a text that is put in as it stands is part of the words
    ["<p>{{ gap }}</p>{{ ' ' }}Dotted: {{ norm }}°", "<p>{{ gap }}</p>{{ ' ' + $t('Dotted: :norm°', { norm: norm }) }}"],
    [
      "<p v-for=\"[name, n] in [['3 days', 3], ['long', 9]]\">{{ name }}</p>",
      "<p v-for=\"[name, n] in [[$t('3 days'), 3], ['long', 9]]\">{{ name }}</p>",
    ],
    ["<p>{{ { now: 'lies here', then: 'ahead' }[at] }}</p>", "<p>{{ { now: $t('lies here'), then: $t('ahead') }[at] }}</p>"],
    // what nobody reads stays as it is
    ['<p class="caption">{{ one.name }}</p>', '<p class="caption">{{ one.name }}</p>'],
    ["<p :class=\"on ? 'Open it' : ''\" />", "<p :class=\"on ? 'Open it' : ''\" />"],
    ['<span class="key-hint">C</span>', '<span class="key-hint">C</span>'],
    ['<p>{{ n }} / {{ m }}</p>', '<p>{{ n }} / {{ m }}</p>'],
  ])('%s', (before, after) => expect(template(before).made).toBe(after))

  it('are heard as they are said', () => expect(template('<p>\n  Seen {{ n }}\n  times\n</p>').heard).toEqual(['Seen :n times']))
})

describe('words of a script', () => {
  const asked = "import { t as phrase$ } from '@/composables/language'\n"
  it.each([
    ["const a = 'Not signed'", `${asked}const a = phrase$('Not signed')`],
    ["const a = { open: 'Go on', id: 'go_on' }", `${asked}const a = { open: phrase$('Go on'), id: 'go_on' }`],
    ['const a = `${n} questions are open`', `${asked}const a = phrase$(':n questions are open', { n: n })`],
    ["if (key === 'Not signed') act()", "if (key === 'Not signed') act()"],
    ["on('Escape', 'ArrowDown')", "on('Escape', 'ArrowDown')"],
    ["import one from 'Some thing'", "import one from 'Some thing'"],
    ['const path = `/clients/${id}`; const way = `M${x} ${y}l4 4`', 'const path = `/clients/${id}`; const way = `M${x} ${y}l4 4`'],
    ["type A = 'Two words'", "type A = 'Two words'"],
    ["const look = 'btn-ink mt-4 w-full'", "const look = 'btn-ink mt-4 w-full'"],
  ])('%s', (before, after) => expect(script(before)).toBe(after))
})

it('an English phrase is said as it stands, with what is put into it', () => {
  expect(t('Seen :n times at :at', { n: 3, at: '9:30' })).toBe('Seen 3 times at 9:30')
  expect(t('at 9:30, :nobody')).toBe('at 9:30, :nobody')
  expect(t(':nth visit, :value2:unitDotted', { n: 3, value: 'a', value2: 5, unit: '°' })).toBe('3th visit, 5°Dotted')
})

it('lang/en.json holds every phrase of the interface (npm run phrases), and another language no other', () => {
  const phrases = all() as Record<string, string>
  expect(JSON.parse(readFileSync('lang/en.json', 'utf8'))).toEqual(phrases)
  for (const file of readdirSync('lang').filter((name) => name.endsWith('.json')))
    for (const phrase of Object.keys(JSON.parse(readFileSync(`lang/${file}`, 'utf8')) as object))
      expect(phrases, file).toHaveProperty([phrase])
})
