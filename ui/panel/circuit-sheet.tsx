'use client'

import type { Breaker } from '@/core/model/entities'
import { PROTECTIONS, YES_NO_UNKNOWN } from '@/core/model/vocabulary'
import { useEdits } from '../job/provider'
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
      <SelectField
        label="Protection"
        value={circuit.protection}
        options={PROTECTIONS.map(value => ({ value, words: plain(value) }))}
        onCommit={protection => change({ protection })}
      />
      <SelectField
        label="Shares its neutral with"
        value={circuit.sharedNeutralWithId ?? 'none'}
        options={[
          { value: 'none', words: 'None' },
          ...others
            .filter(each => each.id !== circuit.id)
            .map(each => ({ value: each.id, words: `${each.breaker}: ${each.label}` })),
        ]}
        onCommit={value => change({ sharedNeutralWithId: value === 'none' ? null : value })}
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
