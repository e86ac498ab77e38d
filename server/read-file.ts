import path from 'node:path'
import { Worker } from 'node:worker_threads'
import { parseJobFile, type JobFile } from '@/core/format/job-file'
import type { Result } from '@/core/model/result'
import { inTurn } from './in-turn'

/** As much is read while a request waits that nobody notices; more of it would hold up everybody else. */
const READ_HERE_CHARACTERS = 60_000

/** Reads a job file as `parseJobFile` does, off the thread that answers requests where it is large; one at a time. */
export function readJobFile(source: string): Promise<Result<JobFile>> {
  return source.length <= READ_HERE_CHARACTERS
    ? Promise.resolve(parseJobFile(source))
    : inTurn('a job file', () => readBeside(source))
}

/** Built it is a script; where nothing is built, it is read as it is written. */
function reader(): Worker {
  if (process.env.NEXT_RUNTIME) return new Worker(path.join(process.cwd(), 'read-file.worker.cjs'))
  const beside = JSON.stringify(import.meta.url)
  return new Worker(
    `import('tsx/esm/api').then(({ tsImport }) => tsImport('./read-file.worker.ts', ${beside}))`,
    { eval: true },
  )
}

async function readBeside(source: string): Promise<Result<JobFile>> {
  const worker = reader()
  try {
    return await new Promise((resolve, reject) => {
      worker.once('message', resolve)
      worker.once('error', reject)
      worker.once('exit', code => reject(new Error(`reading a job file ended with ${code}`)))
      worker.postMessage(source)
    })
  } finally {
    void worker.terminate()
  }
}
