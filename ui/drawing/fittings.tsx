'use client'

import { capital } from '@/core/words/capital'
import type { KeyboardEvent } from 'react'
import { nameLine, terminalLine, type Measures } from './measures'
import { wireColour } from './wire-colour'
import type { DrawnDevice, DrawnJoint } from './goals'
import type { PictureDevice } from './picture'
import { useSay } from '../words/use-say'

/** One conductor that goes on without a connector: all of its colour, with a ring where it lies in a loop. */
function GoesOn({ drawn: { joint, at }, earth }: { drawn: DrawnJoint; earth: string }) {
  const colour = wireColour(joint.insulation ?? 'grey', earth)
  if (joint.kind === 'loop')
    return (
      <>
        <circle cx={at.x + 6} cy={at.y} r={13} fill="none" className="strand-edge" strokeWidth={9} />
        <circle cx={at.x + 6} cy={at.y} r={13} fill="none" stroke={colour} strokeWidth={6} />
      </>
    )
  return (
    <rect
      x={at.x - 6}
      y={at.y - 16}
      width={24}
      height={32}
      rx={8}
      fill={colour}
      className="stroke-ink"
      strokeWidth={1.5}
    />
  )
}

export function Joint({
  drawn,
  earth,
  measures: { word },
}: {
  drawn: DrawnJoint
  earth: string
  measures: Measures
}) {
  const say = useSay()

  const { joint, at, width } = drawn
  const { slots = 0 } = joint
  return (
    <g role="img" aria-label={say`Joint: ${joint.words}`}>
      {joint.kind === 'through' || joint.kind === 'loop' ? (
        <GoesOn drawn={drawn} earth={earth} />
      ) : joint.kind === 'lever' ? (
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
          d={`M${at.x - width / 2 - 1} ${at.y - 14} h${width + 2} l-6 28 h${10 - width} z`}
          className="fill-joint stroke-ink"
          strokeWidth={1.5}
        />
      )}
      {joint.bareShows && (
        <path d={`M${at.x - 20} ${at.y - 17} h40`} stroke="var(--wire-bare)" strokeWidth={5} />
      )}
      {joint.label && (
        <text x={at.x} y={at.y + word * 0.35} textAnchor="middle" fontSize={word} className="fill-ink">
          {joint.label}
        </text>
      )}
    </g>
  )
}

export function Device({
  drawn,
  measures,
  onTerminal,
}: {
  drawn: DrawnDevice
  measures: Measures
  onTerminal?: (deviceId: string, terminalId: string) => void
}) {
  const say = useSay()

  const { device, x, y, width, height, lines } = drawn
  return (
    <g role="group" aria-label={`${capital(device.where)}: ${device.name}`}>
      <rect
        x={x}
        y={y}
        width={width}
        height={height}
        rx={10}
        className="fill-device stroke-ink"
        strokeWidth={device.isNew ? 3 : 1.6}
      />
      {device.isBlank &&
        [y + 40, y + height - 18].map(screw => (
          <g key={screw}>
            <circle cx={x + width / 2} cy={screw} r={6} className="fill-joint stroke-ink" strokeWidth={1.4} />
            <path d={`M${x + width / 2 - 4} ${screw} h8`} className="stroke-ink" strokeWidth={1.4} />
          </g>
        ))}
      {lines.map((text, index) => (
        <text
          key={text}
          x={x + width / 2}
          y={y + 6 + measures.word + index * nameLine(measures)}
          textAnchor="middle"
          fontSize={measures.word}
          className="fill-ink font-semibold"
        >
          {text}
        </text>
      ))}
      {drawn.terminals.map(({ terminal, lines: words, at }) => (
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
          aria-label={say`Terminal ${terminal.word}${terminal.capped ? say`, capped` : ''}`}
        >
          <TerminalShape
            joins={terminal.joins}
            x={at.x}
            y={at.y}
            capped={terminal.capped}
            side={terminal.side}
          />
          <TerminalWord lines={words} side={terminal.side} at={at} measures={measures} />
        </g>
      ))}
    </g>
  )
}

/** What its sheet calls a terminal, beside it: in two lines where it is long. */
function TerminalWord({
  lines,
  side,
  at,
  measures,
}: {
  lines: readonly string[]
  side: 'left' | 'right'
  at: { readonly x: number; readonly y: number }
  measures: Measures
}) {
  const x = side === 'left' ? at.x + 12 : at.x - 12
  return (
    <text textAnchor={side === 'left' ? 'start' : 'end'} fontSize={measures.word} className="fill-ink">
      {lines.map((line, index) => (
        <tspan
          key={line}
          x={x}
          y={at.y + measures.word * 0.35 + (index - (lines.length - 1) / 2) * terminalLine(measures)}
        >
          {line}
        </tspan>
      ))}
    </text>
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
