import path from 'node:path'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import type { Heard } from '@/core/job/hearing'
import { BLANK } from '@/core/model/blank-rows'
import { usualBox } from '@/demo/usual'
import { applyCommand } from './commands'
import { closePool, pool } from './database'
import { hear } from './hearing'
import { loadJob, loadJobFile, removeJob, storeJobFile } from './jobs'
import { migrate } from './migrate'

let jobId = ''
let counter = 0
const fresh = () => `h${process.pid}-${Date.now().toString(36)}-${++counter}`

beforeAll(async () => {
  await migrate(path.join(import.meta.dirname, 'migrations'))
})
afterAll(closePool)
beforeEach(async () => {
  jobId = fresh()
  await storeJobFile({ record: usualBox({ isolated: true }).record, extra: {} }, { jobId, demo: null })
})

const word = (device: string, more: object = {}) => ({ device, by: '', rests: false, unsent: false, ...more })
const heard = async (device: string, more: object = {}) => {
  const answer = await hear(jobId, word(device, more))
  if (answer.kind !== 'applied') throw new Error(JSON.stringify(answer))
  return answer as Heard
}
const unheard = async (device: string) => (await heard(device)).unheard.map(each => each.device)
/** As if some time had gone by since a phone was heard. */
const silent = (device: string) =>
  pool().execute(
    'UPDATE devices_here SET heard_at = heard_at - INTERVAL 60 SECOND WHERE job_id = ? AND id = ?',
    [jobId, device],
  )

describe('phones that let themselves be heard', () => {
  it('are not heard once they are silent, and neither where they rest nor after they are heard again', async () => {
    await heard('one', { by: 'Ash' })
    await heard('two')
    expect(await unheard('three')).toEqual([])
    await silent('one')
    const { unheard: found, revision } = await heard('three')
    expect(revision).toBe(0)
    expect(found).toMatchObject([{ device: 'one', by: 'Ash' }])
    expect(Date.now() - Date.parse(found[0]!.since)).toBeGreaterThan(55_000)
    // Nobody is told of himself.
    expect(await unheard('one')).toEqual([])
    await heard('one', { rests: true })
    await silent('one')
    expect(await unheard('three')).toEqual([])
  })

  it('that have something unsent are as good as not heard', async () => {
    await heard('one', { unsent: true })
    expect(await unheard('two')).toEqual(['one'])
    await heard('one')
    expect(await unheard('two')).toEqual([])
  })

  it('are not asked about again before they are heard; what was said is kept', async () => {
    await heard('one')
    await heard('quick')
    await silent('one')
    const aside = { devices: ['one', 'quick'], said: 'Nothing was switched' }
    expect((await heard('two', { aside })).unheard).toEqual([])
    const said = async () => {
      const [rows] = await pool().query('SELECT id, said FROM devices_here WHERE job_id = ? ORDER BY id', [
        jobId,
      ])
      return rows
    }
    // One that is heard was not set aside.
    expect(await said()).toEqual([
      { id: 'one', said: 'Nothing was switched' },
      { id: 'quick', said: null },
      { id: 'two', said: null },
    ])
    await heard('one')
    await silent('one')
    expect(await unheard('two')).toEqual(['one'])
    // One that cannot send what it has stays asked about.
    await heard('one', { unsent: true })
    await heard('two', { aside: { devices: ['one'], said: 'It is off' } })
    await heard('one', { unsent: true })
    expect(await unheard('two')).toEqual([])
  })

  it('say it in the right words, of a job that is there, and go with it', async () => {
    expect(await hear('nowhere', word('one'))).toEqual({ kind: 'no-such-job' })
    for (const wrong of [
      null,
      {},
      word('No Id'),
      word('one', { rests: 'yes' }),
      word('one', { aside: { devices: [] } }),
    ])
      expect(await hear(jobId, wrong)).toMatchObject({ kind: 'refused' })
    await heard('one')
    await removeJob(jobId)
    const [rows] = await pool().query('SELECT id FROM devices_here WHERE job_id = ?', [jobId])
    expect(rows).toEqual([])
  })
})

describe('what a command says of its person', () => {
  const on = (origin: object, id = fresh()) => ({
    id: fresh(),
    origin: { device: 'panel', number: 1, seen: 0, by: 'Ash', ...origin },
    name: 'switch a breaker',
    boxId: null,
    edits: [
      {
        kind: 'add',
        entity: 'switchings',
        row: { id, circuitId: 'circuit-7', to: 'on', ...BLANK.switchings, foundSo: true },
      },
    ],
  })

  it('is kept with each row, read again, and written to a file', async () => {
    expect(await applyCommand(jobId, on({ number: 4 }, 'found'))).toMatchObject({
      kind: 'applied',
      revision: 1,
    })
    const placed = { revision: 1, seen: 0, device: 'panel', deviceNumber: 4, by: 'Ash' }
    expect((await loadJob(jobId))!.record.switchings.found).toMatchObject(placed)
    const file = (await loadJobFile(jobId))!
    const copy = fresh()
    await storeJobFile(file, { jobId: copy, demo: null })
    const stored = (await loadJob(copy))!
    expect(stored.record.switchings.found).toMatchObject(placed)
    // What comes next is later than all that is in it.
    expect(stored.revision).toBe(1)
    await removeJob(copy)
  })

  it('is not believed where it is more than there is', async () => {
    expect(await applyCommand(jobId, on({ seen: 1 }))).toMatchObject({
      kind: 'refused',
      faults: [{ path: '/origin/seen' }],
    })
    expect(await applyCommand(jobId, on({ seen: 0 }))).toMatchObject({ kind: 'applied' })
  })

  it('holds him to what he had seen, and tells him what he had not', async () => {
    const lock = {
      id: 'lock',
      ...{ circuitId: 'circuit-7', how: 'lock-and-tag', keyWith: 'Rowan', ...BLANK.locks },
    }
    const locked = {
      ...on({ device: 'wall' }),
      name: 'lock a breaker off',
      edits: [{ kind: 'add', entity: 'locks', row: lock }],
    }
    // Locks of before are off.
    const { record, versions } = (await loadJob(jobId))!
    const off = Object.keys(record.locks).map(id => ({
      kind: 'remove',
      entity: 'locks',
      id,
      based: versions.locks?.[id],
    }))
    expect(await applyCommand(jobId, { ...on({ device: 'wall' }), edits: off })).toMatchObject({
      kind: 'applied',
    })
    expect(await applyCommand(jobId, { ...locked, origin: { ...locked.origin, number: 2 } })).toMatchObject({
      kind: 'applied',
    })
    const plain = (seen: number) => {
      const command = on({ number: 5, seen })
      return {
        ...command,
        edits: [{ ...command.edits[0]!, row: { ...command.edits[0]!.row, foundSo: false } }],
      }
    }
    expect(await applyCommand(jobId, plain(2))).toMatchObject({ kind: 'refused', faults: [{ code: 'held' }] })
    const done = await applyCommand(jobId, plain(1))
    expect(done).toMatchObject({ kind: 'applied' })
    expect(done.kind === 'applied' && done.held.map(({ message }) => message).join()).toContain(
      'the lock of Rowan',
    )
  })
})
