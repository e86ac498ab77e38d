import type { BoxView } from '@/core/job/box-view'
import type { Breaker } from '@/core/model/entities'
import type { JobRecord } from '@/core/model/record'
import { newSwitching } from '../../job/new-reading'
import { holdersIn, useLocks } from './use-locks'
import { sayFor } from '@/core/model/say-for'

/** Records that a breaker, or the main switch (null), is on; `foundSo` where it is so against the plan. */
export function useSwitchedOn(view: BoxView) {
  const { edits, on } = useLocks(view.box.id)
  return (circuit: Breaker | null, foundSo: boolean) =>
    edits.send(
      'switch a breaker',
      foundSo
        ? [edits.add('switchings', newSwitching(circuit?.id ?? null, 'on', { foundSo }))]
        : on([circuit?.id ?? null]),
    )
}

/** What is pressed to switch on again: the one whose lock hangs there takes it off with it. */
export function onWords(record: JobRecord, circuitIds: readonly (string | null)[], says: string): string {
  const say = sayFor(record)

  const [who, ...others] = holdersIn(record, circuitIds)
  return who === undefined || others.length > 0 ? says : say`${who}: lock off. ${says}`
}
