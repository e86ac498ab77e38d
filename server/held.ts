import { havingWords, rowsNow, type Having, type Since, type VersionedJob } from '@/core/job/since'

/** How many jobs are held as they stand, those that were asked for last. */
const MOST_HELD = 150

interface Held {
  readonly jobs: Map<string, VersionedJob>
  readonly listeners: Map<string, Set<(since: Since) => void>>
}

// One a process, however many times this file is bundled.
const holder = globalThis as { everyRoomHeld?: Held }
const all = (): Held => (holder.everyRoomHeld ??= { jobs: new Map(), listeners: new Map() })

/** The job as it was read or written last, if that is how it stands now. */
export function heldJob(jobId: string, now: Having): VersionedJob | null {
  const held = heldLast(jobId)
  return held && havingWords(held) === havingWords(now) ? held : null
}

/** The job as it was read or written last, however it stands now. */
export const heldLast = (jobId: string): VersionedJob | null => all().jobs.get(jobId) ?? null

/** Keeps a job as it stands: what is asked of it next needs no reading of its tables. */
export function hold(jobId: string, job: VersionedJob): void {
  const { jobs } = all()
  const held = jobs.get(jobId)
  // What was read before another was written arrives late.
  if (held && held.line === job.line && held.revision > job.revision) return
  jobs.delete(jobId)
  jobs.set(jobId, job)
  if (jobs.size > MOST_HELD) jobs.delete(jobs.keys().next().value!)
}

export const letGo = (jobId: string): boolean => all().jobs.delete(jobId)

/** A job after a command: held, and told to everybody who listens. */
export function holdNext(
  jobId: string,
  job: VersionedJob,
  command: string,
  touched: readonly string[],
): void {
  hold(jobId, job)
  const listeners = all().listeners.get(jobId)
  if (!listeners) return
  const { line, revision } = job
  const since: Since = {
    line,
    revision,
    from: revision - 1,
    commands: [command],
    rows: rowsNow(job, touched),
  }
  for (const listener of listeners) {
    try {
      listener(since)
    } catch {
      // What is written is written, whoever cannot be told of it.
      listeners.delete(listener)
    }
  }
}

/** Tells of each command to a job, until what is given back is called. */
export function listenTo(jobId: string, listener: (since: Since) => void): () => void {
  const { listeners } = all()
  const those = listeners.get(jobId) ?? new Set()
  listeners.set(jobId, those.add(listener))
  return () => {
    those.delete(listener)
    if (those.size === 0) listeners.delete(jobId)
  }
}
