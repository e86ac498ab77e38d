import type { BoxView, EndView } from '../job/box-view'
import { circuitsOf, ONLY_SUPPLY, type Circuits, type Seen } from '../job/circuits'
import { isolatingIn } from '../job/isolated'
import { racewayGround } from '../job/raceway'
import { comesIn, isControlRole, isHotRole, isLoadRole } from '../model/roles'
import type { Circuit, CircuitJoint, CircuitLoad, SupplyPoint, Wire } from '../model/circuit'
import type { Load } from '../model/entities'
import type { Trade } from '../model/trade'
import type { Bypass, Unworked } from '../model/vocabulary'
import { sharersOf } from '../model/ties'
import { sayIn } from '../words/say'
import { beyondIn } from './feed'

export const nearPoint = (end: EndView) => `end:${end.end.id}`
const farPoint = (end: EndView) => `far:${end.end.id}`
export const bondPoint = (boxId: string) => `bond:${boxId}`

export type Outside = Pick<
  Circuit,
  'nominalVolts' | 'supplies' | 'wires' | 'loads' | 'joints' | 'bonds' | 'caps'
>

/**
 * Everything beyond the boxes, closed by what the roles say: a hot conductor comes from its breaker, a
 * switched one leads to the lamps, a neutral that leaves in the lamps' cable is their return, and what
 * leaves by an onward cable feeds somebody else. A conductor seen at both ends runs between its boxes.
 * @param as with isolators that were found, or that will stand
 * @param bypasses which bypasses are in it: those that are there, or also those that are to come
 * @param unworked lights that nothing works any more
 */
export function outsideOf(
  views: readonly BoxView[],
  trade: Trade,
  as: 'found' | 'planned' = 'found',
  bypasses: readonly Bypass[] = ['fitted'],
  unworked: ReadonlyMap<string, Unworked> = new Map(),
): Outside {
  const [first] = views
  const nominalVolts = first?.region.nominalVolts ?? 0
  const all = views.flatMap(view => view.ends.map(each => ({ view, each })))
  const { wires, leaving } = wiresOf(all)
  const circuits = circuitsOf(views)
  const supplies = suppliesOf(circuits, views)
  const isolators = isolatorsIn(views, trade, as)
  const loads = loadsOf(views, trade, bypasses, unworked, isolators)
  const closing = new Closing(circuits, leaving, supplies, loads, isolators)
  return {
    ...(first && { saidIn: first.region.id }),
    nominalVolts,
    supplies,
    wires,
    loads: [...loads, ...closing.onward()],
    joints: [
      ...leaving.flatMap(seen => closing.far(seen) ?? []),
      ...closing.returns(),
      ...views.flatMap(view =>
        racewayGround(view) === 'continuous'
          ? [{ id: `pipe:${view.box.id}`, members: [bondPoint(view.box.id), PANEL_GROUND] }]
          : [],
      ),
    ],
    bonds: views.flatMap(({ box, region }) =>
      box.material === 'metal' ? [{ id: sayIn(region)`${box.name} box`, point: bondPoint(box.id) }] : [],
    ),
    caps: leaving.map(({ each }) => farPoint(each)),
  }
}

/** What isolates what: the device by the load that it parts, and by the cable that leads on from it. */
interface Isolators {
  readonly ofLoad: ReadonlyMap<string, string>
  readonly ofCable: ReadonlyMap<string, string>
}

function isolatorsIn(views: readonly BoxView[], trade: Trade, as: 'found' | 'planned'): Isolators {
  const all = isolatingIn(views, trade, as).map(({ place }) => ({
    place,
    device: as === 'found' ? place.found!.id : place.place.id,
  }))
  return {
    ofLoad: new Map(all.flatMap(({ place, device }) => place.loads.map(({ id }) => [id, device] as const))),
    ofCable: new Map(
      [...beyondIn(views, trade, as)].map(([cable, placeId]) => [
        cable,
        all.find(({ place }) => place.place.id === placeId)!.device,
      ]),
    ),
  }
}

/** One wire a conductor; those that leave the boxes end at a point of their own. */
function wiresOf(all: readonly Seen[]): { wires: Wire[]; leaving: Seen[] } {
  const byConductor = new Map<string, Seen[]>()
  for (const seen of all) {
    const { id } = seen.each.conductor
    byConductor.set(id, [...(byConductor.get(id) ?? []), seen])
  }
  const leaving: Seen[] = []
  const wires = [...byConductor].map(([id, [near, other]]): Wire => {
    const { sheath } = near!.each.cable
    if (!other) leaving.push(near!)
    return {
      id,
      a: nearPoint(near!.each),
      b: other ? nearPoint(other.each) : farPoint(near!.each),
      cable: near!.each.cable.id,
      shielded: sheath === 'armoured' || sheath === 'steel-pipe',
    }
  })
  return { wires, leaving }
}

