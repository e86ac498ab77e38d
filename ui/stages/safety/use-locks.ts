import type { Edit } from '@/core/job/command'
import { lockWay } from '@/core/model/house-rules'
import type { JobRecord } from '@/core/model/record'
import type { LockWay } from '@/core/model/vocabulary'
import { holdersOf, locksOn } from '@/core/safety'
import { newId } from '../../job/new-id'
import { newSwitching } from '../../job/new-reading'
import { useEdits, useJob } from '../../job/provider'

/** What is said of a breaker that is kept off, before the name of who keeps it so. */
export const LOCK_WORDS: Readonly<Record<LockWay, string>> = {
  'lock-and-tag': 'Off, locked and tagged. Key with',
  'tape-and-tag': 'Off, taped down and tagged. By',
  'fuse-kept': 'Off, fuse out and tagged. Kept by',
}

/** Names that a lock may be of: who works here, and whoever had one before. */
export const namesIn = ({ job, crew, locks }: JobRecord): string[] => [
  ...new Set(
    [
      ...Object.values(crew)
        .sort((a, b) => Number(b.readsLive) - Number(a.readsLive) || a.name.localeCompare(b.name, 'en'))
        .map(({ name }) => name),
      job.electrician,
      ...Object.values(locks).map(({ keyWith }) => keyWith),
    ].filter(name => name !== ''),
  ),
]

/** Whoever has a lock on some breakers. */
export const holdersIn = (record: JobRecord, circuitIds: readonly (string | null)[]): string[] => [
  ...new Set(circuitIds.flatMap(id => holdersOf(record, id))),
]

/** Locks as edits: put on, and taken off by who holds them. */
export function useLocks(boxId: string | null) {
  const { record } = useJob()
  const edits = useEdits(boxId)
  const lock = (circuitId: string | null, keyWith: string): Edit =>
    edits.add('locks', { id: newId(), circuitId, how: lockWay(record), keyWith })
  const unlock = (circuitIds: readonly (string | null)[], who: string): Edit[] => [
    ...new Map(
      circuitIds
        .flatMap(id => locksOn(record, id))
        .filter(({ keyWith }) => keyWith === who)
        .map(({ id }) => [id, edits.remove('locks', id)]),
    ).values(),
  ]
  /** On again: the one whose lock hangs there takes it off as he does. Where several hang there, it is refused. */
  const on = (circuitIds: readonly (string | null)[]): Edit[] => {
    const holders = holdersIn(record, circuitIds)
    return [
      ...(holders.length === 1 ? unlock(circuitIds, holders[0]!) : []),
      ...circuitIds.map(id => edits.add('switchings', newSwitching(id, 'on'))),
    ]
  }
  return { record, edits, lock, unlock, on }
}
