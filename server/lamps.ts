import type { Pool, PoolConnection, ResultSetHeader, RowDataPacket } from 'mysql2/promise'
import { trade as shippedTrade } from '@/catalogue'
import { parseLampChange } from '@/core/format/lamp'
import type { LampEntry, LampFigures } from '@/core/model/lamps'
import type { Fault } from '@/core/model/result'
import type { Trade } from '@/core/model/trade'
import { LAMP_KINDS, type LampKind } from '@/core/model/vocabulary'
import { inTransaction, pool } from './database'

type Database = Pool | PoolConnection

/** What became of a change to a lamp kind. */
export type LampOutcome =
  | { readonly kind: 'applied'; readonly entry: LampEntry }
  | { readonly kind: 'refused'; readonly faults: readonly Fault[] }
  /** Somebody changed it meanwhile: so it is now. */
  | { readonly kind: 'stale'; readonly entry: LampEntry }

/** Every lamp kind as it is reckoned with. */
export async function loadLamps(db: Database = pool()): Promise<LampEntry[]> {
  const [rows] = await db.query<RowDataPacket[]>('SELECT kind, fact, version FROM lamp_facts')
  const known = new Map(rows.map(row => [String(row.kind), row]))
  return LAMP_KINDS.map(kind => entryOf(kind, known.get(kind)))
}

function entryOf(kind: LampKind, row: RowDataPacket | undefined): LampEntry {
  const stored = (
    typeof row?.fact === 'string' ? JSON.parse(row.fact) : (row?.fact ?? null)
  ) as LampFigures | null
  return {
    kind,
    fact: { ...shippedTrade.lamps[kind], ...stored },
    changed: stored !== null,
    version: Number(row?.version ?? 0),
  }
}

export const lampsOf = (entries: readonly LampEntry[]): Trade['lamps'] =>
  Object.fromEntries(entries.map(({ kind, fact }) => [kind, fact])) as Trade['lamps']

/** Reckons with other figures for a kind from now on, or with those that came. The same sent again changes nothing. */
export async function changeLamp(given: unknown): Promise<LampOutcome> {
  const parsed = parseLampChange(given)
  if (!parsed.ok) return { kind: 'refused', faults: parsed.faults }
  const { kind, figures, based } = parsed.value
  return inTransaction(async db => {
    await db.query('SELECT revision FROM catalogue_state FOR UPDATE')
    await db.execute<ResultSetHeader>(
      'INSERT IGNORE INTO lamp_facts (kind, fact, version) VALUES (?, NULL, 0)',
      [kind],
    )
    const read = async () => {
      const [rows] = await db.query<RowDataPacket[]>(
        'SELECT kind, fact, version FROM lamp_facts WHERE kind = ? FOR UPDATE',
        [kind],
      )
      return entryOf(kind, rows[0])
    }
    const now = await read()
    const wanted = { ...shippedTrade.lamps[kind], ...figures }
    if (JSON.stringify(wanted) === JSON.stringify(now.fact) && (figures !== null) === now.changed)
      return { kind: 'applied', entry: now }
    if (now.version !== based) return { kind: 'stale', entry: now }
    await db.execute('UPDATE lamp_facts SET fact = ?, version = version + 1 WHERE kind = ?', [
      figures === null ? null : JSON.stringify(figures),
      kind,
    ])
    await db.execute('UPDATE catalogue_state SET revision = revision + 1')
    return { kind: 'applied', entry: await read() }
  })
}
