import type { DeviceModel } from '../model/device'
import type { Breaker } from '../model/entities'
import { looksLikeGround } from '../model/regions'
import type { Protection } from '../model/vocabulary'
import type { BoxView, PlaceView } from './box-view'
import { circuitsOf } from './circuits'
import { racewayGround } from './raceway'
import { tiedBoxes } from './tied'

/** Nothing in a box that is all recorded is a ground or may be one. */
export function hasNoGround(view: BoxView): boolean {
  const raceway = racewayGround(view)
  return (
    view.box.recorded &&
    view.ends.length > 0 &&
    (raceway === 'none' || raceway === 'open') &&
    !view.ends.some(
      ({ end, conductor }) =>
        end.role === 'ground' || (end.role === null && looksLikeGround(view.region, conductor)),
    )
  )
}

/** Protection that trips on a leak, and so stands in for a ground that is not there. */
export const STANDS_IN: readonly Protection[] = ['ground-fault', 'dual', 'residual-current']

/** Why a device may be where no ground is: protection that trips on a leak, or nothing of metal to touch. Or why not. */
export type Groundless =
  | { readonly kind: 'protected'; readonly by: readonly Breaker[] }
  | { readonly kind: 'insulating-plate' | 'sheet-asks' | 'nothing-stood-here' }

/** What replaces something may go without a ground, as local code permits; what asks for one by its sheet may not. */
export function groundless(
  view: BoxView,
  { found, group }: PlaceView,
  { groundRequired }: Pick<DeviceModel, 'groundRequired'>,
): Groundless {
  if (groundRequired) return { kind: 'sheet-asks' }
  if (found === null && view.box.recorded) return { kind: 'nothing-stood-here' }
  const by = breakersOf(view, group.id)
  return by.length > 0 && by.every(({ protection }) => STANDS_IN.includes(protection))
    ? { kind: 'protected', by }
    : { kind: 'insulating-plate' }
}

/** The circuit of a light where that is known, else all that feed the box. */
function breakersOf(view: BoxView, groupId: string): readonly Breaker[] {
  const whose = circuitsOf(tiedBoxes(view.record, view.box.id)).ofLight(groupId)
  const own = whose.kind === 'known' ? view.record.circuits[whose.circuitId] : undefined
  return own ? [own] : view.feeds.map(({ circuit }) => circuit)
}
