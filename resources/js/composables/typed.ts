import type { Directive } from 'vue'

type Field = HTMLInputElement | HTMLTextAreaElement
const shown = new WeakMap<Field, string>()
const show = (field: Field): void => {
  const now = shown.get(field) ?? ''
  if (document.activeElement !== field && field.value !== now) field.value = now
}
const told = (field: Field, value: string | number | undefined): void => void shown.set(field, String(value ?? ''))

/**
 * The value of a field that keeps what is typed when it is left (`change`). `:value` would be written into the field
 * whenever anything on the page is drawn anew, over the words in hand; this waits until the field is left.
 */
export const vTyped: Directive<Field, string | number | undefined> = {
  mounted(field, { value }) {
    told(field, value)
    show(field)
    // a change is heard before the field is left, and is drawn after it
    field.addEventListener('blur', () => queueMicrotask(() => show(field)))
  },
  updated(field, { value }) {
    told(field, value)
    show(field)
  },
}
