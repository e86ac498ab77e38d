import { spawn } from 'node:child_process'
import { once } from 'node:events'
import path from 'node:path'
import type { RowDataPacket } from 'mysql2/promise'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { BLANK } from '@/core/model/blank-rows'
import { parseJobFile, writeJobFile } from '@/core/format/job-file'
import type { Command } from '@/core/job/command'
import type { Outcome } from '@/core/job/outcome'
import { usualBox } from '@/demo/usual'
import { quillbackRoad } from '@/demo/quillback'
import { doneByTest } from '@/testing/origin'
import { bringIn } from './bring-in'
import { applyCommand } from './commands'
import { closePool, pool } from './database'
import { loadDemoOnce, resetDemo } from './demo'
import { loadJob, loadJobFile, loadUndoState, removeJob, storeJobFile } from './jobs'
import { migrate } from './migrate'

const root = path.resolve(import.meta.dirname, '..')
const DEMO = path.join(root, 'demo')
let jobId = ''
let counter = 0
const fresh = () => `t${process.pid}-${Date.now().toString(36)}-${++counter}`

beforeAll(async () => {
  await migrate(path.join(import.meta.dirname, 'migrations'))
})
afterAll(closePool)

beforeEach(async () => {
  jobId = fresh()
  await storeJobFile(
    { record: usualBox({ choice: 'switch-plain-15' }).record, extra: {} },
    { jobId, demo: null },
  )
})

const rename = (name: string, based = 1, id = fresh()) => ({
  id,
  origin: doneByTest(),
  name: 'edit a box',
  boxId: 'box',
  edits: [{ kind: 'change', entity: 'boxes', id: 'box', based, fields: { name } }],
})

const boxName = async () => (await loadJob(jobId))!.record.boxes.box!.name
const logLength = async () => {
  const [rows] = await pool().query<RowDataPacket[]>(
    'SELECT COUNT(*) AS n FROM command_log WHERE job_id = ?',
    [jobId],
  )
  return Number(rows[0]!.n)
}
const applied = (outcome: Outcome) => {
  if (outcome.kind !== 'applied') throw new Error(JSON.stringify(outcome))
  return outcome
}

