'use client'

import { Link } from '../job/link'
import { useMemo } from 'react'
import { breakersIn } from '@/core/panel'
import { dayOf } from '@/core/plan'
import { beforeOn } from '../day/words'
import { useJob, useTrade } from '../job/provider'
import { SayAloud } from '../primitives/say-aloud'
import { useSay } from '../words/use-say'

/** What is thrown at each walk of the day, for whoever stands here. */
export function Walks() {
  const say = useSay()

  const trade = useTrade()
  const { record } = useJob()
  const { stretches } = useMemo(() => dayOf(record, trade), [record, trade])
  const last = stretches.at(-1)
  if (!last) return null
  const walks = [
    ...stretches.map(({ toOff, toOn, standing }) => ({ toOff, toOn, standing })),
    { toOff: [] as readonly string[], toOn: last.off, standing: [] as readonly string[] },
  ].filter(({ toOff, toOn }) => toOff.length + toOn.length > 0)
  return (
    <section aria-label={say`Walks of the day`} className="mt-4 rounded-xl bg-sheet p-4">
      <h2 className="font-bold">
        {say.count(walks.length, '# walk in ', '# walks in ')}
        <Link
          href={`/jobs/${record.job.id}/day`}
          className="inline-flex min-h-11 items-center underline decoration-rule underline-offset-4 sm:min-h-0"
        >{say`the day`}</Link>
      </h2>
      <ol className="mt-1 flex flex-col gap-1">
        {walks.map(({ toOff, toOn, standing }, at) => (
          <li key={at} className="flex flex-wrap gap-x-4">
            <strong>{at + 1}</strong>
            {toOff.length > 0 && (
              <span>
                {say`breaker`} {breakersIn(record, toOff)} <strong>{say`off`}</strong>
              </span>
            )}
            {toOn.length > 0 && (
              <span>
                {say`breaker`} {breakersIn(record, toOn)} <strong>{say`on`}</strong>
              </span>
            )}
            {toOn.length > 0 && (
              <span className="flex w-full flex-wrap items-center justify-between gap-2 text-sm">
                <span>{say`Before on: ${beforeOn(record, standing)}`}</span>
                <SayAloud
                  says={say`Walk ${at + 1}. breaker ${breakersIn(record, toOn)} on. Before it: ${beforeOn(record, standing)}`}
                />
              </span>
            )}
          </li>
        ))}
      </ol>
    </section>
  )
}
