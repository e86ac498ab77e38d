import type { Frame } from './frame'
import type { CostOf } from './next'
import type { Question } from './question'

/** Minutes of the parts of a reading; learned from the job’s own record where there is one. */
export interface ReadingMinutes {
  /** To the panel and back, to switch a breaker and prove it. */
  readonly panel: number
  /** Taking a box apart, every conductor by itself. */
  readonly apart: number
  /** Putting one back as it was. */
  readonly together: number
  readonly reading: number
  /** Going to another box of the group, or calling somebody at it. */
  readonly walk: number
  /** Working a switch beside the meter. */
  readonly work: number
  /** Taking a lamp out to reach its holder. */
  readonly lamp: number
  /** What a minute near live metal counts more than one that is dead. */
  readonly hazard: number
}

export const USUAL_MINUTES: ReadingMinutes = {
  panel: 2,
  apart: 3,
  together: 4,
  reading: 0.5,
  walk: 1,
  work: 0.2,
  lamp: 3,
  hazard: 0.5,
}

/** What readings of some boxes cost. */
export const minutesIn =
  ({ ends, indexOf, switches }: Frame, minutes = USUAL_MINUTES): CostOf =>
  (question, now) => {
    const at = switches.find(({ device }) => device.id === question.work)?.box
    const isHere = [question.from, question.to].some(
      spot => spot.kind === 'end' && ends[indexOf.get(spot.end) ?? -1]?.box === at,
    )
    return minutesOf(minutes, question, now, isHere)
  }

/**
 * What a reading costs from where one stands: the switching, taking apart and walking it asks for, and the
 * hazard of reading live. `now` is how things stood for the last reading; null: as found, switched on.
 */
function minutesOf(
  minutes: ReadingMinutes,
  question: Question,
  now: Question | null,
  worksHere: boolean,
): number {
  const power = now?.power ?? 'on'
  const apart = now?.apart ?? []
  const opening = question.apart.filter(id => !apart.includes(id)).length
  const closing = apart.filter(id => !question.apart.includes(id)).length
  // Conductors are only ever moved dead, so moving them costs a switching off and, to read live, on again.
  const switchings =
    opening + closing > 0
      ? (power === 'on' ? 1 : 0) + (question.power === 'on' ? 1 : 0)
      : power === question.power
        ? 0
        : 1
  const spots = [question.from, question.to]
  const ends = new Set(spots.flatMap(spot => (spot.kind === 'end' ? [spot.end] : [])))
  return (
    switchings * minutes.panel +
    opening * minutes.apart +
    closing * minutes.together +
    minutes.reading +
    (question.work === null ? 0 : worksHere ? minutes.work : minutes.walk) +
    (question.kind === 'continuity' && ends.size === 2 ? minutes.walk : 0) +
    (spots.some(({ kind }) => kind === 'panel-hot') ? 2 * minutes.panel : 0) +
    (question.kind === 'continuity' && spots.some(({ kind }) => kind === 'lamp-holder') ? minutes.lamp : 0) +
    (question.power === 'on' && question.kind === 'volts' ? minutes.hazard : 0)
  )
}
