import { randomUUID } from 'node:crypto'
import { parseJobFile } from '@/core/format/job-file'
import { renumbered } from '@/core/job/renumbered'
import { fault, good, refused, type Result } from '@/core/model/result'
import { isDuplicate } from './database'
import { storeJobFile } from './jobs'
import type { Picture } from './pictures'

/** Pictures by the ids of their rows. */
export type Pictures = ReadonlyMap<string, Picture>

/**
 * Reads a job file and stores it with its pictures, all of it or nothing: under its own id while that is free, else under
 * a new one, so nothing is ever overwritten. Which it is.
 */
export async function storedFromFile(source: string, pictures: Pictures): Promise<Result<string>> {
  const parsed = parseJobFile(source)
  if (!parsed.ok) return parsed
  const record = renumbered(parsed.value.record)
  const ofNone = [...pictures.keys()].filter(id => !Object.hasOwn(record.photos, id))
  if (ofNone.length > 0)
    return refused(
      ...ofNone.map(id => fault(`/photos/${id}.jpg`, 'no-photo', 'no photo of the job has this id')),
    )
  const file = { ...parsed.value, record }
  const wished = record.job.id
  try {
    await storeJobFile(file, { jobId: wished, demo: null, pictures })
    return good(wished)
  } catch (error) {
    if (!isDuplicate(error)) throw error
    const jobId = randomUUID()
    await storeJobFile(file, { jobId, demo: null, pictures })
    return good(jobId)
  }
}
