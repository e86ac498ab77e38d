import type { EntityName } from '../model/entities'
import type { Change } from './change'

/** How often each row was written, table by table: a copy with one of them raised copies one table. */
export type Versions = { readonly [Name in EntityName | 'job']?: Readonly<Record<string, number>> }

/** The version a row has now; none where it is gone. */
export interface RowVersion {
  readonly entity: EntityName | 'job'
  readonly id: string
  readonly version: number | null
}

/** The version of a row; null where there is none. */
export function versionOf(versions: Versions, entity: EntityName | 'job', id: string): number | null {
  const rows = versions[entity]
  return rows && Object.hasOwn(rows, id) ? rows[id]! : null
}

/** As they were, but for the rows given. */
export function withVersions(versions: Versions, rows: readonly RowVersion[]): Versions {
  const next: Partial<Record<EntityName | 'job', Record<string, number>>> = {}
  for (const { entity, id, version } of rows) {
    const table = (next[entity] ??= { ...versions[entity] })
    if (version === null) delete table[id]
    else table[id] = version
  }
  return { ...versions, ...next }
}

/** Every row that has one. */
export const eachVersion = (versions: Versions): RowVersion[] =>
  (Object.entries(versions) as [EntityName | 'job', Readonly<Record<string, number>>][]).flatMap(
    ([entity, rows]) => Object.entries(rows).map(([id, version]) => ({ entity, id, version })),
  )

/** As they are once changes are made: each row that stays is raised by one. */
export const raisedBy = (versions: Versions, changes: readonly Change[]): Versions =>
  withVersions(
    versions,
    changes.map(({ entity, id, after }) => ({
      entity,
      id,
      version: after && (versionOf(versions, entity, id) ?? 0) + 1,
    })),
  )
