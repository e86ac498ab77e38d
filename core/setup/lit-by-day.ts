import { shownBy, type Clock } from './clock'
import { HOUR, type Day } from './day'
import type { Span } from './spans'

export interface DayLit {
  readonly day: Day
  readonly hours: number
}

/** How long it is lit on each day from the one to the other, from midnight to midnight of a clock. */
export function litByDay(lit: readonly Span[], clock: Clock, from: Day, to: Day): DayLit[] {
  const hours = new Map<Day, number>()
  for (const span of lit) {
    let at = span.from
    while (at < span.to) {
      const { day } = shownBy(clock, at)
      const midnight = clock.instantOf(day + 1, 0).instant
      const end = Math.min(span.to, midnight)
      hours.set(day, (hours.get(day) ?? 0) + (end - at) / HOUR)
      at = end
    }
  }
  return Array.from({ length: to - from + 1 }, (_, at) => ({
    day: from + at,
    hours: hours.get(from + at) ?? 0,
  }))
}
