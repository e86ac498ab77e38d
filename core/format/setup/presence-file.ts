import Joi from 'joi'
import { fault, good, refused, type Result } from '../../model/result'
import { parseHabits, parseTimeline, timelineOf, type Habits, type Policy, type Timeline } from '../../setup'
import { figure, headOf, readFile, under } from './head'

const second = Joi.number().integer().min(0)

const hours = Joi.array().items(figure)
const hourOfDay = Joi.number().min(0).max(24)

const habits = Joi.object({
  visits: Joi.object({ workday: hours.required(), restDay: hours.required() }).required(),
  passing: Joi.object({ share: Joi.number().required(), seconds: figure.required() }).required(),
  stayMinutes: figure.required(),
  sitting: Joi.number().required(),
  walksEvery: figure.required(),
  stirsEvery: figure.required(),
  sleeps: Joi.object({ from: hourOfDay.required(), to: hourOfDay.required() }).allow(null).default(null),
})

const presenceSchema = Joi.object({
  ...headOf('presence'),
  seconds: second,
  /** In the place of seconds, seats and events: of a kind of room, or in figures. */
  habits: Joi.alternatives(Joi.string().max(40), habits),
  days: Joi.number().integer().min(1).max(366).default(365),
  seed: second.default(1),
  firstWeekday: Joi.number().integer().min(1).max(7).default(1),
  seats: Joi.array()
    .items(Joi.object({ asleep: Joi.boolean().default(false) }))
    .default([]),
  events: Joi.array().items(
    Joi.object({
      at: second.required(),
      person: Joi.string().min(1).max(40).default('one'),
      does: Joi.valid('enters', 'leaves', 'walks', 'sits', 'stirs').required(),
      seat: Joi.when('does', { is: 'sits', then: second.required(), otherwise: Joi.forbidden() }),
    }),
  ),
  daylight: Joi.array()
    .items(Joi.object({ at: second.required(), lux: figure.required() }))
    .default([]),
  policies: Joi.array()
    .items(
      Joi.object({
        turnsOn: Joi.valid('by-itself', 'by-hand').required(),
        delay: Joi.number().integer().min(1).max(86_400).required(),
        threshold: figure.allow(null).default(null),
        seesSmall: Joi.array().items(Joi.boolean()).default([]),
      }),
    )
    .min(1)
    .required(),
  watts: figure.default(0),
  pricePerKilowattHour: figure.default(0),
})
  .xor('events', 'habits')
  .and('events', 'seconds')

export interface PresenceAsked {
  readonly timeline: Timeline
  readonly policies: readonly Policy[]
  readonly watts: number
  readonly pricePerKilowattHour: number
}

interface PresenceInFile extends Omit<PresenceAsked, 'timeline'>, Pick<Timeline, 'daylight' | 'seats'> {
  readonly seconds?: number
  readonly events?: Timeline['events']
  readonly habits?: string | Habits
  readonly days: number
  readonly seed: number
  readonly firstWeekday: number
}

/** A file about presence; habits may be named by a kind of room that is known. */
export function parsePresenceFile(
  source: string,
  known: Readonly<Record<string, Habits>>,
): Result<PresenceAsked> {
  const file = readFile<PresenceInFile>(source, presenceSchema)
  if (!file.ok) return file
  const { policies, watts, pricePerKilowattHour } = file.value
  const timeline = timelineIn(file.value, known)
  if (!timeline.ok) return timeline
  const { seats } = timeline.value
  const faults = policies.flatMap(({ seesSmall }, at) =>
    seesSmall.length > 0 && seesSmall.length !== seats.length
      ? [fault(`/policies/${at}/seesSmall`, 'not-each-seat', `there are ${seats.length} seats`)]
      : [],
  )
  return faults.length > 0
    ? refused(...faults)
    : good({ timeline: timeline.value, policies, watts, pricePerKilowattHour })
}

function timelineIn(given: PresenceInFile, known: Readonly<Record<string, Habits>>): Result<Timeline> {
  const { seconds, seats, events, daylight, days, seed, firstWeekday } = given
  if (seconds !== undefined && events) return parseTimeline({ seconds, seats, events, daylight })
  const lived = typeof given.habits === 'string' ? known[given.habits] : given.habits
  if (!lived)
    return refused(fault('/habits', 'unknown-kind', `one of ${Object.keys(known).join(', ')}, or figures`))
  const parsed = parseHabits(lived)
  return parsed.ok
    ? parseTimeline({ ...timelineOf(parsed.value, days, seed, firstWeekday), daylight })
    : refused(...under('/habits', parsed.faults))
}
