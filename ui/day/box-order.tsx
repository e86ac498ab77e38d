'use client'

import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core'
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { Button } from '../primitives/button'
import { useSay } from '../words/use-say'

interface Boxed {
  readonly id: string
  readonly name: string
}

interface Over {
  readonly active: { readonly id: string | number }
  readonly over: { readonly id: string | number } | null
}

/** The boxes of the day, to be dragged, or moved by keys and presses; each move is one edit. */
export function BoxOrder({
  boxes,
  onOrder,
}: {
  boxes: readonly Boxed[]
  onOrder: (boxIds: readonly string[]) => void
}) {
  const say = useSay()

  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  const ids = boxes.map(({ id }) => id)
  const move = (from: number, to: number) => {
    if (from !== to && to >= 0 && to < ids.length) onOrder(arrayMove(ids, from, to))
  }
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (over) move(ids.indexOf(String(active.id)), ids.indexOf(String(over.id)))
  }
  const name = (id: string | number | undefined) => boxes.find(box => box.id === id)?.name ?? ''
  const place = (id: string | number | undefined) =>
    say`place ${ids.indexOf(String(id)) + 1} of ${ids.length}`
  const accessibility = {
    screenReaderInstructions: {
      draggable: say`Space lifts a box, the arrow keys move it, Space puts it down, Escape lets it be.`,
    },
    announcements: {
      onDragStart: ({ active }: { active: { id: string | number } }) => say`${name(active.id)} is lifted.`,
      onDragOver: ({ active, over }: Over) =>
        over ? say`${name(active.id)} is at ${place(over.id)}.` : undefined,
      onDragEnd: ({ active, over }: Over) =>
        over ? say`${name(active.id)} is put down at ${place(over.id)}.` : say`${name(active.id)} stays.`,
      onDragCancel: ({ active }: Over) => say`${name(active.id)} stays.`,
    },
  }
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={onDragEnd}
      accessibility={accessibility}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ol aria-label={say`Order of the boxes`} className="mb-4 flex flex-col gap-1">
          {boxes.map((box, at) => (
            <Row key={box.id} box={box} at={at} last={at === boxes.length - 1} onMove={move} />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  )
}

function Row({
  box,
  at,
  last,
  onMove,
}: {
  box: Boxed
  at: number
  last: boolean
  onMove: (from: number, to: number) => void
}) {
  const say = useSay()

  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition } = useSortable({
    id: box.id,
  })
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Transform.toString(transform), transition: transition ?? undefined }}
      className="flex items-center gap-2 rounded-lg border border-rule bg-paper pr-1"
    >
      <button
        ref={setActivatorNodeRef}
        type="button"
        {...attributes}
        {...listeners}
        aria-label={say`Move ${box.name}`}
        className="flex min-h-11 min-w-11 cursor-grab touch-none items-center justify-center"
      >
        <svg viewBox="0 0 16 16" className="h-4 w-4" aria-hidden="true">
          <path d="M2 4h12M2 8h12M2 12h12" className="stroke-ink" strokeWidth="2" />
        </svg>
      </button>
      <span className="min-w-0 flex-1">{box.name}</span>
      <Button
        look="quiet"
        disabled={at === 0}
        aria-label={say`Earlier: ${box.name}`}
        onClick={() => onMove(at, at - 1)}
      >
        ↑
      </Button>
      <Button
        look="quiet"
        disabled={last}
        aria-label={say`Later: ${box.name}`}
        onClick={() => onMove(at, at + 1)}
      >
        ↓
      </Button>
    </li>
  )
}
