import type { Point } from '../model/floor-plan'

export type { Point }

export interface Segment {
  readonly from: Point
  readonly to: Point
}

/** A metre of which nobody measures a thousandth. */
export const HAIR = 1e-9

export const minus = (one: Point, other: Point): Point => ({ x: one.x - other.x, y: one.y - other.y })
export const cross = (one: Point, other: Point): number => one.x * other.y - one.y * other.x
export const dot = (one: Point, other: Point): number => one.x * other.x + one.y * other.y
export const distance = (one: Point, other: Point): number => Math.hypot(one.x - other.x, one.y - other.y)

/** The point so many metres along a segment. */
export function along({ from, to }: Segment, metres: number): Point {
  const share = metres / distance(from, to)
  return { x: from.x + (to.x - from.x) * share, y: from.y + (to.y - from.y) * share }
}

/** Sides of a closed polygon, each from a corner to the next. */
export const sidesOf = (corners: readonly Point[]): Segment[] =>
  corners.map((from, at) => ({ from, to: corners[(at + 1) % corners.length]! }))

/** Square metres; less than 0 where the corners go round with the clock. */
export const signedArea = (corners: readonly Point[]): number =>
  sidesOf(corners).reduce((sum, { from, to }) => sum + cross(from, to), 0) / 2

/** Whether a point lies inside; one on a side may be told either way. */
export function isInside(point: Point, corners: readonly Point[]): boolean {
  let inside = false
  for (const { from, to } of sidesOf(corners))
    if (
      from.y > point.y !== to.y > point.y &&
      point.x < from.x + ((point.y - from.y) / (to.y - from.y)) * (to.x - from.x)
    )
      inside = !inside
  return inside
}

/** Where a segment meets another, as a share of each; null for parallel ones. */
export function meeting(one: Segment, other: Segment): { readonly of: number; readonly on: number } | null {
  const way = minus(one.to, one.from)
  const side = minus(other.to, other.from)
  const turn = cross(way, side)
  if (Math.abs(turn) < HAIR * HAIR) return null
  const between = minus(other.from, one.from)
  return { of: cross(between, side) / turn, on: cross(between, way) / turn }
}

/** How far a point lies from a segment. */
export function offSegment(point: Point, { from, to }: Segment): number {
  const way = minus(to, from)
  const share = Math.min(1, Math.max(0, dot(minus(point, from), way) / dot(way, way)))
  return distance(point, { x: from.x + way.x * share, y: from.y + way.y * share })
}

/**
 * Square metres of a polygon that none of some others covers. Between two neighbouring upright lines through all
 * corners and meetings every side is straight and meets no other, so the line half way says the strip’s mean.
 */
export function areaWithout(corners: readonly Point[], covers: readonly (readonly Point[])[]): number {
  const sides = [corners, ...covers].flatMap(sidesOf)
  const lines = sides.map(({ from }) => from.x)
  for (const [at, one] of sides.entries())
    for (const other of sides.slice(at + 1)) {
      const met = meeting(one, other)
      if (met && met.of >= 0 && met.of <= 1 && met.on >= 0 && met.on <= 1)
        lines.push(one.from.x + (one.to.x - one.from.x) * met.of)
    }
  lines.sort((one, other) => one - other)
  let area = 0
  for (const [at, left] of lines.slice(0, -1).entries()) {
    const right = lines[at + 1]!
    if (right - left > HAIR) area += (right - left) * openOn((left + right) / 2, corners, covers)
  }
  return area
}

/** Metres of an upright line inside a polygon and under none of the others. */
function openOn(x: number, corners: readonly Point[], covers: readonly (readonly Point[])[]): number {
  const crossingsOf = (polygon: readonly Point[]) =>
    sidesOf(polygon)
      .filter(({ from, to }) => from.x > x !== to.x > x)
      .map(({ from, to }) => from.y + ((x - from.x) / (to.x - from.x)) * (to.y - from.y))
      .sort((one, other) => one - other)
  const pairs = (crossings: readonly number[]) =>
    crossings.flatMap((low, at): [number, number][] => (at % 2 === 0 ? [[low, crossings[at + 1]!]] : []))
  const covered = covers.flatMap(each => pairs(crossingsOf(each)))
  return pairs(crossingsOf(corners))
    .flatMap(span => without(span, covered))
    .reduce((sum, [low, high]) => sum + high - low, 0)
}

/** What is left of a span once others are taken out of it. */
export function without(
  span: readonly [number, number],
  others: readonly (readonly [number, number])[],
): [number, number][] {
  let left: [number, number][] = [[span[0], span[1]]]
  for (const [low, high] of others)
    left = left.flatMap(([from, to]): [number, number][] => {
      if (high <= from || low >= to) return [[from, to]]
      const pieces: [number, number][] = [
        [from, low],
        [high, to],
      ]
      return pieces.filter(piece => piece[1] > piece[0])
    })
  return left
}
