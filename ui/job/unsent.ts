import type { Command, UndoCommand } from '@/core/job/command'
import { database, written } from './browser-db'

/* What was done in this browser and not answered so far: one queue a job for all its pages, and for those after them. */

type Each = Command | UndoCommand

interface Word {
  readonly jobId: string
  readonly id: string
  readonly isKept: boolean
}

/** What is known to be there, by job: of this page and, as they say, of others. */
const known = new Map<string, Set<string>>()
const knownOf = (jobId: string): Set<string> => {
  const ids = known.get(jobId) ?? new Set()
  known.set(jobId, ids)
  return ids
}

const note = ({ jobId, id, isKept }: Word) =>
  void (isKept ? knownOf(jobId).add(id) : knownOf(jobId).delete(id))

let channel: BroadcastChannel | null = null

/** Other pages of this browser are told, and tell. */
function say(word: Word): void {
  note(word)
  hearOthers()?.postMessage(word)
}

function hearOthers(): BroadcastChannel | null {
  if (channel || typeof BroadcastChannel === 'undefined') return channel
  channel = new BroadcastChannel('every-room/unsent')
  channel.onmessage = ({ data }) => note(data as Word)
  return channel
}

/** Fails where it cannot be kept; done once it outlives the end of the browser. */
export async function keepUnsent(jobId: string, command: Each): Promise<void> {
  const { id } = command
  await written('unsent', async tx => {
    const put = tx.store.put({ id, jobId, command })
    // It is written even where the page goes now.
    tx.commit()
    await put
  })
  say({ jobId, id, isKept: true })
}

export async function forgetUnsent(jobId: string, id: string): Promise<void> {
  say({ jobId, id, isKept: false })
  try {
    await (await database()).delete('unsent', id)
  } catch {
    // Sent again, it is applied once.
  }
}

/** In the order it was done on this device; nothing where nothing can be kept. */
export async function unsentOf(jobId: string): Promise<readonly Each[]> {
  hearOthers()
  try {
    const rows = await (await database()).getAllFromIndex('unsent', 'jobId', jobId)
    known.set(jobId, new Set(rows.map(({ id }) => id)))
    return rows.map(({ command }) => command).sort((a, b) => a.origin.number - b.origin.number)
  } catch {
    return []
  }
}

/** Whether any page of this browser has something of a job that is not sent. */
export const hasUnsent = (jobId: string): boolean => knownOf(jobId).size > 0
