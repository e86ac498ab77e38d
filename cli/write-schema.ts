import { writeFile } from 'node:fs/promises'
import path from 'node:path'
import { jobFileJsonSchema } from '@/core/format/json-schema'

const file = path.resolve(import.meta.dirname, '../docs/job-file.schema.json')
await writeFile(file, JSON.stringify(jobFileJsonSchema(), null, 2) + '\n')
console.log('wrote docs/job-file.schema.json')
