import type { FloorPlan, Hanging, Opening, Passage, PlanOfRoom, Point } from '../model/floor-plan'
import { along, cross, distance, dot, minus, offSegment, type Segment } from './plane'
import { gapOf, inwardOf, wallsOf } from './room'

/** What stands on a plan, by its place in its list. */
export type ThingKind = 'corner' | 'opening' | 'furniture' | 'seat' | 'heat' | 'hanging'
export interface Thing {
  readonly kind: ThingKind
  readonly at: number
}

/** A rectangle from 0, 0: wall 0 along its lower edge. */
export const rectangle = (width: number, depth: number): Point[] => [
  { x: 0, y: 0 },
  { x: width, y: 0 },
  { x: width, y: depth },
  { x: 0, y: depth },
]

/** Width and depth of a floor that is a rectangle on its axes; null of any other. */
export function sidesOfRectangle({ corners }: FloorPlan): { width: number; depth: number } | null {
  const [a, b, c, d, ...more] = corners
  if (!a || !b || !c || !d || more.length > 0) return null
  const square = a.y === b.y && b.x === c.x && c.y === d.y && d.x === a.x
  return square ? { width: Math.abs(b.x - a.x), depth: Math.abs(c.y - b.y) } : null
}

export const EMPTY_PLAN: Omit<PlanOfRoom, 'corners'> = {
  height: 2.5,
  openings: [],
  furniture: [],
  seats: [],
  heat: [],
  hangings: [],
}

/** To the centimetre, as a tape is read. */
const tidy = (metres: number) => Math.round(metres * 100) / 100 + 0
const tidyPoint = ({ x, y }: Point): Point => ({ x: tidy(x), y: tidy(y) })

/** A passage as one stands in its opening: along the wall, beginning so far before the opening, or straight away from it. */
export interface PassageBeside {
  readonly runs: 'along' | 'away'
  readonly width: number
  readonly length: number
  /** Metres that it begins before the opening, as one goes along the wall; of one that runs away: 0. */
  readonly before: number
}

const unit = ({ from, to }: Segment): Point => {
  const length = distance(from, to)
  return { x: (to.x - from.x) / length, y: (to.y - from.y) / length }
}

const at = ({ x, y }: Point, way: Point, metres: number, aside: Point = ZERO, far = 0): Point => ({
  x: x + way.x * metres + aside.x * far,
  y: y + way.y * metres + aside.y * far,
})
const ZERO: Point = { x: 0, y: 0 }

const outwardOf = (plan: FloorPlan, wall: number): Point => {
  const { x, y } = inwardOf(plan, wall)
  return { x: -x, y: -y }
}

/** Where a passage beside an opening lies. */
export function passageAt(plan: FloorPlan, opening: Opening, beside: PassageBeside): Passage {
  const gap = gapOf(plan, opening)
  const way = unit(gap)
  const out = outwardOf(plan, opening.wall)
  if (beside.runs === 'away') {
    const middle = along(gap, opening.width / 2)
    return { from: middle, to: at(middle, out, beside.length), width: beside.width }
  }
  const from = at(gap.from, way, -beside.before, out, beside.width / 2)
  return { from, to: at(from, way, beside.length), width: beside.width }
}

/** How the passage of an opening lies to it. */
export function passageBeside(plan: FloorPlan, opening: Opening): PassageBeside | null {
  if (!opening.passage) return null
  const { from, to, width } = opening.passage
  const gap = gapOf(plan, opening)
  const way = unit(gap)
  const line = minus(to, from)
  const length = distance(from, to)
  if (Math.abs(cross(way, line)) > Math.abs(dot(way, line)))
    return { runs: 'away', width, length: tidy(length), before: 0 }
  const first = dot(way, line) >= 0 ? from : to
  return { runs: 'along', width, length: tidy(length), before: tidy(-dot(way, minus(first, gap.from))) }
}

/** A passage goes where its opening goes, and lies to it as it lay. */
function anchored(before: PlanOfRoom, after: PlanOfRoom): PlanOfRoom {
  if (after.openings.length !== before.openings.length) return after
  return {
    ...after,
    openings: after.openings.map((opening, index) => {
      const was = before.openings[index]!
      if (!was.passage || !wallsOf(after)[opening.wall]) return opening
      const [old, now] = [frameOf(before, was), frameOf(after, opening)]
      if (JSON.stringify(old) === JSON.stringify(now)) return opening
      const carried = (point: Point): Point => {
        const off = minus(point, old.from)
        return at(now.from, now.way, dot(off, old.way), now.out, dot(off, old.out))
      }
      const { from, to, width } = was.passage
      return { ...opening, passage: { from: carried(from), to: carried(to), width } }
    }),
  }
}

