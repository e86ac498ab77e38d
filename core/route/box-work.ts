import type { BoxView, EndView } from '../job/box-view'
import type { RouteCosts } from '../model/trade'
import { isSharedNeutral } from './feed'
import { sameItems, soundJoints, type SoundJoint } from './as-found'
import type { Edge, Runner } from './carry'
import { goesStraightOn, meetingsOf, staying, targetsOf, workIn, type Meeting } from './meetings'
import type { PlannedDevice } from './planned'

/** A joint that is there, and the nets that could be joined by it just as it is. */
interface MayStay {
  readonly joint: SoundJoint
  readonly nets: ReadonlySet<string>
}

/** What of the conductors of a pair of boxes bears on the work in one of the two. */
interface Bearing {
  readonly ends: readonly EndView[]
  /** Their conductors; by place in this list: */
  readonly here: readonly string[]
  readonly joints: readonly { readonly members: readonly number[]; readonly nets: ReadonlySet<string> }[]
  readonly onStaying: readonly number[]
  readonly pigtails: Map<string, boolean>
}

/** What of a conductor may bear on the work in its two boxes, whatever nets there are. */
export const bearing = ({ a, b }: Runner): string =>
  [a, b]
    .map(({ view, each: { end, conductor } }) => {
      const stays =
        end.deviceId !== null &&
        view.places.some(({ found, choice }) => found?.id === end.deviceId && !choice)
      const joint = soundJoints(view).find(({ id }) => id === end.jointId)
      const { gauge, stranding, metal } = conductor
      return [joint?.id, stays ? `${end.deviceId} ${end.terminal}` : '', gauge, stranding, metal].join()
    })
    .join()

/** What the work in one box costs, by what its conductors from other boxes carry. */
export class BoxWork {
  /** The least, whichever conductors carry what comes in. */
  readonly least: number
  /** The least of what stays so however many more come in: joints that no joint found here could be. */
  readonly sure: number
  readonly #mayStay: readonly MayStay[]
  readonly #onStaying: ReadonlySet<string>
  readonly #straight: ReadonlyMap<string, Meeting>
  readonly #costs = new Map<string, number>()
  readonly #bearings = new Map<Edge, Bearing>()
  readonly #endOf: ReadonlyMap<string, EndView>