describe('commands', () => {
  it('apply, raise the version, and stand in the log', async () => {
    const outcome = applied(await applyCommand(jobId, rename('By the window')))
    expect(outcome.versions).toEqual({ boxes: { box: 2 } })
    expect(await boxName()).toBe('By the window')
    expect(await logLength()).toBe(1)
  })

  it('sent twice are applied once, and answered alike', async () => {
    const command = rename('Once')
    const first = applied(await applyCommand(jobId, command))
    const again = applied(await applyCommand(jobId, command))
    expect(again.changes).toEqual(first.changes)
    expect(again.revision).toBe(first.revision)
    expect(await logLength()).toBe(1)
  })

  it('under an id that was taken by another are refused, and nothing is done', async () => {
    const command = rename('Once')
    applied(await applyCommand(jobId, command))
    expect(await applyCommand(jobId, { ...rename('Another'), id: command.id })).toMatchObject({
      kind: 'refused',
      faults: [{ code: 'id-taken' }],
    })
    expect(await boxName()).toBe('Once')
    // In whatever order its fields stand it is the same.
    const turned = Object.fromEntries(Object.entries(command).reverse())
    expect((await applyCommand(jobId, turned)).kind).toBe('applied')
    expect(await logLength()).toBe(1)
  })

  it('sent twenty times at once are applied once', async () => {
    const command = rename('Once')
    const outcomes = await Promise.all(Array.from({ length: 20 }, () => applyCommand(jobId, command)))
    expect(outcomes.every(each => each.kind === 'applied')).toBe(true)
    expect(await logLength()).toBe(1)
    expect((await loadJob(jobId))!.versions.boxes?.box).toBe(2)
  })

  it('two people at once: one is applied, the other is told what changed', async () => {
    const outcomes = await Promise.all([
      applyCommand(jobId, rename('Hers')),
      applyCommand(jobId, rename('His')),
    ])
    expect(outcomes.map(each => each.kind).sort()).toEqual(['applied', 'stale'])
    const stale = outcomes.find(each => each.kind === 'stale')
    const now = await boxName()
    expect(stale?.kind === 'stale' && stale.stale[0]).toMatchObject({
      entity: 'boxes',
      id: 'box',
      now: { name: now },
      version: 2,
      fields: ['name'],
    })
    expect(await logLength()).toBe(1)
  })

  it('a row that is gone is stale, not an error', async () => {
    applied(
      await applyCommand(jobId, {
        id: fresh(),
        origin: doneByTest(),
        name: 'remove a box',
        boxId: null,
        edits: [{ kind: 'remove', entity: 'boxes', id: 'box', based: 1 }],
      }),
    )
    expect(await applyCommand(jobId, rename('Late'))).toMatchObject({
      kind: 'stale',
      stale: [{ now: null, version: null }],
    })
  })

  it('a broken one is refused with its paths, and nothing of it is stored', async () => {
    const before = await loadJob(jobId)
    const half = {
      ...rename('Half'),
      edits: [
        { kind: 'change', entity: 'boxes', id: 'box', based: 1, fields: { name: 'Half' } },
        { kind: 'change', entity: 'boxes', id: 'box', based: 1, fields: { roomId: 'attic' } },
      ],
    }
    expect(await applyCommand(jobId, half)).toMatchObject({
      kind: 'refused',
      faults: [{ path: '/boxes/box/roomId' }],
    })
    expect(await applyCommand(jobId, { nonsense: true })).toMatchObject({ kind: 'refused' })
    expect(await loadJob(jobId)).toEqual(before)
    expect(await logLength()).toBe(0)
  })

  it('a held step is refused by the server too', async () => {
    const tick = {
      id: fresh(),
      origin: doneByTest(),
      name: 'tick a step',
      boxId: 'box',
      edits: [
        {
          kind: 'add',
          entity: 'steps',
          row: { id: 's', boxId: 'box', stepKey: 'tug', asked: null, note: '' },
        },
      ],
    }
    expect(await applyCommand(jobId, tick)).toMatchObject({ kind: 'refused', faults: [{ code: 'held' }] })
    const [rows] = await pool().query<RowDataPacket[]>('SELECT COUNT(*) AS n FROM steps WHERE job_id = ?', [
      jobId,
    ])
    expect(Number(rows[0]!.n)).toBe(0)
  })

  it('no such job', async () => {
    expect(await applyCommand('nowhere', rename('x'))).toEqual({ kind: 'no-such-job' })
  })

  it('text that looks like SQL is only text', async () => {
    const name = "Robert'); DROP TABLE boxes; -- “ü”"
    applied(await applyCommand(jobId, rename(name)))
    expect(await boxName()).toBe(name)
  })
})

