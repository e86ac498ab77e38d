import { havingWords } from '@/core/job/since'
import { HAVE } from '../browser/early'
import { database, type KeptJob } from './browser-db'

const MOST_KEPT = 8

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
