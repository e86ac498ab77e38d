import { openDB, type DBSchema, type IDBPDatabase, type IDBPTransaction } from 'idb'
import type { Command, UndoCommand } from '@/core/job/command'
import type { VersionedJob } from '@/core/job/since'
import type { Trade } from '@/core/model/trade'

/** A job as this browser had it last. */
export interface KeptJob {
  readonly jobId: string
  readonly job: VersionedJob
  readonly trade: Trade
  /** Where the trade came from, to tell whether it is still that. */
  readonly said: string
  readonly demo: boolean
  /** When it was known to stand so; UTC, ISO 8601. */
  readonly at: string
}

/** A command that was not answered so far. */
export interface UnsentCommand {
  readonly id: string
  readonly jobId: string
  readonly command: Command | UndoCommand
}

/** Which phone or desk this is, and up to which number what is done on it may be numbered. */
export interface SetAside {
  readonly device: string
  readonly upTo: number
}

interface Kept extends DBSchema {
  jobs: { key: string; value: KeptJob; indexes: { at: string } }
  unsent: { key: string; value: UnsentCommand; indexes: { jobId: string } }
  device: { key: 'this'; value: SetAside }
}

/** A store that does not open is as good as none. */
const PATIENCE_MILLISECONDS = 3000
const AGAIN_MILLISECONDS = 5000

let opened: Promise<IDBPDatabase<Kept>> | null = null

/** What this browser keeps, for all its pages. Fails where it keeps nothing. */
export const database = (): Promise<IDBPDatabase<Kept>> =>
  (opened ??= soon(
    openDB<Kept>('every-room', 2, {
      upgrade: (db, before, _now, tx) => {
        // A job is fetched again in the shape it has now; what waits to be sent stays.
        if (before > 0) return void tx.objectStore('jobs').clear()
        db.createObjectStore('jobs', { keyPath: 'jobId' }).createIndex('at', 'at')
        db.createObjectStore('unsent', { keyPath: 'id' }).createIndex('jobId', 'jobId')
        db.createObjectStore('device')
      },
      blocking: () => void close(),
      terminated: () => void (opened = null),
    }),
  ).catch((error: unknown) => {
    // Whoever asks now is told at once; later it is tried again.
    window.setTimeout(() => void (opened = null), AGAIN_MILLISECONDS)
    throw error
  }))

/** A later version of the product waits for this one to let go. */
async function close(): Promise<void> {
  const db = await opened
  opened = null
  db?.close()
}

type Table = 'unsent' | 'device'

/** Writes what has to be there even where the browser is ended the next moment: done only once it is on the disk. */
export async function written<Name extends Table, Value>(
  table: Name,
  write: (tx: IDBPTransaction<Kept, [Name], 'readwrite'>) => Promise<Value>,
): Promise<Value> {
  const tx = (await database()).transaction(table, 'readwrite', { durability: 'strict' })
  const [value] = await Promise.all([write(tx), tx.done])
  return value
}

function soon<Value>(promise: Promise<Value>): Promise<Value> {
  return new Promise((resolve, reject) => {
    const late = window.setTimeout(() => reject(new Error('the store does not open')), PATIENCE_MILLISECONDS)
    promise.then(resolve, reject).finally(() => window.clearTimeout(late))
  })
}