describe('undo and redo', () => {
  const undo = (undoes: string, name: 'undo' | 'redo' = 'undo') => ({
    id: fresh(),
    origin: doneByTest(),
    name,
    boxId: 'box',
    undoes,
  })

  it('take back and do again, each in the log', async () => {
    const command = rename('New')
    applied(await applyCommand(jobId, command))
    const back = undo(command.id)
    expect(applied(await applyCommand(jobId, back)).undo).toMatchObject({ undo: null, redo: { id: back.id } })
    expect(await boxName()).toBe('By the door')
    applied(await applyCommand(jobId, undo(back.id, 'redo')))
    expect(await boxName()).toBe('New')
    expect(await logLength()).toBe(3)
  })

  it('take back what was said of the job itself, whatever order its row has its fields in', async () => {
    const version = (await loadJob(jobId))!.versions.job?.[jobId] ?? 1
    const before = (await loadJob(jobId))!.record.job
    const command: Command = {
      id: fresh(),
      origin: doneByTest(),
      name: 'edit the job',
      boxId: null,
      edits: [
        {
          kind: 'change',
          entity: 'job',
          id: jobId,
          based: version,
          fields: { backFeed: 'yes', note: 'Key' },
        },
      ],
    }
    applied(await applyCommand(jobId, command))
    expect((await loadJob(jobId))!.record.job).toMatchObject({ backFeed: 'yes', note: 'Key' })
    applied(
      await applyCommand(jobId, {
        id: fresh(),
        origin: doneByTest(),
        name: 'undo',
        boxId: null,
        undoes: command.id,
      }),
    )
    expect((await loadJob(jobId))!.record.job).toEqual(before)
  })

  it('bring back a removed cable with all that hung on it', async () => {
    const before = (await loadJob(jobId))!.record
    const command = {
      id: fresh(),
      origin: doneByTest(),
      name: 'remove a cable',
      boxId: 'box',
      edits: [{ kind: 'remove', entity: 'cables', id: 'box-a', based: 1 }],
    }
    applied(await applyCommand(jobId, command))
    expect(Object.keys((await loadJob(jobId))!.record.ends)).toHaveLength(3)
    applied(await applyCommand(jobId, undo(command.id)))
    expect((await loadJob(jobId))!.record).toEqual(before)
  })

  it('refuse what is not the last, and what somebody changed since', async () => {
    const first = rename('First')
    applied(await applyCommand(jobId, first))
    applied(await applyCommand(jobId, rename('Second', 2)))
    expect(await applyCommand(jobId, undo(first.id))).toMatchObject({ kind: 'refused' })
    const house = { ...rename('From the house', 3), boxId: null }
    applied(await applyCommand(jobId, house))
    const { undo: last } = await loadUndoState(jobId, 'box')
    expect(await applyCommand(jobId, undo(last!.id))).toMatchObject({
      kind: 'stale',
      stale: [{ fields: ['name'] }],
    })
    expect(await boxName()).toBe('From the house')
  })
})

describe('when something dies in the middle', () => {
  it('connections killed at random: every command lands exactly once', async () => {
    let killing = true
    let killed = 0
    // So many and no more: on a slow machine none would live long enough to do its work.
    const MOST_KILLED = 60
    // Those of this test alone: other tests speak to the same server meanwhile.
    const open = await Promise.all(Array.from({ length: 8 }, () => pool().getConnection()))
    const own = new Set(open.map(({ threadId }) => threadId))
    for (const each of open) each.release()
    pool().on('connection', ({ threadId }) => own.add(threadId))
    const killer = (async () => {
      while (killing && killed < MOST_KILLED) {
        const [rows] = await pool()
          .query<RowDataPacket[]>(
            'SELECT ID AS id FROM information_schema.PROCESSLIST WHERE ID <> CONNECTION_ID()',
          )
          .catch((): [RowDataPacket[], never[]] => [[], []])
        const mine = rows.filter(({ id }) => own.has(Number(id)))
        const victim = mine[Math.floor(mine.length / 2)]
        if (victim)
          await pool()
            .query(`KILL CONNECTION ${Number(victim.id)}`)
            .then(
              () => killed++,
              () => undefined,
            )
        await new Promise(resolve => setTimeout(resolve, 15))
      }
    })()
    const commands = Array.from({ length: 12 }, (_, index) => ({
      id: fresh(),
      origin: doneByTest(),
      name: 'add a room',
      boxId: null,
      edits: [
        {
          kind: 'add',
          entity: 'rooms',
          row: {
            id: `room-${index}`,
            name: `Room ${index}`,
            floor: '',
            kind: 'not-said',
            position: index,
            ...BLANK.rooms,
          },
        },
      ],
    }))
    try {
      for (const command of commands) {
        let landed = false
        for (let attempt = 0; attempt < 80 && !landed; attempt++)
          landed = await applyCommand(jobId, command).then(
            outcome => outcome.kind === 'applied',
            () => false,
          )
        expect(landed).toBe(true)
      }
    } finally {
      killing = false
      await killer
    }
    expect(killed).toBeGreaterThan(0)
    const { record } = (await loadJob(jobId))!
    expect(Object.keys(record.rooms).filter(id => id.startsWith('room-'))).toHaveLength(12)
    expect(await logLength()).toBe(12)
  })

  it('a process killed before its commit leaves nothing behind', async () => {
    const before = await loadJob(jobId)
    const script = `
      import { inTransaction } from '${path.join(root, 'server/database.ts')}'
      await inTransaction(async db => {
        await db.execute('UPDATE boxes SET name = ? WHERE job_id = ?', ['Half done', '${jobId}'])
        await db.execute('DELETE FROM claims WHERE job_id = ?', ['${jobId}'])
        console.log('written')
        await new Promise(resolve => setTimeout(resolve, 60000))
      })`
    const child = spawn(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', script], {
      cwd: root,
    })
    await once(child.stdout, 'data')
    child.kill('SIGKILL')
    await once(child, 'exit')
    applied(await applyCommand(jobId, rename('After the crash')))
    const now = await loadJob(jobId)
    expect(now!.record.boxes.box!.name).toBe('After the crash')
    expect(now!.record.claims).toEqual(before!.record.claims)
  })
})

