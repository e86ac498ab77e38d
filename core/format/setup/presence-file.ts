import Joi from 'joi'
import { fault, good, refused, type Result } from '../../model/result'
import { parseTimeline, type Policy, type Timeline } from '../../setup'
import { figure, headOf, readFile } from './head'

const second = Joi.number().integer().min(0)

const presenceSchema = Joi.object({
  ...headOf('presence'),
  seconds: second.required(),
  seats: Joi.array()
    .items(Joi.object({ asleep: Joi.boolean().default(false) }))
    .default([]),
  events: Joi.array()
    .items(
      Joi.object({
        at: second.required(),
        person: Joi.string().min(1).max(40).default('one'),
        does: Joi.valid('enters', 'leaves', 'walks', 'sits', 'stirs').required(),
        seat: Joi.when('does', { is: 'sits', then: second.required(), otherwise: Joi.forbidden() }),
      }),
    )
    .required(),
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

export interface PresenceAsked {
  readonly timeline: Timeline
  readonly policies: readonly Policy[]
  readonly watts: number
  readonly pricePerKilowattHour: number
}

export function parsePresenceFile(source: string): Result<PresenceAsked> {
  const file = readFile<Timeline & Omit<PresenceAsked, 'timeline'>>(source, presenceSchema)
  if (!file.ok) return file
  const { seconds, seats, events, daylight, policies, watts, pricePerKilowattHour } = file.value
  const timeline = parseTimeline({ seconds, seats, events, daylight })
  if (!timeline.ok) return timeline
  const faults = policies.flatMap(({ seesSmall }, at) =>
    seesSmall.length > 0 && seesSmall.length !== seats.length
      ? [fault(`/policies/${at}/seesSmall`, 'not-each-seat', `there are ${seats.length} seats`)]
      : [],
  )
  return faults.length > 0
    ? refused(...faults)
    : good({ timeline: timeline.value, policies, watts, pricePerKilowattHour })
}
