'use client'

import { FIELD_LOOK } from '../primitives/field-look'
import { useMemo, useState } from 'react'
import { rowsOf } from '@/core/model/record'
import { figure } from '@/core/model/units'
import { dayOf, type Day } from '@/core/plan'
import { useEdits, useJob, useTrade } from '../job/provider'
import { newId } from '../job/new-id'
import { Button } from '../primitives/button'
import { Part } from '../primitives/titled-part'
import { CrewForm } from './crew-form'
import { DayOnHouse } from './day-on-house'
import { KeepsForm } from './keeps-form'
import { Stretches } from './stretches'
import { TimeLine } from './time-line'
import { DateField } from '../primitives/fields'
import { useRunning } from '../browser/use-running'
import { today } from '../primitives/today'
import { boxesOf, boxName } from './words'
import { useSay } from '../words/use-say'
import { type Say } from '@/core/words/say'
import { LINK_LOOK } from '../primitives/link-look'
import { part } from '../primitives/part'

const BoxOrder = part(() => import('./box-order').then(module => module.BoxOrder))

/** The order of the work: walks to the panel, who does what and when, and what must keep its light and power. */
export function DayPage() {
  const say = useSay()

  const trade = useTrade()
  const { record } = useJob()
  const edits = useEdits(null)
  const [start, setStart] = useState('08:00')
  const running = useRunning()
  const [date, setDate] = useState('')
  const [ordering, setOrdering] = useState(false)
  const day = useMemo(() => dayOf(record, trade), [record, trade])
  const turns = day.stretches.flatMap(each => each.turns)
  const given = rowsOf(record, 'turns')
  const order = (boxIds: readonly string[]) =>
    edits.send('order the boxes', [
      ...given.map(({ id }) => edits.remove('turns', id)),
      ...boxIds.map((boxId, position) => edits.add('turns', { id: newId(), boxId, position })),
    ])
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3 pt-5">
        <div>
          <h1 className="text-2xl">{say`Day`}</h1>
          <p className="text-soft">
            {turns.length === 0
              ? say`Nothing is open that can be worked now`
              : say`${counted(say, boxesOf(turns).length)}, about ${figure(day.minutes, 0)} min`}
            {day.wired.done > 0 && say`; ${day.wired.done} of ${day.wired.of} boxes are wired`}
            {day.pace !== 1 &&
              say`, at the pace this job has shown (${figure(day.pace * 100, 0)} % of the plan)`}
          </p>
        </div>
        <div className="flex flex-wrap items-end gap-2" data-chrome>
          <DateField label={say`Date`} value={date || (running ? today() : '')} onCommit={setDate} />
          <label className="flex flex-col gap-1 text-sm font-semibold">
            {say`Start`}
            <input
              type="time"
              value={start}
              onChange={event => setStart(event.target.value || '08:00')}
              className={`${FIELD_LOOK} py-2`}
            />
          </label>
          <a
            href={`/api/jobs/${record.job.id}/day?start=${start}&date=${date || (running ? today() : '')}`}
            className={LINK_LOOK}
          >{say`Calendar file`}</a>
          <Button onClick={() => window.print()}>{say`Print`}</Button>
        </div>
      </div>
      {turns.length > 0 && <Walks day={day} panel={say`panel`} />}
      {day.madeSafe.boxes > 0 && (
        <p className="mt-2 max-w-3xl text-sm">{say`No box stands bare with a breaker on: ${counted(say, day.madeSafe.boxes)} capped and covered, for ${figure(day.madeSafe.minutes, 0)} min of work and ${day.madeSafe.caps} caps at once.`}</p>
      )}
      {day.broken.length > 0 && (
        <ul className="hazard mt-3 bg-sheet p-3" role="status">
          {day.broken.map(says => (
            <li key={says}>
              <strong>{say`Not kept:`}</strong> {says}
            </li>
          ))}
        </ul>
      )}
      {turns.length > 0 && <TimeLine day={day} start={start} record={record} />}
      <div className="mt-4 grid items-start gap-4 lg:grid-cols-[1fr_24rem]">
        <Part
          title={say`Walk by walk`}
          aside={
            <div className="flex gap-2" data-chrome>
              {given.length > 0 && <Button onClick={() => order([])}>{say`The least order`}</Button>}
              <Button aria-expanded={ordering} onClick={() => setOrdering(!ordering)}>
                {ordering ? say`Close` : say`Order by hand`}
              </Button>
            </div>
          }
        >
          {ordering && (
            <BoxOrder boxes={boxesOf(turns).map(id => ({ id, name: boxName(record, id) }))} onOrder={order} />
          )}
          {turns.length > 0 && <DayOnHouse day={day} record={record} />}
          <Stretches day={day} start={start} record={record} />
          {day.waiting.length > 0 && (
            <p className="mt-3 text-soft">{say`Not in the day, for they wait for a record or a device: ${day.waiting.map(id => boxName(record, id)).join('; ')}`}</p>
          )}
        </Part>
        <div className="flex flex-col gap-4">
          <CrewForm record={record} />
          <KeepsForm record={record} />
        </div>
      </div>
    </>
  )
}

const counted = (say: Say, boxes: number) => say.count(boxes, '# box', '# boxes')

/** Walks of this order, of the least, and of going box by box. */
function Walks({ day, panel }: { day: Day; panel: string }) {
  const say = useSay()

  const rows = [
    { what: say`This order`, walks: day.walks, minutes: day.minutes },
    ...(day.walks > day.best.walks || day.minutes > day.best.minutes + 0.5
      ? [{ what: say`The least`, ...day.best }]
      : []),
    { what: say`Box by box`, ...day.boxByBox },
  ]
  const most = Math.max(...rows.map(({ walks }) => walks))
  return (
    <table className="mt-3 w-full max-w-3xl border-collapse rounded-xl bg-sheet">
      <caption className="sr-only">{say`Walks to the ${panel}`}</caption>
      <thead>
        <tr className="text-left text-sm text-soft">
          <th scope="col" className="p-2 font-normal">
            <span className="sr-only">{say`Order`}</span>
          </th>
          <th scope="col" className="p-2 font-normal">{say`Walks to the ${panel}`}</th>
          <th scope="col" className="p-2 font-normal">{say`Minutes`}</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ what, walks, minutes }) => (
          <tr key={what} className="border-t border-rule">
            <th scope="row" className="p-2 text-left font-semibold">
              {what}
            </th>
            <td className="p-2 tabular-nums">
              <span className="flex items-center gap-3">
                <span className="w-8 font-bold">{walks}</span>
                <span
                  aria-hidden="true"
                  className="h-3 rounded bg-ink/75"
                  style={{ width: `${(walks / most) * 60}%` }}
                />
              </span>
            </td>
            <td className="p-2 tabular-nums">{figure(minutes, 0)}</td>
          </tr>
        ))}
        {day.walksAtLeast > 0 && day.walks > day.walksAtLeast && (
          <tr className="border-t border-rule text-soft">
            <td className="p-2" colSpan={3}>
              {say.count(
                day.walksAtLeast,
                'No order has fewer than # walk.',
                'No order has fewer than # walks.',
              )}
            </td>
          </tr>
        )}
      </tbody>
    </table>
  )
}
