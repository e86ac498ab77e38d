import { faultsOfShapes } from '../job/sound-shapes'
import { faultsOfRecord } from '../job/integrity'
import {
  ENTITY_NAMES,
  fieldsOf,
  JOB_FIELDS,
  type AnyRow,
  type EntityName,
  type JobRow,
} from '../model/entities'
import type { Extra, Fields } from '../model/fields'
import { emptyRecord, type JobRecord } from '../model/record'
import { fault, good, refused, type Fault, type Result } from '../model/result'
import { fromJson } from './json'
import { upgraded } from './upgrade'
import { rowsPlainlyGood } from './plainly-good'
import { JOB_FILE_FORMAT, JOB_FILE_VERSION, jobFileSchema, NO_ROWS, validated } from './schemas'

/** A job as read from a file, with what this version does not know beside it. */
export interface JobFile {
  readonly record: JobRecord
  /** Unknown fields at the top of the file; written back as they were. */
  readonly extra: Extra
}

type Loose = Record<string, unknown>

const KNOWN_AT_TOP = new Set<string>(['format', 'version', 'job', ...ENTITY_NAMES])

/**
 * Reads the text of a `.everyroom.json` file. Refused with the path of every fault: text that is no
 * JSON, another format or a later version, a field missing or out of range, a reference to nothing.
 */
export function parseJobFile(source: string): Result<JobFile> {
  const given = fromJson(source)
  if (!given.ok) return given
  const file = upgraded(given.value)
  const shape = held(file)
  if (!shape.ok) return shape
  const record = recordOf(shape.value)
  const doubled = ENTITY_NAMES.flatMap(name => {
    const rows = shape.value[name] as Loose[]
    return rows.length === Object.keys(record[name]).length ? [] : twiceIn(name, rows)
  })
  if (doubled.length > 0) return refused(...(doubled as [Fault, ...Fault[]]))
  const faults = [...faultsOfRecord(record), ...faultsOfShapes(record)]
  if (faults.length > 0) {
    const places = new Map<string, ReadonlyMap<unknown, number>>()
    return refused(...faults.map(each => ({ ...each, path: pathInFile(each.path, shape.value, places) })))
  }
  return good({ record, extra: unknownFields(shape.value, KNOWN_AT_TOP) })
}

/** Held to its schema: but for its rows, where those are plainly good. */
function held(file: unknown): Result<Loose> {
  const loose = file as Loose
  const isPlain = typeof file === 'object' && file !== null && rowsPlainlyGood(loose)
  const shape = validated<Loose>(jobFileSchema, isPlain ? { ...loose, ...NO_ROWS } : file)
  return shape.ok ? good(loose) : shape
}

/** Rows whose id stood before in their table. */
function twiceIn(name: EntityName, rows: readonly Loose[]): Fault[] {
  const seen = new Set<unknown>()
  return rows.flatMap((row, at) => {
    if (!seen.has(row.id)) {
      seen.add(row.id)
      return []
    }
    return [fault(`/${name}/${at}`, 'array.unique', `the id “${String(row.id)}” stands twice`)]
  })
}

function recordOf(file: Loose): JobRecord {
  const record = { ...emptyRecord(rowOf(file.job as Loose, JOB_FIELDS) as unknown as JobRow) } as Loose
  for (const name of ENTITY_NAMES) record[name] = tableOf(file[name] as Loose[], fieldsOf(name))
  return record as unknown as JobRecord
}

function tableOf(rows: readonly Loose[], fields: Fields): Loose {
  const table: Loose = {}
  for (const row of rows) table[row.id as string] = rowOf(row, fields)
  return table
}

function rowOf(given: Loose, fields: Fields): Loose {
  // As they come from a file, most rows have these and no other.
  let isKnown = true
  for (const name in given) isKnown &&= Object.hasOwn(fields, name)
  if (isKnown) return given
  const row: Loose = {}
  for (const name of Object.keys(fields)) row[name] = given[name]
  return { ...row, extra: unknownFields(given, new Set(Object.keys(fields))) }
}

const unknownFields = (given: Loose, known: ReadonlySet<string>): Extra =>
  Object.fromEntries(Object.entries(given).filter(([name]) => !known.has(name)))

/** Faults are found in the record, where rows have ids; in the file they stand at an index. */
function pathInFile(path: string, file: Loose, places: Map<string, ReadonlyMap<unknown, number>>): string {
  const [, table = '', id = '', ...rest] = path.split('/')
  let known = places.get(table)
  if (!known) {
    const rows = (file[table] as Loose[] | undefined) ?? []
    places.set(table, (known = new Map(rows.map((row, at) => [row.id, at]))))
  }
  const index = known.get(id)
  return index === undefined ? path : `/${[table, index, ...rest].join('/')}`
}

/**
 * The canonical text of a job: tables and fields in their published order, rows by id, unknown fields
 * after the known ones by name, two spaces, one newline at the end. The same job gives the same bytes.
 */
export function writeJobFile({ record, extra }: JobFile): string {
  const file: Loose = {
    format: JOB_FILE_FORMAT,
    version: JOB_FILE_VERSION,
    job: canonicalRow(record.job, JOB_FIELDS),
  }
  for (const name of ENTITY_NAMES)
    file[name] = (Object.values(record[name]) as AnyRow[])
      .sort((a, b) => (a.id < b.id ? -1 : 1))
      .map(row => canonicalRow(row, fieldsOf(name)))
  return JSON.stringify({ ...file, ...sortedDeep(extra) }, null, 2) + '\n'
}

function canonicalRow(row: AnyRow | JobRow, fields: Fields): Loose {
  const loose = row as unknown as Loose
  return {
    ...Object.fromEntries(Object.keys(fields).map(name => [name, loose[name]])),
    ...sortedDeep(row.extra ?? {}),
  }
}

function sortedDeep(value: Extra): Loose {
  const sorted = (each: unknown): unknown => {
    if (Array.isArray(each)) return each.map(sorted)
    if (each === null || typeof each !== 'object') return each
    return Object.fromEntries(
      Object.entries(each)
        .sort(([a], [b]) => (a < b ? -1 : 1))
        .map(([name, inner]) => [name, sorted(inner)]),
    )
  }
  return sorted(value) as Loose
}
