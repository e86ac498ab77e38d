import { along, cross, dot, minus, without, HAIR, type Point, type Segment } from './plane'
import type { Opening } from '../model/floor-plan'
import { cornersOf, gapOf, inwardOf, wallsOf, type Room } from './room'
import { TARGET_HEIGHT, pointOf, type Movement, type Sensor } from './sensor'

/** Doors as they usually stand, or every one of them open. */
export type Doors = 'usually' | 'open'

/** What stands in the way of a sensor, ready to be looked along in any direction. */
export interface Scene {
  readonly from: Point
  readonly height: number
  /** What stops sight at any height: walls, glass, shut doors, open leaves. */
  readonly stops: readonly Segment[]
  /** What sight goes through, with its place among the openings. */
  readonly gaps: readonly (Segment & { readonly opening: number })[]
  readonly pieces: readonly { readonly corners: readonly Point[]; readonly height: number }[]
}

/** A stretch of a line of sight, in metres from the sensor. */
export type Stretch = [from: number, to: number]

/** What is before a sensor, doors as they usually stand or all of them open. */
export function sceneOf(room: Room, sensor: Sensor, doors: Doors): Scene {
  const isOpen = ({ kind, usually }: Opening) =>
    kind === 'bare' || (kind === 'door' && (doors === 'open' || usually === 'open'))
  const open = room.openings.map(isOpen)
  const stops = wallsOf(room).flatMap((wall, at) => piecesBetween(room, wall, at, open))
  const leaves = room.openings.flatMap((opening, at) =>
    open[at] && opening.kind === 'door' ? [leafOf(room, opening)] : [],
  )
  return {
    from: pointOf(room, sensor),
    height: sensor.height,
    stops: [...stops, ...leaves],
    gaps: room.openings.flatMap((opening, at) =>
      open[at] ? [{ ...gapOf(room, opening), opening: at }] : [],
    ),
    pieces: room.furniture.map(piece => ({ corners: cornersOf(piece), height: piece.height })),
  }
}

/** What is left of a wall between what is open in it. */
function piecesBetween(room: Room, wall: Segment, at: number, open: readonly boolean[]): Segment[] {
  const length = Math.hypot(wall.to.x - wall.from.x, wall.to.y - wall.from.y)
  const gaps = room.openings.flatMap(({ wall: of, from, width }, which): Stretch[] =>
    of === at && open[which] ? [[from, from + width]] : [],
  )
  return without([0, length], gaps)
    .filter(([from, to]) => to - from > HAIR)
    .map(([from, to]) => ({ from: along(wall, from), to: along(wall, to) }))
}

/** An open leaf stands square to its wall, at its hinge, as long as its opening is wide. */
export function leafOf(room: Room, opening: Opening): Segment {
  const gap = gapOf(room, opening)
  const from = opening.hinge === 'start' ? gap.from : gap.to
  const inward = inwardOf(room, opening.wall)
  const length = opening.swings === 'in' ? opening.width : -opening.width
  return { from, to: { x: from.x + inward.x * length, y: from.y + inward.y * length } }
}

/** How far along a line of sight a segment is met; null where it is not. */
function metAt({ x, y }: Point, way: Point, { from, to }: Segment): number | null {
  const sideX = to.x - from.x
  const sideY = to.y - from.y
  const turn = way.x * sideY - way.y * sideX
  if (Math.abs(turn) < 1e-12) return null
  const toX = from.x - x
  const toY = from.y - y
  const on = (toX * way.y - toY * way.x) / turn
  if (on < -1e-12 || on > 1 + 1e-12) return null
  const at = (toX * sideY - toY * sideX) / turn
  // Nothing that the sensor hangs on is before it.
  return at > 1e-7 ? at : null
}

/** How far one sees in a direction (of length 1) before a wall, glass, a shut door or a leaf. */
export function stopAlong({ from, stops }: Scene, way: Point): number {
  let nearest = Infinity
  for (const stop of stops) {
    const at = metAt(from, way, stop)
    if (at !== null && at < nearest) nearest = at
  }
  return nearest
}

/** The openings that a line of sight goes through, nearest first. */
export const gapsAlong = ({ from, gaps }: Scene, way: Point) =>
  gaps
    .flatMap(gap => {
      const at = metAt(from, way, gap)
      return at === null ? [] : [{ at, opening: gap.opening }]
    })
    .sort((one, other) => one.at - other.at)

/** Where a piece of furniture lies under a line of sight; null where it does not. */
function over(scene: Scene, way: Point, corners: readonly Point[]): Stretch | null {
  let low = Infinity
  let high = -Infinity
  let under = true
  for (const [at, corner] of corners.entries()) {
    const next = corners[(at + 1) % corners.length]!
    // The corners go against the clock: the sensor is over it when it lies left of every side.
    if (cross(minus(next, corner), minus(scene.from, corner)) < 0) under = false
    const met = metAt(scene.from, way, { from: corner, to: next })
    if (met === null) continue
    low = Math.min(low, met)
    high = Math.max(high, met)
  }
  if (high === -Infinity) return null
  return [under ? 0 : low, high]
}

/**
 * How far from the sensor a piece of furniture hides whatever moves at that height: the sight line runs straight from
 * the sensor’s height to the target’s, and is stopped where it passes below the piece’s top.
 */
function hiddenBy(height: number, [near, far]: Stretch, sensor: number, target: number): Stretch | null {
  if (sensor >= target) {
    if (height <= target) return null
    return [near, height >= sensor ? Infinity : (far * (sensor - target)) / (sensor - height)]
  }
  if (height <= sensor) return null
  return [height >= target ? near : (near * (target - sensor)) / (height - sensor), Infinity]
}

/** What is hidden along a direction of whoever moves so, by the furniture but for some pieces. */
export const hiddenAlong = (
  scene: Scene,
  way: Point,
  movement: Movement,
  except: ReadonlySet<number> = NONE,
): Stretch[] =>
  scene.pieces.flatMap(({ corners, height }, at): Stretch[] => {
    if (except.has(at)) return []
    const under = over(scene, way, corners)
    const hidden = under && hiddenBy(height, under, scene.height, TARGET_HEIGHT[movement])
    return hidden ? [hidden] : []
  })

const NONE: ReadonlySet<number> = new Set()

/** The stretches of floor that are in sight in a direction, whatever the sensor reaches. */
export function floorAlong(scene: Scene, way: Point, hidden: readonly Stretch[], most: number): Stretch[] {
  const end = Math.min(stopAlong(scene, way), most)
  const through = gapsAlong(scene, way).filter(({ at }) => at < end)
  // Out by one opening and in by the next: what lies beyond the walls is no floor of this room.
  const edges = [0, ...through.map(({ at }) => at), end]
  return edges
    .slice(0, -1)
    .flatMap((from, at) => (at % 2 === 0 ? without([from, edges[at + 1]!], hidden) : []))
}

/** Whether the straight line to a point is free for whoever moves so. */
export function isClear(
  scene: Scene,
  to: Point,
  movement: Movement,
  except: ReadonlySet<number> = NONE,
): boolean {
  const off = minus(to, scene.from)
  const metres = Math.sqrt(dot(off, off))
  if (metres < HAIR) return true
  const way = { x: off.x / metres, y: off.y / metres }
  if (stopAlong(scene, way) < metres - 1e-7) return false
  return hiddenAlong(scene, way, movement, except).every(
    ([from, end]) => metres <= from + 1e-9 || metres >= end - 1e-9,
  )
}
