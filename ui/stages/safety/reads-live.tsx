'use client'

import { useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { rowsOf } from '@/core/model/record'
import type { SafetyNeed } from '@/core/safety'
import { newSwitching } from '../../job/new-reading'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { SelectField } from '../../primitives/fields'
import { capital } from '@/core/words/capital'
import { Reason } from '../test/put-right'
import { useSay } from '../../words/use-say'

/** A conductor that is not dead: nothing goes on before somebody says what fed it, or why the reading was wrong. */
export function ReadsLive({
  view,
  need,
}: {
  view: BoxView
  need: Extract<SafetyNeed, { kind: 'read-dead' }>
}) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const [asking, setAsking] = useState<'feed' | 'misread' | null>(null)
  const [circuitId, setCircuitId] = useState('')
  const { id } = need.end.end
  const live = view.readings.filter(
    each => each.purpose === 'dead' && each.fromEndId === id && each.value === need.volts,
  )
  const free = rowsOf(view.record, 'circuits').filter(
    circuit => !view.feeds.some(each => each.circuit.id === circuit.id),
  )
  const fed = () => {
    const done = edits.send('switch a breaker', [
      edits.add('feeds', { id: edits.newId(), boxId: view.box.id, circuitId, basis: 'reading' }),
      edits.change('ends', id, { roleCircuitId: circuitId }),
      edits.add('switchings', newSwitching(circuitId, 'off')),
    ])
    if (done) setAsking(null)
  }
  return (
    <div role="alert" className="hazard flex flex-col gap-2 bg-paper p-3">
      <p className="font-bold">
        {say`${capital(need.end.name)} read `}
        {need.volts}
        {say` V: stop. Something still feeds it. Hands off.`}
      </p>
      {asking === null && (
        <div className="flex flex-wrap gap-2">
          <Button
            onClick={() => setAsking('feed')}
            disabled={free.length === 0}
          >{say`Another breaker fed it`}</Button>
          <Button onClick={() => setAsking('misread')}>{say`The reading was wrong`}</Button>
        </div>
      )}
      {asking === 'feed' && (
        <div className="flex flex-wrap items-end gap-2">
          <div className="min-w-40 flex-1">
            <SelectField
              label={say`Switched off: breaker`}
              value={circuitId}
              options={[
                { value: '', words: say`Choose` },
                ...free.map(circuit => ({
                  value: circuit.id,
                  words: `${circuit.breaker}${circuit.label ? `: ${circuit.label}` : ''}`,
                })),
              ]}
              onCommit={setCircuitId}
            />
          </div>
          <Button
            look="main"
            disabled={circuitId === ''}
            onClick={fed}
          >{say`It is off: read all again`}</Button>
          <Button onClick={() => setAsking(null)}>{say`Back`}</Button>
        </div>
      )}
      {asking === 'misread' && (
        <Reason
          says={say`${need.volts} V struck out`}
          onBack={() => setAsking(null)}
          onReason={why => {
            const done = edits.send(
              'strike out a reading',
              live.map(each => edits.change('readings', each.id, { struck: why })),
            )
            if (done) setAsking(null)
          }}
        />
      )}
    </div>
  )
}
