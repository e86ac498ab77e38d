import type { Command, Origin, UndoCommand } from '@/core/job/command'
import type { Heard } from '@/core/job/hearing'
import { havingWords, type VersionedJob } from '@/core/job/since'
import { fetchJob } from './fetch-job'
import { nextOfDevice, thisDevice, whoHasIt } from './device'
import type { StoreWorld } from './job-store'

/** What the store of a job reaches in a browser: the server, the clock, and what is kept over a reload. */
export function browserWorld(jobId: string): StoreWorld {
  const prefix = prefixOf(jobId)
  const keyOf = ({ id, origin }: Command | UndoCommand) => `${prefix}${inOrder(origin.number)}/${id}`
  const base = `/api/jobs/${jobId}`
  const json = async (response: Response) => {
    if (response.status >= 500) throw new Error(`the server answered ${response.status}`)
    return response.json()
  }
  return {
    post: command =>
      fetch(`${base}/commands`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(command),
      }).then(json),
    load: having => fetchJob(jobId, having),
    loadUndo: boxId => fetch(`${base}/undo${boxId ? `?box=${boxId}` : ''}`, { cache: 'no-store' }).then(json),
    now: () => new Date().toISOString(),
    later: (milliseconds, work) => void window.setTimeout(work, milliseconds),
    keep: command => localStorage.setItem(keyOf(command), JSON.stringify(command)),
    forget: id => {
      try {
        for (const key of keysOf(prefix)) if (key.endsWith(`/${id}`)) localStorage.removeItem(key)
      } catch {
        // Sent again, it is applied once.
      }
    },
    kept: () => {
      takeOverOld(`every-room/pending/${jobId}`, keyOf)
      return keptUnder(prefix)
    },
    hear: word =>
      fetch(`${base}/hearing`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ device: thisDevice(), by: whoHasIt(), ...word }),
        // One word that hangs is as good as none.
        signal: AbortSignal.timeout(4000),
      }).then(response => {
        if (!response.ok) throw new Error(`the server answered ${response.status}`)
        return response.json() as Promise<Heard>
      }),
    next: nextOfDevice,
    by: whoHasIt,
  }
}

const prefixOf = (jobId: string): string => `every-room/unsent/${jobId}/`

/** So that keys are in the order of numbers. */
const inOrder = (number: number): string => String(number).padStart(10, '0')

const keysOf = (prefix: string): string[] =>
  Object.keys(localStorage)
    .filter(key => key.startsWith(prefix))
    .sort()

/** One entry a command, so that pages of one device keep theirs beside each other; none that is broken stops the rest. */
function keptUnder(prefix: string): (Command | UndoCommand)[] {
  try {
    return keysOf(prefix).flatMap(key => {
      try {
        return [JSON.parse(localStorage.getItem(key)!) as Command | UndoCommand]
      } catch {
        return []
      }
    })
  } catch {
    return []
  }
}

/** What an earlier version kept as one list, which does not say what its person had seen: nothing, then. */
function takeOverOld(key: string, keyOf: (command: Command | UndoCommand) => string): void {
  try {
    const list = JSON.parse(localStorage.getItem(key) ?? '[]') as (Command | UndoCommand)[]
    list.forEach((command, at) => {
      const origin = { device: thisDevice(), number: at + 1, seen: 0, by: '' }
      const whole = { ...command, origin: (command.origin as Origin | undefined) ?? origin }
      localStorage.setItem(keyOf(whole), JSON.stringify(whole))
    })
    localStorage.removeItem(key)
  } catch {
    // It stays where it is.
  }
}

/** Whether any page of this browser has something of a job that is not sent. */
export function hasUnsent(jobId: string): boolean {
  try {
    return keysOf(prefixOf(jobId)).length > 0
  } catch {
    return false
  }
}

/** A page that nobody looks at any more, with nothing unsent: it keeps nothing from others. */
export function restHere(jobId: string): void {
  const word = { device: thisDevice(), by: whoHasIt(), rests: true, unsent: false }
  navigator.sendBeacon(
    `/api/jobs/${jobId}/hearing`,
    new Blob([JSON.stringify(word)], { type: 'application/json' }),
  )
}

/** Tells of each command to a job, from what is here on. */
export const eventsOf = (job: VersionedJob): EventSource =>
  new EventSource(`/api/jobs/${job.record.job.id}/events?having=${havingWords(job)}`)
