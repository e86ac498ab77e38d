import { shownBy, type Clock } from './clock'
import { DAY, HOUR, type Day } from './day'

/** Degrees north and east of the equator and of Greenwich. */
export interface Position {
  readonly latitude: number
  readonly longitude: number
}

/**
 * A night: from the sun's noon of a day to the noon after. It owns its dusk and its dawn, whichever date a clock shows
 * then; either is null where the sun does not cross the horizon that night.
 */
export interface Night {
  /** The day on which it began. */
  readonly day: Day
  /** Instants in milliseconds: the sun's noon, and the noon after. */
  readonly from: number
  readonly to: number
  readonly dusk: number | null
  readonly dawn: number | null
  /** Where the sun does not cross the horizon: whether it stays above it or below. */
  readonly stays: 'up' | 'down' | null
}

/** Upper limb on a level horizon, with the usual refraction: degrees of the sun's centre. */
export const HORIZON = -0.833

/** Dynamical time is ahead of the clocks by so much in these years; a minute of it moves no dusk by a second. */
const AHEAD = 69.2 / 86_400

const RADIANS = Math.PI / 180
const sin = (degrees: number) => Math.sin(degrees * RADIANS)
const cos = (degrees: number) => Math.cos(degrees * RADIANS)
const around = (degrees: number) => ((((degrees + 180) % 360) + 360) % 360) - 180

/**
 * Where the sun stands: its hour angle (degrees, 0 at noon, positive after) and its altitude (degrees, of its centre,
 * without refraction). By the low-accuracy series of the almanacs, good to 0.01°.
 */
export function sunAt({ latitude, longitude }: Position, instant: number) {
  const days = instant / DAY - 10_957.5
  const centuries = (days + AHEAD) / 36_525
  const anomaly = 357.52911 + 35_999.05029 * centuries - 0.0001537 * centuries ** 2
  const centre =
    (1.914602 - 0.004817 * centuries - 0.000014 * centuries ** 2) * sin(anomaly) +
    (0.019993 - 0.000101 * centuries) * sin(2 * anomaly) +
    0.000289 * sin(3 * anomaly)
  const node = 125.04 - 1934.136 * centuries
  const along =
    280.46646 + 36_000.76983 * centuries + 0.0003032 * centuries ** 2 + centre - 0.00569 - 0.00478 * sin(node)
  const tilt = 23.439291 - 0.0130042 * centuries + 0.00256 * cos(node)
  const ascension = Math.atan2(cos(tilt) * sin(along), cos(along)) / RADIANS
  const declination = Math.asin(sin(tilt) * sin(along)) / RADIANS
  const sidereal = 280.46061837 + 360.98564736629 * days - 0.00478 * sin(node) * cos(tilt)
  const hourAngle = around(sidereal + longitude - ascension)
  const height = sin(latitude) * sin(declination) + cos(latitude) * cos(declination) * cos(hourAngle)
  return { hourAngle, altitude: Math.asin(Math.min(1, Math.max(-1, height))) / RADIANS }
}

/** The nights that begin on the days from the one to the other, by the dates of a clock there. */
export function nightsOf(position: Position, clock: Clock, from: Day, to: Day): Night[] {
  const noons: number[] = []
  for (let day = from; day <= to + 1; day++) noons.push(noonOf(position, clock, day))
  return noons.slice(0, -1).map((noon, at) => nightOf(position, from + at, noon, noons[at + 1]!))
}

/** The instant at which the sun stands highest in its round, on a day by that clock. */
export function noonOf(position: Position, clock: Clock, day: Day): number {
  const noon = transitNear(position, day * DAY + DAY / 2 - (position.longitude / 15) * HOUR)
  // Zones go by other suns: the round nearest to it may be one of the day before or after.
  const off = shownBy(clock, noon).day - day
  return off === 0 ? noon : transitNear(position, noon - off * DAY)
}

function transitNear(position: Position, instant: number): number {
  let at = instant
  // A day of the sun is a day of the clock but for half a minute: three steps leave no millisecond.
  for (let step = 0; step < 3; step++) at -= (sunAt(position, at).hourAngle / 360) * DAY
  return Math.round(at)
}

function nightOf(position: Position, day: Day, from: number, to: number): Night {
  const above = (instant: number) => sunAt(position, instant).altitude - HORIZON
  const deepest = lowestBetween(above, from, to)
  const isDark = above(deepest) < 0
  const dusk = isDark && above(from) >= 0 ? crossing(above, from, deepest) : null
  const dawn = isDark && above(to) >= 0 ? crossing(above, to, deepest) : null
  const stays = dusk !== null || dawn !== null ? null : isDark ? 'down' : 'up'
  return { day, from, to, dusk, dawn, stays }
}

/** The sun only sinks and then only rises between two noons: thirds are cut off until a second is left. */
function lowestBetween(above: (instant: number) => number, from: number, to: number): number {
  let low = from
  let high = to
  while (high - low > 1000) {
    const third = (high - low) / 3
    if (above(low + third) < above(high - third)) high -= third
    else low += third
  }
  return (low + high) / 2
}

/** When the sun stands on the horizon, between an instant at which it is up and one at which it is down. */
function crossing(above: (instant: number) => number, up: number, down: number): number {
  let lit = up
  let dark = down
  while (Math.abs(lit - dark) > 1) {
    const middle = (lit + dark) / 2
    if (above(middle) >= 0) lit = middle
    else dark = middle
  }
  return Math.round((lit + dark) / 2)
}
