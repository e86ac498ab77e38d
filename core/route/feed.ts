import type { BoxView } from '../job/box-view'
import type { Circuits, Seen } from '../job/circuits'
import type { JobRecord } from '../model/record'
import { isHotRole, isLoadRole } from '../model/roles'
import { sharersOf } from '../model/ties'
import { keyOf, netOf } from './net'

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
  circuits: Circuits,
  views: readonly BoxView[],
  groupId: string,
): { readonly line: string; readonly neutral: string } | null {
  const whose = circuits.ofLight(groupId)
  if (whose.kind !== 'known') return null
  const loops = views.flatMap(view => {
    const cables = view.ends.flatMap(each =>
      isLoadRole(each.end.role) && circuits.lightOf({ view, each }) === groupId ? [each.cable.id] : [],
    )
    return view.ends
      .filter(({ cable }) => cables.includes(cable.id))
      .map(each => ({ role: each.end.role, loop: loopOf(circuits, { view, each }) }))
  })
  const loop = (wanted: 'loop-feed' | 'neutral') => loops.find(({ role }) => role === wanted)?.loop ?? null
  return {
    line: keyOf({ kind: 'line', circuitId: whose.circuitId, cableId: loop('loop-feed') }),
    neutral: keyOf({
      kind: 'neutral',
      circuitId: circuits.neutralOf(whose.circuitId),
      cableId: loop('neutral'),
    }),
  }
}

/** The net that a conductor is on by its role; null where it is on none, or it is not known whose it is. */
export function netOfConductor(circuits: Circuits, { view, each }: Seen): string | null {
  const { role } = each.end
  if (role === null || role === 'spare' || role === 'traveller') return null
  if (role === 'ground') return keyOf({ kind: 'ground' })
  if (isLoadRole(role)) {
    const light = circuits.lightOf({ view, each })
    return light === null ? null : keyOf({ kind: 'load', groupId: light })
  }
  const circuit = circuits.of(each)
  if (circuit === null) return null
  return keyOf({
    kind: isHotRole(role) ? 'line' : 'neutral',
    circuitId: circuit,
    cableId: loopOf(circuits, { view, each }),
  })
}

/** Whether a net of a plan is the neutral of circuits that share it: it goes on whole past every device. */
export function isSharedNeutral(record: JobRecord, key: string): boolean {
  const net = netOf(key)
  const circuit = net.kind === 'neutral' ? record.circuits[net.circuitId] : undefined
  return circuit !== undefined && sharersOf(record, circuit).length > 0
}
