import type { BoxView, EndView } from '../job/box-view'
import { isHotRole, isLoadRole } from '../model/roles'

/**
 * The circuit that a light is to be fed from, of those that meet in its boxes: the one said on a hot for it; that of
 * the neutral, or of the feed to the switch, which runs beside its switched conductor, for current goes back on its
 * own circuit; that of what feeds its devices as found; else of the first hot. Null where none is known.
 */
export function circuitOfLight(views: readonly BoxView[], groupId: string): string | null {
  const ends = views.flatMap(view => view.ends.map(each => ({ view, each })))
  const circuit = (found: readonly { readonly each: EndView }[]): string | null =>
    found.map(({ each }) => each.end.roleCircuitId).find(id => id !== null) ?? null
  const hots = ends.filter(({ each }) => isHotRole(each.end.role))
  const loads = ends.filter(
    ({ view, each }) =>
      isLoadRole(each.end.role) && (each.end.roleGroupId ?? view.places[0]?.group.id) === groupId,
  )
  const beside = ends.filter(
    ({ each }) =>
      (each.end.role === 'neutral' || each.end.role === 'loop-feed') &&
      loads.some(load => load.each.cable.id === each.cable.id),
  )
  return (
    circuit(hots.filter(({ each }) => each.end.roleGroupId === groupId)) ??
    circuit(beside) ??
    circuit(hots.filter(({ view, each }) => feedsDeviceOf(view, each, groupId))) ??
    circuit(
      hots.filter(({ view, each }) => view.feeds.some(feed => feed.circuit.id === each.end.roleCircuitId)),
    ) ??
    circuit(hots)
  )
}

/**
 * What tells the feed of a switch loop, and the neutral beside it, from those of the same circuit that come into the
 * box by other cables: joined to them, one circuit would come in by two ways at once. Empty where they are one metal
 * as found, or nothing else of the circuit comes in.
 */
export function loopOf(view: BoxView, each: EndView): string {
  const { role } = each.end
  if (role !== 'loop-feed' && role !== 'neutral') return ''
  const isLoop = view.ends.some(({ end, cable }) => end.role === 'loop-feed' && cable.id === each.cable.id)
  if (!isLoop) return ''
  const others = view.ends.filter(
    ({ end, cable }) =>
      cable.id !== each.cable.id &&
      cable.farBoxId === null &&
      (role === 'neutral' ? end.role === 'neutral' : isHotRole(end.role)) &&
      end.roleCircuitId === each.end.roleCircuitId,
  )
  const isJoined = others.some(({ end }) => end.jointId !== null && end.jointId === each.end.jointId)
  return others.length > 0 && !isJoined ? `:${each.cable.id}` : ''
}

/** The hot and the neutral that a light is fed by, in these boxes. */
export function feedOfLight(
  views: readonly BoxView[],
  groupId: string,
  circuit: string,
): { readonly line: string; readonly neutral: string } {
  const loops = views.flatMap(view => {
    const cables = view.ends.flatMap(({ end, cable }) =>
      isLoadRole(end.role) && (end.roleGroupId ?? view.places[0]?.group.id) === groupId ? [cable.id] : [],
    )
    return view.ends
      .filter(({ cable }) => cables.includes(cable.id))
      .map(each => ({ role: each.end.role, loop: loopOf(view, each) }))
  })
  const loop = (wanted: 'loop-feed' | 'neutral') => loops.find(({ role }) => role === wanted)?.loop ?? ''
  return { line: `line:${circuit}${loop('loop-feed')}`, neutral: `neutral:${circuit}${loop('neutral')}` }
}

/** Whether a conductor is on the old device of a light, by itself or through a pigtail. */
function feedsDeviceOf(view: BoxView, { end }: EndView, groupId: string): boolean {
  const devices = view.places.flatMap(({ group, found }) => (group.id === groupId && found ? [found.id] : []))
  return (
    (end.deviceId !== null && devices.includes(end.deviceId)) ||
    view.pigtails.some(
      each => each.jointId === end.jointId && each.deviceId !== null && devices.includes(each.deviceId),
    )
  )
}
