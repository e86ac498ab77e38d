'use client'

import type { Stage } from '@/core/model/vocabulary'
import { NoSuchBox } from '../job/no-such-box'
import { useBox } from '../job/provider'
import { page } from '../primitives/part'
import { usePowerHolds } from '../job/use-power-holds'

const PAGES = {
  look: page(() => import('./look/look-stage').then(module => module.LookStage)),
  test: page(() => import('./test/test-stage').then(module => module.TestStage)),
  choose: page(() => import('./choose/choose-stage').then(module => module.ChooseStage)),
  wire: page(() => import('./wire/wire-stage').then(module => module.WireStage)),
  set: page(() => import('./set/set-stage').then(module => module.SetStage)),
  prove: page(() => import('./prove/prove-stage').then(module => module.ProveStage)),
} satisfies Record<Stage, unknown>

/** Fetches every stage while there is a connection. */
export const everyStage = (): Promise<unknown> =>
  Promise.allSettled(Object.values(PAGES).map(({ load }) => load()))

/** Stages on which a breaker is switched on. */
const SWITCHED: readonly Stage[] = ['test', 'wire', 'prove']

export function StagePage({ boxId, stage }: { boxId: string; stage: Stage }) {
  const view = useBox(boxId)
  const { Page } = PAGES[stage]
  usePowerHolds(SWITCHED.includes(stage))
  if (!view) return <NoSuchBox />
  return <Page key={boxId} view={view} />
}
