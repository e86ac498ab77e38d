import type { Breaker } from '../model/entities'
import { rowsOf, type JobRecord } from '../model/record'

/** Circuits that share a neutral with one, whichever of them it was written at. */
export const sharersOf = (record: JobRecord, circuit: Breaker): Breaker[] =>
  rowsOf(record, 'circuits').filter(
    ({ id, sharedNeutralWithId }) =>
      id !== circuit.id && (id === circuit.sharedNeutralWithId || sharedNeutralWithId === circuit.id),
  )

/** Whether two of them are thrown by one handle: both are poles of one breaker, or tied. */
export const oneHandle = (one: Breaker, other: Breaker): boolean => one.poles > 1 && other.poles > 1

/** Circuits that go off with one because one handle throws them all. */
export const thrownWith = (record: JobRecord, circuit: Breaker): Breaker[] =>
  sharersOf(record, circuit).filter(other => oneHandle(circuit, other))

/** Breakers as they sit in the panel: by their numbers, where they have such. */
export const byPosition = (one: Breaker, other: Breaker): number =>
  one.breaker.localeCompare(other.breaker, 'en', { numeric: true })
