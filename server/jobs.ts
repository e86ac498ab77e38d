import type { PoolConnection, ResultSetHeader, RowDataPacket } from 'mysql2/promise'
import type { JobFile } from '@/core/format/job-file'
import { AT_THE_WALL } from '@/core/job/as-seen'
import { undoState, type LogEntry, type UndoState } from '@/core/job/history'
import { rowsNow, type Having, type Since, type VersionedJob } from '@/core/job/since'
import { ENTITY_NAMES, type AnyRow, type JobRow } from '@/core/model/entities'
import type { Placed } from '@/core/model/placed'
import { emptyRecord, type JobRecord } from '@/core/model/record'
import { inTransaction, pool } from './database'
import { heldJob, hold, letGo } from './held'
import { insertPicture, type Picture } from './pictures'
import {
  CHILDREN_FIRST,
  insertManySql,
  instantFrom,
  parsedExtra,
  rowFrom,
  selectSql,
  tableOf,
  valuesOf,
} from './rows'

export interface JobSummary {
  readonly id: string
  readonly name: string
  readonly address: string
  readonly regionId: string
  readonly boxes: number
  readonly demo: boolean
  /** When something was last recorded of it, as ISO 8601; when it was brought in where nothing was. */
  readonly lastAt: string
  readonly putAway: boolean
}

export async function listJobs(): Promise<JobSummary[]> {
  const [rows] = await pool().query<RowDataPacket[]>(
    `SELECT id, name, address, region_id, demo, put_away,
       (SELECT COUNT(*) FROM boxes WHERE boxes.job_id = jobs.id) AS boxes,
       COALESCE(
         (SELECT applied_at FROM command_log WHERE command_log.job_id = jobs.id ORDER BY revision DESC LIMIT 1),
         CONVERT_TZ(created_at, @@session.time_zone, '+00:00')
       ) AS last_at
     FROM jobs ORDER BY created_at, id`,
  )
  return rows.map(row => ({
    id: String(row.id),
    name: String(row.name),
    address: String(row.address),
    regionId: String(row.region_id),
    boxes: Number(row.boxes),
    demo: row.demo !== null,
    lastAt: instantFrom(row.last_at),
    putAway: row.put_away !== null,
  }))
}

type Db = Pick<PoolConnection, 'query' | 'execute'>

/** The whole job as it stands, or null where there is none: its tables are read only where it is not held so already. */
export async function loadJob(jobId: string, db?: Db): Promise<VersionedJob | null> {
  const now = await standing(jobId, db)
  return now && loadStanding(jobId, now, db)
}

/** The job that stands so. */
export async function loadStanding(jobId: string, now: Having, db?: Db): Promise<VersionedJob | null> {
  const held = heldJob(jobId, now)
  if (held) return held
  if (db) return readJob(jobId, db)
  const read = await inTransaction(own => readJob(jobId, own))
  if (read) hold(jobId, read)
  return read
}

/** The same within a transaction that has raised the revision by one, and so has the job for itself. */
export async function loadRaised(jobId: string, now: Having, db: Db): Promise<VersionedJob> {
  const before = heldJob(jobId, { ...now, revision: now.revision - 1 })
  return before ? { ...before, revision: now.revision } : (await readJob(jobId, db))!
}

/** How a job stands, and what is asked beside it every time. */
export interface Standing extends Having {
  readonly demo: boolean
  /** Of the catalogue. */
  readonly catalogue: number
}

/** How a job stands now; null where there is none. */
export async function standing(jobId: string, db: Db = pool()): Promise<Standing | null> {
  const [rows] = await db.execute<RowDataPacket[]>(
    'SELECT line, jobs.revision, demo, catalogue_state.revision AS catalogue FROM jobs LEFT JOIN catalogue_state ON TRUE WHERE jobs.id = ?',
    [jobId],
  )
  const row = rows[0]
  if (!row) return null
  return {
    line: String(row.line),
    revision: Number(row.revision),
    demo: row.demo !== null,
    catalogue: Number(row.catalogue ?? 0),
  }
}

/** More commands than this since, and the whole job is the shorter answer. */
const MOST_SINCE = 400

