import { ENTITY_NAMES, fieldsOf, type AnyRow, type EntityName, type JobRow } from '../model/entities'
import { rowNamed, type JobRecord } from '../model/record'
import { fault, good, refused, type Fault, type Result } from '../model/result'
import { applyChanges, type Change } from './change'
import { asSeen, AT_THE_WALL, placeOf, type Standpoint } from './as-seen'
import type { Edit } from './command'
import { faultsOfRecord } from './integrity'
import { removesOn } from './taken-back'
import { ALONE, PLACED_NAMES } from '../model/placed'
import { sayFor } from '../model/say-for'

/**
 * A rule that may refuse a step from one record to the next, such as the hold points of a step list. What was done by hand
 * by somebody who is behind is not held to what he could not know.
 */
export type Guard = (
  before: JobRecord,
  after: JobRecord,
  changes: readonly Change[],
  isBehind?: boolean,
) => readonly Fault[]

export interface Moment {
  /** UTC, ISO 8601; given to what happens at the wall. */
  readonly now: string
  /** Who does it, and what he had before him; nobody else works on the record where it is not given. */
  readonly from?: Standpoint
  /** Whether others did something meanwhile that had not come to him; his own phone held him to all he had. */
  readonly isBehind?: boolean
  readonly guards: readonly Guard[]
}

type Draft = Map<string, Change>
type LooseRow = Record<string, unknown> & { id: string }

/**
 * What a list of edits would change in a record: the pure half of every command. Removals take along
 * what hangs on the row; `seq` and `at` of what happened at the wall are given here.
 * Refused with the path of each fault; the record given is never touched.
 */
export function transition(record: JobRecord, edits: readonly Edit[], moment: Moment): Result<Change[]> {
  const say = sayFor(record)

  const draft: Draft = new Map()
  const faults: Fault[] = []
  let seq = lastSeq(record)
  const place = moment.from ? placeOf(moment.from) : ALONE
  edits.forEach((edit, index) => {
    const path = `/edits/${index}`
    const current = rowIn(record, draft, edit.entity, edit.kind === 'add' ? edit.row.id : edit.id)
    if (edit.kind === 'add') {
      if (current) faults.push(fault(path, 'id-taken', say`${edit.entity} ${edit.row.id} exists already`))
      else {
        const fields = fieldsOf(edit.entity)
        const row = edit.row as unknown as LooseRow
        const placed = fields.seq && { seq: ++seq, at: moment.now, ...place }
        put(record, draft, edit.entity, row.id, placed ? { ...row, ...placed } : row)
      }
      return
    }
    if (!current) {
      faults.push(fault(path, 'gone', say`${edit.entity} ${edit.id} is no longer there`))
      return
    }
    // What happened at the wall keeps its place in time, whatever is said of it later.
    if (edit.kind === 'change' && PLACED_NAMES.some(name => name in edit.fields))
      faults.push(fault(`${path}/fields`, 'order-is-given', say`when it happened is not changed`))
    else if (edit.kind === 'change') put(record, draft, edit.entity, edit.id, { ...current, ...edit.fields })
    else if (removesOn({ entity: edit.entity, id: edit.id, before: current as never, after: null }))
      faults.push(fault(path, 'power-was-on', say`that the power was on is struck out, never removed`))
    else removeWithDependants(record, draft, edit.entity, edit.id)
  })
  if (faults.length > 0) return refused(...faults)
  tidy(record, draft)
  const changes = [...draft.values()].filter(
    change => JSON.stringify(change.before) !== JSON.stringify(change.after),
  )
  return checked(record, changes, moment)
}

/** Changes that are ready made (an undo), held against the same rules. */
export function checked(
  record: JobRecord,
  changes: Change[],
  { from, isBehind = false, guards }: Pick<Moment, 'from' | 'isBehind' | 'guards'>,
): Result<Change[]> {
  const faults = [
    ...faultsOfRecord(applyChanges(record, changes), changes),
    ...held(from ? asSeen(record, from) : record, changes, guards, isBehind),
  ]
  return faults.length > 0 ? refused(...faults) : good(changes)
}

/** What the rules say against changes of a record. */
export function held(
  record: JobRecord,
  changes: readonly Change[],
  guards: readonly Guard[],
  isBehind = false,
): Fault[] {
  const after = applyChanges(record, changes)
  return guards.flatMap(guard => guard(record, after, changes, isBehind))
}

