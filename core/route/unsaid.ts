import type { BoxView } from '../job/box-view'
import { circuitsOf, type Circuits, type Seen } from '../job/circuits'
import type { Breaker } from '../model/entities'
import { isControlRole, isHotRole, isLoadRole } from '../model/roles'
import type { Unworked } from '../model/vocabulary'
import { fault, type Fault } from '../model/result'
import { sayIn } from '../words/say'

const NONE: ReadonlyMap<string, Unworked> = new Map()

/** What has to be said before anything is joined. */
export type Unsaid =
  | { readonly kind: 'light-of-end'; readonly seen: Seen }
  | { readonly kind: 'circuit-of-end'; readonly seen: Seen; readonly among: readonly Breaker[] }
  | {
      readonly kind: 'circuit-of-light'
      readonly groupId: string
      /** Its switched conductors: what is said of them is said of it. */
      readonly loads: readonly Seen[]
      readonly among: readonly Breaker[]
    }
  /** The one neutral beside hots of several circuits: theirs together, or one’s. */
  | { readonly kind: 'sharing'; readonly seen: Seen; readonly circuits: readonly string[] }
  /** Every place of it is retired: fed all the time, or left dead? */
  | { readonly kind: 'unworked'; readonly groupId: string }
  | { readonly kind: 'at-odds'; readonly groupId: string; readonly circuits: readonly string[] }

/**
 * Whose a conductor is, and what feeds each of these lights, where that is not known.
 * @param lights those that something here asks a feed for
 * @param unworked those that no place works any more
 */
export function unsaidOf(
  views: readonly BoxView[],
  lights: readonly string[],
  unworked: ReadonlyMap<string, Unworked> = NONE,
): readonly Unsaid[] {
  const circuits = circuitsOf(views)
  const seen = views.flatMap(view => view.ends.map(each => ({ view, each })))
  const ofEnds = seen.flatMap((one): Unsaid[] => {
    const { role } = one.each.end
    if (isLoadRole(role) || isControlRole(role))
      return circuits.lightOf(one) === null ? [{ kind: 'light-of-end', seen: one }] : []
    const isOfCircuit = isHotRole(role) || role === 'neutral'
    const beside = role === 'neutral' && circuits.of(one.each) === null ? hotsBeside(circuits, one) : []
    if (beside.length > 1) return [{ kind: 'sharing', seen: one, circuits: beside }]
    return isOfCircuit && circuits.of(one.each) === null
      ? [{ kind: 'circuit-of-end', seen: one, among: circuits.breakers }]
      : []
  })
  // Hots first: what is said of one often tells the neutral beside it.
  const isNeutral = (each: Unsaid) => each.kind === 'circuit-of-end' && each.seen.each.end.role === 'neutral'
  const inTurn = [...ofEnds.filter(each => !isNeutral(each)), ...ofEnds.filter(isNeutral)]
  // What is asked of a conductor tells the light as well.
  const isAsked = ofEnds.some(({ kind }) => kind === 'circuit-of-end' || kind === 'sharing')
  const ofLights = lights.flatMap((groupId): Unsaid[] => {
    const whose = circuits.ofLight(groupId)
    if (whose.kind === 'at-odds') return [{ kind: 'at-odds', groupId, circuits: whose.circuits }]
    if (whose.kind === 'known' || isAsked) return []
    const loads = seen.filter(one => isLoadRole(one.each.end.role) && circuits.lightOf(one) === groupId)
    return [{ kind: 'circuit-of-light', groupId, loads, among: whose.among }]
  })
  const left = [...unworked].flatMap(([groupId, is]): Unsaid[] =>
    is === 'not-said' ? [{ kind: 'unworked', groupId }] : [],
  )
  return [...left, ...inTurn, ...ofLights]
}

/** Circuits of the hots in the cable of a neutral that is alone in it. */
function hotsBeside(circuits: Circuits, { view, each }: Seen): readonly string[] {
  const inCable = view.ends.filter(({ cable }) => cable.id === each.cable.id)
  if (inCable.filter(({ end }) => end.role === 'neutral').length > 1) return []
  const hots = inCable.filter(({ end }) => isHotRole(end.role))
  return [...new Set(hots.flatMap(hot => circuits.of(hot) ?? []))].sort()
}

/** The same as faults, each at its field. */
export function unsaidFaults(
  views: readonly BoxView[],
  lights: readonly string[],
  unworked: ReadonlyMap<string, Unworked> = NONE,
): Fault[] {
  return unsaidOf(views, lights, unworked).map(each => {
    const { record, region } = views[0]!
    const say = sayIn(region)
    const names = (ids: readonly string[], last: string) =>
      ids.map(id => record.circuits[id]?.breaker ?? id).join(ids.length > 2 ? ', ' : ` ${last} `)
    const among = (breakers: readonly Breaker[]) =>
      breakers.length > 1
        ? `: ${names(
            breakers.map(({ id }) => id),
            say`or`,
          )}`
        : ''
    const where = ({ view: { room, box } }: Seen) =>
      views.length > 1 ? say` in ${room.name}, ${box.name},` : ''
    switch (each.kind) {
      case 'light-of-end':
        return fault(
          `/ends/${each.seen.each.end.id}/roleGroupId`,
          'light-not-said',
          say`which light ${each.seen.each.name}${where(each.seen)} leads to is not said`,
        )
      case 'circuit-of-end':
        return fault(
          `/ends/${each.seen.each.end.id}/roleCircuitId`,
          'circuit-not-said',
          say`which breaker ${each.seen.each.name}${where(each.seen)} belongs to is not said${among(each.among)}`,
        )
      case 'circuit-of-light':
        return fault(
          `/groups/${each.groupId}/circuit`,
          'circuit-not-said',
          say`which breaker feeds ${record.groups[each.groupId]?.name ?? each.groupId} is not said${among(each.among)}`,
        )
      case 'unworked':
        return fault(
          `/groups/${each.groupId}/unworked`,
          'unworked-not-said',
          say`nothing works ${record.groups[each.groupId]?.name ?? each.groupId} any more: whether it is to be always on or left dead is not said`,
        )
      case 'sharing':
        return fault(
          `/circuits/${each.circuits[0]}/sharedNeutralWithId`,
          'sharing-not-said',
          say`whether ${names(each.circuits, 'and')} share ${each.seen.each.name}${where(each.seen)} is not said`,
        )
      case 'at-odds':
        return fault(
          `/groups/${each.groupId}/circuit`,
          'circuits-at-odds',
          say`${record.groups[each.groupId]?.name ?? each.groupId} would be fed from one breaker and return to another: what is said of it belongs to ${names(each.circuits, 'and')}`,
        )
    }
  })
}
