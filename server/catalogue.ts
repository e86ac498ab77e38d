import type { Pool, PoolConnection, RowDataPacket } from 'mysql2/promise'
import { trade as shippedTrade } from '@/catalogue'
import { parseCatalogueCommand } from '@/core/format/catalogue-command'
import { keptDevice } from '@/core/format/older-device'
import type {
  CatalogueCommand,
  CatalogueEntry,
  CatalogueOutcome,
  CatalogueUndo,
} from '@/core/model/catalogue'
import type { DeviceModel } from '@/core/model/device'
import { fault } from '@/core/model/result'
import type { Trade } from '@/core/model/trade'
import { inTransaction, isDuplicate, pool } from './database'
import { lampsOf, loadLamps } from './lamps'

type Database = Pool | PoolConnection

/** A device before and after; null where there was none, or is none any more. */
interface DeviceChange {
  readonly id: string
  readonly before: DeviceModel | null
  readonly after: DeviceModel | null
}

const parsed = <Value>(stored: unknown): Value =>
  (typeof stored === 'string' ? JSON.parse(stored) : stored) as Value

const same = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other)

const SHIPPED = new Map(shippedTrade.devices.map(device => [device.id, device]))
const ofToday = (kept: DeviceModel): DeviceModel => keptDevice(kept, SHIPPED.get(kept.id))

function entryOf(row: RowDataPacket): CatalogueEntry {
  const device = ofToday(parsed<DeviceModel>(row.model))
  const shipped = parsed<DeviceModel | null>(row.shipped ?? null)
  return {
    device,
    version: Number(row.version),
    from: shipped === null ? 'own' : same(shipped, device) ? 'shipped' : 'changed',
  }
}

const SHIPPED_ORDER = new Map(shippedTrade.devices.map(({ id }, at) => [id, at]))
const orderOf = ({ device }: CatalogueEntry) => SHIPPED_ORDER.get(device.id) ?? SHIPPED_ORDER.size

/** Every device, those that came with the application in its order, the company’s own after them. */
export async function loadCatalogue(db: Database = pool()): Promise<CatalogueEntry[]> {
  const [rows] = await db.query<RowDataPacket[]>(
    'SELECT id, model, shipped, version FROM catalogue_devices ORDER BY id',
  )
  return rows.map(entryOf).sort((a, b) => orderOf(a) - orderOf(b))
}

interface HeldTrade {
  /** Of the catalogue. */
  readonly revision: number
  readonly trade: Trade
}

let held: HeldTrade = { revision: -1, trade: shippedTrade }

/** The trade as it was read last, however it stands now. */
export const heldTrade = (): HeldTrade => held

/** The catalogue and the trade’s figures as they are now; read again only after a change. */
export async function currentTrade(db: Database = pool()): Promise<Trade> {
  const [rows] = await db.query<RowDataPacket[]>('SELECT revision FROM catalogue_state')
  return tradeAt(Number(rows[0]?.revision ?? 0), db)
}

/** The same where it is known which revision of the catalogue stands. */
export async function tradeAt(revision: number, db: Database = pool()): Promise<Trade> {
  if (held.revision !== revision) {
    const devices = (await loadCatalogue(db)).map(({ device }) => device)
    const lamps = lampsOf(await loadLamps(db))
    held = {
      revision,
      trade: { ...shippedTrade, devices: devices.length > 0 ? devices : shippedTrade.devices, lamps },
    }
  }
  return held.trade
}

/**
 * Puts what came with the application into the catalogue, and what came newer over what nobody has changed since. What
 * a person changed, or made, stays as it is.
 */
export async function seedCatalogue(): Promise<number> {
  return inTransaction(async db => {
    const [rows] = await db.query<RowDataPacket[]>(
      'SELECT id, model, shipped, version FROM catalogue_devices FOR UPDATE',
    )
    const known = new Map(rows.map(row => [String(row.id), row]))
    let written = 0
    for (const device of shippedTrade.devices) {
      const row = known.get(device.id)
      const shipped = row ? parsed<DeviceModel | null>(row.shipped ?? null) : null
      if (row && (shipped === null || same(shipped, device))) continue
      const text = JSON.stringify(device)
      const untouched = row !== undefined && same(shipped, parsed(row.model))
      await db.execute(
        row
          ? 'UPDATE catalogue_devices SET shipped = ?, model = IF(?, ?, model), version = version + 1 WHERE id = ?'
          : 'INSERT INTO catalogue_devices (shipped, model, id) VALUES (?, ?, ?)',
        row ? [text, untouched, text, device.id] : [text, text, device.id],
      )
      written++
    }
    if (written > 0) await db.execute('UPDATE catalogue_state SET revision = revision + 1')
    return written
  })
}

/** The one door for changes to the catalogue: applied once, against the versions that were seen, and kept in its log. */
export async function changeCatalogue(given: unknown): Promise<CatalogueOutcome> {
  const command = parseCatalogueCommand(given)
  if (!command.ok) return { kind: 'refused', faults: command.faults }
  try {
    return await inTransaction(db => changed(db, command.value))
  } catch (error) {
    if (!isDuplicate(error)) throw error
    return inTransaction(
      async db => (await changedBefore(db, command.value.id)) ?? Promise.reject(error as Error),
    )
  }
}

