import Joi from 'joi'
import type { RowDataPacket } from 'mysql2/promise'
import { validated } from '@/core/format/schemas'
import type { Heard } from '@/core/job/hearing'
import type { Fault } from '@/core/model/result'
import { pool } from './database'
import { instantFrom } from './rows'

/** After so long without a word a phone counts as not heard: it says one every other second or so. */
const UNHEARD_AFTER_SECONDS = 10

const id = Joi.string().pattern(/^[a-z0-9][a-z0-9-]{0,39}$/)

const wordSchema = Joi.object({
  device: id.required(),
  by: Joi.string().max(80).allow('').required(),
  /** Not looked at any more, with nothing unsent. */
  rests: Joi.boolean().required(),
  /** Something was done there that is not here. */
  unsent: Joi.boolean().required(),
  /** Others that are not heard, and what was said of them aloud. */
  aside: Joi.object({
    devices: Joi.array().items(id.required()).min(1).max(200).required(),
    said: Joi.string().min(1).max(200).required(),
  }),
})

interface Word {
  readonly device: string
  readonly by: string
  readonly rests: boolean
  readonly unsent: boolean
  readonly aside?: { readonly devices: readonly string[]; readonly said: string }
}

type Answer =
  | ({ readonly kind: 'applied' } & Heard)
  | { readonly kind: 'no-such-job' }
  | { readonly kind: 'refused'; readonly faults: readonly Fault[] }

/** A phone lets itself be heard, and hears how far the job has come and who is not heard. */
export async function hear(jobId: string, given: unknown): Promise<Answer> {
  const shape = validated<Word>(wordSchema, given)
  if (!shape.ok) return { kind: 'refused', faults: shape.faults }
  const { device, by, rests, unsent, aside } = shape.value
  const db = pool()
  const [jobs] = await db.execute<RowDataPacket[]>('SELECT line, revision FROM jobs WHERE id = ?', [jobId])
  const job = jobs[0]
  if (!job) return { kind: 'no-such-job' }
  // Heard again, what was said of it is over.
  await db.execute(
    'INSERT INTO devices_here (job_id, id, `by`, heard_at, rests, unsent) VALUES (?, ?, ?, UTC_TIMESTAMP(3), ?, ?) ON DUPLICATE KEY UPDATE `by` = VALUES(`by`), heard_at = VALUES(heard_at), rests = VALUES(rests), unsent = VALUES(unsent), said = IF(VALUES(unsent), said, NULL)',
    [jobId, device, by, rests, unsent],
  )
  if (aside)
    await db.query(`UPDATE devices_here SET said = ? WHERE job_id = ? AND id IN (?) AND ${NOT_HEARD}`, [
      aside.said,
      jobId,
      [...aside.devices],
    ])
  const [rows] = await db.query<RowDataPacket[]>(
    `SELECT id, \`by\`, heard_at FROM devices_here WHERE job_id = ? AND id <> ? AND NOT rests AND said IS NULL AND ${NOT_HEARD} ORDER BY heard_at, id`,
    [jobId, device],
  )
  return {
    kind: 'applied',
    line: String(job.line),
    revision: Number(job.revision),
    unheard: rows.map(row => ({
      device: String(row.id),
      by: String(row.by),
      since: instantFrom(row.heard_at),
    })),
  }
}

const NOT_HEARD = `(unsent OR heard_at < UTC_TIMESTAMP(3) - INTERVAL ${UNHEARD_AFTER_SECONDS} SECOND)`
