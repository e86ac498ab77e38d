import type { Command, UndoCommand } from '@/core/job/command'
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
    kept: () => {
      try {
        return JSON.parse(localStorage.getItem(key) ?? '[]') as (Command | UndoCommand)[]
      } catch {
        return []
      }
    },
  }
}
