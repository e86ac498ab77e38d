import type { BoxView } from '../job/box-view'
import { lookingForPlaces } from '../job/looking'
import type { Trade } from '../model/trade'
import { sayIn } from '../words/say'
import { isForControls } from './settled'

/** What Look may still lack, in the order in which it is asked for. */
export type OpenOnLookKind =
  'conductors' | 'control' | 'other-place' | 'seats' | 'lamps' | 'breaker' | 'material' | 'complete'

export interface OpenOnLook {
  readonly kind: OpenOnLookKind
  /** In a few words. */
  readonly says: string
}

/** What is not recorded yet of a box, the first to be asked for first; empty once Look is done. */
export function openOnLook(view: BoxView, trade: Trade): readonly OpenOnLook[] {
  const say = sayIn(view.region)

  const unseated = view.box.recorded ? [] : view.ends.filter(({ end }) => end.seat === 'loose')
  const open = (kind: OpenOnLookKind, isOpen: boolean, says: () => string): readonly OpenOnLook[] =>
    isOpen ? [{ kind, says: says() }] : []
  return [
    ...open('conductors', view.ends.length === 0, () => say`no conductors recorded`),
    ...open('control', isForControls(view) && view.places.length === 0, () => say`no control recorded`),
    ...lookingForPlaces(view, trade).map(({ group }) => ({
      kind: 'other-place' as const,
      says: say`where is the other switch of ${group.name}?`,
    })),
    ...open('seats', unseated.length > 0, () =>
      say.count(
        unseated.length,
        '# conductor: where it sits is not recorded',
        '# conductors: where they sit is not recorded',
      ),
    ),
    ...open(
      'lamps',
      view.places.some(place => place.loads.length === 0),
      () => say`lamps not recorded`,
    ),
    ...open('breaker', view.feeds.length === 0, () => say`breaker not recorded`),
    ...open('material', view.box.material === 'not-known', () => say`box material not recorded`),
    ...open('complete', !view.box.recorded, () => say`not confirmed as complete`),
  ]
}
