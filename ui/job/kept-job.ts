import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { havingWords, type VersionedJob } from '@/core/job/since'
import type { Trade } from '@/core/model/trade'
import { HAVE } from '../primitives/early'

/** A job as this browser had it last. */
export interface KeptJob {
  readonly jobId: string
  readonly job: VersionedJob
  readonly trade: Trade
  /** Where the trade came from, to tell whether it is still that. */
  readonly said: string
  readonly demo: boolean
  /** When it was known to stand so; UTC, ISO 8601. */
  readonly at: string
}

interface Kept extends DBSchema {
  jobs: { key: string; value: KeptJob; indexes: { at: string } }
}

const MOST_KEPT = 8

let opened: Promise<IDBPDatabase<Kept>> | null = null

const database = (): Promise<IDBPDatabase<Kept>> =>
  (opened ??= openDB<Kept>('every-room', 1, {
    upgrade: db => void db.createObjectStore('jobs', { keyPath: 'jobId' }).createIndex('at', 'at'),
    terminated: () => void (opened = null),
  }))

/** Null where nothing is kept, or nothing can be. */
export async function keptJob(jobId: string): Promise<KeptJob | null> {
  try {
    return (await (await database()).get('jobs', jobId)) ?? null
  } catch {
    return null
  }
}

/** Keeps a job for the next time it is opened, and no more of them than a few; where nothing can be kept it is fetched then. */
export async function keepJob(kept: KeptJob): Promise<void> {
  try {
    const db = await database()
    await db.put('jobs', kept)
    localStorage.setItem(`${HAVE}${kept.jobId}`, havingWords(kept.job))
    const all = await db.getAllKeysFromIndex('jobs', 'at')
    for (const old of all.slice(0, -MOST_KEPT)) await forgetJob(old)
  } catch {
    // It is asked for whole the next time.
  }
}

export async function forgetJob(jobId: string): Promise<void> {
  try {
    localStorage.removeItem(`${HAVE}${jobId}`)
    await (await database()).delete('jobs', jobId)
  } catch {
    // It was not kept.
  }
}