async function changed(db: PoolConnection, command: CatalogueCommand): Promise<CatalogueOutcome> {
  // Whoever comes second waits here.
  await db.query('SELECT revision FROM catalogue_state FOR UPDATE')
  const earlier = await changedBefore(db, command.id)
  if (earlier) return earlier
  const entries = new Map((await loadCatalogue(db)).map(entry => [entry.device.id, entry]))
  const planned = 'undoes' in command ? await undoing(db, command) : putting(entries, command.puts)
  if (!Array.isArray(planned)) return planned as CatalogueOutcome
  const stale = planned.filter(({ id, before }) => !same(entries.get(id)?.device ?? null, before))
  if (stale.length > 0) return { kind: 'stale', now: stale.flatMap(({ id }) => entries.get(id) ?? []) }
  for (const { id, before, after } of planned) {
    if (after === null) await db.execute('DELETE FROM catalogue_devices WHERE id = ?', [id])
    else if (before === null)
      await db.execute('INSERT INTO catalogue_devices (id, model) VALUES (?, ?)', [id, JSON.stringify(after)])
    else
      await db.execute('UPDATE catalogue_devices SET model = ?, version = version + 1 WHERE id = ?', [
        JSON.stringify(after),
        id,
      ])
  }
  await db.execute('INSERT INTO catalogue_log (id, name, undoes, changes) VALUES (?, ?, ?, ?)', [
    command.id,
    command.name,
    'undoes' in command ? command.undoes : null,
    JSON.stringify(planned),
  ])
  await db.execute('UPDATE catalogue_state SET revision = revision + 1')
  return appliedNow(db, planned)
}

function putting(
  entries: ReadonlyMap<string, CatalogueEntry>,
  puts: Extract<CatalogueCommand, { puts: unknown }>['puts'],
): DeviceChange[] | CatalogueOutcome {
  const stale = puts.flatMap(({ device, based }) => {
    const entry = entries.get(device.id)
    return (entry?.version ?? null) === based ? [] : [entry]
  })
  if (stale.length > 0) return { kind: 'stale', now: stale.flatMap(entry => entry ?? []) }
  return puts.map(({ device }) => ({
    id: device.id,
    before: entries.get(device.id)?.device ?? null,
    after: device,
  }))
}

async function undoing(
  db: PoolConnection,
  { name, undoes }: Extract<CatalogueCommand, { undoes: string }>,
): Promise<DeviceChange[] | CatalogueOutcome> {
  const state = await loadCatalogueUndo(db)
  if (state[name]?.id !== undoes)
    return {
      kind: 'refused',
      faults: [fault('/undoes', 'not-last', `there is nothing to ${name}, or something newer`)],
    }
  return (await changesOf(db, undoes)).map(({ id, before, after }) => ({ id, before: after, after: before }))
}

async function changesOf(db: Database, commandId: string): Promise<DeviceChange[]> {
  const [rows] = await db.query<RowDataPacket[]>('SELECT changes FROM catalogue_log WHERE id = ?', [
    commandId,
  ])
  return parsed<DeviceChange[]>(rows[0]?.changes ?? '[]').map(({ id, before, after }) => ({
    id,
    before: before && ofToday(before),
    after: after && ofToday(after),
  }))
}

/** A command that was applied before is answered again, and not applied. */
async function changedBefore(db: PoolConnection, commandId: string): Promise<CatalogueOutcome | null> {
  const [rows] = await db.query<RowDataPacket[]>('SELECT id FROM catalogue_log WHERE id = ?', [commandId])
  return rows.length > 0 ? appliedNow(db, await changesOf(db, commandId)) : null
}

async function appliedNow(db: PoolConnection, changes: readonly DeviceChange[]): Promise<CatalogueOutcome> {
  const entries = new Map((await loadCatalogue(db)).map(entry => [entry.device.id, entry]))
  return {
    kind: 'applied',
    changed: changes.map(({ id }) => ({ id, entry: entries.get(id) ?? null })),
    undo: await loadCatalogueUndo(db),
  }
}

/** What is next to be taken back, and to be done again. A new edit ends what could be done again. */
export async function loadCatalogueUndo(db: Database = pool()): Promise<CatalogueUndo> {
  const [rows] = await db.query<RowDataPacket[]>(
    'SELECT id, name, undoes FROM catalogue_log ORDER BY seq DESC LIMIT 400',
  )
  const done: { id: string; name: string }[] = []
  const undone: { id: string; name: string }[] = []
  for (const { id, name, undoes } of rows.reverse() as {
    id: string
    name: string
    undoes: string | null
  }[]) {
    if (undoes === null) {
      done.push({ id, name })
      undone.length = 0
    } else if (name === 'undo') {
      const back = done.pop()
      undone.push({ id, name: back?.name ?? name })
    } else {
      const again = undone.pop()
      done.push({ id, name: again?.name ?? name })
    }
  }
  return { undo: done.at(-1) ?? null, redo: undone.at(-1) ?? null }
}
