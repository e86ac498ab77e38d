import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { gunzipSync, gzipSync } from 'node:zlib'
import mysql, { type RowDataPacket } from 'mysql2/promise'
import sharp from 'sharp'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { usualBox } from '@/demo/usual'
import { doneByTest } from '@/testing/origin'
import { backUp, backUpBeforeChange, readThrough, restore } from './backup'
import { applyCommand } from './commands'
import { closePool, pool } from './database'
import { loadJob, storeJobFile } from './jobs'
import { migrate, migrationsIn } from './migrate'
import { storePhoto } from './photos'
import { loadPicture } from './pictures'

const MIGRATIONS = path.join(import.meta.dirname, 'migrations')
const was = { database: process.env.DATABASE_URL, migrate: process.env.MIGRATE_URL }
let folder = ''
let file = ''

/** From here on one of two databases of this test's own is spoken to. */
async function speakTo(name: 'KEPT_URL' | 'RESTORED_URL') {
  await closePool()
  const url = process.env[name]
  if (!url) throw new Error(`${name} is not set: an empty database for this test`)
  process.env.DATABASE_URL = process.env.MIGRATE_URL = url
}

/** Nothing is in it, not even a table. */
async function emptied() {
  const db = await mysql.createConnection(process.env.MIGRATE_URL!)
  await db.query('SET FOREIGN_KEY_CHECKS = 0')
  for (const table of await tables(db)) await db.query(`DROP TABLE \`${table}\``)
  await db.end()
}

async function tables(db: mysql.Connection): Promise<string[]> {
  const [rows] = await db.query<RowDataPacket[]>('SHOW TABLES')
  return rows.map(row => String(Object.values(row)[0]))
}

async function count(sql: string): Promise<number> {
  const db = await mysql.createConnection(process.env.MIGRATE_URL!)
  const [rows] = await db.query<RowDataPacket[]>(sql)
  await db.end()
  return Number(Object.values(rows[0]!)[0])
}

const rename = (number: number) => ({
  id: `rename-${number}`,
  origin: doneByTest(),
  name: 'edit a box',
  boxId: 'box',
  edits: [{ kind: 'change', entity: 'boxes', id: 'box', based: number, fields: { note: `“ü” ${number}` } }],
})

beforeAll(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'kept-'))
  await speakTo('KEPT_URL')
  await emptied()
  await migrate(MIGRATIONS)
  await storeJobFile(
    { record: usualBox({ isolated: true }).record, extra: { odd: [1] } },
    { jobId: 'house', demo: null },
  )
  const noise = sharp({
    create: {
      width: 640,
      height: 480,
      channels: 3,
      background: '#7a2',
      noise: { type: 'gaussian', mean: 128, sigma: 40 },
    },
  })
  expect((await storePhoto('house', 'photo', await noise.jpeg().toBuffer())).ok).toBe(true)
})
afterAll(async () => {
  await closePool()
  await rm(folder, { recursive: true })
  if (was.database) process.env.DATABASE_URL = was.database
  if (was.migrate) process.env.MIGRATE_URL = was.migrate
})
let files = 0
beforeEach(async () => {
  file = path.join(folder, `${++files}.everyroom-backup`)
  await speakTo('KEPT_URL')
})

/** What a backup says, changed. */
const changed = async (change: (text: string) => string): Promise<string> => {
  const other = path.join(folder, `changed-${++files}`)
  await writeFile(other, gzipSync(change(gunzipSync(await readFile(file)).toString('utf8'))))
  return other
}

