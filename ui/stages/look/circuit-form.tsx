'use client'

import { FIELD_LOOK } from '../../primitives/field-look'
import { Link } from '../../job/link'
import { useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PickOne, SelectField } from '../../primitives/fields'
import { Part } from '../../primitives/titled-part'
import { LinesList } from './lines-list'
import { useBreakers } from './use-breakers'
import { useSay } from '../../words/use-say'

/** Which breakers feed this box, and whether a reading or only a label says so. A box may hold two circuits. */
export function CircuitForm({ view }: { view: BoxView }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const { free, feeds, feedsFrom } = useBreakers(view)
  const [chosen, setChosen] = useState('')
  const [newBreaker, setNewBreaker] = useState('')
  return (
    <Part
      title={say`Circuit and breaker`}
      aside={
        <Link
          href={`/jobs/${view.record.job.id}/boxes/${view.box.id}/breaker`}
          className="inline-flex min-h-11 items-center font-semibold underline decoration-rule underline-offset-4"
        >{say`Hunt for it`}</Link>
      }
    >
      <LinesList view={view} />
      {view.feeds.map(({ feed, circuit }) => (
        <div key={feed.id} className="flex flex-col gap-3 rounded-lg border border-rule p-3">
          <p>
            <strong>
              {say`Breaker`} {circuit.breaker}
            </strong>{' '}
            {circuit.label}
          </p>
          <div className="flex flex-wrap gap-x-8 gap-y-3">
            <PickOne
              label={say`Rating`}
              value={String(circuit.ratedAmps)}
              options={[...new Set([...view.region.breakerAmps, circuit.ratedAmps])]
                .sort((a, b) => a - b)
                .map(amps => ({ value: String(amps), words: `${amps} A` }))}
              onCommit={amps =>
                edits.send('edit a circuit', [
                  edits.change('circuits', circuit.id, { ratedAmps: Number(amps) }),
                ])
              }
            />
            <PickOne
              label={say`Known from`}
              value={feed.basis}
              options={[
                { value: 'label', words: say`The label only` },
                { value: 'reading', words: say`A reading` },
              ]}
              onCommit={basis => edits.send('edit a circuit', [edits.change('feeds', feed.id, { basis })])}
            />
          </div>
          <Button
            look="quiet"
            onClick={() => edits.send('edit a circuit', [edits.remove('feeds', feed.id)])}
          >{say`It does not feed this box`}</Button>
        </div>
      ))}
      <div className="flex flex-wrap items-end gap-2">
        {free.length > 0 && (
          <>
            <div className="min-w-48 flex-1">
              <SelectField
                label={view.feeds.length > 0 ? say`Another breaker` : say`Breaker`}
                value={chosen || free[0]!.id}
                options={free.map(circuit => ({
                  value: circuit.id,
                  words: `${circuit.breaker}: ${circuit.label || say`no label`}, ${circuit.ratedAmps} A`,
                }))}
                onCommit={setChosen}
              />
            </div>
            <Button
              onClick={() => feeds(free.some(each => each.id === chosen) ? chosen : free[0]!.id)}
            >{say`Feeds this box`}</Button>
          </>
        )}
      </div>
      <div className="flex flex-wrap items-end gap-2">
        <label className="flex flex-col gap-1 text-sm font-semibold">
          {say`A breaker not listed yet`}
          <input
            value={newBreaker}
            maxLength={12}
            onChange={event => setNewBreaker(event.target.value)}
            className={`${FIELD_LOOK} w-28`}
          />
        </label>
        <Button
          onClick={() => feedsFrom(newBreaker) && setNewBreaker('')}
          disabled={newBreaker.trim() === ''}
        >{say`Add it`}</Button>
      </div>
    </Part>
  )
}
