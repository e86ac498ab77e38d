'use client'

import { useState, type FormEvent } from 'react'
import { BLANK } from '@/core/model/blank-rows'
import { rowsOf, type JobRecord } from '@/core/model/record'
import { BOX_KINDS, ROOM_KINDS, type BoxKind, type RoomKind } from '@/core/model/vocabulary'
import { boxAdded, controlBoxAdded, MOST_GANGS } from '@/core/recording'
import { FIELD_LOOK } from '../primitives/field-look'
import { useEdits, useJob } from '../job/provider'
import { newId } from '../job/new-id'
import { Button } from '../primitives/button'
import { PickOne, SelectField, TextField } from '../primitives/fields'
import { Sheet } from '../primitives/sheet'
import { BOX_KIND_WORDS, ROOM_KIND_WORDS } from '../words'
import { useSay } from '../words/use-say'
import { goTo } from '../job/link'

interface AddProps {
  readonly onClose: () => void
}

/** Of the rooms that may be chosen: one that is not there yet. */
const ANOTHER = 'another'

/** A room of which nothing is said yet but that it comes after all others. */
const roomAfter = (record: JobRecord) => ({
  floor: '',
  kind: 'not-said' as const,
  position: Math.max(0, ...rowsOf(record, 'rooms').map(({ position }) => position)) + 1,
})

const INPUT = `${FIELD_LOOK} w-full py-2`

function RoomName({ value, onChange }: { value: string; onChange: (name: string) => void }) {
  const say = useSay()

  return (
    <label className="flex flex-col gap-1 text-sm font-semibold">
      {say`Name of the room`}
      <input
        autoFocus
        required
        maxLength={80}
        value={value}
        onChange={event => onChange(event.target.value)}
        className={INPUT}
      />
    </label>
  )
}

export function AddRoom({ onClose }: AddProps) {
  const say = useSay()

  const { record } = useJob()
  const edits = useEdits(null)
  const [name, setName] = useState('')
  const floors = [...new Set(rowsOf(record, 'rooms').map(room => room.floor))]
  const [floor, setFloor] = useState('')
  const [kind, setKind] = useState<RoomKind>('not-said')
  const add = (event: FormEvent) => {
    event.preventDefault()
    const done = edits.send('add a room', [
      edits.add('rooms', {
        ...BLANK.rooms,
        ...roomAfter(record),
        id: newId(),
        name: name.trim(),
        floor: floor.trim(),
        kind,
      }),
    ])
    if (!done) return
    setName('')
    onClose()
  }
  return (
    <Sheet title={say`Add a room`} open onClose={onClose}>
      <form onSubmit={add} className="flex flex-col gap-4">
        <RoomName value={name} onChange={setName} />
        <label className="flex flex-col gap-1 text-sm font-semibold">
          {say`Floor`}
          <input
            list="floors"
            maxLength={40}
            value={floor}
            onChange={event => setFloor(event.target.value)}
            className={INPUT}
          />
          <datalist id="floors">
            {floors.map(each => (
              <option key={each} value={each} />
            ))}
          </datalist>
        </label>
        <SelectField
          label={say`What it is for`}
          hint={say`House rules differ by it.`}
          value={kind}
          options={ROOM_KINDS.map(value => ({ value, words: say(ROOM_KIND_WORDS[value]) }))}
          onCommit={setKind}
        />
        <Button look="main" type="submit" disabled={name.trim() === ''}>{say`Add the room`}</Button>
      </form>
    </Sheet>
  )
}

/** A box of some kind; one for controls has a place for each gang, each its own control until it is told otherwise. */
export function AddBox({ onClose }: AddProps) {
  const say = useSay()

  const { record } = useJob()
  const edits = useEdits(null)
  const rooms = rowsOf(record, 'rooms')
  const [roomId, setRoomId] = useState('')
  const [newRoom, setNewRoom] = useState('')
  const [name, setName] = useState(say`By the door`)
  const [kind, setKind] = useState<BoxKind>('control')
  const [gangs, setGangs] = useState('1')
  const isNewRoom = rooms.length === 0 || roomId === ANOTHER
  const room = isNewRoom ? { id: newId(), name: newRoom.trim() } : (record.rooms[roomId] ?? rooms[0]!)
  const add = (event: FormEvent) => {
    event.preventDefault()
    const id = edits.newId()
    const box = { id, roomId: room.id, name: name.trim() }
    const done = edits.send('add a box', [
      ...(isNewRoom ? [edits.add('rooms', { ...BLANK.rooms, ...room, ...roomAfter(record) })] : []),
      ...(kind === 'control'
        ? controlBoxAdded(edits, record, { ...box, gangs: Number(gangs) }, room.name)
        : [boxAdded(edits, record, { ...box, kind, gangs: 0 })]),
    ])
    if (!done) return
    onClose()
    goTo(`/jobs/${record.job.id}/boxes/${id}/look`)
  }
  return (
    <Sheet title={say`Add a box`} open onClose={onClose}>
      <form onSubmit={add} className="flex flex-col gap-4">
        {rooms.length > 0 && (
          <SelectField
            label={say`Room`}
            value={isNewRoom ? ANOTHER : room.id}
            options={[
              ...rooms.map(each => ({ value: each.id, words: each.name })),
              { value: ANOTHER, words: say`Another room` },
            ]}
            onCommit={setRoomId}
          />
        )}
        {isNewRoom && <RoomName value={newRoom} onChange={setNewRoom} />}
        <TextField label={say`Where it is`} value={name} max={80} required live onCommit={setName} />
        <PickOne
          label={say`What is at it`}
          value={kind}
          options={BOX_KINDS.map(value => ({ value, words: say(BOX_KIND_WORDS[value]) }))}
          onCommit={setKind}
        />
        {kind === 'control' && (
          <PickOne
            label={say`Gangs`}
            value={gangs}
            options={Array.from({ length: MOST_GANGS }, (_, at) => String(at + 1)).map(value => ({
              value,
              words: value,
            }))}
            onCommit={setGangs}
          />
        )}
        <Button
          look="main"
          type="submit"
          disabled={room.name === '' || name.trim() === ''}
        >{say`Add the box and look`}</Button>
      </form>
    </Sheet>
  )
}
