'use client'

import { useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { rowsWith } from '@/core/model/record'
import { PHOTO_KINDS, type PhotoKind } from '@/core/model/vocabulary'
import { newId } from '../../job/new-id'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PickOne, TextField } from '../../primitives/fields'
import { plain } from '../../words'
import { NOW } from '../../job/new-reading'
import { Part } from '../stage-frame'

const KIND_WORDS: Readonly<Record<PhotoKind, string>> = {
  before: 'Before anything is moved',
  after: 'As it is left',
  detail: 'A detail',
}

/** Pictures of the box: one before anything is disconnected is asked for first. */
export function PhotosPart({ view }: { view: BoxView }) {
  const { record, box } = view
  const edits = useEdits(box.id)
  const photos = rowsWith(record, 'photos', 'boxId', box.id)
  const hasBefore = photos.some(({ kind }) => kind === 'before')
  const [kind, setKind] = useState<PhotoKind | null>(null)
  const [waiting, setWaiting] = useState<File | null>(null)
  const [state, setState] = useState<'idle' | 'storing' | 'failed' | 'refused'>('idle')
  const taken = kind ?? (hasBefore ? 'detail' : 'before')
  const store = async (file: File) => {
    setWaiting(file)
    setState('storing')
    const id = newId()
    const stored = await send(record.job.id, id, file)
    if (stored.kind !== 'stored') return setState(stored.kind)
    edits.send('add a photo', [
      edits.add('photos', { id, boxId: box.id, kind: taken, ...stored.size, note: '', seq: 0, at: NOW }),
    ])
    setWaiting(null)
    setState('idle')
  }
  return (
    <Part title={hasBefore ? 'Photos' : 'Photos: none yet of how it was'}>
      {!hasBefore && (
        <p className="hazard px-3 py-1">
          Take one before anything is disconnected: it cannot be taken afterwards.
        </p>
      )}
      <PickOne
        label="It shows the box"
        value={taken}
        options={PHOTO_KINDS.map(value => ({ value, words: KIND_WORDS[value] }))}
        onCommit={setKind}
      />
      <label className="relative inline-flex min-h-12 cursor-pointer items-center justify-center self-start rounded-lg border-[1.5px] border-plum bg-plum px-5 font-semibold text-on-plum has-focus-visible:outline-3 has-focus-visible:outline-offset-2 has-focus-visible:outline-plum">
        {state === 'storing' ? 'Storing …' : 'Take a photo'}
        <input
          type="file"
          accept="image/jpeg,image/png,image/webp"
          capture="environment"
          disabled={state === 'storing'}
          className="absolute inset-0 opacity-0"
          onChange={event => {
            const file = event.target.files?.[0]
            event.target.value = ''
            if (file) void store(file)
          }}
        />
      </label>
      <div role="status">
        {state === 'failed' && waiting && (
          <p className="hazard flex flex-wrap items-center gap-3 px-3 py-1">
            The photo is not stored yet; it is kept here.
            <Button onClick={() => void store(waiting)}>Try again</Button>
          </p>
        )}
        {state === 'refused' && (
          <p className="hazard px-3 py-1">Not stored: JPEG, PNG or WebP of at most 15 MB.</p>
        )}
      </div>
      {photos.length > 0 && (
        <ul className="grid grid-cols-[repeat(auto-fill,minmax(10rem,1fr))] gap-3">
          {photos.map(photo => (
            <li key={photo.id} className="flex flex-col gap-1 rounded-lg border border-rule p-2">
              <a
                href={`/api/jobs/${record.job.id}/photos/${photo.id}`}
                target="_blank"
                rel="noreferrer"
                aria-label={`${KIND_WORDS[photo.kind]}: open the photo`}
              >
                {/* Made small and stored by us: nothing for an optimiser to do. */}
                {/* eslint-disable-next-line @next/next/no-img-element */}
                <img
                  src={`/api/jobs/${record.job.id}/photos/${photo.id}?size=small`}
                  width={photo.widthPixels}
                  height={photo.heightPixels}
                  alt={
                    photo.note || `${view.room.name}, ${box.name}: ${KIND_WORDS[photo.kind].toLowerCase()}`
                  }
                  loading="lazy"
                  className="h-auto w-full rounded bg-box"
                />
              </a>
              <strong className="text-sm">{KIND_WORDS[photo.kind]}</strong>
              <TextField
                label="What it shows"
                value={photo.note}
                max={400}
                onCommit={note => edits.send('edit a photo', [edits.change('photos', photo.id, { note })])}
              />
              <Button
                look="quiet"
                aria-label={`Remove the photo: ${photo.note || plain(photo.kind)}`}
                onClick={() => edits.send('remove a photo', [edits.remove('photos', photo.id)])}
              >
                Remove
              </Button>
            </li>
          ))}
        </ul>
      )}
    </Part>
  )
}

type Sent =
  | {
      readonly kind: 'stored'
      readonly size: { readonly widthPixels: number; readonly heightPixels: number }
    }
  | { readonly kind: 'failed' | 'refused' }

async function send(jobId: string, id: string, file: File): Promise<Sent> {
  try {
    const answer = await fetch(`/api/jobs/${jobId}/photos/${id}`, { method: 'POST', body: file })
    if (answer.status === 201)
      return { kind: 'stored', size: (await answer.json()) as { widthPixels: number; heightPixels: number } }
    return { kind: answer.status === 413 || answer.status === 422 ? 'refused' : 'failed' }
  } catch {
    return { kind: 'failed' }
  }
}
