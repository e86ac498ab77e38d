'use client'

import { useState } from 'react'
import type { Breaker } from '@/core/model/entities'
import { PROTECTIONS, YES_NO_UNKNOWN } from '@/core/model/vocabulary'
import { sharersOf } from '@/core/model/ties'
import { neutralShared } from '@/core/recording'
import { useEdits, useJob } from '../job/provider'
import { Button } from '../primitives/button'
import { CheckField, NumberField, PickOne, SelectField, TextField } from '../primitives/fields'
import { Folded } from '../primitives/folded'
import { Sheet } from '../primitives/sheet'
import { plain } from '../words'
import { Switching } from './switching'

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
  const edits = useEdits(null)
  const change = (fields: Parameters<typeof edits.change<'circuits'>>[2]) =>
    edits.send('edit a circuit', [edits.change('circuits', circuit.id, fields)])
  const { record } = useJob()
  const sharers = new Set(sharersOf(record, circuit).map(({ id }) => id))
  const [isSharing] = useState(sharers.size > 0)
  const share = (id: string, shares: boolean) => {
    const others = [...sharers].filter(each => each !== id)
    edits.send(
      'edit a circuit',
      neutralShared(edits, record, [circuit.id, ...others, ...(shares ? [id] : [])]),
    )
  }
  return (
    <Sheet title={`Circuit ${circuit.breaker}`} open onClose={onClose}>
      <Switching circuit={circuit} />
      <TextField
        label="Position in the panel"
        value={circuit.breaker}
        max={12}
        required
        onCommit={breaker => change({ breaker })}
      />
      <TextField
        label="What its label says"
        value={circuit.label}
        max={120}
        onCommit={label => change({ label })}
      />
      <PickOne
        label="Does the label hold?"
        value={circuit.labelHolds}
        options={YES_NO_UNKNOWN.map(value => ({ value, words: plain(value) }))}
        onCommit={labelHolds => change({ labelHolds })}
      />
      <NumberField
        label="Rating"
        unit="A"
        value={circuit.ratedAmps}
        min={1}
        max={200}
        onCommit={amps => amps && change({ ratedAmps: amps })}
      />
      <PickOne
        label="Poles thrown by its handle"
        value={String(circuit.poles)}
        options={['1', '2', '3'].map(value => ({ value, words: value }))}
        onCommit={poles => change({ poles: Number(poles) })}
      />
      <SelectField
        label="Protection"
        value={circuit.protection}
        options={PROTECTIONS.map(value => ({ value, words: plain(value) }))}
        onCommit={protection => change({ protection })}
      />
      <Folded
        opened={isSharing}
        summary={
          <summary className="min-h-11 py-2 font-semibold">
            Shares its neutral with {sharers.size > 0 ? sharers.size : 'none'}
          </summary>
        }
      >
        {others
          .filter(each => each.id !== circuit.id)
          .map(each => (
            <CheckField
              key={each.id}
              label={`${each.breaker}${each.label ? `: ${each.label}` : ''}`}
              value={sharers.has(each.id)}
              onCommit={shares => share(each.id, shares)}
            />
          ))}
      </Folded>
      <TextField
        label="Note"
        value={circuit.note}
        max={1000}
        multiline
        keep={`circuit/${circuit.id}`}
        onCommit={note => change({ note })}
      />
      <Button
        onClick={() => {
          onClose()
          edits.send('remove a circuit', [edits.remove('circuits', circuit.id)])
        }}
      >
        Remove this circuit
      </Button>
    </Sheet>
  )
}
