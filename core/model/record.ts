import { ENTITY_NAMES, type EntityName, type JobRow, type Row } from './entities'

export type Table<Name extends EntityName> = Readonly<Record<string, Row<Name>>>

/** A whole job: its own row, and every table keyed by id. Never changed in place. */
export type JobRecord = { readonly job: JobRow } & { readonly [Name in EntityName]: Table<Name> }

export const emptyRecord = (job: JobRow): JobRecord =>
  ({ job, ...Object.fromEntries(ENTITY_NAMES.map(name => [name, {}])) }) as JobRecord

/** Rows of one table in a fixed order: by `position` where there is one, then by id. */
export function rowsOf<Name extends EntityName>(record: JobRecord, name: Name): Row<Name>[] {
  const rows = Object.values(record[name]) as Row<Name>[]
  return rows.sort(byPositionThenId)
}

function byPositionThenId(a: object, b: object): number {
  const left = a as { id: string; position?: number; gang?: number; seq?: number }
  const right = b as { id: string; position?: number; gang?: number; seq?: number }
  return (
    (left.position ?? left.gang ?? left.seq ?? 0) - (right.position ?? right.gang ?? right.seq ?? 0) ||
    (left.id < right.id ? -1 : left.id > right.id ? 1 : 0)
  )
}

type KeysOf<Name extends EntityName> = keyof Row<Name> & string

/** Rows whose `key` equals `value`, in the same fixed order. */
export const rowsWith = <Name extends EntityName, Key extends KeysOf<Name>>(
  record: JobRecord,
  name: Name,
  key: Key,
  value: Row<Name>[Key],
): Row<Name>[] => rowsOf(record, name).filter(row => row[key] === value)
