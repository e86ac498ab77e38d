import type { AnyRow, EntityName, JobRow } from '../model/entities'
import { rowNamed, type JobRecord } from '../model/record'
import { applyChanges } from './change'
import { versionOf, withVersions, type RowVersion, type Versions } from './versions'

/** A job with the version of each of its rows, as a client needs it to write. */
export interface VersionedJob {
  readonly record: JobRecord
  readonly versions: Versions
  readonly revision: number
  /** Which life of the job this is: brought in anew, reset or restored it begins another, with revisions of its own. */
  readonly line: string
}

/** How far somebody has a job. */
export type Having = Pick<VersionedJob, 'line' | 'revision'>

/** A row as it stands; gone where there is none. */
export interface RowNow extends RowVersion {
  readonly row: AnyRow | JobRow | null
}

/** What became of a job after a revision that somebody has: each row it touched, as it stands now. */
export interface Since extends Having {
  readonly from: number
  /** Which commands did that. */
  readonly commands: readonly string[]
  readonly rows: readonly RowNow[]
}

export const isSince = (given: VersionedJob | Since): given is Since => 'rows' in given

export const havingWords = ({ line, revision }: Having): string => `${line}.${revision}`

/** What a client says it has; null where that is nothing, or nonsense. */
export function havingFrom(words: string | null): Having | null {
  const [, line, revision] = /^([\da-f-]{36})\.(\d{1,9})$/.exec(words ?? '') ?? []
  return line && revision ? { line, revision: Number(revision) } : null
}

/** Rows that were touched, as a job has them now. */
export function rowsNow(job: VersionedJob, touched: Iterable<string>): RowNow[] {
  return [...new Set(touched)].map(key => {
    const at = key.indexOf('/')
    const entity = key.slice(0, at) as EntityName | 'job'
    const id = key.slice(at + 1)
    const row = rowNamed(job.record, entity, id)
    return { entity, id, row, version: versionOf(job.versions, entity, id) }
  })
}

/** A job brought up to date; the same where nothing came, null where what came does not follow on it. */
export function withSince(job: VersionedJob, { line, from, revision, rows }: Since): VersionedJob | null {
  if (line !== job.line || from > job.revision) return null
  if (revision <= job.revision) return job
  const changed = rows.filter(({ entity, id, version }) => versionOf(job.versions, entity, id) !== version)
  const record = applyChanges(
    job.record,
    changed.map(({ entity, id, row }) => ({ entity, id, before: null, after: row })),
  )
  return { record, versions: withVersions(job.versions, changed), revision, line }
}
