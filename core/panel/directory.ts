import type { Box, Breaker } from '../model/entities'
import { rowsOf, rowsWith, type JobRecord } from '../model/record'
import { byPosition, oneHandle, sharersOf } from './ties'

/** What is known of one circuit, from its label and from what was found. */
export interface DirectoryEntry {
  readonly circuit: Breaker
  readonly shares: readonly { readonly circuit: Breaker; readonly oneHandle: boolean }[]
  /** Boxes that a reading, or a light that went dark, found on it. */
  readonly found: readonly Box[]
  /** Boxes that only a label puts on it. */
  readonly labelled: readonly Box[]
  /** What the directory should say, from what was found; null while nothing was. */
  readonly says: string | null
}

/** The panel’s directory, which grows as breakers are found. */
export const directoryOf = (record: JobRecord): DirectoryEntry[] =>
  [...rowsOf(record, 'circuits')].sort(byPosition).map(circuit => {
    const feeds = rowsWith(record, 'feeds', 'circuitId', circuit.id)
    const boxes = (basis: 'reading' | 'label') =>
      feeds.flatMap(feed => (feed.basis === basis ? (record.boxes[feed.boxId] ?? []) : []))
    const found = boxes('reading')
    return {
      circuit,
      shares: sharersOf(record, circuit).map(other => ({
        circuit: other,
        oneHandle: oneHandle(circuit, other),
      })),
      found,
      labelled: boxes('label'),
      says: found.length > 0 ? roomsOf(record, found).join(', ') : null,
    }
  })

/** Rooms of some boxes, each once, in the order of the house. */
export function roomsOf(record: JobRecord, boxes: readonly Box[]): string[] {
  const wanted = new Set(boxes.map(({ roomId }) => roomId))
  return rowsOf(record, 'rooms').flatMap(({ id, name }) => (wanted.has(id) ? [name] : []))
}

/** Breakers by what is written on them, in the panel’s order: “1, 4, 11”. */
export const breakersIn = (record: JobRecord, ids: readonly string[]): string =>
  rowsOf(record, 'circuits')
    .filter(({ id }) => ids.includes(id))
    .sort(byPosition)
    .map(({ breaker }) => breaker)
    .join(', ')
