import type { Heard } from '@/core/job/hearing'
import { havingWords, type VersionedJob } from '@/core/job/since'
import { fetchJob } from './fetch-job'
import { nextOfDevice, thisDevice, whoHasIt } from './device'
import type { StoreWorld } from './job-store'
import { forgetUnsent, keepUnsent, unsentOf } from './unsent'

/** What the store of a job reaches in a browser: the server, the clock, and what is kept over a reload. */
export function browserWorld(jobId: string): StoreWorld {
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
    keep: command => keepUnsent(jobId, command),
    forget: id => void forgetUnsent(jobId, id),
    kept: () => unsentOf(jobId),
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
