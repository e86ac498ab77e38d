import type { MouseEvent } from 'react'

const SAMPLES = 48

/**
 * The strand whose line passes nearest to where a finger came down: strands lie close, and the wide strokes that
 * catch a finger cover each other. Null where the drawing has none.
 */
export function nearestStrand({ currentTarget, clientX, clientY }: MouseEvent<SVGElement>): string | null {
  const paths = currentTarget.ownerSVGElement?.querySelectorAll<SVGPathElement>('[data-strand] .strand-touch')
  let nearest: string | null = null
  let least = Infinity
  for (const path of paths ?? []) {
    const matrix = path.getScreenCTM()
    if (!matrix) continue
    const at = new DOMPoint(clientX, clientY).matrixTransform(matrix.inverse())
    const length = path.getTotalLength()
    for (let sample = 0; sample <= SAMPLES; sample++) {
      const point = path.getPointAtLength((length * sample) / SAMPLES)
      const distance = Math.hypot(point.x - at.x, point.y - at.y)
      if (distance >= least) continue
      least = distance
      nearest = path.closest<SVGElement>('[data-strand]')?.dataset.strand ?? null
    }
  }
  return nearest
}
