import Joi from 'joi'
import type { Shapes } from '../model/fields'

/** How what hangs together as a whole is written in a job: its shape. Whether it makes sense is asked of the record. */

const metre = Joi.number().min(-1000).max(1000).required()
const point = Joi.object({ x: metre, y: metre })
const wall = Joi.number().integer().min(0).max(59).required()
const boxId = Joi.string()
  .pattern(/^[a-z0-9][a-z0-9-]{0,39}$/, 'id')
  .required()

const plan = Joi.object({
  corners: Joi.array().items(point).required(),
  height: metre,
  openings: Joi.array()
    .items(
      Joi.object({
        kind: Joi.valid('door', 'bare', 'window').required(),
        wall,
        from: metre,
        width: metre,
        hinge: Joi.valid('start', 'end').required(),
        swings: Joi.valid('in', 'out').required(),
        usually: Joi.valid('open', 'shut').required(),
        passage: Joi.object({ from: point.required(), to: point.required(), width: metre })
          .allow(null)
          .required(),
      }),
    )
    .required(),
  furniture: Joi.array()
    .items(
      Joi.object({
        centre: point.required(),
        width: metre,
        depth: metre,
        height: metre,
        turned: Joi.number().min(-360).max(360).required(),
      }),
    )
    .required(),
  seats: Joi.array()
    .items(Joi.object({ at: point.required(), asleep: Joi.boolean().required() }))
    .required(),
  heat: Joi.array().items(point).required(),
  hangings: Joi.array()
    .items(
      Joi.alternatives().conditional(Joi.object({ on: Joi.valid('wall').required() }).unknown(), {
        then: Joi.object({ on: Joi.valid('wall'), boxId, wall, along: metre, height: metre }),
        otherwise: Joi.object({
          on: Joi.valid('ceiling').required(),
          boxId,
          at: point.required(),
          height: metre,
        }),
      }),
    )
    .max(40)
    .required(),
})

const MOST_PLUS = 720
const minuteOfDay = Joi.number().integer().min(0).max(1439)
const moment = Joi.alternatives().conditional(Joi.object({ kind: Joi.valid('clock').required() }).unknown(), {
  then: Joi.object({ kind: Joi.valid('clock'), minute: minuteOfDay.required() }),
  otherwise: Joi.object({
    kind: Joi.valid('dusk', 'dawn').required(),
    plus: Joi.number().integer().min(-MOST_PLUS).max(MOST_PLUS).required(),
  }),
})
const monthDay = Joi.string()
  .pattern(/^\d\d-\d\d$/, 'month and day')
  .required()

const program = Joi.object({
  events: Joi.array()
    .items(
      Joi.object({
        turns: Joi.valid('on', 'off').required(),
        when: Joi.alternatives()
          .conditional(Joi.object({ kind: Joi.valid('earlier', 'later').required() }).unknown(), {
            then: Joi.object({
              kind: Joi.valid('earlier', 'later'),
              of: Joi.array().ordered(moment.required(), moment.required()).required(),
            }),
            otherwise: moment,
          })
          .required(),
        days: Joi.array().items(Joi.number().integer().min(1).max(7)).unique().required(),
        between: Joi.object({ from: monthDay, to: monthDay }).allow(null).required(),
        ofThatNight: Joi.boolean().required(),
        instead: minuteOfDay.allow(null).required(),
        vary: Joi.number().integer().min(0).max(MOST_PLUS).required(),
      }),
    )
    .max(40)
    .required(),
  daylightSaving: Joi.valid('follows', 'stands').required(),
})

const site = Joi.object({
  town: Joi.string().allow('').max(120).required(),
  latitude: Joi.number().min(-90).max(90).required(),
  longitude: Joi.number().min(-180).max(180).required(),
  zone: Joi.string().max(60).required(),
})

const lamp = Joi.string().min(1).max(120).required()

const trim = Joi.object({
  levels: Joi.array().items(Joi.number().min(0).max(100)).min(1).max(100).required(),
  seen: Joi.array()
    .items(
      Joi.object({ saw: Joi.valid('all-steady', 'all-start').required() }),
      Joi.object({ saw: Joi.valid('fails', 'stays-dark').required(), lamp }),
    )
    .max(200)
    .required(),
})

const keyed = Joi.object({ program: program.required(), site: site.allow(null).required() })

export const SHAPES: Readonly<Record<keyof Shapes, Joi.Schema>> = { plan, program, site, trim, keyed }
