'use client'

import { useState } from 'react'
import type { Reading } from '@/core/model/entities'
import { figure } from '@/core/model/units'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { NumberField, TextField } from '../../primitives/fields'
import { INSTRUMENT_UNITS } from '../../words'
import { useSay } from '../../words/use-say'

const REASONS = ['Misread', 'On another conductor', 'A switch stood otherwise', 'Not taken at all']

/** Why something does not count any more: one press, or in one's own words. */
export function Reason({
  says,
  onReason,
  onBack,
}: {
  says: string
  onReason: (why: string) => void
  onBack: () => void
}) {
  const say = useSay()

  const [own, setOwn] = useState('')
  return (
    <fieldset className="flex flex-col gap-2 rounded-lg border-2 border-plum p-3">
      <legend className="px-1 font-semibold">{say`${says}: why?`}</legend>
      <div className="flex flex-wrap gap-2">
        {REASONS.map(why => (
          <Button key={why} onClick={() => onReason(why)}>
            {why}
          </Button>
        ))}
      </div>
      <div className="flex items-end gap-2">
        <div className="flex-1">
          <TextField label={say`In other words`} value={own} max={300} onCommit={setOwn} live />
        </div>
        <Button disabled={own.trim() === ''} onClick={() => onReason(own.trim())}>{say`Record`}</Button>
        <Button onClick={onBack}>{say`Back`}</Button>
      </div>
    </fieldset>
  )
}

/** A reading struck out with its reason, put right with what it said before, or let count again. */
export function PutRight({ reading, words, boxId }: { reading: Reading; words: string; boxId: string }) {
  const say = useSay()

  const edits = useEdits(boxId)
  const [asking, setAsking] = useState<'strike' | 'correct' | 'note' | null>(null)
  const [value, setValue] = useState<number | null>(reading.value)
  if (reading.struck !== null)
    return (
      <Button
        look="quiet"
        aria-label={say`Let it count again: ${words}`}
        onClick={() =>
          edits.send('correct a reading', [edits.change('readings', reading.id, { struck: null })])
        }
      >{say`Let it count again`}</Button>
    )
  if (asking === null)
    return (
      <span className="flex flex-wrap gap-x-1">
        {/* An answer was pressed with its figure, and what hands rely on is read again: neither is put right. */}
        {reading.answer === null && reading.purpose === 'identify' && (
          <Button
            look="quiet"
            aria-label={say`Correct: ${words}`}
            onClick={() => setAsking('correct')}
          >{say`Correct`}</Button>
        )}
        <Button
          look="quiet"
          aria-label={say`Strike out: ${words}`}
          onClick={() => setAsking('strike')}
        >{say`Strike out`}</Button>
        <Button
          look="quiet"
          aria-label={say`Note on: ${words}`}
          onClick={() => setAsking('note')}
        >{say`Note`}</Button>
      </span>
    )
  if (asking === 'note')
    return (
      <div className="flex w-full items-end gap-2">
        <div className="flex-1">
          <TextField
            label={say`Note on this reading`}
            value={reading.note}
            max={1000}
            onCommit={note =>
              edits.send('correct a reading', [edits.change('readings', reading.id, { note })])
            }
          />
        </div>
        <Button onClick={() => setAsking(null)}>{say`Back`}</Button>
      </div>
    )
  const unit = INSTRUMENT_UNITS[reading.instrument]
  return (
    <div className="flex w-full flex-col gap-2">
      {asking === 'correct' && (
        <NumberField
          label={say`It read`}
          unit={unit}
          value={value}
          min={0}
          max={100000}
          onCommit={setValue}
          live
        />
      )}
      <Reason
        says={asking === 'strike' ? say`Struck out` : say`Put right`}
        onBack={() => setAsking(null)}
        onReason={why => {
          const done =
            asking === 'strike'
              ? edits.send('strike out a reading', [edits.change('readings', reading.id, { struck: why })])
              : value !== null &&
                edits.send('correct a reading', [
                  edits.change('readings', reading.id, {
                    value,
                    corrected: say`was ${figure(reading.value, 2)} ${unit}: ${why}`,
                  }),
                ])
          if (done) setAsking(null)
        }}
      />
    </div>
  )
}
