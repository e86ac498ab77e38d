/** The pages of a job, in the order in which they are offered; the path after the job’s own. */
export const PAGES_OF_JOB = [
  { path: '', words: 'House' },
  { path: '/panel', words: 'Panel' },
  { path: '/day', words: 'Day' },
  { path: '/defects', words: 'Defects' },
  { path: '/pick', words: 'Pick list' },
  { path: '/whole', words: 'Whole house' },
  { path: '/rules', words: 'Rules' },
] as const
