import { randomUUID } from 'node:crypto'
import Joi from 'joi'
import type { JobFile } from '@/core/format/job-file'
import { validated } from '@/core/format/schemas'
import { emptyRecord } from '@/core/model/record'
import { fault, good, refused, type Result } from '@/core/model/result'
import { REGION_IDS, type RegionId } from '@/core/model/vocabulary'
import { bringInFile } from './bring-in-file'
import { isDuplicate } from './database'
import { loadJobFile, storeJobFile } from './jobs'

/** Of the job that is to be, made by who asks: sent twice it is made once. */
const id = Joi.string().pattern(/^[a-z0-9][a-z0-9-]{0,39}$/)

const startSchema = Joi.object({
  start: Joi.object({
    id,
    name: Joi.string().min(1).max(120).required(),
    regionId: Joi.valid(...REGION_IDS).required(),
  }).required(),
})

const copySchema = Joi.object({
  copy: Joi.object({
    id,
    jobId: Joi.string().max(40).required(),
    name: Joi.string().min(1).max(120).required(),
  }).required(),
})

interface Copy {
  readonly copy: { readonly id?: string; readonly jobId: string; readonly name: string }
}

interface Start {
  readonly start: { readonly id?: string; readonly name: string; readonly regionId: RegionId }
}

/** A wish is a few words; what is longer is no wish, and takes long to look through. */
const MOST_OF_A_WISH = 2000

/** Stores what was sent: a job file, or the wish for an empty job, or for a copy of one. */
export async function bringIn(body: string): Promise<Result<string>> {
  if (body.length <= MOST_OF_A_WISH) {
    const start = wishIn<Start>(startSchema, body)
    if (start) return startJob(start)
    const copy = wishIn<Copy>(copySchema, body)
    if (copy) return copyJob(copy)
  }
  return bringInFile(body)
}

function wishIn<Wish>(schema: Joi.Schema, body: string): Wish | null {
  try {
    const shape = validated<Wish>(schema, JSON.parse(body))
    return shape.ok ? shape.value : null
  } catch {
    return null
  }
}

async function startJob({ start }: Start): Promise<Result<string>> {
  const jobId = start.id ?? randomUUID()
  const record = emptyRecord({
    id: jobId,
    name: start.name,
    address: '',
    owners: '',
    electrician: '',
    apprentice: '',
    regionId: start.regionId,
    backFeed: 'not-known',
    site: null,
    note: '',
  })
  return storedOnce({ record, extra: {} }, start.id)
}

/** Stores a job under the id that was asked for; one that stands there under the same name was asked for before. */
async function storedOnce(file: JobFile, asked: string | undefined): Promise<Result<string>> {
  const { id: jobId, name } = file.record.job
  try {
    await storeJobFile(file, { jobId, demo: null })
  } catch (error) {
    if (asked === undefined || !isDuplicate(error)) throw error
    const there = await loadJobFile(jobId)
    if (there?.record.job.name !== name) return refused(fault('/id', 'id-taken', 'another job has this id'))
  }
  return good(jobId)
}

/** A job once more under another name, with all that was recorded but its pictures and its history. */
async function copyJob({ copy }: Copy): Promise<Result<string>> {
  const file = await loadJobFile(copy.jobId)
  if (!file) return refused(fault('/copy/jobId', 'no-such-job', 'this job is no longer there'))
  const jobId = copy.id ?? randomUUID()
  const record = { ...file.record, photos: {}, job: { ...file.record.job, id: jobId, name: copy.name } }
  return storedOnce({ record, extra: file.extra }, copy.id)
}
