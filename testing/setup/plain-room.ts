import type { Room } from '@/core/setup/room'
import type { Aim, Movement, Sensor } from '@/core/setup/sensor'

/**
 * Whether one point of a floor is seen, worked out for that point alone: each wall, leaf and piece of furniture is held
 * against the straight line to it. Floors are counted point by point.
 */

type XY = readonly [number, number]

const HEIGHTS = { walking: 1.2, small: 0.8 }

const xy = (point: { readonly x: number; readonly y: number }): XY => [point.x, point.y]

const isLeft = (a: XY, b: XY, c: XY) => (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])

/** Whether two segments cross, by which side of each the ends of the other lie. */
const crosses = (a: XY, b: XY, c: XY, d: XY) =>
  isLeft(a, b, c) > 0 !== isLeft(a, b, d) > 0 && isLeft(c, d, a) > 0 !== isLeft(c, d, b) > 0

/** By how often the outline goes round a point. */
function winds(point: XY, corners: readonly XY[]): boolean {
  let turns = 0
  corners.forEach((a, at) => {
    const b = corners[(at + 1) % corners.length]!
    if (a[1] <= point[1]) {
      if (b[1] > point[1] && isLeft(a, b, point) > 0) turns++
    } else if (b[1] <= point[1] && isLeft(a, b, point) < 0) turns--
  })
  return turns !== 0
}

export interface PlainRoom {
  readonly floorCount: number
  readonly seen: (to: XY, movement: Movement, aim: Aim, seat?: boolean) => boolean
  readonly throughOwn: (to: XY, opening: number) => boolean
  readonly points: readonly XY[]
  readonly doorPoint: (opening: number) => XY
}

