'use client'

import { FIELD_LOOK } from '../../primitives/field-look'
import { useState } from 'react'
import type { BoxView, EndView } from '@/core/job/box-view'
import { isolationOf, type SafetyNeed } from '@/core/safety'
import { newReading } from '../../job/new-reading'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { capital } from '@/core/words/capital'
import { useSay } from '../../words/use-say'
import { REFERENCES } from '../../words/references'
import { part } from '../../primitives/part'

const ReadsLive = part(() => import('./reads-live').then(module => module.ReadsLive))

type ReadDead = Extract<SafetyNeed, { kind: 'read-dead' }>

/** What was let out of its joint, read on its own: one that showed something is no more read over. */
export function PartedRow({ view, end, active }: { view: BoxView; end: EndView; active: boolean }) {
  const own = isolationOf(view).needs.find(
    (need): need is ReadDead => need.kind === 'read-dead' && need.end.end.id === end.end.id,
  )
  return <DeadRow view={view} need={{ kind: 'read-dead', end, volts: own?.volts ?? null }} active={active} />
}

/** One conductor read to the proven reference with the power off. */
export function DeadRow({ view, need, active }: { view: BoxView; need: ReadDead; active: boolean }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const [other, setOther] = useState<string | null>(null)
  const reference = view.readings.filter(reading => reading.purpose === 'reference').at(-1)
  const record = (value: number) => {
    const self = reference?.toEndId === need.end.end.id
    edits.send('take a reading', [
      edits.add(
        'readings',
        newReading(view.box.id, {
          purpose: 'dead',
          fromEndId: need.end.end.id,
          toEndId: self ? null : (reference?.toEndId ?? null),
          toSpot: self ? null : (reference?.toSpot ?? null),
          reference: self || !(reference?.toEndId ?? reference?.toSpot) ? REFERENCES.broughtIn : null,
          value,
          breaker: 'off',
        }),
      ),
    ])
    setOther(null)
  }
  const typed = other === null ? NaN : Number(other.replace(',', '.'))
  if (need.volts !== null) return <ReadsLive view={view} need={need} />
  return (
    <div className="flex flex-wrap items-center gap-2">
      <span className="min-w-28 flex-1">{capital(need.end.name)}</span>
      {other === null ? (
        <>
          <Button
            look="main"
            disabled={!active}
            onClick={() => record(0)}
            aria-label={`${need.end.name}: 0 V`}
          >{say`0 V`}</Button>
          <Button
            disabled={!active}
            onClick={() => setOther('')}
            aria-label={say`${need.end.name}: another value`}
          >{say`Other`}</Button>
        </>
      ) : (
        <>
          <input
            autoFocus
            inputMode="decimal"
            aria-label={say`Volts at ${need.end.name}`}
            value={other}
            onChange={event => setOther(event.target.value)}
            className={`${FIELD_LOOK} w-24`}
          />
          <Button
            look="main"
            disabled={!(typed >= 0 && typed <= 1000)}
            onClick={() => record(typed)}
          >{say`V`}</Button>
          <Button onClick={() => setOther(null)}>{say`Back`}</Button>
        </>
      )}
    </div>
  )
}
