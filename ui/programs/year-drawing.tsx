import { useContext, type ReactNode } from 'react'
import { figure } from '@/core/model/units'
import type { YearDay, YearOf } from '@/core/setup'
import { useDates } from '../words/use-dates'
import { LanguageContext, useSay } from '../words/use-say'
import { monthName } from './program-words'

const MINUTES = 1440
const HOURS = [0, 6, 12, 18, 24]
/** A bar as tall as a minute is not seen. */
const LEAST = 4

const path = (
  days: readonly YearDay[],
  of: (day: YearDay) => readonly (readonly [number, number])[],
): string =>
  days
    .flatMap((day, at) => of(day).map(([from, to]) => `M${at} ${from}h1V${Math.max(to, from + LEAST)}h-1z`))
    .join('')

/** Between dawn and dusk by pairs on each date; a day without either is told by the one before. */
function daylight(days: readonly YearDay[]): (readonly (readonly [number, number])[])[] {
  let isUp = beginsUp(days)
  return days.map(({ dusks, dawns }) => {
    const changes = [...dawns.map(at => ({ at, up: true })), ...dusks.map(at => ({ at, up: false }))].sort(
      (one, other) => one.at - other.at,
    )
    const spans: [number, number][] = []
    let from = 0
    for (const { at, up } of changes) {
      if (isUp && !up) spans.push([from, at])
      from = at
      isUp = up
    }
    if (isUp) spans.push([from, MINUTES])
    return spans
  })
}

/** What the first change of the year ends was there at its beginning. */
function beginsUp(days: readonly YearDay[]): boolean {
  for (const { dusks, dawns } of days) {
    const dusk = Math.min(...dusks)
    const dawn = Math.min(...dawns)
    if (dusk !== Infinity || dawn !== Infinity) return dusk < dawn
  }
  return false
}

/** A year of a light: a day across, an hour down; when it is lit, when the sun is up, where the clocks change. */
export function YearDrawing({
  year,
  yearNumber,
  light,
  from,
}: {
  year: YearOf
  yearNumber: number
  /** What it is called. */
  light: string
  /** The day that is looked at. */
  from: number
}) {
  const say = useSay()
  const { locale } = useContext(LanguageContext)
  const { day: dates } = useDates()
  const { days } = year
  const isUp = daylight(days)
  const changes = days.flatMap(({ putForward }, at) => (putForward === 0 ? [] : [{ at, putForward }]))
  const differing = days.map((_, at) =>
    year.differ.some(each => each.from <= year.from + at && year.from + at <= each.to),
  )
  const looked = from - year.from
  const dateOf = (at: number) => dates.format(new Date((year.from + at) * 86_400_000 + 43_200_000))
  return (
    <figure
      role="img"
      aria-label={say`${light} in ${yearNumber}: lit ${figure(year.litHours, 0)} hours; a day across, an hour down`}
      className="year-drawing rounded-xl bg-sheet p-3"
    >
      <div className="grid grid-cols-[2.6rem_1fr] text-sm tabular-nums">
        <Hours />
        <svg
          viewBox={`0 0 ${days.length} ${MINUTES}`}
          preserveAspectRatio="none"
          className="h-[24dvh] w-full border border-rule wide:h-[52dvh]"
          aria-hidden
        >
          <path
            d={path(
              days.map((day, at) => ({ ...day, lit: isUp[at]! })),
              day => day.lit,
            )}
            className="fill-tint"
          />
          <path d={path(days, day => day.lit)} className="fill-plum" />
          <path
            d={[6, 12, 18].map(hour => `M0 ${hour * 60}H${days.length}`).join('')}
            className="stroke-ink/30"
            vectorEffect="non-scaling-stroke"
          />
          {changes.map(({ at }) => (
            <path
              key={at}
              d={`M${at} 0V${MINUTES}`}
              strokeDasharray="6 4"
              className="stroke-ink"
              strokeWidth={1.5}
              vectorEffect="non-scaling-stroke"
            />
          ))}
          {looked >= 0 && looked < days.length && (
            <path
              d={`M${looked + 0.5} 0V${MINUTES}`}
              className="stroke-ink"
              strokeWidth={3}
              vectorEffect="non-scaling-stroke"
            />
          )}
        </svg>
        <span />
        <svg viewBox={`0 0 ${days.length} 1`} preserveAspectRatio="none" className="h-2 w-full" aria-hidden>
          {differing.map(
            (is, at) => is && <rect key={at} x={at} width={1} height={1} className="fill-ink" />,
          )}
        </svg>
        <span />
        <div className="grid grid-cols-12 text-center">
          {Array.from({ length: 12 }, (_, at) => (
            <span key={at}>
              <span className="sm:hidden">{monthName(locale, at + 1, 'narrow')}</span>
              <span className="max-sm:hidden">{monthName(locale, at + 1)}</span>
            </span>
          ))}
        </div>
      </div>
      <figcaption className="mt-2 flex flex-wrap gap-x-4 gap-y-1 text-sm">
        <Key mark={<rect width="20" height="12" className="fill-plum" />}>{say`lit`}</Key>
        <Key
          mark={<rect width="20" height="12" className="fill-tint stroke-rule" />}
        >{say`the sun is up`}</Key>
        {changes.map(({ at, putForward }) => (
          <Key
            key={at}
            mark={<path d="M10 0V12" strokeDasharray="3 2" strokeWidth={1.5} className="stroke-ink" />}
          >
            {putForward > 0 ? say`clocks put forward ${dateOf(at)}` : say`clocks put back ${dateOf(at)}`}
          </Key>
        ))}
        {differing.some(Boolean) && (
          <Key
            mark={<rect y="8" width="20" height="4" className="fill-ink" />}
          >{say`not as the program says`}</Key>
        )}
      </figcaption>
    </figure>
  )
}

function Hours() {
  return (
    <div className="relative" aria-hidden>
      {HOURS.map(hour => (
        <span
          key={hour}
          className="absolute right-1.5 -translate-y-1/2 leading-none first:translate-y-0 last:-translate-y-full"
          style={{ top: `${(hour / 24) * 100}%` }}
        >{`${hour}:00`}</span>
      ))}
    </div>
  )
}

function Key({ mark, children }: { mark: ReactNode; children: ReactNode }) {
  return (
    <span className="inline-flex items-center gap-1.5">
      <svg viewBox="0 0 20 12" width={20} height={12} aria-hidden>
        {mark}
      </svg>
      {children}
    </span>
  )
}
