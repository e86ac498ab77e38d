import type { Breaker } from './entities'
import { rowsOf, type JobRecord } from './record'

/** Circuits that share a neutral with one, two or more of them, whichever of them it was written at. */
export function sharersOf(record: JobRecord, circuit: Breaker): Breaker[] {
  const together = new Set([circuit.id])
  const circuits = rowsOf(record, 'circuits')
  for (let before = 0; before < together.size;) {
    before = together.size
    for (const { id, sharedNeutralWithId: other } of circuits)
      if (other !== null && (together.has(id) || together.has(other))) together.add(id).add(other)
  }
  return circuits.filter(({ id }) => id !== circuit.id && together.has(id))
}

/** Whether two of them are thrown by one handle: both are poles of one breaker, or tied. */
export const oneHandle = (one: Breaker, other: Breaker): boolean => one.poles > 1 && other.poles > 1

/** Circuits that go off with one because one handle throws them all. */
export const thrownWith = (record: JobRecord, circuit: Breaker): Breaker[] =>
  sharersOf(record, circuit).filter(other => oneHandle(circuit, other))

/** Breakers as they sit in the panel: by their numbers, where they have such. */
export const byPosition = (one: Breaker, other: Breaker): number =>
  one.breaker.localeCompare(other.breaker, 'en', { numeric: true })
