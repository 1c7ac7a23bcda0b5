import { useEventListener } from '@vueuse/core'
import { onScopeDispose, shallowReactive } from 'vue'
import { useFinder } from './useFinder'

/** What a key does on a page, for the list under "?". */
export type KeyHelp = [keys: string, does: string]

/** What the pages on the screen say of their keys, whoever opened them last first. */
export const keysHere = shallowReactive(new Set<readonly KeyHelp[]>())

/**
 * Single keys for what is on the screen; silent while somebody types. Every key is also shown on its control, and told under "?" where
 * `help` says what it does.
 */
export function useKeys(keys: Record<string, (event: KeyboardEvent) => void>, help: readonly KeyHelp[] = []): void {
  if (help.length) {
    keysHere.add(help)
    onScopeDispose(() => keysHere.delete(help))
  }
  const { open } = useFinder()
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    const target = event.target as HTMLElement | null
    const typing = target?.closest('input:not([type=radio]):not([type=checkbox]), textarea, select, [contenteditable], [role=dialog]')
    // out of a field the keys of the page answer again; what opens and closes by itself takes the first one
    if (typing && event.key === 'Escape' && !target?.closest('[role=dialog], [role=combobox]')) target?.blur()
    // what stands over the page has the keys, also while it is still opening
    if (event.ctrlKey || event.metaKey || event.altKey || typing || open.value) return
    const act = keys[event.key.length === 1 ? event.key.toLowerCase() : event.key]
    if (!act) return
    // a focused button keeps its own space and enter
    if ((event.key === ' ' || event.key === 'Enter') && target?.closest('button, a, summary')) return
    event.preventDefault()
    act(event)
  })
}
