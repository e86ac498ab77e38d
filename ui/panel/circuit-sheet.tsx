'use client'

import { useState } from 'react'
import type { Breaker } from '@/core/model/entities'
import { PROTECTIONS, YES_NO_UNKNOWN } from '@/core/model/vocabulary'
import { sharersOf, thrownWith, type Tie } from '@/core/model/ties'
import { circuitsTied } from '@/core/recording'
import { useEdits, useJob } from '../job/provider'
import { Button } from '../primitives/button'
import { CheckField, NumberField, PickOne, SelectField, TextField } from '../primitives/fields'
import { Folded } from '../primitives/folded'
import { Sheet } from '../primitives/sheet'
import { plain } from '../words'
import { Switching } from './switching'
import { useSay } from '../words/use-say'
import { CircuitTests } from '../certificate/circuit-tests'

/** One circuit: what its label says, whether that holds, its rating, protection and partner. */
export function CircuitSheet({
  circuit,
  others,
  onClose,
}: {
  circuit: Breaker
  others: readonly Breaker[]
  onClose: () => void
}) {
  const say = useSay()

  const edits = useEdits(null)
  const change = (fields: Parameters<typeof edits.change<'circuits'>>[2]) =>
    edits.send('edit a circuit', [edits.change('circuits', circuit.id, fields)])
  const { record } = useJob()
  const tie = (by: Tie, now: readonly Breaker[]) => ({
    others: others.filter(({ id }) => id !== circuit.id),
    tied: now.map(({ id }) => id),
    onTie: (ids: readonly string[]) =>
      edits.send('edit a circuit', circuitsTied(edits, record, by, [circuit.id, ...ids])),
  })
  return (
    <Sheet title={say`Circuit ${circuit.breaker}`} open onClose={onClose}>
      <Switching circuit={circuit} />
      <TextField
        label={say`Position in the panel`}
        value={circuit.breaker}
        max={12}
        required
        onCommit={breaker => change({ breaker })}
      />
      <TextField
        label={say`What its label says`}
        value={circuit.label}
        max={120}
        onCommit={label => change({ label })}
      />
      <PickOne
        label={say`Does the label hold?`}
        value={circuit.labelHolds}
        options={YES_NO_UNKNOWN.map(value => ({ value, words: say(plain(value)) }))}
        onCommit={labelHolds => change({ labelHolds })}
      />
      <NumberField
        label={say`Rating`}
        unit={say`A`}
        value={circuit.ratedAmps}
        min={1}
        max={200}
        onCommit={amps => amps && change({ ratedAmps: amps })}
      />
      <PickOne
        label={say`Poles`}
        value={String(circuit.poles)}
        options={['1', '2', '3'].map(value => ({ value, words: value }))}
        onCommit={poles => change({ poles: Number(poles) })}
      />
      <SelectField
        label={say`Protection`}
        value={circuit.protection}
        options={PROTECTIONS.map(value => ({ value, words: say(plain(value)) }))}
        onCommit={protection => change({ protection })}
      />
      <Ties says={say`One handle with`} {...tie('handleWithId', thrownWith(record, circuit))} />
      <Ties says={say`Shares its neutral with`} {...tie('sharedNeutralWithId', sharersOf(record, circuit))} />
      <Folded
        summary={<summary className="min-h-11 py-2 font-semibold">{say`Tests of the circuit`}</summary>}
      >
        <CircuitTests circuit={circuit} />
      </Folded>
      <TextField
        label={say`Note`}
        value={circuit.note}
        max={1000}
        multiline
        onCommit={note => change({ note })}
      />
      <Button
        onClick={() => {
          onClose()
          edits.send('remove a circuit', [edits.remove('circuits', circuit.id)])
        }}
      >{say`Remove this circuit`}</Button>
    </Sheet>
  )
}

/** Circuits that have something in common with one, to be ticked. */
function Ties({
  says,
  others,
  tied,
  onTie,
}: {
  says: string
  others: readonly Breaker[]
  tied: readonly string[]
  onTie: (ids: readonly string[]) => void
}) {
  const [isTied] = useState(tied.length > 0)
  const names = others.filter(({ id }) => tied.includes(id)).map(({ breaker }) => breaker)
  return (
    <Folded
      opened={isTied}
      summary={
        <summary className="min-h-11 py-2 font-semibold">
          {says} {names.length > 0 ? names.join(', ') : 'none'}
        </summary>
      }
    >
      <div role="group" aria-label={says}>
        {others.map(each => (
          <CheckField
            key={each.id}
            label={`${each.breaker}${each.label ? `: ${each.label}` : ''}`}
            value={tied.includes(each.id)}
            onCommit={ticked => onTie(ticked ? [...tied, each.id] : tied.filter(id => id !== each.id))}
          />
        ))}
      </div>
    </Folded>
  )
}
