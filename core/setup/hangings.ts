import type { PlanOfRoom } from '../model/floor-plan'
import { fault, type Fault } from '../model/result'
import { distance, isInside } from './plane'
import { wallsOf } from './room'

/** What is wrong with where the boxes of a room are, in a plan that hangs together. */
export function faultsOfHangings(plan: PlanOfRoom): Fault[] {
  const walls = wallsOf(plan)
  return plan.hangings.flatMap((hanging, at) => {
    const path = `/hangings/${at}`
    const faults: Fault[] = []
    if (plan.hangings.findIndex(({ boxId }) => boxId === hanging.boxId) < at)
      faults.push(fault(`${path}/boxId`, 'twice', 'a box is in one place'))
    if (!(hanging.height > 0 && hanging.height <= plan.height))
      faults.push(fault(`${path}/height`, 'range', `between the floor and ${plan.height} m`))
    if (hanging.on === 'ceiling') {
      if (!isInside(hanging.at, plan.corners))
        faults.push(fault(`${path}/at`, 'outside', 'it hangs outside the walls'))
      return faults
    }
    const wall = walls[hanging.wall]
    if (!wall) return [...faults, fault(`${path}/wall`, 'no-such-wall', `there is no wall ${hanging.wall}`)]
    const length = distance(wall.from, wall.to)
    if (!(hanging.along > 0 && hanging.along < length))
      faults.push(fault(`${path}/along`, 'outside', `its wall is ${length.toFixed(2)} m long`))
    if (
      plan.openings.some(
        ({ wall: of, from, width }) =>
          of === hanging.wall && hanging.along > from && hanging.along < from + width,
      )
    )
      faults.push(fault(`${path}/along`, 'in-an-opening', 'there is an opening'))
    return faults
  })
}
