import { useMemo, useRef, type KeyboardEvent, type PointerEvent } from 'react'
import { wedgesOf, type Aim, type Eyes } from '@/core/setup'
import type { Paper } from '../../rooms/paper'
import { useSay } from '../../words/use-say'

/** With an edge of its own: nothing shows between two wedges. */
const SEEN = 'fill-plum stroke-plum [stroke-width:1px] [vector-effect:non-scaling-stroke]'

/** What is seen of the floor: of who walks, and more closely of who moves a hand. */
export function Field({ eyes, aim, paper }: { eyes: Eyes; aim: Aim; paper: Paper }) {
  const walking = useMemo(() => wedgesOf(eyes, aim, 'walking').map(paper.path).join(''), [eyes, aim, paper])
  const small = useMemo(() => wedgesOf(eyes, aim, 'small').map(paper.path).join(''), [eyes, aim, paper])
  return (
    <g aria-hidden pointerEvents="none">
      <g opacity={0.22}>
        <path d={walking} className={SEEN} />
      </g>
      <g opacity={0.3}>
        <path d={small} className={SEEN} />
      </g>
    </g>
  )
}

/** Letters that a shutter’s handle stands away from its sensor. */
const LONG = 7

const SIDES = ['left', 'right'] as const
type Side = (typeof SIDES)[number]

/** The shutters, each by its edge of the field: dragged, or moved a mark by an arrow key. */
export function Shutters({
  eyes,
  aim,
  paper,
  onAim,
}: {
  eyes: Eyes
  aim: Aim
  paper: Paper
  onAim: (aim: Aim) => void
}) {
  const say = useSay()
  const dragging = useRef<Side | null>(null)
  const { sensor, from, axis } = eyes
  if (sensor.kind !== 'wall' || sensor.shutters.length < 2) return null
  const marks = [...sensor.shutters].sort((one, other) => one - other)
  const heading = (Math.atan2(axis.y, axis.x) * 180) / Math.PI
  const put = (side: Side, degrees: number) => {
    if (degrees !== aim[side]) onAim({ ...aim, [side]: degrees })
  }
  const drag = (side: Side) => (event: PointerEvent<SVGGElement>) => {
    if (dragging.current !== side) return
    const to = paper.pointAt(event.currentTarget.ownerSVGElement!, event.clientX, event.clientY)
    const off = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI - heading
    const turned = ((off + 540) % 360) - 180
    const open = side === 'left' ? turned : -turned
    const nearest = marks.reduce((best, each) =>
      Math.abs(each - open) < Math.abs(best - open) ? each : best,
    )
    put(side, nearest)
  }
  const key = (side: Side) => (event: KeyboardEvent) => {
    const out = side === 'left' ? 'ArrowLeft' : 'ArrowRight'
    const by =
      event.key === out || event.key === 'ArrowUp'
        ? 1
        : ['ArrowLeft', 'ArrowRight', 'ArrowDown'].includes(event.key)
          ? -1
          : 0
    if (by === 0) return
    event.preventDefault()
    put(side, marks[Math.max(0, Math.min(marks.length - 1, marks.indexOf(aim[side]) + by))]!)
  }
  return (
    <g>
      {SIDES.map(side => {
        const degrees = heading + (side === 'left' ? aim.left : -aim.right)
        const angle = (degrees * Math.PI) / 180
        const start = paper.at(from)
        const end = paper.within(from, { x: Math.cos(angle), y: Math.sin(angle) }, LONG)
        const at = marks.indexOf(aim[side])
        return (
          <g
            key={side}
            role="slider"
            tabIndex={0}
            aria-label={side === 'left' ? say`Left shutter` : say`Right shutter`}
            aria-valuemin={0}
            aria-valuemax={marks.length - 1}
            aria-valuenow={at}
            aria-valuetext={`${aim[side]}°`}
            className="cursor-grab touch-none outline-none focus-visible:[&_circle]:stroke-plum focus-visible:[&_circle]:[stroke-width:4px]"
            onPointerDown={event => {
              dragging.current = side
              event.currentTarget.setPointerCapture(event.pointerId)
              event.preventDefault()
            }}
            onPointerMove={drag(side)}
            onPointerUp={() => (dragging.current = null)}
            onPointerCancel={() => (dragging.current = null)}
            onKeyDown={key(side)}
          >
            <line
              x1={start.x}
              y1={start.y}
              x2={end.x}
              y2={end.y}
              className="stroke-ink [stroke-dasharray:8_3] [stroke-width:2px] [vector-effect:non-scaling-stroke]"
            />
            <circle cx={end.x} cy={end.y} r={paper.letter * 1.6} fill="transparent" stroke="none" />
            <circle
              cx={end.x}
              cy={end.y}
              r={paper.letter * 0.8}
              className="fill-sheet stroke-ink [stroke-width:2px] [vector-effect:non-scaling-stroke]"
            />
            <text
              x={end.x}
              y={end.y}
              fontSize={paper.letter * 0.85}
              textAnchor="middle"
              dominantBaseline="central"
              className="fill-ink font-bold"
            >
              {side === 'left' ? say`L` : say`R`}
            </text>
          </g>
        )
      })}
    </g>
  )
}
