import path from 'node:path'
import fc from 'fast-check'
import { gunzipSync } from 'node:zlib'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Edit } from '@/core/job/command'
import { isSince, withSince, type Since, type VersionedJob } from '@/core/job/since'
import { BLANK } from '@/core/model/blank-rows'
import { usualBox } from '@/demo/usual'
import { doneByTest } from '@/testing/origin'
import { closePool, pool } from './database'
import { applyCommand } from './commands'
import { letGo, listenTo } from './held'
import { loadJob, loadSince, removeJob, replaceJob, storeJobFile } from './jobs'
import { migrate } from './migrate'
import { openJob, packedJson, tradeNamed } from './opened'

/* A job that is held as it stands, and what became of it, against what is read from its tables anew. */

const jobId = 'held'
const file = { record: { ...usualBox().record, job: { ...usualBox().record.job, id: jobId } }, extra: {} }

beforeAll(async () => {
  await migrate(path.join(import.meta.dirname, 'migrations'))
})
afterAll(async () => {
  await removeJob(jobId)
  await closePool()
})

const anew = async (): Promise<VersionedJob> => {
  letGo(jobId)
  return (await loadJob(jobId))!
}

const begun = async (): Promise<VersionedJob> => {
  await removeJob(jobId)
  await storeJobFile(file, { jobId, demo: null })
  return anew()
}

let number = 0
const send = async (edits: readonly Edit[], seen: number) => {
  const id = `c${++number}`
  return applyCommand(jobId, { id, name: 'edit a box', boxId: null, edits, origin: doneByTest(seen) })
}

type Step = 'add a room' | 'rename' | 'remove' | 'the job' | 'breaker off' | 'take back'
const STEPS: readonly Step[] = ['add a room', 'rename', 'remove', 'the job', 'breaker off', 'take back']

/** One thing done to the job, by rows as they are in it now; nothing where there is nothing to do it to. */
async function doStep(step: Step, at: number): Promise<void> {
  const { record, versions, revision } = (await loadJob(jobId))!
  const added = Object.keys(record.rooms).filter(id => id.startsWith('more'))
  const room = added[at % Math.max(added.length, 1)]
  const based = (entity: 'rooms' | 'job', id: string | undefined) => versions[entity]![id!]!
  const circuit = Object.keys(record.circuits)[0]!
  switch (step) {
    case 'add a room':
      return void (await send(
        [
          {
            kind: 'add',
            entity: 'rooms',
            row: {
              id: `more-${++number}`,
              name: `Room ${number} é`,
              floor: '',
              kind: 'not-said',
              position: number,
              ...BLANK.rooms,
            },
          },
        ] as Edit[],
        revision,
      ))
    case 'rename':
      if (room)
        await send(
          [
            {
              kind: 'change',
              entity: 'rooms',
              id: room,
              based: based('rooms', room),
              fields: { name: `Other ${at} ${number}` },
            },
          ],
          revision,
        )
      return
    case 'remove':
      if (room)
        await send([{ kind: 'remove', entity: 'rooms', id: room, based: based('rooms', room) }], revision)
      return
    case 'the job':
      return void (await send(
        [
          {
            kind: 'change',
            entity: 'job',
            id: jobId,
            based: based('job', jobId),
            fields: { note: `note ${at}` },
          },
        ],
        revision,
      ))
    case 'breaker off':
      return void (await send(
        [
          {
            kind: 'add',
            entity: 'switchings',
            row: { ...BLANK.switchings, id: `s${++number}`, circuitId: circuit, to: 'off' },
          },
        ] as Edit[],
        revision,
      ))
    case 'take back': {
      const [rows] = await pool().query(
        'SELECT id, undoes FROM command_log WHERE job_id = ? ORDER BY revision DESC LIMIT 1',
        [jobId],
      )
      const last = (rows as { id: string; undoes: string | null }[])[0]
      if (last && last.undoes === null)
        await applyCommand(jobId, {
          id: `c${++number}`,
          name: 'undo',
          boxId: null,
          undoes: last.id,
          origin: doneByTest(revision),
        })
    }
  }
}

