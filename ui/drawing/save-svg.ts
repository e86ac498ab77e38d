/** What a drawing needs to look the same without the page’s own styles. */
const KEPT = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-linecap',
  'stroke-linejoin',
  'opacity',
  'font-family',
  'font-size',
  'font-weight',
  'text-anchor',
  'display',
  'visibility',
] as const

/** The text of an SVG file of a drawing as it stands on the page, with nothing to fetch and nothing to click. */
export function svgFileOf(drawing: SVGSVGElement): string {
  const copy = drawing.cloneNode(true) as SVGSVGElement
  const [from, to] = [drawing, copy].map(each => [each, ...each.querySelectorAll<SVGElement>('*')])
  from!.forEach((element, at) => {
    const style = getComputedStyle(element)
    const target = to![at]!
    for (const name of KEPT) {
      const value = style.getPropertyValue(name)
      if (value !== '') target.setAttribute(name, value)
    }
    for (const { name } of [...target.attributes])
      if (name === 'class' || name === 'style' || name === 'tabindex' || name.startsWith('data-'))
        target.removeAttribute(name)
  })
  const { width, height } = drawing.viewBox.baseVal
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg')
  copy.setAttribute('width', String(width))
  copy.setAttribute('height', String(height))
  return `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(copy)}\n`
}

/** Hands a drawing to whoever is at the page as a file. */
export function saveSvg(drawing: SVGSVGElement, name: string): void {
  const url = URL.createObjectURL(new Blob([svgFileOf(drawing)], { type: 'image/svg+xml' }))
  const link = document.createElement('a')
  link.href = url
  link.download = `${name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}.svg`
  link.click()
  URL.revokeObjectURL(url)
}