/** What became of a job after what somebody has of it; null where it is told whole. */
export async function loadSince(job: VersionedJob, having: Having | null): Promise<Since | null> {
  if (having?.line !== job.line || having.revision > job.revision) return null
  const { line, revision } = job
  if (having.revision === revision) return { line, revision, from: revision, commands: [], rows: [] }
  if (revision - having.revision > MOST_SINCE) return null
  const [rows] = await pool().execute<RowDataPacket[]>(
    'SELECT id, changes FROM command_log WHERE job_id = ? AND revision > ? AND revision <= ?',
    [job.record.job.id, having.revision, job.revision],
  )
  // What the log does not tell of every step cannot be followed.
  if (rows.length !== job.revision - having.revision) return null
  const touched = rows.flatMap(({ changes }) =>
    (JSON.parse(String(changes)) as { readonly entity: string; readonly id: string }[]).map(
      ({ entity, id }) => `${entity}/${id}`,
    ),
  )
  const commands = rows.map(({ id }) => String(id))
  return { line, revision, from: having.revision, commands, rows: rowsNow(job, touched) }
}

async function readJob(jobId: string, db: Db): Promise<VersionedJob | null> {
  const [jobs] = await db.query<RowDataPacket[]>('SELECT * FROM jobs WHERE id = ?', [jobId])
  const found = jobs[0]
  if (!found) return null
  const job = rowFrom('job', found)
  const record = { ...emptyRecord(job.row as unknown as JobRow) } as Record<string, unknown>
  const versions: Record<string, Record<string, number>> = { job: { [jobId]: job.version } }
  const tables = await Promise.all(
    ENTITY_NAMES.map(name => db.query<RowDataPacket[]>(selectSql(name), [jobId])),
  )
  ENTITY_NAMES.forEach((name, index) => {
    const rows: Record<string, unknown> = {}
    const those: Record<string, number> = {}
    for (const each of tables[index]![0]) {
      const { row, version } = rowFrom(name, each)
      rows[String(row.id)] = row
      those[String(row.id)] = version
    }
    record[name] = rows
    versions[name] = those
  })
  const { line, revision } = found
  return {
    record: record as unknown as JobRecord,
    versions,
    revision: Number(revision),
    line: String(line),
  }
}

/** The whole job as it is written to a file, unknown fields included. */
export async function loadJobFile(jobId: string): Promise<JobFile | null> {
  const job = await inTransaction(async db => {
    const loaded = await readJob(jobId, db)
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

export interface StoreOptions {
  /** The id the job is kept under; the file's own id is only a wish. */
  readonly jobId: string
  /** Marks the demo of this name; there is one of each. */
  readonly demo: string | null
  /** By the ids of their rows. */
  readonly pictures?: ReadonlyMap<string, Picture>
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
  { jobId, demo, pictures }: StoreOptions,
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
  for (const name of ENTITY_NAMES) {
    const rows = Object.values(record[name]) as AnyRow[]
    for (let at = 0; at < rows.length; at += ROWS_AT_ONCE) {
      const some = rows.slice(at, at + ROWS_AT_ONCE)
      await db.query(insertManySql(name), [some.map(row => [jobId, ...valuesOf(name, row)])])
    }
  }
  for (const [id, picture] of pictures ?? []) await insertPicture(db, jobId, id, picture)
}

const ROWS_AT_ONCE = 1000

/** Takes a job away with everything in it; false where there was none. */
export async function removeJob(jobId: string): Promise<boolean> {
  letGo(jobId)
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
  const newest = await newestInLog(jobId, boxId, 1, db)
  // What is no step back or forward is itself what would be taken back, and there is nothing to do again.
  if (newest.every(({ undoes }) => undoes === null)) return undoState(newest)
  return undoState((await newestInLog(jobId, boxId, MOST_STEPS_BACK, db)).reverse())
}

const MOST_STEPS_BACK = 200

async function newestInLog(jobId: string, boxId: string | null, most: number, db: Db): Promise<LogEntry[]> {
  const [rows] = await db.query<RowDataPacket[]>(
    'SELECT id, name, undoes FROM command_log WHERE job_id = ? AND box_id <=> ? ORDER BY revision DESC LIMIT ?',
    [jobId, boxId, most],
  )
  return rows.map(row => ({
    id: String(row.id),
    name: String(row.name),
    undoes: row.undoes === null ? null : String(row.undoes),
  }))
}
