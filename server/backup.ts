import { createHash } from 'node:crypto'
import { createReadStream, createWriteStream } from 'node:fs'
import { rename, rm } from 'node:fs/promises'
import path from 'node:path'
import { createInterface } from 'node:readline'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGunzip, createGzip } from 'node:zlib'
import Joi from 'joi'
import type { Connection as PlainConnection } from 'mysql2'
import mysql, { type Connection, type RowDataPacket } from 'mysql2/promise'
import { ownerUrl } from './database'
import { migrate, migrationsIn } from './migrate'

/**
 * Everything in the database in one file, pictures included, as it was at one moment: a head, each table with its columns
 * and its rows, and an end that says what all of it comes to. One line of JSON each, packed.
 */
const FORMAT = 'everyroom-backup'
const VERSION = 1

/** What went wrong with a backup, in words for who asked for it. */
export class BackupFault extends Error {}

interface Head {
  readonly format: typeof FORMAT
  readonly version: typeof VERSION
  /** What had been done to the tables. */
  readonly migrations: readonly string[]
  /** UTC, ISO 8601. */
  readonly madeAt: string
}

/** What is in a backup: rows, and a digest over every table, its columns and its rows. */
export interface Kept {
  readonly rows: number
  readonly digest: string
}

const headSchema = Joi.object({
  format: Joi.valid(FORMAT).required(),
  version: Joi.number().integer().min(1).required(),
  migrations: Joi.array()
    .items(Joi.string().pattern(/^\d{4}-[a-z0-9-]+\.sql$/))
    .required(),
  madeAt: Joi.string().isoDate().required(),
})
const NAME = /^[a-z_0-9]+$/
const tableSchema = Joi.object({
  table: Joi.string().pattern(NAME).required(),
  columns: Joi.array().items(Joi.string().pattern(NAME)).min(1).required(),
})

type Cell = string | number | null | { readonly bytes: string }

const asOwner = (): Promise<Connection> =>
  mysql.createConnection({
    ...{ uri: ownerUrl(), timezone: 'Z', dateStrings: true, decimalNumbers: true, charset: 'utf8mb4_bin' },
    ...{ supportBigNumbers: true, jsonStrings: true },
  })

/** Writes a backup to a file, which has its name once it is whole. People go on working meanwhile. */
export async function backUp(file: string): Promise<Kept> {
  const db = await asOwner()
  const half = `${file}.half`
  try {
    const known = await migrationsDone(db)
    if (known === null) throw new BackupFault('there is nothing in this database yet')
    await db.query('SET SESSION TRANSACTION ISOLATION LEVEL REPEATABLE READ')
    await db.query('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY')
    const kept = { rows: 0, digest: '' }
    const head: Head = {
      format: FORMAT,
      version: VERSION,
      migrations: known,
      madeAt: new Date().toISOString(),
    }
    async function* lines() {
      yield `${JSON.stringify(head)}\n`
      const digest = createHash('sha256')
      for await (const line of contentOf(db)) {
        digest.update(line)
        if (line.startsWith('[')) kept.rows++
        yield line
      }
      kept.digest = digest.digest('hex')
      yield `${JSON.stringify({ end: true, ...kept })}\n`
    }
    await pipeline(Readable.from(lines()), createGzip(), createWriteStream(half, { mode: 0o600 }))
    await rename(half, file)
    return kept
  } finally {
    await rm(half, { force: true })
    await db.end()
  }
}

/** The connection beneath, which gives rows one by one. */
const plainly = (db: Connection): PlainConnection =>
  (db as unknown as { readonly connection: PlainConnection }).connection

