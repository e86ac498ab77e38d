import { useContext } from 'react'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { figure } from '@/core/model/units'
import { wattsOf } from '@/core/model/watts'
import type { Differing, YearOf } from '@/core/setup'
import { Button } from '../primitives/button'
import { LINK_LOOK } from '../primitives/link-look'
import { Part } from '../primitives/titled-part'
import { LanguageContext, useSay } from '../words/use-say'
import { eventWords } from './program-words'
import { DAYS_AHEAD, type Programming } from './use-program'

const NOON = 43_200_000
const DAY = 86_400_000

const DIFFERS: Readonly<Record<Differing['differs'], string>> = {
  'no-sun': 'the sun does not cross the horizon: it does not happen',
  instead: 'the sun does not cross the horizon: it happens at the clock time named instead',
  skipped: 'clocks are put forward over it: it happens the first minute after',
  twice: 'clocks show it twice: it happens the first time',
}

/** A year of the program in figures, the nights that differ, and the days from one on in words. */
export function Ahead({
  view,
  place,
  programming,
  year,
}: {
  view: BoxView
  place: PlaceView
  programming: Programming
  year: YearOf
}) {
  const say = useSay()
  const { locale } = useContext(LanguageContext)
  const { program, from, yearNumber, look, lookAt, isChanged, site } = programming
  const days = new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeZone: 'UTC' })
  const weekdays = new Intl.DateTimeFormat(locale, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: 'UTC',
  })
  const hours = new Intl.DateTimeFormat(locale, { timeStyle: 'short', timeZone: site?.zone ?? 'UTC' })
  const dayWords = (day: number) => days.format(day * DAY + NOON)
  const watts = wattsOf(place.loads)
  const events = program?.events ?? []
  const file = (as: 'ics' | 'csv') =>
    `/api/jobs/${view.record.job.id}/programs/${place.place.id}?as=${as}&year=${yearNumber}`
  return (
    <Part
      title={say`The year ${yearNumber}`}
      aside={
        <span className="flex gap-2">
          <Button aria-label={say`The year before`} onClick={() => lookAt(yearNumber - 1)}>
            {yearNumber - 1}
          </Button>
          <Button aria-label={say`The year after`} onClick={() => lookAt(yearNumber + 1)}>
            {yearNumber + 1}
          </Button>
        </span>
      }
    >
      <p role="status">
        <strong>{say`Lit ${figure(year.litHours, 0)} hours`}</strong>
        {` · ${say.count(year.switchings, 'switched once', 'switched # times')}`}
        {watts !== null && watts > 0 && say` · ${figure((year.litHours * watts) / 1000, 1)} kWh`}
      </p>
      {year.differ.length > 0 && (
        <div>
          <h3 className="text-sm font-semibold">{say`Not as the program says`}</h3>
          <ul className="flex list-disc flex-col gap-1 pl-6">
            {year.differ.map(each => (
              <li key={`${each.event} ${each.differs} ${each.from}`}>
                {each.from === each.to
                  ? dayWords(each.from)
                  : `${dayWords(each.from)} – ${dayWords(each.to)}`}
                {`, ${events[each.event] ? eventWords(say, locale, events[each.event]!) : ''}: ${say(DIFFERS[each.differs])}`}
              </li>
            ))}
          </ul>
        </div>
      )}
      <label className="flex flex-col gap-1 text-sm font-semibold">
        {say`${DAYS_AHEAD} days from ${dayWords(from)}`}
        <input
          type="range"
          min={year.from}
          max={year.from + year.days.length - 1}
          value={Math.min(Math.max(from, year.from), year.from + year.days.length - 1)}
          aria-valuetext={dayWords(from)}
          onChange={({ target }) => look(Number(target.value))}
          className="h-11 w-full accent-(--plum)"
        />
      </label>
      <table className="w-full text-left tabular-nums">
        <tbody>
          {year.ahead.map(({ day, happens }) => (
            <tr key={day} className="border-t border-rule align-top">
              <th scope="row" className="py-1 pr-3 font-normal whitespace-nowrap">
                {weekdays.format(day * DAY + NOON)}
              </th>
              <td className="py-1">
                {happens.length === 0
                  ? say`nothing`
                  : happens
                      .map(({ instant, turns, differs }) =>
                        instant === null
                          ? say`no ${turns === 'on' ? say`on` : say`off`}: no sun`
                          : `${turns === 'on' ? say`on` : say`off`} ${hours.format(instant)}${differs ? '*' : ''}`,
                      )
                      .join(' · ')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {!isChanged && site !== null && (
        <div className="flex flex-wrap gap-2 print:hidden">
          <a href={file('ics')} download className={LINK_LOOK}>{say`Calendar file of ${yearNumber}`}</a>
          <a href={file('csv')} download className={LINK_LOOK}>{say`Table of ${yearNumber} (CSV)`}</a>
        </div>
      )}
    </Part>
  )
}
