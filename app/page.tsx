import { JobsPage } from '@/ui/jobs/jobs-page'

export default function Page() {
  return <JobsPage />
}
