import { unzipSync, zipSync, strToU8, type UnzipFileInfo, type Zippable } from 'fflate'
import { writeJobFile } from '@/core/format/job-file'
import { fault, good, refused, type Fault, type Result } from '@/core/model/result'
import { bringInFile } from './bring-in-file'
import { loadJobFile } from './jobs'
import { MOST_PHOTO_BYTES, pictureOf } from './photos'
import { loadPicture, type Picture } from './pictures'

/*
 * A job taken out whole: a ZIP of its job file and its pictures, each under the id of its row.
 */

const JOB = 'job.everyroom.json'
const PICTURE = /^photos\/([a-z0-9][a-z0-9-]{0,39})\.jpg$/
const MOST_JOB_BYTES = 8 * 1024 * 1024
/** All of it, as it is sent and as it is unpacked. */
export const MOST_WHOLE_BYTES = 128 * 1024 * 1024

export interface WholeJob {
  readonly name: string
  readonly bytes: Uint8Array
}

/** A job with its pictures; null where there is none. What its file lists and nobody kept is left out. */
export async function wholeJob(jobId: string): Promise<WholeJob | null> {
  const file = await loadJobFile(jobId)
  if (!file) return null
  const files: Zippable = { [JOB]: strToU8(writeJobFile(file)) }
  for (const id of Object.keys(file.record.photos)) {
    const picture = await loadPicture(jobId, id, 'picture')
    // Packed already.
    if (picture) files[`photos/${id}.jpg`] = [new Uint8Array(picture), { level: 0 }]
  }
  return { name: file.record.job.name, bytes: zipSync(files) }
}

/** Brings in a job with its pictures, all of it or nothing; answers with its id. */
export async function bringInWhole(bytes: Buffer): Promise<Result<string>> {
  const files = unpacked(bytes)
  if (!files.ok) return files
  const { [JOB]: job, ...others } = files.value
  if (!job) return refused(fault('/', 'no-job', `there is no ${JOB} in it`))
  const pictures = await picturesIn(others)
  return pictures.ok ? bringInFile(new TextDecoder().decode(job), pictures.value) : pictures
}

type Files = Readonly<Record<string, Uint8Array>>

/** What is in it, nothing of it larger than what is taken: looked at before anything is unpacked. */
function unpacked(bytes: Buffer): Result<Files> {
  const faults: Fault[] = []
  let all = 0
  const isTaken = ({ name, originalSize }: UnzipFileInfo): boolean => {
    all += originalSize
    const most = name === JOB ? MOST_JOB_BYTES : PICTURE.test(name) ? MOST_PHOTO_BYTES : 0
    if (most === 0) faults.push(fault(`/${name}`, 'unknown', 'no part of a job'))
    else if (originalSize > most || all > MOST_WHOLE_BYTES)
      faults.push(fault(`/${name}`, 'too-large', 'larger than what is taken'))
    return faults.length === 0
  }
  try {
    const files = unzipSync(bytes, { filter: isTaken })
    return faults.length > 0 ? refused(...faults) : good(files)
  } catch {
    return refused(fault('/', 'not-whole', 'it cannot be unpacked to its end'))
  }
}

async function picturesIn(files: Files): Promise<Result<Map<string, Picture>>> {
  const pictures = new Map<string, Picture>()
  const faults: Fault[] = []
  for (const [name, bytes] of Object.entries(files)) {
    const id = PICTURE.exec(name)![1]!
    const picture = await pictureOf(Buffer.from(bytes))
    if (picture.ok) pictures.set(id, picture.value)
    else faults.push(...picture.faults.map(each => ({ ...each, path: `/${name}` })))
  }
  return faults.length > 0 ? refused(...faults) : good(pictures)
}
