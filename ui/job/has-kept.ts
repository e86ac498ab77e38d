import { HAVE } from '../primitives/early'

/** Whether this browser has a job of before. */
export function hasKept(jobId: string): boolean {
  try {
    return localStorage.getItem(`${HAVE}${jobId}`) !== null
  } catch {
    return false
  }
}
