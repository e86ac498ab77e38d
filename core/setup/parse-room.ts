import { fault, good, refused, type Fault, type Result } from '../model/result'
import { distance, isInside, meeting, offSegment, sidesOf, type Point, type Segment } from './plane'
import { wallsOf, type Room } from './room'

/** Nobody walks in less, and no sensor reaches further. */
const LONGEST_WALL = 100
const MOST = { corners: 60, openings: 40, furniture: 60, seats: 60, heat: 30 } as const

/** A room that hangs together, or everything that is wrong with it, each at its field. */
export function parseRoom(room: Room): Result<Room> {
  const faults = [...faultsOfWalls(room), ...faultsOfCounts(room)]
  if (faults.length > 0) return refused(...faults)
  const inside = [...faultsOfOpenings(room), ...faultsOfContents(room)]
  return inside.length > 0 ? refused(...inside) : good(room)
}

function faultsOfCounts(room: Room): Fault[] {
  const long = Object.entries(MOST).filter(([name, most]) => room[name as keyof typeof MOST].length > most)
  return [
    ...long.map(([name, most]) => fault(`/${name}`, 'too-many', `at most ${most}`)),
    ...(room.height >= 1.8 && room.height <= 15
      ? []
      : [fault('/height', 'range', 'a room is 1.8 m to 15 m high')]),
  ]
}

function faultsOfWalls({ corners }: Room): Fault[] {
  if (corners.length < 3) return [fault('/corners', 'too-few', 'a room has three walls at least')]
  const sides = sidesOf(corners)
  const faults = sides.flatMap(({ from, to }, at) => {
    const length = distance(from, to)
    return length >= 0.05 && length <= LONGEST_WALL
      ? []
      : [fault(`/corners/${at}`, 'range', `wall ${at} is ${length.toFixed(2)} m long: 0.05 m to 100 m`)]
  })
  if (faults.length > 0) return faults
  for (const [at, one] of sides.entries())
    for (const [beside, other] of sides.entries()) {
      if (beside <= at) continue
      const isNext = beside === at + 1 || (at === 0 && beside === sides.length - 1)
      if (isNext ? foldsBack(one, other) : touch(one, other))
        faults.push(fault(`/corners/${beside}`, 'crosses', `wall ${beside} meets wall ${at}`))
    }
  return faults
}

/** Walls that follow each other share a corner: no more. */
function foldsBack(one: Segment, other: Segment): boolean {
  const shared = distance(one.to, other.from) === 0
  const [ends, apart] = shared ? [one.from, other.to] : [one.to, other.from]
  return offSegment(ends, other) < 1e-6 || offSegment(apart, one) < 1e-6
}

function touch(one: Segment, other: Segment): boolean {
  const met = meeting(one, other)
  if (met && met.of >= 0 && met.of <= 1 && met.on >= 0 && met.on <= 1) return true
  return [one.from, one.to].some(end => offSegment(end, other) < 1e-6)
}

function faultsOfOpenings(room: Room): Fault[] {
  const walls = wallsOf(room)
  return room.openings.flatMap((opening, at) => {
    const { wall, from, width, passage, kind } = opening
    const path = `/openings/${at}`
    const side = walls[wall]
    if (!side) return [fault(`${path}/wall`, 'no-such-wall', `there is no wall ${wall}`)]
    const length = distance(side.from, side.to)
    const faults: Fault[] = []
    if (!(width > 0) || width > length + 1e-9)
      faults.push(fault(`${path}/width`, 'range', `its wall is ${length.toFixed(2)} m long`))
    else if (from < 0 || from + width > length + 1e-9)
      faults.push(
        fault(
          `${path}/from`,
          'range',
          `it begins between 0 m and ${(length - width).toFixed(2)} m along its wall`,
        ),
      )
    const over = room.openings
      .slice(0, at)
      .findIndex(other => other.wall === wall && other.from < from + width && from < other.from + other.width)
    if (over >= 0) faults.push(fault(`${path}/from`, 'overlaps', `opening ${over} stands there`))
    if (passage && kind === 'window')
      faults.push(fault(`${path}/passage`, 'no-way', 'nobody is seen through glass'))
    if (passage && !(passage.width > 0 && passage.width <= distance(passage.from, passage.to) + 1e-9))
      faults.push(fault(`${path}/passage/width`, 'range', 'a passage is as long as it is wide, or longer'))
    return faults
  })
}

function faultsOfContents({ corners, furniture, seats, heat, height }: Room): Fault[] {
  const outside = (point: Point) =>
    !isInside(point, corners) && sidesOf(corners).every(side => offSegment(point, side) > 1e-6)
  const notInside = (path: string, point: Point) =>
    outside(point) ? [fault(path, 'outside', 'it lies outside the walls')] : []
  return [
    ...furniture.flatMap((piece, at) => [
      ...notInside(`/furniture/${at}/centre`, piece.centre),
      ...(['width', 'depth'] as const).flatMap(side =>
        piece[side] >= 0.05 && piece[side] <= 20
          ? []
          : [fault(`/furniture/${at}/${side}`, 'range', '0.05 m to 20 m')],
      ),
      ...(piece.height > 0 && piece.height <= height
        ? []
        : [fault(`/furniture/${at}/height`, 'range', 'more than 0 m, and no higher than the room')]),
    ]),
    ...seats.flatMap(({ at: seat }, at) => notInside(`/seats/${at}/at`, seat)),
    ...heat.flatMap((point, at) => notInside(`/heat/${at}`, point)),
  ]
}
