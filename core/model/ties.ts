import type { Breaker } from './entities'
import { rowsOf, type JobRecord } from './record'

/** What two circuits may have in common: each says the next one, whichever of them it was written at. */
export type Tie = 'sharedNeutralWithId' | 'handleWithId'

function tiedBy(tie: Tie, record: JobRecord, circuit: Breaker): Breaker[] {
  const together = new Set([circuit.id])
  const circuits = rowsOf(record, 'circuits')
  for (let before = 0; before < together.size;) {
    before = together.size
    for (const { id, [tie]: other } of circuits)
      if (other !== null && (together.has(id) || together.has(other))) together.add(id).add(other)
  }
  return circuits.filter(({ id }) => id !== circuit.id && together.has(id))
}

/** Circuits that share a neutral with one. */
export const sharersOf = (record: JobRecord, circuit: Breaker): Breaker[] =>
  tiedBy('sharedNeutralWithId', record, circuit)

/** Circuits that go off with one because one handle throws them all: poles of one breaker, or tied. */
export const thrownWith = (record: JobRecord, circuit: Breaker): Breaker[] =>
  tiedBy('handleWithId', record, circuit)

/** Whether one handle throws both. */
export const oneHandle = (record: JobRecord, one: Breaker, other: Breaker): boolean =>
  thrownWith(record, one).includes(other)

/** Breakers as they sit in the panel: by their numbers, where they have such. */
export const byPosition = (one: Breaker, other: Breaker): number =>
  one.breaker.localeCompare(other.breaker, 'en', { numeric: true })
