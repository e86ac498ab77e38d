'use client'

import { useEffect, useState } from 'react'
import type { Stage } from '@/core/model/vocabulary'
import { STAGE_WORDS } from '../words'
import { useDates } from '../words/use-dates'
import { useSay } from '../words/use-say'

interface Waits {
  readonly stages: readonly {
    readonly stage: Stage
    readonly boxes: readonly string[]
    readonly since: string
  }[]
  readonly done: number
  readonly openDefects: number
  readonly openDangers: number
}

/** Names that are said of each stage; the rest is counted. */
const NAMED = 6

/** How many boxes of a job wait in which stage, and its open defects; asked for once it is looked at. */
export function JobWaits({ jobId, lastAt }: { jobId: string; lastAt: string }) {
  const say = useSay()

  const { day } = useDates()
  const [waits, setWaits] = useState<Waits | null>(null)
  useEffect(() => {
    let wanted = true
    void fetch(`/api/jobs/${jobId}/waits`)
      .then(answer => (answer.ok ? (answer.json() as Promise<Waits>) : null))
      .then(found => wanted && setWaits(found))
      // The list says all else without it.
      .catch(() => undefined)
    return () => {
      wanted = false
    }
  }, [jobId, lastAt])
  const dayOf = (instant: string) => day.format(new Date(instant))
  const days = new Set(waits?.stages.map(({ since }) => dayOf(since)))
  // One day for several stages is said once.
  const isOneDay = days.size === 1 && waits!.stages.length > 1
  return (
    <ul
      aria-label={say`What waits`}
      aria-busy={waits === null}
      className="flex min-h-6 flex-wrap gap-x-3 gap-y-1 text-sm"
    >
      {waits?.stages.map(({ stage, boxes, since }) => (
        <li
          key={stage}
          title={[
            ...boxes.slice(0, NAMED),
            ...(boxes.length > NAMED ? [say`and ${boxes.length - NAMED} more`] : []),
          ].join('\n')}
        >
          <strong>{boxes.length}</strong> {say(STAGE_WORDS[stage].name)}
          {!isOneDay && <span className="text-soft">{say`, since ${dayOf(since)}`}</span>}
        </li>
      ))}
      {isOneDay && <li className="text-soft">{say`since ${[...days][0]!}`}</li>}
      {waits && waits.done > 0 && (
        <li>
          <strong>{waits.done}</strong> {say`Done`}
        </li>
      )}
      {waits && waits.openDefects > 0 && (
        <li className={waits.openDangers > 0 ? 'hazard bg-sheet px-2 font-semibold' : 'font-semibold'}>
          {say.count(waits.openDefects, '# open defect', '# open defects')}
          {waits.openDangers > 0 && say.count(waits.openDangers, ', # danger', ', # dangers')}
        </li>
      )}
    </ul>
  )
}
