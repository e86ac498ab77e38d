'use client'

import { Link } from '../job/link'
import { useMemo, useState } from 'react'
import type { DefectState } from '@/core/model/vocabulary'
import { useEdits, useJob, useTrade } from '../job/provider'
import { Button } from '../primitives/button'
import { PickOne } from '../primitives/fields'
import { plain } from '../words'
import { DefectDetails } from './defect-details'
import { defectsOfHouse, keyOf, type Located } from './located'
import { NOT_HANDED, settling } from './settle'
import { STATE_WORDS } from './state-words'
import { useSay } from '../words/use-say'
import { type Say } from '@/core/words/say'
import { part } from '../primitives/part'

const HandOver = part(() => import('./hand-over').then(module => module.HandOver))

const SHOWN = ['open', 'deferred', 'mended', 'closed'] as const satisfies readonly DefectState[]

const NONE: Readonly<Record<DefectState, string>> = {
  open: 'Nothing is open.',
  deferred: 'Nothing was handed over in writing yet.',
  mended: 'Nothing was mended yet.',
  closed: 'Nothing was struck off.',
}

/** What is wrong in the whole house: open, mended, or handed over to the customer in writing. */
export function DefectsPage() {
  const say = useSay()

  const trade = useTrade()
  const { record } = useJob()
  const all = useMemo(() => defectsOfHouse(record, trade), [record, trade])
  const [state, setState] = useState<DefectState>('open')
  const [writing, setWriting] = useState(false)
  const of = (wanted: DefectState) => all.filter(({ defect }) => defect.state === wanted)
  const shown = of(state)
  const minutes = of('open').reduce((sum, { defect }) => sum + (defect.raised?.minutes ?? 0), 0)
  if (writing)
    return (
      <HandOver
        open={of('open')}
        handed={of('deferred')}
        onClose={after => {
          setWriting(false)
          setState(after)
        }}
      />
    )
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3 pt-5">
        <div>
          <h1 className="text-2xl">{say`Defects`}</h1>
          <p className="text-soft">
            {say`${of('open').length} open of ${all.length}`}
            {minutes > 0 && say` · about ${hours(say, minutes)} to mend what is open`}
          </p>
        </div>
        <div className="flex gap-2" data-chrome>
          <Button
            look="main"
            disabled={of('open').length + of('deferred').length === 0}
            onClick={() => setWriting(true)}
          >{say`Hand over in writing`}</Button>
        </div>
      </div>
      <div className="mt-4">
        <PickOne
          label={say`Show`}
          labelHidden
          value={state}
          options={SHOWN.map(value => ({ value, words: `${say(STATE_WORDS[value])} ${of(value).length}` }))}
          onCommit={setState}
        />
      </div>
      {shown.length === 0 && (
        <p className="mt-6 rounded-xl border-2 border-dashed border-rule p-6">{NONE[state]}</p>
      )}
      <ul className="mt-4 flex flex-col gap-2">
        {shown.map(each => (
          <DefectRow key={keyOf(each)} located={each} />
        ))}
      </ul>
    </>
  )
}

const hours = (say: Say, minutes: number) => {
  const whole = Math.floor(minutes / 60)
  return whole === 0 ? say`${minutes} min` : say`${whole} h ${minutes % 60} min`
}

function DefectRow({ located: { defect, view } }: { located: Located }) {
  const say = useSay()

  const trade = useTrade()
  const edits = useEdits(view.box.id)
  const danger = defect.severity === 'danger' && defect.state === 'open'
  const settle = (state: DefectState) =>
    edits.send('edit a defect', [settling(edits, view.box.id, defect, state, NOT_HANDED)])
  return (
    <li
      className={`grid grid-cols-1 items-start gap-x-4 rounded-lg border border-rule bg-sheet px-3 sm:grid-cols-[1fr_auto] ${danger ? 'hazard' : ''}`}
    >
      <details>
        <summary className="min-h-11 py-2.5">
          <strong>{say(plain(defect.severity))}.</strong> {defect.what}
          {defect.row?.handedTo && (
            <span className="text-soft">
              {say` · handed over to ${defect.row.handedTo} on `}
              {defect.row.handedOn}
            </span>
          )}
        </summary>
        <div className="flex flex-col gap-3 pb-2">
          <DefectDetails defect={defect} trade={trade} />
          <div className="flex flex-wrap gap-2">
            {defect.state !== 'mended' && (
              <Button onClick={() => settle('mended')}>{say`Mended in this visit`}</Button>
            )}
            {defect.state !== 'open' && <Button onClick={() => settle('open')}>{say`Open again`}</Button>}
            {defect.state === 'open' && <Button onClick={() => settle('closed')}>{say`Not a defect`}</Button>}
          </div>
        </div>
      </details>
      <Link
        href={`/jobs/${view.record.job.id}/boxes/${view.box.id}/look`}
        className="flex min-h-11 items-center text-sm font-semibold underline decoration-rule underline-offset-4"
      >
        {view.room.name}, {view.box.name}
      </Link>
    </li>
  )
}
