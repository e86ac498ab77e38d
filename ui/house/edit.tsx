'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { Room } from '@/core/model/entities'
import { rowsWith } from '@/core/model/record'
import { ROOM_KINDS } from '@/core/model/vocabulary'
import { useEdits, useJob } from '../job/provider'
import { Button } from '../primitives/button'
import { SelectField, TextField } from '../primitives/fields'
import { Sheet } from '../primitives/sheet'
import { ROOM_KIND_WORDS } from '../words'

/** The house itself: whose it is, who works there; and taking the whole job away, asked twice. */
export function EditJob({ onClose }: { onClose: () => void }) {
  const { record } = useJob()
  const edits = useEdits(null)
  const router = useRouter()
  const [asking, setAsking] = useState(false)
  const { job } = record
  const change = (fields: Parameters<typeof edits.changeJob>[0]) =>
    edits.send('edit the job', [edits.changeJob(fields)])
  const remove = async () => {
    const answer = await fetch(`/api/jobs/${job.id}`, { method: 'DELETE' })
    if (answer.ok) router.push('/')
  }
  return (
    <Sheet title="The house" open onClose={onClose}>
      <TextField label="Name" value={job.name} max={120} required onCommit={name => change({ name })} />
      <TextField label="Address" value={job.address} max={200} onCommit={address => change({ address })} />
      <TextField label="Owners" value={job.owners} max={120} onCommit={owners => change({ owners })} />
      <TextField
        label="Electrician"
        value={job.electrician}
        max={120}
        onCommit={electrician => change({ electrician })}
      />
      <TextField
        label="Apprentice"
        value={job.apprentice}
        max={120}
        onCommit={apprentice => change({ apprentice })}
      />
      <TextField label="Notes" value={job.note} max={4000} multiline onCommit={note => change({ note })} />
      {asking ? (
        <div className="hazard flex flex-wrap items-center gap-3 bg-sheet p-3">
          <p className="flex-1">Everything recorded in this job goes, and does not come back.</p>
          <Button onClick={() => void remove()}>Remove it all</Button>
          <Button onClick={() => setAsking(false)}>Keep it</Button>
        </div>
      ) : (
        <Button onClick={() => setAsking(true)}>Remove this job</Button>
      )}
    </Sheet>
  )
}

/** A room’s name and floor; removing it takes its boxes along, and undo brings them back. */
export function EditRoom({ room, onClose }: { room: Room; onClose: () => void }) {
  const { record } = useJob()
  const edits = useEdits(null)
  const boxes = rowsWith(record, 'boxes', 'roomId', room.id).length
  const change = (fields: Parameters<typeof edits.change<'rooms'>>[2]) =>
    edits.send('edit a room', [edits.change('rooms', room.id, fields)])
  return (
    <Sheet title={room.name} open onClose={onClose}>
      <TextField
        label="Name of the room"
        value={room.name}
        max={80}
        required
        onCommit={name => change({ name })}
      />
      <TextField label="Floor" value={room.floor} max={40} onCommit={floor => change({ floor })} />
      <SelectField
        label="What it is for"
        hint="House rules differ by it."
        value={room.kind}
        options={ROOM_KINDS.map(value => ({ value, words: ROOM_KIND_WORDS[value] }))}
        onCommit={kind => change({ kind })}
      />
      <Button
        onClick={() => {
          if (edits.send('remove a room', [edits.remove('rooms', room.id)])) onClose()
        }}
      >
        {boxes === 0 ? 'Remove this room' : `Remove this room and its ${boxes} box${boxes === 1 ? '' : 'es'}`}
      </Button>
    </Sheet>
  )
}
