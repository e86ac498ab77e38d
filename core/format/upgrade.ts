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
  11: ['locks'],
  12: ['circuitTests'],
  19: ['plans'],
  20: ['programs'],
} as const

/** A file of an earlier version as this one has it: what it could not say yet is said to be not known. */
export function upgraded(file: unknown): unknown {
  if (!isObject(file) || !isEarlier(file.version)) return file
  const version = file.version
  const later = Object.entries(LATER_TABLES).flatMap(([since, names]) =>
    Number(since) > version ? names.map(name => [name, []]) : [],
  )
  const of = withHandles(file)
  const rows = ENTITY_NAMES.flatMap(name => {
    const list = of[name]
    // What is no list or no row stays as it is, for the schema to refuse.
    return Array.isArray(list)
      ? [[name, list.map((row: unknown) => (isObject(row) ? upgradedRow(name, row) : row))]]
      : []
  })
  const job = isObject(file.job) ? { job: upgradedRow('job', file.job) } : {}
  return {
    ...file,
    ...Object.fromEntries(later),
    ...Object.fromEntries(rows),
    ...job,
    version: JOB_FILE_VERSION,
  }
}

/**
 * Before a handle was said by itself, two circuits with several poles that share a neutral were thrown by one. Where
 * more than two share it, which of them go together was never said.
 */
function withHandles(file: Loose): Loose {
  if (!Array.isArray(file.circuits)) return file
  const circuits: readonly unknown[] = file.circuits
  const known = circuits.filter(isObject)
  return {
    ...file,
    circuits: circuits.map(row => {
      if (!isObject(row) || 'handleWithId' in row || !(Number(row.poles) > 1)) return row
      const [partner, ...more] = known.filter(
        each =>
          each !== row &&
          each.id !== undefined &&
          (each.id === row.sharedNeutralWithId || each.sharedNeutralWithId === row.id),
      )
      return partner && more.length === 0 && Number(partner.poles) > 1
        ? { ...row, handleWithId: partner.id }
        : row
    }),
  }
}

const isEarlier = (version: unknown): version is number =>
  Number.isInteger(version) && Number(version) >= 1 && Number(version) < JOB_FILE_VERSION

const isObject = (value: unknown): value is Loose =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
