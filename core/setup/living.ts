import { timelineOf, type Habits } from './habits'
import { presenceOf, proposedDelay, type DelayProposed, type Policy, type PresenceReport } from './presence'

/** How a light is asked about: the habits of its room, and what its sensor can be set to. */
export interface LivingAsked {
  readonly habits: Habits
  /** Whether a small movement is seen where somebody sits. */
  readonly seesSeat: boolean
  /** Whether one is seen where somebody sleeps. */
  readonly seesBed: boolean
  /** Seconds of each delay that the device has. */
  readonly delays: readonly number[]
  readonly turnsOn: readonly Policy['turnsOn'][]
  readonly seed: number
}

/** One way to have it, over a year. */
export interface LivedWith {
  readonly turnsOn: Policy['turnsOn']
  readonly delay: number
  readonly hoursLit: number
  readonly hoursLitWithNobody: number
  readonly presentAndDark: PresenceReport['presentAndDark']
  readonly switchingsPerDay: number
}

export interface Living {
  readonly ways: readonly LivedWith[]
  /** For each way of turning on, in the order asked. */
  readonly proposed: readonly ({ readonly turnsOn: Policy['turnsOn'] } & DelayProposed)[]
}

const DAYS = 364
const HOUR = 3600

/** A year of a room as people live in it: what each delay does with its light, and which is proposed. */
export function livingWith({ habits, seesSeat, seesBed, delays, turnsOn, seed }: LivingAsked): Living {
  const timeline = timelineOf(habits, DAYS, seed)
  const tried = turnsOn.map(on => ({
    on,
    delays: delays.map(delay => ({
      delay,
      report: presenceOf(timeline, { turnsOn: on, delay, threshold: null, seesSmall: [seesSeat, seesBed] }),
    })),
  }))
  return {
    ways: tried.flatMap(({ on, delays: each }) =>
      each.map(({ delay, report }) => ({
        turnsOn: on,
        delay,
        hoursLit: report.secondsLit / HOUR,
        hoursLitWithNobody: report.secondsLitWithNobody / HOUR,
        presentAndDark: report.presentAndDark,
        switchingsPerDay: report.switchings / DAYS,
      })),
    ),
    proposed: tried.map(({ on, delays: each }) => ({
      turnsOn: on,
      ...proposedDelay(each, timeline.seconds),
    })),
  }
}
