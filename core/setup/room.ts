import type { FloorPlan, Furniture, Opening } from '../model/floor-plan'
import { distance, sidesOf, signedArea, along, type Point, type Segment } from './plane'

/** A room as a sensor sees it. */
export type Room = FloorPlan

/** Wall 0 goes from the first corner to the second. */
export const wallsOf = ({ corners }: Room): Segment[] => sidesOf(corners)

/** The part of a wall that an opening takes. */
export function gapOf(room: Room, { wall, from, width }: Opening): Segment {
  const side = wallsOf(room)[wall]!
  return { from: along(side, from), to: along(side, from + width) }
}

/** The direction into the room, square to a wall; of length 1. */
export function inwardOf(room: Room, wall: number): Point {
  const { from, to } = wallsOf(room)[wall]!
  const length = distance(from, to)
  const against = signedArea(room.corners) > 0 ? 1 : -1
  return { x: (-(to.y - from.y) / length) * against, y: ((to.x - from.x) / length) * against }
}

/** Of a piece of furniture on the floor, against the clock. */
export function cornersOf({ centre, width, depth, turned }: Furniture): Point[] {
  const angle = (turned * Math.PI) / 180
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
  return (
    [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ] as const
  ).map(([right, up]) => {
    const [x, y] = [(right * width) / 2, (up * depth) / 2]
    return { x: centre.x + x * cos - y * sin, y: centre.y + x * sin + y * cos }
  })
}
