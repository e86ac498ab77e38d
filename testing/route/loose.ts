import type { Row } from '@/core/model/entities'
import type { JobRecord } from '@/core/model/record'
import { lot } from '@/testing/model/lot'
import type { DrawnHouse } from './house'

/** How much of a drawn house is let go. */
export interface Loosened {
  /** Old devices are out, not only off their wires. */
  readonly areOut: boolean
  /** Of so many cables one lost what was said of the circuits of its conductors; none where null. */
  readonly cablesUnsaid: number | null
  /** Of so many conductors one lost what was said of it, its light too; none where null. */
  readonly endsUnsaid: number | null
  /** Breakers that were found to feed each box: all, none, or one only where several do. */
  readonly feeds: 'all' | 'none' | 'one-of-several'
}

/** A house with every conductor loose, and some of what was said of them not said. */
export function loosened({ record, lights }: DrawnHouse, seed: number, how: Loosened): JobRecord {
  const draw = lot(seed)
  const oneOf = (count: number | null) => count !== null && draw(count) === 0
  const unsaid = new Set(Object.keys(record.cables).filter(() => oneOf(how.cablesUnsaid)))
  const ends = Object.values(record.ends).map((end): Row<'ends'> => {
    const isCableUnsaid = unsaid.has(record.conductors[end.conductorId]!.cableId)
    const isUnsaid = oneOf(how.endsUnsaid)
    return {
      ...end,
      seat: 'loose',
      deviceId: null,
      terminal: null,
      jointId: null,
      roleCircuitId: isCableUnsaid || isUnsaid ? null : (end.roleCircuitId ?? ofSharing(end)),
      roleGroupId: isUnsaid ? null : end.roleGroupId,
    }
  })
  return {
    ...record,
    feeds: Object.fromEntries(feedsKept().map(feed => [feed.id, feed])),
    joints: {},
    pigtails: {},
    devices: how.areOut ? {} : record.devices,
    ends: Object.fromEntries(ends.map(end => [end.id, end])),
  }

  /** Where a neutral is shared nothing but somebody’s word tells the hot of a light whose switch is off its wires. */
  function ofSharing({ roleGroupId }: Row<'ends'>): string | null {
    const light = lights.find(({ id }) => id === roleGroupId)
    const isShared = Object.values(record.circuits).some(each => each.sharedNeutralWithId !== null)
    return light && isShared ? `circuit-${light.circuit}` : null
  }

  function feedsKept(): Row<'feeds'>[] {
    if (how.feeds === 'none') return []
    const feeds = Object.values(record.feeds)
    if (how.feeds === 'all') return feeds
    return Object.keys(record.boxes).flatMap(boxId => {
      const own = feeds.filter(feed => feed.boxId === boxId)
      const lines = Object.values(record.ends).filter(end => end.boxId === boxId && end.role === 'line')
      return lines.length > 1 ? own.slice(draw(own.length)).slice(0, 1) : own
    })
  }
}

/** The same job with the rows of every table in another order, ids and positions as they were. */
export function shuffled(record: JobRecord, seed: number): JobRecord {
  const draw = lot(seed)
  const mixed = <Of>(rows: Readonly<Record<string, Of>>): Record<string, Of> => {
    const entries = Object.entries(rows)
    for (let at = entries.length - 1; at > 0; at--) {
      const other = draw(at + 1)
      ;[entries[at], entries[other]] = [entries[other]!, entries[at]!]
    }
    return Object.fromEntries(entries)
  }
  return Object.fromEntries(
    Object.entries(record).map(([table, rows]) => [table, table === 'job' ? rows : mixed(rows)]),
  ) as unknown as JobRecord
}
