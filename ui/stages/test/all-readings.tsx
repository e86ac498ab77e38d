'use client'

import { useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import type { Reading, Switching } from '@/core/model/entities'
import { inDoubtAt } from '@/core/job/power-said'
import { rowsOf } from '@/core/model/record'
import { isolationOf } from '@/core/safety'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { plain } from '../../words'
import { PutRight, Reason } from './put-right'
import { readingWords, switchingWords } from './reading-words'
import { useSay } from '../../words/use-say'
import { RowContext } from '../../primitives/row-context'

type Entry =
  | { readonly kind: 'reading'; readonly row: Reading }
  | { readonly kind: 'switching'; readonly row: Switching }

/** Everything that was read here and switched for it, the newest first; what was struck out stays in sight. */
export function AllReadings({ view }: { view: BoxView }) {
  const say = useSay()

  const breakers = new Set(isolationOf(view).toSwitchOff.map(circuit => circuit?.id ?? null))
  const entries: Entry[] = [
    ...[...view.readings, ...view.struckReadings].map(row => ({ kind: 'reading', row }) as const),
    ...rowsOf(view.record, 'switchings')
      .filter(({ circuitId }) => circuitId === null || breakers.has(null) || breakers.has(circuitId))
      .map(row => ({ kind: 'switching', row }) as const),
  ].sort((a, b) => b.row.seq - a.row.seq || (a.row.id < b.row.id ? 1 : -1))
  if (entries.length === 0) return <p className="text-soft">{say`Nothing was read here yet.`}</p>
  return (
    <ul className="flex flex-col divide-y divide-rule">
      {entries.map(entry => (
        <li key={entry.row.id} className="flex flex-wrap items-center justify-between gap-x-3 py-1">
          {entry.kind === 'reading' ? (
            <ReadingRow view={view} reading={entry.row} />
          ) : (
            <SwitchingRow view={view} switching={entry.row} />
          )}
        </li>
      ))}
    </ul>
  )
}

const clock = (at: string) =>
  new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })

function Line({
  words,
  at,
  struck,
  more,
}: {
  words: string
  at: string
  struck: string | null
  more: string
}) {
  const say = useSay()

  return (
    <span className="min-w-0 flex-1">
      <span className={struck === null ? '' : 'line-through decoration-2'}>{words}</span>
      <span className="block text-sm text-soft">
        {clock(at)}
        {more}
        {struck !== null && <strong className="text-ink">{say` · struck out: ${struck}`}</strong>}
      </span>
    </span>
  )
}

function ReadingRow({ view, reading }: { view: BoxView; reading: Reading }) {
  const say = useSay()

  const words = readingWords(view, reading)
  const purpose = reading.purpose === 'identify' ? '' : ` · ${say(plain(reading.purpose)).toLowerCase()}`
  const corrected = reading.corrected === null ? '' : say` · put right, ${reading.corrected}`
  const note = reading.note === '' ? '' : ` · ${reading.note}`
  const doubt =
    reading.struck === null && inDoubtAt(view)(reading)
      ? say` · does not count: another phone switched meanwhile`
      : ''
  return (
    <>
      <Line
        words={words}
        at={reading.at}
        struck={reading.struck}
        more={`${purpose}${doubt}${corrected}${note}`}
      />
      <RowContext value={reading.id}>
        <PutRight reading={reading} words={words} boxId={view.box.id} />
      </RowContext>
    </>
  )
}

function SwitchingRow({ view, switching }: { view: BoxView; switching: Switching }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const [asking, setAsking] = useState(false)
  const words = switchingWords(view, switching)
  const strike = (struck: string | null) =>
    edits.send('strike out a switching', [edits.change('switchings', switching.id, { struck })])
  return (
    <>
      <Line words={words} at={switching.at} struck={switching.struck} more="" />
      {switching.struck !== null ? (
        <Button
          look="quiet"
          aria-label={say`Let it count again: ${words}`}
          onClick={() => strike(null)}
        >{say`Let it count again`}</Button>
      ) : asking ? (
        <div className="w-full">
          <Reason
            says={
              switching.to === 'on'
                ? say`Struck out, though what was read dead before it is read again`
                : say`Struck out`
            }
            onBack={() => setAsking(false)}
            onReason={why => {
              if (strike(why)) setAsking(false)
            }}
          />
        </div>
      ) : (
        <Button
          look="quiet"
          aria-label={say`Strike out: ${words}`}
          onClick={() => setAsking(true)}
        >{say`Strike out`}</Button>
      )}
    </>
  )
}
