import { houseRule } from '../model/house-rules'
import { type BoxView, type EndView } from '../job/box-view'
import { isSharedNeutral } from './feed'
import type { Member } from './meetings'
import { kindOf } from './net'

/**
 * The receptacle of a box that hands on the neutral to the other devices, by a pigtail from a screw of its own that is
 * free; null where the house rule takes it from the splice, where the receptacle does not hold all of the neutral by
 * itself, has no screw left, or where its circuit shares its neutral: there the receptacle must come out without
 * opening it.
 */
export function handsOnNeutral(
  view: BoxView,
  net: string,
  ends: readonly EndView[],
  held: readonly Member[],
): Member | null {
  if (kindOf(net) !== 'neutral' || houseRule(view.record, 'neutral-source') !== 'receptacle') return null
  if (isSharedNeutral(view.record, net) || ends.length === 0) return null
  return (
    held.find(({ placeId, terminal, model }) => {
      const found = view.places.find(({ place, choice }) => place.id === placeId && choice === null)?.found
      return (
        found !== undefined &&
        found !== null &&
        model.outlet?.neutral === terminal.id &&
        ends.length < terminal.atMost &&
        ends.every(({ end }) => end.deviceId === found.id && end.terminal === terminal.id)
      )
    }) ?? null
  )
}
