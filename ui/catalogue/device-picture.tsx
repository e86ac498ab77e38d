import type { DeviceModel, Terminal } from '@/core/model/device'
import { useSay } from '../words/use-say'

const GANG_MILLIMETRES = 46
const SCALE = 2.4
const HEIGHT = 105 * SCALE
const MARGIN = 10

/** A device from its data: its face in the plate, and its back with every terminal by name. To scale in width and depth. */
export function DevicePicture({ device }: { device: DeviceModel }) {
  const say = useSay()

  const width = device.size.gangs * GANG_MILLIMETRES * SCALE
  const depth = Math.max(8, device.size.depthMillimetres) * SCALE
  const backWidth = Math.max(width, 250)
  const total = width + depth + backWidth + 4 * MARGIN + 120
  return (
    <svg
      viewBox={`0 0 ${total} ${HEIGHT + 42}`}
      role="img"
      aria-label={say.count(
        device.terminals.length,
        '{0}: face, {1} mm deep, and # terminal',
        '{0}: face, {1} mm deep, and # terminals',
        device.name,
        device.size.depthMillimetres,
      )}
      className="mx-auto block h-auto w-full max-w-2xl shrink-0"
    >
      <g transform={`translate(${MARGIN} 8)`}>
        <Face device={device} width={width} />
      </g>
      <g transform={`translate(${width + 2 * MARGIN} 8)`}>
        <rect
          x="0"
          y={HEIGHT * 0.1}
          width="6"
          height={HEIGHT * 0.8}
          className="fill-joint stroke-ink"
          strokeWidth="1.5"
        />
        <rect
          x="6"
          y={HEIGHT * 0.22}
          width={depth}
          height={HEIGHT * 0.56}
          rx="4"
          className="fill-sheet stroke-ink"
          strokeWidth="2"
        />
        <path d={`M6 ${HEIGHT * 0.86} h${depth}`} className="stroke-ink" strokeWidth="1.2" />
        <path
          d={`M6 ${HEIGHT * 0.84} v10 M${depth + 6} ${HEIGHT * 0.84} v10`}
          className="stroke-ink"
          strokeWidth="1.2"
        />
        <text
          x={6 + depth / 2}
          y={HEIGHT * 0.95}
          textAnchor="middle"
          className="fill-ink text-[13px]"
        >{say`${device.size.depthMillimetres} mm`}</text>
      </g>
      <g transform={`translate(${width + depth + 3 * MARGIN + 60} 8)`}>
        <Back terminals={device.terminals} width={backWidth - 60} />
      </g>
      {[say`Face`, say`Side`, say`Back`].map((word, at) => (
        <text
          key={word}
          x={
            [
              MARGIN + width / 2,
              width + 2 * MARGIN + depth / 2,
              width + depth + 3 * MARGIN + 60 + (backWidth - 60) / 2,
            ][at]
          }
          y={HEIGHT + 34}
          textAnchor="middle"
          className="fill-soft text-[13px]"
        >
          {word}
        </text>
      ))}
    </svg>
  )
}

/** Its face alone, small. */
export function DeviceFace({ device }: { device: DeviceModel }) {
  const width = device.size.gangs * GANG_MILLIMETRES * SCALE
  return (
    <svg
      viewBox={`-2 -2 ${width + 4} ${HEIGHT + 4}`}
      aria-hidden="true"
      className="mb-1 block h-28 w-auto shrink-0"
    >
      <Face device={device} width={width} />
    </svg>
  )
}

