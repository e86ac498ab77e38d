'use client'

import { useId, useMemo, type KeyboardEvent } from 'react'
import {
  layoutBox,
  type BoxLayout,
  type DrawnCable,
  type DrawnDevice,
  type DrawnJoint,
  type DrawnStrand,
} from './layout'
import type { BoxPicture, PictureDevice } from './picture'

interface BoxDrawingProps {
  readonly picture: BoxPicture
  readonly selected?: string | null
  /** Called with the id of a strand; without it the drawing is only looked at. */
  readonly onSelect?: (id: string) => void
  /** Terminals can be chosen too where this is given. */
  readonly onTerminal?: (deviceId: string, terminalId: string) => void
}

/** The opened box: cables in, strands fanned in the insulation seen, joints, devices, tape flags. */
export function BoxDrawing({ picture, selected = null, onSelect, onTerminal }: BoxDrawingProps) {
  const layout = useMemo(() => layoutBox(picture), [picture])
  const { width, height, box } = layout
  const id = useId()
  return (
    <div className="overflow-x-auto" tabIndex={-1}>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        role="group"
        aria-labelledby={`${id}-title`}
        className="box-drawing mx-auto block h-auto w-full"
        style={{ minWidth: Math.min(width, 640) * 0.9, maxWidth: width * 1.45 }}
      >
        <title id={`${id}-title`}>{picture.title}</title>
        <defs>
          <pattern id={`${id}-earth`} width="10" height="10" patternUnits="userSpaceOnUse">
            <rect width="10" height="10" fill="var(--wire-green)" />
            <rect width="5" height="10" fill="var(--wire-yellow)" />
          </pattern>
        </defs>
        <rect
          x={box.x}
          y={box.y}
          width={box.width}
          height={box.height}
          rx={picture.metal ? 4 : 18}
          className="fill-box stroke-ink"
          strokeWidth={picture.metal ? 4 : 2}
        />
        {picture.metal && (
          <rect
            x={box.x + 6}
            y={box.y + 6}
            width={box.width - 12}
            height={box.height - 12}
            rx={2}
            fill="none"
            className="stroke-ink"
            strokeDasharray="2 6"
          />
        )}
        {layout.cables.map(cable => (
          <Sheath key={cable.cable.id} drawn={cable} edge={cable.top ? box.y : box.y + box.height} />
        ))}
        {layout.short.map(({ id: wire, path }) => (
          <ShortWire
            key={wire}
            layout={layout}
            picture={picture}
            id={wire}
            path={path}
            earth={`${id}-earth`}
          />
        ))}
        {layout.cables.flatMap(cable =>
          cable.strands.map(strand => (
            <Strand
              key={strand.strand.id}
              drawn={strand}
              earth={`${id}-earth`}
              selected={selected === strand.strand.id}
              onSelect={onSelect}
            />
          )),
        )}
        {layout.joints.map(joint => (
          <Joint key={joint.joint.id} drawn={joint} />
        ))}
        {layout.devices.map(device => (
          <Device key={device.device.id} drawn={device} onTerminal={onTerminal} />
        ))}
        {layout.cables.flatMap(cable =>
          cable.strands.map(strand => <Flag key={strand.strand.id} drawn={strand} />),
        )}
      </svg>
    </div>
  )
}

const stroke = (insulation: string, earth: string) =>
  insulation === 'green-yellow' ? `url(#${earth})` : `var(--wire-${insulation})`

function Sheath({ drawn, edge }: { drawn: DrawnCable; edge: number }) {
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
        x={x}
        y={top ? edge - 31 : edge + 40}
        textAnchor="middle"
        className="fill-ink text-[13px] font-semibold"
      >
        {cable.name}{' '}
        <tspan className="font-normal">
          {top ? '↑' : '↓'} {cable.goes}
        </tspan>
      </text>
    </g>
  )
}

