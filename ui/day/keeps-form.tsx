import { useState } from 'react'
import { rowsOf, type JobRecord } from '@/core/model/record'
import type { Keep } from '@/core/model/entities'
import { FIELD_LOOK } from '../primitives/field-look'
import { newId } from '../job/new-id'
import { useEdits } from '../job/provider'
import { Button } from '../primitives/button'
import { NumberField, SelectField } from '../primitives/fields'
import { FigureField } from '../primitives/figure-field'
import { Part } from '../primitives/titled-part'
import { useSay } from '../words/use-say'
import { RowContext } from '../primitives/row-context'

const SELECT = `${FIELD_LOOK} w-full min-w-0`

/** What people need while the work goes on. */
export function KeepsForm({ record }: { record: JobRecord }) {
  const say = useSay()

  const edits = useEdits(null)
  const rooms = rowsOf(record, 'rooms')
  const circuits = rowsOf(record, 'circuits')
  const [roomId, setRoomId] = useState('')
  const [circuitId, setCircuitId] = useState('')
  const add = (keep: Omit<Keep, 'id' | 'extra'>) =>
    edits.send('say what must stay on', [edits.add('keeps', { id: newId(), ...keep })])
  const change = (id: string, fields: Partial<Omit<Keep, 'id' | 'extra'>>) =>
    edits.send('say what must stay on', [edits.change('keeps', id, fields)])
  const says = (keep: Keep) =>
    keep.kind === 'lit-tonight'
      ? say`${record.rooms[keep.roomId ?? '']?.name ?? '?'} is lit tonight`
      : say`breaker ${record.circuits[keep.circuitId ?? '']?.breaker ?? '?'} off for ${keep.minutes} min at most`
  return (
    <Part title={say`What must be kept`}>
      <ul className="flex flex-col divide-y divide-rule">
        {rowsOf(record, 'keeps').map(keep => (
          <li key={keep.id} className="flex flex-wrap items-end justify-between gap-2 py-1">
            {keep.kind === 'lit-tonight' ? (
              <div className="min-w-32 flex-1">
                <SelectField
                  label={say`Is lit tonight`}
                  value={keep.roomId ?? ''}
                  options={rooms.map(({ id, name }) => ({ value: id, words: name }))}
                  onCommit={said => change(keep.id, { roomId: said })}
                />
              </div>
            ) : (
              <>
                <div className="min-w-32 flex-1">
                  <SelectField
                    label={say`Is off for a while only`}
                    value={keep.circuitId ?? ''}
                    options={circuits.map(({ id, breaker: number, label }) => ({
                      value: id,
                      words: `${number} ${label}`,
                    }))}
                    onCommit={said => change(keep.id, { circuitId: said })}
                  />
                </div>
                <div className="w-28">
                  <RowContext value={keep.id}>
                    <NumberField
                      label={say`At most`}
                      unit={say`min`}
                      value={keep.minutes}
                      min={5}
                      max={1440}
                      onCommit={minutes => change(keep.id, { minutes })}
                    />
                  </RowContext>
                </div>
              </>
            )}
            <Button
              look="quiet"
              aria-label={say`Remove: ${says(keep)}`}
              onClick={() => edits.send('say what must stay on', [edits.remove('keeps', keep.id)])}
            >{say`Remove`}</Button>
          </li>
        ))}
      </ul>
      <div className="flex flex-col gap-3" data-chrome>
        <div className="flex items-end gap-2">
          <label className="flex min-w-0 flex-1 flex-col gap-1 text-sm font-semibold">
            {say`Room that is lit tonight`}
            <select className={SELECT} value={roomId} onChange={event => setRoomId(event.target.value)}>
              <option value="">–</option>
              {rooms.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </label>
          <Button
            disabled={roomId === ''}
            aria-label={say`Add the room`}
            onClick={() => {
              add({ kind: 'lit-tonight', roomId, circuitId: null, minutes: null })
              setRoomId('')
            }}
          >{say`Add`}</Button>
        </div>
        <label className="flex min-w-0 flex-col gap-1 text-sm font-semibold">
          {say`Circuit that may be off for a while only`}
          <select className={SELECT} value={circuitId} onChange={event => setCircuitId(event.target.value)}>
            <option value="">–</option>
            {circuits.map(({ id, breaker: number, label }) => (
              <option key={id} value={id}>
                {number} {label}
              </option>
            ))}
          </select>
        </label>
        <FigureField
          label={say`Minutes at most`}
          most={1440}
          disabled={circuitId === ''}
          onRead={minutes => {
            add({ kind: 'off-at-most', roomId: null, circuitId, minutes: Math.max(5, minutes) })
            setCircuitId('')
          }}
        />
      </div>
    </Part>
  )
}
