import type { BoxView } from '@/core/job/box-view'
import type { Breaker } from '@/core/model/entities'
import { newSwitching } from '../../job/new-reading'
import { useEdits } from '../../job/provider'

/** Records that a breaker, or the main switch (null), is on; `foundSo` where it is so against the plan. */
export function useSwitchedOn(view: BoxView) {
  const edits = useEdits(view.box.id)
  return (circuit: Breaker | null, foundSo: boolean) =>
    edits.send('switch a breaker', [
      edits.add('switchings', newSwitching(circuit?.id ?? null, 'on', { foundSo })),
    ])
}