function Strand({
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
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== 'Enter' && event.key !== ' ') return
    event.preventDefault()
    choose?.()
  }
  const interactive = choose
    ? { role: 'button', tabIndex: 0, 'aria-pressed': selected, onClick: choose, onKeyDown }
    : { role: 'img' }
  const way = down ? 1 : -1
  return (
    <g
      {...interactive}
      aria-label={strand.says}
      className={`strand ${choose ? 'cursor-pointer' : ''}`}
      data-strand={strand.id}
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
        stroke={stroke(strand.insulation, earth)}
        strokeWidth={6}
        strokeLinecap="round"
      />
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
          fill={stroke(strand.markedAs, earth)}
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
function Flag({ drawn }: { drawn: DrawnStrand }) {
  const { flag } = drawn.strand
  if (!flag) return null
  const width = flag.words.length * 6.9 + 14
  const { x, y } = drawn.flagAt
  return (
    <g aria-hidden="true" className={`flag flag-${flag.proof}`} pointerEvents="none">
      <path d={`M${x - 6} ${y - 10} h${width} l-5 10 l5 10 h-${width} z`} className="flag-shape" />
      <text x={x} y={y + 4.5} className="flag-text text-[13px] font-semibold">
        {flag.words}
      </text>
      {flag.proof === 'contradicted' && (
        <path
          d={`M${x - 6} ${y + 10} L${x + width - 11} ${y - 10}`}
          className="stroke-paper"
          strokeWidth={2.5}
        />
      )}
    </g>
  )
}

function ShortWire({
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
        stroke={stroke(wire.insulation, earth)}
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

function Joint({ drawn }: { drawn: DrawnJoint }) {
  const { joint, at, width } = drawn
  const slots = Number(/(\d) slots/i.exec(joint.words)?.[1] ?? 0)
  return (
    <g role="img" aria-label={`Joint: ${joint.words}`}>
      {joint.kind === 'lever' ? (
        <>
          <rect
            x={at.x - width / 2}
            y={at.y - 15}
            width={width}
            height={30}
            rx={4}
            className="fill-joint stroke-ink"
            strokeWidth={1.5}
          />
          {Array.from({ length: slots }, (_, index) => (
            <rect
              key={index}
              x={at.x - width / 2 + 5 + (index * (width - 10)) / slots}
              y={at.y - 10}
              width={(width - 10) / slots - 3}
              height={12}
              rx={2}
              className="fill-paper stroke-ink"
              strokeWidth={1}
            />
          ))}
        </>
      ) : (
        <path
          d={`M${at.x - 24} ${at.y - 15} h48 l-7 30 h-34 z`}
          className="fill-joint stroke-ink"
          strokeWidth={1.5}
        />
      )}
      {joint.bareShows && (
        <path d={`M${at.x - 20} ${at.y - 17} h40`} stroke="var(--wire-bare)" strokeWidth={5} />
      )}
      <text x={at.x} y={at.y + 29} textAnchor="middle" className="drawing-word fill-ink text-[12px]">
        {joint.words.length > 13 ? joint.words.slice(0, 12) + '…' : joint.words}
      </text>
    </g>
  )
}

function Device({
  drawn,
  onTerminal,
}: {
  drawn: DrawnDevice
  onTerminal?: (deviceId: string, terminalId: string) => void
}) {
  const { device, x, y, width, height, lines } = drawn
  return (
    <g role="group" aria-label={`Gang ${device.gang}: ${device.name}`}>
      <rect
        x={x}
        y={y}
        width={width}
        height={height}
        rx={10}
        className="fill-device stroke-ink"
        strokeWidth={device.isNew ? 3 : 1.6}
      />
      {lines.map((text, index) => (
        <text
          key={text}
          x={x + width / 2}
          y={y + 19 + index * 16}
          textAnchor="middle"
          className="fill-ink text-[13px] font-semibold"
        >
          {text}
        </text>
      ))}
      {drawn.terminals.map(({ terminal, at }) => (
        <g
          key={terminal.id}
          {...(onTerminal
            ? {
                role: 'button',
                tabIndex: 0,
                className: 'cursor-pointer strand',
                onClick: () => onTerminal(device.id, terminal.id),
                onKeyDown: (event: KeyboardEvent) => {
                  if (event.key === 'Enter' || event.key === ' ') {
                    event.preventDefault()
                    onTerminal(device.id, terminal.id)
                  }
                },
              }
            : { role: 'img' })}
          aria-label={`Terminal ${terminal.word}${terminal.capped ? ', capped' : ''}`}
        >
          <TerminalShape
            joins={terminal.joins}
            x={at.x}
            y={at.y}
            capped={terminal.capped}
            side={terminal.side}
          />
          <text
            x={terminal.side === 'left' ? at.x + 12 : at.x - 12}
            y={at.y + 4}
            textAnchor={terminal.side === 'left' ? 'start' : 'end'}
            className="fill-ink text-[12px]"
          >
            {terminal.word.length > 20 ? terminal.word.slice(0, 19) + '…' : terminal.word}
          </text>
        </g>
      ))}
    </g>
  )
}

function TerminalShape({
  joins,
  x,
  y,
  capped,
  side,
}: {
  joins: PictureDevice['terminals'][number]['joins']
  x: number
  y: number
  capped: boolean
  side: 'left' | 'right'
}) {
  const out = side === 'left' ? -1 : 1
  switch (joins) {
    case 'screw':
      return (
        <>
          <circle cx={x} cy={y} r={8} className="fill-joint stroke-ink" strokeWidth={1.6} />
          <path d={`M${x - 5} ${y} h10`} className="stroke-ink" strokeWidth={1.6} />
        </>
      )
    case 'clamp':
      return (
        <rect
          x={x - 8}
          y={y - 7}
          width={16}
          height={14}
          rx={2}
          className="fill-joint stroke-ink"
          strokeWidth={1.6}
        />
      )
    case 'push-in':
      return <circle cx={x} cy={y} r={5} className="fill-ink" />
    case 'lead':
      return (
        <>
          <path d={`M${x} ${y} h${out * 12}`} className="stroke-ink" strokeWidth={5} strokeLinecap="round" />
          {capped && (
            <path
              d={`M${x + out * 10} ${y - 7} v14 l${out * 14} -3 v-8 z`}
              className="fill-joint stroke-ink"
              strokeWidth={1.5}
            />
          )}
        </>
      )
  }
}
