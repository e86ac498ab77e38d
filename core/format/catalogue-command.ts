import Joi from 'joi'
import { CATALOGUE_COMMANDS, type CatalogueCommand } from '../model/catalogue'
import { fault, refused, type Fault, type Result } from '../model/result'
import { parseDevice } from './device-file'
import { validated } from './schemas'

const id = Joi.string()
  .pattern(/^[a-z0-9][a-z0-9-]{0,39}$/, 'id')
  .required()

const commandSchema = Joi.alternatives().conditional(
  Joi.object({ name: Joi.valid('undo', 'redo').required() }).unknown(),
  {
    then: Joi.object({ id, name: Joi.valid('undo', 'redo').required(), undoes: id }),
    otherwise: Joi.object({
      id,
      name: Joi.valid(...CATALOGUE_COMMANDS).required(),
      puts: Joi.array()
        .items(
          Joi.object({
            based: Joi.number().integer().min(1).allow(null).required(),
            device: Joi.object().unknown(true).required(),
          }),
        )
        .min(1)
        .max(1000)
        .required(),
    }),
  },
)

/** A command at the door: its shape, then each device of it. Refused with every path. */
export function parseCatalogueCommand(given: unknown): Result<CatalogueCommand> {
  const shape = validated<CatalogueCommand>(commandSchema, given)
  if (!shape.ok || 'undoes' in shape.value) return shape
  const faults: Fault[] = shape.value.puts.flatMap(({ device }, at) => {
    const parsed = parseDevice(device)
    return parsed.ok
      ? []
      : parsed.faults.map(each => fault(`/puts/${at}/device${each.path}`, each.code, each.message))
  })
  return faults.length > 0 ? refused(...faults) : shape
}
