import { isLowVoltage, type BoxView, type EndView } from '../job/box-view'
import { circuitsOf, type Circuits } from '../job/circuits'
import { tiedBoxes } from '../job/tied'
import type { Breaker, Conductor, FoundPigtail } from '../model/entities'
import { isLoadRole } from '../model/roles'
import { sharersOf } from '../model/ties'
import type { Trade } from '../model/trade'
import type { Gauge } from '../model/vocabulary'
import { type Say } from '../words/say'

/** A conductor, the largest breaker it may be on, and those it is on, or may be on where that is not known. */
export interface Guarded {
  readonly each: EndView
  readonly mostAmps: number
  readonly breakers: readonly Breaker[]
  readonly isKnown: boolean
}

/** The largest breaker that a conductor may be on, by its gauge and its metal; null where the table has no figure. */
export const mostAmpsOf = (
  { gauge, metal }: Pick<Conductor, 'gauge' | 'metal'>,
  { conductors }: Trade,
): number | null =>
  metal === 'aluminium' ? conductors[gauge].aluminiumNotAboveAmps : conductors[gauge].breakerNotAboveAmps

/** A gauge, and the metal where it is not copper. */
export const gaugeWords = (say: Say, { gauge, metal }: Pick<Conductor, 'gauge' | 'metal'>): string =>
  metal === 'copper' ? gauge : say`${gauge} aluminum`

/** Conductors of a box with the breakers in question, those apart that no table has a figure for. */
export function guardedIn(view: BoxView, trade: Trade): Guarded[] {
  const circuits = circuitsOf(tiedBoxes(view.record, view.box.id))
  const feeds = view.feeds.map(({ circuit }) => circuit)
  return view.ends.flatMap((each): Guarded[] => {
    const mostAmps = mostAmpsOf(each.conductor, trade)
    if (mostAmps === null || isLowVoltage(each)) return []
    const own = circuitIdOf(circuits, view, each)
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

/** A pigtail that was found, with the largest breaker it may be on; what it is on is told by its joint. */
export interface Tail {
  readonly pigtail: FoundPigtail
  readonly gauge: Gauge
  readonly guarded: Guarded
}

/** Pigtails too thin for each breaker they may be on. */
export function thinTails(view: BoxView, trade: Trade): Tail[] {
  const guarded = guardedIn(view, trade)
  return view.pigtails.flatMap((pigtail): Tail[] => {
    const { gauge, jointId } = pigtail
    const inJoint = guarded.find(({ each }) => each.end.jointId === jointId)
    if (gauge === null || !inJoint) return []
    const own = { ...inJoint, mostAmps: trade.conductors[gauge].breakerNotAboveAmps ?? 0 }
    return isSurelyOver(own) ? [{ pigtail, gauge, guarded: own }] : []
  })
}

/** The circuit of a conductor, by its light where it leads to one; null where that is not known. */
export function circuitIdOf(circuits: Circuits, view: BoxView, each: EndView): string | null {
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
