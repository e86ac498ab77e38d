import type { Reading, Switching } from '../model/entities'
import type { JobRecord } from '../model/record'
import { sayFor } from '../model/say-for'
import { inverseOf, type Change } from './change'

/** A reading of something live, which says that the power was on, whether or not anybody recorded the switching. */
export const isLiveReading = ({ purpose, breaker }: Pick<Reading, 'purpose' | 'breaker'>): boolean =>
  purpose === 'identify' && breaker === 'on'

/** Whether a row says that the power was on. */
export const saysOn = (entity: Change['entity'], row: unknown): boolean =>
  (entity === 'switchings' && (row as Switching).to === 'on') ||
  (entity === 'readings' && isLiveReading(row as Reading))

/**
 * What takes a command back. That the power was on is never gone again: it is struck out, and still counts against what
 * was read before.
 */
export const takenBack = (record: JobRecord, changes: readonly Change[]): Change[] =>
  inverseOf(changes).map(change =>
    change.after === null && saysOn(change.entity, change.before)
      ? ({ ...change, after: { ...change.before, struck: sayFor(record)`taken back` } } as Change)
      : change,
  )

/** Whether an edit would remove what says that the power was on. */
export const removesOn = (change: Change): boolean =>
  change.after === null && saysOn(change.entity, change.before)
