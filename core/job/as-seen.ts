import type { Origin } from './command'
import { ENTITY_NAMES, fieldsOf, type EntityName } from '../model/entities'
import { knew, type Placed } from '../model/placed'
import type { JobRecord } from '../model/record'

/** What happened at the wall, table by table. */
export const AT_THE_WALL: readonly EntityName[] = ENTITY_NAMES.filter(
  entity => 'revision' in fieldsOf(entity),
)

/** Whose command it is, and the revision of the job that it makes. */
export interface Standpoint {
  readonly origin: Origin
  readonly revision: number
}

/** Where what a command records stands among what others did. */
export const placeOf = ({ origin, revision }: Standpoint): Omit<Placed, 'seq'> & { readonly by: string } => ({
  revision,
  seen: origin.seen,
  device: origin.device,
  deviceNumber: origin.number,
  by: origin.by,
})

/**
 * The record as somebody had it before him when he did something: without what others had done at the wall that had not
 * come to his phone. He is held to that, and to nothing he could not know.
 */
export function asSeen(record: JobRecord, from: Standpoint): JobRecord {
  const here: Placed = { ...placeOf(from), seq: Infinity }
  const tables = AT_THE_WALL.flatMap(entity => {
    const all = Object.entries(record[entity]) as unknown as [string, Placed][]
    const known = all.filter(([, row]) => knew(here, row))
    return known.length === all.length ? [] : [[entity, Object.fromEntries(known)]]
  })
  return tables.length === 0 ? record : { ...record, ...Object.fromEntries(tables) }
}
