'use client'

import type { BoxView } from '@/core/job/box-view'
import type { Cable } from '@/core/model/entities'
import { rowsWith } from '@/core/model/record'
import { SHEATHS } from '@/core/model/vocabulary'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { Chip } from '../../primitives/chip'
import { PickOne, SelectField } from '../../primitives/fields'
import { plain } from '../../words'
import { LOOSE, strandEdits } from './new-cable'

/** One cable: where it leads, its sheath, and each conductor in it. */
export function CableBody({
  view,
  cable,
  onSelect,
}: {
  view: BoxView
  cable: Cable
  onSelect: (endId: string) => void
}) {
  const edits = useEdits(view.box.id)
  const change = (fields: Parameters<typeof edits.change<'cables'>>[2]) =>
    edits.send('edit a cable', [edits.change('cables', cable.id, fields)])
  const ends = view.ends.filter(each => each.cable.id === cable.id)
  return (
    <div className="flex flex-col gap-3 pb-3">
      <PickOne
        label="Leads to"
        value={cable.far}
        options={[
          { value: 'panel', words: plain(view.region.words.panel) },
          { value: 'luminaire', words: 'Luminaire' },
          { value: 'elsewhere', words: 'Elsewhere' },
          { value: 'not-known', words: 'Not known' },
        ]}
        onCommit={far => change({ far })}
      />
      <div className="grid grid-cols-2 gap-3">
        <SelectField
          label="Sheath"
          value={cable.sheath}
          options={SHEATHS.map(value => ({ value, words: plain(value) }))}
          onCommit={sheath => change({ sheath })}
        />
        <PickOne
          label="Comes in at the"
          value={cable.entry}
          options={[
            { value: 'top', words: 'Top' },
            { value: 'bottom', words: 'Bottom' },
          ]}
          onCommit={entry => change({ entry })}
        />
      </div>
      <div className="flex flex-wrap gap-2">
        {ends.map(each => (
          <Button key={each.end.id} onClick={() => onSelect(each.end.id)}>
            <Chip insulation={each.conductor.insulation} />
            {each.name}
          </Button>
        ))}
        <AddConductor view={view} cable={cable} />
        <Button onClick={() => edits.send('remove a cable', [edits.remove('cables', cable.id)])}>
          Remove cable {cable.name}
        </Button>
      </div>
    </div>
  )
}

function AddConductor({ view, cable }: { view: BoxView; cable: Cable }) {
  const edits = useEdits(view.box.id)
  const siblings = rowsWith(view.record, 'conductors', 'cableId', cable.id)
  const add = () => {
    const insulation = view.region.id === 'north-america-120' ? 'red' : 'grey'
    const gauge = siblings[0]?.gauge ?? view.region.usualGauge
    edits.send(
      'edit a cable',
      strandEdits(view, cable.id, { insulation, seat: LOOSE }, gauge, siblings.length),
    )
  }
  return <Button onClick={add}>Add a conductor</Button>
}
