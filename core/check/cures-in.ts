import type { BoxView, PlaceView } from '../job/box-view'
import { deviceNamed, type Trade } from '../model/trade'
import { check } from './check'
import { curedTogether, type Cure } from './line'

/** A way out that goes with what is chosen for a place. */
export interface CureIn {
  readonly cure: Cure
  readonly place: PlaceView
}

/** Cures that change the box itself: one of them serves all its gangs. */
export const OF_THE_BOX: readonly string[] = ['ring', 'deeper-box']

/**
 * What the devices that are chosen in a box fit under: of each condition the least of its cures, of rings and boxes
 * the one that is asked for most.
 */
export function curesIn(view: BoxView, trade: Trade): CureIn[] {
  const all = view.places.flatMap(place => {
    const device = deviceNamed(trade, place.choice?.modelId ?? '')
    if (!device) return []
    return curedTogether(check({ view, place, device, trade }).lines).map(cure => ({ cure, place }))
  })
  const ofBox = all
    .filter(({ cure }) => OF_THE_BOX.includes(cure.id))
    .reduce<CureIn | null>((best, each) => (!best || each.cure.price > best.cure.price ? each : best), null)
  return [...(ofBox ? [ofBox] : []), ...all.filter(({ cure }) => !OF_THE_BOX.includes(cure.id))]
}
