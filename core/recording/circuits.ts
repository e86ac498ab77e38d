import type { Edit } from '../job/command'
import { BLANK } from '../model/blank-rows'
import type { Breaker } from '../model/entities'
import { rowsOf, type JobRecord } from '../model/record'
import { regionOf } from '../model/regions'
import { sharersOf } from '../model/ties'
import type { Pen } from './pen'

/** A circuit that nothing is known of but what is written at its place in the panel. */
export const circuitAdded = (pen: Pen, record: JobRecord, id: string, breaker: string): Edit =>
  pen.add('circuits', {
    ...BLANK.circuits,
    id,
    breaker,
    ratedAmps: regionOf(record.job.regionId).usualBreakerAmps,
  })

/**
 * Just these circuits share one neutral, two or more of them: each points at the next, the last at the first. Others
 * that shared it with any of them no longer do.
 */
export function neutralShared(pen: Pen, record: JobRecord, circuitIds: readonly string[]): Edit[] {
  const ring = rowsOf(record, 'circuits').filter(({ id }) => circuitIds.includes(id))
  const touched = new Map<string, Breaker>(
    ring.flatMap(circuit => [circuit, ...sharersOf(record, circuit)]).map(each => [each.id, each]),
  )
  const nextOf = (id: string): string | null => {
    const at = ring.findIndex(each => each.id === id)
    return at < 0 || ring.length < 2 ? null : ring[(at + 1) % ring.length]!.id
  }
  return [...touched.values()]
    .filter(({ id, sharedNeutralWithId }) => sharedNeutralWithId !== nextOf(id))
    .map(({ id }) => pen.change('circuits', id, { sharedNeutralWithId: nextOf(id) }))
}
