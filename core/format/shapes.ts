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

export const SHAPES: Readonly<Record<keyof Shapes, Joi.Schema>> = { plan }