/** What a hand meets: a lever, a paddle with a level beside it, a window, keys, or two outlets. */
function Face({ device, width }: { device: DeviceModel; width: number }) {
  const middle = width / 2
  const does = new Set(device.does)
  return (
    <g className="stroke-ink" strokeWidth="2" fill="none">
      <rect x="0" y="0" width={width} height={HEIGHT} rx="12" className="fill-sheet" />
      {device.part ? (
        // It fills its share of the opening; the others are left as they are.
        Array.from({ length: device.part.most }, (_, at) => {
          const share = (HEIGHT * 0.7) / device.part!.most
          const top = HEIGHT * 0.15 + at * share
          return (
            <g key={at}>
              <rect
                x={middle - 30}
                y={top + 3}
                width="60"
                height={share - 6}
                rx="6"
                strokeDasharray={at === 0 ? undefined : '5 5'}
                className={at === 0 ? 'fill-joint' : undefined}
              />
              {at === 0 && does.has('dim') && (
                <circle cx={middle} cy={top + share / 2} r={share / 2 - 9} className="fill-sheet" />
              )}
              {at === 0 && !does.has('dim') && (
                <path d={`M${middle - 18} ${top + share / 2} h36`} strokeWidth="3" />
              )}
            </g>
          )
        })
      ) : device.opening === 'duplex' ? (
        [0.3, 0.7].map(at => (
          <g key={at}>
            <rect x={middle - 30} y={HEIGHT * at - 34} width="60" height="68" rx="24" />
            <path
              d={`M${middle - 11} ${HEIGHT * at - 12} v18 M${middle + 11} ${HEIGHT * at - 12} v18`}
              strokeWidth="4"
            />
            <circle cx={middle} cy={HEIGHT * at + 19} r="4.5" />
          </g>
        ))
      ) : device.opening === 'toggle' ? (
        <>
          <rect x={middle - 12} y={HEIGHT / 2 - 30} width="24" height="60" rx="3" />
          <rect x={middle - 8} y={HEIGHT / 2 - 30} width="16" height="34" rx="5" className="fill-joint" />
        </>
      ) : (
        <>
          <rect x={middle - 40} y={HEIGHT * 0.15} width="80" height={HEIGHT * 0.7} rx="6" />
          {does.has('presence') && (
            <path d={`M${middle - 26} ${HEIGHT * 0.24} h52 v22 q-26 20 -52 0 z`} className="fill-joint" />
          )}
          {does.has('countdown') &&
            [0, 1, 2, 3].map(key => (
              <rect key={key} x={middle - 26} y={HEIGHT * 0.32 + key * 32} width="52" height="20" rx="4" />
            ))}
          {does.has('sun') && (
            <>
              <rect x={middle - 26} y={HEIGHT * 0.22} width="52" height="40" rx="4" className="fill-joint" />
              <path d={`M${middle - 14} ${HEIGHT * 0.22 + 28} a14 14 0 0 1 28 0 z`} />
            </>
          )}
          {!does.has('countdown') && (
            <rect
              x={middle - 26}
              y={HEIGHT * 0.5}
              width={does.has('dim') ? 36 : 52}
              height={HEIGHT * 0.28}
              rx="5"
            />
          )}
          {does.has('dim') && (
            <>
              <path d={`M${middle + 20} ${HEIGHT * 0.5} v${HEIGHT * 0.28}`} strokeWidth="3" />
              <rect x={middle + 13} y={HEIGHT * 0.6} width="14" height="14" rx="3" className="fill-joint" />
            </>
          )}
        </>
      )}
      {device.glows && <circle cx={middle} cy={HEIGHT * 0.81} r="4" className="fill-plum" stroke="none" />}
      {device.radio && (
        <path
          d={`M${middle - 9} ${HEIGHT * 0.11} a9 9 0 0 1 18 0 M${middle - 4} ${HEIGHT * 0.11} a4 4 0 0 1 8 0`}
          strokeWidth="2"
        />
      )}
    </g>
  )
}

/** Every terminal on its side, drawn by how it takes its wire. */
function Back({ terminals, width }: { terminals: readonly Terminal[]; width: number }) {
  const say = useSay()

  const top = HEIGHT * 0.12
  const height = HEIGHT * 0.76
  return (
    <g>
      <rect
        x="0"
        y={top}
        width={width}
        height={height}
        rx="5"
        className="fill-joint stroke-ink"
        strokeWidth="2"
      />
      {(['left', 'right'] as const).flatMap(side => {
        const here = terminals.filter(each => each.side === side)
        return here.map((terminal, at) => {
          const y = top + (height * (at + 1)) / (here.length + 1)
          const out = side === 'left' ? -1 : 1
          const x = side === 'left' ? 0 : width
          return (
            <g key={terminal.id}>
              <TerminalMark joins={terminal.joins} x={x} y={y} out={out} />
              <text
                x={x - out * 14}
                y={y + 4}
                textAnchor={side === 'left' ? 'start' : 'end'}
                className="fill-ink text-[12px]"
              >
                {short(terminal.word)}
              </text>
            </g>
          )
        })
      })}
      {terminals.length === 0 && (
        <text
          x={width / 2}
          y={HEIGHT / 2}
          textAnchor="middle"
          className="fill-ink text-[13px]"
        >{say`no wires`}</text>
      )}
    </g>
  )
}

const MOST_LETTERS = 15
const short = (word: string) => (word.length > MOST_LETTERS ? `${word.slice(0, MOST_LETTERS - 1)}…` : word)

function TerminalMark({ joins, x, y, out }: { joins: Terminal['joins']; x: number; y: number; out: number }) {
  switch (joins) {
    case 'lead':
      return (
        <path
          d={`M${x} ${y} c${out * 14} 0 ${out * 10} 12 ${out * 26} 12`}
          fill="none"
          className="stroke-ink"
          strokeWidth="4"
          strokeLinecap="round"
        />
      )
    case 'screw':
      return (
        <g className="stroke-ink" strokeWidth="1.8">
          <circle cx={x} cy={y} r="8" className="fill-sheet" />
          <path d={`M${x - 5} ${y - 3} l10 6`} />
        </g>
      )
    case 'clamp':
      return (
        <g className="stroke-ink" strokeWidth="1.8">
          <rect x={x - 7} y={y - 8} width="14" height="16" className="fill-sheet" />
          <path d={`M${x - 7} ${y} h14`} />
        </g>
      )
    case 'push-in':
      return <circle cx={x} cy={y} r="5" className="fill-ink stroke-ink" strokeWidth="1.8" />
  }
}
