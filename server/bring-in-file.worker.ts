import { parentPort } from 'node:worker_threads'
import type { Asked, Said } from './bring-in-file'
import { closePool } from './database'
import { storedFromFile } from './stored-file'

/** Brings in one job file on a thread and a connection of its own. */
parentPort!.once('message', (asked: Asked) => {
  void saidOf(asked).then(said => parentPort!.postMessage(said))
})

async function saidOf({ source, pictures }: Asked): Promise<Said> {
  try {
    return { stored: await storedFromFile(source, pictures) }
  } catch (error) {
    const { message, code } = error as { message?: unknown; code?: unknown }
    // What made it may not be cloned: what is gone by is.
    return { failed: { message: String(message), code: typeof code === 'string' ? code : null } }
  } finally {
    await closePool().catch(() => undefined)
  }
}
