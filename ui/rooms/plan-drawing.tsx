'use client'

import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react'
import type { PlanOfRoom, Point } from '@/core/model/floor-plan'
import { lengthOf, movedTo, whereIs, type Thing } from '@/core/setup'
import { useSay } from '../words/use-say'
import { Dimensions, Floor, Openings, Things } from './plan-parts'
import type { Held } from './held'
import { sheetOf, type Paper } from './paper'
import type { Tape } from './use-room-plan'

const isSame = (one: Thing | null, other: Thing) => one?.kind === other.kind && one.at === other.at

/** So far an arrow key moves what is picked, in metres; with Shift the finest step. */
const STEP = 0.05
const FINE = 0.01
const ARROWS: Readonly<Record<string, Point>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: 1 },
  ArrowDown: { x: 0, y: -1 },
}

/** A room from above, to scale: every wall with its length, and whatever stands in it, moved by hand or by arrow keys. */
export function PlanDrawing({
  plan,
  tape,
  nameOf,
  picked = null,
  onPick,
  onMoved,
  onTakenOut,
  under,
  over,
  seen,
  tall = false,
}: {
  plan: PlanOfRoom
  tape: Tape
  /** What a thing is called. */
  nameOf: (thing: Thing) => string
  picked?: Thing | null
  onPick?: (thing: Thing | null) => void
  /** The plan after something was moved; absent where nothing can be. */
  onMoved?: (plan: PlanOfRoom) => void
  /** A thing is to go: by Delete. */
  onTakenOut?: (thing: Thing) => void
  /** Drawn on the floor, under what stands on it; and above all. */
  under?: (paper: Paper) => ReactNode
  over?: (paper: Paper) => ReactNode
  /** Of each opening and seat whether it is seen; absent where nobody looks. */
  seen?: { readonly doors: readonly (boolean | null)[]; readonly seats: readonly boolean[] }
  tall?: boolean
}) {
  const say = useSay()
  const svg = useRef<SVGSVGElement>(null)
  const [dragged, setDragged] = useState<PlanOfRoom | null>(null)
  const holding = useRef<{ thing: Thing; off: Point } | null>(null)
  const shown = dragged ?? plan
  // The paper stays while something is dragged over it.
  const paper = useMemo(() => sheetOf(plan), [plan])

  const pointAt = (event: PointerEvent): Point => paper.pointAt(svg.current!, event.clientX, event.clientY)
  const hold = (thing: Thing) => (event: PointerEvent) => {
    onPick?.(thing)
    const where = whereIs(shown, thing)
    if (!onMoved || !where) return
    const at = pointAt(event)
    holding.current = { thing, off: { x: where.x - at.x, y: where.y - at.y } }
    svg.current!.setPointerCapture(event.pointerId)
    event.preventDefault()
  }
  const drag = (event: PointerEvent) => {
    if (!holding.current) return
    const { thing, off } = holding.current
    const at = pointAt(event)
    setDragged(movedTo(plan, thing, snapped({ x: at.x + off.x, y: at.y + off.y })))
  }
  const drop = () => {
    holding.current = null
    if (dragged) onMoved?.(dragged)
    setDragged(null)
  }
  const keys = (thing: Thing) => (event: KeyboardEvent) => {
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault()
      onPick?.(thing)
    }
    if (event.key === 'Escape') onPick?.(null)
    if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault()
      onTakenOut?.(thing)
    }
    const way = ARROWS[event.key]
    const where = whereIs(plan, thing)
    if (!way || !where || !onMoved) return
    event.preventDefault()
    const step = event.shiftKey ? FINE : STEP
    onPick?.(thing)
    onMoved(movedTo(plan, thing, { x: where.x + way.x * step, y: where.y + way.y * step }))
  }
  const held = (thing: Thing): Held => ({
    name: nameOf(thing),
    isPicked: isSame(picked, thing),
    ...(onPick && { onPointerDown: hold(thing), onKeyDown: keys(thing), onFocus: () => onPick(thing) }),
  })
  return (
    <svg
      ref={svg}
      viewBox={paper.viewBox}
      role="group"
      aria-label={say`Plan of the room, from above`}
      onPointerMove={drag}
      onPointerUp={drop}
      onPointerCancel={drop}
      className={`room-drawing block w-full rounded-xl bg-sheet select-none ${onMoved ? 'touch-none' : 'touch-pan-y'} ${tall ? 'max-h-[70dvh]' : 'max-h-[42dvh] wide:max-h-[75dvh]'}`}
    >
      <Floor plan={shown} paper={paper} />
      {under?.(paper)}
      <Things plan={shown} paper={paper} held={held} seats={seen?.seats} tape={tape} />
      <Openings plan={shown} paper={paper} held={held} doors={seen?.doors} />
      <Dimensions plan={shown} paper={paper} wordsOf={wall => tape.words(lengthOf(shown, wall))} />
      {over?.(paper)}
    </svg>
  )
}

const snapped = ({ x, y }: Point): Point => ({
  x: Math.round(x / STEP) * STEP,
  y: Math.round(y / STEP) * STEP,
})
