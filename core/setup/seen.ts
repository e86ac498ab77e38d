import { areaWithout, distance, meeting, sidesOf, type Point, type Segment } from './plane'
import { cornersOf, gapOf, inwardOf, type Room } from './room'
import {
  angleOff,
  axisOf,
  fullReach,
  isInField,
  MOVEMENTS,
  TARGET_HEIGHT,
  type Aim,
  type Movement,
  type Sensor,
} from './sensor'
import {
  floorAlong,
  gapsAlong,
  hiddenAlong,
  isClear,
  sceneOf,
  type Doors,
  type Scene,
  type Stretch,
} from './sight'

/** What a sensor sees of a room, set as it is. */
export interface Seen {
  /** Square metres of floor under nothing taller than 1.2 m. */
  readonly floor: number
  /** Shares of that floor: somebody who walks there is seen; a small movement there is. */
  readonly share: Readonly<Record<Movement, number>>
  /** Of each opening whether who comes in is seen; null for a window. */
  readonly doors: readonly (boolean | null)[]
  readonly seats: readonly boolean[]
  readonly heat: readonly boolean[]
  /** Metres of each passage in which a walker is seen. */
  readonly passages: readonly PassageSeen[]
}

export interface PassageSeen {
  readonly opening: number
  readonly metres: Readonly<Record<Doors, number>>
}

/** A direction, with what is in sight in it; its weight is the angle it stands for, in radians. */
export interface Ray {
  readonly degrees: number
  readonly weight: number
  readonly floor: Readonly<Record<Movement, readonly Stretch[]>>
}

interface Spot {
  readonly degrees: number
  readonly metres: number
  readonly clear: boolean
}

interface PassageSight {
  readonly opening: number
  readonly line: Segment
  readonly clear: Readonly<Record<Doors, readonly Stretch[]>>
}

/** A sensor’s eyes: everything that does not hang on how it is set, looked at once. */
export interface Eyes {
  readonly room: Room
  readonly sensor: Sensor
  readonly from: Point
  readonly axis: Point
  readonly floor: number
  /** By their angle, from the right to the left. */
  readonly rays: readonly Ray[]
  readonly doors: readonly (Spot | null)[]
  readonly seats: readonly Spot[]
  readonly heat: readonly Spot[]
  readonly passages: readonly PassageSight[]
}

/** Whoever comes in is looked for so many metres inside the middle of the opening. */
const INSIDE = 0.5
/** Warmth so near is seen wherever it is in the field; further off only near the axis. */
const HEAT_NEAR = 1
const HEAT_OFF_AXIS = 20
/** A direction never stands for more than this. */
const WIDEST = 1.5
/** Where a passage comes into sight is looked for this closely, then halved down. */
const STEP = 0.02

/** Looks round a room once from where a sensor hangs: how it is set is asked of what comes out, within a frame. */
export function eyesOf(room: Room, sensor: Sensor): Eyes {
  const usually = sceneOf(room, sensor, 'usually')
  const scenes = { usually, open: sceneOf(room, sensor, 'open') }
  const axis = axisOf(room, sensor)
  const spotAt = (to: Point, clear: boolean): Spot => ({
    degrees: angleOff(axis, usually.from, to),
    metres: distance(usually.from, to),
    clear,
  })
  const doors = room.openings.map(opening => {
    if (opening.kind === 'window') return null
    const { from, to } = gapOf(room, opening)
    const inward = inwardOf(room, opening.wall)
    const at = { x: (from.x + to.x) / 2 + inward.x * INSIDE, y: (from.y + to.y) / 2 + inward.y * INSIDE }
    return spotAt(at, isClear(usually, at, 'walking'))
  })
  return {
    room,
    sensor,
    from: usually.from,
    axis,
    floor: areaWithout(
      room.corners,
      room.furniture.filter(({ height }) => height > TARGET_HEIGHT.walking).map(cornersOf),
    ),
    rays: raysOf(room, sensor, usually, axis),
    doors,
    seats: room.seats.map(({ at }) => spotAt(at, isClear(usually, at, 'small', piecesUnder(room, at)))),
    heat: room.heat.map(at => spotAt(at, true)),
    passages: room.openings.flatMap(({ passage }, opening) => {
      if (!passage) return []
      const line = { from: passage.from, to: passage.to }
      const clear = {
        usually: clearOn(scenes.usually, line, opening),
        open: clearOn(scenes.open, line, opening),
      }
      return [{ opening, line, clear }]
    }),
  }
}

