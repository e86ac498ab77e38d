import path from 'node:path'
import type { RowDataPacket } from 'mysql2/promise'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { usualBox } from '@/demo/usual'
import { doneByTest } from '@/testing/origin'
import { heldTrade } from './catalogue'
import { applyCommand } from './commands'
import { closePool, pool } from './database'
import { loadJob, removeJob, storeJobFile } from './jobs'
import { migrate } from './migrate'

/* What is held here may be old: another server writes to the same database. */

const jobId = `raised-${process.pid}-${Date.now().toString(36)}`
let counter = 0

beforeAll(async () => {
  await migrate(path.join(import.meta.dirname, 'migrations'))
  await storeJobFile({ record: usualBox().record, extra: {} }, { jobId, demo: null })
})
afterAll(async () => {
  await removeJob(jobId)
  await closePool()
})

const rename = (name: string, based: number) =>
  applyCommand(jobId, {
    id: `${jobId}-${++counter}`,
    origin: doneByTest(),
    name: 'edit a box',
    boxId: 'box',
    edits: [{ kind: 'change', entity: 'boxes', id: 'box', based, fields: { name } }],
  })

const revisionThere = async (sql: string): Promise<number> => {
  const [rows] = await pool().query<RowDataPacket[]>(sql, [jobId])
  return Number(rows[0]!.revision)
}

it('what another server wrote meanwhile is what a command is held against', async () => {
  expect((await rename('Here', 1)).kind).toBe('applied')
  await pool().query("UPDATE boxes SET name = 'There', version = version + 1 WHERE job_id = ?", [jobId])
  await pool().query('UPDATE jobs SET revision = revision + 1 WHERE id = ?', [jobId])
  const outcome = await rename('Here again', 3)
  expect(outcome).toMatchObject({
    kind: 'applied',
    revision: 3,
    changes: [{ before: { name: 'There' }, after: { name: 'Here again' } }],
  })
  expect((await loadJob(jobId))!.record.boxes.box!.name).toBe('Here again')
  expect(await revisionThere('SELECT revision FROM jobs WHERE id = ?')).toBe(3)
})

it('what another server did to the catalogue meanwhile is read before a command is held against it', async () => {
  expect((await rename('One', 4)).kind).toBe('applied')
  await pool().query('UPDATE catalogue_state SET revision = revision + 1')
  const there = await revisionThere('SELECT revision FROM catalogue_state WHERE ? IS NOT NULL')
  expect((await rename('Two', 5)).kind).toBe('applied')
  expect(heldTrade().revision).toBeGreaterThanOrEqual(there)
})
