'use client'

import type { KeyboardEvent, MouseEvent } from 'react'
import type { BoxLayout, DrawnCable } from './layout'
import { flagHeight, type Measures } from './measures'
import type { DrawnStrand } from './paths'
import { nearestStrand } from './nearest-strand'
import type { BoxPicture } from './picture'
import { wireColour } from './wire-colour'

export function Sheath({
  drawn,
  edge,
  measures: { word },
  beside = false,
}: {
  drawn: DrawnCable
  measures: Measures
  edge: number
  /** Only its name, beside it: the cable is seen to go on from its mouth. */
  beside?: boolean
}) {
  const { cable, x, width, top } = drawn
  const outside = top ? edge - 26 : edge - 14
  return (
    <g>
      <rect
        x={x - width / 2}
        y={outside}
        width={width}
        height={40}
        rx={5}
        className="fill-sheath stroke-ink"
        strokeWidth={1.5}
        strokeDasharray={cable.cloth ? '3 3' : undefined}
      />
      <text
        x={beside ? x + width / 2 + 6 : x}
        y={beside ? (top ? edge - 14 : edge + 24) : top ? edge - 31 : edge + 28 + word}
        textAnchor={beside ? 'start' : 'middle'}
        fontSize={word}
        className="fill-ink font-semibold"
      >
        {cable.name}
        {!beside && (
          <tspan className="font-normal">
            {' '}
            {top ? '↑' : '↓'} {cable.goes}
          </tspan>
        )}
      </text>
    </g>
  )
}

export function Strand({
  drawn,
  earth,
  selected,
  onSelect,
}: {
  drawn: DrawnStrand
  earth: string
  selected: boolean
  onSelect?: (id: string) => void
}) {
  const { strand, path, tip, down } = drawn
  const choose = onSelect ? () => onSelect(strand.id) : undefined
  const tap = (event: MouseEvent<SVGElement>) => onSelect?.(nearestStrand(event) ?? strand.id)
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== 'Enter' && event.key !== ' ') return
    event.preventDefault()
    choose?.()
  }
  const interactive = choose
    ? { role: 'button', tabIndex: 0, 'aria-pressed': selected, onClick: tap, onKeyDown }
    : { role: 'img' }
  const way = down ? 1 : -1
  return (
    <g
      {...interactive}
      aria-label={strand.says}
      className={`strand ${choose ? 'cursor-pointer' : ''}`}
      data-strand={strand.id}
      data-selected={selected || undefined}
    >
      <path d={path} fill="none" stroke="transparent" strokeWidth={30} className="strand-touch" />
      {selected && (
        <path
          d={path}
          fill="none"
          className="stroke-plum"
          strokeWidth={16}
          strokeLinecap="round"
          opacity={0.45}
        />
      )}
      <path d={path} fill="none" className="strand-edge" strokeWidth={9} strokeLinecap="round" />
      <path
        d={path}
        fill="none"
        stroke={wireColour(strand.insulation, earth)}
        strokeWidth={6}
        strokeLinecap="round"
      />
      {strand.faded && (
        <path
          d={path}
          fill="none"
          className="stroke-sheath"
          strokeWidth={6}
          strokeDasharray="7 5 3 6"
          opacity={0.85}
        />
      )}
      {strand.changed && (
        <path
          d={path}
          fill="none"
          className="stroke-paper"
          strokeWidth={1.6}
          strokeDasharray="1 9"
          strokeLinecap="round"
        />
      )}
      {strand.markedAs && (
        <rect
          x={drawn.flagAt.x - 6}
          y={drawn.flagAt.y - way * 20 - 5}
          width={12}
          height={10}
          fill={wireColour(strand.markedAs, earth)}
          className="stroke-ink"
          strokeWidth={1.2}
        />
      )}
      {strand.to.kind === 'cap' && (
        <path
          d={`M${tip.x - 8} ${tip.y - way * 4} L${tip.x + 8} ${tip.y - way * 4} L${tip.x + 5} ${tip.y + way * 18} L${tip.x - 5} ${tip.y + way * 18} Z`}
          className="fill-joint stroke-ink"
          strokeWidth={1.5}
        />
      )}
      {strand.to.kind === 'loose' && (
        <path
          d={`M${tip.x} ${tip.y} v${way * 16}`}
          stroke="var(--wire-bare)"
          strokeWidth={4}
          className="loose-tip"
        />
      )}
    </g>
  )
}

/** Role as a tape flag: dotted is assumed, solid is indicated, filled is proven, crossed is contradicted. */
export function Flag({ drawn, measures }: { drawn: DrawnStrand; measures: Measures }) {
  const { flag } = drawn.strand
  if (!flag) return null
  const { flagWidth: width, flagWay: way } = drawn
  const { x, y } = drawn.flagAt
  const half = flagHeight(measures)
  return (
    <g aria-hidden="true" className={`flag flag-${flag.proof}`} pointerEvents="none">
      <path
        d={`M${x - way * 6} ${y - half} h${way * width} l${-way * 5} ${half} l${way * 5} ${half} h${-way * width} z`}
        className="flag-shape"
      />
      <text
        x={x}
        y={y + measures.word * 0.35}
        textAnchor={way === 1 ? 'start' : 'end'}
        fontSize={measures.word}
        className="flag-text font-semibold"
      >
        {flag.words}
      </text>
      {flag.proof === 'contradicted' && (
        <path
          d={`M${x - way * 6} ${y + half} L${x + way * (width - 11)} ${y - half}`}
          className="stroke-ink"
          strokeWidth={2.5}
        />
      )}
    </g>
  )
}

export function ShortWire({
  layout,
  picture,
  id,
  path,
  earth,
}: {
  layout: BoxLayout
  picture: BoxPicture
  id: string
  path: string
  earth: string
}) {
  const wire = picture.short.find(each => each.id === id)
  if (!wire || path === '') return null
  return (
    <g role="img" aria-label={wire.says}>
      <path d={path} fill="none" className="strand-edge" strokeWidth={8} strokeLinecap="round" />
      <path
        d={path}
        fill="none"
        stroke={wireColour(wire.insulation, earth)}
        strokeWidth={5}
        strokeLinecap="round"
      />
      {wire.to === 'box' && (
        <circle
          cx={layout.bond.x}
          cy={layout.bond.y}
          r={7}
          className="fill-joint stroke-ink"
          strokeWidth={1.5}
        />
      )}
    </g>
  )
}
