'use client'

import { useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { rowsWith } from '@/core/model/record'
import { PHOTO_KINDS, type PhotoKind } from '@/core/model/vocabulary'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { TakePhoto } from '../../photos/take-photo'
import { PickOne, SelectField, TextField } from '../../primitives/fields'
import { plain } from '../../words'
import { Part } from '../../primitives/titled-part'
import { useSay } from '../../words/use-say'
import { RowContext } from '../../primitives/row-context'

const KIND_WORDS: Readonly<Record<PhotoKind, string>> = {
  before: 'Before anything is moved',
  after: 'As it is left',
  detail: 'A detail',
}

/** Pictures of the box: one before anything is disconnected is asked for first. */
export function PhotosPart({ view }: { view: BoxView }) {
  const say = useSay()

  const { record, box } = view
  const edits = useEdits(box.id)
  const photos = rowsWith(record, 'photos', 'boxId', box.id)
  const hasBefore = photos.some(({ kind }) => kind === 'before')
  const [kind, setKind] = useState<PhotoKind | null>(null)
  const taken = kind ?? (hasBefore ? 'detail' : 'before')
  return (
    <Part title={hasBefore ? say`Photos` : say`Photos: none yet of how it was`}>
      {!hasBefore && (
        <p className="hazard px-3 py-1">{say`Take one before anything is disconnected: it cannot be taken afterwards.`}</p>
      )}
      <PickOne
        label={say`It shows the box`}
        value={taken}
        options={PHOTO_KINDS.map(value => ({ value, words: say(KIND_WORDS[value]) }))}
        onCommit={setKind}
      />
      <TakePhoto boxId={box.id} kind={taken} />
      {photos.length > 0 && (
        <ul className="grid grid-cols-[repeat(auto-fill,minmax(10rem,1fr))] gap-3">
          {photos.map(photo => (
            <li key={photo.id} className="flex flex-col gap-1 rounded-lg border border-rule p-2">
              <a
                href={`/api/jobs/${record.job.id}/photos/${photo.id}`}
                target="_blank"
                rel="noreferrer"
                aria-label={say`${say(KIND_WORDS[photo.kind])}: open the photo`}
              >
                {/* Made small and stored by us: nothing for an optimiser to do. */}
                {/* eslint-disable-next-line @next/next/no-img-element */}
                <img
                  src={`/api/jobs/${record.job.id}/photos/${photo.id}?size=small`}
                  width={photo.widthPixels}
                  height={photo.heightPixels}
                  alt={
                    photo.note ||
                    `${view.room.name}, ${box.name}: ${say(KIND_WORDS[photo.kind]).toLowerCase()}`
                  }
                  loading="lazy"
                  className="h-auto w-full rounded bg-box"
                />
              </a>
              <SelectField
                label={say`It shows the box`}
                value={photo.kind}
                options={PHOTO_KINDS.map(value => ({ value, words: say(KIND_WORDS[value]) }))}
                onCommit={shows =>
                  edits.send('edit a photo', [edits.change('photos', photo.id, { kind: shows })])
                }
              />
              <RowContext value={photo.id}>
                <TextField
                  label={say`What it shows`}
                  value={photo.note}
                  max={400}
                  onCommit={note => edits.send('edit a photo', [edits.change('photos', photo.id, { note })])}
                />
              </RowContext>
              <Button
                look="quiet"
                aria-label={say`Remove the photo: ${photo.note || say(plain(photo.kind))}`}
                onClick={() => edits.send('remove a photo', [edits.remove('photos', photo.id)])}
              >{say`Remove`}</Button>
            </li>
          ))}
        </ul>
      )}
    </Part>
  )
}
