import { listJobs } from '@/server/jobs'
import { JobsPage } from '@/ui/jobs/jobs-page'

export const dynamic = 'force-dynamic'

export default async function Page() {
  return <JobsPage jobs={await listJobs()} />
}
