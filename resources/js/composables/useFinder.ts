import { ref } from 'vue'

/** What stands over whatever page is open: the finder under "/", and the list of keys under "?". */
const open = ref<'finder' | 'keys' | null>(null)
/** The treatment room has both in its own way: dark, and deaf to a stray touch. */
const inRoom = (): boolean => /^\/visits\/[^/]+\/work$/.test(location.pathname)

export const useFinder = () => ({
  open,
  find: (): void => {
    // a page that finds in a field of its own is asked there
    const own = document.querySelector<HTMLInputElement>('[data-find]')
    if (own) own.focus()
    else if (!inRoom()) open.value = 'finder'
  },
  keys: (): void => {
    if (!inRoom()) open.value = 'keys'
  },
  close: (): void => void (open.value = null),
})
