'use client'

import { usePathname } from 'next/navigation'
import { useEffect, useState } from 'react'
import { Away } from '../primitives/away'
import { openJob, type OpenedJob } from '../job/fetch-job'
import { NothingHere } from '../job/nothing-here'
import { useRunning } from '../browser/use-running'
import { useAtHand } from '../browser/use-at-hand'
import { everyPart } from '../primitives/part'
import { everyPage, pageAt } from './pages'
import { JobProvider } from '../job/provider'
import { JobShell } from '../job/shell'
import { Opening } from '../job/opening'

/** Every page of a job: the frame stands at once, the job comes as data, and from page to page nothing is asked for. */
export function JobPage() {
  const path = usePathname()
  if (!useRunning()) return <Opening />
  const [, , jobId, ...parts] = path.replace(/\/$/, '').split('/')
  return jobId ? <OneJob key={jobId} jobId={jobId} parts={parts.map(decoded)} /> : <NothingHere />
}

function decoded(part: string): string {
  try {
    return decodeURIComponent(part)
  } catch {
    return part
  }
}

type Found = OpenedJob | 'none' | 'away' | null

const AGAIN_MILLISECONDS = 2000

function OneJob({ jobId, parts }: { jobId: string; parts: readonly string[] }) {
  const [found, setFound] = useState<Found>(null)
  const [tries, setTries] = useState(0)
  const again = () => setTries(times => times + 1)
  useEffect(() => {
    let wanted = true
    let timer: number | undefined
    openJob(jobId)
      .then(opened => wanted && setFound(opened ?? 'none'))
      .catch(() => {
        if (!wanted) return
        setFound('away')
        timer = window.setTimeout(again, AGAIN_MILLISECONDS)
      })
    return () => {
      wanted = false
      window.clearTimeout(timer)
    }
  }, [jobId, tries])
  if (found === null) return <Opening />
  if (found === 'away') return <Away again={again} />
  if (found === 'none')
    return (
      <main id="main">
        <NothingHere />
      </main>
    )
  return (
    <JobProvider opened={found}>
      <AtHand />
      <JobShell>{pageAt(parts)}</JobShell>
    </JobProvider>
  )
}

const everything = () => everyPage().then(everyPart)

/** Once a job stands, its other pages are fetched, and every part of them. */
function AtHand() {
  useAtHand(everything)
  return null
}
