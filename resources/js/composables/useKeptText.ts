import { useDebounceFn } from '@vueuse/core'
import { ref } from 'vue'
import { Refused } from './http'

interface Standing {
  text: string
  revision: number
}
const SOON_MS = 600

/**
 * A text that is kept while it is written, one writing after the other. Whoever was faster stands beside it: nothing of either is lost.
 *
 * @param write sends the text with the revision it was changed from; answers what stands then
 */
export function useKeptText(first: string, revision: number, write: (text: string, seen: number) => Promise<Standing>, where: string) {
  const text = ref(first)
  const kept = ref(first)
  const state = ref('')
  /** What somebody else made of it meanwhile. */
  const theirs = ref<string | null>(null)
  let seen = revision
  let last = Promise.resolve()
  const put = async (): Promise<void> => {
    const sent = text.value
    if (sent === kept.value || theirs.value !== null) return
    state.value = 'Keeping it …'
    try {
      const stands = await write(sent, seen)
      seen = stands.revision
      kept.value = stands.text
      // what is kept has lost the spaces at its ends
      if (stands.text.trim() === sent.trim()) {
        kept.value = sent
        state.value = where
      } else {
        theirs.value = stands.text
        state.value = ''
      }
    } catch (fault) {
      state.value = fault instanceof Refused ? fault.words : 'No connection. It stays here until it can be kept.'
    }
  }
  const keepNow = (): Promise<void> => (last = last.then(put))
  const keep = useDebounceFn(() => void keepNow(), SOON_MS)
  /** Between two that were written at once. */
  const choose = (whose: 'mine' | 'theirs'): void => {
    if (whose === 'theirs') text.value = theirs.value ?? ''
    theirs.value = null
    void keepNow()
  }
  /** A paper is made of what is kept: whether that is what stands here. */
  const settled = async (): Promise<boolean> => {
    await keepNow()
    return text.value === kept.value
  }
  return { text, state, theirs, keep, keepNow, choose, settled }
}
