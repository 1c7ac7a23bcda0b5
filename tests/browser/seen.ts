import type { Page } from './test'

/**
 * What is plainly wrong on the page as it lies there now, in words: it runs out to the right, words are cut, words lie on words. Only what
 * is measured here is believed: boxes of the words themselves, not of what they stand in.
 */
export async function seenFaults(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const faults: string[] = []
    // on paper nothing is scrolled
    const onPaper = matchMedia('print').matches
    const cuts = (how: string) => how === 'hidden' || how === 'clip' || (onPaper && (how === 'auto' || how === 'scroll'))
    const over = document.documentElement.scrollWidth - window.innerWidth
    if (over > 1) faults.push(`the page runs out by ${over}`)

    const seen = (element: Element) =>
      element.checkVisibility({ opacityProperty: true, visibilityProperty: true, contentVisibilityAuto: true })
    const short = (text: string) => (text.length > 40 ? `${text.slice(0, 40)}…` : text)
    const bare = (text: string) => text.replace(/^[·,;:\s]+/u, '')
    type Words = { text: string; box: DOMRect; of: Element; layer: Element | null; picture: SVGSVGElement | null }
    const words: Words[] = []
    /** What stands still while the rest scrolls may lie over it. */
    const layerOf = (element: Element): Element | null => {
      for (let one: Element | null = element; one; one = one.parentElement) {
        const { position, zIndex } = getComputedStyle(one)
        if (
          position === 'fixed' ||
          position === 'sticky' ||
          (position === 'absolute' && zIndex !== 'auto') ||
          one.matches('dialog, [popover]')
        )
          return one
      }
      return null
    }
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const text = node.textContent?.trim() ?? ''
      const of = node.parentElement
      if (!text || !of || of.closest('script, style, noscript, template, [aria-hidden=true].sr-only, .sr-only') || !seen(of)) continue
      const unput = /(?<![\w:/])(:[a-z_]\w*)/.exec(text)
      if (unput) faults.push(`${unput[1]} stands in "${short(text)}" where something was to be put in`)
      const range = document.createRange()
      range.selectNodeContents(node)
      // one word in two lines: broken where no language would
      const lines = new Set([...range.getClientRects()].map((box) => Math.round(box.top)))
      if (lines.size > 1 && /^[\p{L}’]{3,24}$/u.test(text)) faults.push(`"${text}" is broken within the word`)
      for (const box of range.getClientRects())
        if (box.width > 1 && box.height > 1) words.push({ text, box, of, layer: layerOf(of), picture: of.closest('svg') })
    }

    /** What a field asks for where nothing is in it. */
    for (const field of document.querySelectorAll<HTMLInputElement>('input[placeholder]')) {
      if (field.value || !field.placeholder || !seen(field)) continue
      const style = getComputedStyle(field)
      const pen = document.createElement('canvas').getContext('2d')!
      pen.font = style.font
      const wide = pen.measureText(field.placeholder).width + parseFloat(style.paddingLeft) + parseFloat(style.paddingRight)
      if (wide > field.clientWidth + 3 && field.closest('[title]')?.getAttribute('title') !== field.placeholder)
        faults.push(`a field cuts "${field.placeholder}"`)
    }

    /** Words beyond what cuts off at its edge, beside which nothing says the whole. */
    const said = new Set<string>()
    const say = (fault: string) => {
      if (!said.has(fault)) faults.push(fault)
      said.add(fault)
    }
    for (const { text, box, of, picture } of words) {
      if (picture) {
        const frame = picture.getBoundingClientRect()
        const beyond = Math.max(frame.left - box.left, box.right - frame.right, frame.top - box.top, box.bottom - frame.bottom)
        if (beyond > 3 && getComputedStyle(picture).overflow !== 'visible') say(`"${short(text)}" is cut by its picture`)
        continue
      }
      for (let one: Element | null = of; one && one !== document.body; one = one.parentElement) {
        const style = getComputedStyle(one)
        const frame = one.getBoundingClientRect()
        const x = style.overflowX
        const y = style.overflowY
        const whole = one.closest('[title]')?.getAttribute('title')?.trim()
        if (cuts(x) && Math.max(box.right - frame.right, frame.left - box.left) > 2 && frame.width > 0) {
          if (!whole?.includes(bare(text))) say(`"${short(text)}" is cut at the side`)
          break
        }
        if (cuts(y) && Math.max(box.bottom - frame.bottom, frame.top - box.top) > box.height * 0.4 && frame.height > 0) {
          if (!whole?.includes(bare(text))) say(`"${short(text)}" is cut in height`)
          break
        }
        if (x === 'auto' || x === 'scroll' || y === 'auto' || y === 'scroll') break
        if (style.position === 'fixed') break
      }
    }

    /** What of the words is left by all that scrolls or cuts around them; nothing where they are scrolled away. */
    const visible = (word: Words): Words | null => {
      let { left, right, top, bottom } = word.box
      for (let one = word.of as Element | null; one && one !== document.body; one = one.parentElement) {
        const { overflowX, overflowY, position } = getComputedStyle(one)
        const frame = one.getBoundingClientRect()
        if (overflowX !== 'visible') [left, right] = [Math.max(left, frame.left), Math.min(right, frame.right)]
        if (overflowY !== 'visible') [top, bottom] = [Math.max(top, frame.top), Math.min(bottom, frame.bottom)]
        if (position === 'fixed') break
      }
      return right - left > 1 && bottom - top > 1 ? { ...word, box: new DOMRect(left, top, right - left, bottom - top) } : null
    }
    /** Words that lie on words. */
    const order = words.flatMap((word) => visible(word) ?? []).sort((a, b) => a.box.top - b.box.top)
    for (let i = 0; i < order.length; i++) {
      const a = order[i]!
      for (let j = i + 1; j < order.length; j++) {
        const b = order[j]!
        if (b.box.top > a.box.bottom) break
        if (a.layer !== b.layer || a.of === b.of) continue
        const wide = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left)
        const high = Math.min(a.box.bottom, b.box.bottom) - Math.max(a.box.top, b.box.top)
        // lines of large letters reach into each other's boxes, not into each other
        if (wide > 3 && high > Math.min(a.box.height, b.box.height) * 0.45)
          say(`"${short(a.text)}" and "${short(b.text)}" lie on each other`)
      }
    }
    return faults
  })
}