/** What a sensor sees, set like that. */
export function seenBy(eyes: Eyes, aim: Aim): Seen {
  const { sensor, floor } = eyes
  const isSeen = (movement: Movement) => (spot: Spot) => isSpotSeen(sensor, aim, spot, movement)
  const share = (movement: Movement) =>
    eyes.rays.reduce(
      (sum, ray) => sum + (isInField(sensor, aim, ray.degrees) ? areaIn(eyes, ray, aim, movement) : 0),
      0,
    ) / floor
  return {
    floor,
    share: { walking: share('walking'), small: share('small') },
    doors: eyes.doors.map(spot => spot && isSeen('walking')(spot)),
    seats: eyes.seats.map(isSeen('small')),
    heat: eyes.heat.map(spot => isHeatSeen(sensor, aim, spot)),
    passages: eyes.passages.map(({ opening }, at) => ({
      opening,
      metres: { usually: passageSeen(eyes, at, aim, 'usually'), open: passageSeen(eyes, at, aim, 'open') },
    })),
  }
}

/** Whether a door or a seat is in the field, within reach, and the way to it free. */
export const isSpotSeen = (sensor: Sensor, aim: Aim, { degrees, metres, clear }: Spot, movement: Movement) =>
  clear &&
  isInField(sensor, aim, degrees) &&
  metres <= fullReach(sensor, movement, degrees) * aim.sensitivity + 1e-9

/** By distance and angle alone: warmth comes round what stands before it. */
function isHeatSeen(sensor: Sensor, aim: Aim, { degrees, metres }: Spot): boolean {
  if (!isInField(sensor, aim, degrees)) return false
  if (metres <= HEAT_NEAR + 1e-9) return true
  if (sensor.kind === 'ceiling' || Math.abs(degrees) > HEAT_OFF_AXIS + 1e-9) return false
  return metres <= fullReach(sensor, 'walking', degrees) * aim.sensitivity + 1e-9
}

/** Square metres that are seen in the angle a ray stands for. */
export function areaIn(
  { sensor }: Eyes,
  { degrees, weight, floor }: Ray,
  { sensitivity }: Aim,
  movement: Movement,
) {
  const reach = fullReach(sensor, movement, degrees) * sensitivity
  let area = 0
  for (const [from, to] of floor[movement]) {
    if (from >= reach) continue
    const end = Math.min(to, reach)
    area += ((end * end - from * from) / 2) * weight
  }
  return area
}

/** Between any two directions in which something begins or ends, sight changes smoothly: three rays say all of it. */
function raysOf(room: Room, sensor: Sensor, scene: Scene, axis: Point): Ray[] {
  const half = sensor.kind === 'ceiling' ? 180 : 90
  const own = sensor.kind === 'ceiling' ? [] : sensor.shutters.flatMap(each => [each, -each])
  const edges = [
    -half,
    half,
    -45,
    0,
    45,
    ...own,
    ...cornersInSight(scene).map(at => angleOff(axis, scene.from, at)),
  ]
    .filter(each => Math.abs(each) <= half)
    .sort((one, other) => one - other)
  const most = Math.max(...MOVEMENTS.flatMap(each => [0, 45, 90].map(off => fullReach(sensor, each, off))))
  return edges.slice(0, -1).flatMap((from, at) => {
    const width = edges[at + 1]! - from
    if (width < 1e-7) return []
    const parts = Math.ceil(width / WIDEST)
    return Array.from({ length: parts }, (_, part) => from + (width * (part + 0.5)) / parts).flatMap(middle =>
      GAUSS.map(([off, weight]): Ray => {
        const degrees = middle + (off * width) / parts / 2
        const way = turned(axis, degrees)
        return {
          degrees,
          weight: (weight * width * Math.PI) / 180 / parts / 2,
          floor: {
            walking: floorAlong(scene, way, hiddenAlong(scene, way, 'walking'), most),
            small: floorAlong(scene, way, hiddenAlong(scene, way, 'small'), most),
          },
        }
      }),
    )
  })
}

/** The three points and weights of Gauss for -1 to 1. */
const GAUSS = [
  [-Math.sqrt(3 / 5), 5 / 9],
  [0, 8 / 9],
  [Math.sqrt(3 / 5), 5 / 9],
] as const