describe('job files in and out', () => {
  it('a stored job is written byte for byte as it came, unknown fields included', async () => {
    const file = JSON.parse(writeJobFile({ record: quillbackRoad(), extra: { weather: { sky: 'grey' } } }))
    file.job.id = fresh()
    file.rooms[0].smell = 'clay'
    const parsed = parseJobFile(JSON.stringify(file))
    if (!parsed.ok) throw new Error('refused')
    const text = writeJobFile(parsed.value)
    const stored = await bringIn(text)
    expect(stored).toEqual({ ok: true, value: file.job.id })
    expect(writeJobFile((await loadJobFile(file.job.id))!)).toBe(text)
    expect(text).toContain('"smell": "clay"')
  })

  it('one whose id is taken is stored beside, never over', async () => {
    const text = writeJobFile((await loadJobFile(jobId))!)
    const stored = await bringIn(text)
    expect(stored.ok && stored.value).not.toBe(jobId)
    expect(await boxName()).toBe('By the door')
  })

  it('a broken one stores nothing', async () => {
    const count = async () => {
      const [rows] = await pool().query<RowDataPacket[]>('SELECT COUNT(*) AS n FROM jobs')
      return Number(rows[0]!.n)
    }
    const before = await count()
    const file = JSON.parse(writeJobFile((await loadJobFile(jobId))!))
    file.job.id = fresh()
    file.ends[0].conductorId = 'nothing'
    const stored = await bringIn(JSON.stringify(file))
    expect(!stored.ok && stored.faults[0]!.path).toBe('/ends/0/conductorId')
    expect(await count()).toBe(before)
  })

  it('a removed job is gone with everything in it', async () => {
    applied(await applyCommand(jobId, rename('x')))
    expect(await removeJob(jobId)).toBe(true)
    expect(await loadJob(jobId)).toBeNull()
    expect(await removeJob(jobId)).toBe(false)
  })
})

describe('demo and migrations', () => {
  it('are loaded once, never over edits; resetting is a deliberate act', async () => {
    await loadDemoOnce(DEMO)
    const demo = 'saltpan-quay-3'
    await resetDemo(DEMO, demo)
    const version = (await loadJob(demo))!.versions.boxes!['box-hallway']!
    const command = {
      ...rename('Changed', version),
      edits: [
        { kind: 'change', entity: 'boxes', id: 'box-hallway', based: version, fields: { name: 'Changed' } },
      ],
    }
    applied(await applyCommand(demo, command))
    expect(await loadDemoOnce(DEMO)).toEqual([])
    expect((await loadJob(demo))!.record.boxes['box-hallway']!.name).toBe('Changed')
    expect(await resetDemo(DEMO, demo)).toBe(true)
    expect((await loadJob(demo))!.record.boxes['box-hallway']!.name).toBe('By the flat door')
  })

  it('migrating again does nothing', async () => {
    expect(await migrate(path.join(import.meta.dirname, 'migrations'))).toEqual([])
  })
})
