import { defectsIn } from '@/core/check'
import { boxView } from '@/core/job/box-view'
import { rowsOf } from '@/core/model/record'
import type { Stage } from '@/core/model/vocabulary'
import { progressOfJob, waitsOf } from '@/core/plan'
import { currentTrade } from './catalogue'
import { loadStanding, standing } from './jobs'

/** What waits in a house, and what is wrong there that nobody closed. */
export interface JobWaits {
  /** By stage the boxes that wait, by room and name. */
  readonly stages: readonly { readonly stage: Stage; readonly boxes: readonly string[] }[]
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
  const waits = {
    stages: stages.map(({ stage, boxIds }) => ({ stage, boxes: boxIds.map(nameOf) })),
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
