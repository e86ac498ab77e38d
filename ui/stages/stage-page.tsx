'use client'

import dynamic from 'next/dynamic'
import { keptTrying } from '../primitives/kept-trying'
import type { ComponentType } from 'react'
import type { BoxView } from '@/core/job/box-view'
import type { Stage } from '@/core/model/vocabulary'
import { NoSuchBox } from '../job/no-such-box'
import { useBox } from '../job/provider'
import { usePowerHolds } from '../job/use-power-holds'

const PAGES: Readonly<Record<Stage, ComponentType<{ view: BoxView }>>> = {
  look: dynamic(() => keptTrying(() => import('./look/look-stage')).then(module => module.LookStage)),
  test: dynamic(() => keptTrying(() => import('./test/test-stage')).then(module => module.TestStage)),
  choose: dynamic(() => keptTrying(() => import('./choose/choose-stage')).then(module => module.ChooseStage)),
  wire: dynamic(() => keptTrying(() => import('./wire/wire-stage')).then(module => module.WireStage)),
  set: dynamic(() => keptTrying(() => import('./set/set-stage')).then(module => module.SetStage)),
  prove: dynamic(() => keptTrying(() => import('./prove/prove-stage')).then(module => module.ProveStage)),
}

/** Stages on which a breaker is switched on. */
const SWITCHED: readonly Stage[] = ['test', 'wire', 'prove']

export function StagePage({ boxId, stage }: { boxId: string; stage: Stage }) {
  const view = useBox(boxId)
  const Page = PAGES[stage]
  usePowerHolds(SWITCHED.includes(stage))
  if (!view) return <NoSuchBox />
  return <Page key={boxId} view={view} />
}
