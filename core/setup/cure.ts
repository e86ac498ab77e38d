import { aimSensor, type Aimed } from './aim'
import { distance, isInside } from './plane'
import type { Room } from './room'
import { pointOf, type CeilingSensor, type Sensor } from './sensor'

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
