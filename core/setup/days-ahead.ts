import { shownBy, type Clock } from './clock'
import type { Day } from './day'
import type { Occurrence } from './program'
import type { Run } from './run'

export interface DayAhead {
  readonly day: Day
  /** In order of time; what does not happen that day stands last. */
  readonly happens: readonly Occurrence[]
}

/** What a program does on each day from one on, by the clocks there: what does not happen on the day it would have. */
export function daysAhead({ occurrences }: Run, clock: Clock, from: Day, days: number): DayAhead[] {
  const dayOf = ({ instant, day }: Occurrence) => (instant === null ? day : shownBy(clock, instant).day)
  return Array.from({ length: days }, (_, at) => {
    const own = occurrences.filter(each => dayOf(each) === from + at)
    return {
      day: from + at,
      happens: [
        ...own.filter(({ instant }) => instant !== null),
        ...own.filter(({ instant }) => instant === null),
      ],
    }
  })
}
