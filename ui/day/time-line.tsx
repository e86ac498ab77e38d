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
/** On a desk the day is one picture; on a phone an hour is a line of it. */
const DESK = { width: 1000, left: 150 }
const PHONE = { width: 372, left: 24, minutes: 60 }

/** The day as lanes, one a person; walks are marks across all of them. */
export function TimeLine({ day, start, record }: { day: Day; start: string; record: JobRecord }) {
  const say = useSay()

  const turns = day.stretches.flatMap(each => each.turns)
  const lanes = [...new Set(turns.map(({ who }) => who ?? ''))].sort()
  const end = Math.max(1, ...turns.map(({ from, minutes }) => from + minutes))
  const shared = { day, start, record, lanes }
  const lines = Array.from({ length: Math.ceil(end / PHONE.minutes) }, (_, at) => at * PHONE.minutes)
  const nameOf = (who: string) => (who === '' ? say`One person` : who)
  return (
    <figure className="mt-3 rounded-xl bg-sheet p-2" aria-label={say`Time line of the day`}>
      <div role="img" aria-label={say`Time line; the list below says the same`}>
        <div className="max-sm:hidden">
          <Lanes {...shared} from={0} to={end} {...DESK} nameOf={nameOf} />
        </div>
        <div className="sm:hidden">
          {lines.map(from => (
            <Lanes key={from} {...shared} from={from} to={from + PHONE.minutes} {...PHONE} />
          ))}
        </div>
      </div>
      <p className="px-2 text-sm sm:hidden">
        {lanes.map((who, lane) => `${lane + 1} ${nameOf(who)}`).join(' · ')}
      </p>
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

/** Some of the day, from one minute to another. */
function Lanes({
  day,
  start,
  record,
  lanes,
  from: since,
  to,
  width,
  left,
  nameOf,
}: {
  day: Day
  start: string
  record: JobRecord
  lanes: readonly string[]
  from: number
  to: number
  width: number
  left: number
  /** Names stand at the lanes; without it their numbers. */
  nameOf?: (who: string) => string
}) {
  const say = useSay()

  const x = (minutes: number) => left + ((minutes - since) / (to - since)) * (width - left - 10)
  const height = lanes.length * LANE + 44
  const isIn = (from: number, until: number) => from < to && until > since
  const marks = Array.from({ length: Math.floor((to - since) / 30) + 1 }, (_, at) => since + at * 30)
  return (
    <svg viewBox={`0 0 ${width} ${height}`} aria-hidden="true" className="block h-auto w-full">
      {marks.map((minutes, at) => (
        <g key={minutes}>
          <line x1={x(minutes)} x2={x(minutes)} y1={20} y2={height - 8} className="stroke-rule" />
          <text
            x={x(minutes)}
            y={14}
            textAnchor={!nameOf && at === marks.length - 1 ? 'end' : 'middle'}
            className="fill-soft text-[12px] tabular-nums"
          >
            {clock(start, minutes)}
          </text>
        </g>
      ))}
      {lanes.map((who, lane) => (
        <text key={who} x={4} y={30 + lane * LANE + 22} className="fill-ink text-[14px] font-semibold">
          {nameOf ? shortened(nameOf(who)) : lane + 1}
        </text>
      ))}
      {day.stretches
        .flatMap(({ turns }) => turns)
        .filter(({ from, minutes }) => isIn(from, from + minutes))
        .map(({ boxId, kind, who, from, minutes }) => {
          const [begins, ends] = [Math.max(from, since), Math.min(from + minutes, to)]
          return (
            <rect
              key={`${boxId} ${kind}`}
              x={x(begins) + 1}
              width={Math.max(2, x(ends) - x(begins) - 2)}
              y={30 + lanes.indexOf(who ?? '') * LANE}
              height={LANE - 10}
              rx={4}
              className={`${FILL[kind]} stroke-ink`}
              strokeWidth={1}
              strokeDasharray={kind === 'safe' ? '3 3' : undefined}
            >
              <title>{`${clock(start, from)} ${boxName(record, boxId)}: ${say(TURN_WORDS[kind])}`}</title>
            </rect>
          )
        })}
      {day.stretches.map(({ from, walkMinutes }, at) => {
        const walk = from - walkMinutes / 2
        return (
          walk >= since &&
          walk < to && (
            <g key={at}>
              <line
                x1={x(walk)}
                x2={x(walk)}
                y1={22}
                y2={height - 6}
                className="stroke-ink"
                strokeWidth={3}
                strokeDasharray="2 4"
              />
              <circle cx={x(walk)} cy={height - 10} r={9} className="fill-sheet stroke-ink" strokeWidth={2} />
              <text x={x(walk)} y={height - 6} textAnchor="middle" className="fill-ink text-[11px] font-bold">
                {at + 1}
              </text>
            </g>
          )
        )
      })}
    </svg>
  )
}

const shortened = (name: string) => (name.length > 18 ? `${name.slice(0, 17)}…` : name)
