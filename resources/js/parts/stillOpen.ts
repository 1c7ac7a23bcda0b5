import type { Judged, StepId } from '@/types/visit'

const WORDS: Partial<Record<StepId, string>> = {
  ask: 'Nothing is said to hurt yet.',
  screen: 'Not every danger sign was asked about.',
  move: 'Nothing was measured or looked at.',
  feel: 'Nothing was felt.',
  agree: 'Not everybody’s yes is there for what it needs.',
  work: 'Nothing was worked.',
  recheck: 'Nothing was compared afterwards.',
}

/**
 * What a visit has nothing of yet, in the order of its steps; a yes is missing only where something waits for it. Where nobody is treated
 * today, what hands would do is not missing.
 *
 * @param of steps that are asked about
 */
export const stillOpen = <Id extends StepId>(line: Judged['line'], of: readonly Id[]): { id: Id; words: string }[] => {
  const rests = line.some(({ id, state }) => id === 'plan' && state === 'blocked')
  return line.flatMap(({ id, state }) => {
    const [step, words] = [of.find((one) => one === id), WORDS[id]]
    const missing = id === 'agree' ? state === 'part' : rests && ['screen', 'work', 'recheck'].includes(id) ? false : state !== 'done'
    return step && words && missing ? [{ id: step, words }] : []
  })
}
