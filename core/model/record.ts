import type { Id } from './fields'
import { ENTITY_NAMES, type AnyRow, type EntityName, type JobRow, type Row } from './entities'

export type Table<Name extends EntityName> = { readonly [Key in Id<Name>]: Row<Name> }

/** A whole job: its own row, and every table keyed by id. Never changed in place. */
export type JobRecord = { readonly job: JobRow } & { readonly [Name in EntityName]: Table<Name> }

export const emptyRecord = (job: JobRow): JobRecord =>
  ({ job, ...Object.fromEntries(ENTITY_NAMES.map(name => [name, {}])) }) as JobRecord

/** A row by the name of its table, where that is not known beforehand; null where there is none. */
export const rowNamed = (record: JobRecord, name: EntityName | 'job', id: string): AnyRow | JobRow | null =>
  name === 'job' ? record.job : ((record[name] as Readonly<Record<string, AnyRow>>)[id] ?? null)

type AnyRows = readonly Readonly<Record<string, unknown>>[]

/** Tables are never changed, so what was sorted or grouped once holds as long as the table does. */
const sortedRows = new WeakMap<object, AnyRows>()
const groupedRows = new WeakMap<object, Map<string, Map<unknown, AnyRows>>>()

/** Rows of one table in a fixed order: by position, gang or time where there is one, then by id. */
export function rowsOf<Name extends EntityName>(record: JobRecord, name: Name): readonly Row<Name>[] {
  const table = record[name]
  let rows = sortedRows.get(table)
  if (!rows) {
    rows = Object.values(table).sort(byPositionThenId) as unknown as AnyRows
    sortedRows.set(table, rows)
  }
  return rows as unknown as readonly Row<Name>[]
}

type Ordered = { id: string; position?: number; gang?: number; part?: number; seq?: number }

function byPositionThenId(a: object, b: object): number {
  const left = a as Ordered
  const right = b as Ordered
  return (
    (left.position ?? left.gang ?? left.seq ?? 0) - (right.position ?? right.gang ?? right.seq ?? 0) ||
    (left.part ?? 0) - (right.part ?? 0) ||
    (left.id < right.id ? -1 : left.id > right.id ? 1 : 0)
  )
}

type KeysOf<Name extends EntityName> = keyof Row<Name> & string

/** Rows whose `key` equals `value`, in the same fixed order. */
export function rowsWith<Name extends EntityName, Key extends KeysOf<Name>>(
  record: JobRecord,
  name: Name,
  key: Key,
  value: NoInfer<Row<Name>[Key]>,
): readonly Row<Name>[] {
  const table = record[name]
  let byKey = groupedRows.get(table)
  if (!byKey) groupedRows.set(table, (byKey = new Map()))
  let groups = byKey.get(key)
  if (!groups) {
    groups = grouped(rowsOf(record, name) as unknown as AnyRows, key)
    byKey.set(key, groups)
  }
  return (groups.get(value) ?? []) as unknown as readonly Row<Name>[]
}

function grouped(rows: AnyRows, key: string): Map<unknown, AnyRows> {
  const groups = new Map<unknown, Readonly<Record<string, unknown>>[]>()
  for (const row of rows) {
    const group = groups.get(row[key])
    if (group) group.push(row)
    else groups.set(row[key], [row])
  }
  return groups
}