/** Where an opening begins, which way it goes, and which way is out. */
const frameOf = (plan: PlanOfRoom, opening: Opening) => {
  const gap = gapOf(plan, opening)
  return { from: gap.from, way: unit(gap), out: outwardOf(plan, opening.wall) }
}

const withCorners = (plan: PlanOfRoom, corners: readonly Point[]): PlanOfRoom =>
  anchored(plan, { ...plan, corners: corners.map(tidyPoint) })

/** A rectangle of other sides; what stands in it stays where it is. */
export const resized = (plan: PlanOfRoom, width: number, depth: number): PlanOfRoom =>
  withCorners(plan, rectangle(width, depth))

/**
 * A wall of another length: the corners after it go along, up to the next wall that runs as it does and makes up for it;
 * where none does its end alone moves.
 */
export function withWallOf(plan: PlanOfRoom, wall: number, metres: number): PlanOfRoom {
  const walls = wallsOf(plan)
  const side = walls[wall]
  if (!side) return plan
  const way = unit(side)
  const more = metres - distance(side.from, side.to)
  const count = walls.length
  const makesUp = Array.from({ length: count - 2 }, (_, step) => (wall + 1 + step) % count).find(
    index => Math.abs(cross(unit(walls[index]!), way)) < 1e-6,
  )
  const moving = new Set<number>()
  for (let corner = (wall + 1) % count; ; corner = (corner + 1) % count) {
    moving.add(corner)
    if (makesUp === undefined || corner === makesUp) break
  }
  return withCorners(
    plan,
    plan.corners.map((corner, index) => (moving.has(index) ? at(corner, way, more) : corner)),
  )
}

/** A corner in a wall, so far along it: what hangs on it beyond hangs on the new wall. */
export function cornerAdded(plan: PlanOfRoom, wall: number, metres: number): PlanOfRoom {
  const side = wallsOf(plan)[wall]
  if (!side) return plan
  const onNew = <Of extends { readonly wall: number }>(
    of: Of,
    start: number,
    put: (from: number) => Of,
  ): Of =>
    of.wall > wall
      ? { ...of, wall: of.wall + 1 }
      : of.wall === wall && start >= metres
        ? { ...put(tidy(start - metres)), wall: wall + 1 }
        : of
  const corners = [...plan.corners]
  corners.splice(wall + 1, 0, tidyPoint(along(side, metres)))
  return {
    ...plan,
    corners,
    openings: plan.openings.map(opening => onNew(opening, opening.from, from => ({ ...opening, from }))),
    hangings: plan.hangings.map(hanging =>
      hanging.on === 'ceiling'
        ? hanging
        : onNew(hanging, hanging.along, from => ({ ...hanging, along: from })),
    ),
  }
}

/** A corner taken out: the two walls at it are one, with what hangs on either. */
export function cornerRemoved(plan: PlanOfRoom, corner: number): PlanOfRoom {
  const count = plan.corners.length
  if (count <= 3) return plan
  const walls = wallsOf(plan)
  const before = (corner - 1 + count) % count
  const first = walls[before]!
  const added = distance(first.from, first.to)
  // Walls are counted anew without it.
  const joined = corner === 0 ? count - 2 : before
  const named = (wall: number) =>
    wall === corner || wall === before ? joined : wall > corner ? wall - 1 : wall
  const onJoined = <Of extends { readonly wall: number }>(
    of: Of,
    start: number,
    put: (from: number) => Of,
  ): Of => ({
    ...(of.wall === corner ? put(tidy(start + added)) : of),
    wall: named(of.wall),
  })
  return {
    ...plan,
    corners: plan.corners.filter((_, index) => index !== corner),
    openings: plan.openings.map(opening => onJoined(opening, opening.from, from => ({ ...opening, from }))),
    hangings: plan.hangings.map(hanging =>
      hanging.on === 'ceiling'
        ? hanging
        : onJoined(hanging, hanging.along, from => ({ ...hanging, along: from })),
    ),
  }
}

/** Where a thing is; of what stands in a wall its middle. Null where there is none. */
export function whereIs(plan: PlanOfRoom, { kind, at: index }: Thing): Point | null {
  const walls = wallsOf(plan)
  switch (kind) {
    case 'corner':
      return plan.corners[index] ?? null
    case 'opening': {
      const opening = plan.openings[index]
      const wall = opening && walls[opening.wall]
      return opening && wall ? along(wall, opening.from + opening.width / 2) : null
    }
    case 'furniture':
      return plan.furniture[index]?.centre ?? null
    case 'seat':
      return plan.seats[index]?.at ?? null
    case 'heat':
      return plan.heat[index] ?? null
    case 'hanging': {
      const hanging = plan.hangings[index]
      return hanging ? pointOfHanging(plan, hanging) : null
    }
  }
}

