import { tzOffset } from '@date-fns/tz'
import { DAY, MINUTE, yearOf, type Day } from './day'

/**
 * What a clock shows at an instant, and when it shows something. Instants are milliseconds since 1970 in UTC. A clock
 * that follows its zone is put forward and back with it; one that does not keeps the zone's standard time all year.
 */
export interface Clock {
  /** Milliseconds that it is ahead of UTC. */
  aheadAt(instant: number): number
  /** The one instant of a day at which it shows so many minutes since midnight. */
  instantOf(day: Day, minute: number): ClockInstant
}

export interface ClockInstant {
  readonly instant: number
  /** `skipped`: the clock never showed it, and the first instant after stands for it. `twice`: the first of two. */
  readonly shown: 'once' | 'skipped' | 'twice'
}

/** Whether a zone is known by that name, such as `Europe/Oslo`. */
export const zoneIsKnown = (zone: string): boolean =>
  /^[A-Za-z]/.test(zone) && Number.isFinite(tzOffset(zone, new Date(0)))

/** The clock of a zone: put forward and back as people there do. */
export function clockOf(zone: string): Clock {
  const aheadAt = (instant: number) => aheadIn(zone, instant)
  return { aheadAt, instantOf: (day, minute) => shownAt(aheadAt, day * DAY + minute * MINUTE) }
}

interface Change {
  /** The first instant from which a clock is ahead by so much. */
  readonly from: number
  readonly ahead: number
}

/** What the platform says takes a while: the changes of a zone in a year are asked for once. */
const kept = new Map<string, readonly Change[]>()

function aheadIn(zone: string, instant: number): number {
  const year = new Date(instant).getUTCFullYear()
  const key = `${zone} ${year}`
  const changes = kept.get(key) ?? changesIn(zone, Date.UTC(year, 0, 1), Date.UTC(year + 1, 0, 1))
  kept.set(key, changes)
  return (changes.findLast(({ from }) => from <= instant) ?? changes[0]!).ahead
}

/** No zone changes its clocks twice within a week. */
function changesIn(zone: string, from: number, to: number): Change[] {
  const asked = (instant: number) => tzOffset(zone, new Date(instant)) * MINUTE
  const changes: Change[] = [{ from, ahead: asked(from) }]
  for (let before = from; before < to;) {
    const after = Math.min(to - 1, before + WEEK)
    const ahead = asked(after)
    if (ahead !== changes.at(-1)!.ahead) changes.push({ from: changeBetween(asked, before, after), ahead })
    before = after + 1
  }
  return changes
}

const WEEK = 7 * DAY

/** A clock that knows of no daylight saving: on the zone's standard time, as it is in the year of that day. */
export function standardClockOf(zone: string, day: Day): Clock {
  const year = yearOf(day)
  // Wherever a clock is put forward in summer, standard time is what is behind.
  const ahead = Math.min(...[0, 6].map(month => tzOffset(zone, new Date(Date.UTC(year, month, 1))) * MINUTE))
  return {
    aheadAt: () => ahead,
    instantOf: (of, minute) => ({ instant: of * DAY + minute * MINUTE - ahead, shown: 'once' }),
  }
}

/** A day of a clock, and the milliseconds since its midnight as the clock shows them. */
export function shownBy(clock: Clock, instant: number): { readonly day: Day; readonly millisecond: number } {
  const shown = instant + clock.aheadAt(instant)
  const day = Math.floor(shown / DAY)
  return { day, millisecond: shown - day * DAY }
}

/** An instant as a clock shows it, to the second, and how far the clock is ahead: `2027-03-14T03:00:00-04:00`. */
export function writtenBy(clock: Clock, instant: number): string {
  const ahead = clock.aheadAt(instant)
  const minutes = Math.abs(ahead) / MINUTE
  const two = (figure: number) => String(figure).padStart(2, '0')
  const sign = ahead < 0 ? '-' : '+'
  return `${new Date(instant + ahead).toISOString().slice(0, 19)}${sign}${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`
}

/** Clocks are put forward or back once in a while, by hours: an offset a day before and one a day after are all there are. */
function shownAt(aheadAt: (instant: number) => number, shown: number): ClockInstant {
  const before = aheadAt(shown - 1.5 * DAY)
  const after = aheadAt(shown + 1.5 * DAY)
  const fits = [...new Set([before, after])]
    .map(ahead => shown - ahead)
    .filter(instant => instant + aheadAt(instant) === shown)
    .sort((one, other) => one - other)
  const [first] = fits
  if (first !== undefined) return { instant: first, shown: fits.length > 1 ? 'twice' : 'once' }
  return { instant: changeBetween(aheadAt, shown - after, shown - before), shown: 'skipped' }
}

/** The first instant at which a clock has been put forward. */
function changeBetween(aheadAt: (instant: number) => number, from: number, to: number): number {
  let low = from - 1
  let high = to
  const changed = aheadAt(high)
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2)
    if (aheadAt(middle) === changed) high = middle
    else low = middle
  }
  return high
}
