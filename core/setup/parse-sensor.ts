import { fault, good, refused, type Fault, type Result } from '../model/result'
import { distance, isInside } from './plane'
import { wallsOf, type Room } from './room'
import { OPEN, type Sensor } from './sensor'

/** A sensor that hangs in that room, or everything that is wrong with it. */
export function parseSensor(sensor: Sensor, room: Room): Result<Sensor> {
  const faults: Fault[] = []
  const say = (path: string, code: string, message: string) => faults.push(fault(path, code, message))
  if (!(sensor.height > 0 && sensor.height <= room.height))
    say('/height', 'range', `between the floor and ${room.height} m`)
  if (sensor.kind === 'ceiling') {
    if (!isInside(sensor.at, room.corners)) say('/at', 'outside', 'it hangs outside the walls')
  } else {
    const wall = wallsOf(room)[sensor.wall]
    const length = wall ? distance(wall.from, wall.to) : 0
    if (!wall) say('/wall', 'no-such-wall', `there is no wall ${sensor.wall}`)
    else if (!(sensor.along > 0 && sensor.along < length))
      say('/along', 'outside', `its wall is ${length.toFixed(2)} m long`)
    else if (room.openings.some(each => each.wall === sensor.wall && isWithin(sensor.along, each)))
      say('/along', 'in-an-opening', 'there is an opening')
    if (!sensor.shutters.includes(OPEN)) say('/shutters', 'never-open', 'its shutters are open at 90°')
    if (sensor.shutters.some(each => each < 30 || each > OPEN)) say('/shutters', 'range', '30° to 90°')
  }
  if (sensor.sensitivities.length === 0 || sensor.sensitivities.some(each => !(each > 0 && each <= 1)))
    say('/sensitivities', 'range', 'more than 0, at most 1, one at least')
  return faults.length > 0 ? refused(...faults) : good(sensor)
}

const isWithin = (metres: number, { from, width }: { readonly from: number; readonly width: number }) =>
  metres > from && metres < from + width
