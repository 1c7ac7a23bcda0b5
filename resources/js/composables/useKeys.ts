import { useEventListener } from '@vueuse/core'

/** Single keys for what is on the screen; silent while somebody types. Every key is also shown on its control. */
export function useKeys(keys: Record<string, (event: KeyboardEvent) => void>): void {
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    const target = event.target as HTMLElement | null
    const typing = target?.closest('input:not([type=radio]):not([type=checkbox]), textarea, select, [contenteditable], [role=dialog]')
    // out of a field the keys of the page answer again; what opens and closes by itself takes the first one
    if (typing && event.key === 'Escape' && !target?.closest('[role=dialog], [role=combobox]')) target?.blur()
    if (event.ctrlKey || event.metaKey || event.altKey || typing) return
    const act = keys[event.key.length === 1 ? event.key.toLowerCase() : event.key]
    if (!act) return
    // a focused button keeps its own space and enter
    if ((event.key === ' ' || event.key === 'Enter') && target?.closest('button, a, summary')) return
    event.preventDefault()
    act(event)
  })
}
