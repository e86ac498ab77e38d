import type { Lock } from '../model/entities'
import { rowsOf, type JobRecord } from '../model/record'
import { thrownWith } from '../model/ties'
import { sayFor } from '../model/say-for'

/** What keeps a breaker, or the main switch (null), from going on: on it, or on what its handle throws too. */
export function locksOn(record: JobRecord, circuitId: string | null): Lock[] {
  const circuit = circuitId === null ? undefined : record.circuits[circuitId]
  const ids = [circuitId, ...(circuit ? thrownWith(record, circuit).map(({ id }) => id) : [])]
  return rowsOf(record, 'locks').filter(lock => ids.includes(lock.circuitId))
}

/** Who has a lock on it: each takes off his own, and nobody another’s. */
export const holdersOf = (record: JobRecord, circuitId: string | null): string[] => [
  ...new Set(locksOn(record, circuitId).map(({ keyWith }) => keyWith)),
]

/** Why a breaker, or the main switch (null), stays off: somebody’s lock hangs on it. */
export const lockedBehind = (record: JobRecord, circuitId: string | null): string[] => {
  const say = sayFor(record)
  return holdersOf(record, circuitId).map(
    who => say`the lock of ${who} hangs on it, and only ${who} takes it off`,
  )
}
