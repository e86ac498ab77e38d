'use client'

import { useId, useMemo, type KeyboardEvent } from 'react'
import { terminalPoint } from '@/core/model/circuit'
import type { Seen } from '@/core/trial'
import { BoxFittings, BoxWires, EarthPattern, Probe } from '../drawing/box-drawing'
import type { GroupLayout, PlacedBox } from './layout'
import { LampDrawing } from './lamp'
import { stateWords } from './state-words'
import { useSay } from '../words/use-say'

/** A point of metal counts as live from this share of nominal. */
const LIVE_FROM = 0.25

interface GroupDrawingProps {
  readonly layout: GroupLayout
  readonly seen: Seen
  readonly nominalVolts: number
  /** Points to show as the way of a fault. */
  readonly way: ReadonlySet<string>
  /** Points the tester is on, in the order they were touched. */
  readonly probes: readonly string[]
  /** Called with a point of metal; given only while a tester is in hand. */
  readonly onPoint?: (point: string) => void
  readonly onPlace: (deviceId: string) => void
  readonly onBreaker: (supplyId: string) => void
}

/** Panel, boxes side by side and lamps at the end; hatched is live, rays are light. */
export function GroupDrawing(props: GroupDrawingProps) {
  const say = useSay()

  const { layout, seen, nominalVolts, onBreaker } = props
  const earth = `${useId()}-earth`
  const isLive = (point: string) => (seen.volts[point] ?? 0) >= LIVE_FROM * nominalVolts
  return (
    <svg
      viewBox={`0 0 ${layout.width} ${layout.height}`}
      width={layout.width}
      height={layout.height}
      role="group"
      aria-label={say`Panel, boxes and lamps`}
      className="box-drawing group-drawing block"
    >
      <EarthPattern id={earth} />
      {layout.runs.map(run => (
        <g key={run.id}>
          <path d={run.path} fill="none" className="stroke-ink" strokeWidth={12} strokeLinejoin="round" />
          <path d={run.path} fill="none" className="stroke-sheath" strokeWidth={9} strokeLinejoin="round" />
          {run.ends.some(end => isLive(`end:${end}`)) && <path d={run.path} className="live" />}
        </g>
      ))}
      <PanelDrawing layout={layout} seen={seen} onBreaker={onBreaker} />
      {layout.boxes.map(box => (
        <BoxInGroup key={box.view.box.id} {...props} box={box} earth={earth} isLive={isLive} />
      ))}
      {layout.boxes.map(({ view, layout: own, at }) => (
        <text
          key={view.box.id}
          x={at.x + own.width / 2}
          y={19}
          textAnchor="middle"
          className="fill-ink text-[17px] font-bold"
          aria-hidden="true"
        >
          {view.room.name} <tspan className="font-normal">{view.box.name}</tspan>
        </text>
      ))}
      {layout.lamps.map(({ id, at }) => {
        const lamp = seen.lamps.find(each => each.id === id)
        return (
          lamp && (
            <LampDrawing
              key={id}
              name={id}
              at={at}
              light={lamp.light}
              share={lamp.share}
              fed={lamp.kind !== 'lamp'}
            />
          )
        )
      })}
    </svg>
  )
}

const pressed = (act: () => void) => ({
  role: 'button',
  tabIndex: 0,
  onClick: act,
  onKeyDown: (event: KeyboardEvent) => {
    if (event.key !== 'Enter' && event.key !== ' ') return
    event.preventDefault()
    act()
  },
})

