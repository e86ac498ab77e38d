import type { Isolates } from '../model/device'
import { deviceNamed, type Trade } from '../model/trade'
import { isLoadRole } from '../model/roles'
import { willStand, type BoxView, type EndView, type PlaceView } from './box-view'
import type { Circuits } from './circuits'

export type IsolatedPole = keyof Isolates

/** A control that parts some of a light from all poles. */
export interface Isolating {
  readonly view: BoxView
  readonly place: PlaceView
}

/** Isolators in some boxes: as found, or as they will stand. */
export const isolatingIn = (views: readonly BoxView[], trade: Trade, as: 'found' | 'planned'): Isolating[] =>
  views.flatMap(view =>
    view.places.flatMap(place => {
      const id = as === 'found' ? (place.found?.modelId ?? null) : willStand(place)
      const model = place.isolates && id !== null ? deviceNamed(trade, id) : null
      return model?.isolates ? [{ view, place }] : []
    }),
  )

/**
 * The cables that lead on from an isolator to what it parts: those in its box that were seen to lead there; where none
 * was, the only one there that takes the switched conductor of the light out of all boxes. Empty where that is not known.
 * @param leaving ends whose conductor ends in none of these boxes
 */
export function cablesBeyond(
  { view, place: { group, loads } }: Isolating,
  circuits: Circuits,
  leaving: readonly EndView[],
): readonly string[] {
  const out = view.ends.filter(each => leaving.includes(each))
  const isFor = (loadId: string | null) => loads.some(({ id }) => id === loadId)
  const seen = out.filter(({ cable }) => isFor(cable.farLoadId))
  const taking = out.filter(
    each =>
      isLoadRole(each.end.role) &&
      circuits.lightOf({ view, each }) === group.id &&
      each.cable.farLoadId === null,
  )
  const ids = [...new Set((seen.length > 0 ? seen : taking).map(({ cable }) => cable.id))]
  return seen.length > 0 || ids.length === 1 ? ids : []
}

/** The pole of what goes on in a cable beyond an isolator; null for a ground, and for what carries nothing. */
export function poleBeyond({ end: { role } }: EndView): IsolatedPole | null {
  if (isLoadRole(role)) return 'load'
  if (role === 'neutral') return 'neutral'
  return role === 'onward-feed' ? 'line' : null
}

/** Ends whose conductor ends in none of these boxes. */
export function leavingEnds(views: readonly BoxView[]): EndView[] {
  const all = views.flatMap(({ ends }) => ends)
  const count = new Map<string, number>()
  for (const { conductor } of all) count.set(conductor.id, (count.get(conductor.id) ?? 0) + 1)
  return all.filter(({ conductor }) => count.get(conductor.id) === 1)
}
