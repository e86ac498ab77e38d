import { ENTITY_NAMES } from '../model/entities'
import { upgradedRow } from '../model/upgrade-row'
import { JOB_FILE_VERSION } from './schemas'

type Loose = Readonly<Record<string, unknown>>

/** Tables that came after the first version; a file from before has nothing in them. */
const LATER_TABLES = {
  2: ['findings', 'notes', 'photos'],
  3: ['breakerTries'],
  4: ['needs'],
  5: ['crew', 'keeps', 'turns'],
} as const

const EARLIER: readonly unknown[] = [1, 2, 3, 4, 5, 6, 7, 8]

/** A file of an earlier version as this one has it: what it could not say yet is said to be not known. */
export function upgraded(file: unknown): unknown {
  if (!isObject(file) || !EARLIER.includes(file.version)) return file
  const version = Number(file.version)
  const later = Object.entries(LATER_TABLES).flatMap(([since, names]) =>
    Number(since) > version ? names.map(name => [name, []]) : [],
  )
  const rows = ENTITY_NAMES.flatMap(name => {
    const list = file[name]
    // What is no list or no row stays as it is, for the schema to refuse.
    return Array.isArray(list)
      ? [[name, list.map((row: unknown) => (isObject(row) ? upgradedRow(name, row) : row))]]
      : []
  })
  return { ...file, ...Object.fromEntries(later), ...Object.fromEntries(rows), version: JOB_FILE_VERSION }
}

const isObject = (value: unknown): value is Loose =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
