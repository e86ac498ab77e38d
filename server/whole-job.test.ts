import path from 'node:path'
import { strToU8, unzipSync, zipSync, type Zippable } from 'fflate'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { parseJobFile } from '@/core/format/job-file'
import { ALONE } from '@/core/model/placed'
import type { JobRecord } from '@/core/model/record'
import { usualBox } from '@/demo/usual'
import { closePool, pool } from './database'
import { listJobs, loadJob, removeJob, storeJobFile } from './jobs'
import { migrate } from './migrate'
import { storePhoto } from './photos'
import { loadPicture } from './pictures'
import { bringInWhole, wholeJob } from './whole-job'

const jobId = 'whole-one'
const made: string[] = [jobId]

const photo = {
  ...ALONE,
  ...{ id: 'photo-1', boxId: 'box', kind: 'before', widthPixels: 40, heightPixels: 30, note: '' },
  ...{ seq: 900, at: '2026-03-02T09:00:00.000Z' },
}
const record = {
  ...usualBox().record,
  job: { ...usualBox().record.job, id: jobId, name: 'A house taken out whole' },
  photos: { 'photo-1': photo },
} as unknown as JobRecord

const noise = () =>
  sharp({
    create: {
      width: 40,
      height: 30,
      channels: 3,
      background: '#7a2',
      noise: { type: 'gaussian', mean: 128, sigma: 40 },
    },
  })
    .jpeg()
    .toBuffer()

beforeAll(async () => {
  await migrate(path.join(import.meta.dirname, 'migrations'))
  await removeJob(jobId)
  await storeJobFile({ record, extra: { odd: [1] } }, { jobId, demo: null })
  expect((await storePhoto(jobId, 'photo-1', await noise())).ok).toBe(true)
})
afterAll(async () => {
  for (const id of made) await removeJob(id)
  await closePool()
})

/** Those of this house: others come and go meanwhile. */
const copies = async (): Promise<number> =>
  (await listJobs()).filter(({ name }) => name === record.job.name).length

const brought = async (bytes: Uint8Array): Promise<string> => {
  const stored = await bringInWhole(Buffer.from(bytes))
  if (!stored.ok) throw new Error(JSON.stringify(stored.faults))
  made.push(stored.value)
  return stored.value
}

describe('a job taken out whole', () => {
  it('is its file and its pictures, and comes in again as it was, beside the one that is there', async () => {
    const whole = (await wholeJob(jobId))!
    expect(Object.keys(unzipSync(whole.bytes)).sort()).toEqual(['job.everyroom.json', 'photos/photo-1.jpg'])
    const id = await brought(whole.bytes)
    expect(id).not.toBe(jobId)
    const there = (await loadJob(id))!.record
    expect({ ...there, job: { ...there.job, id: jobId } }).toEqual((await loadJob(jobId))!.record)
    const picture = (await loadPicture(id, 'photo-1', 'picture'))!
    expect(await sharp(picture).metadata()).toMatchObject({ format: 'jpeg', width: 40, height: 30 })
    expect(await loadPicture(id, 'photo-1', 'small')).not.toBeNull()
    const again = unzipSync((await wholeJob(id))!.bytes)
    const file = parseJobFile(new TextDecoder().decode(again['job.everyroom.json']))
    expect(file.ok && file.value.extra).toEqual({ odd: [1] })
  })

  it('deleted whole leaves nothing of it', async () => {
    const id = await brought((await wholeJob(jobId))!.bytes)
    await removeJob(id)
    const [tables] = await pool().query(
      "SELECT TABLE_NAME AS name FROM information_schema.COLUMNS WHERE TABLE_SCHEMA = DATABASE() AND COLUMN_NAME = 'job_id'",
    )
    const names = (tables as { name: string }[]).map(({ name }) => name)
    expect(names.length).toBeGreaterThan(25)
    for (const name of names) {
      const [rows] = await pool().query(`SELECT 1 FROM \`${name}\` WHERE job_id = ?`, [id])
      expect(rows, name).toEqual([])
    }
  })

  it('is null where there is no job', async () => {
    expect(await wholeJob('nowhere')).toBeNull()
  })
})

describe('what is no whole job', () => {
  const packed = async (change: (files: Zippable) => void) => {
    const files: Zippable = { ...unzipSync((await wholeJob(jobId))!.bytes) }
    change(files)
    return Buffer.from(zipSync(files))
  }
  const many = new Uint8Array(16 * 1024 * 1024)

  it.each<[string, (files: Zippable) => void, string, string]>([
    ['no job file', files => void delete files['job.everyroom.json'], '/', 'no-job'],
    ['something else beside it', files => void (files['run.sh'] = strToU8('x')), '/run.sh', 'unknown'],
    [
      'a way out of its folder',
      files => void (files['photos/../../x.jpg'] = strToU8('x')),
      '/photos/../../x.jpg',
      'unknown',
    ],
    [
      'a picture of no photo',
      files => void (files['photos/other.jpg'] = files['photos/photo-1.jpg']!),
      '/photos/other.jpg',
      'no-photo',
    ],
    [
      'a picture that is none',
      files => void (files['photos/photo-1.jpg'] = strToU8('x')),
      '/photos/photo-1.jpg',
      'no-picture',
    ],
    [
      'a picture that unpacks to too much',
      files => void (files['photos/photo-1.jpg'] = many),
      '/photos/photo-1.jpg',
      'too-large',
    ],
    [
      'a job file that unpacks to too much',
      files => void (files['job.everyroom.json'] = many),
      '/job.everyroom.json',
      'too-large',
    ],
    [
      'a broken job file',
      files => void (files['job.everyroom.json'] = strToU8('{}')),
      '/format',
      'any.required',
    ],
  ])('%s is refused whole', async (_, change, at, code) => {
    const before = await copies()
    const stored = await bringInWhole(await packed(change))
    expect(stored.ok).toBe(false)
    expect(!stored.ok && stored.faults.map(each => [each.path, each.code])).toContainEqual([at, code])
    expect(await copies()).toBe(before)
  })

  it('cut short anywhere it is refused, and nothing is stored', async () => {
    const { bytes } = (await wholeJob(jobId))!
    const before = await copies()
    for (let at = 0; at < bytes.length; at += Math.ceil(bytes.length / 40))
      expect((await bringInWhole(Buffer.from(bytes.subarray(0, at)))).ok).toBe(false)
    expect(await copies()).toBe(before)
  })
})
