'use client'

import { useState } from 'react'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { rowsOf } from '@/core/model/record'
import { BLANK } from '@/core/model/blank-rows'
import { boxAdded, placeWorks, roomNamed } from '@/core/recording'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { TextField } from '../../primitives/fields'
import { Part } from '../../primitives/titled-part'
import { boxNamed } from './far-words'
import { useSay } from '../../words/use-say'
import { part } from '../../primitives/part'

const SameLight = part(() => import('./same-light').then(module => module.SameLight))

/** An old two-place or middle switch never works alone: where its other is comes before anything is reckoned. */
export function OtherPlaces({
  view,
  looking,
  others,
}: {
  view: BoxView
  looking: readonly PlaceView[]
  /** Places of other boxes that look for their other switch as well. */
  others: readonly PlaceView[]
}) {
  return looking.map(place => (
    <OtherPlace
      key={place.place.id}
      view={view}
      place={place}
      others={others.filter(other => other.group.id !== place.group.id)}
    />
  ))
}

function OtherPlace({
  view,
  place,
  others,
}: {
  view: BoxView
  place: PlaceView
  others: readonly PlaceView[]
}) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const [asking, setAsking] = useState<'light' | 'box' | null>(null)
  const { record } = view
  const { group } = place
  const put = (everyPlace: 'yes' | 'no') =>
    edits.send('join lights', [edits.change('groups', group.id, { everyPlace })])
  return (
    <Part title={say`Where is the other switch of ${group.name}?`} next={`other-place-${group.id}`}>
      {group.everyPlace === 'no' && (
        <p role="status">{say`Not found yet. Nothing is worked out for this light before it is.`}</p>
      )}
      <div className="flex flex-wrap gap-2">
        {others.slice(0, 4).map(other => (
          <Button
            key={other.place.id}
            look="main"
            onClick={() =>
              edits.send(
                'join lights',
                // The other place comes to this light where only that one has lamps, this one to it otherwise.
                place.loads.length > 0 && other.loads.length === 0
                  ? placeWorks(edits, record, other.place.id, group.id, 'the-same')
                  : placeWorks(edits, record, place.place.id, other.group.id, 'the-same'),
              )
            }
          >
            {boxNamed(record, record.boxes[other.place.boxId]!)}
          </Button>
        ))}
        <Button onClick={() => setAsking('light')}>{say`At another recorded place`}</Button>
        <Button
          aria-expanded={asking === 'box'}
          onClick={() => setAsking('box')}
        >{say`In a box not recorded yet`}</Button>
        {group.everyPlace !== 'no' && <Button onClick={() => put('no')}>{say`Not found yet`}</Button>}
        <Button onClick={() => put('yes')}>{say`There is none: it works alone`}</Button>
      </div>
      {asking === 'light' && <SameLight view={view} place={place} onClose={() => setAsking(null)} />}
      {asking === 'box' && <NewBox view={view} place={place} onDone={() => setAsking(null)} />}
    </Part>
  )
}

/** A box for the other switch, by its room and name; it works the same light from the start. */
function NewBox({ view, place, onDone }: { view: BoxView; place: PlaceView; onDone: () => void }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const [room, setRoom] = useState(view.room.name)
  const [name, setName] = useState('')
  const add = () => {
    const boxId = edits.newId()
    const into = roomNamed(edits, view.record, room, view.room.floor)
    const done = edits.send('add a box', [
      ...into.edits,
      boxAdded(edits, view.record, { id: boxId, roomId: into.id, name: name.trim(), gangs: 1 }),
      edits.add('places', { ...BLANK.places, id: edits.newId(), boxId, gang: 1, groupId: place.group.id }),
    ])
    if (done) onDone()
  }
  return (
    <div className="grid grid-cols-2 items-end gap-3 rounded-lg border border-rule p-3">
      <TextField
        label={say`Room`}
        value={room}
        max={80}
        required
        suggestions={rowsOf(view.record, 'rooms').map(each => each.name)}
        onCommit={setRoom}
        live
      />
      <TextField label={say`Where it is`} value={name} max={80} required onCommit={setName} live />
      <Button
        look="main"
        className="col-span-2"
        disabled={room.trim() === '' || name.trim() === ''}
        onClick={add}
      >{say`Add it to this light`}</Button>
    </div>
  )
}
