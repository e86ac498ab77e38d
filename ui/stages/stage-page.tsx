'use client'

import dynamic from 'next/dynamic'
import Link from 'next/link'
import type { ComponentType } from 'react'
import type { BoxView } from '@/core/job/box-view'
import type { Stage } from '@/core/model/vocabulary'
import { useBox, useJob } from '../job/provider'

const PAGES: Readonly<Record<Stage, ComponentType<{ view: BoxView }>>> = {
  look: dynamic(() => import('./look/look-stage').then(module => module.LookStage)),
  test: dynamic(() => import('./test/test-stage').then(module => module.TestStage)),
  choose: dynamic(() => import('./choose/choose-stage').then(module => module.ChooseStage)),
  wire: dynamic(() => import('./wire/wire-stage').then(module => module.WireStage)),
  set: dynamic(() => import('./set/set-stage').then(module => module.SetStage)),
  prove: dynamic(() => import('./prove/prove-stage').then(module => module.ProveStage)),
}

export function StagePage({ boxId, stage }: { boxId: string; stage: Stage }) {
  const view = useBox(boxId)
  const { record } = useJob()
  const Page = PAGES[stage]
  if (!view)
    return (
      <div className="pt-8">
        <h1 className="text-xl">This box is not there</h1>
        <p>
          It was removed, or never recorded.{' '}
          <Link href={`/jobs/${record.job.id}`} className="underline">
            Back to the house
          </Link>
        </p>
      </div>
    )
  return <Page key={boxId} view={view} />
}
