import { ENTITY_NAMES, fieldsOf, JOB_FIELDS } from '../model/entities'
import type { Field, Fields } from '../model/fields'
import { JOB_FILE_FORMAT, JOB_FILE_VERSION } from './schemas'

function schemaOf(field: Field): Record<string, unknown> {
  const type = (name: string) => ('nullable' in field && field.nullable ? [name, 'null'] : name)
  switch (field.kind) {
    case 'id':
      return { type: 'string', pattern: '^[a-z0-9][a-z0-9-]{0,39}$' }
    case 'ref':
      return { type: type('string'), description: `id of a row in ${field.to}` }
    case 'text':
      return { type: type('string'), minLength: field.min, maxLength: field.max }
    case 'choice':
      return { enum: field.nullable ? [...field.of, null] : field.of }
    case 'number':
      return { type: type(field.whole ? 'integer' : 'number'), minimum: field.min, maximum: field.max }
    case 'flag':
      return { type: 'boolean' }
    case 'shape':
      return { type: type('object'), description: `as Files for Set describe a ${field.of}` }
    case 'instant':
      return { type: 'string', format: 'date-time', description: 'UTC with milliseconds' }
  }
}

const rowSchema = (fields: Fields) => ({
  type: 'object',
  required: Object.keys(fields),
  properties: Object.fromEntries(Object.entries(fields).map(([name, field]) => [name, schemaOf(field)])),
})

/** The published JSON Schema of the job file, made from the same fields that check it. */
export const jobFileJsonSchema = () => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'Every Room job file',
  type: 'object',
  required: ['format', 'version', 'job', ...ENTITY_NAMES],
  properties: {
    format: { const: JOB_FILE_FORMAT },
    version: { const: JOB_FILE_VERSION },
    job: rowSchema(JOB_FIELDS),
    ...Object.fromEntries(
      ENTITY_NAMES.map(name => [name, { type: 'array', items: rowSchema(fieldsOf(name)) }]),
    ),
  },
})