describe('a backup', () => {
  it('made while people work is of one moment, and restored into an empty database it is equal', async () => {
    let working = true
    let done = 0
    const work = (async () => {
      while (working) {
        const outcome = await applyCommand('house', rename(done + 1))
        if (outcome.kind === 'applied') done++
      }
    })()
    while (done < 5) await new Promise(resolve => setTimeout(resolve, 5))
    const kept = await backUp(file)
    const doneThen = done
    working = false
    await work
    const photo = await loadPicture('house', 'photo', 'picture')
    const { line } = (await loadJob('house'))!

    await speakTo('RESTORED_URL')
    await emptied()
    expect(await restore(file, MIGRATIONS)).toEqual(kept)
    const job = (await loadJob('house'))!
    // As many commands as there are in the log, and the row as the last of them left it.
    expect(job.revision).toBeGreaterThanOrEqual(5)
    expect(job.revision).toBeLessThanOrEqual(doneThen + 1)
    expect(await count('SELECT COUNT(*) FROM command_log')).toBe(job.revision)
    expect(job.record.boxes.box!.note).toBe(`“ü” ${job.revision}`)
    expect(job.versions.boxes?.box).toBe(job.revision + 1)
    expect(await loadPicture('house', 'photo', 'picture')).toEqual(photo)
    // Once more out of there, it is the same, but for the life that each job begins: what somebody has of the one before is none of this.
    expect(job.line).not.toBe(line)
    await pool().query('UPDATE jobs SET line = ?', [line])
    expect(await backUp(path.join(folder, 'again'))).toEqual(kept)
    // And people go on.
    expect((await applyCommand('house', rename(job.revision + 1))).kind).toBe('applied')
  })

  it('is not restored over anything', async () => {
    await backUp(file)
    const before = await loadJob('house')
    await expect(restore(file, MIGRATIONS)).rejects.toThrow('holds jobs already')
    expect(await loadJob('house')).toEqual(before)
  })

  it('that is broken or newer is refused whole', async () => {
    await backUp(file)
    const bytes = await readFile(file)
    const cut = path.join(folder, 'cut')
    await writeFile(cut, bytes.subarray(0, bytes.length - 200))
    const text = path.join(folder, 'text')
    await writeFile(text, 'not packed at all')
    const nothing = path.join(folder, 'nothing')
    await writeFile(nothing, gzipSync(''))
    const wrong: readonly (readonly [string, string | RegExp])[] = [
      [cut, 'cannot be read to its end'],
      [text, 'cannot be read to its end'],
      [nothing, 'it is empty'],
      [await changed(() => '{"some":"thing"}\n'), 'no backup of Every Room'],
      [await changed(all => all.slice(0, all.lastIndexOf('{"end"'))), 'cut short'],
      [await changed(all => all.replace('By the door', 'By the gate')), 'not what was written'],
      [await changed(all => all.replace(/^\[.*\n/m, '')), 'not what was written'],
      [await changed(all => `${all}[]\n`), 'after its end'],
      [
        await changed(all => all.replace('"migrations":[', '"migrations":["9999-later.sql",')),
        'newer version',
      ],
      [await changed(all => all.replace('"version":1', '"version":2')), 'newer version'],
    ]
    await speakTo('RESTORED_URL')
    await emptied()
    for (const [which, why] of wrong) {
      await expect(restore(which, MIGRATIONS)).rejects.toThrow(why)
      const db = await mysql.createConnection(process.env.MIGRATE_URL!)
      expect(await tables(db)).toEqual([])
      await db.end()
    }
    // The same with nothing wrong.
    await restore(file, MIGRATIONS)
    expect((await loadJob('house'))!.record.boxes.box!.name).toBe('By the door')
  })

  it('of before tables were changed is brought up to date; and is made before they are', async () => {
    await speakTo('RESTORED_URL')
    await emptied()
    const all = await migrationsIn(MIGRATIONS)
    const early = (name: string) => name < '0020'
    await migrate(MIGRATIONS, early)
    // Nothing to lose yet.
    expect(await backUpBeforeChange(folder, MIGRATIONS)).toBeNull()
    const db = await mysql.createConnection(process.env.MIGRATE_URL!)
    await db.query(
      "INSERT INTO jobs (id, name, address, owners, electrician, apprentice, region_id, note) VALUES ('old', 'Old house', '', '', '', '', 'north-america-120', '')",
    )
    await db.query(
      "INSERT INTO switchings (job_id, id, `to`, seq, at) VALUES ('old', 'one', 'off', 1, '2026-03-02 08:00:00.000')",
    )
    await db.end()
    const made = (await backUpBeforeChange(folder, MIGRATIONS))!
    expect((await readThrough(made, MIGRATIONS)).migrations).toEqual(all.filter(early))
    await migrate(MIGRATIONS)
    expect(await backUpBeforeChange(folder, MIGRATIONS)).toBeNull()
    await emptied()
    await restore(made, MIGRATIONS)
    const { record } = (await loadJob('old'))!
    expect(record.job.name).toBe('Old house')
    expect(record.switchings.one).toMatchObject({ to: 'off', revision: 0, device: '' })
  })
})
