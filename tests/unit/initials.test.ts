import { describe, expect, it } from 'vitest'
import { initials } from '@/parts/initials'

describe('the letters by which somebody is seen', () => {
  it.each([
    ['Nell Harrow', 'NH'],
    ['Maximiliane-Theodora von Hohenbrunnen', 'MH'],
    ['desk', 'D'],
    ['émile zola', 'ÉZ'],
    ['Pip 🦔🎭 Lark', 'PL'],
    ['🦔 Hedge', 'H'],
    ['🦔', '🦔'],
    ['עדינה אבן', 'עא'],
    ['桐生花音', '桐'],
    ['  ', ''],
    ['42', '4'],
  ])('of %s are %s', (name, letters) => expect(initials(name)).toBe(letters))
})
