/**
 * A list that acts on what is chosen. Typing in a list walks through what begins with the letters, and each stop on the way is a change:
 * such a one waits for Enter, or until the list is left; a choice by pointer counts at once.
 */
export function useList(choose: (event: Event) => void): {
  change: (event: Event) => void
  keydown: (event: KeyboardEvent) => void
  blur: (event: Event) => void
} {
  let typed = false
  const take = (event: Event) => {
    typed = false
    choose(event)
  }
  return {
    change: (event) => {
      if (!typed) take(event)
    },
    keydown: (event) => {
      if (event.key === 'Enter' && typed) {
        event.preventDefault()
        take(event)
      } else if (event.key.length === 1 || event.key.startsWith('Arrow') || ['Home', 'End', 'PageUp', 'PageDown'].includes(event.key))
        typed = true
    },
    blur: (event) => {
      if (typed) take(event)
    },
  }
}
