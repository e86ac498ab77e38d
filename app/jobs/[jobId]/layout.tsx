import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import type { ReactNode } from 'react'
import type { Trade } from '@/core/model/trade'
import type { JobRecord } from '@/core/model/record'
import { currentTrade } from '@/server/catalogue'
import { isDemo, loadJob } from '@/server/jobs'
import { JobProvider } from '@/ui/job/provider'
import { JobShell } from '@/ui/job/shell'
import { later } from '@/core/words/say'

/** Only what a job of this region can ask for travels to the browser, and what stands in it already. */
function tradeFor({ job, devices, choices }: JobRecord, trade: Trade): Trade {
  const used = new Set([...Object.values(devices), ...Object.values(choices)].map(row => row.modelId))
  return {
    ...trade,
    devices: trade.devices.filter(device => device.regions.includes(job.regionId) || used.has(device.id)),
  }
}

export const dynamic = 'force-dynamic'

interface Props {
  readonly params: Promise<{ jobId: string }>
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const job = await loadJob((await params).jobId)
  return { title: job?.record.job.name ?? later`No such job` }
}

export default async function JobLayout({ params, children }: Props & { children: ReactNode }) {
  const job = await loadJob((await params).jobId)
  if (!job) notFound()
  return (
    <JobProvider
      initial={job}
      trade={tradeFor(job.record, await currentTrade())}
      demo={await isDemo(job.record.job.id)}
    >
      <JobShell>{children}</JobShell>
    </JobProvider>
  )
}
