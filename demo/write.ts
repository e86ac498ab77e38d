import { writeFile } from 'node:fs/promises'
import path from 'node:path'
import { writeJobFile } from '@/core/format/job-file'
import { demoJobs } from './index'

for (const { file, build } of demoJobs) {
  await writeFile(path.join(import.meta.dirname, file), writeJobFile({ record: build(), extra: {} }))
  console.log(`wrote demo/${file}`)
}
