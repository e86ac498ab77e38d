import Joi from 'joi'
import { DIMMING, type LampChange } from '../model/lamps'
import type { Result } from '../model/result'
import { LAMP_KINDS, RATING_KINDS } from '../model/vocabulary'
import { validated } from './schemas'

const figures = Joi.object({
  words: Joi.string().trim().min(1).max(80).required(),
  rating: Joi.valid(...RATING_KINDS).required(),
  powerFactorIfNotPrinted: Joi.number().min(0.2).max(1).required(),
  offLimitMilliamps: Joi.number().min(0.01).max(1000).required(),
  dimming: Joi.valid(...DIMMING).required(),
})

const schema = Joi.object({
  kind: Joi.valid(...LAMP_KINDS).required(),
  figures: figures.allow(null).required(),
  based: Joi.number().integer().min(0).required(),
})

export const parseLampChange = (given: unknown): Result<LampChange> => validated<LampChange>(schema, given)
