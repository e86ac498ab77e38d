import { fault, good, refused, type Fault, type Result } from '../model/result'
import type { Day } from './day'
import { momentsOf, type Program } from '../model/light-program'
import { occurrencesOf, type Place } from './program'

export interface Days {
  readonly from: Day
  readonly to: Day
}

/** Nobody asks for more at once. */
const MOST_DAYS = 5 * 366
const MOST_EVENTS = 40
const MOST_MINUTES = 720
/** Whatever a program does it does within a year and the nights about it. */
const YEAR = 366

/** What is wrong with a period: its last day before its first, or more than five years. */
export const faultsOfDays = ({ from, to }: Days): Fault[] =>
  to < from
    ? [fault('/to', 'before-its-beginning', 'the last day is not before the first')]
    : to - from >= MOST_DAYS
      ? [fault('/to', 'too-long', 'five years at most')]
      : []

/** A program that does something there, or everything that is wrong with it, each at its field. */
export function parseProgram(program: Program, place: Place, { from }: Days): Result<Program> {
  const faults = faultsOfProgram(program)
  if (faults.length > 0) return refused(...faults)
  // Whether anything ever happens is asked of the days themselves.
  return occurrencesOf(program, place, from, from + YEAR, 0).some(({ instant }) => instant !== null)
    ? good(program)
    : refused(fault('/events', 'never-switches', 'in a year none of it happens once'))
}

/** What is wrong with a program wherever it is kept, each at its field. */
export function faultsOfProgram({ events }: Program): Fault[] {
  const faults = events.length > MOST_EVENTS ? [fault('/events', 'too-many', `at most ${MOST_EVENTS}`)] : []
  for (const [at, { days, between, vary, when, instead }] of events.entries()) {
    const path = `/events/${at}`
    if (days.length === 0) faults.push(fault(`${path}/days`, 'no-day', 'it happens on no day of the week'))
    for (const edge of ['from', 'to'] as const)
      if (between && !isDate(between[edge]))
        faults.push(fault(`${path}/between`, 'no-such-date', `the calendar has no ${between[edge]}`))
    if (!(vary >= 0 && vary <= MOST_MINUTES))
      faults.push(fault(`${path}/vary`, 'range', `0 to ${MOST_MINUTES} minutes`))
    if (momentsOf(when).some(each => each.kind !== 'clock' && Math.abs(each.plus) > MOST_MINUTES))
      faults.push(fault(`${path}/at`, 'range', `at most ${MOST_MINUTES} minutes from dusk or dawn`))
    if (instead !== null && momentsOf(when).every(each => each.kind === 'clock'))
      faults.push(fault(`${path}/instead`, 'always-happens', 'a clock time happens every night'))
  }
  return faults
}

/** A date that some year has. */
const isDate = (monthDay: string): boolean => {
  const [month, date] = monthDay.split('-').map(Number) as [number, number]
  return month >= 1 && month <= 12 && date >= 1 && date <= new Date(Date.UTC(2028, month, 0)).getUTCDate()
}
