import { useEffect, useRef, useState } from 'react'
import { useSay } from '../words/use-say'
import type { GroupLayout } from './layout'

/** The smallest measure in which its words can be read. */
const LEGIBLE = 0.82
const MARGIN = 8

/** All of the drawing at once, as small as it must be, or one box of it in a measure that can be read. */
type Part = 'all' | number

/** Which part of the drawing of a group is brought into sight; at first the box one came from. */
export function usePart(layout: GroupLayout, boxId: string) {
  const frame = useRef<HTMLDivElement>(null)
  const here = layout.boxes.findIndex(({ view }) => view.box.id === boxId)
  const [at, setAt] = useState<Part>(here < 0 ? 'all' : here)
  useEffect(() => {
    const { current } = frame
    const box = at === 'all' ? undefined : layout.boxes[at]
    if (!box || !current) return
    const scale = current.scrollWidth / layout.width
    const free = current.clientWidth - box.layout.width * scale
    current.scrollLeft = box.at.x * scale - Math.max(MARGIN, free / 2)
  }, [layout, at])
  return { frame, at, go: setAt, minWidth: at === 'all' ? 0 : layout.width * LEGIBLE }
}

/** The way from box to box, and to all of them; where all of it is in sight anyway it only marks one. */
export function PartsOfDrawing({
  layout: { boxes },
  at,
  onGo,
}: {
  layout: GroupLayout
  at: Part
  onGo: (to: Part) => void
}) {
  const say = useSay()

  if (boxes.length < 2) return null
  const look = (isHere: boolean) =>
    `min-h-11 shrink-0 rounded-lg border-[1.5px] px-3 ${isHere ? 'border-plum bg-plum text-on-plum' : 'border-ink/50 bg-sheet'}`
  return (
    <div
      role="group"
      aria-label={say`What of it is in sight`}
      className="mt-3 flex gap-2 overflow-x-auto p-0.5 lg:hidden"
    >
      <button className={look(at === 'all')} aria-pressed={at === 'all'} onClick={() => onGo('all')}>
        {say`All boxes`}
      </button>
      {boxes.map(({ view: { box, room } }, index) => (
        <button
          key={box.id}
          className={look(at === index)}
          aria-pressed={at === index}
          onClick={() => onGo(index)}
        >
          {boxes.every(each => each.view.room.id === room.id) ? box.name : `${room.name}, ${box.name}`}
        </button>
      ))}
    </div>
  )
}
