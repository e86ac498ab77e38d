import { useState, useSyncExternalStore } from 'react'
import { rowsOf, type JobRecord } from '@/core/model/record'
import { FIELD_LOOK } from '../primitives/field-look'
import { onWhoHasIt, saidWhoHasIt, whoHasIt } from '../job/device'
import { newId } from '../job/new-id'
import { useEdits } from '../job/provider'
import { Button } from '../primitives/button'
import { CheckField, PickOne, TextField } from '../primitives/fields'
import { Part } from '../primitives/titled-part'
import { useSay } from '../words/use-say'
import { RowContext } from '../primitives/row-context'

/** Who works here: who may read live, who stands at the panel. */
export function CrewForm({ record }: { record: JobRecord }) {
  const say = useSay()

  const edits = useEdits(null)
  const [name, setName] = useState('')
  const who = useSyncExternalStore(onWhoHasIt, whoHasIt, () => null)
  const add = () => {
    if (name.trim() === '') return
    edits.send('say who works', [
      edits.add('crew', { id: newId(), name: name.trim(), readsLive: true, atPanel: false }),
    ])
    setName('')
  }
  return (
    <Part title={say`Crew`}>
      <ul className="flex flex-col divide-y divide-rule">
        {rowsOf(record, 'crew').map(person => (
          <li key={person.id} className="py-2">
            <div className="flex items-center justify-between gap-2">
              <RowContext value={person.id}>
                <TextField
                  label={say`Name`}
                  value={person.name}
                  max={80}
                  required
                  onCommit={said =>
                    edits.send('say who works', [edits.change('crew', person.id, { name: said })])
                  }
                />
              </RowContext>
              <Button
                look="quiet"
                aria-label={say`Remove ${person.name}`}
                onClick={() => edits.send('say who works', [edits.remove('crew', person.id)])}
              >{say`Remove`}</Button>
            </div>
            <CheckField
              label={say`May take live readings`}
              value={person.readsLive}
              onCommit={readsLive =>
                edits.send('say who works', [edits.change('crew', person.id, { readsLive })])
              }
            />
            <CheckField
              label={say`Helps at the panel`}
              value={person.atPanel}
              onCommit={atPanel =>
                edits.send('say who works', [edits.change('crew', person.id, { atPanel })])
              }
            />
          </li>
        ))}
      </ul>
      {rowsOf(record, 'crew').length > 0 && (
        <PickOne
          label={say`This phone is with`}
          value={who}
          options={[
            ...rowsOf(record, 'crew').map(person => ({ value: person.name, words: person.name })),
            { value: '', words: say`Not said` },
          ]}
          hint={say`Kept with what is done on it: whoever finds it later knows whom to ask.`}
          onCommit={saidWhoHasIt}
        />
      )}
      <div className="flex items-end gap-2" data-chrome>
        <label className="flex min-w-0 flex-1 flex-col gap-1 text-sm font-semibold">
          {say`Somebody else`}
          <input
            value={name}
            maxLength={80}
            onChange={event => setName(event.target.value)}
            onKeyDown={event => event.key === 'Enter' && add()}
            className={`${FIELD_LOOK} w-full`}
          />
        </label>
        <Button disabled={name.trim() === ''} onClick={add}>{say`Add`}</Button>
      </div>
    </Part>
  )
}