function BoxInGroup({
  box: { view, picture, layout, at },
  seen,
  way,
  probes,
  earth,
  isLive,
  onPoint,
  onPlace,
}: GroupDrawingProps & { box: PlacedBox; earth: string; isLive: (point: string) => boolean }) {
  const say = useSay()

  const strands = layout.cables.flatMap(cable =>
    cable.strands.map(({ strand, path, tip }) => ({ point: `end:${strand.id}`, path, tip })),
  )
  const short = layout.short.flatMap(({ id, path }) => {
    const wire = picture.short.find(each => each.id === id)
    if (!wire || path === '') return []
    const point =
      wire.to === 'box' ? `bond:${view.box.id}` : terminalPoint(wire.to.deviceId, wire.to.terminalId)
    return [{ point, path }]
  })
  const terminals = layout.devices.flatMap(({ device, terminals: own }) =>
    own.map(({ terminal, at: place }) => ({ point: terminalPoint(device.id, terminal.id), at: place })),
  )
  const touched = (point: string) => probes.indexOf(point)
  const onEnd = useMemo(() => onPoint && ((id: string) => onPoint(`end:${id}`)), [onPoint])
  const onTerminal = useMemo(
    () => onPoint && ((deviceId: string, terminalId: string) => onPoint(terminalPoint(deviceId, terminalId))),
    [onPoint],
  )
  return (
    <g transform={`translate(${at.x} ${at.y})`} role="group" aria-label={picture.title}>
      <BoxWires picture={picture} layout={layout} earth={earth} inGroup onSelect={onEnd} />
      <g pointerEvents="none">
        {[...strands, ...short].map(({ point, path }) => (
          <g key={point + path}>
            {way.has(point) && <path d={path} className="way" />}
            {isLive(point) && <path d={path} className="live" data-live={point} />}
          </g>
        ))}
      </g>
      <BoxFittings layout={layout} earth={earth} onTerminal={onTerminal} />
      {terminals
        .filter(({ point }) => isLive(point))
        .map(({ point, at: place }) => (
          <circle key={point} cx={place.x} cy={place.y} r={13} className="live-ring" pointerEvents="none" />
        ))}
      {[...strands.map(({ point, tip }) => ({ point, at: tip })), ...terminals]
        .filter(({ point }) => touched(point) >= 0)
        .map(({ point, at: place }) => (
          <Probe key={`probe ${point}`} at={place} number={touched(point) + 1} />
        ))}
      {layout.devices.map(({ device, x, y, width }) => {
        const words = stateWords(say, seen.state[device.id])
        if (words === '') return null
        return (
          <g
            key={device.id}
            {...pressed(() => onPlace(device.id))}
            className="strand cursor-pointer"
            aria-label={say`Work ${view.room.name}, ${view.box.name}${layout.devices.length > 1 ? `, ${device.where}` : ''}: now ${words}`}
            data-place={device.id}
          >
            <rect x={x + width / 2 - 56} y={y - 34} width={112} height={46} fill="transparent" />
            <rect
              x={x + width / 2 - 50}
              y={y - 28}
              width={100}
              height={34}
              rx={17}
              className="fill-plum stroke-paper"
              strokeWidth={2}
            />
            <text
              x={x + width / 2}
              y={y - 6}
              textAnchor="middle"
              className="fill-on-plum text-[14px] font-bold"
            >
              {words}
            </text>
          </g>
        )
      })}
    </g>
  )
}

function PanelDrawing({
  layout: { panel },
  seen,
  onBreaker,
}: Pick<GroupDrawingProps, 'layout' | 'seen' | 'onBreaker'>) {
  const say = useSay()
  const { breakers, at } = panel
  const half = (breakers.length * 62) / 2 + 8
  return (
    <g>
      <rect
        x={6}
        y={at.y - half}
        width={116}
        height={half * 2}
        rx={6}
        className="fill-box stroke-ink"
        strokeWidth={3}
      />
      {breakers.map(({ id, at: place }) => {
        const stands = seen.breakers.find(each => each.id === id)?.stands ?? 'off'
        return (
          <g
            key={id}
            {...pressed(() => onBreaker(id))}
            className="strand cursor-pointer"
            aria-label={`${id}: ${stands}`}
            data-breaker={id}
          >
            <rect
              x={place.x}
              y={place.y - 25}
              width={100}
              height={50}
              rx={6}
              className={`stroke-ink ${stands === 'on' ? 'fill-tint' : 'fill-sheet'}`}
              strokeWidth={2}
            />
            <rect
              x={place.x + (stands === 'on' ? 52 : 6)}
              y={place.y - 19}
              width={42}
              height={18}
              rx={4}
              className={stands === 'on' ? 'fill-ink' : 'fill-paper stroke-ink'}
              strokeWidth={1.5}
            />
            <text
              x={place.x + 50}
              y={place.y + 17}
              textAnchor="middle"
              className="fill-ink text-[13px] font-semibold"
            >
              {id.slice(id.indexOf(' ') + 1)} {say(stands)}
            </text>
          </g>
        )
      })}
    </g>
  )
}