function turned({ x, y }: Point, degrees: number): Point {
  const angle = (degrees * Math.PI) / 180
  return { x: x * Math.cos(angle) - y * Math.sin(angle), y: x * Math.sin(angle) + y * Math.cos(angle) }
}

/** Every point at which something begins, ends or meets something else. */
function cornersInSight({ stops, gaps, pieces }: Scene): Point[] {
  const sides = pieces.map(({ corners }) => sidesOf(corners))
  const lines = [...stops, ...gaps, ...sides.flat()]
  const met = sides.flat().flatMap(side =>
    lines.flatMap(line => {
      const at = line === side ? null : meeting(side, line)
      return at && at.of > 0 && at.of < 1 && at.on > 0 && at.on < 1
        ? [
            {
              x: side.from.x + (side.to.x - side.from.x) * at.of,
              y: side.from.y + (side.to.y - side.from.y) * at.of,
            },
          ]
        : []
    }),
  )
  return [...lines.flatMap(({ from, to }) => [from, to]), ...met]
}

/** The furniture that somebody sits or lies on: it hides nobody who does. */
const piecesUnder = (room: Room, at: Point): ReadonlySet<number> =>
  new Set(
    room.furniture.flatMap((piece, which) => {
      const angle = (-piece.turned * Math.PI) / 180
      const [x, y] = [at.x - piece.centre.x, at.y - piece.centre.y]
      const right = Math.abs(x * Math.cos(angle) - y * Math.sin(angle))
      const up = Math.abs(x * Math.sin(angle) + y * Math.cos(angle))
      return right <= piece.width / 2 + 1e-9 && up <= piece.depth / 2 + 1e-9 ? [which] : []
    }),
  )

const pointOn = ({ from, to }: Segment, metres: number): Point => {
  const share = metres / distance(from, to)
  return { x: from.x + (to.x - from.x) * share, y: from.y + (to.y - from.y) * share }
}

/** Where on a passage’s middle line a walker is in sight through its own opening, whatever the sensor reaches. */
function clearOn(scene: Scene, line: Segment, opening: number): Stretch[] {
  return stretchesWhere(0, distance(line.from, line.to), metres => {
    const to = pointOn(line, metres)
    const off = distance(scene.from, to)
    if (off < 1e-9) return false
    const way = { x: (to.x - scene.from.x) / off, y: (to.y - scene.from.y) / off }
    const through = gapsAlong(scene, way).filter(({ at }) => at < off)
    return through.at(-1)?.opening === opening && isClear(scene, to, 'walking')
  })
}

/** Metres of a passage in which a walker is seen, its sensor set like that. */
export function passageSeen(
  { sensor, axis, from, passages }: Eyes,
  at: number,
  aim: Aim,
  doors: Doors,
): number {
  const { line, clear } = passages[at]!
  const isSeen = (metres: number) => {
    const to = pointOn(line, metres)
    const degrees = angleOff(axis, from, to)
    return (
      isInField(sensor, aim, degrees) &&
      distance(from, to) <= fullReach(sensor, 'walking', degrees) * aim.sensitivity
    )
  }
  return clear[doors]
    .flatMap(([low, high]) => stretchesWhere(low, high, isSeen))
    .reduce((sum, [low, high]) => sum + high - low, 0)
}

/** Where something holds between two lengths: looked at every two centimetres, its ends halved down. */
function stretchesWhere(low: number, high: number, holds: (metres: number) => boolean): Stretch[] {
  const steps = Math.max(1, Math.ceil((high - low) / STEP))
  const found: Stretch[] = []
  let since: number | null = null
  let before = low
  for (let step = 0; step <= steps; step++) {
    // Never on an end itself: what holds there may be told either way.
    const at = low + ((high - low) * Math.min(steps - 1e-6, Math.max(1e-6, step))) / steps
    const isSo = holds(at)
    if (isSo && since === null) since = step === 0 ? low : edge(before, at, holds)
    if (!isSo && since !== null) {
      found.push([since, edge(at, before, holds)])
      since = null
    }
    before = at
  }
  if (since !== null) found.push([since, high])
  return found
}

/** Between a length at which it does not hold and one at which it does, where it begins to. */
function edge(not: number, does: number, holds: (metres: number) => boolean): number {
  let [out, inside] = [not, does]
  while (Math.abs(inside - out) > 1e-7) {
    const middle = (out + inside) / 2
    if (holds(middle)) inside = middle
    else out = middle
  }
  return inside
}
