import type { BoxView } from '../job/box-view'
import { circuitsOf, type Circuits, type Seen } from '../job/circuits'
import { cablesBeyond, isolatingIn, leavingEnds, poleBeyond } from '../job/isolated'
import { Behind, only } from '../job/protected'
import type { JobRecord } from '../model/record'
import { isControlRole, isHotRole, isLoadRole } from '../model/roles'
import { sharersOf } from '../model/ties'
import type { Trade } from '../model/trade'
import { keyOf, netOf } from './net'

/** By what ways current comes and goes in some boxes: of which circuit, and behind which protection. */
export interface Ways {
  readonly views: readonly BoxView[]
  readonly trade: Trade
  readonly circuits: Circuits
  readonly behind: Behind
  /** The place of the isolator that each cable leads on from, by cable. */
  readonly beyond: ReadonlyMap<string, string>
}

export function waysIn(views: readonly BoxView[], trade: Trade): Ways {
  const circuits = circuitsOf(views)
  return {
    ...{ views, trade, circuits },
    behind: new Behind(views, trade),
    beyond: beyondIn(views, trade, 'planned'),
  }
}

/** The place of the isolator that each cable leads on from, by cable. */
export function beyondIn(
  views: readonly BoxView[],
  trade: Trade,
  as: 'found' | 'planned',
): ReadonlyMap<string, string> {
  const leaving = leavingEnds(views)
  return new Map(
    isolatingIn(views, trade, as).flatMap(one =>
      cablesBeyond(one, circuitsOf(views), leaving).map(id => [id, one.place.place.id] as const),
    ),
  )
}

/**
 * The place of what protects a light, as found: what its return is behind, else what feeds its controls is; null where
 * nothing does.
 */
export function protectedBy({ views, trade, circuits, behind }: Ways, groupId: string): string | null {
  const returns = circuits
    .besideLoads(groupId)
    .flatMap(({ view, each }) => (each.end.role === 'neutral' ? (behind.of(view, each) ?? []) : []))
  const feeds = views.flatMap(view =>
    view.places.flatMap(place =>
      place.group.id === groupId ? (behind.ofDevice(view, place, trade) ?? []) : [],
    ),
  )
  return only(returns) ?? only(feeds)
}

/**
 * What tells the feed of a switch loop, and the neutral beside it, from those of the same circuit that come into the
 * box by other cables: joined to them, one circuit would come in by two ways at once. Null where they are one metal as
 * found, or nothing else of the circuit comes in.
 */
export function loopOf(circuits: Circuits, { view, each }: Seen): string | null {
  const { role } = each.end
  if (role !== 'loop-feed' && role !== 'neutral') return null
  const isLoop = view.ends.some(({ end, cable }) => end.role === 'loop-feed' && cable.id === each.cable.id)
  if (!isLoop) return null
  const others = view.ends.filter(
    other =>
      other.cable.id !== each.cable.id &&
      other.cable.farBoxId === null &&
      (role === 'neutral' ? other.end.role === 'neutral' : isHotRole(other.end.role)) &&
      circuits.of(other) === circuits.of(each),
  )
  const isJoined = others.some(({ end }) => end.jointId !== null && end.jointId === each.end.jointId)
  return others.length > 0 && !isJoined ? each.cable.id : null
}

/** The hot and the neutral that a light is fed by, in these boxes; null where its circuit is not known. */
export function feedOfLight(
  ways: Ways,
  views: readonly BoxView[],
  groupId: string,
): { readonly line: string; readonly neutral: string } | null {
  const { circuits } = ways
  const whose = circuits.ofLight(groupId)
  if (whose.kind !== 'known') return null
  const loops = circuits
    .besideLoads(groupId)
    .filter(({ view }) => views.includes(view))
    .map(seen => ({ role: seen.each.end.role, loop: loopOf(circuits, seen) }))
  const behind = protectedBy(ways, groupId)
  const loop = (wanted: 'loop-feed' | 'neutral') => loops.find(({ role }) => role === wanted)?.loop ?? null
  return {
    line: keyOf({ kind: 'line', circuitId: whose.circuitId, by: behind ?? loop('loop-feed') }),
    neutral: keyOf({
      kind: 'neutral',
      circuitId: circuits.neutralOf(whose.circuitId),
      by: behind ?? loop('neutral'),
    }),
  }
}

/** The net that a conductor is on by its role; null where it is on none, or it is not known whose it is. */
export function netOfConductor(ways: Ways, { view, each }: Seen): string | null {
  const { circuits } = ways
  const { role } = each.end
  const isolator = ways.beyond.get(each.cable.id)
  const pole = isolator === undefined ? null : poleBeyond(each)
  if (isolator !== undefined && pole !== null) return keyOf({ kind: pole, beyond: isolator })
  if (role === null || role === 'spare' || role === 'traveller') return null
  if (role === 'ground') return keyOf({ kind: 'ground' })
  if (isLoadRole(role)) {
    const light = circuits.lightOf({ view, each })
    return light === null ? null : keyOf({ kind: 'load', groupId: light })
  }
  if (isControlRole(role)) {
    const light = circuits.lightOf({ view, each })
    return light === null ? null : keyOf({ kind: role, groupId: light })
  }
  const circuit = circuits.of(each)
  if (circuit === null) return null
  return keyOf({
    kind: isHotRole(role) ? 'line' : 'neutral',
    circuitId: circuit,
    by: protectionOf(ways, { view, each }) ?? loopOf(circuits, { view, each }),
  })
}

/** What a hot or a neutral is behind: the return of a light is where its feed is. */
function protectionOf(ways: Ways, { view, each }: Seen): string | null {
  const { circuits, behind } = ways
  const light =
    each.end.role === 'neutral'
      ? view.ends.find(({ end, cable }) => isLoadRole(end.role) && cable.id === each.cable.id)
      : undefined
  const groupId = light ? circuits.lightOf({ view, each: light }) : null
  return groupId === null ? behind.of(view, each) : protectedBy(ways, groupId)
}

/** Whether a net of a plan is the neutral of circuits that share it: it goes on whole past every device. */
export function isSharedNeutral(record: JobRecord, key: string): boolean {
  const net = netOf(key)
  const circuit = net.kind === 'neutral' && 'circuitId' in net ? record.circuits[net.circuitId] : undefined
  return circuit !== undefined && sharersOf(record, circuit).length > 0
}
