import type { BoxView } from '@/core/job/box-view'
import { rowsOf } from '@/core/model/record'
import { circuitAdded } from '@/core/recording'
import { newId } from '../../job/new-id'
import { useEdits } from '../../job/provider'

/** The breakers that are not said to feed a box yet, and what says that one does. */
export function useBreakers(view: BoxView) {
  const edits = useEdits(view.box.id)
  const feed = (circuitId: string) =>
    edits.add('feeds', { id: newId(), boxId: view.box.id, circuitId, basis: 'label' })
  return {
    free: rowsOf(view.record, 'circuits').filter(circuit =>
      view.feeds.every(each => each.circuit.id !== circuit.id),
    ),
    feeds: (circuitId: string) => edits.send('edit a circuit', [feed(circuitId)]),
    /** One that is not listed yet. */
    feedsFrom: (breaker: string) => {
      const id = newId()
      return edits.send('add a circuit', [circuitAdded(edits, view.record, id, breaker.trim()), feed(id)])
    },
  }
}
