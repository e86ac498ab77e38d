import type { Edit } from '../job/command'
import { BLANK } from '../model/blank-rows'
import type { Breaker } from '../model/entities'
import { rowsOf, type JobRecord } from '../model/record'
import { regionOf } from '../model/regions'
import { sharersOf, thrownWith, type Tie } from '../model/ties'
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
 * Just these circuits share one neutral, or one handle, two or more of them: each points at the next, the last at the
 * first. Others that had it in common with any of them no longer do.
 */
export function circuitsTied(pen: Pen, record: JobRecord, tie: Tie, circuitIds: readonly string[]): Edit[] {
  const others = tie === 'handleWithId' ? thrownWith : sharersOf
  const ring = rowsOf(record, 'circuits').filter(({ id }) => circuitIds.includes(id))
  const touched = new Map<string, Breaker>(
    ring.flatMap(circuit => [circuit, ...others(record, circuit)]).map(each => [each.id, each]),
  )
  const nextOf = (id: string): string | null => {
    const at = ring.findIndex(each => each.id === id)
    return at < 0 || ring.length < 2 ? null : ring[(at + 1) % ring.length]!.id
  }
  return [...touched.values()]
    .filter(({ id, [tie]: now }) => now !== nextOf(id))
    .map(({ id }) => pen.change('circuits', id, { [tie]: nextOf(id) }))
}
