const FACES = { text: '"Atkinson Hyperlegible Next",system-ui,sans-serif', names: 'Piazzolla,Georgia,serif' }

/** A picture of a figure that stands alone: no colour, style or font of the page is needed to read it. */
export const standalone = (
  svg: SVGSVGElement,
  about: { title: string; view: string; sides: [string, string] },
  painting: HTMLCanvasElement | null = null,
): string => {
  const copy = svg.cloneNode(true) as SVGSVGElement
  copy.querySelectorAll('.zones').forEach((one) => one.remove())
  const [x = 0, y = 0, w = 100, h = 100] = copy.getAttribute('viewBox')?.split(' ').map(Number) ?? []
  const head = w * 0.09
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg')
  copy.setAttribute('viewBox', `${x} ${y - head} ${w} ${h + head}`)
  copy.setAttribute('width', '1000')
  copy.setAttribute('height', String(Math.round((1000 * (h + head)) / w)))
  for (const name of ['class', 'tabindex', 'aria-label', 'role']) copy.removeAttribute(name)
  const make = (tag: string, attributes: Record<string, string | number>, text?: string) => {
    const one = document.createElementNS('http://www.w3.org/2000/svg', tag)
    Object.entries(attributes).forEach(([name, value]) => one.setAttribute(name, String(value)))
    if (text) one.textContent = text
    return one
  }
  const size = w * 0.03
  const line = (text: string, at: number, anchor: string, row: number, italic = false) =>
    make(
      'text',
      {
        x: at,
        y: y - head + size * row,
        'text-anchor': anchor,
        'font-size': size * (italic ? 1 : 0.8),
        'font-family': italic ? FACES.names : FACES.text,
        'font-style': italic ? 'italic' : 'normal',
        fill: 'var(--color-walnut)',
      },
      text,
    )
  const edge = size * 0.5
  copy.prepend(
    make('title', {}, `${about.title}, ${about.view}`),
    make('rect', { x, y: y - head, width: w, height: h + head, fill: 'var(--mark-halo)' }),
    // what lies under the marks is painted, and goes along as it is
    ...(painting ? [make('image', { x, y, width: w, height: h, preserveAspectRatio: 'none', href: painting.toDataURL('image/png') })] : []),
  )
  // the head of the sheet covers what the window would have cut off
  copy.append(
    make('rect', { x, y: y - head, width: w, height: head, fill: 'var(--mark-halo)' }),
    line(about.sides[0], x + edge, 'start', 1.2, true),
    line(about.sides[1], x + w - edge, 'end', 1.2, true),
    line(about.title, x + w / 2, 'middle', 1.2),
    line(about.view, x + w / 2, 'middle', 2.3),
  )
  const here = getComputedStyle(svg)
  const resolve = (text: string): string =>
    text.replace(/var\((--[\w-]+)(?:,[^()]*(?:\([^()]*\))?)?\)/g, (whole, name: string) => here.getPropertyValue(name).trim() || whole)
  copy.removeAttribute('style')
  return resolve(resolve(new XMLSerializer().serializeToString(copy)))
}

/** Gives a file to the browser to keep. */
export const saveBlob = (blob: Blob, name: string): void => {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(blob)
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
}

/** Gives the figure to the browser to keep, as vector or as a picture three times its size on the screen. */
export const saveFigure = async (
  svg: SVGSVGElement,
  kind: 'svg' | 'png',
  about: { title: string; view: string; sides: [string, string] },
  painting: HTMLCanvasElement | null,
): Promise<void> => {
  const text = standalone(svg, about, painting)
  const name = `${about.title.toLowerCase().replace(/[^a-z0-9]+/g, '-')}-${svg.dataset['view'] ?? 'figure'}.${kind}`
  const vector = new Blob([text], { type: 'image/svg+xml' })
  if (kind === 'svg') return saveBlob(vector, name)
  const image = new Image()
  image.src = URL.createObjectURL(vector)
  await image.decode()
  const canvas = document.createElement('canvas')
  canvas.width = 1500
  canvas.height = Math.round((1500 * image.naturalHeight) / image.naturalWidth)
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height)
  URL.revokeObjectURL(image.src)
  const picture = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'))
  if (picture) saveBlob(picture, name)
}
