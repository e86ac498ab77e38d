import { rowNamed } from '@/core/model/record'
import type { PoolConnection, RowDataPacket } from 'mysql2/promise'
import { AT_THE_WALL } from '@/core/job/as-seen'
import { changedFields, type Change } from '@/core/job/change'
import type { Edit, Origin } from '@/core/job/command'
import type { Stale } from '@/core/job/outcome'
import type { VersionedJob } from '@/core/job/since'
import { versionOf } from '@/core/job/versions'

type Row = Readonly<Record<string, unknown>>

/**
 * What stands against edits of rows that others changed meanwhile: where they changed other fields of a row, nothing does.
 * What happened at the wall, and what is gone, is never made one of two.
 */
export async function stalenessOf(
  db: PoolConnection,
  job: VersionedJob,
  edits: readonly Edit[],
  origin: Origin,
): Promise<Stale[]> {
  const late = edits.filter(
    edit => edit.kind !== 'add' && versionOf(job.versions, edit.entity, edit.id) !== edit.based,
  )
  if (late.length === 0) return []
  // What also adds or takes away was thought of as one, over rows as they were.
  const isPlain = edits.every(({ kind }) => kind === 'change')
  const changes = isPlain ? await changesSince(db, job.record.job.id, origin) : []
  return late.flatMap((edit): Stale[] => {
    if (edit.kind === 'add') return []
    const version = versionOf(job.versions, edit.entity, edit.id)
    const now = rowNamed(job.record, edit.entity, edit.id)
    const stale = (fields: readonly string[]): Stale[] => [
      {
        entity: edit.entity,
        id: edit.id,
        now: now as Row | null,
        version,
        fields,
      },
    ]
    if (edit.kind === 'remove') return stale([])
    const asked = edit.fields as Row
    if (!now || (edit.entity !== 'job' && AT_THE_WALL.includes(edit.entity))) return stale(Object.keys(asked))
    const differing = Object.keys(asked).filter(name => !same(asked[name], (now as unknown as Row)[name]))
    if (!isPlain) return stale(differing)
    const since = changes.filter(({ change: { entity, id } }) => entity === edit.entity && id === edit.id)
    // So many of them the edit is based on; more of the same phone are of another of its pages.
    const known = edit.based - (version ?? 0) + since.length
    const own = since.filter(({ isOwn }) => isOwn)
    const theirs = new Set(
      (own.length > known ? since : since.filter(({ isOwn }) => !isOwn)).flatMap(({ change }) =>
        changedFields(change),
      ),
    )
    const fields = differing.filter(name => theirs.has(name))
    return fields.length > 0 ? stale(fields) : []
  })
}

const same = (one: unknown, other: unknown): boolean => JSON.stringify(one) === JSON.stringify(other)

interface Since {
  readonly change: Change
  /** It was done on the phone that asks. */
  readonly isOwn: boolean
}

/** What was done to a job after all that had come to somebody before him. */
async function changesSince(db: PoolConnection, jobId: string, { seen, device }: Origin): Promise<Since[]> {
  const [rows] = await db.execute<RowDataPacket[]>(
    'SELECT device, changes FROM command_log WHERE job_id = ? AND revision > ? ORDER BY revision',
    [jobId, seen],
  )
  return rows.flatMap(row =>
    (JSON.parse(String(row.changes)) as Change[]).map(change => ({ change, isOwn: row.device === device })),
  )
}
