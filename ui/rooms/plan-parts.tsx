import type { ReactNode } from 'react'
import type { Furniture, Opening, PlanOfRoom, Point } from '@/core/model/floor-plan'
import { cornersOf, gapOf, inwardOf, pointOfHanging, wallsOf, type Thing } from '@/core/setup'
import type { Paper } from './paper'
import type { Held } from './held'
import type { Tape } from './use-room-plan'

type HeldOf = (thing: Thing) => Held

/** Of a thing that can be picked: a button by its name, with the room that a thumb needs. */
function Pickable({ held, children }: { held: Held; children: ReactNode }) {
  const { name, isPicked, ...on } = held
  const isStill = !on.onPointerDown
  return (
    <g
      {...on}
      {...(isStill ? { role: 'img' } : { role: 'button', tabIndex: 0, 'aria-pressed': isPicked })}
      aria-label={name}
      className={
        isStill
          ? undefined
          : 'cursor-grab outline-none focus-visible:[&_.edge]:stroke-plum [&_.edge]:focus-visible:stroke-plum'
      }
    >
      {children}
    </g>
  )
}

const EDGE = 'edge stroke-ink [stroke-width:1.5px]'
const PICKED_EDGE = 'edge stroke-plum [stroke-width:3px]'
const edge = (isPicked: boolean) => (isPicked ? PICKED_EDGE : EDGE)

export function Floor({ plan, paper }: { plan: PlanOfRoom; paper: Paper }) {
  return (
    <g>
      {plan.openings.map(
        ({ passage }, index) =>
          passage && (
            <path
              key={index}
              d={paper.path(outlineOf(passage))}
              className="fill-paper stroke-soft [stroke-dasharray:6_4] [stroke-width:1.5px] [vector-effect:non-scaling-stroke]"
            />
          ),
      )}
      <path
        d={paper.path(plan.corners)}
        className="fill-lit stroke-ink dark:fill-paper"
        strokeWidth={paper.size(0.08)}
        strokeLinejoin="miter"
      />
    </g>
  )
}

/** Of a rectangle by its middle line. */
function outlineOf({ from, to, width }: NonNullable<Opening['passage']>): Point[] {
  const length = Math.hypot(to.x - from.x, to.y - from.y)
  const [x, y] = [((to.y - from.y) / length) * (width / 2), ((from.x - to.x) / length) * (width / 2)]
  return [
    { x: from.x + x, y: from.y + y },
    { x: to.x + x, y: to.y + y },
    { x: to.x - x, y: to.y - y },
    { x: from.x - x, y: from.y - y },
  ]
}

const THIN = '[vector-effect:non-scaling-stroke]'

export function Openings({
  plan,
  paper,
  held,
  doors,
}: {
  plan: PlanOfRoom
  paper: Paper
  held: HeldOf
  doors?: readonly (boolean | null)[]
}) {
  return (
    <g>
      {plan.openings.map((opening, at) => {
        if (!wallsOf(plan)[opening.wall]) return null
        const of = held({ kind: 'opening', at })
        const gap = gapOf(plan, opening)
        const [from, to] = [paper.at(gap.from), paper.at(gap.to)]
        const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 }
        const line = { x1: from.x, y1: from.y, x2: to.x, y2: to.y }
        const mark = doors?.[at]
        return (
          <Pickable key={at} held={of}>
            <line {...line} stroke="transparent" strokeWidth={paper.letter * 2.2} />
            <line {...line} className="stroke-sheet" strokeWidth={paper.size(0.1)} />
            {opening.kind === 'window' && (
              <line {...line} className={`${edge(of.isPicked)} ${THIN}`} strokeDasharray="2 3" />
            )}
            {opening.kind === 'door' && (
              <Leaf
                opening={opening}
                paper={paper}
                gap={gap}
                inward={inwardOf(plan, opening.wall)}
                isPicked={of.isPicked}
              />
            )}
            {opening.kind === 'bare' && (
              <g>
                <circle
                  cx={from.x}
                  cy={from.y}
                  r={paper.size(0.05)}
                  className={`fill-ink ${edge(of.isPicked)} ${THIN}`}
                />
                <circle
                  cx={to.x}
                  cy={to.y}
                  r={paper.size(0.05)}
                  className={`fill-ink ${edge(of.isPicked)} ${THIN}`}
                />
              </g>
            )}
            {mark !== undefined && mark !== null && <SeenMark {...middle} isSeen={mark} paper={paper} />}
          </Pickable>
        )
      })}
    </g>
  )
}

