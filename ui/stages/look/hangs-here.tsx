'use client'

import { isOwnLead, type BoxView } from '@/core/job/box-view'
import type { Row } from '@/core/model/entities'
import { rowsOf, rowsWith } from '@/core/model/record'
import { HANGING, hung, type Hanging } from '@/core/recording'
import { useState } from 'react'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { SelectField } from '../../primitives/fields'
import { PressOne } from '../../primitives/press-one'
import { Part } from '../../primitives/titled-part'
import { LampsForm } from './lamps-form'
import { useSay } from '../../words/use-say'

const HANGING_WORDS: Readonly<Record<Hanging, string>> = {
  luminaire: 'Luminaire',
  'switched-half': 'Receptacle, the switched half',
  'fed-half': 'Receptacle, the half that is always fed',
}

/** What hangs at a box without controls: its own wires, the light it belongs to, its lamps. */
export function HangsHere({ view }: { view: BoxView }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const { record, box } = view
  const lights = rowsOf(record, 'groups')
  const own = view.cables.filter(({ sheath }) => sheath === 'own-leads')
  const [kind, setKind] = useState<Hanging | null>(null)
  const hang = (said: Hanging, light: Row<'groups'> | null) => {
    const loads = light ? rowsWith(record, 'loads', 'groupId', light.id) : []
    const [only] = loads.length === 1 ? loads : []
    const done = edits.send(
      'record a luminaire',
      hung(edits, record, {
        boxId: box.id,
        kind: said,
        groupId: light?.id ?? null,
        loadId: only?.id ?? null,
      }),
    )
    if (done) setKind(null)
  }
  return (
    <Part title={say`What hangs here`}>
      {own.length === 0 && <p className="text-soft">{say`Nothing yet.`}</p>}
      {own.map(cable => {
        const lead = view.ends.find(each => each.cable.id === cable.id && each.end.roleGroupId !== null)
        const light = record.groups[lead?.end.roleGroupId ?? '']
        const names = view.ends.filter(each => each.cable.id === cable.id && isOwnLead(each))
        return (
          <div key={cable.id} className="flex flex-col gap-3 rounded-lg border border-rule p-3">
            <p className="font-semibold">
              {light ? light.name : say(HANGING_WORDS['fed-half'])}:{' '}
              {names.map(({ name }) => name).join(', ')}
            </p>
            {light && (
              <>
                <SelectField
                  label={say`Belongs to`}
                  value={light.id}
                  options={lights.map(({ id, name }) => ({ value: id, words: name }))}
                  onCommit={roleGroupId =>
                    lead && edits.send('set a role', [edits.change('ends', lead.end.id, { roleGroupId })])
                  }
                />
                <LampsForm
                  edits={edits}
                  region={view.region}
                  group={light}
                  loads={rowsWith(record, 'loads', 'groupId', light.id)}
                />
              </>
            )}
            <Button
              look="quiet"
              onClick={() => edits.send('remove a cable', [edits.remove('cables', cable.id)])}
            >{say`It does not hang here`}</Button>
          </div>
        )
      })}
      {box.kind !== 'junction' && (
        <PressOne
          label={say`Something hangs here`}
          options={HANGING.filter(each => (each === 'luminaire') === (box.kind === 'luminaire')).map(
            value => ({
              value,
              words: say(HANGING_WORDS[value]),
            }),
          )}
          onPress={said => (said === 'fed-half' ? hang(said, null) : setKind(said))}
        />
      )}
      {kind && (
        <PressOne
          label={say`Which light is it?`}
          options={lights.map(({ id, name }) => ({ value: id, words: name }))}
          onPress={id => hang(kind, record.groups[id]!)}
        />
      )}
      {kind && lights.length === 0 && (
        <p>{say`No light is recorded yet: add the box of its switch first.`}</p>
      )}
    </Part>
  )
}
