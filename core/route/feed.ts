import type { BoxView } from '../job/box-view'
import type { Circuits, Seen } from '../job/circuits'
import { isHotRole, isLoadRole } from '../model/roles'
import { fault, type Fault } from '../model/result'

/**
 * What tells the feed of a switch loop, and the neutral beside it, from those of the same circuit that come into the
 * box by other cables: joined to them, one circuit would come in by two ways at once. Empty where they are one metal
 * as found, or nothing else of the circuit comes in.
 */
export function loopOf(circuits: Circuits, { view, each }: Seen): string {
  const { role } = each.end
  if (role !== 'loop-feed' && role !== 'neutral') return ''
  const isLoop = view.ends.some(({ end, cable }) => end.role === 'loop-feed' && cable.id === each.cable.id)
  if (!isLoop) return ''
  const others = view.ends.filter(
    other =>
      other.cable.id !== each.cable.id &&
      other.cable.farBoxId === null &&
      (role === 'neutral' ? other.end.role === 'neutral' : isHotRole(other.end.role)) &&
      circuits.of(other) === circuits.of(each),
  )
  const isJoined = others.some(({ end }) => end.jointId !== null && end.jointId === each.end.jointId)
  return others.length > 0 && !isJoined ? `:${each.cable.id}` : ''
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
  const loop = (wanted: 'loop-feed' | 'neutral') => loops.find(({ role }) => role === wanted)?.loop ?? ''
  return {
    line: `line:${whose.circuitId}${loop('loop-feed')}`,
    neutral: `neutral:${circuits.neutralOf(whose.circuitId)}${loop('neutral')}`,
  }
}

/** The net that a conductor is on by its role; null where it is on none, or it is not known whose it is. */
export function netOfConductor(circuits: Circuits, { view, each }: Seen): string | null {
  const { role } = each.end
  if (role === null || role === 'spare' || role === 'traveller') return null
  if (role === 'ground') return 'ground'
  if (isLoadRole(role)) {
    const light = circuits.lightOf({ view, each })
    return light === null ? null : `load:${light}`
  }
  const circuit = circuits.of(each)
  if (circuit === null) return null
  return `${isHotRole(role) ? 'line' : 'neutral'}:${circuit}${loopOf(circuits, { view, each })}`
}

/**
 * What has to be said before anything is joined: whose a conductor is, and what feeds each of these lights.
 * @param lights those that something here asks a feed for
 */
export function notSaid(circuits: Circuits, views: readonly BoxView[], lights: readonly string[]): Fault[] {
  const [first] = views
  if (!first) return []
  const { record, region } = first
  const names = (ids: readonly string[]) =>
    ids.map(id => record.circuits[id]?.breaker ?? id).join(ids.length > 2 ? ', ' : ' or ')
  const any = names(circuits.breakers.map(({ id }) => id))
  const among = any === '' ? '' : `: ${any}`
  const where = ({ room, box }: BoxView) => (views.length > 1 ? ` in ${room.name}, ${box.name},` : '')
  const ofEnds = views.flatMap(view =>
    view.ends.flatMap(each => {
      const { role } = each.end
      const path = `/ends/${each.end.id}`
      if (isLoadRole(role) && circuits.lightOf({ view, each }) === null)
        return [
          fault(
            `${path}/roleGroupId`,
            'light-not-said',
            `which light ${each.name}${where(view)} leads to is not said`,
          ),
        ]
      const isOfCircuit = isHotRole(role) || role === 'neutral'
      if (!isOfCircuit || circuits.of(each) !== null) return []
      return [
        fault(
          `${path}/roleCircuitId`,
          'circuit-not-said',
          `which ${region.words.breaker} ${each.name}${where(view)} belongs to is not said${among}`,
        ),
      ]
    }),
  )
  const ofLights = lights.flatMap(groupId => {
    const whose = circuits.ofLight(groupId)
    const name = record.groups[groupId]?.name ?? groupId
    if (whose.kind === 'known') return []
    if (whose.kind === 'at-odds')
      return [
        fault(
          `/groups/${groupId}/circuit`,
          'circuits-at-odds',
          `${name} would be fed from one ${region.words.breaker} and return to another: what is said of it belongs to ${whose.circuits.map(id => record.circuits[id]?.breaker ?? id).join(' and ')}`,
        ),
      ]
    // What is asked of a conductor of it tells it.
    if (ofEnds.some(({ code }) => code === 'circuit-not-said')) return []
    return [
      fault(
        `/groups/${groupId}/circuit`,
        'circuit-not-said',
        `which ${region.words.breaker} feeds ${name} is not said: ${names(whose.among.map(({ id }) => id))}`,
      ),
    ]
  })
  return [...ofEnds, ...ofLights]
}
