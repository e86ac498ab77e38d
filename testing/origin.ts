import type { Origin } from '@/core/job/command'

let number = 0

/** Of what is done by a test, one thing after another on a device of its own, with a revision of the job before it. */
export const doneByTest = (seen = 0): Origin => ({
  device: `test-${process.pid}`,
  number: ++number,
  seen,
  by: '',
})
