import Joi from 'joi'
import type { Result } from '../model/result'
import { validated } from './schemas'

/** So many of one thing are in the van now; `based` is the count that was seen. */
export interface VanCount {
  readonly key: string
  readonly count: number
  readonly based: number
}

const schema = Joi.object({
  key: Joi.string().min(1).max(200).required(),
  count: Joi.number().integer().min(0).max(100_000).required(),
  based: Joi.number().integer().min(0).max(100_000).required(),
})

export const parseVanCount = (given: unknown): Result<VanCount> => validated<VanCount>(schema, given)
