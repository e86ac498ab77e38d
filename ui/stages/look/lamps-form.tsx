'use client'

import { BLANK } from '@/core/model/blank-rows'
import type { Load, Row } from '@/core/model/entities'
import type { Region } from '@/core/model/regions'
import { LAMP_KINDS, YES_NO_UNKNOWN } from '@/core/model/vocabulary'
import type { Edits } from '../../job/provider'
import { Amperes, Dimmable, DimmedBy, Horsepower, Inrush, VoltAmperes, Watts } from '../../facts/load-facts'
import { Button } from '../../primitives/button'
import { CheckField, NumberField, PickOne, SelectField, TextField } from '../../primitives/fields'
import { LAMP_WORDS, plain } from '../../words'
import { useSay } from '../../words/use-say'
import { RowContext } from '../../primitives/row-context'

/** The lamps of a light: what hangs on its switched conductor. */
export function LampsForm({
  edits,
  region,
  group,
  loads,
}: {
  edits: Edits
  region: Region
  group: Row<'groups'>
  loads: readonly Load[]
}) {
  const say = useSay()

  return (
    <>
      {loads.map(load => (
        <RowContext key={load.id} value={load.id}>
          <LoadForm edits={edits} region={region} load={load} />
        </RowContext>
      ))}
      <Button
        onClick={() =>
          edits.send('add a load', [
            edits.add('loads', { ...BLANK.loads, id: edits.newId(), groupId: group.id, name: group.name }),
          ])
        }
      >
        {loads.length === 0 ? say`Add the lamps` : say`Add other lamps`}
      </Button>
    </>
  )
}

function LoadForm({ edits, load }: { edits: Edits; region: Region; load: Load }) {
  const say = useSay()

  const change = (fields: Partial<Omit<Load, 'id' | 'extra'>>) =>
    edits.send('edit a load', [edits.change('loads', load.id, fields)])
  const isMotor = load.kind === 'fan-motor'
  const isLamp = !isMotor && load.kind !== 'receptacle' && load.kind !== 'inductive'
  return (
    <div className="flex flex-col gap-3 rounded-lg border border-rule p-3">
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-[2fr_1fr_1fr]">
        <div className="col-span-2 sm:col-span-1">
          <SelectField
            label={say`Kind`}
            value={load.kind}
            options={LAMP_KINDS.map(value => ({
              value,
              words: value === 'receptacle' ? say`Receptacle, or half of one` : say(LAMP_WORDS[value]),
            }))}
            onCommit={kind => change({ kind })}
          />
        </div>
        <NumberField
          label={say`Count`}
          value={load.count}
          min={1}
          max={200}
          onCommit={count => count && change({ count: Math.round(count) })}
        />
        <Watts load={load} onChange={change} />
      </div>
      {isLamp && <Dimmable load={load} onChange={change} />}
      <details>
        <summary className="min-h-11 py-2 font-semibold">{say`More of its print`}</summary>
        <div className="flex flex-col gap-3">
          <TextField
            label={say`What they are called`}
            value={load.name}
            max={80}
            required
            onCommit={name => change({ name })}
          />
          <div className="grid grid-cols-2 gap-3">
            <Amperes load={load} onChange={change} />
            <VoltAmperes load={load} onChange={change} />
            <Inrush load={load} onChange={change} />
            {isMotor ? (
              <Horsepower load={load} onChange={change} />
            ) : (
              <NumberField
                label={say`Power factor`}
                value={load.powerFactor}
                min={0.1}
                max={1}
                nullable
                onCommit={powerFactor => change({ powerFactor })}
              />
            )}
            <DimmedBy load={load} onChange={change} />
          </div>
          <PickOne
            label={say`Metal luminaire, to be grounded`}
            value={load.metalLuminaire}
            options={YES_NO_UNKNOWN.map(value => ({ value, words: say(plain(value)) }))}
            onCommit={metalLuminaire => change({ metalLuminaire })}
          />
          <CheckField
            label={say`Often on for three hours or more`}
            value={load.longHours}
            onCommit={longHours => change({ longHours })}
          />
          <Button
            onClick={() => edits.send('remove a load', [edits.remove('loads', load.id)])}
          >{say`Remove these lamps`}</Button>
        </div>
      </details>
    </div>
  )
}
