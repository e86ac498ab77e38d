import { Link } from '../job/link'
import type { JobRecord } from '@/core/model/record'
import { breakersIn } from '@/core/panel'
import { TURN_WORDS, type Day } from '@/core/plan'
import { beforeOn, boxName, clock } from './words'
import { useSay } from '../words/use-say'

/** What is thrown at each walk, and what is done until the next. */
export function Stretches({ day, start, record }: { day: Day; start: string; record: JobRecord }) {
  const say = useSay()

  const base = `/jobs/${record.job.id}/boxes`
  const last = day.stretches.at(-1)
  return (
    <ol className="flex flex-col gap-4">
      {day.stretches.map((stretch, at) => (
        <li key={at}>
          <p className="flex flex-wrap items-baseline gap-x-3 rounded-lg border-2 border-ink/60 px-3 py-2">
            <span className="tabular-nums">{clock(start, stretch.from - stretch.walkMinutes)}</span>
            <strong>{say`Walk ${at + 1}`}</strong>
            {stretch.toOff.length > 0 && (
              <span>
                {say`breaker`} {breakersIn(record, stretch.toOff)} <strong>{say`off`}</strong>
              </span>
            )}
            {stretch.toOn.length > 0 && (
              <span>
                {say`breaker`} {breakersIn(record, stretch.toOn)} <strong>{say`on`}</strong>
              </span>
            )}
          </p>
          {stretch.toOn.length > 0 && (
            <p className="px-3 pt-1 text-sm">
              <strong>{say`Before on:`}</strong> {beforeOn(record, stretch.standing)}
            </p>
          )}
          <ol className="mt-1 divide-y divide-rule">
            {stretch.turns.map(({ boxId, kind, who, from, minutes }) => (
              <li
                key={`${boxId} ${kind}`}
                className="grid grid-cols-[3.5rem_1fr_auto] items-baseline gap-x-3 py-1.5"
              >
                <span className="tabular-nums">{clock(start, from)}</span>
                <span>
                  <Link
                    href={`${base}/${boxId}/${kind === 'work' ? 'wire' : 'test'}`}
                    className="font-semibold underline decoration-rule underline-offset-4"
                  >
                    {boxName(record, boxId)}
                  </Link>{' '}
                  <span className="text-soft">
                    {say(TURN_WORDS[kind])}
                    {who ? ` · ${who}` : ''}
                  </span>
                </span>
                <span className="tabular-nums">{say`${Math.round(minutes)} min`}</span>
              </li>
            ))}
          </ol>
        </li>
      ))}
      {last && (
        <li className="flex flex-wrap items-baseline gap-x-3 rounded-lg border-2 border-ink/60 px-3 py-2">
          <span className="tabular-nums">{clock(start, last.from + last.minutes)}</span>
          <strong>{say`Walk ${day.stretches.length + 1}`}</strong>
          {last.off.length > 0 && (
            <span>
              {say`breaker`} {breakersIn(record, last.off)} <strong>{say`on`}</strong>
            </span>
          )}
        </li>
      )}
    </ol>
  )
}
