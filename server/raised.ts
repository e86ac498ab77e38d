import type { PoolConnection, ResultSetHeader } from 'mysql2/promise'
import type { VersionedJob } from '@/core/job/since'
import type { Trade } from '@/core/model/trade'
import { heldTrade, tradeAt } from './catalogue'
import { heldLast } from './held'
import { loadRaised, standing } from './jobs'

interface Raised {
  readonly job: VersionedJob
  readonly trade: Trade
}

/**
 * Raises the revision of a job by one, and so has it for this transaction: the job under its new revision, and the trade as
 * it stands beside it. Null where there is no such job. What is held is believed only where the same statement finds it so.
 */
export async function raisedByOne(jobId: string, db: PoolConnection): Promise<Raised | null> {
  const held = heldLast(jobId)
  const beside = heldTrade()
  if (held) {
    const [asHeld] = await db.execute<ResultSetHeader>(
      'UPDATE jobs SET revision = revision + 1 WHERE id = ? AND line = ? AND revision = ? AND (SELECT revision FROM catalogue_state) = ?',
      [jobId, held.line, held.revision, beside.revision],
    )
    if (asHeld.affectedRows > 0) return { job: { ...held, revision: held.revision + 1 }, trade: beside.trade }
  }
  const [raised] = await db.execute<ResultSetHeader>('UPDATE jobs SET revision = revision + 1 WHERE id = ?', [
    jobId,
  ])
  if (raised.affectedRows === 0) return null
  const now = (await standing(jobId, db))!
  return { job: await loadRaised(jobId, now, db), trade: await tradeAt(now.catalogue, db) }
}
