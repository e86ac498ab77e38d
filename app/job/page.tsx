import { JobPage } from '@/ui/pages/job-page'

/** Every page of every job: the address says which, and the job comes as data. */
export default function Page() {
  return <JobPage />
}
