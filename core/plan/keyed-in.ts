import type { Row } from '../model/entities'
import type { KeyedIn } from '../model/light-program'
import type { JobRecord } from '../model/record'
import { OWN_PROGRAM } from '../model/setting'
import { programRowOf } from './worked-out'

/** What is keyed in where the clock at a place goes by its own program; null where none is made, and for another value. */
export function toKeyIn(record: JobRecord, placeId: string, value: string = OWN_PROGRAM): KeyedIn | null {
  const program = programRowOf(record, placeId)?.program
  return program && value === OWN_PROGRAM ? { program, site: record.job.site } : null
}

/** Whether what was keyed in is what the program is today, and where the house stands: it does not matter who changed either, or when. */
export const isKeyedIn = (record: JobRecord, { placeId, value, keyed }: Row<'settings'>): boolean =>
  JSON.stringify(keyed) === JSON.stringify(toKeyIn(record, placeId, value))