function lastSeq(record: JobRecord): number {
  let last = 0
  for (const entity of AT_THE_WALL)
    for (const row of Object.values(record[entity]) as { readonly seq?: number }[])
      last = Math.max(last, row.seq ?? 0)
  return last
}

const keyOf = (entity: string, id: string) => `${entity}/${id}`

function storedRow(record: JobRecord, entity: EntityName | 'job', id: string): LooseRow | null {
  if (entity === 'job') return record.job.id === id ? (record.job as unknown as LooseRow) : null
  // No row of any table is called what every object has.
  return Object.hasOwn(record[entity], id) ? (rowNamed(record, entity, id) as unknown as LooseRow) : null
}

function rowIn(record: JobRecord, draft: Draft, entity: EntityName | 'job', id: string): LooseRow | null {
  const drafted = draft.get(keyOf(entity, id))
  return drafted ? (drafted.after as unknown as LooseRow | null) : storedRow(record, entity, id)
}

function put(record: JobRecord, draft: Draft, entity: EntityName | 'job', id: string, row: LooseRow | null) {
  const before = storedRow(record, entity, id) as unknown as AnyRow | JobRow | null
  draft.set(keyOf(entity, id), { entity, id, before, after: row as unknown as AnyRow | JobRow | null })
}

function currentRows(record: JobRecord, draft: Draft, entity: EntityName): LooseRow[] {
  const ids = new Set(Object.keys(record[entity]))
  for (const change of draft.values()) if (change.entity === entity) ids.add(change.id)
  return [...ids].flatMap(id => rowIn(record, draft, entity, id) ?? [])
}

function removeWithDependants(record: JobRecord, draft: Draft, entity: EntityName, id: string) {
  if (entity === 'boxes') keepFarEnds(record, draft, id)
  put(record, draft, entity, id, null)
  for (const other of ENTITY_NAMES)
    for (const [name, field] of Object.entries(fieldsOf(other))) {
      if (field.kind !== 'ref' || field.to !== entity) continue
      for (const row of currentRows(record, draft, other)) {
        if (row[name] !== id) continue
        if (field.onRemove === 'remove') removeWithDependants(record, draft, other, row.id)
        else put(record, draft, other, row.id, { ...row, [name]: null })
      }
    }
}

/** A box goes: a cable that it shares with another box stays there, and leads nobody knows where. */
function keepFarEnds(record: JobRecord, draft: Draft, boxId: string) {
  for (const cable of currentRows(record, draft, 'cables')) {
    const other = cable.boxId === boxId ? cable.farBoxId : cable.farBoxId === boxId ? cable.boxId : null
    if (other === null) continue
    put(record, draft, 'cables', cable.id, {
      ...cable,
      boxId: other,
      entry: cable.boxId === other ? cable.entry : (cable.farEntry ?? cable.entry),
      far: 'not-known',
      farBoxId: null,
      farEntry: null,
    })
  }
}

/** A conductor whose last end went with its box is nowhere. */
function dropEndless(record: JobRecord, draft: Draft) {
  const lost = new Set(
    [...draft.values()].flatMap(({ entity, before, after }) =>
      entity === 'ends' && before !== null && after === null
        ? [(before as unknown as LooseRow).conductorId]
        : [],
    ),
  )
  if (lost.size === 0) return
  for (const end of currentRows(record, draft, 'ends')) lost.delete(end.conductorId)
  for (const id of lost)
    if (rowIn(record, draft, 'conductors', String(id)))
      removeWithDependants(record, draft, 'conductors', String(id))
}

/** An end whose screw or joint went is loose; a joint nobody is in is no joint. */
function tidy(record: JobRecord, draft: Draft) {
  if (![...draft.values()].some(change => change.entity === 'ends' || change.entity === 'joints')) return
  dropEndless(record, draft)
  const held = new Set<unknown>()
  for (const end of currentRows(record, draft, 'ends')) {
    const lost =
      (end.seat === 'terminal' && end.deviceId === null) || (end.seat === 'joint' && end.jointId === null)
    if (lost) put(record, draft, 'ends', end.id, { ...end, seat: 'loose', terminal: null })
    else if (end.seat === 'joint') held.add(end.jointId)
  }
  for (const joint of currentRows(record, draft, 'joints'))
    if (!held.has(joint.id)) removeWithDependants(record, draft, 'joints', joint.id)
}
