'use client'

import { useDraggable, useDroppable } from '@dnd-kit/core'
import { useEffect, useRef, type KeyboardEvent, type ReactNode } from 'react'
import type { Floor, PlacedRoom } from '@/core/job/floors'
import { useSay } from '../words/use-say'
import { cellOf, columnsOf, FLOOR, type At } from './floor-grid'

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

const keyOf = ({ column, row }: At) => `${column} ${row}`

/** The floor with a place more on each side, to put rooms in. */
export function FloorToMove({
  floor,
  lifted,
  onLift,
  onPut,
  stepped,
  onStep,
}: {
  floor: Floor
  lifted: string | null
  onLift: (roomId: string | null) => void
  onPut: (roomId: string, to: At) => void
  /** Moved by an arrow key: it keeps the focus wherever it goes. */
  stepped: string | null
  onStep: (roomId: string, to: At) => void
}) {
  const isHere = floor.rooms.some(({ room }) => room.id === lifted)
  const cells = Array.from({ length: (floor.columns + 2) * (floor.rows + 2) }, (_, at) => ({
    column: (at % (floor.columns + 2)) - 1,
    row: Math.floor(at / (floor.columns + 2)) - 1,
  }))
  return (
    <div className={`auto-rows-[minmax(3.5rem,auto)] gap-1 ${FLOOR}`} style={columnsOf(floor.columns + 2)}>
      {cells.map(cell => {
        const placed = floor.rooms.find(({ column, row }) => column === cell.column && row === cell.row)
        return (
          <Cell
            key={keyOf(cell)}
            at={cell}
            floor={floor.name}
            onPress={isHere && !placed ? () => onPut(lifted!, cell) : undefined}
          >
            {placed && (
              <RoomToMove
                placed={placed}
                isLifted={placed.room.id === lifted}
                isStepped={placed.room.id === stepped}
                onPress={() => {
                  if (isHere && placed.room.id !== lifted) onPut(lifted!, cell)
                  else onLift(placed.room.id === lifted ? null : placed.room.id)
                }}
                onArrow={([across, down]) =>
                  onStep(placed.room.id, { column: cell.column + across, row: cell.row + down })
                }
              />
            )}
          </Cell>
        )
      })}
    </div>
  )
}

function Cell({
  at,
  floor,
  onPress,
  children,
}: {
  at: At
  floor: string
  onPress?: () => void
  children: ReactNode
}) {
  const say = useSay()

  const { setNodeRef, isOver } = useDroppable({ id: `${floor} ${keyOf(at)}`, data: { ...at } })
  const words = say`Column ${at.column + 1}, row ${at.row + 1}`
  return (
    <div
      ref={setNodeRef}
      style={cellOf(at, 1)}
      className={`min-w-0 rounded border-2 ${isOver ? 'border-plum bg-tint' : children ? 'border-transparent' : 'border-dashed border-rule'}`}
    >
      {children}
      {onPress && (
        <button
          aria-label={words}
          onClick={onPress}
          className="h-full min-h-11 w-full rounded hover:bg-tint"
        />
      )}
    </div>
  )
}

function RoomToMove({
  placed: { room },
  isLifted,
  isStepped,
  onPress,
  onArrow,
}: {
  placed: PlacedRoom
  isLifted: boolean
  isStepped: boolean
  onPress: () => void
  onArrow: (by: readonly [number, number]) => void
}) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: room.id })
  const button = useRef<HTMLButtonElement>(null)
  // In another cell it is another element.
  useEffect(() => {
    if (isStepped) button.current?.focus()
  }, [isStepped])
  const onKeyDown = (event: KeyboardEvent) => {
    const by = ARROWS[event.key]
    if (!by) return
    event.preventDefault()
    onArrow(by)
  }
  return (
    <button
      ref={element => {
        button.current = element
        setNodeRef(element)
      }}
      {...listeners}
      onKeyDown={onKeyDown}
      onClick={onPress}
      aria-pressed={isLifted}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
      className={`relative block h-full min-h-14 w-full touch-manipulation rounded border-[3px] border-ink bg-sheet px-1 text-xs leading-tight font-bold wrap-anywhere hyphens-auto sm:text-sm aria-pressed:border-plum aria-pressed:bg-plum aria-pressed:text-on-plum ${isDragging ? 'z-10' : ''}`}
    >
      {room.name}
    </button>
  )
}