/** Each table with its columns, and its rows in the order of its key. */
async function* contentOf(db: Connection): AsyncGenerator<string> {
  for (const table of await tablesIn(db)) {
    const [found] = await db.query<RowDataPacket[]>(
      'SELECT COLUMN_NAME AS name, COLUMN_KEY AS keyed FROM information_schema.COLUMNS WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = ? ORDER BY ORDINAL_POSITION',
      [table],
    )
    const columns = found.map(({ name }) => String(name)).sort()
    const keys = found.filter(({ keyed }) => keyed === 'PRI').map(({ name }) => `\`${String(name)}\``)
    yield `${JSON.stringify({ table, columns })}\n`
    const names = columns.map(name => `\`${name}\``).join(', ')
    const order = keys.length > 0 ? ` ORDER BY ${keys.join(', ')}` : ''
    const rows = plainly(db)
      .query({ sql: `SELECT ${names} FROM \`${table}\`${order}`, rowsAsArray: true })
      .stream({ highWaterMark: 20 })
    for await (const row of rows) yield `${JSON.stringify((row as unknown[]).map(cellOf))}\n`
  }
}

const cellOf = (value: unknown): Cell =>
  Buffer.isBuffer(value) ? { bytes: value.toString('base64') } : (value as Cell)

const valueOf = (cell: Cell): string | number | Buffer | null =>
  cell !== null && typeof cell === 'object' ? Buffer.from(cell.bytes, 'base64') : cell

/** All tables but the list of migrations, which the head has. */
async function tablesIn(db: Connection): Promise<string[]> {
  const [rows] = await db.query<RowDataPacket[]>(
    "SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE() AND TABLE_TYPE = 'BASE TABLE' ORDER BY TABLE_NAME",
  )
  return rows.map(({ name }) => String(name)).filter(name => name !== 'migrations')
}

async function migrationsDone(db: Connection): Promise<string[] | null> {
  const [tables] = await db.query<RowDataPacket[]>("SHOW TABLES LIKE 'migrations'")
  if (tables.length === 0) return null
  const [rows] = await db.query<RowDataPacket[]>('SELECT name FROM migrations WHERE finished ORDER BY name')
  return rows.map(({ name }) => String(name))
}

async function* linesOf(file: string): AsyncGenerator<string> {
  const packed = createReadStream(file)
  const unpacked = packed.pipe(createGunzip())
  packed.on('error', error => unpacked.destroy(error))
  for await (const line of createInterface({ input: unpacked, crlfDelay: Infinity })) yield line
}

/** Reads a backup through, to its end: what it says of itself, or why it is none that can be restored here. */
export async function readThrough(file: string, migrations: string): Promise<Head & Kept> {
  const digest = createHash('sha256')
  const begun: { head: Head | null } = { head: null }
  let rows = 0
  const end: { said: { readonly rows?: unknown; readonly digest?: unknown } | null } = { said: null }
  try {
    for await (const line of linesOf(file)) {
      if (end.said) throw new BackupFault('there is something after its end')
      if (!begun.head) begun.head = headFrom(line)
      else if (line.startsWith('{"end"')) end.said = JSON.parse(line) as object
      else {
        digest.update(`${line}\n`)
        if (line.startsWith('[')) rows++
        else if (tableSchema.validate(JSON.parse(line)).error)
          throw new BackupFault('a table in it has no name')
      }
    }
  } catch (error) {
    if (error instanceof BackupFault) throw error
    throw new BackupFault(
      `it cannot be read to its end (${error instanceof Error ? error.message : 'broken'})`,
    )
  }
  const { head } = begun
  if (!head) throw new BackupFault('it is empty')
  if (!end.said) throw new BackupFault('it was cut short')
  const found = { rows, digest: digest.digest('hex') }
  if (end.said.rows !== found.rows || end.said.digest !== found.digest)
    throw new BackupFault('what is in it is not what was written')
  const known = await migrationsIn(migrations)
  const newer = head.migrations.find(name => !known.includes(name))
  if (head.version > VERSION || newer !== undefined)
    throw new BackupFault('it was made by a newer version of Every Room: restore it with that one')
  return { ...head, ...found }
}

function headFrom(line: string): Head {
  const { error, value } = headSchema.validate(fromLine(line), { convert: false })
  if (error) throw new BackupFault('it is no backup of Every Room')
  return value as Head
}

function fromLine(line: string): unknown {
  try {
    return JSON.parse(line)
  } catch {
    return null
  }
}

/**
 * Puts a backup into a database that holds no job, and reads it back: whole and equal, or not at all. Tables are then brought
 * up to date.
 */
