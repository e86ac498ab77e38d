import type { Command, UndoCommand } from '@/core/job/command'
import type { Heard } from '@/core/job/hearing'
import { nextOfDevice, thisDevice, whoHasIt } from './device'
import { newId } from './new-id'
import type { StoreWorld } from './store'

/** What the store of a job reaches in a browser: the server, the clock, and what is kept over a reload. */
export function browserWorld(jobId: string): StoreWorld {
  const key = `every-room/pending/${jobId}`
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
    load: () => fetch(base, { cache: 'no-store' }).then(response => (response.ok ? response.json() : null)),
    loadUndo: boxId => fetch(`${base}/undo${boxId ? `?box=${boxId}` : ''}`, { cache: 'no-store' }).then(json),
    now: () => new Date().toISOString(),
    later: (milliseconds, work) => void window.setTimeout(work, milliseconds),
    keep: pending => {
      if (pending.length === 0) localStorage.removeItem(key)
      else localStorage.setItem(key, JSON.stringify(pending))
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
    kept: () => {
      try {
        return (JSON.parse(localStorage.getItem(key) ?? '[]') as (Command | UndoCommand)[]).map(withOrigin)
      } catch {
        return []
      }
    },
  }
}

/** What an earlier version of this page kept does not say what its person had seen: nothing, then. */
const withOrigin = <Kept extends Command | UndoCommand>(kept: Kept): Kept =>
  (kept.origin as Kept['origin'] | undefined)
    ? kept
    : { ...kept, origin: { device: newId(), number: 1, seen: 0, by: '' } }

/** A page that nobody looks at any more, with nothing unsent: it keeps nothing from others. */
export function restHere(jobId: string): void {
  const word = { device: thisDevice(), by: whoHasIt(), rests: true, unsent: false }
  navigator.sendBeacon(
    `/api/jobs/${jobId}/hearing`,
    new Blob([JSON.stringify(word)], { type: 'application/json' }),
  )
}