function suppliesOf(circuits: Circuits, views: readonly BoxView[]): SupplyPoint[] {
  const { record } = views[0] ?? {}
  const feeding = views.flatMap(view =>
    view.ends
      .filter(({ end }) => isHotRole(end.role) || end.role === 'neutral')
      .map(each => circuits.supplyOf(each)),
  )
  const ids = [...new Set([...circuits.breakers.map(({ id }) => id), ...feeding])]
  if (ids.length === 0) ids.push(ONLY_SUPPLY)
  return ids.map(id => {
    const circuit = record?.circuits[id]
    const sharers = circuit && record ? sharersOf(record, circuit).map(each => each.id) : []
    const together = [id, ...sharers].filter(each => ids.includes(each)).sort()
    const at = together.indexOf(id)
    return {
      id: circuit ? sayIn(views[0]!.region)`breaker ${circuit.breaker}` : id,
      volts: views[0]?.region.nominalVolts ?? 0,
      // Two hots on one neutral face each other on a split supply; three are those of three phases.
      phaseDegrees: (360 / Math.max(together.length, 1)) * at,
      breakerOn: true,
      hot: `panel:${id}:hot`,
      neutral: `panel:${together[0]}:neutral`,
      ground: PANEL_GROUND,
    }
  })
}

const PANEL_GROUND = 'panel:ground'

/** What a load draws, by its watts, or by what its plate says instead; 0 where nobody has read either. */
function wattsOf({ wattsEach, voltAmperesEach, amperesEach, count }: Load, nominal: number): number {
  return (wattsEach ?? voltAmperesEach ?? (amperesEach ?? 0) * nominal) * count
}

function loadsOf(
  views: readonly BoxView[],
  trade: Trade,
  bypasses: readonly Bypass[],
  unworked: ReadonlyMap<string, Unworked>,
  isolators: Isolators,
): CircuitLoad[] {
  const loads = new Map(
    views.flatMap(view =>
      view.places.flatMap(({ group, loads: own }) =>
        own.map(load => [load.id, { load, group, nominal: view.region.nominalVolts }] as const),
      ),
    ),
  )
  const named = new Map<string, number>()
  const bypassed = new Set<string>()
  return [...loads.values()].map(({ load, group, nominal }) => {
    const before = named.get(load.name) ?? 0
    named.set(load.name, before + 1)
    const { offLimitMilliamps, coldShare, ohmsShare } = trade.lamps[load.kind]
    // One serves all lamps of a light.
    const bypass = bypasses.includes(group.bypass) && !bypassed.has(group.id)
    bypassed.add(group.id)
    const left = unworked.get(group.id) ?? 'not-said'
    return {
      id: before === 0 ? load.name : `${load.name} (${before + 1})`,
      kind: 'lamp',
      groupId: group.id,
      ...isolatedBy(isolators.ofLoad.get(load.id)),
      watts: wattsOf(load, nominal) || nominal,
      ...(bypass ? { bypassWatts: trade.bypassWatts } : {}),
      ...(left === 'not-said' ? {} : { keeps: left === 'always-on' ? 'lit' : 'dark' }),
      hot: `lamp:${load.id}:hot`,
      neutral: `lamp:${load.id}:neutral`,
      ground: load.metalLuminaire === 'yes' ? `lamp:${load.id}:ground` : null,
      ...(load.phase === 'control-pair'
        ? { control: { plus: `lamp:${load.id}:plus`, minus: `lamp:${load.id}:minus` } }
        : {}),
      offLimitMilliamps,
      coldShare,
      ohmsShare,
    }
  })
}

const isolatedBy = (device: string | undefined) => (device === undefined ? {} : { isolatedBy: device })

/** The far side of conductors that leave the boxes. */
class Closing {
  constructor(
    readonly circuits: Circuits,
    readonly leaving: readonly Seen[],
    readonly supplies: readonly SupplyPoint[],
    readonly loads: readonly CircuitLoad[],
    readonly isolators: Isolators,
  ) {}

