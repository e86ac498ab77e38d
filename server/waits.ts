import { defectsIn } from '@/core/check'
import { boxView } from '@/core/job/box-view'
import { rowsOf } from '@/core/model/record'
import type { Stage } from '@/core/model/vocabulary'
import { progressOfJob, waitsOf } from '@/core/plan'
import { currentTrade } from './catalogue'
import { pool } from './database'
import type { RowDataPacket } from 'mysql2/promise'
import { loadStanding, standing } from './jobs'
import { instantFrom } from './rows'

/** What waits in a house, and what is wrong there that nobody closed. */
export interface JobWaits {
  /** By stage the boxes that wait, by room and name, and since when the first of them does: ISO 8601. */
  readonly stages: readonly {
    readonly stage: Stage
    readonly boxes: readonly string[]
    readonly since: string
  }[]
  readonly done: number
  readonly openDefects: number
  readonly openDangers: number
}

/** As many as are looked at on one page of jobs. */
const KEPT = 200
const kept = new Map<string, { readonly key: string; readonly waits: JobWaits }>()

/** Reckoned once for a job as it stands; null where there is no such job. */
export async function waitsIn(jobId: string): Promise<JobWaits | null> {
  const now = await standing(jobId)
  if (!now) return null
  const key = `${now.line} ${now.revision} ${now.catalogue}`
  const before = kept.get(jobId)
  if (before?.key === key) return before.waits
  const job = await loadStanding(jobId, now)
  if (!job) return null
  const { record } = job
  const trade = await currentTrade()
  const { stages, done } = waitsOf(progressOfJob(record, trade))
  const open = rowsOf(record, 'boxes')
    .flatMap(({ id }) => defectsIn(boxView(record, id)!, trade))
    .filter(({ state }) => state === 'open')
  const nameOf = (boxId: string) => {
    const box = record.boxes[boxId]!
    return `${record.rooms[box.roomId]!.name}, ${box.name}`
  }
  const { brought, byBox } = await lastAtBoxes(jobId)
  const since = (boxIds: readonly string[]) => boxIds.map(id => byBox.get(id) ?? brought).sort()[0] ?? brought
  const waits = {
    stages: stages.map(({ stage, boxIds }) => ({
      stage,
      boxes: boxIds.map(nameOf),
      since: since(boxIds),
    })),
    done,
    openDefects: open.length,
    openDangers: open.filter(({ severity }) => severity === 'danger').length,
  }
  kept.delete(jobId)
  kept.set(jobId, { key, waits })
  for (const oldest of kept.keys()) {
    if (kept.size <= KEPT) break
    kept.delete(oldest)
  }
  return waits
}

/** When something was last recorded of each box, and when the job was brought in: nothing was before. */
async function lastAtBoxes(jobId: string): Promise<{ brought: string; byBox: ReadonlyMap<string, string> }> {
  const [[job]] = await pool().query<RowDataPacket[]>(
    `SELECT CONVERT_TZ(created_at, @@session.time_zone, '+00:00') AS brought_at FROM jobs WHERE id = ?`,
    [jobId],
  )
  const [rows] = await pool().query<RowDataPacket[]>(
    `SELECT box_id, MAX(applied_at) AS last_at FROM command_log
     WHERE job_id = ? AND box_id IS NOT NULL GROUP BY box_id`,
    [jobId],
  )
  return {
    brought: instantFrom(job?.brought_at),
    byBox: new Map(rows.map(row => [String(row.box_id), instantFrom(row.last_at)])),
  }
}