/** The leaf of a door as it usually stands, and the way it swings. */
function Leaf({
  opening,
  paper,
  gap,
  inward,
  isPicked,
}: {
  opening: Opening
  paper: Paper
  inward: Point
  gap: { readonly from: Point; readonly to: Point }
  isPicked: boolean
}) {
  const [hinge, free] = opening.hinge === 'start' ? [gap.from, gap.to] : [gap.to, gap.from]
  const [h, f] = [paper.at(hinge), paper.at(free)]
  if (opening.usually === 'shut')
    return <line x1={h.x} y1={h.y} x2={f.x} y2={f.y} className={`${edge(isPicked)} ${THIN}`} />
  const turn = opening.swings === 'in' ? opening.width : -opening.width
  const o = paper.at({ x: hinge.x + inward.x * turn, y: hinge.y + inward.y * turn })
  const radius = Math.hypot(f.x - h.x, f.y - h.y)
  const isClockwise = (f.x - h.x) * (o.y - h.y) - (f.y - h.y) * (o.x - h.x) > 0
  return (
    <g fill="none">
      <line x1={h.x} y1={h.y} x2={o.x} y2={o.y} className={`${edge(isPicked)} ${THIN}`} />
      <path
        d={`M${f.x} ${f.y}A${radius} ${radius} 0 0 ${isClockwise ? 1 : 0} ${o.x} ${o.y}`}
        className={`stroke-soft [stroke-dasharray:3_3] [stroke-width:1px] ${THIN}`}
      />
    </g>
  )
}

/** Seen or not by shape: a dot in a ring, or a ring struck through. */
function SeenMark({ x, y, isSeen, paper }: { x: number; y: number; isSeen: boolean; paper: Paper }) {
  const r = paper.letter * 0.5
  return (
    <g aria-hidden pointerEvents="none">
      <circle cx={x} cy={y} r={r} className={`fill-sheet stroke-ink [stroke-width:2px] ${THIN}`} />
      {isSeen ? (
        <circle cx={x} cy={y} r={r * 0.5} className="fill-ink" />
      ) : (
        <path
          d={`M${x - r * 0.7} ${y + r * 0.7}L${x + r * 0.7} ${y - r * 0.7}`}
          className={`stroke-ink [stroke-width:2px] ${THIN}`}
        />
      )}
    </g>
  )
}

/** Whether what is written on a piece has more room across than along. */
const isUpright = ({ width, depth, turned }: Furniture): boolean => {
  const across = Math.abs(Math.cos((turned * Math.PI) / 180)) > 0.7
  return across === width >= depth
}