  /** What a conductor’s far end is joined to; null where it ends for itself. */
  far(seen: Seen): CircuitJoint | null {
    const { each } = seen
    const { role } = each.end
    const supply = this.#supply(each)
    const { lamps, onward } = this.#leadsTo(each.cable.id)
    const joint = (...members: string[]): CircuitJoint | null =>
      members.length > 0 ? { id: `beyond:${each.end.id}`, members: [farPoint(each), ...members] } : null
    if (comesIn(role)) return joint(supply.hot)
    if (isLoadRole(role))
      return joint(...this.#hangingOn(each, this.circuits.lightOf(seen)).map(load => load.hot))
    if (role === 'neutral') {
      const shells = this.#hangingOn(each, lamps).map(load => load.neutral)
      if (onward) return joint(...shells)
      // Fed at the luminaire: the circuit's own neutral is there, and this one comes from it.
      const fedThere = this.leaving.some(
        other => other.each.cable.id === each.cable.id && other.each.end.role === 'loop-feed',
      )
      return lamps === null || fedThere ? joint(supply.neutral, ...shells) : joint(...shells)
    }
    if (isControlRole(role)) {
      const side = role === 'control-plus' ? 'plus' : 'minus'
      return joint(
        ...this.#hangingOn(each, this.circuits.lightOf(seen)).flatMap(load => load.control?.[side] ?? []),
      )
    }
    if (role === 'ground') {
      const grounds = this.#hangingOn(each, lamps).flatMap(load => load.ground ?? [])
      const onlyGround = this.leaving.filter(other => other.each.end.role === 'ground').length === 1
      if (lamps === null && !onward) return joint(supply.ground)
      return onlyGround ? joint(supply.ground, ...grounds) : joint(...grounds)
    }
    return null
  }

  /** Cables that carry an onward feed: what hangs on them must stay alive. */
  onward(): CircuitLoad[] {
    return this.leaving
      .filter(({ each }) => each.end.role === 'onward-feed')
      .map(({ view, each }) => {
        const neutral = this.leaving.find(
          other => other.each.cable.id === each.cable.id && other.each.end.role === 'neutral',
        )
        return {
          id: sayIn(view.region)`onward by cable ${each.cable.name}`,
          kind: 'onward',
          groupId: 'onward',
          ...isolatedBy(this.isolators.ofCable.get(each.cable.id)),
          watts: 10,
          hot: farPoint(each),
          neutral: neutral ? farPoint(neutral.each) : `onward:${each.end.id}:neutral`,
          ground: null,
          offLimitMilliamps: 1,
          ohmsShare: null,
        }
      })
  }

  /** Lamps whose return does not come through a box have it at the luminaire (a switch loop). */
  returns(): CircuitJoint[] {
    return this.loads.flatMap(load => {
      const loops = this.leaving.filter(
        seen =>
          isLoadRole(seen.each.end.role) &&
          this.circuits.lightOf(seen) === load.groupId &&
          this.isolators.ofCable.get(seen.each.cable.id) === load.isolatedBy,
      )
      const cables = loops.map(({ each }) => each.cable.id)
      const comes = (role: string) =>
        this.leaving.some(
          ({ each }) =>
            each.end.role === role &&
            (cables.includes(each.cable.id) ||
              (this.#leadsTo(each.cable.id).lamps === load.groupId &&
                this.isolators.ofCable.get(each.cable.id) === load.isolatedBy)),
        )
      const hot =
        this.leaving.find(({ each }) => each.end.role === 'loop-feed' && cables.includes(each.cable.id)) ??
        this.leaving.find(({ each }) => isHotRole(each.end.role) && each.end.role !== 'onward-feed')
      const supply = this.#feeding(load.groupId, hot?.each)
      return [
        ...(comes('neutral') ? [] : [{ id: `return:${load.id}`, members: [load.neutral, supply.neutral] }]),
        ...(load.ground === null || comes('ground')
          ? []
          : [{ id: `ground:${load.id}`, members: [load.ground, supply.ground] }]),
      ]
    })
  }

  #supply(each: EndView): SupplyPoint {
    return this.#named(this.circuits.supplyOf(each))
  }

  /** What feeds a light: its circuit, where it is known, or that of the hot that comes in. */
  #feeding(groupId: string, hot: EndView | undefined): SupplyPoint {
    const whose = this.circuits.ofLight(groupId)
    if (whose.kind === 'known') return this.#named(whose.circuitId)
    return hot ? this.#supply(hot) : this.supplies[0]!
  }

  #named(circuitId: string): SupplyPoint {
    return this.supplies.find(({ hot }) => hot === `panel:${circuitId}:hot`) ?? this.supplies[0]!
  }

  /** What of a light hangs on a cable: beyond an isolator only what it parts, and of that nothing elsewhere. */
  #hangingOn({ cable }: EndView, groupId: string | null): readonly CircuitLoad[] {
    const isolator = this.isolators.ofCable.get(cable.id)
    return this.loads.filter(load => load.groupId === groupId && load.isolatedBy === isolator)
  }

  /** Roles found together in one cable say where it leads, or the lamp it was seen to go to. */
  #leadsTo(cableId: string): { lamps: string | null; onward: boolean } {
    const inCable = this.leaving.filter(({ each }) => each.cable.id === cableId)
    const lamp = inCable.find(({ each }) => isLoadRole(each.end.role))
    const named = inCable.flatMap(
      ({ view, each }) => view.record.loads[each.cable.farLoadId ?? '']?.groupId ?? [],
    )[0]
    return {
      lamps: lamp ? this.circuits.lightOf(lamp) : (named ?? null),
      onward: inCable.some(({ each }) => each.end.role === 'onward-feed'),
    }
  }
}
