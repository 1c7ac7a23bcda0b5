import { useEventListener } from '@vueuse/core'
import { readonly, ref, type Ref } from 'vue'

/** How wide a printed page is between its margins, in px: the narrower of A4 and US Letter. */
export const PAPER_WIDTH = 700

/** Whether the page is being printed: what reckons with the size of the window reckons with the sheet then, for nothing tells it anew. */
export function useOnPaper(): Readonly<Ref<boolean>> {
  const isOnPaper = ref(false)
  useEventListener(window, 'beforeprint', () => (isOnPaper.value = true))
  useEventListener(window, 'afterprint', () => (isOnPaper.value = false))
  return readonly(isOnPaper)
}
