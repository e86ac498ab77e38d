import type { BoxView } from '@/core/job/box-view'
import type { Breaker } from '@/core/model/entities'
import { newId } from '../../job/new-id'
import { NOW } from '../../job/new-reading'
import { useEdits } from '../../job/provider'

/** Records that a breaker, or the main switch (null), is on; `foundSo` where it is so against the plan. */
export function useSwitchedOn(view: BoxView) {
  const edits = useEdits(view.box.id)
  return (circuit: Breaker | null, foundSo: boolean) =>
    edits.send('switch a breaker', [
      edits.add('switchings', {
        id: newId(),
        circuitId: circuit?.id ?? null,
        to: 'on',
        foundSo,
        seq: 0,
        at: NOW,
      }),
    ])
}
