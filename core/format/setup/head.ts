import Joi from 'joi'
import { type Fault, type Result } from '../../model/result'
import { fromJson } from '../json'
import { validated } from '../schemas'

/** Files that ask one question of Set, without a job around it: their shapes stand in docs/formats.md. */
export type SetupFile = 'program' | 'room' | 'presence' | 'energy'

export const headOf = (kind: SetupFile) => ({
  format: Joi.valid(`everyroom-${kind}`).required(),
  version: Joi.valid(1).required(),
})

/** Faults of a part, by their paths in the whole. */
export const under = (path: string, faults: readonly Fault[]): Fault[] =>
  faults.map(each => ({ ...each, path: `${path}${each.path}` }))

/** What a file says once it has the shape that its schema gives. */
export function readFile<Value>(source: string, schema: Joi.Schema): Result<Value> {
  const json = fromJson(source)
  return json.ok ? validated<Value>(schema, json.value) : json
}

export const figure = Joi.number().min(0).max(1e6)
