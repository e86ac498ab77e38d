import type { Light } from '@/core/solve'
import type { Point } from '../drawing/goals'
import { wrapped } from '../drawing/layout'
import { LIGHT_WORDS } from './words'
import { useSay } from '../words/use-say'

const RAYS = 12

/** A lamp answers by its rays: none when dark, short and dotted when it glows, as long as it is bright. */
export function LampDrawing({
  name,
  at,
  light,
  share,
  fed,
}: {
  name: string
  at: Point
  light: Light
  share: number
  /** Something that is only to stay fed, not a lamp to look at. */
  fed: boolean
}) {
  const say = useSay()

  const lit = light !== 'dark'
  const reach = light === 'glows' ? 5 : light === 'over' ? 30 : 8 + Math.min(share, 1) * 14
  const word = fed
    ? light === 'full'
      ? say`Fed`
      : light === 'over'
        ? say(LIGHT_WORDS.over)
        : say`Not fed`
    : say(LIGHT_WORDS[light])
  return (
    <g
      role="img"
      aria-label={`${name}: ${word}${light === 'dimmed' ? `, ${Math.round(share * 100)} %` : ''}`}
      data-lamp={name}
      data-light={light}
    >
      {lit &&
        !fed &&
        Array.from({ length: RAYS }, (_, index) => {
          const angle = (index / RAYS) * 2 * Math.PI
          const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
          return (
            <path
              key={index}
              d={`M${at.x + cos * 30} ${at.y + sin * 30} L${at.x + cos * (30 + reach)} ${at.y + sin * (30 + reach)}`}
              className={`stroke-ink ${light === 'flickers' ? 'flickers' : ''}`}
              strokeWidth={light === 'glows' ? 1.5 : light === 'over' ? 5 : 3}
              strokeDasharray={light === 'glows' ? '1 3' : light === 'flickers' ? '3 4' : undefined}
              strokeLinecap="round"
            />
          )
        })}
      {fed ? (
        <rect
          x={at.x - 26}
          y={at.y - 22}
          width={52}
          height={44}
          rx={8}
          className={`stroke-ink ${light === 'full' ? 'fill-tint' : 'fill-sheet'}`}
          strokeWidth={2}
        />
      ) : (
        <circle
          cx={at.x}
          cy={at.y}
          r={25}
          className={`stroke-ink ${lit ? 'fill-lit' : 'fill-device'}`}
          strokeWidth={2}
        />
      )}
      <path
        d={
          fed
            ? `M${at.x - 8} ${at.y - 8} v16 M${at.x + 8} ${at.y - 8} v16`
            : `M${at.x - 12} ${at.y + 12} l6 -20 l6 14 l6 -14 l6 20`
        }
        fill="none"
        className="stroke-ink"
        strokeWidth={fed ? 4 : 1.8}
        strokeLinejoin="round"
      />
      <text x={at.x} y={at.y + 66} textAnchor="middle" className="fill-ink text-[14px]">
        {wrapped(name, 18).map((line, index) => (
          <tspan key={line} x={at.x} dy={index === 0 ? 0 : 16}>
            {line}
          </tspan>
        ))}
        <tspan x={at.x} dy={17} className="font-bold">
          {word}
          {light === 'dimmed' && !fed ? ` ${Math.round(share * 100)} %` : ''}
        </tspan>
      </text>
    </g>
  )
}