export function Things({
  plan,
  paper,
  held,
  seats,
  tape,
}: {
  plan: PlanOfRoom
  paper: Paper
  held: HeldOf
  seats?: readonly boolean[]
  tape: Tape
}) {
  const r = paper.letter * 0.55
  return (
    <g>
      {plan.furniture.map((piece, at) => {
        const of = held({ kind: 'furniture', at })
        const middle = paper.at(piece.centre)
        return (
          <Pickable key={`f${at}`} held={of}>
            <path d={paper.path(cornersOf(piece))} className={`fill-box ${edge(of.isPicked)} ${THIN}`} />
            <text
              x={middle.x}
              y={middle.y}
              fontSize={paper.letter * 0.8}
              textAnchor="middle"
              dominantBaseline="central"
              transform={isUpright(piece) ? undefined : `rotate(-90 ${middle.x} ${middle.y})`}
              className="fill-ink"
            >{`↕ ${tape.words(piece.height)}`}</text>
          </Pickable>
        )
      })}
      {plan.heat.map((point, at) => {
        const of = held({ kind: 'heat', at })
        const { x, y } = paper.at(point)
        return (
          <Pickable key={`h${at}`} held={of}>
            <circle cx={x} cy={y} r={r * 1.4} fill="transparent" />
            <path
              d={[-0.7, 0, 0.7]
                .map(
                  each =>
                    `M${x + each * r} ${y + r}q${r * 0.5} ${-r * 0.5} 0 ${-r}q${-r * 0.5} ${-r * 0.5} 0 ${-r}`,
                )
                .join('')}
              fill="none"
              className={`${edge(of.isPicked)} ${THIN}`}
            />
          </Pickable>
        )
      })}
      {plan.seats.map(({ at: seat, asleep }, at) => {
        const of = held({ kind: 'seat', at })
        const { x, y } = paper.at(seat)
        return (
          <Pickable key={`s${at}`} held={of}>
            <circle cx={x} cy={y} r={r * 1.8} fill="transparent" />
            {asleep ? (
              <rect
                x={x - r * 1.2}
                y={y - r * 0.7}
                width={r * 2.4}
                height={r * 1.4}
                rx={r * 0.4}
                className={`fill-tint ${edge(of.isPicked)} ${THIN}`}
              />
            ) : (
              <circle cx={x} cy={y} r={r} className={`fill-tint ${edge(of.isPicked)} ${THIN}`} />
            )}
            {seats?.[at] !== undefined && <SeenMark x={x} y={y} isSeen={seats[at]} paper={paper} />}
          </Pickable>
        )
      })}
      {plan.hangings.map((hanging, at) => {
        const point = pointOfHanging(plan, hanging)
        if (!point) return null
        const of = held({ kind: 'hanging', at })
        const { x, y } = paper.at(point)
        return (
          <Pickable key={`b${at}`} held={of}>
            <circle cx={x} cy={y} r={r * 1.8} fill="transparent" />
            <rect
              x={x - r * 0.8}
              y={y - r * 0.8}
              width={r * 1.6}
              height={r * 1.6}
              className={`fill-plum ${edge(of.isPicked)} ${THIN}`}
            />
          </Pickable>
        )
      })}
      {plan.corners.map((corner, at) => {
        const of = held({ kind: 'corner', at })
        if (!of.onPointerDown) return null
        const { x, y } = paper.at(corner)
        return (
          <Pickable key={`c${at}`} held={of}>
            <circle cx={x} cy={y} r={r * 1.6} fill="transparent" />
            <rect
              x={x - r * 0.5}
              y={y - r * 0.5}
              width={r}
              height={r}
              className={`fill-sheet ${edge(of.isPicked)} ${THIN}`}
            />
          </Pickable>
        )
      })}
    </g>
  )
}

/** The length of every wall, outside it. */
export function Dimensions({
  plan,
  paper,
  wordsOf,
}: {
  plan: PlanOfRoom
  paper: Paper
  wordsOf: (wall: number) => string
}) {
  const walls = wallsOf(plan)
  const area = walls.reduce((sum, { from, to }) => sum + from.x * to.y - to.x * from.y, 0)
  return (
    <g aria-hidden pointerEvents="none">
      {walls.map(({ from, to }, wall) => {
        const length = Math.hypot(to.x - from.x, to.y - from.y)
        const out = area > 0 ? 1 : -1
        const off = (paper.letter / paper.size(1)) * 0.95
        const middle = {
          x: (from.x + to.x) / 2 + ((to.y - from.y) / length) * out * off,
          y: (from.y + to.y) / 2 - ((to.x - from.x) / length) * out * off,
        }
        const { x, y } = paper.at(middle)
        const degrees = (Math.atan2(-(to.y - from.y), to.x - from.x) * 180) / Math.PI
        const upright = degrees > 90 || degrees <= -90 ? degrees + 180 : degrees
        return (
          <text
            key={wall}
            x={x}
            y={y}
            fontSize={paper.letter}
            textAnchor="middle"
            dominantBaseline="central"
            transform={`rotate(${upright} ${x} ${y})`}
            className="fill-ink stroke-sheet tabular-nums [paint-order:stroke] [stroke-width:4px]"
          >
            {wordsOf(wall)}
          </text>
        )
      })}
    </g>
  )
}
