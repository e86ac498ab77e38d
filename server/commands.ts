import type { PoolConnection, RowDataPacket } from 'mysql2/promise'
import { commandSchema, validated } from '@/core/format/schemas'
import type { Standpoint } from '@/core/job/as-seen'
import { applyChanges, changedFields, inDatabaseOrder, type Change } from '@/core/job/change'
import type { Command, UndoCommand } from '@/core/job/command'
import type { Outcome, Stale } from '@/core/job/outcome'
import type { VersionedJob } from '@/core/job/since'
import { versionOf, withVersions, type RowVersion } from '@/core/job/versions'
import { takenBack } from '@/core/job/taken-back'
import { checked, held, transition, type Moment } from '@/core/job/transition'
import { soundShapes } from '@/core/job/sound-shapes'
import { holdPoints, powerHolds } from '@/core/plan'
import { fault } from '@/core/model/result'
import { JOB_FIELDS } from '@/core/model/entities'
import { rowNamed } from '@/core/model/record'
import { upgradedRow } from '@/core/model/upgrade-row'
import { inTransaction, isDuplicate } from './database'
import { digestOf } from './digest'
import { holdNext } from './held'
import { inTurn } from './in-turn'
import { loadJob, loadUndoState } from './jobs'
import { raisedByOne } from './raised'
import { stalenessOf } from './stale'
import { insertSql, tableOf, updateSql, valuesOf } from './rows'

/**
 * The one door for writes. The command is checked, applied once however often it is sent, in one
 * transaction, against the row versions it was based on, and kept in the log.
 */
export async function applyCommand(jobId: string, given: unknown): Promise<Outcome> {
  const shape = validated<Command | UndoCommand>(commandSchema, given)
  if (!shape.ok) return { kind: 'refused', faults: shape.faults }
  const command = shape.value
  try {
    // Who waits for a job’s lock would hold a connection meanwhile.
    const { outcome } = await inTurn(`job ${jobId}`, async () => {
      const done = await inTransaction(db => applied(db, jobId, command))
      if (done.next && done.outcome.kind === 'applied')
        holdNext(jobId, done.next, command.id, done.outcome.changes.map(keyOf))
      return done
    })
    return outcome
  } catch (error) {
    if (!isDuplicate(error)) throw error
    const earlier = await inTransaction(db => appliedBefore(db, jobId, command))
    if (earlier) return earlier
    throw error
  }
}

const keyOf = ({ entity, id }: Change): string => `${entity}/${id}`

interface Done {
  readonly outcome: Outcome
  /** The job as it stands once this is written; none where nothing was. */
  readonly next: VersionedJob | null
}

async function applied(db: PoolConnection, jobId: string, command: Command | UndoCommand): Promise<Done> {
  const at = new Date().toISOString()
  const raised = await raisedByOne(jobId, db)
  if (!raised) return rolledBack(db, { kind: 'no-such-job' })
  const { job, trade } = raised
  const from: Standpoint = { origin: command.origin, revision: job.revision }
  const isBehind = command.origin.seen < job.revision - 1
  const moment = { now: at, from, isBehind, guards: [soundShapes, holdPoints(trade), powerHolds(trade)] }
  const planned = await planning(db, job, command, moment)
  // What was applied already does not fit a second time.
  if (planned.kind !== 'changes') return rolledBack(db, (await appliedBefore(db, jobId, command)) ?? planned)
  const written = await write(db, job, planned.changes)
  const next = {
    ...job,
    record: applyChanges(job.record, planned.changes),
    versions: withVersions(job.versions, written),
  }
  await db.execute(
    'INSERT INTO command_log (job_id, id, revision, name, box_id, device, undoes, asked, changes, applied_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
    [
      jobId,
      command.id,
      job.revision,
      command.name,
      command.boxId,
      command.origin.device,
      'undoes' in command ? command.undoes : null,
      digestOf(command),
      JSON.stringify(planned.changes),
      at.replace('T', ' ').replace('Z', ''),
    ],
  )
  const outcome: Outcome = {
    kind: 'applied',
    revision: job.revision,
    changes: planned.changes,
    versions: withVersions({}, written),
    // What was just done is what is taken back next.
    undo:
      'undoes' in command
        ? await loadUndoState(jobId, command.boxId, db)
        : { undo: { id: command.id, name: command.name }, redo: null },
    held: held(job.record, planned.changes, moment.guards),
  }
  return { outcome, next }
}

/** Nothing was written but the revision; giving it back leaves the job untouched. */
async function rolledBack(db: PoolConnection, outcome: Outcome): Promise<Done> {
  await db.rollback()
  return { outcome, next: null }
}

const NOT_YET = 'the job has not come so far: what was seen is not what is here'

type Planned = { readonly kind: 'changes'; readonly changes: readonly Change[] } | Outcome

async function planning(
  db: PoolConnection,
  job: VersionedJob,
  command: Command | UndoCommand,
  moment: Moment,
): Promise<Planned> {
  if (command.origin.seen >= job.revision)
    return { kind: 'refused', faults: [fault('/origin/seen', 'not-yet', NOT_YET)] }
  return 'undoes' in command ? undoing(db, job, command, moment) : editing(db, job, command, moment)
}

