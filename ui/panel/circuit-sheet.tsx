'use client'

import type { Breaker } from '@/core/model/entities'
import { PROTECTIONS, YES_NO_UNKNOWN } from '@/core/model/vocabulary'
import { sharersOf } from '@/core/panel'
import { useEdits, useJob } from '../job/provider'
import { Button } from '../primitives/button'
import { NumberField, PickOne, SelectField, TextField } from '../primitives/fields'
import { Sheet } from '../primitives/sheet'
import { plain } from '../words'

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
  const sharers = sharersOf(record, circuit)
  /** A pair is a pair from either side: what pointed here before points nowhere. */
  const share = (value: string) => {
    const other = value === 'none' ? null : value
    const freed = sharers.filter(
      ({ id, sharedNeutralWithId }) => sharedNeutralWithId === circuit.id && id !== other,
    )
    return edits.send('edit a circuit', [
      ...freed.map(({ id }) => edits.change('circuits', id, { sharedNeutralWithId: null })),
      ...(circuit.sharedNeutralWithId === other
        ? []
        : [edits.change('circuits', circuit.id, { sharedNeutralWithId: other })]),
    ])
  }
  return (
    <Sheet title={`Circuit ${circuit.breaker}`} open onClose={onClose}>
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
      <SelectField
        label="Shares its neutral with"
        value={sharers[0]?.id ?? 'none'}
        options={[
          { value: 'none', words: 'None' },
          ...others
            .filter(each => each.id !== circuit.id)
            .map(each => ({ value: each.id, words: `${each.breaker}: ${each.label}` })),
        ]}
        onCommit={share}
      />
      <TextField label="Note" value={circuit.note} max={1000} multiline onCommit={note => change({ note })} />
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
