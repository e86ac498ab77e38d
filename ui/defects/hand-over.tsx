'use client'

import { useState } from 'react'
import { regionOf } from '@/core/model/regions'
import type { DefectState } from '@/core/model/vocabulary'
import { useEdits, useJob, useTrade } from '../job/provider'
import { Button } from '../primitives/button'
import { CheckField, DateField, TextField } from '../primitives/fields'
import { today } from '../primitives/today'
import { plain } from '../words'
import { Letter } from './letter'
import { keyOf, type Located } from './located'
import { settling } from './settle'
import { useSay } from '../words/use-say'

/** Picks what is handed over, shows the paper as it is printed, and records to whom it went, and when. */
export function HandOver({
  open,
  handed,
  onClose,
}: {
  open: readonly Located[]
  handed: readonly Located[]
  onClose: (show: DefectState) => void
}) {
  const say = useSay()

  const { record } = useJob()
  const trade = useTrade()
  const edits = useEdits(null)
  const [to, setTo] = useState(record.job.owners)
  const [on, setOn] = useState(today)
  // What is open is offered first; what was handed over before can be printed again.
  const [chosen, setChosen] = useState(() => new Set((open.length > 0 ? open : handed).map(keyOf)))
  const defects = [...open, ...handed].filter(each => chosen.has(keyOf(each)))
  const toRecord = defects.filter(({ defect }) => defect.state === 'open')
  const toggle = (key: string) =>
    setChosen(before => {
      const next = new Set(before)
      if (!next.delete(key)) next.add(key)
      return next
    })
  const recordIt = () => {
    const done = edits.send(
      'edit a defect',
      toRecord.map(({ defect, view }) =>
        settling(edits, view.box.id, defect, 'deferred', { handedTo: to.trim(), handedOn: on }),
      ),
    )
    if (done) onClose('deferred')
  }
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3 pt-5" data-chrome>
        <h1 className="text-2xl">{say`Hand over in writing`}</h1>
        <Button onClick={() => onClose('open')}>{say`Back to the defects`}</Button>
      </div>
      <div className="mt-4 grid items-start gap-5 lg:grid-cols-[22rem_1fr]">
        <div className="flex flex-col gap-3" data-chrome>
          <TextField label={say`Handed to`} value={to} max={120} required onCommit={setTo} />
          <DateField label={say`On`} value={on} onCommit={setOn} />
          <fieldset>
            <legend className="text-sm font-semibold">{say`What is handed over`}</legend>
            {[...open, ...handed].map(each => (
              <CheckField
                key={keyOf(each)}
                label={`${each.view.room.name}: ${say(plain(each.defect.severity)).toLowerCase()}, ${each.defect.what}`}
                value={chosen.has(keyOf(each))}
                onCommit={() => toggle(keyOf(each))}
              />
            ))}
          </fieldset>
          <div className="flex flex-wrap gap-2">
            <Button onClick={() => window.print()} disabled={defects.length === 0}>{say`Print it`}</Button>
            <Button
              look="main"
              disabled={toRecord.length === 0 || to.trim() === ''}
              onClick={recordIt}
            >{say`It was handed over`}</Button>
          </div>
        </div>
        <Letter
          job={record.job}
          region={regionOf(record.job.regionId)}
          trade={trade}
          to={to.trim()}
          on={on}
          defects={defects}
        />
      </div>
    </>
  )
}