export function pointOfHanging(plan: FloorPlan, hanging: Hanging): Point | null {
  if (hanging.on === 'ceiling') return hanging.at
  const wall = wallsOf(plan)[hanging.wall]
  return wall ? along(wall, hanging.along) : null
}

const swapped = <Item>(list: readonly Item[], index: number, item: Item): Item[] =>
  list.map((each, other) => (other === index ? item : each))

/** The wall nearest to a point, and how far along it the nearest spot lies. */
export function nearestWall(
  plan: FloorPlan,
  point: Point,
): { readonly wall: number; readonly along: number } {
  const walls = wallsOf(plan)
  const wall = walls
    .map((side, index) => ({ index, off: offSegment(point, side) }))
    .sort((one, other) => one.off - other.off || one.index - other.index)[0]!.index
  const side = walls[wall]!
  const length = distance(side.from, side.to)
  return { wall, along: Math.max(0, Math.min(length, dot(unit(side), minus(point, side.from)))) }
}

const kept = (metres: number, least: number, most: number) =>
  tidy(Math.max(least, Math.min(Math.max(least, most), metres)))

/** A thing moved to a point; what stands in a wall goes to the nearest one, whole. */
export function movedTo(plan: PlanOfRoom, thing: Thing, point: Point): PlanOfRoom {
  const { kind, at: index } = thing
  const to = tidyPoint(point)
  switch (kind) {
    case 'corner':
      return withCorners(plan, swapped(plan.corners, index, to))
    case 'furniture':
      return { ...plan, furniture: swapped(plan.furniture, index, { ...plan.furniture[index]!, centre: to }) }
    case 'seat':
      return { ...plan, seats: swapped(plan.seats, index, { ...plan.seats[index]!, at: to }) }
    case 'heat':
      return { ...plan, heat: swapped(plan.heat, index, to) }
    case 'opening': {
      const opening = plan.openings[index]!
      const near = nearestWall(plan, point)
      const from = kept(near.along - opening.width / 2, 0, lengthOf(plan, near.wall) - opening.width)
      return anchored(plan, {
        ...plan,
        openings: swapped(plan.openings, index, { ...opening, wall: near.wall, from }),
      })
    }
    case 'hanging': {
      const hanging = plan.hangings[index]!
      if (hanging.on === 'ceiling')
        return { ...plan, hangings: swapped(plan.hangings, index, { ...hanging, at: to }) }
      const near = nearestWall(plan, point)
      const spot = kept(near.along, 0.01, lengthOf(plan, near.wall) - 0.01)
      return {
        ...plan,
        hangings: swapped(plan.hangings, index, { ...hanging, wall: near.wall, along: spot }),
      }
    }
  }
}

/** Metres. */
export function lengthOf(plan: FloorPlan, wall: number): number {
  const side = wallsOf(plan)[wall]
  return side ? distance(side.from, side.to) : 0
}

/** The plan without a thing. */
export function without(plan: PlanOfRoom, { kind, at: index }: Thing): PlanOfRoom {
  const rest = <Item>(list: readonly Item[]) => list.filter((_, other) => other !== index)
  switch (kind) {
    case 'corner':
      return cornerRemoved(plan, index)
    case 'opening':
      return { ...plan, openings: rest(plan.openings) }
    case 'furniture':
      return { ...plan, furniture: rest(plan.furniture) }
    case 'seat':
      return { ...plan, seats: rest(plan.seats) }
    case 'heat':
      return { ...plan, heat: rest(plan.heat) }
    case 'hanging':
      return { ...plan, hangings: rest(plan.hangings) }
  }
}

/** The middle of what lies within the walls: where something new is put down first. */
export function middleOf({ corners }: FloorPlan): Point {
  const [xs, ys] = [corners.map(({ x }) => x), corners.map(({ y }) => y)]
  return tidyPoint({
    x: (Math.min(...xs) + Math.max(...xs)) / 2,
    y: (Math.min(...ys) + Math.max(...ys)) / 2,
  })
}

/** The first stretch of wall free for an opening of a width; null where none is. */
export function freeWall(
  plan: FloorPlan,
  width: number,
): { readonly wall: number; readonly from: number } | null {
  for (const wall of plan.corners.keys()) {
    const taken = plan.openings
      .filter(each => each.wall === wall)
      .map(each => ({ from: each.from, to: each.from + each.width }))
      .sort((one, other) => one.from - other.from)
    let start = 0.1
    for (const { from, to } of [...taken, { from: lengthOf(plan, wall), to: 0 }]) {
      if (from - start >= width) return { wall, from: tidy(start) }
      start = Math.max(start, to + 0.05)
    }
  }
  return null
}
