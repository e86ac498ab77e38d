import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import type { ReactNode } from 'react'
import { loadJob } from '@/server/jobs'
import { JobProvider } from '@/ui/job/provider'
import { JobShell } from '@/ui/job/shell'

export const dynamic = 'force-dynamic'

interface Props {
  readonly params: Promise<{ jobId: string }>
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const job = await loadJob((await params).jobId)
  return { title: job?.record.job.name ?? 'No such job' }
}

export default async function JobLayout({ params, children }: Props & { children: ReactNode }) {
  const job = await loadJob((await params).jobId)
  if (!job) notFound()
  return (
    <JobProvider initial={job}>
      <JobShell>{children}</JobShell>
    </JobProvider>
  )
}
