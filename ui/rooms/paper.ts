import type { FloorPlan, Point } from '@/core/model/floor-plan'

/** Units of the drawing for a metre. */
const SCALE = 100
/** Round the walls there is room for their lengths. */
const MARGIN = 0.14
/** Of the greater side: letters that are read at arm’s length. */
const LETTER = 0.036

/** How a plan lies on its sheet: upright, to scale. */
export interface Paper {
  readonly viewBox: string
  /** Height of letters, in units of the drawing; other sizes go by it. */
  readonly letter: number
  at(point: Point): { readonly x: number; readonly y: number }
  /** Units for so many metres. */
  size(metres: number): number
  /** So many letters from a point in a direction; nearer where the sheet ends before. */
  within(from: Point, way: Point, letters: number): { readonly x: number; readonly y: number }
  /** The outline through some points, as a path. */
  path(points: readonly Point[]): string
  /** The point of the floor under a place on the screen. */
  pointAt(svg: SVGSVGElement, x: number, y: number): Point
}

export function sheetOf({ corners, openings }: FloorPlan): Paper {
  const all = [...corners, ...openings.flatMap(({ passage }) => (passage ? [passage.from, passage.to] : []))]
  const [xs, ys] = [all.map(({ x }) => x), all.map(({ y }) => y)]
  const [left, right] = [Math.min(...xs), Math.max(...xs)]
  const [low, high] = [Math.min(...ys), Math.max(...ys)]
  const around = Math.max(0.45, MARGIN * Math.max(right - left, high - low))
  const at = ({ x, y }: Point) => ({
    x: round((x - left + around) * SCALE),
    y: round((high - y + around) * SCALE),
  })
  const width = (right - left + 2 * around) * SCALE
  const height = (high - low + 2 * around) * SCALE
  const letter = Math.max(width, height) * LETTER
  const within = (from: Point, way: Point, letters: number) => {
    const start = at(from)
    // A handle is two letters wide, and lies whole on the sheet.
    const room = (here: number, by: number, whole: number) =>
      by === 0 ? Infinity : by > 0 ? (whole - letter - here) / by : (here - letter) / -by
    const far = Math.max(
      0,
      Math.min(letters * letter, room(start.x, way.x, width), room(start.y, -way.y, height)),
    )
    return { x: round(start.x + way.x * far), y: round(start.y - way.y * far) }
  }
  return {
    within,
    viewBox: `0 0 ${round(width)} ${round(height)}`,
    letter,
    at,
    size: metres => round(metres * SCALE),
    path: points =>
      `${points
        .map((point, index) => {
          const { x, y } = at(point)
          return `${index === 0 ? 'M' : 'L'}${x} ${y}`
        })
        .join('')}Z`,
    pointAt: (svg, x, y) => {
      const matrix = svg.getScreenCTM()
      if (!matrix) return { x: 0, y: 0 }
      const on = new DOMPoint(x, y).matrixTransform(matrix.inverse())
      return { x: on.x / SCALE - around + left, y: high + around - on.y / SCALE }
    },
  }
}

const round = (value: number) => Math.round(value * 10) / 10
