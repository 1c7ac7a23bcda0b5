import help from './help.json'

/** What the help page says: the steps of a visit, words and their meaning, who does what, in the order in which one meets them. */
export interface HelpText {
  title: string
  text: string
}
export const { steps, glossary, first }: Record<'steps' | 'glossary' | 'first', HelpText[]> = help
