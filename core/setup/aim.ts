import { distance, isInside } from './plane'
import type { Room } from './room'
import { areaIn, eyesOf, isSpotSeen, passageSeen, seenBy, type Eyes, type Seen } from './seen'
import { aimsOf, isInField, pointOf, type Aim, type CeilingSensor, type Sensor } from './sensor'

/** One way to set a sensor, with what it is judged by. */
export interface Aimed {
  readonly aim: Aim
  /** Doors and seats that are seen. */
  readonly spots: number
  /** Metres of passages that are seen, doors as they usually stand. */
  readonly passage: number
  /** Whole half metres of that: less than one is none. */
  readonly halfMetres: number
  /** Share of the floor in which somebody who walks is seen. */
  readonly floor: number
}

export interface AimResult {
  readonly best: Aimed
  readonly seen: Seen
  /** Every way that no other beats in everything, the best among them; by spots, then passage, then floor. */
  readonly tradeOff: readonly Aimed[]
  /** What no way of setting it sees: openings and seats, from 0. */
  readonly never: { readonly doors: readonly number[]; readonly seats: readonly number[] }
  /** How many ways there are. */
  readonly ways: number
}

/** A setting that sees less of the floor than this share of what the widest sees is not proposed. */
const LEAST = 0.5

/**
 * How to set a sensor: of the ways that see half the floor the widest one sees, those that see most doors and seats; of
 * them those that see least of the passages; of them the one that sees most floor. Where two are alike in all of it the
 * one with the wider shutters, then the greater sensitivity.
 */
export function aimSensor(room: Room, sensor: Sensor): AimResult {
  const eyes = eyesOf(room, sensor)
  const floors = floorsOf(eyes)
  const all = aimsOf(sensor).map((aim): Aimed => {
    const passage = eyes.passages.reduce((sum, _, at) => sum + passageSeen(eyes, at, aim, 'usually'), 0)
    return {
      aim,
      spots: spotsSeen(eyes, aim),
      passage,
      halfMetres: Math.floor(passage / 0.5 + 1e-6),
      floor: floors(aim),
    }
  })
  const widest = Math.max(...all.map(({ floor }) => floor))
  const proposed = all.filter(({ floor }) => floor >= LEAST * widest - 1e-9).sort(byWorth)
  return {
    best: proposed[0]!,
    seen: seenBy(eyes, proposed[0]!.aim),
    tradeOff: unbeaten(proposed),
    never: neverSeen(eyes, all),
    ways: all.length,
  }
}

const byWorth = (one: Aimed, other: Aimed) =>
  other.spots - one.spots ||
  one.halfMetres - other.halfMetres ||
  (Math.abs(other.floor - one.floor) > 1e-9 ? other.floor - one.floor : 0)

function spotsSeen({ sensor, doors, seats }: Eyes, aim: Aim): number {
  const ofDoors = doors.filter(spot => spot && isSpotSeen(sensor, aim, spot, 'walking')).length
  return ofDoors + seats.filter(spot => isSpotSeen(sensor, aim, spot, 'small')).length
}

/** The share of the floor that is seen walking, for every way: the rays are summed once for each step of the dial. */
function floorsOf(eyes: Eyes): (aim: Aim) => number {
  const sums = new Map<number, readonly number[]>()
  const rays = eyes.rays
  const sumsFor = (aim: Aim) => {
    const kept = sums.get(aim.sensitivity)
    if (kept) return kept
    let sum = 0
    const made = [0, ...rays.map(ray => (sum += areaIn(eyes, ray, aim, 'walking')))]
    sums.set(aim.sensitivity, made)
    return made
  }
  // No ray lies on a shutter’s edge: the edges part the rays.
  return aim => {
    const first = rays.findIndex(({ degrees }) => isInField(eyes.sensor, aim, degrees))
    const last = rays.findLastIndex(({ degrees }) => isInField(eyes.sensor, aim, degrees))
    const made = sumsFor(aim)
    return first < 0 ? 0 : (made[last + 1]! - made[first]!) / eyes.floor
  }
}

/** No point worse in everything, or as good in everything and no better. */
function unbeaten(sorted: readonly Aimed[]): Aimed[] {
  const kept: Aimed[] = []
  for (const each of sorted)
    if (
      !kept.some(
        ({ spots, halfMetres, floor }) =>
          spots >= each.spots && halfMetres <= each.halfMetres && floor >= each.floor - 1e-9,
      )
    )
      kept.push(each)
  return kept
}

function neverSeen({ sensor, doors, seats }: Eyes, all: readonly Aimed[]): AimResult['never'] {
  const ways = all.map(({ aim }) => aim)
  return {
    doors: doors.flatMap((spot, at) =>
      spot && !ways.some(aim => isSpotSeen(sensor, aim, spot, 'walking')) ? [at] : [],
    ),
    seats: seats.flatMap((spot, at) =>
      ways.some(aim => isSpotSeen(sensor, aim, spot, 'small')) ? [] : [at],
    ),
  }
}

export interface Cure {
  readonly sensor: Sensor
  /** Metres from where the sensor hangs now. */
  readonly metres: number
  readonly best: Aimed
}

/** Whether it sees every door and seat, and no passage. */
export const seesAll = (room: Room, { spots, halfMetres }: Aimed): boolean =>
  halfMetres === 0 &&
  spots === room.openings.filter(({ kind }) => kind !== 'window').length + room.seats.length

/** Of a hall as large as a field nobody tries every point: so many of the nearest. */
const MOST_LOOKED = 2000

/**
 * The nearest of other places and kinds that sees every door and seat and no passage, and at how many was looked: null
 * where none of those does, which says nothing of any further away.
 */
export function nearestCure(
  room: Room,
  from: Sensor,
  others: readonly Sensor[],
): { readonly cure: Cure | null; readonly looked: number } {
  const here = pointOf(room, from)
  const nearest = others
    .map(sensor => ({ sensor, metres: distance(here, pointOf(room, sensor)) }))
    .sort((one, other) => one.metres - other.metres)
    .slice(0, MOST_LOOKED)
  for (const [at, each] of nearest.entries()) {
    const { best } = aimSensor(room, each.sensor)
    if (seesAll(room, best)) return { cure: { ...each, best }, looked: at + 1 }
  }
  return { cure: null, looked: nearest.length }
}

/** Every point of the ceiling a quarter of a metre apart, for a kind that hangs there. */
export function ceilingPoints(room: Room, kind: Omit<CeilingSensor, 'at'>): CeilingSensor[] {
  const [xs, ys] = [room.corners.map(({ x }) => x), room.corners.map(({ y }) => y)]
  const points: CeilingSensor[] = []
  for (let x = Math.min(...xs) + GRID; x < Math.max(...xs); x += GRID)
    for (let y = Math.min(...ys) + GRID; y < Math.max(...ys); y += GRID)
      if (isInside({ x, y }, room.corners)) points.push({ ...kind, at: { x, y } })
  return points
}

const GRID = 0.25
