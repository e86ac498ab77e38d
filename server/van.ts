import type { ResultSetHeader, RowDataPacket } from 'mysql2/promise'
import { parseVanCount } from '@/core/format/van'
import type { Fault } from '@/core/model/result'
import { inTransaction, pool } from './database'

/** What became of a count of the van. */
export type VanOutcome =
  | { readonly kind: 'applied'; readonly key: string; readonly count: number }
  | { readonly kind: 'refused'; readonly faults: readonly Fault[] }
  /** Somebody counted meanwhile: so many there are now. */
  | { readonly kind: 'stale'; readonly key: string; readonly count: number }

/** How many of each are in the van, by the keys of the pick list. */
export async function loadVan(): Promise<Record<string, number>> {
  const [rows] = await pool().query<RowDataPacket[]>('SELECT item_key, count FROM van_stock WHERE count > 0')
  return Object.fromEntries(rows.map(row => [String(row.item_key), Number(row.count)]))
}

/** Counts one thing in the van. The same count sent again changes nothing. */
export async function countVan(given: unknown): Promise<VanOutcome> {
  const parsed = parseVanCount(given)
  if (!parsed.ok) return { kind: 'refused', faults: parsed.faults }
  const { key, count, based } = parsed.value
  return inTransaction(async db => {
    await db.execute<ResultSetHeader>(
      'INSERT INTO van_stock (item_key, count) VALUES (?, 0) ON DUPLICATE KEY UPDATE item_key = item_key',
      [key],
    )
    const [rows] = await db.query<RowDataPacket[]>(
      'SELECT count FROM van_stock WHERE item_key = ? FOR UPDATE',
      [key],
    )
    const now = Number(rows[0]!.count)
    if (now !== based && now !== count) return { kind: 'stale', key, count: now }
    await db.execute(
      'UPDATE van_stock SET count = ?, version = version + 1 WHERE item_key = ? AND count <> ?',
      [count, key, count],
    )
    return { kind: 'applied', key, count }
  })
}