export async function restore(file: string, migrations: string): Promise<Kept> {
  const kept = await readThrough(file, migrations)
  const db = await asOwner()
  try {
    if (await holdsSomething(db))
      throw new BackupFault('this database holds jobs already: a backup is restored into an empty one')
    await dropAll(db)
    await migrate(migrations, name => kept.migrations.includes(name))
    try {
      await db.query('SET FOREIGN_KEY_CHECKS = 0')
      await db.beginTransaction()
      for (const table of await tablesIn(db)) await db.query(`DELETE FROM \`${table}\``)
      await putRows(db, file)
      const digest = createHash('sha256')
      for await (const line of contentOf(db)) digest.update(line)
      if (digest.digest('hex') !== kept.digest)
        throw new BackupFault('what was read back is not what is in it')
      await db.commit()
      await db.query('SET FOREIGN_KEY_CHECKS = 1')
    } catch (error) {
      await db.rollback()
      await dropAll(db)
      throw error instanceof BackupFault
        ? error
        : new BackupFault(`it does not fit its tables (${error instanceof Error ? error.message : 'broken'})`)
    }
  } finally {
    await db.end()
  }
  await migrate(migrations)
  await beginAnotherLife()
  return { rows: kept.rows, digest: kept.digest }
}

/** What somebody has of a job since the backup was made is of another life than what comes now. */
async function beginAnotherLife(): Promise<void> {
  const db = await asOwner()
  try {
    await db.query('UPDATE jobs SET line = UUID()')
  } finally {
    await db.end()
  }
}

const AT_ONCE_BYTES = 1_000_000

async function putRows(db: Connection, file: string): Promise<void> {
  let into: { readonly sql: string; readonly columns: number } | null = null
  let rows: (string | number | Buffer | null)[][] = []
  let bytes = 0
  const put = async () => {
    if (into && rows.length > 0) await db.query(into.sql, [rows])
    rows = []
    bytes = 0
  }
  for await (const line of linesOf(file)) {
    if (line.startsWith('{"format"') || line.startsWith('{"end"')) continue
    if (!line.startsWith('[')) {
      await put()
      const { table, columns } = JSON.parse(line) as { table: string; columns: string[] }
      const names = columns.map(name => `\`${name}\``).join(', ')
      into = { sql: `INSERT INTO \`${table}\` (${names}) VALUES ?`, columns: columns.length }
      continue
    }
    const cells = JSON.parse(line) as Cell[]
    if (cells.length !== into?.columns) throw new BackupFault('a row in it has not the columns of its table')
    rows.push(cells.map(valueOf))
    bytes += line.length
    if (bytes > AT_ONCE_BYTES) await put()
  }
  await put()
}

async function holdsSomething(db: Connection): Promise<boolean> {
  const tables = await tablesIn(db)
  for (const table of ['jobs', 'catalogue_log', 'van_stock'].filter(name => tables.includes(name))) {
    const [rows] = await db.query<RowDataPacket[]>(`SELECT 1 FROM \`${table}\` LIMIT 1`)
    if (rows.length > 0) return true
  }
  return false
}

async function dropAll(db: Connection): Promise<void> {
  await db.query('SET FOREIGN_KEY_CHECKS = 0')
  for (const table of [...(await tablesIn(db)), 'migrations'])
    await db.query(`DROP TABLE IF EXISTS \`${table}\``)
  await db.query('SET FOREIGN_KEY_CHECKS = 1')
}

/** A backup of what is there before its tables are changed; null where there is nothing to lose or nothing to change. */
export async function backUpBeforeChange(folder: string, migrations: string): Promise<string | null> {
  const db = await asOwner()
  try {
    const known = await migrationsDone(db)
    if (known === null || (await migrationsIn(migrations)).every(name => known.includes(name))) return null
    if (!(await holdsSomething(db))) return null
  } finally {
    await db.end()
  }
  const file = path.join(folder, `${new Date().toISOString().replace(/[:.]/g, '-')}.everyroom-backup`)
  await backUp(file)
  return file
}
