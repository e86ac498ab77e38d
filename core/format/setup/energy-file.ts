import Joi from 'joi'
import type { Result } from '../../model/result'
import type { Use } from '../../setup'
import { figure, headOf, readFile } from './head'

const use = Joi.object({
  hours: Joi.number().min(0).max(8784).required(),
  watts: figure.required(),
  level: Joi.number().min(0).max(1).default(1),
  floor: Joi.number().min(0).max(1).default(0),
  standbyWatts: figure.default(0),
})

const energySchema = Joi.object({
  ...headOf('energy'),
  pricePerKilowattHour: figure.required(),
  lights: Joi.array()
    .items(
      Joi.object({
        name: Joi.string().min(1).max(80).required(),
        before: use.required(),
        after: use.required(),
        cost: figure.default(0),
      }),
    )
    .min(1)
    .required(),
})

export interface EnergyAsked {
  readonly pricePerKilowattHour: number
  readonly lights: readonly {
    readonly name: string
    readonly before: Use
    readonly after: Use
    readonly cost: number
  }[]
}

export const parseEnergyFile = (source: string): Result<EnergyAsked> => readFile(source, energySchema)