export function plainRoom(room: Room, sensor: Sensor, perSide: number, doorsOpen = false): PlainRoom {
  const corners = room.corners.map(xy)
  const outline = (at: number) => [corners[at]!, corners[(at + 1) % corners.length]!] as const
  const round = corners.reduce((sum, a, at) => {
    const b = corners[(at + 1) % corners.length]!
    return sum + (b[0] - a[0]) * (b[1] + a[1])
  }, 0)
  /** Into the room, square to a wall. */
  const into = (wall: number): XY => {
    const [a, b] = outline(wall)
    const length = Math.hypot(b[0] - a[0], b[1] - a[1])
    const left: XY = [(a[1] - b[1]) / length, (b[0] - a[0]) / length]
    return round < 0 ? left : [-left[0], -left[1]]
  }
  const onWall = (wall: number, metres: number): XY => {
    const [a, b] = outline(wall)
    const length = Math.hypot(b[0] - a[0], b[1] - a[1])
    return [a[0] + ((b[0] - a[0]) * metres) / length, a[1] + ((b[1] - a[1]) * metres) / length]
  }
  const stands = room.openings.map(
    ({ kind, usually }) => kind === 'bare' || (kind === 'door' && (doorsOpen || usually === 'open')),
  )
  const leaves = room.openings.flatMap((each, at): (readonly [XY, XY])[] => {
    if (!stands[at] || each.kind !== 'door') return []
    const hinge = onWall(each.wall, each.hinge === 'start' ? each.from : each.from + each.width)
    const way = into(each.wall)
    const long = each.swings === 'in' ? each.width : -each.width
    return [[hinge, [hinge[0] + way[0] * long, hinge[1] + way[1] * long]]]
  })
  const from: XY = sensor.kind === 'ceiling' ? xy(sensor.at) : onWall(sensor.wall, sensor.along)
  const axis: XY = sensor.kind === 'ceiling' ? [1, 0] : into(sensor.wall)

  /** Openings that the line goes through, and whether it is stopped. */
  function path(to: XY): { readonly stopped: boolean; readonly through: { at: number; share: number }[] } {
    const through: { at: number; share: number }[] = []
    let stopped = leaves.some(([a, b]) => crosses(from, to, a, b))
    corners.forEach((_, wall) => {
      if (sensor.kind === 'wall' && sensor.wall === wall) return
      const [a, b] = outline(wall)
      if (!crosses(from, to, a, b)) return
      const one = isLeft(a, b, from)
      const share = one / (one - isLeft(a, b, to))
      const met: XY = [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share]
      const metres = Math.hypot(met[0] - a[0], met[1] - a[1])
      const opening = room.openings.findIndex(
        (each, at) =>
          stands[at] && each.wall === wall && metres > each.from && metres < each.from + each.width,
      )
      if (opening < 0) stopped = true
      else through.push({ at: opening, share })
    })
    return { stopped, through }
  }

  /** Along a line in the frame of a piece of furniture: the shares of it at which it enters and leaves. */
  function clipped(to: XY, at: number): readonly [number, number] | null {
    const { centre, width, depth, turned } = room.furniture[at]!
    const angle = (turned / 180) * Math.PI
    const local = ([x, y]: XY): XY => {
      const [dx, dy] = [x - centre.x, y - centre.y]
      return [dx * Math.cos(angle) + dy * Math.sin(angle), dy * Math.cos(angle) - dx * Math.sin(angle)]
    }
    const [a, b] = [local(from), local(to)]
    let [low, high] = [0, 1]
    for (const [axisAt, size] of [
      [0, width / 2],
      [1, depth / 2],
    ] as const) {
      const step = b[axisAt] - a[axisAt]
      if (step === 0) {
        if (Math.abs(a[axisAt]) > size) return null
        continue
      }
      const [one, other] = [(-size - a[axisAt]) / step, (size - a[axisAt]) / step]
      low = Math.max(low, Math.min(one, other))
      high = Math.min(high, Math.max(one, other))
    }
    return low < high ? [low, high] : null
  }

  const isUnder = (to: XY, at: number): boolean => {
    const piece = clipped(to, at)
    return piece !== null && piece[1] === 1
  }

  function hidden(to: XY, movement: Movement, seat: boolean): boolean {
    return room.furniture.some(({ height }, at) => {
      const piece = clipped(to, at)
      if (!piece || (seat && piece[1] === 1)) return false
      const above = (share: number) => sensor.height + (HEIGHTS[movement] - sensor.height) * share
      return height > Math.min(above(piece[0]), above(piece[1]))
    })
  }

  function inReach(to: XY, movement: Movement, { left, right, sensitivity }: Aim): boolean {
    const [x, y] = [to[0] - from[0], to[1] - from[1]]
    const metres = Math.hypot(x, y)
    if (sensor.kind === 'ceiling')
      return metres <= ((sensor.reach[movement] * Math.min(sensor.height, sensor.upTo)) / 2.5) * sensitivity
    const off = (Math.acos(Math.min(1, Math.max(-1, (x * axis[0] + y * axis[1]) / metres))) * 180) / Math.PI
    const toTheLeft = axis[0] * y - axis[1] * x > 0
    if (off > 90 || off > (toTheLeft ? left : right)) return false
    const [ahead, half, aside] = sensor.reach[movement]
    const reach =
      off < 45 ? ahead * (1 - off / 45) + half * (off / 45) : half * (2 - off / 45) + aside * (off / 45 - 1)
    return metres <= reach * sensitivity
  }

  const xs = corners.map(([x]) => x)
  const ys = corners.map(([, y]) => y)
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const points: XY[] = []
  for (let i = 0; i < perSide; i++)
    for (let j = 0; j < perSide; j++) {
      const point: XY = [x0 + ((x1 - x0) * (i + 0.5)) / perSide, y0 + ((y1 - y0) * (j + 0.5)) / perSide]
      if (
        winds(point, corners) &&
        !room.furniture.some(({ height }, at) => height > 1.2 && isUnder(point, at))
      )
        points.push(point)
    }
  return {
    floorCount: points.length,
    points,
    seen: (to, movement, aim, seat = false) =>
      inReach(to, movement, aim) && !path(to).stopped && !hidden(to, movement, seat),
    throughOwn: (to, opening) =>
      path(to)
        .through.sort((one, other) => one.share - other.share)
        .at(-1)?.at === opening,
    doorPoint: opening => {
      const { wall, from: begins, width } = room.openings[opening]!
      const middle = onWall(wall, begins + width / 2)
      const way = into(wall)
      return [middle[0] + way[0] / 2, middle[1] + way[1] / 2]
    },
  }
}
