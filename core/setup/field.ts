import type { Point } from './plane'
import type { Eyes } from './seen'
import { fullReach, isInField, type Aim, type Movement } from './sensor'

/**
 * What is seen, to be drawn: each a narrow wedge of the floor, against the clock. They lie side by side and leave
 * nothing out.
 */
export function wedgesOf({ sensor, axis, from, rays }: Eyes, aim: Aim, movement: Movement): Point[][] {
  const heading = (Math.atan2(axis.y, axis.x) * 180) / Math.PI
  const spot = (degrees: number, metres: number): Point => {
    const angle = ((heading + degrees) * Math.PI) / 180
    return { x: from.x + Math.cos(angle) * metres, y: from.y + Math.sin(angle) * metres }
  }
  let edge = sensor.kind === 'ceiling' ? -180 : -90
  return rays.flatMap(({ degrees, weight, floor }) => {
    const [right, left] = [edge, (edge += (weight * 180) / Math.PI)]
    if (!isInField(sensor, aim, degrees)) return []
    const reach = fullReach(sensor, movement, degrees) * aim.sensitivity
    return floor[movement].flatMap(([near, far]) => {
      const end = Math.min(far, reach)
      return near >= end ? [] : [[spot(right, near), spot(right, end), spot(left, end), spot(left, near)]]
    })
  })
}
