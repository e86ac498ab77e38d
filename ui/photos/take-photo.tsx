'use client'

import { useState } from 'react'
import type { PhotoKind } from '@/core/model/vocabulary'
import { newId } from '../job/new-id'
import { useEdits, useJob } from '../job/provider'
import { Button } from '../primitives/button'
import { useSay } from '../words/use-say'

/** The camera, one press away; what could not be stored yet is kept and tried again. */
export function TakePhoto({
  boxId,
  kind,
  onTaken,
}: {
  boxId: string
  kind: PhotoKind
  onTaken?: () => void
}) {
  const say = useSay()

  const { record } = useJob()
  const edits = useEdits(boxId)
  const [waiting, setWaiting] = useState<File | null>(null)
  const [state, setState] = useState<'idle' | 'storing' | 'failed' | 'refused'>('idle')
  const store = async (file: File) => {
    setWaiting(file)
    setState('storing')
    const id = newId()
    const stored = await send(record.job.id, id, file)
    if (stored.kind !== 'stored') return setState(stored.kind)
    edits.send('add a photo', [edits.add('photos', { id, boxId, kind, ...stored.size, note: '' })])
    setWaiting(null)
    setState('idle')
    onTaken?.()
  }
  return (
    <>
      <label className="relative inline-flex min-h-12 cursor-pointer items-center justify-center self-start rounded-lg border-[1.5px] border-plum bg-plum px-5 font-semibold text-on-plum has-focus-visible:outline-3 has-focus-visible:outline-offset-2 has-focus-visible:outline-plum">
        {state === 'storing' ? say`Storing …` : say`Take a photo`}
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
            {say`The photo is not stored yet; it is kept here.`}
            <Button onClick={() => void store(waiting)}>{say`Try again`}</Button>
          </p>
        )}
        {state === 'refused' && (
          <p className="hazard px-3 py-1">{say`Not stored: JPEG, PNG or WebP of at most 15 MB.`}</p>
        )}
      </div>
    </>
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
