import type { RowDataPacket } from 'mysql2/promise'
import type { EntityName } from '@/core/model/entities'
import { pool } from './database'
import { tableOf } from './rows'

/** Tables of a job that the database does not have: it was not brought up to date, or something took them. */
export async function missingTables(entities: readonly EntityName[]): Promise<string[]> {
  const [rows] = await pool().query<RowDataPacket[]>(
    'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()',
  )
  const there = new Set(rows.map(({ name }) => String(name)))
  return ['jobs', 'command_log', ...entities.map(entity => tableOf(entity).replaceAll('`', ''))].filter(
    name => !there.has(name),
  )
}
