import type { PoolConnection, ResultSetHeader, RowDataPacket } from 'mysql2/promise'
import type { JobFile } from '@/core/format/job-file'
import { AT_THE_WALL } from '@/core/job/as-seen'
import { undoState, type UndoState } from '@/core/job/history'
import { ENTITY_NAMES, type AnyRow, type JobRow } from '@/core/model/entities'
import type { Placed } from '@/core/model/placed'
import { emptyRecord, type JobRecord } from '@/core/model/record'
import { inTransaction, pool } from './database'
import { CHILDREN_FIRST, insertSql, parsedExtra, rowFrom, selectSql, tableOf, valuesOf } from './rows'

/** A job with the version of each of its rows (`entity/id`), as a client needs it to write. */
export interface VersionedJob {
  readonly record: JobRecord
  readonly versions: Readonly<Record<string, number>>
  readonly revision: number
}

export interface JobSummary {
  readonly id: string
  readonly name: string
  readonly address: string
  readonly regionId: string
  readonly boxes: number
  readonly demo: boolean
}

export async function listJobs(): Promise<JobSummary[]> {
  const [rows] = await pool().query<RowDataPacket[]>(
    'SELECT id, name, address, region_id, demo, (SELECT COUNT(*) FROM boxes WHERE boxes.job_id = jobs.id) AS boxes FROM jobs ORDER BY created_at, id',
  )
  return rows.map(row => ({
    id: String(row.id),
    name: String(row.name),
    address: String(row.address),
    regionId: String(row.region_id),
    boxes: Number(row.boxes),
    demo: row.demo !== null,
  }))
}

type Db = Pick<PoolConnection, 'query' | 'execute'>

/** The whole job as it was at one moment, or null where there is none. */
export const loadJob = (jobId: string, db?: Db): Promise<VersionedJob | null> =>
  db ? readJob(jobId, db) : inTransaction(own => readJob(jobId, own))

async function readJob(jobId: string, db: Db): Promise<VersionedJob | null> {
  const [jobs] = await db.query<RowDataPacket[]>('SELECT * FROM jobs WHERE id = ?', [jobId])
  const found = jobs[0]
  if (!found) return null
  const job = rowFrom('job', found)
  const record = { ...emptyRecord(job.row as unknown as JobRow) } as Record<string, unknown>
  const versions: Record<string, number> = { [`job/${jobId}`]: job.version }
  const tables = await Promise.all(
    ENTITY_NAMES.map(name => db.query<RowDataPacket[]>(selectSql(name), [jobId])),
  )
  ENTITY_NAMES.forEach((name, index) => {
    const rows: Record<string, unknown> = {}
    for (const each of tables[index]![0]) {
      const { row, version } = rowFrom(name, each)
      rows[String(row.id)] = row
      versions[`${name}/${String(row.id)}`] = version
    }
    record[name] = rows
  })
  return { record: record as unknown as JobRecord, versions, revision: Number(found.revision) }
}

/** The whole job as it is written to a file, unknown fields included. */
export async function loadJobFile(jobId: string): Promise<JobFile | null> {
  const job = await inTransaction(async db => {
    const loaded = await loadJob(jobId, db)
    if (!loaded) return null
    const [rows] = await db.query<RowDataPacket[]>('SELECT file_extra FROM jobs WHERE id = ?', [jobId])
    return { record: loaded.record, extra: parsedExtra(rows[0]?.file_extra) ?? {} }
  })
  return job
}

export async function jobExists(jobId: string): Promise<boolean> {
  const [rows] = await pool().execute<RowDataPacket[]>('SELECT 1 FROM jobs WHERE id = ?', [jobId])
  return rows.length > 0
}

/** Whether a job is one of the made-up houses. */
export async function isDemo(jobId: string): Promise<boolean> {
  const [rows] = await pool().execute<RowDataPacket[]>('SELECT demo FROM jobs WHERE id = ?', [jobId])
  return rows[0]?.demo != null
}

export interface StoreOptions {
  /** The id the job is kept under; the file's own id is only a wish. */
  readonly jobId: string
  /** Marks the demo of this name; there is one of each. */
  readonly demo: string | null
}

/** Stores a job read from a file, whole or not at all. */
export async function storeJobFile(file: JobFile, options: StoreOptions): Promise<void> {
  await inTransaction(db => insertJob(db, file, options))
}

/** The revision up to which what is in a record had come about: what comes next is later. */
const lastRevision = (record: JobRecord): number =>
  AT_THE_WALL.flatMap(name => Object.values(record[name]) as unknown as readonly Placed[]).reduce(
    (last, { revision, seen }) => Math.max(last, revision, seen),
    0,
  )

async function insertJob(
  db: PoolConnection,
  { record, extra }: JobFile,
  { jobId, demo }: StoreOptions,
  after = 0,
) {
  const job = { ...record.job, id: jobId }
  const columns = Object.keys(job).filter(name => name !== 'extra')
  const names = columns.map(name => name.replace(/[A-Z]/g, letter => `_${letter.toLowerCase()}`))
  await db.execute(
    `INSERT INTO jobs (${names.join(', ')}, extra, file_extra, demo, revision) VALUES (${names.map(() => '?').join(', ')}, ?, ?, ?, ?)`,
    [
      ...valuesOf('job', job),
      Object.keys(extra).length > 0 ? JSON.stringify(extra) : null,
      demo,
      Math.max(after, lastRevision(record)),
    ],
  )
  for (const name of ENTITY_NAMES)
    for (const row of Object.values(record[name]) as AnyRow[])
      await db.execute(insertSql(name), [jobId, ...valuesOf(name, row)])
}

/** Takes a job away with everything in it; false where there was none. */
export async function removeJob(jobId: string): Promise<boolean> {
  return inTransaction(db => deleteJob(db, jobId))
}

async function deleteJob(db: PoolConnection, jobId: string): Promise<boolean> {
  await db.execute('DELETE FROM command_log WHERE job_id = ?', [jobId])
  await db.execute('DELETE FROM devices_here WHERE job_id = ?', [jobId])
  await db.execute('DELETE FROM photo_files WHERE job_id = ?', [jobId])
  for (const name of CHILDREN_FIRST)
    await db.execute(`DELETE FROM ${tableOf(name)} WHERE job_id = ?`, [jobId])
  const [result] = await db.execute<ResultSetHeader>('DELETE FROM jobs WHERE id = ?', [jobId])
  return result.affectedRows > 0
}

/** Puts a demo job back as it was shipped: the old one and the new one change places at once. */
export async function replaceJob(file: JobFile, options: StoreOptions): Promise<void> {
  await inTransaction(async db => {
    const [rows] = await db.query<RowDataPacket[]>('SELECT revision FROM jobs WHERE id = ?', [options.jobId])
    await deleteJob(db, options.jobId)
    // Later than all that anybody has open of the one before.
    await insertJob(db, file, options, Number(rows[0]?.revision ?? -1) + 1)
  })
}

/** Where undo and redo stand for one box, or for the house as a whole (null). */
export async function loadUndoState(
  jobId: string,
  boxId: string | null,
  db: Db = pool(),
): Promise<UndoState> {
  const [rows] = await db.query<RowDataPacket[]>(
    'SELECT id, name, undoes FROM command_log WHERE job_id = ? AND box_id <=> ? ORDER BY revision DESC LIMIT 200',
    [jobId, boxId],
  )
  return undoState(
    rows
      .map(row => ({
        id: String(row.id),
        name: String(row.name),
        undoes: row.undoes === null ? null : String(row.undoes),
      }))
      .reverse(),
  )
}
