import { thrownWith } from '@/core/model/ties'
import type { BoxView } from '@/core/job/box-view'
import type { Breaker } from '@/core/model/entities'
import type { BreakerShows } from '@/core/model/vocabulary'
import { usePowerHolds } from '../job/use-power-holds'
import { linesIn, type Watched } from '@/core/panel'
import { newId } from '../job/new-id'
import { useEdits } from '../job/provider'
import { newSwitching } from '../job/new-reading'

export type Take = (circuit: Breaker | null, shows: BreakerShows, hinted: boolean) => void

/** One try, and all that follows from it, as one edit: found, it feeds the box, and it is off now. */
export function useTake(view: BoxView, { placeId, endId }: Watched): Take {
  const edits = useEdits(view.box.id)
  usePowerHolds(true)
  return (circuit, shows, hinted) => {
    const feed = view.feeds.find(each => each.circuit.id === circuit?.id)?.feed
    const found = circuit !== null && shows === 'went-dark'
    const line = endId === null ? undefined : linesIn(view).find(each => each.end.end.id === endId)
    edits.send('try a breaker', [
      edits.add('breakerTries', {
        id: newId(),
        boxId: view.box.id,
        circuitId: circuit?.id ?? null,
        placeId,
        endId,
        shows,
        hinted,
        note: '',
      }),
      ...(found
        ? [
            feed
              ? edits.change('feeds', feed.id, { basis: 'reading' })
              : edits.add('feeds', {
                  id: newId(),
                  boxId: view.box.id,
                  circuitId: circuit.id,
                  basis: 'reading',
                }),
          ]
        : []),
      // A meter at a line says whose it is, and whose the neutrals of its cables are.
      ...(found && line
        ? [...line.hots, ...line.neutrals]
            .filter(({ end }) => end.roleCircuitId !== circuit.id)
            .map(({ end }) => edits.change('ends', end.id, { roleCircuitId: circuit.id }))
        : []),
      ...(shows === 'went-dark'
        ? [circuit, ...(circuit ? thrownWith(view.record, circuit) : [])].map(off =>
            edits.add('switchings', newSwitching(off?.id ?? null, 'off')),
          )
        : []),
    ])
  }
}
