import { shallowRef, type Plugin } from 'vue'

/**
 * The words of the interface. The English ones stand where they are read and are the keys; another language is a file of lang/, by the same
 * keys as Laravel's. Words of a template are looked up by themselves (resources/phrases/phrases.mjs), those of a script by `t('…')`.
 */
type Phrases = Record<string, string>
const files = import.meta.glob<{ default: Phrases }>('../../../lang/*.json')
const ENGLISH = 'en'
/** A language that nobody speaks, half as long again, by which one sees what was never meant to be translated, and what would not fit. */
const PSEUDO = 'en-XA'
const ACCENTS: Phrases = { a: 'á', e: 'é', i: 'í', o: 'ó', u: 'ú', A: 'Á', E: 'É', I: 'Í', O: 'Ó', U: 'Ú' }
const LONGER = 0.4

const phrases = shallowRef<Phrases>({})
const pseudo = shallowRef(false)

const stretched = (text: string): string => {
  const accented = text.replace(/(:\w+)|([aeiouAEIOU])/g, (_, name?: string, letter?: string) => name ?? ACCENTS[letter ?? ''] ?? '')
  const more = 'é'.repeat(Math.ceil(text.length * LONGER)).replace(/(.{6})(?=.)/g, '$1 ')
  return `‹${accented} ${more}›`
}

/** A phrase in the language that is spoken, with what is put into it by its names. */
export const t = (phrase: string, values: Record<string, unknown> = {}): string => {
  const said = pseudo.value ? stretched(phrase) : (phrases.value[phrase] ?? phrase)
  return said.replace(/:([a-z_]\w*)/g, (whole, name: string) => {
    // letters may follow at once: the longest name that is known is meant, as Laravel has it
    const known = Object.keys(values).filter((one) => name.startsWith(one))
    if (!known.length) return whole
    const meant = known.reduce((one, other) => (other.length > one.length ? other : one))
    return String(values[meant] ?? '') + name.slice(meant.length)
  })
}

/** Speaks a language from here on; where there is no such file, English. */
const speak = async (language: string): Promise<void> => {
  pseudo.value = language === PSEUDO
  phrases.value = language === ENGLISH ? {} : ((await files[`../../../lang/${language}.json`]?.())?.default ?? {})
}

/** Every template may look its words up. */
export const language: Plugin = {
  install(app) {
    app.config.globalProperties['$t'] = t
  },
}
// whatever has words of its own is made after this: it may look them up as it is made
await speak(typeof document === 'undefined' ? ENGLISH : document.documentElement.lang)
