import path from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { parseJobFile, writeJobFile } from '@/core/format/job-file'
import type { Result } from '@/core/model/result'
import { quillbackRoad } from '@/demo/quillback'
import { bringInFile } from './bring-in-file'
import { closePool } from './database'
import { jobExists, loadJobFile, removeJob } from './jobs'
import { migrate } from './migrate'

const stamp = Date.now().toString(36)
const made: string[] = []

const textUnder = (jobId: string, name = jobId) => {
  const record = quillbackRoad()
  return writeJobFile({
    record: { ...record, job: { ...record.job, id: jobId, name } },
    extra: { odd: [1] },
  })
}

async function brought(text: string): Promise<Result<string>> {
  const stored = await bringInFile(text)
  if (stored.ok) made.push(stored.value)
  return stored
}

beforeAll(() => migrate(path.join(import.meta.dirname, 'migrations')))
afterAll(async () => {
  for (const id of made) await removeJob(id)
  await closePool()
})

describe('a large job file', () => {
  it('is brought in beside what answers requests: as it was read, or refused with the same', async () => {
    const id = `large-${stamp}`
    const text = textUnder(id)
    expect(text.length).toBeGreaterThan(60_000)
    let turns = 0
    const timer = setInterval(() => turns++, 5)
    expect(await brought(text)).toEqual({ ok: true, value: id })
    clearInterval(timer)
    expect(turns).toBeGreaterThan(5)
    const read = parseJobFile(text)
    expect(await loadJobFile(id)).toEqual(read.ok && read.value)

    const broken = textUnder(`broken-${stamp}`).replace('"kind": "control"', '"kind": "nothing"')
    expect(await brought(broken)).toEqual(parseJobFile(broken))
    expect(await jobExists(`broken-${stamp}`)).toBe(false)
  }, 60_000)

  it('comes one at a time, each to its own end, and beside what has its id', async () => {
    const id = `many-${stamp}`
    const names = ['One', 'Two', 'Three']
    const all = await Promise.all(names.map(name => brought(textUnder(id, name))))
    const ids = all.map(each => (each.ok ? each.value : ''))
    expect(ids[0]).toBe(id)
    expect(new Set(ids).size).toBe(3)
    const kept = await Promise.all(ids.map(each => loadJobFile(each)))
    expect(kept.map(each => each?.record.job.name)).toEqual(names)
  }, 60_000)

  it('that the database does not take is not stored, and what it said comes through', async () => {
    const id = `away-${stamp}`
    const here = process.env.DATABASE_URL!
    process.env.DATABASE_URL = here
      .replace(/:\d+\//, ':1/')
      .replace(/socketPath=[^&]*/, 'socketPath=/nowhere')
    try {
      await expect(bringInFile(textUnder(id))).rejects.toMatchObject({
        code: expect.stringMatching(/ECONNREFUSED|ENOENT/) as string,
      })
    } finally {
      process.env.DATABASE_URL = here
    }
    expect(await jobExists(id)).toBe(false)
  }, 60_000)
})
