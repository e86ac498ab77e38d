import type { Program } from '../model/light-program'
import { clockOf, shownBy, type Clock } from './clock'
import { DAY, MINUTE, type Day } from './day'
import { daysAhead, type DayAhead } from './days-ahead'
import { parseProgram } from './parse-program'
import { nightsFor, type Differs, type Place } from './program'
import { daysOfRun, runOf, type LeftOn } from './run'
import type { Span } from './spans'
import type { Fault } from '../model/result'

/** One for everybody: what is by lot falls the same on the page, in the files and in the command. */
export const PROGRAM_SEED = 1

export interface YearAsked {
  readonly program: Program
  readonly place: Place
  readonly year: number
  readonly seed: number
  /** The first of the days that are told one by one, and how many. */
  readonly ahead: { readonly from: Day; readonly days: number }
}

/** What a program does in a year, drawn and told. Minutes are those that the clocks of the place show, from midnight. */
export interface YearOf {
  readonly from: Day
  readonly days: readonly YearDay[]
  readonly litHours: number
  readonly switchings: number
  readonly leftOn: readonly LeftOn[]
  readonly differ: readonly Differing[]
  readonly ahead: readonly DayAhead[]
}

export interface YearDay {
  readonly lit: readonly (readonly [from: number, to: number])[]
  /** Where the sun sets and rises on that date; none where it does not, and two where it does twice. */
  readonly dusks: readonly number[]
  readonly dawns: readonly number[]
  /** Minutes by which the clocks are put forward on it; less than 0 where they are put back. */
  readonly putForward: number
}

/** Days that follow each other on which one event is not as the program says. */
export interface Differing {
  readonly event: number
  readonly differs: Differs
  readonly from: Day
  readonly to: Day
}

const first = (year: number): Day => Date.UTC(year, 0, 1) / DAY

/** The year of a program at a place; what is wrong with the program where it is none. */
export function yearWith({
  program,
  place,
  year,
  seed,
  ahead,
}: YearAsked):
  | { readonly kind: 'year'; readonly year: YearOf }
  | { readonly kind: 'refused'; readonly faults: readonly Fault[] } {
  const days = { from: first(year), to: first(year + 1) - 1 }
  const parsed = parseProgram(program, place, days)
  if (!parsed.ok) return { kind: 'refused', faults: parsed.faults }
  const clock = clockOf(place.zone)
  const nights = nightsFor(place, clock, ...edges(daysOfRun(days)))
  const run = runOf(program, place, days, {
    seed,
    nights: program.daylightSaving === 'follows' ? nights : undefined,
  })
  const drawn: { lit: [number, number][]; dusks: number[]; dawns: number[]; putForward: number }[] =
    Array.from({ length: days.to - days.from + 1 }, (_, at) => ({
      lit: [],
      dusks: [],
      dawns: [],
      putForward: putForwardOn(clock, days.from + at),
    }))
  for (const span of run.lit)
    for (const { day, from, to } of shownOf(span, clock)) drawn[day - days.from]?.lit.push([from, to])
  for (const night of nights)
    for (const [instant, name] of [
      [night.dusk, 'dusks'],
      [night.dawn, 'dawns'],
    ] as const) {
      if (instant === null) continue
      const { day, millisecond } = shownBy(clock, instant)
      drawn[day - days.from]?.[name].push(millisecond / MINUTE)
    }
  const told = runOf(program, place, { from: ahead.from, to: ahead.from + ahead.days - 1 }, { seed })
  return {
    kind: 'year',
    year: {
      from: days.from,
      days: drawn,
      litHours: run.litHours,
      switchings: run.switchings.length,
      leftOn: run.leftOn,
      differ: differingOf(run.occurrences),
      ahead: daysAhead(told, clock, ahead.from, ahead.days),
    },
  }
}

const edges = ({ from, to }: { readonly from: Day; readonly to: Day }): [Day, Day] => [from, to]

const putForwardOn = (clock: Clock, day: Day): number =>
  (clock.aheadAt(clock.instantOf(day + 1, 0).instant) - clock.aheadAt(clock.instantOf(day, 0).instant)) /
  MINUTE

/** A span as the clock shows it: parted at midnight, and where the clock is put forward or back. */
export function shownOf(
  { from, to }: Span,
  clock: Clock,
): { readonly day: Day; readonly from: number; readonly to: number }[] {
  const parts: { day: Day; from: number; to: number }[] = []
  let at = from
  while (at < to) {
    const { day, millisecond } = shownBy(clock, at)
    const midnight = clock.instantOf(day + 1, 0).instant
    const end = Math.min(to, midnight, changeAfter(clock, at, midnight))
    const begins = millisecond / MINUTE
    parts.push({ day, from: begins, to: begins + (end - at) / MINUTE })
    at = end
  }
  return parts
}

/** When within a day the clock is put forward or back next; the end of the day where it is not. */
function changeAfter(clock: Clock, from: number, to: number): number {
  const ahead = clock.aheadAt(from)
  if (clock.aheadAt(to - 1) === ahead) return to
  let [low, high] = [from, to - 1]
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2)
    if (clock.aheadAt(middle) === ahead) low = middle
    else high = middle
  }
  return high
}

function differingOf(
  occurrences: readonly { readonly event: number; readonly day: Day; readonly differs: Differs | null }[],
): Differing[] {
  const found: { event: number; differs: Differs; from: Day; to: Day }[] = []
  const open = new Map<string, (typeof found)[number]>()
  for (const { event, day, differs } of [...occurrences].sort((one, other) => one.day - other.day)) {
    if (differs === null) continue
    const key = `${event} ${differs}`
    const before = open.get(key)
    if (before && day <= before.to + 1) before.to = Math.max(before.to, day)
    else {
      const next = { event, differs, from: day, to: day }
      open.set(key, next)
      found.push(next)
    }
  }
  return found
}
