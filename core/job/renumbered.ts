import type { EntityName } from '../model/entities'
import type { JobRecord } from '../model/record'
import { AT_THE_WALL } from './as-seen'

interface Ordered {
  readonly id: string
  readonly seq: number
  readonly revision: number
  readonly seen: number
}

/** Beyond this the numbers of what happened are given anew: so many more still find room above. */
const HIGH = 500_000_000

const rowsIn = (record: JobRecord, entity: EntityName) =>
  Object.values(record[entity]) as unknown as readonly Ordered[]

/**
 * A record whose numbers run so high that no more would find room, with lower ones: what came before still does, what
 * stood at one moment still does, and who had something before him still has. Any other record comes back as it is.
 */
export function renumbered(record: JobRecord): JobRecord {
  const all = AT_THE_WALL.flatMap(entity => rowsIn(record, entity))
  const seqs = anew(all.map(({ seq }) => seq))
  const revisions = anew(all.flatMap(({ revision, seen }) => [revision, seen]))
  if (!seqs && !revisions) return record
  const lower = <Of extends Ordered>(row: Of): Of => ({
    ...row,
    seq: seqs?.get(row.seq) ?? row.seq,
    revision: revisions?.get(row.revision) ?? row.revision,
    seen: revisions?.get(row.seen) ?? row.seen,
  })
  return {
    ...record,
    ...Object.fromEntries(
      AT_THE_WALL.map(entity => [
        entity,
        Object.fromEntries(rowsIn(record, entity).map(row => [row.id, lower(row)])),
      ]),
    ),
  }
}

/** Lower numbers in the same order, nothing staying nothing; null where there is room yet. */
function anew(numbers: readonly number[]): Map<number, number> | null {
  if (numbers.every(number => number <= HIGH)) return null
  return new Map([...new Set([0, ...numbers])].sort((a, b) => a - b).map((number, at) => [number, at]))
}
