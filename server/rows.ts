import { ENTITY_NAMES, fieldsOf, JOB_FIELDS, type EntityName } from '@/core/model/entities'
import type { Extra, Field, Fields } from '@/core/model/fields'

/** How a row of the core stands in a table: names in snake case, instants as UTC, unknown fields as JSON. */

const snake = (name: string) => name.replace(/[A-Z]/g, letter => `_${letter.toLowerCase()}`)

const quoted = (name: string) => `\`${snake(name)}\``

export const tableOf = (entity: EntityName | 'job'): string => (entity === 'job' ? '`jobs`' : quoted(entity))

const fieldsFor = (entity: EntityName | 'job'): Fields => (entity === 'job' ? JOB_FIELDS : fieldsOf(entity))

export const columnsOf = (entity: EntityName | 'job'): string[] => Object.keys(fieldsFor(entity)).map(snake)

type Loose = Readonly<Record<string, unknown>>
export type SqlValue = string | number | boolean | null

/** The values of a row, in the order of its fields, then the unknown fields. */
export function valuesOf(entity: EntityName | 'job', row: object): SqlValue[] {
  const loose = row as Loose
  const known = Object.entries(fieldsFor(entity)).map(([name, field]) => toSql(field, loose[name]))
  return [...known, loose.extra ? JSON.stringify(loose.extra) : null]
}

const names = (entity: EntityName | 'job') => [...Object.keys(fieldsFor(entity)).map(quoted), '`extra`']

const into = (entity: EntityName) =>
  `INSERT INTO ${tableOf(entity)} (${['`job_id`', ...names(entity)].join(', ')}) VALUES`

/** Puts a row in, by the job’s id and its values. */
export const insertSql = (entity: EntityName): string =>
  `${into(entity)} (?, ${names(entity)
    .map(() => '?')
    .join(', ')})`

/** Puts any number of rows in, given as one list of such lists. */
export const insertManySql = (entity: EntityName): string => `${into(entity)} ?`

/** Sets every field and raises the version; the last three places are job, id and the version seen. */
export const updateSql = (entity: EntityName): string =>
  `UPDATE ${tableOf(entity)} SET ${names(entity)
    .map(name => `${name} = ?`)
    .join(', ')}, version = version + 1 WHERE job_id = ? AND id = ? AND version = ?`

export const selectSql = (entity: EntityName): string =>
  `SELECT ${names(entity).join(', ')}, version FROM ${tableOf(entity)} WHERE job_id = ?`

function toSql(field: Field, value: unknown): SqlValue {
  if (value === null || value === undefined) return null
  if (field.kind === 'instant') return String(value).replace('T', ' ').replace('Z', '')
  if (field.kind === 'shape') return JSON.stringify(value)
  return value as SqlValue
}

function fromSql(field: Field, value: unknown): unknown {
  if (value === null) return null
  if (field.kind === 'flag') return Boolean(value)
  if (field.kind === 'number') return Number(value)
  if (field.kind === 'instant') return instantFrom(value)
  if (field.kind === 'shape') return typeof value === 'string' ? (JSON.parse(value) as unknown) : value
  return value
}

/** A row as the core knows it, and the version beside it. */
export function rowFrom(entity: EntityName | 'job', found: Loose): { row: Loose; version: number } {
  const row: Record<string, unknown> = Object.fromEntries(
    Object.entries(fieldsFor(entity)).map(([name, field]) => [name, fromSql(field, found[snake(name)])]),
  )
  const extra = parsedExtra(found.extra)
  if (extra) row.extra = extra
  return { row, version: Number(found.version) }
}

export function parsedExtra(stored: unknown): Extra | null {
  if (stored === null || stored === undefined) return null
  return (typeof stored === 'string' ? JSON.parse(stored) : stored) as Extra
}

export const CHILDREN_FIRST: readonly EntityName[] = [...ENTITY_NAMES].reverse()

/** A moment as the tables have it, in UTC and without its zone, as ISO 8601. */
export const instantFrom = (value: unknown): string => `${String(value).replace(' ', 'T').padEnd(23, '0')}Z`
