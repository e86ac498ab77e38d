'use client'

import { DndContext, PointerSensor, TouchSensor, useSensor, useSensors } from '@dnd-kit/core'
import { useState, type CSSProperties } from 'react'
import { floorsOf, type PlacedRoom } from '@/core/job/floors'
import { rowsOf, rowsWith, type JobRecord } from '@/core/model/record'
import type { BoxProgress } from '@/core/plan'
import { roomPut } from '@/core/recording'
import { Link } from '../job/link'
import { useEdits } from '../job/provider'
import { StageMark } from '../primitives/marks'
import { STAGE_WORDS } from '../words'
import { useSay } from '../words/use-say'
import { CircuitLine } from './circuit-line'
import { cellOf, columnsOf, FLOOR, type At } from './floor-grid'
import { FloorToMove } from './floor-to-move'

/** The floors with their rooms as they lie, each box a mark with its stage and its circuit. */
export function HousePicture({
  record,
  progress,
  shows,
  moving,
}: {
  record: JobRecord
  progress: ReadonlyMap<string, BoxProgress>
  /** Rooms can be put elsewhere. */
  moving: boolean
  /** Whether a box is among those that are looked at. */
  shows: (boxId: string) => boolean
}) {
  const say = useSay()

  const edits = useEdits(null)
  const [lifted, setLifted] = useState<string | null>(null)
  const [stepped, setStepped] = useState<string | null>(null)
  const floors = floorsOf(record)
  const most = Math.max(...floors.map(({ columns }) => columns))
  const put = (roomId: string, to: At) => {
    const made = roomPut(edits, record, roomId, to)
    if (made.length > 0) edits.send('order the house', made)
  }
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 200, tolerance: 8 } }),
  )
  const circuits = rowsOf(record, 'circuits')
  return (
    <div className="mt-2 flex flex-wrap items-start gap-x-6 gap-y-4">
      {moving && (
        <p role="status" className="w-full text-sm" data-chrome>
          {lifted
            ? say`${record.rooms[lifted]?.name}: press where it lies, or move it with the arrow keys.`
            : say`Press a room, then where it lies; or drag it.`}
        </p>
      )}
      {floors.map(floor => (
        <section
          key={floor.name}
          aria-label={floor.name || say`Rooms`}
          style={shareOf(moving ? most : floor.columns, most)}
          className="min-w-0 basis-[calc(var(--share)*(100%+1.5rem)-1.5rem)]"
        >
          <h2 className="mb-1 text-base font-bold">{floor.name || say`Rooms`}</h2>
          {moving ? (
            <DndContext
              // The same ids on the server and here.
              id={floor.name}
              sensors={sensors}
              onDragEnd={({ active, over }) => {
                const to = over?.data.current as At | undefined
                if (to) put(String(active.id), to)
                setLifted(null)
              }}
            >
              <FloorToMove
                floor={floor}
                lifted={lifted}
                onLift={setLifted}
                onPut={(roomId, to) => {
                  put(roomId, to)
                  setLifted(null)
                }}
                stepped={stepped}
                onStep={(roomId, to) => {
                  setStepped(roomId)
                  put(roomId, to)
                }}
              />
            </DndContext>
          ) : (
            <ol className={`gap-1.5 ${FLOOR}`} style={columnsOf(floor.columns)}>
              {floor.rooms.map(placed => (
                <RoomOfPicture
                  key={placed.room.id}
                  placed={placed}
                  record={record}
                  progress={progress}
                  shows={shows}
                  circuits={circuits.map(({ id }) => id)}
                />
              ))}
            </ol>
          )}
        </section>
      ))}
      {circuits.length > 0 && (
        <ul aria-label={say`Circuits`} className="w-full flex flex-wrap gap-x-4 gap-y-1 text-sm">
          {circuits.map(({ id, breaker, label }, at) => (
            <li key={id} className="flex items-center gap-1.5">
              <CircuitLine at={at} />
              <strong>{breaker}</strong> {label}
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}

/** Every room of the house in one measure: floors stand beside each other where there is room. */
const shareOf = (columns: number, most: number) => ({ '--share': columns / most }) as CSSProperties

function RoomOfPicture({
  placed,
  record,
  progress,
  shows,
  circuits,
}: {
  placed: PlacedRoom
  record: JobRecord
  progress: ReadonlyMap<string, BoxProgress>
  shows: (boxId: string) => boolean
  circuits: readonly string[]
}) {
  const say = useSay()

  const { room, isSaid } = placed
  return (
    <li
      style={cellOf(placed)}
      className={`min-w-0 rounded border-[3px] bg-sheet p-1 ${isSaid ? 'border-ink' : 'border-dashed border-ink/50'}`}
    >
      <h3 className="px-1 text-sm leading-tight font-bold wrap-anywhere hyphens-auto">{room.name}</h3>
      <ul className="flex flex-wrap">
        {rowsWith(record, 'boxes', 'roomId', room.id).map(({ id, name }) => {
          const { next, stages } = progress.get(id)!
          const state = stages.find(each => each.stage === next?.stage)?.state ?? 'done'
          const fed = rowsWith(record, 'feeds', 'boxId', id).map(({ circuitId }) => circuitId)
          const stage = next ? say(STAGE_WORDS[next.stage].name) : say`Done`
          const breakers = fed.map(circuitId => record.circuits[circuitId]?.breaker ?? '?')
          return (
            <li key={id} className={shows(id) ? '' : 'opacity-30'}>
              <Link
                href={`/jobs/${record.job.id}/boxes/${id}/${next?.stage ?? 'prove'}`}
                title={name}
                aria-label={
                  fed.length > 0
                    ? say`${name}: ${stage}; breaker ${breakers.join(say` and `)}`
                    : say`${name}: ${stage}`
                }
                className="flex min-h-11 min-w-11 flex-col items-start justify-center rounded px-1 hover:bg-tint sm:px-2"
              >
                <span className="max-w-28 truncate text-sm font-semibold max-sm:hidden">{name}</span>
                <span className="flex items-center gap-1 text-xs sm:text-sm">
                  <StageMark size={16} state={state} />
                  {stage}
                </span>
                {fed.map((circuitId, at) => (
                  <span key={circuitId} className="flex items-center gap-1 text-xs leading-tight sm:text-sm">
                    <CircuitLine at={circuits.indexOf(circuitId)} />
                    {breakers[at]}
                  </span>
                ))}
              </Link>
            </li>
          )
        })}
      </ul>
    </li>
  )
}
