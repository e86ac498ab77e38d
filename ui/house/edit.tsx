'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { Room } from '@/core/model/entities'
import { rowsOf, rowsWith } from '@/core/model/record'
import { regionOf } from '@/core/model/regions'
import { isRegionFree } from '@/core/job/integrity'
import { REGION_IDS, ROOM_KINDS } from '@/core/model/vocabulary'
import { movedInList } from '@/core/recording'
import { useEdits, useJob } from '../job/provider'
import { Button } from '../primitives/button'
import { SelectField, TextField } from '../primitives/fields'
import { Sheet } from '../primitives/sheet'
import { ROOM_KIND_WORDS } from '../words'
import { part } from '../primitives/part'
import { BackFeed } from './back-feed'
import { useSay } from '../words/use-say'
import { Link } from '../job/link'
import { LINK_LOOK } from '../primitives/link-look'

const WhereItStands = part(() => import('../site/where-it-stands').then(module => module.WhereItStands))

/** The house itself: whose it is, who works there; and taking the whole job away, asked twice. */
export function EditJob({ onClose }: { onClose: () => void }) {
  const say = useSay()

  const { record } = useJob()
  const edits = useEdits(null)
  const router = useRouter()
  const [asking, setAsking] = useState(false)
  const { job } = record
  const change = (fields: Parameters<typeof edits.changeJob>[0]) =>
    edits.send('edit the job', [edits.changeJob(fields)])
  const remove = async () => {
    const answer = await fetch(`/api/jobs/${job.id}`, { method: 'DELETE' })
    if (!answer.ok) return
    await import('../job/kept-job').then(({ forgetJob }) => forgetJob(job.id)).catch(() => undefined)
    router.push('/')
  }
  return (
    <Sheet title={say`The house`} open onClose={onClose}>
      <TextField label={say`Name`} value={job.name} max={120} required onCommit={name => change({ name })} />
      <SelectField
        label={say`Region`}
        hint={isRegionFree(record) ? undefined : say`It stays, now that things are recorded by its rules.`}
        value={job.regionId}
        options={REGION_IDS.filter(id => id === job.regionId || isRegionFree(record)).map(value => ({
          value,
          words: regionOf(value).name,
        }))}
        onCommit={regionId => {
          change({ regionId })
        }}
      />
      <TextField
        label={say`Address`}
        value={job.address}
        max={200}
        onCommit={address => change({ address })}
      />
      <TextField label={say`Owners`} value={job.owners} max={120} onCommit={owners => change({ owners })} />
      <TextField
        label={say`Electrician`}
        value={job.electrician}
        max={120}
        onCommit={electrician => change({ electrician })}
      />
      <TextField
        label={say`Apprentice`}
        value={job.apprentice}
        max={120}
        onCommit={apprentice => change({ apprentice })}
      />
      <BackFeed />
      <section className="flex flex-col gap-1">
        <h3 className="text-sm font-semibold">{say`Where it stands`}</h3>
        <WhereItStands />
      </section>
      <TextField
        label={say`Notes`}
        value={job.note}
        max={4000}
        multiline
        onCommit={note => change({ note })}
      />
      <div className="flex flex-wrap gap-2">
        <a href={`/api/jobs/${job.id}/file`} download className={LINK_LOOK}>{say`Take out the job file`}</a>
        {Object.keys(record.photos).length > 0 && (
          <a
            href={`/api/jobs/${job.id}/file?with=pictures`}
            download
            className={LINK_LOOK}
          >{say`Take it out with its photos`}</a>
        )}
      </div>
      {asking ? (
        <div className="hazard flex flex-wrap items-center gap-3 bg-sheet p-3">
          <p className="flex-1">{say`Everything recorded in this job goes, and does not come back.`}</p>
          <Button onClick={() => void remove()}>{say`Remove it all`}</Button>
          <Button onClick={() => setAsking(false)}>{say`Keep it`}</Button>
        </div>
      ) : (
        <Button onClick={() => setAsking(true)}>{say`Remove this job`}</Button>
      )}
    </Sheet>
  )
}

/** A room’s name and floor; removing it takes its boxes along, and undo brings them back. */
export function EditRoom({ room, onClose }: { room: Room; onClose: () => void }) {
  const say = useSay()

  const { record } = useJob()
  const edits = useEdits(null)
  const list = rowsWith(record, 'boxes', 'roomId', room.id)
  const boxes = list.length
  const rooms = rowsOf(record, 'rooms')
  const change = (fields: Parameters<typeof edits.change<'rooms'>>[2]) =>
    edits.send('edit a room', [edits.change('rooms', room.id, fields)])
  return (
    <Sheet title={room.name} open onClose={onClose}>
      <TextField
        label={say`Name of the room`}
        value={room.name}
        max={80}
        required
        onCommit={name => change({ name })}
      />
      <TextField label={say`Floor`} value={room.floor} max={40} onCommit={floor => change({ floor })} />
      <SelectField
        label={say`What it is for`}
        hint={say`House rules differ by it.`}
        value={room.kind}
        options={ROOM_KINDS.map(value => ({ value, words: say(ROOM_KIND_WORDS[value]) }))}
        onCommit={kind => change({ kind })}
      />
      <Link href={`/jobs/${record.job.id}/rooms/${room.id}`} className={LINK_LOOK}>
        {say`Its plan, for its sensors`}
      </Link>
      <InOrder
        name={room.name}
        at={rooms.findIndex(({ id }) => id === room.id)}
        of={rooms.length}
        onMove={by => edits.send('order the house', movedInList(edits, 'rooms', rooms, room.id, by))}
      />
      {boxes > 1 && (
        <ol className="flex flex-col divide-y divide-rule">
          {list.map((box, at) => (
            <li key={box.id} className="py-1">
              <InOrder
                name={box.name}
                at={at}
                of={boxes}
                onMove={by => edits.send('order the house', movedInList(edits, 'boxes', list, box.id, by))}
              />
            </li>
          ))}
        </ol>
      )}
      <Button
        onClick={() => {
          if (edits.send('remove a room', [edits.remove('rooms', room.id)])) onClose()
        }}
      >
        {boxes === 0
          ? say`Remove this room`
          : say.count(boxes, 'Remove this room and its # box', 'Remove this room and its # boxes')}
      </Button>
    </Sheet>
  )
}

/** One of a list, a step earlier or later. */
function InOrder({
  name,
  at,
  of,
  onMove,
}: {
  name: string
  at: number
  of: number
  onMove: (by: 1 | -1) => void
}) {
  const say = useSay()

  return (
    <div className="flex items-center justify-between gap-2">
      <span className="min-w-0 flex-1 truncate">
        {name} <span className="text-soft">{say`is ${at + 1} of ${of}`}</span>
      </span>
      <Button
        aria-label={say`${name} earlier`}
        disabled={at === 0}
        onClick={() => onMove(-1)}
      >{say`Earlier`}</Button>
      <Button
        aria-label={say`${name} later`}
        disabled={at === of - 1}
        onClick={() => onMove(1)}
      >{say`Later`}</Button>
    </div>
  )
}