describe('a job that is held', () => {
  it('is what its tables say, and what became of it makes what was had into it, whatever was done', async () => {
    let told = 0
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.constantFrom(...STEPS), fc.nat(20)), { minLength: 4, maxLength: 9 }),
        fc.nat(8),
        async (steps, from) => {
          let had = await begun()
          let heard = had
          const leave = listenTo(jobId, since => {
            told++
            heard = withSince(heard, since)!
          })
          for (const [at, [step, which]] of steps.entries()) {
            await doStep(step, which)
            if (at === from) had = (await loadJob(jobId))!
          }
          leave()
          const held = (await loadJob(jobId))!
          const read = await anew()
          expect(held).toEqual(read)
          expect(heard).toEqual(read)
          const since = await loadSince(read, had)
          expect(withSince(had, since!)).toEqual(read)
        },
      ),
      { numRuns: 25 * Number(process.env.TIMES ?? 1) },
    )
    expect(told).toBeGreaterThan(50)
  }, 120_000)

  it('is written whoever cannot be told of it, and others are told', async () => {
    await begun()
    const heard: number[] = []
    const broken = listenTo(jobId, () => {
      throw new Error('gone')
    })
    const leave = listenTo(jobId, ({ revision }) => heard.push(revision))
    await doStep('add a room', 0)
    await doStep('add a room', 0)
    broken()
    leave()
    await doStep('add a room', 0)
    expect(heard).toEqual([1, 2])
    expect((await loadJob(jobId))!.revision).toBe(3)
  })

  it('is another after it was reset: nothing follows on what was had of the one before', async () => {
    const had = await begun()
    await replaceJob(file, { jobId, demo: null })
    const now = (await loadJob(jobId))!
    expect(now.line).not.toBe(had.line)
    expect(await loadSince(now, had)).toBeNull()
    expect(await loadSince(now, { line: now.line, revision: now.revision + 1 })).toBeNull()
    expect(isSince((await openJob(jobId, `${had.line}.${had.revision}`))!.opened)).toBe(false)
    expect(isSince((await openJob(jobId, `${now.line}.${now.revision}`))!.opened)).toBe(true)
    expect(isSince((await openJob(jobId, 'nonsense'))!.opened)).toBe(false)
  })

  it('is told whole where the log does not tell of every step', async () => {
    const had = await begun()
    await doStep('add a room', 0)
    await doStep('add a room', 0)
    await pool().query('DELETE FROM command_log WHERE job_id = ? LIMIT 1', [jobId])
    expect(await loadSince((await loadJob(jobId))!, had)).toBeNull()
  })

  it('is not what a command would have made that was not written', async () => {
    const before = await begun()
    await expect(
      send(
        [{ kind: 'change', entity: 'rooms', id: 'gone', based: 1, fields: { name: 'x' } }],
        before.revision,
      ),
    ).resolves.toMatchObject({ kind: 'stale' })
    expect(await loadJob(jobId)).toBe(await loadJob(jobId))
    expect(await loadJob(jobId)).toEqual(before)
  })
})

describe('what does not follow', () => {
  const job: VersionedJob = { record: file.record, versions: {}, revision: 5, line: 'one' }
  const since: Since = { line: 'one', from: 5, revision: 6, commands: [], rows: [] }
  it('is not taken: a step left out, another life; what is here already changes nothing', () => {
    expect(withSince(job, { ...since, from: 6, revision: 7 })).toBeNull()
    expect(withSince(job, { ...since, line: 'two' })).toBeNull()
    expect(withSince(job, { ...since, from: 3, revision: 5 })).toBe(job)
    expect(withSince(job, since)).toMatchObject({ revision: 6 })
  })
})

describe('what a job can ask for', () => {
  it('is found under the name that it was told with, and under no other', async () => {
    await begun()
    const { trade } = (await openJob(jobId, null))!.opened
    const [region, name] = trade.split('/') as [string, string]
    const found = await tradeNamed(region, name)
    expect(found!.devices.length).toBeGreaterThan(50)
    expect(found!.devices.every(({ regions }) => regions.includes(region as never))).toBe(true)
    expect(await tradeNamed(region, 'ffffffffffffffff')).toBeNull()
    expect(await tradeNamed('nowhere', name)).toBeNull()
  })

  it('comes packed to who asks for that, once for as long as it says the same', async () => {
    const asked = (accept: string) => new Request('http://127.0.0.1/', { headers: { accept } })
    const of = {}
    const read = async (as: string, value: unknown) => {
      const answer = await packedJson(asked('application/gzip'), { of, as }, value)
      expect(answer.headers.get('content-type')).toBe('application/gzip')
      return gunzipSync(Buffer.from(await answer.arrayBuffer())).toString()
    }
    expect(await read('a', { says: 'é' })).toBe('{"says":"é"}')
    expect(await read('a', { says: 'not asked for' })).toBe('{"says":"é"}')
    expect(await read('b', { says: 'other' })).toBe('{"says":"other"}')
    const plain = await packedJson(asked('*/*'), { of, as: 'b' }, { says: 'é' })
    expect(await plain.json()).toEqual({ says: 'é' })
  })
})