  /**
   * @param fixed net of an end that no conductor to another of the boxes has; undefined for one that has
   * @param incoming how many conductors from other boxes bring each net
   */
  constructor(
    readonly view: BoxView,
    readonly devices: readonly PlannedDevice[],
    readonly netOfTerminal: Readonly<Record<string, string | null>>,
    readonly fixed: (end: EndView) => string | null | undefined,
    incoming: ReadonlyMap<string, number>,
    readonly costs: RouteCosts,
  ) {
    const meetings = new Map(
      meetingsOf(view, devices, end => fixed(end) ?? null, netOfTerminal).map(each => [each.net, each]),
    )
    for (const net of incoming.keys())
      if (!meetings.has(net))
        meetings.set(net, {
          net,
          kind: 'cap',
          ends: [],
          held: [],
          leads: [],
          bonds: 0,
          isWhole: isSharedNeutral(view.record, net),
        })
    const joined = [...meetings.values()].filter(each => isJoint(each, incoming.get(each.net) ?? 0))
    this.#endOf = new Map(view.ends.map(each => [each.end.id, each]))
    this.#mayStay = soundJoints(view).flatMap(joint => {
      const nets = joined.filter(each => this.#fits(joint, each, incoming.get(each.net) ?? 0))
      return nets.length > 0 ? [{ joint, nets: new Set(nets.map(({ net }) => net)) }] : []
    })
    const stay = Math.min(this.#mayStay.length, new Set(this.#mayStay.flatMap(({ nets }) => [...nets])).size)
    this.least = (joined.length - stay) * costs.newJoint
    const found = soundJoints(view)
    this.sure =
      joined.filter(each => !found.some(joint => sameItems(joint.to, targetsOf(each)))).length *
      costs.newJoint
    this.#straight = new Map(
      [...meetings].filter(([, { held, leads, bonds }]) => held.length === 1 && leads.length + bonds === 0),
    )
    const stays = new Set(devices.flatMap(device => staying(view, device)?.id ?? []))
    this.#onStaying = new Set(
      view.ends.flatMap(({ end }) => (end.deviceId !== null && stays.has(end.deviceId) ? [end.id] : [])),
    )
  }

  #fits(joint: SoundJoint, { net, ends, ...targets }: Meeting, incoming: number): boolean {
    return (
      joint.endIds.length === ends.length + incoming &&
      sameItems(joint.to, targetsOf(targets)) &&
      ends.every(({ end }) => joint.endIds.includes(end.id)) &&
      joint.endIds.every(id => {
        const own = this.fixed(this.#endOf.get(id)!)
        return own === undefined || own === net
      })
    )
  }

  /**
   * All that bears on the work here of what the conductors of one pair of boxes carry: what reads the same costs the
   * same, whatever the others carry.
   */
  marks(edge: Edge, netOf: ReadonlyMap<string, string>): string {
    const { here, joints, onStaying } = this.#bearingOf(edge)
    const netAt = here.map(id => netOf.get(id) ?? null)
    const stay = joints.map(({ members, nets }) => {
      const net = netAt[members[0]!]!
      return net !== null && members.every(at => netAt[at] === net) && nets.has(net) ? net : 'opened'
    })
    const screws = onStaying.map(at => netAt[at] ?? 'leaves')
    const pigtails = here.flatMap((_, at) => {
      const net = netAt[at]!
      return net !== null && this.#needsPigtail(edge, at, net) ? [net] : []
    })
    return `${stay.join()};${screws.join()};${pigtails.join()}`
  }

  /** What of a pair of boxes ends here: its conductors, those of each joint that may stay, those on screws that stay. */
  #bearingOf(edge: Edge): Bearing {
    let own = this.#bearings.get(edge)
    if (!own) {
      const ends = edge.runners.map(({ a, b }) => (a.view === this.view ? a.each : b.each))
      const joints = this.#mayStay.flatMap(({ joint, nets }) => {
        const members = ends.flatMap(({ end }, at) => (joint.endIds.includes(end.id) ? [at] : []))
        return members.length > 0 ? [{ members, nets }] : []
      })
      own = {
        ends,
        here: ends.map(({ conductor }) => conductor.id),
        joints,
        onStaying: ends.flatMap(({ end }, at) => (this.#onStaying.has(end.id) ? [at] : [])),
        pigtails: new Map(),
      }
      this.#bearings.set(edge, own)
    }
    return own
  }

  /** Whether a conductor on a net that goes straight to a screw may not itself. */
  #needsPigtail(edge: Edge, at: number, net: string): boolean {
    const only = this.#straight.get(net)?.held[0]
    if (!only) return false
    const { ends, pigtails } = this.#bearingOf(edge)
    const key = `${at} ${net}`
    let needs = pigtails.get(key)
    if (needs === undefined) pigtails.set(key, (needs = !goesStraightOn([ends[at]!], only.terminal)))
    return needs
  }

  /**
   * What it costs, all conductors told.
   * @param marks of all pairs of boxes that this one is of: worked out once for the same
   */
  cost(netOf: ReadonlyMap<string, string>, marks: string): number {
    let known = this.#costs.get(marks)
    if (known === undefined) {
      const net = (each: EndView) => {
        const fixed = this.fixed(each)
        return fixed === undefined ? (netOf.get(each.conductor.id) ?? null) : fixed
      }
      known = workIn(this.view, this.devices, net, this.netOfTerminal, this.costs)
      this.#costs.set(marks, known)
    }
    return known
  }
}

/** Whether so many conductors more of a net make a joint of it, if each may go on a screw by itself. */
function isJoint({ ends, held, leads, bonds, isWhole }: Meeting, incoming: number): boolean {
  const count = ends.length + incoming
  const [only] = held
  if (only && held.length === 1 && leads.length + bonds === 0)
    return count > (isWhole ? 1 : only.terminal.atMost) || count === 0
  return held.length + leads.length + bonds > 0 || count > 1
}
