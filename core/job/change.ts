import { ENTITY_NAMES, type AnyRow, type EntityName, type JobRow } from '../model/entities'
import type { JobRecord } from '../model/record'

/** One row before and after: undo, history and *what changed* are this one structure. */
export interface Change {
  readonly entity: EntityName | 'job'
  readonly id: string
  readonly before: AnyRow | JobRow | null
  readonly after: AnyRow | JobRow | null
}

export const inverseOf = (changes: readonly Change[]): Change[] =>
  changes.map(change => ({ ...change, before: change.after, after: change.before })).reverse()

/** The record with the changes made; the one given stays as it was. */
export function applyChanges(record: JobRecord, changes: readonly Change[]): JobRecord {
  const next = { ...record } as Record<string, unknown>
  const copied = new Set<string>()
  for (const change of changes) {
    if (change.entity === 'job') {
      next.job = change.after ?? next.job
      continue
    }
    if (!copied.has(change.entity)) {
      next[change.entity] = { ...(next[change.entity] as object) }
      copied.add(change.entity)
    }
    const table = next[change.entity] as Record<string, unknown>
    if (change.after) table[change.id] = change.after
    else delete table[change.id]
  }
  return next as unknown as JobRecord
}

/** Parents first for what is written, children first for what goes: the order a database needs. */
export function inDatabaseOrder(changes: readonly Change[]): Change[] {
  const rank = (change: Change) => (change.entity === 'job' ? -1 : ENTITY_NAMES.indexOf(change.entity))
  const written = changes.filter(change => change.after !== null).sort((a, b) => rank(a) - rank(b))
  const removed = changes.filter(change => change.after === null).sort((a, b) => rank(b) - rank(a))
  return [...written, ...removed]
}

/** Names of the fields that differ, in the row's own order. */
export function changedFields(change: Change): string[] {
  const before = (change.before ?? {}) as unknown as Record<string, unknown>
  const after = (change.after ?? {}) as unknown as Record<string, unknown>
  const names = new Set([...Object.keys(before), ...Object.keys(after)])
  return [...names].filter(name => JSON.stringify(before[name]) !== JSON.stringify(after[name]))
}
