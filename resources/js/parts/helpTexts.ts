import { t } from '@/composables/language'
import help from './help.json'

/** What the help page says: the steps of a visit, words and their meaning, who does what, in the order in which one meets them. */
export interface HelpText {
  title: string
  text: string
}
const said = (all: HelpText[]): HelpText[] => all.map(({ title, text }) => ({ title: t(title), text: t(text) }))
export const steps = said(help.steps)
export const glossary = said(help.glossary)
export const first = said(help.first)

const plain = (text: string): string => ` ${text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, ' ')} `
/** Which of the glossary stands in a text: each of an entry's words, as they begin, since a source is found in sources. */
export const wordsIn = (text: string, all: readonly HelpText[] = glossary): HelpText[] => {
  const said = plain(text)
  return all.filter(({ title }) => title.split(',').some((word) => said.includes(plain(word).trimEnd())))
}
