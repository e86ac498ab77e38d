import path from 'node:path'
import { Worker } from 'node:worker_threads'
import type { Result } from '@/core/model/result'
import { inTurn } from './in-turn'
import { storedFromFile, type Pictures } from './stored-file'

/** As much is read while a request waits that nobody notices; more of it would hold up everybody else. */
const READ_HERE_CHARACTERS = 60_000

/** What is asked of the thread beside, and what it answers. */
export interface Asked {
  readonly source: string
  readonly pictures: Pictures
}
export type Said =
  | { readonly stored: Result<string> }
  | { readonly failed: { readonly message: string; readonly code: unknown } }

/** As `storedFromFile`, off the thread that answers requests where the file is large; one of those at a time. */
export function bringInFile(source: string, pictures: Pictures = new Map()): Promise<Result<string>> {
  return source.length <= READ_HERE_CHARACTERS
    ? storedFromFile(source, pictures)
    : inTurn('a job file', () => storedBeside({ source, pictures }))
}

/** What it makes stays until it is written: it is not looked through for what could go meanwhile. */
const ROOM = { maxYoungGenerationSizeMb: 128 }

/** Built it is a script; where nothing is built, it is read as it is written. */
function beside(): Worker {
  if (process.env.NEXT_RUNTIME)
    return new Worker(path.join(process.cwd(), 'bring-in-file.worker.cjs'), { resourceLimits: ROOM })
  const here = JSON.stringify(import.meta.url)
  return new Worker(
    `import('tsx/esm/api').then(({ tsImport }) => tsImport('./bring-in-file.worker.ts', ${here}))`,
    { eval: true },
  )
}

async function storedBeside(asked: Asked): Promise<Result<string>> {
  const worker = beside()
  try {
    const said = await new Promise<Said>((resolve, reject) => {
      worker.once('message', resolve)
      worker.once('error', reject)
      worker.once('exit', code => reject(new Error(`bringing in a job file ended with ${code}`)))
      worker.postMessage(asked)
    })
    if ('stored' in said) return said.stored
    throw Object.assign(new Error(said.failed.message), { code: said.failed.code })
  } finally {
    void worker.terminate()
  }
}
