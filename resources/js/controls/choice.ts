/** One of a list to choose from. */
export interface Choice<T> {
  id: T
  name: string
  /** it stands there and cannot be chosen; the name says why */
  barred?: boolean
  /** the heading it stands under; those of one heading stand together */
  group?: string
}
/** The choices of a table of names. */
export const choicesOf = <T extends string>(names: Record<T, string>): Choice<T>[] =>
  (Object.keys(names) as T[]).map((id) => ({ id, name: names[id] }))
/** Whether the list opens upward: where there is more room. */
export const opensUp = (control: Element): boolean => {
  const { top, bottom } = control.getBoundingClientRect()
  return window.innerHeight - bottom < LIST_HEIGHT && top > window.innerHeight - bottom
}
const LIST_HEIGHT = 330