async function editing(
  db: PoolConnection,
  job: VersionedJob,
  { edits, origin }: Command,
  moment: Moment,
): Promise<Planned> {
  const stale = await stalenessOf(db, job, edits, origin)
  if (stale.length > 0) return { kind: 'stale', stale }
  const changes = transition(job.record, edits, moment)
  return changes.ok
    ? { kind: 'changes', changes: changes.value }
    : { kind: 'refused', faults: changes.faults }
}

const plainRow = (row: object | null | undefined): Stale['now'] => (row ?? null) as Stale['now']

/** The inverse of a logged command, if the rows still are as that command left them. */
async function undoing(
  db: PoolConnection,
  job: VersionedJob,
  command: UndoCommand,
  moment: Moment,
): Promise<Planned> {
  const jobId = job.record.job.id
  const state = await loadUndoState(jobId, command.boxId, db)
  const expected = command.name === 'undo' ? state.undo : state.redo
  if (expected?.id !== command.undoes)
    return {
      kind: 'refused',
      faults: [fault('/undoes', 'not-last', `there is nothing to ${command.name}, or something newer`)],
    }
  const [rows] = await db.query<RowDataPacket[]>(
    'SELECT changes FROM command_log WHERE job_id = ? AND id = ?',
    [jobId, command.undoes],
  )
  const changes = takenBack(job.record, changesFrom(rows[0]!.changes))
  const stale = changes.flatMap((change): Stale[] => {
    const now = rowNamed(job.record, change.entity, change.id)
    const fields = changedFields({ ...change, after: now })
    if (fields.length === 0) return []
    return [
      {
        entity: change.entity,
        id: change.id,
        now: plainRow(now),
        version: versionOf(job.versions, change.entity, change.id),
        fields,
      },
    ]
  })
  if (stale.length > 0) return { kind: 'stale', stale }
  const made = checked(job.record, changes, moment)
  return made.ok ? { kind: 'changes', changes: made.value } : { kind: 'refused', faults: made.faults }
}

async function write(
  db: PoolConnection,
  job: VersionedJob,
  changes: readonly Change[],
): Promise<RowVersion[]> {
  const jobId = job.record.job.id
  const written: RowVersion[] = []
  for (const { entity, id, before, after } of inDatabaseOrder(changes)) {
    const version = versionOf(job.versions, entity, id) ?? 0
    if (entity === 'job') {
      if (after) await updateJob(db, jobId, after)
      written.push({ entity, id, version: version + 1 })
    } else if (after === null) {
      await db.execute(`DELETE FROM ${tableOf(entity)} WHERE job_id = ? AND id = ?`, [jobId, id])
      written.push({ entity, id, version: null })
    } else if (before === null) {
      await db.execute(insertSql(entity), [jobId, ...valuesOf(entity, after)])
      written.push({ entity, id, version: 1 })
    } else {
      await db.execute(updateSql(entity), [...valuesOf(entity, after), jobId, id, version])
      written.push({ entity, id, version: version + 1 })
    }
  }
  return written
}

async function updateJob(db: PoolConnection, jobId: string, row: object): Promise<void> {
  // In the order of the fields, as their values come: a row may have its keys in another.
  const sets = Object.keys(JOB_FIELDS).map(
    name => `${name.replace(/[A-Z]/g, letter => `_${letter.toLowerCase()}`)} = ?`,
  )
  await db.execute(`UPDATE jobs SET ${sets.join(', ')}, extra = ?, version = version + 1 WHERE id = ?`, [
    ...valuesOf('job', row),
    jobId,
  ])
}

/** The answer of a command that was applied already: what it changed, and where things stand now. */
async function appliedBefore(
  db: PoolConnection,
  jobId: string,
  command: Command | UndoCommand,
): Promise<Outcome | null> {
  const [rows] = await db.query<RowDataPacket[]>(
    'SELECT revision, asked, changes FROM command_log WHERE job_id = ? AND id = ?',
    [jobId, command.id],
  )
  const found = rows[0]
  if (!found) return null
  if (found.asked !== null && found.asked !== digestOf(command))
    return {
      kind: 'refused',
      faults: [fault('/id', 'id-taken', 'another command was sent under this id')],
    }
  const changes = changesFrom(found.changes)
  const job = await loadJob(jobId, db)
  const written = changes.map(({ entity, id }) => ({
    entity,
    id,
    version: job && versionOf(job.versions, entity, id),
  }))
  return {
    kind: 'applied',
    revision: Number(found.revision),
    changes,
    versions: withVersions({}, written),
    undo: await loadUndoState(jobId, command.boxId, db),
    held: [],
  }
}

/** Changes from the log, their rows as they are written today. */
function changesFrom(logged: unknown): Change[] {
  return (JSON.parse(String(logged)) as Change[]).map(change => ({
    ...change,
    before: change.before && upgradedRow(change.entity, change.before as never),
    after: change.after && upgradedRow(change.entity, change.after as never),
  })) as Change[]
}
