import { ENTITY_NAMES, fieldsOf, type EntityName } from '../model/entities'
import type { JobRecord } from '../model/record'

interface Ordered {
  readonly id: string
  readonly seq: number
}

/** Beyond this the numbers of what happened are given anew: so many more still find room above. */
const HIGH = 500_000_000

const IN_ORDER = ENTITY_NAMES.filter(entity => 'seq' in fieldsOf(entity))

const rowsIn = (record: JobRecord, entity: EntityName) =>
  Object.values(record[entity]) as unknown as readonly Ordered[]

/**
 * A record whose numbers run so high that no more would find room, with lower ones: what came before still does, and what
 * stood at one moment still does. Any other record comes back as it is.
 */
export function renumbered(record: JobRecord): JobRecord {
  const all = IN_ORDER.flatMap(entity => rowsIn(record, entity).map(({ seq }) => seq))
  if (all.every(seq => seq <= HIGH)) return record
  const anew = new Map([...new Set(all)].sort((a, b) => a - b).map((seq, at) => [seq, at + 1]))
  return {
    ...record,
    ...Object.fromEntries(
      IN_ORDER.map(entity => [
        entity,
        Object.fromEntries(rowsIn(record, entity).map(row => [row.id, { ...row, seq: anew.get(row.seq)! }])),
      ]),
    ),
  }
}
