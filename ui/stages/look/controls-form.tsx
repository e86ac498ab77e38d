'use client'

import { theControl } from '@/core/job/place-name'
import { capital } from '@/core/words/capital'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { rowsWith } from '@/core/model/record'
import { WANTS } from '@/core/model/vocabulary'
import { lightRenamed } from '@/core/recording'
import { useEdits } from '../../job/provider'
import { PickOne, TextField } from '../../primitives/fields'
import { Folded } from '../../primitives/folded'
import { WANT_WORDS } from '../../words'
import { Part } from '../../primitives/titled-part'
import { LampsForm } from './lamps-form'
import { LightOfPlace } from './light-of-place'
import { OldDevice } from './old-device'
import { useSay } from '../../words/use-say'
import { RowContext } from '../../primitives/row-context'
import { part } from '../../primitives/part'

const NeedsForm = part(() => import('../../needs/needs-form').then(module => module.NeedsForm))
const ThisGang = part(() => import('./this-gang').then(module => module.ThisGang))

/** What each gang controls: the old device, the lamps, and what is wanted there. */
export function ControlsForm({ view }: { view: BoxView }) {
  return view.places.map(place => (
    <RowContext key={place.place.id} value={place.place.id}>
      <ControlForm view={view} place={place} />
    </RowContext>
  ))
}

function ControlForm({ view, place }: { view: BoxView; place: PlaceView }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const wanted = rowsWith(view.record, 'needs', 'groupId', place.group.id).length
  return (
    <Part
      title={
        view.places.length > 1
          ? `${capital(theControl(view.record, place.place))}: ${place.group.name}`
          : place.group.name
      }
    >
      <TextField
        label={say`Controls`}
        value={place.group.name}
        max={80}
        required
        onCommit={name => edits.send('edit a load', lightRenamed(edits, view.record, place.group.id, name))}
      />
      <OldDevice view={view} place={place} />
      <LightOfPlace view={view} place={place} />
      {!place.isolates && (
        <>
          <PickOne
            label={say`Wanted here`}
            value={place.group.want ?? 'any'}
            options={[
              ...WANTS.map(value => ({ value, words: say(WANT_WORDS[value]) })),
              { value: 'any' as const, words: say`Not said` },
            ]}
            onCommit={want =>
              edits.send('edit a load', [
                edits.change('groups', place.group.id, { want: want === 'any' ? null : want }),
              ])
            }
          />
          <Folded
            summary={
              <summary className="min-h-11 py-2 font-semibold">{say`Also wanted${wanted > 0 ? `: ${wanted}` : ''}`}</summary>
            }
          >
            <NeedsForm record={view.record} groupId={place.group.id} boxId={view.box.id} />
          </Folded>
          <LampsForm edits={edits} region={view.region} group={place.group} loads={place.loads} />
        </>
      )}
      <Folded summary={<summary className="min-h-11 py-2 font-semibold">{say`This gang`}</summary>}>
        <ThisGang view={view} place={place.place} />
      </Folded>
    </Part>
  )
}
