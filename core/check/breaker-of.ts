import type { BoxView, EndView } from '../job/box-view'
import { circuitsOf, type Circuits } from '../job/circuits'
import { tiedBoxes } from '../job/tied'
import type { Breaker } from '../model/entities'
import { isLoadRole } from '../model/roles'
import { sharersOf } from '../panel'
import type { Trade } from '../model/trade'

/** A conductor, the largest breaker it may be on, and those it is on, or may be on where that is not known. */
export interface Guarded {
  readonly each: EndView
  readonly mostAmps: number
  readonly breakers: readonly Breaker[]
  readonly isKnown: boolean
}

/** Conductors of a box with the breakers in question, those apart that no table has a figure for. */
export function guardedIn(view: BoxView, trade: Trade): Guarded[] {
  const circuits = circuitsOf(tiedBoxes(view.record, view.box.id))
  const feeds = view.feeds.map(({ circuit }) => circuit)
  return view.ends.flatMap((each): Guarded[] => {
    const mostAmps = trade.conductors[each.conductor.gauge].breakerNotAboveAmps
    if (mostAmps === null) return []
    const own = circuitOf(circuits, view, each)
    const circuit = own === null ? undefined : view.record.circuits[own]
    // Circuits that share a neutral have one between them.
    const breakers = !circuit
      ? feeds
      : each.end.role === 'neutral'
        ? [circuit, ...sharersOf(view.record, circuit)]
        : [circuit]
    return breakers.length > 0 ? [{ each, mostAmps, breakers, isKnown: circuit !== undefined }] : []
  })
}

function circuitOf(circuits: Circuits, view: BoxView, each: EndView): string | null {
  const { role, roleGroupId } = each.end
  if (role === null) return view.feeds.length === 1 ? view.feeds[0]!.circuit.id : null
  const light = isLoadRole(role)
    ? circuits.lightOf({ view, each })
    : role === 'traveller'
      ? roleGroupId
      : undefined
  if (light === undefined) return circuits.of(each)
  const whose = light === null ? null : circuits.ofLight(light)
  return whose?.kind === 'known' ? whose.circuitId : null
}

/** The largest breaker a conductor is on, or may be on. */
export const largestOf = ({ breakers }: Guarded): Breaker =>
  breakers.reduce((so, each) => (each.ratedAmps > so.ratedAmps ? each : so))

/** Whether each breaker that it may be on is too large for it. */
export const isSurelyOver = ({ breakers, mostAmps, isKnown }: Guarded): boolean =>
  isKnown
    ? breakers.some(({ ratedAmps }) => ratedAmps > mostAmps)
    : breakers.every(({ ratedAmps }) => ratedAmps > mostAmps)
