import { fault, good, refused, type Result } from '../model/result'
import { distance, type Point } from './plane'

/** A wall as one walks along it with the room on the left: so many metres, then a turn, in degrees to the left. */
export interface TypedWall {
  readonly along: number
  /** Less than 0 to the right, where the room has a corner that stands into it. */
  readonly turn: number
}

/** Nobody measures a room better: so far off its beginning a walk round it may end. */
const CLOSES_WITHIN = 0.1

/**
 * The corners of a room whose walls were typed one after the other, in metres from 0, 0, the first wall to the right.
 * The last wall ends where the first begins, whatever a tape measure made of it; a walk that ends further off does not
 * close. The last may be left out: then it is what is left.
 */
export function cornersOfWalls(walls: readonly TypedWall[]): Result<Point[]> {
  const faults = walls.flatMap(({ along, turn }, at) => [
    ...(along > 0 && along <= 100
      ? []
      : [fault(`/walls/${at}/along`, 'range', 'more than 0 m, at most 100 m')]),
    ...(Math.abs(turn) < 180 ? [] : [fault(`/walls/${at}/turn`, 'range', 'less than 180° to either side')]),
  ])
  if (walls.length < 2) faults.push(tooFew())
  if (faults.length > 0) return refused(...faults)
  const corners: Point[] = [{ x: 0, y: 0 }]
  let heading = 0
  for (const { along, turn } of walls) {
    const { x, y } = corners.at(-1)!
    const angle = (heading * Math.PI) / 180
    corners.push({ x: tidy(x + along * Math.cos(angle)), y: tidy(y + along * Math.sin(angle)) })
    heading += turn
  }
  const end = corners.at(-1)!
  const off = distance(end, corners[0]!)
  if (off <= CLOSES_WITHIN) return corners.length > 3 ? good(corners.slice(0, -1)) : refused(tooFew())
  // What is left is a wall of its own only where the turns before it lead home, and not straight on into the first.
  const home = (Math.atan2(-end.y, -end.x) * 180) / Math.PI
  if (Math.abs(around(home - heading)) < 1 && Math.abs(around(home)) >= 1) return good(corners)
  return refused(fault('/walls', 'does-not-close', `the walk ends ${off.toFixed(2)} m from where it began`))
}

const tooFew = () => fault('/walls', 'too-few', 'a room has three walls at least')
/** To the tenth of a millimetre: a right angle is one. */
const tidy = (metres: number) => Math.round(metres * 1e4) / 1e4 + 0
const around = (degrees: number) => ((((degrees + 180) % 360) + 360) % 360) - 180
