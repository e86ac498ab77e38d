'use client'

import { useEffect, useState } from 'react'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import type { DeviceModel } from '@/core/model/device'
import { figuresOf, figureWords, PRESENCE_ON, settingFor, valuesOf } from '@/core/model/setting'
import { figure } from '@/core/model/units'
import { wattsOf } from '@/core/model/watts'
import type { LivedWith, Living, LivingAsked, Seen } from '@/core/setup'
import { asker, type Asked } from '@/workers/ask'
import { useTrade } from '../../job/provider'
import { Link } from '../../job/link'
import { LINK_LOOK } from '../../primitives/link-look'
import { BarChart } from '../../primitives/bar-chart'
import { Part } from '../../primitives/titled-part'
import { ROOM_KIND_WORDS } from '../../words'
import { useSay } from '../../words/use-say'
import type { Aiming } from './aim'

const DEADLINE_MILLISECONDS = 20_000
const live = asker<LivingAsked, Living>(
  () => new Worker(new URL('../../../workers/dweller.ts', import.meta.url), { type: 'module' }),
  DEADLINE_MILLISECONDS,
)

/** The same year for everybody who looks. */
const SEED = 1

const WAYS = { 'by-itself': PRESENCE_ON['automatic-on'], 'by-hand': PRESENCE_ON['manual-on'] } as const

/** What is asked of a year: nothing where nobody said what the room is for, or the device has no delay in figures. */
function askedOf(
  model: DeviceModel,
  seen: Seen,
  plan: Aiming['found']['plan'],
  habits: LivingAsked['habits'],
): LivingAsked | null {
  const delay = settingFor(model.settings, 'delay')
  const mode = settingFor(model.settings, 'mode')
  const delays = delay ? valuesOf(delay).flatMap(value => figuresOf(delay, value)) : []
  if (delays.length === 0) return null
  const offers = mode ? valuesOf(mode) : []
  const turnsOn = (['by-itself', 'by-hand'] as const).filter(way =>
    mode ? offers.includes(WAYS[way]) : way === 'by-hand',
  )
  const sees = (asleep: boolean) =>
    plan.seats.every((seat, at) => seat.asleep !== asleep || seen.seats[at] === true)
  return {
    // Where no seat is on the plan nobody sits down.
    habits: plan.seats.some(({ asleep }) => !asleep) ? habits : { ...habits, sitting: 0 },
    seesSeat: sees(false),
    seesBed: sees(true),
    delays,
    turnsOn,
    seed: SEED,
  }
}

/** What each delay does with the light of a room that people live with, over a year. */
export function LivingPart({ view, place, aiming }: { view: BoxView; place: PlaceView; aiming: Aiming }) {
  const say = useSay()
  const { habits } = useTrade()
  const { kind } = view.room
  const { found, seen } = aiming
  const asked = kind === 'not-said' ? null : askedOf(found.model, seen, found.plan, habits[kind])
  const key = asked ? JSON.stringify(asked) : null
  const [answer, setAnswer] = useState<{ readonly key: string; readonly asked: Asked<Living> } | null>(null)
  useEffect(() => {
    if (key === null) return
    let wanted = true
    void live(JSON.parse(key) as LivingAsked).then(given => wanted && setAnswer({ key, asked: given }))
    return () => {
      wanted = false
    }
  }, [key])
  const watts = wattsOf(place.loads)
  if (kind === 'not-said')
    return (
      <Part title={say`How long it stays on`}>
        <p>{say`How people live with a room is told by what it is for, and nobody said that of ${view.room.name}.`}</p>
        <Link
          href={`/jobs/${view.record.job.id}`}
          className={`self-start ${LINK_LOOK}`}
        >{say`To the house`}</Link>
      </Part>
    )
  if (!asked) return null
  return (
    <Part title={say`How long it stays on`}>
      <p className="text-soft">
        {say`A year of a household of two or three in a room of this kind (${say(ROOM_KIND_WORDS[kind])}), drawn by lot; a beginning, to be corrected by who lives there.`}
      </p>
      {answer?.asked.kind === 'answered' ? (
        <Lived living={answer.asked.value} watts={watts} isStale={answer.key !== key} />
      ) : answer ? (
        <p role="status">{say`It could not be reckoned: open the page again.`}</p>
      ) : (
        <p role="status" className="min-h-60">{say`Living through the year …`}</p>
      )}
    </Part>
  )
}

const BECAUSE = {
  rare: 'the least with which somebody sits in the dark less than once a week',
  'least-gained': 'none keeps that below once a week; longer ones gain least from here',
} as const

function Lived({ living, watts, isStale }: { living: Living; watts: number | null; isStale: boolean }) {
  const say = useSay()
  const { ways, proposed } = living
  const isProposed = ({ turnsOn, delay }: LivedWith) =>
    proposed.some(each => each.turnsOn === turnsOn && each.delay === delay)
  const delays = [...new Set(ways.map(({ delay }) => delay))]
  const kinds = [...new Set(ways.map(({ turnsOn }) => turnsOn))]
  return (
    <div aria-busy={isStale} className="flex flex-col gap-3">
      <ul className="flex flex-col gap-1">
        {proposed.map(({ turnsOn, delay, because }) => (
          <li key={turnsOn}>
            <strong>{`${say(WAYS[turnsOn])}: ${figureWords('duration', delay)}`}</strong>
            {`, ${say(BECAUSE[because])}`}
          </li>
        ))}
      </ul>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={say`Each delay over a year`}>
        <table className="w-full text-left whitespace-nowrap tabular-nums">
          <thead className="text-sm">
            <tr>
              <th scope="col" className="pr-3">{say`Off after`}</th>
              <th scope="col" className="pr-3">{say`Turns on`}</th>
              <th scope="col" className="pr-3">{say`Hours lit`}</th>
              <th scope="col" className="pr-3">{say`with nobody there`}</th>
              <th scope="col" className="pr-3">{say`Times in the dark`}</th>
              <th scope="col" className="pr-3">{say`Switched a day`}</th>
              {watts !== null && watts > 0 && <th scope="col">{say`kWh`}</th>}
            </tr>
          </thead>
          <tbody>
            {ways.map(way => (
              <tr
                key={`${way.turnsOn} ${way.delay}`}
                className={`border-t border-rule ${isProposed(way) ? 'bg-tint font-semibold' : ''}`}
              >
                <th scope="row" className="py-1 pr-3 font-[inherit]">
                  {figureWords('duration', way.delay)}
                  {isProposed(way) && <span className="sr-only">{say`, proposed`}</span>}
                </th>
                <td className="pr-3">{say(WAYS[way.turnsOn])}</td>
                <td className="pr-3">{figure(way.hoursLit, 0)}</td>
                <td className="pr-3">{figure(way.hoursLitWithNobody, 0)}</td>
                <td className="pr-3">{way.presentAndDark.times}</td>
                <td className="pr-3">{figure(way.switchingsPerDay, 1)}</td>
                {watts !== null && watts > 0 && <td>{figure((way.hoursLit * watts) / 1000, 1)}</td>}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <BarChart
        label={say`Hours lit with nobody there, in a year, for each delay`}
        kinds={kinds.map(kind => say(WAYS[kind]))}
        rows={delays.map(delay => ({
          words: figureWords('duration', delay),
          figures: kinds.map(kind =>
            Math.round(
              ways.find(way => way.delay === delay && way.turnsOn === kind)?.hoursLitWithNobody ?? 0,
            ),
          ),
        }))}
        unit="h"
      />
    </div>
  )
}
