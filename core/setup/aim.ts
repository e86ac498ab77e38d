import type { Room } from './room'
import { areaIn, eyesOf, isSpotSeen, passageSeen, seenBy, type Eyes, type Seen } from './seen'
import { aimsOf, isInField, type Aim, type Sensor } from './sensor'

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
