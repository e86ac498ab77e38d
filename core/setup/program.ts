import type { Moment, Program, ProgramEvent, Turns, When } from '../model/light-program'
import { clockOf, shownBy, standardClockOf, type Clock } from './clock'
import { dateOf, DAY, MINUTE, weekdayOf, type Day } from './day'
import { nightsOf, type Night, type Position } from './sun'

/** Where a device stands: its zone is one of the names of the time zone database. */
export interface Place extends Position {
  readonly zone: string
}

/** One time that an event happens, or would. */
export interface Occurrence {
  /** Milliseconds since 1970; null where it does not happen. */
  readonly instant: number | null
  /** Of the program’s events, from 0. */
  readonly event: number
  readonly turns: Turns
  /** Whose days and dates it went by. */
  readonly day: Day
  /** What it differs in from what the program says; null for nothing. */
  readonly differs: Differs | null
}

/** `no-sun`: it does not happen; `instead`: at the clock time that is named instead; the others by the clock’s change. */
export type Differs = 'no-sun' | 'instead' | 'skipped' | 'twice'

/** Every day that any night or day of the period may bear on. */
const AROUND = 2

/**
 * Everything that a program does on the days from the one to the other, by the device’s own calendar: in order of time,
 * and of the list where two happen at once. What does not happen stands among them by the day it would have.
 */
export function occurrencesOf(
  program: Program,
  place: Place,
  from: Day,
  to: Day,
  seed: number,
  given?: readonly Night[],
): Occurrence[] {
  const clock = clockOfProgram(program, place, from)
  const nights = given ?? (needsSun(program) ? nightsFor(place, clock, from, to) : [])
  const all = program.events.flatMap((event, at): Occurrence[] =>
    byTheNight(event)
      ? nights.filter(({ day }) => happensOn(event, day)).flatMap(night => inNight(event, at, night, clock))
      : onDays(event, at, clock, from, to),
  )
  const drawn = all.map(each => varied(each, program.events[each.event]!.vary, seed))
  const whenOf = ({ instant, day }: Occurrence) => instant ?? (day + 1) * DAY
  return drawn.sort((one, other) => whenOf(one) - whenOf(other) || one.event - other.event)
}

/** The clock of the device itself; one that stands keeps the standard time of the year in which the period begins. */
export const clockOfProgram = ({ daylightSaving }: Program, { zone }: Place, from: Day): Clock =>
  daylightSaving === 'follows' ? clockOf(zone) : standardClockOf(zone, from)

/** The nights that a program of those days needs. */
export const nightsFor = (place: Position, clock: Clock, from: Day, to: Day): Night[] =>
  nightsOf(place, clock, from - AROUND, to + AROUND)

const byTheNight = ({ when, ofThatNight }: ProgramEvent): boolean => when.kind !== 'clock' || ofThatNight

/** Whether any of it goes by the nights of its place. */
export const needsSun = ({ events }: Program): boolean => events.some(byTheNight)

function happensOn({ days, between }: ProgramEvent, day: Day): boolean {
  if (!days.includes(weekdayOf(day))) return false
  if (between === null) return true
  const date = dateOf(day)
  return between.from <= between.to
    ? between.from <= date && date <= between.to
    : date >= between.from || date <= between.to
}

function onDays(event: ProgramEvent, at: number, clock: Clock, from: Day, to: Day): Occurrence[] {
  if (event.when.kind !== 'clock') return []
  const happen: Occurrence[] = []
  for (let day = from - AROUND; day <= to + AROUND; day++) {
    if (!happensOn(event, day)) continue
    const { instant, shown } = clock.instantOf(day, event.when.minute)
    const differs = shown === 'once' ? null : shown
    happen.push({ instant, event: at, turns: event.turns, day, differs })
  }
  return happen
}

interface InNight {
  readonly instant: number
  readonly differs: Differs | null
}

function inNight(event: ProgramEvent, at: number, night: Night, clock: Clock): Occurrence[] {
  const { when, instead, turns } = event
  const of = { event: at, turns, day: night.day }
  const found = 'of' in when ? pairOf(when, night, clock) : momentIn(when, night, clock)
  if (found) return [{ ...of, ...found }]
  const named = instead === null ? null : clockIn(instead, night, clock)
  if (named) return [{ ...of, instant: named.instant, differs: 'instead' }]
  // A clock time that the sun’s own drift leaves out of a night stands in the one beside it.
  return when.kind === 'clock' ? [] : [{ ...of, instant: null, differs: 'no-sun' }]
}

function pairOf(
  { kind, of: [one, other] }: Extract<When, { readonly of: unknown }>,
  night: Night,
  clock: Clock,
): InNight | null {
  const first = momentIn(one, night, clock)
  const second = momentIn(other, night, clock)
  if (!first || !second) return null
  return first.instant <= second.instant === (kind === 'earlier') ? first : second
}

function momentIn(moment: Moment, night: Night, clock: Clock): InNight | null {
  if (moment.kind === 'clock') return clockIn(moment.minute, night, clock)
  const sun = night[moment.kind]
  return sun === null ? null : { instant: sun + moment.plus * MINUTE, differs: null }
}

/** The clock time that lies in the night: from the sun’s noon up to the noon after. */
function clockIn(minute: number, night: Night, clock: Clock): InNight | null {
  const first = shownBy(clock, night.from).day
  for (let day = first; day <= first + 1; day++) {
    const { instant, shown } = clock.instantOf(day, minute)
    if (instant >= night.from && instant < night.to)
      return { instant, differs: shown === 'once' ? null : shown }
  }
  return null
}

/** The same seed moves the same event of the same day by the same minutes. */
function varied(occurrence: Occurrence, most: number, seed: number): Occurrence {
  if (most === 0 || occurrence.instant === null) return occurrence
  const lot = mixed(seed, occurrence.event, occurrence.day) % (2 * most + 1)
  return { ...occurrence, instant: occurrence.instant + (lot - most) * MINUTE }
}

/** A number of 32 bits that any change of the three changes all over. */
function mixed(...numbers: readonly number[]): number {
  let hash = 0x811c9dc5
  for (const each of numbers) {
    hash = Math.imul(hash ^ (each >>> 0), 0x85ebca6b)
    hash = Math.imul(hash ^ (hash >>> 13), 0xc2b2ae35)
    hash ^= hash >>> 16
  }
  return hash >>> 0
}
