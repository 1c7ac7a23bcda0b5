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
