import type { Edit } from '../job/command'
import type { ConductorEnd } from '../model/entities'
import { rowsWith, type JobRecord } from '../model/record'
import type { Role } from '../model/vocabulary'
import type { Pen } from './pen'

/**
 * What a conductor is taken for, or nothing again. It is one over its whole run: its far end follows as long as
 * nobody said something else there. What is no longer hot or of a light forgets whose it was.
 */
export function roleSaid(pen: Pen, record: JobRecord, endId: string, role: Role | null): Edit[] {
  const end = record.ends[endId]!
  return rowsWith(record, 'ends', 'conductorId', end.conductorId)
    .filter(each => each.id === endId || each.role === end.role)
    .filter(each => each.role !== role)
    .map(each =>
      pen.change(
        'ends',
        each.id,
        role === null ? { role, roleCircuitId: null, roleGroupId: null } : { role },
      ),
    )
}

/** Two conductors of a box are found to be the pair of travellers. */
export const pairSaid = (pen: Pen, record: JobRecord, endIds: readonly string[]): Edit[] =>
  endIds.flatMap(id => roleSaid(pen, record, id, 'traveller'))

/** Said of readings that were taken before two conductors changed places. */
const SINCE = 'Exchanged since'

/**
 * Two conductors changed places at their other end: each has the other’s role now, as far as is said, and what was read of
 * either before is read of another wire.
 */
export function exchanged(pen: Pen, record: JobRecord, endIds: readonly [string, string]): Edit[] {
  const [one, other] = endIds.map(id => record.ends[id]!) as [ConductorEnd, ConductorEnd]
  const roleOf = ({ role, roleCircuitId, roleGroupId }: ConductorEnd) => ({
    role,
    roleCircuitId,
    roleGroupId,
  })
  const stale = rowsWith(record, 'readings', 'boxId', one.boxId).filter(
    ({ purpose, struck, fromEndId, toEndId }) =>
      purpose === 'identify' && struck === null && endIds.some(id => id === fromEndId || id === toEndId),
  )
  return [
    pen.change('ends', one.id, roleOf(other)),
    pen.change('ends', other.id, roleOf(one)),
    ...stale.map(({ id }) => pen.change('readings', id, { struck: SINCE })),
  ]
}
