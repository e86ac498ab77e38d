import { along, minus, dot, cross, type Point } from './plane'
import { inwardOf, wallsOf, type Room } from './room'

/** What moves: somebody who walks, or who sits and moves a hand. */
export const MOVEMENTS = ['walking', 'small'] as const
export type Movement = (typeof MOVEMENTS)[number]

/** Heights in metres that a sight line runs to. */
export const TARGET_HEIGHT: Readonly<Record<Movement, number>> = { walking: 1.2, small: 0.8 }

/** A sensor where it hangs, with what its sheet says of it. */
export type Sensor = WallSensor | CeilingSensor

export interface WallSensor {
  readonly kind: 'wall'
  readonly wall: number
  /** Metres from the start of its wall. */
  readonly along: number
  /** Metres above the floor. */
  readonly height: number
  /** Metres at full sensitivity, at 0°, 45° and 90° off its axis. */
  readonly reach: Readonly<Record<Movement, readonly [number, number, number]>>
  /** Degrees off the axis that each shutter can cut the field to; 90 is open. */
  readonly shutters: readonly number[]
  /** Shares of the full reach that its dial has steps for. */
  readonly sensitivities: readonly number[]
}

export interface CeilingSensor {
  readonly kind: 'ceiling'
  readonly at: Point
  readonly height: number
  /** Metres of its circle on the floor, hung at 2.5 m. */
  readonly reach: Readonly<Record<Movement, number>>
  /** Hung higher than this many metres it sees no more. */
  readonly upTo: number
  readonly sensitivities: readonly number[]
}

/** How a sensor is set: degrees off the axis to the left and to the right, as one looks into the room; and the dial. */
export interface Aim {
  readonly left: number
  readonly right: number
  readonly sensitivity: number
}

export const OPEN = 90
const SHEET_HEIGHT = 2.5

/** Where it hangs, on the floor plan. */
export const pointOf = (room: Room, sensor: Sensor): Point =>
  sensor.kind === 'ceiling' ? sensor.at : along(wallsOf(room)[sensor.wall]!, sensor.along)

/** The direction in which it looks; a ceiling kind looks everywhere alike, and counts from the right. */
export const axisOf = (room: Room, sensor: Sensor): Point =>
  sensor.kind === 'ceiling' ? { x: 1, y: 0 } : inwardOf(room, sensor.wall)

/** Degrees off the axis, more than 0 to the left: -180 to 180. */
export const angleOff = (axis: Point, from: Point, to: Point): number => {
  const way = minus(to, from)
  return (Math.atan2(cross(axis, way), dot(axis, way)) * 180) / Math.PI
}

/** Metres that it reaches so many degrees off its axis, at full sensitivity and with open shutters. */
export function fullReach(sensor: Sensor, movement: Movement, degrees: number): number {
  if (sensor.kind === 'ceiling')
    return (sensor.reach[movement] * Math.min(sensor.height, sensor.upTo)) / SHEET_HEIGHT
  const off = Math.abs(degrees)
  if (off > OPEN + 1e-9) return 0
  const [straight, half, aside] = sensor.reach[movement]
  return off <= 45
    ? straight + ((half - straight) * off) / 45
    : half + ((aside - half) * (Math.min(off, OPEN) - 45)) / 45
}

/** Whether a direction lies within the shutters; the field includes its edges. */
export const isInField = (sensor: Sensor, { left, right }: Aim, degrees: number): boolean =>
  sensor.kind === 'ceiling' || (degrees <= left + 1e-9 && degrees >= -right - 1e-9)

/** Every way in which it can be set. */
export function aimsOf(sensor: Sensor): Aim[] {
  const dials = [...sensor.sensitivities].sort((one, other) => other - one)
  if (sensor.kind === 'ceiling') return dials.map(sensitivity => ({ left: OPEN, right: OPEN, sensitivity }))
  const cuts = [...sensor.shutters].sort((one, other) => other - one)
  return cuts.flatMap(left => cuts.flatMap(right => dials.map(sensitivity => ({ left, right, sensitivity }))))
}
