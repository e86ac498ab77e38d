import type { JobRecord } from '@/core/model/record'
import { TURN_KINDS, TURN_WORDS, type Day } from '@/core/plan'
import { boxName, clock } from './words'
import { useSay } from '../words/use-say'

const FILL = {
  apart: 'fill-joint',
  safe: 'fill-paper',
  live: 'fill-plum',
  close: 'fill-sheet',
  work: 'fill-ink',
} as const
const LANE = 40
const LEFT = 150
const WIDTH = 1000

/** The day as lanes, one a person; walks are marks across all of them. */
export function TimeLine({ day, start, record }: { day: Day; start: string; record: JobRecord }) {
  const say = useSay()

  const turns = day.stretches.flatMap(each => each.turns)
  const lanes = [...new Set(turns.map(({ who }) => who ?? ''))].sort()
  const end = Math.max(1, ...turns.map(({ from, minutes }) => from + minutes))
  const x = (minutes: number) => LEFT + (minutes / end) * (WIDTH - LEFT - 10)
  const height = lanes.length * LANE + 44
  const hours = Array.from({ length: Math.floor(end / 30) + 1 }, (_, at) => at * 30)
  return (
    <figure
      className="mt-3 overflow-x-auto rounded-xl bg-sheet p-2"
      tabIndex={0}
      aria-label={say`Time line of the day`}
    >
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        role="img"
        aria-label={say`Time line; the list below says the same`}
        className="block h-auto w-full min-w-[44rem]"
      >
        {hours.map(minutes => (
          <g key={minutes}>
            <line x1={x(minutes)} x2={x(minutes)} y1={20} y2={height - 8} className="stroke-rule" />
            <text x={x(minutes)} y={14} textAnchor="middle" className="fill-soft text-[12px] tabular-nums">
              {clock(start, minutes)}
            </text>
          </g>
        ))}
        {lanes.map((who, lane) => (
          <text key={who} x={4} y={30 + lane * LANE + 22} className="fill-ink text-[14px] font-semibold">
            {who === '' ? say`One person` : who.length > 18 ? `${who.slice(0, 17)}…` : who}
          </text>
        ))}
        {turns.map(({ boxId, kind, who, from, minutes }) => (
          <rect
            key={`${boxId} ${kind}`}
            x={x(from) + 1}
            width={Math.max(2, x(from + minutes) - x(from) - 2)}
            y={30 + lanes.indexOf(who ?? '') * LANE}
            height={LANE - 10}
            rx={4}
            className={`${FILL[kind]} stroke-ink`}
            strokeWidth={1}
            strokeDasharray={kind === 'safe' ? '3 3' : undefined}
          >
            <title>{`${clock(start, from)} ${boxName(record, boxId)}: ${say(TURN_WORDS[kind])}`}</title>
          </rect>
        ))}
        {day.stretches.map(({ from, walkMinutes }, at) => (
          <g key={at}>
            <line
              x1={x(from - walkMinutes / 2)}
              x2={x(from - walkMinutes / 2)}
              y1={22}
              y2={height - 6}
              className="stroke-ink"
              strokeWidth={3}
              strokeDasharray="2 4"
            />
            <circle
              cx={x(from - walkMinutes / 2)}
              cy={height - 10}
              r={9}
              className="fill-sheet stroke-ink"
              strokeWidth={2}
            />
            <text
              x={x(from - walkMinutes / 2)}
              y={height - 6}
              textAnchor="middle"
              className="fill-ink text-[11px] font-bold"
            >
              {at + 1}
            </text>
          </g>
        ))}
      </svg>
      <figcaption className="flex flex-wrap gap-x-5 px-2 text-sm">
        {TURN_KINDS.map(kind => (
          <span key={kind} className="flex items-center gap-2">
            <svg viewBox="0 0 16 12" className="h-3 w-4" aria-hidden="true">
              <rect
                x="0.5"
                y="0.5"
                width="15"
                height="11"
                rx="3"
                className={`${FILL[kind]} stroke-ink`}
                strokeDasharray={kind === 'safe' ? '3 3' : undefined}
              />
            </svg>
            {say(TURN_WORDS[kind])}
          </span>
        ))}
        <span>{say`① Walk to the panel`}</span>
      </figcaption>
    </figure>
  )
}
