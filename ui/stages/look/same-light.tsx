'use client'

import { placeName } from '@/core/job/place-name'
import { useState } from 'react'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { rowsWith, type JobRecord } from '@/core/model/record'
import { lightsMerged, mayWork, placeWorks, type LampsOfBoth } from '@/core/recording'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PickOne, SelectField } from '../../primitives/fields'
import { Sheet } from '../../primitives/sheet'
import { useSay } from '../../words/use-say'
import { sayFor } from '@/core/model/say-for'

const SHOWN = 6

/** Where a light is worked from, in words. */
export const placesWords = (record: JobRecord, groupId: string): string => {
  const say = sayFor(record)
  return (
    rowsWith(record, 'places', 'groupId', groupId)
      .map(place => placeName(record, place))
      .join('; ') || say`no place yet`
  )
}

/** Which light a place works too; of two lights with lamps, whether those are the same ones. */
export function SameLight({
  view,
  place,
  onClose,
}: {
  view: BoxView
  place: PlaceView
  onClose: () => void
}) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const { record } = view
  const lights = mayWork(record, place.place.id)
  const [groupId, setGroupId] = useState<string | null>(null)
  const [whole, setWhole] = useState<'place' | 'light' | null>(null)
  const [lamps, setLamps] = useState<LampsOfBoth | null>(null)
  const light = record.groups[groupId ?? '']
  const several = place.placesInGroup > 1
  const own = place.loads
  const theirs = light ? rowsWith(record, 'loads', 'groupId', light.id) : []
  // The old light goes only with its last place, or when both are said to be one.
  const goes = !several || whole === 'light'
  const asksLamps = light !== undefined && goes && own.length > 0 && theirs.length > 0
  const open = !light || (several && whole === null) || (asksLamps && lamps === null)
  const join = () => {
    const said = lamps ?? 'the-same'
    const done = edits.send(
      'join lights',
      goes && several
        ? lightsMerged(edits, record, place.group.id, light!.id, said)
        : placeWorks(edits, record, place.place.id, light!.id, said),
    )
    if (done) onClose()
  }
  return (
    <Sheet
      title={say`${view.box.name} works the same light as`}
      open
      onClose={onClose}
      footer={<Button look="main" disabled={open} onClick={join}>{say`It is one light`}</Button>}
    >
      {lights.length === 0 && <p>{say`No other light is recorded yet.`}</p>}
      {lights.length > 0 && (
        <PickOne
          label={say`Which light?`}
          value={groupId}
          options={lights.slice(0, SHOWN).map(({ id, name }) => ({
            value: id,
            words: `${name} (${placesWords(record, id)})`,
          }))}
          onCommit={setGroupId}
        />
      )}
      {lights.length > SHOWN && (
        <SelectField
          label={say`Or another`}
          value={groupId !== null && lights.slice(SHOWN).some(({ id }) => id === groupId) ? groupId : ''}
          options={[
            { value: '', words: say`Choose` },
            ...lights.slice(SHOWN).map(({ id, name }) => ({ value: id, words: name })),
          ]}
          onCommit={id => id !== '' && setGroupId(id)}
        />
      )}
      {light && several && (
        <PickOne
          label={say`${place.group.name} is worked from ${place.placesInGroup} places`}
          value={whole}
          options={[
            { value: 'place', words: say`Only this place was taken for it` },
            { value: 'light', words: say`It is ${light.name}, from all of them` },
          ]}
          onCommit={setWhole}
        />
      )}
      {asksLamps && (
        <PickOne
          label={say`Both have lamps recorded`}
          value={lamps}
          options={[
            { value: 'the-same', words: say`The same ones: those of ${light.name} stay` },
            { value: 'as-well', words: say`All of them hang there` },
          ]}
          onCommit={setLamps}
        />
      )}
    </Sheet>
  )
}
