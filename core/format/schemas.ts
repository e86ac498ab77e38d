import Joi from 'joi'
import { COMMAND_NAMES } from '../job/command'
import { ENTITIES, ENTITY_NAMES, JOB_FIELDS, type EntityName } from '../model/entities'
import type { Field, Fields } from '../model/fields'
import { SHAPES } from './shapes'
import { PLACED_NAMES } from '../model/placed'
import { fault, good, refused, type Result } from '../model/result'

/** Ids are made by clients: lower-case letters, figures and hyphens, 1 to 40 characters. */
const ID = /^[a-z0-9][a-z0-9-]{0,39}$/
const INSTANT = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}\.\d{3}Z$/

/** Half a character is kept by no database. */
const wholeCharacters: Joi.CustomValidator<string> = (text, helpers) =>
  /\p{Surrogate}/u.test(text) ? helpers.message({ custom: '{{#label}} holds half a character' }) : text

/** A day and an hour that there are, written as they are kept. */
const realInstant: Joi.CustomValidator<string> = (text, helpers) => {
  const at = new Date(text)
  return Number.isNaN(at.getTime()) || at.toISOString() !== text || at.getUTCFullYear() < 1000
    ? helpers.message({ custom: '{{#label}} is no moment there is' })
    : text
}

export function joiOf(field: Field): Joi.Schema {
  const maybe = (schema: Joi.Schema) => ('nullable' in field && field.nullable ? schema.allow(null) : schema)
  switch (field.kind) {
    case 'id':
    case 'ref':
      return maybe(Joi.string().pattern(ID, 'id'))
    case 'text':
      return maybe(
        (field.min === 0
          ? Joi.string().max(field.max).allow('')
          : Joi.string().min(field.min).max(field.max)
        ).custom(wholeCharacters),
      )
    case 'choice':
      return maybe(Joi.string().valid(...field.of))
    case 'number': {
      const number = Joi.number().min(field.min).max(field.max)
      return maybe(field.whole ? number.integer() : number)
    }
    case 'flag':
      return Joi.boolean()
    case 'shape':
      return maybe(SHAPES[field.of])
    case 'instant':
      return Joi.string().pattern(INSTANT, 'instant').custom(realInstant)
  }
}

const keysOf = (fields: Fields, presence: 'required' | 'optional') =>
  Object.fromEntries(Object.entries(fields).map(([name, field]) => [name, joiOf(field).presence(presence)]))

const extra = Joi.object().unknown(true)

/** A row as it stands in a file: every field, and any that this version does not know. */
const rowInFile = (fields: Fields) => Joi.object(keysOf(fields, 'required')).unknown(true)

/** A row that is added: its place among what others did is given with the command, whatever it says of it. */
function rowInCommand(fields: Fields): Joi.ObjectSchema {
  const given = Object.entries(fields).filter(([name]) => PLACED_NAMES.includes(name))
  return Joi.object({
    ...keysOf(fields, 'required'),
    ...keysOf(Object.fromEntries(given), 'optional'),
    extra,
  })
}

function fieldsInCommand(fields: Fields): Joi.ObjectSchema {
  const { id: _id, ...rest } = keysOf(fields, 'optional')
  return Joi.object(rest).min(1)
}

const idSchema = Joi.string().pattern(ID, 'id').required()
const based = Joi.number().integer().min(1).required()

const editSchema = Joi.alternatives().conditional(Joi.object({ kind: Joi.valid('add') }).unknown(), {
  then: Joi.object({
    kind: Joi.valid('add').required(),
    entity: Joi.valid(...ENTITY_NAMES).required(),
    row: Joi.alternatives()
      .conditional('entity', {
        switch: ENTITY_NAMES.map(name => ({ is: name, then: rowInCommand(ENTITIES[name]).required() })),
      })
      .required(),
  }),
  otherwise: Joi.alternatives().conditional(Joi.object({ kind: Joi.valid('change') }).unknown(), {
    then: Joi.object({
      kind: Joi.valid('change').required(),
      entity: Joi.valid('job', ...ENTITY_NAMES).required(),
      id: idSchema,
      based,
      fields: Joi.alternatives()
        .conditional('entity', {
          switch: [
            { is: 'job', then: fieldsInCommand(JOB_FIELDS).required() },
            ...ENTITY_NAMES.map(name => ({ is: name, then: fieldsInCommand(ENTITIES[name]).required() })),
          ],
        })
        .required(),
    }),
    otherwise: Joi.object({
      kind: Joi.valid('remove').required(),
      entity: Joi.valid(...ENTITY_NAMES).required(),
      id: idSchema,
      based,
    }),
  }),
})

const originSchema = Joi.object({
  device: idSchema,
  number: Joi.number().integer().min(1).max(1_000_000_000).required(),
  seen: Joi.number().integer().min(0).max(1_000_000_000).required(),
  by: Joi.string().max(80).allow('').custom(wholeCharacters).required(),
}).required()

export const commandSchema = Joi.alternatives().conditional(
  Joi.object({ name: Joi.valid('undo', 'redo').required() }).unknown(),
  {
    then: Joi.object({
      id: idSchema,
      origin: originSchema,
      name: Joi.valid('undo', 'redo').required(),
      boxId: idSchema.allow(null),
      undoes: idSchema,
    }),
    otherwise: Joi.object({
      id: idSchema,
      origin: originSchema,
      name: Joi.valid(...COMMAND_NAMES).required(),
      boxId: idSchema.allow(null),
      edits: Joi.array().items(editSchema).min(1).max(200).required(),
    }),
  },
)

const tables = Object.fromEntries(
  ENTITY_NAMES.map(name => [name, Joi.array().items(rowInFile(ENTITIES[name])).required()]),
) as Record<EntityName, Joi.Schema>

export const JOB_FILE_FORMAT = 'everyroom-job'
export const JOB_FILE_VERSION = 20

export const jobFileSchema = Joi.object({
  format: Joi.valid(JOB_FILE_FORMAT).required(),
  version: Joi.valid(JOB_FILE_VERSION).required(),
  job: rowInFile(JOB_FIELDS).required(),
  ...tables,
}).unknown(true)

export const NOTHING_COERCED = { convert: false } as const

/** A job file with no rows. */
export const NO_ROWS: Readonly<Record<string, readonly []>> = Object.fromEntries(
  ENTITY_NAMES.map(name => [name, []]),
)

/** Runs a schema with nothing coerced, and gives every fault with its path. */
export function validated<Value>(schema: Joi.Schema, value: unknown): Result<Value> {
  const { error, value: checkedValue } = schema.validate(value, { ...NOTHING_COERCED, abortEarly: false })
  if (!error) return good(checkedValue as Value)
  return refused(
    ...error.details.map(({ path, type, message }) =>
      fault(`/${path.join('/')}`, type, message.replaceAll('"', '“').replace(/“([^“]*)“/g, '“$1”')),
    ),
  )
}
