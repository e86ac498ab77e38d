import Joi from 'joi'
import type { ResultSetHeader } from 'mysql2/promise'
import { pool } from './database'
import { parsedJson } from './http'

const SCHEMA = Joi.object<{ readonly away: boolean }>({ away: Joi.boolean().strict().required() })

/** Puts a job away, or takes it out again; nothing of it changes. */
export async function putAway(
  jobId: string,
  body: string,
): Promise<'done' | 'no-such-job' | { readonly faults: readonly string[] }> {
  const { value, error } = SCHEMA.validate(parsedJson(body))
  if (error) return { faults: error.details.map(({ message }) => message) }
  const [done] = await pool().execute<ResultSetHeader>(
    `UPDATE jobs SET put_away = ${value.away ? 'COALESCE(put_away, UTC_TIMESTAMP(3))' : 'NULL'} WHERE id = ?`,
    [jobId],
  )
  return done.affectedRows > 0 ? 'done' : 'no-such-job'
}
