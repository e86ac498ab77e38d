import { readdir, readFile } from 'node:fs/promises'
import path from 'node:path'
import mysql, { type RowDataPacket } from 'mysql2/promise'
import { ownerUrl } from './database'

/**
 * Brings the database up to date: every `NNNN-name.sql` that is not recorded yet, in order. A file that
 * has landed is never edited. Run again, it does nothing.
 */
export async function migrate(
  folder: string,
  wanted: (name: string) => boolean = () => true,
): Promise<string[]> {
  const db = await mysql.createConnection({ uri: ownerUrl(), multipleStatements: true, timezone: 'Z' })
  try {
    await db.query(
      'CREATE TABLE IF NOT EXISTS migrations (name VARCHAR(120) NOT NULL PRIMARY KEY, applied_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3), finished BOOLEAN NOT NULL DEFAULT FALSE) ENGINE = InnoDB',
    )
    const [rows] = await db.query<RowDataPacket[]>('SELECT name, finished FROM migrations')
    const known = new Map(rows.map(row => [String(row.name), Boolean(row.finished)]))
    const applied: string[] = []
    for (const name of await migrationsIn(folder)) {
      if (known.get(name) || !wanted(name)) continue
      const sql = await readFile(path.join(folder, name), 'utf8')
      if (known.has(name)) await dropTablesOf(db, sql)
      else await db.execute('INSERT INTO migrations (name) VALUES (?)', [name])
      await db.query(sql)
      await db.execute('UPDATE migrations SET finished = TRUE WHERE name = ?', [name])
      applied.push(name)
    }
    return applied
  } finally {
    await db.end()
  }
}

/** All there are, in order. */
export const migrationsIn = async (folder: string): Promise<string[]> =>
  (await readdir(folder)).filter(file => file.endsWith('.sql')).sort()

/** Schema changes are not undone by a rollback: a file cut short is started again from nothing. */
async function dropTablesOf(db: mysql.Connection, sql: string): Promise<void> {
  const tables = [...sql.matchAll(/CREATE TABLE `?(\w+)`?/g)].map(match => match[1]!)
  for (const table of tables.reverse()) await db.query(`DROP TABLE IF EXISTS \`${table}\``)
}
