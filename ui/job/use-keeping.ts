import { useEffect } from 'react'
import type { OpenedJob } from './fetch-job'
import type { JobStore } from './job-store'
import { keepJob } from './kept-job'

/** Once the page stands, and then after each change. */
const AFTER_MILLISECONDS = 3000

/** Keeps the job as the server has it, so that it opens at once the next time, and without a connection. */
export function useKeeping(store: JobStore, { trade, said, demo, job: { record: opened } }: OpenedJob): void {
  useEffect(() => {
    let timer: number | undefined
    let last: object | null = null
    const keep = () => {
      window.clearTimeout(timer)
      timer = undefined
      const job = store.confirmed()
      if (job === last) return
      last = job
      // Of another region there are other devices.
      const same = job.record.job.regionId === opened.job.regionId
      const jobId = job.record.job.id
      const kept = { jobId, job, trade, said: same ? said : '', demo, at: store.knownAt() }
      void keepJob(kept)
    }
    const later = () => (timer ??= window.setTimeout(keep, AFTER_MILLISECONDS))
    const leave = store.subscribe(later)
    later()
    window.addEventListener('pagehide', keep)
    return () => {
      leave()
      keep()
      window.removeEventListener('pagehide', keep)
    }
  }, [store, trade, said, demo, opened])
}
