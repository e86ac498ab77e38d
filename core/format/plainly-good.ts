import Joi from 'joi'
import { ENTITIES, ENTITY_NAMES } from '../model/entities'
import { joiOf, NOTHING_COERCED } from './schemas'

/** A field of a table, and what its values are held to, all at once. */
const COLUMNS = ENTITY_NAMES.map(table => ({
  table,
  columns: Object.entries(ENTITIES[table]).map(([name, field]) => ({
    name,
    values: Joi.array().items(joiOf(field)),
  })),
}))

/**
 * Whether every row of a job file is good, told quickly: each value of a field is asked about once, however many rows have
 * it, and nothing is worded. False says nothing: the whole is held to its schema then, which finds each fault.
 */
export function rowsPlainlyGood(file: Readonly<Record<string, unknown>>): boolean {
  return COLUMNS.every(({ table, columns }) => {
    const rows = file[table]
    if (!Array.isArray(rows) || !rows.every(row => hasJust(row, columns.length))) return false
    return columns.every(({ name, values }) => {
      const different = new Set(rows.map((row: Record<string, unknown>) => row[name]))
      return values.validate([...different], NOTHING_COERCED).error === undefined
    })
  })
}

const hasJust = (row: unknown, fields: number): boolean =>
  typeof row === 'object' && row !== null && Object.keys(row).length === fields
