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
const LIST_HEIGHT = 322
/** Whether what opens under a control opens over it instead: where there is too little room below, and all of it fits above. */
export const opensUp = (control: Element, height = LIST_HEIGHT): boolean => {
  const { top, bottom } = control.getBoundingClientRect()
  return window.innerHeight - bottom < height && top >= height
}
