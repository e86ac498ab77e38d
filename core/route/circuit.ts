import type { BoxView, EndView } from '../job/box-view'
import { isHotRole, isLoadRole } from '../identify'
import type { FoundPigtail } from '../model/entities'
import {
  terminalPoint,
  type Circuit,
  type CircuitJoint,
  type CircuitLoad,
  type SupplyPoint,
  type Wire,
} from '../model/circuit'
import { fault, good, refused, type Fault, type Result } from '../model/result'
import { deviceNamed, type Trade } from '../model/trade'
import type { RoutedBox } from './route-box'

const nearPoint = (end: EndView) => `end:${end.end.id}`
const farPoint = (end: EndView) => `far:${end.end.id}`
const bondPoint = (boxId: string) => `bond:${boxId}`

/** The circuit as it is now: seats as recorded, the old devices. Nothing planned to hold it against. */
export function foundCircuit(view: BoxView, trade: Trade): Result<Circuit> {
  const faults: Fault[] = rolesMissing(view)
  const devices = view.places.flatMap(place => {
    if (!place.found) return []
    const model = deviceNamed(trade, place.found.modelId)
    if (!model) {
      faults.push(
        fault(
          `/devices/${place.found.id}/modelId`,
          'unknown-device',
          `the catalogue has no “${place.found.modelId}”`,
        ),
      )
      return []
    }
    return [{ id: place.found.id, groupId: place.group.id, model }]
  })
  if (faults.length > 0) return refused(...faults)
  const joints: CircuitJoint[] = view.joints.map(joint => ({
    id: joint.id,
    members: [
      ...view.ends.filter(each => each.end.jointId === joint.id).map(nearPoint),
      ...view.pigtails.filter(each => each.jointId === joint.id).flatMap(each => pigtailGoal(view, each)),
    ],
  }))
  const onTerminals = view.ends.flatMap(each =>
    each.end.seat === 'terminal' && each.end.deviceId && each.end.terminal
      ? [
          {
            id: `seat:${each.end.id}`,
            members: [nearPoint(each), terminalPoint(each.end.deviceId, each.end.terminal)],
          },
        ]
      : [],
  )
  const base = outside(view, trade)
  const bonded = view.box.bonded === 'yes' ? view.ends.find(each => each.end.role === 'ground') : undefined
  return good({
    ...base,
    devices,
    joints: [
      ...base.joints,
      ...joints,
      ...onTerminals,
      ...(bonded ? [{ id: 'bond', members: [nearPoint(bonded), bondPoint(view.box.id)] }] : []),
    ],
    caps: [...base.caps, ...view.ends.filter(each => each.end.seat === 'cap').map(nearPoint)],
    plan: null,
  })
}

/** The circuit as it will be, with the net each point is meant to be on. */
export function plannedCircuit(view: BoxView, routed: RoutedBox, trade: Trade): Circuit {
  const near = new Map(view.ends.map(each => [each.end.id, nearPoint(each)]))
  const terminal = (placeId: string, terminalId: string) => terminalPoint(placeId, terminalId)
  const base = outside(view, trade)
  const pigtail = new Map(
    routed.pigtails.map(each => [
      each.id,
      each.to === 'box' ? bondPoint(view.box.id) : terminal(each.to.placeId, each.to.terminalId),
    ]),
  )
  const plan: Record<string, string> = {}
  for (const each of view.ends) {
    const net = routed.netOfEnd[each.end.id] ?? `capped:${each.end.id}`
    plan[nearPoint(each)] = net
  }
  for (const device of routed.devices)
    for (const each of device.model.terminals) {
      const net = routed.netOfTerminal[`${device.placeId}.${each.id}`]
      plan[terminal(device.placeId, each.id)] = net ?? `unused:${device.placeId}.${each.id}`
    }
  return {
    ...base,
    devices: routed.devices.map(({ placeId, groupId, model }) => ({ id: placeId, groupId, model })),
    joints: [
      ...base.joints,
      ...routed.joints.map(joint => ({
        id: joint.id,
        members: [
          ...joint.endIds.map(id => near.get(id)!),
          ...joint.leads.map(lead => terminal(lead.placeId, lead.terminalId)),
          ...joint.pigtailIds.map(id => pigtail.get(id)!),
        ],
      })),
      ...Object.entries(routed.seats).flatMap(([endId, seat]) =>
        seat.kind === 'terminal'
          ? [{ id: `seat:${endId}`, members: [near.get(endId)!, terminal(seat.placeId, seat.terminalId)] }]
          : [],
      ),
    ],
    caps: [
      ...base.caps,
      ...Object.entries(routed.seats).flatMap(([endId, seat]) =>
        seat.kind === 'cap' ? [near.get(endId)!] : [],
      ),
      ...routed.cappedLeads.map(lead => terminal(lead.placeId, lead.terminalId)),
    ],
    plan,
  }
}

function pigtailGoal(view: BoxView, { deviceId, terminal }: FoundPigtail): string[] {
  if (deviceId !== null) return terminal === null ? [] : [terminalPoint(deviceId, terminal)]
  return view.box.material === 'metal' ? [bondPoint(view.box.id)] : []
}

function rolesMissing(view: BoxView): Fault[] {
  return view.ends
    .filter(each => each.end.role === null)
    .map(each => fault(`/ends/${each.end.id}/role`, 'no-role', `${each.name} has no role yet`))
}

type Outside = Pick<Circuit, 'nominalVolts' | 'supplies' | 'wires' | 'loads' | 'joints' | 'bonds' | 'caps'>

/**
 * Everything beyond the box, closed by what the roles say: a hot conductor comes from its breaker, a
 * switched one leads to the lamps, a neutral that leaves in the lamps' cable is their return, and what
 * leaves by an onward cable feeds somebody else.
 */
function outside(view: BoxView, trade: Trade): Outside {
  const nominalVolts = view.region.nominalVolts
  const supplies = suppliesOf(view)
  const wires: Wire[] = view.ends.map(each => ({
    id: each.conductor.id,
    a: nearPoint(each),
    b: farPoint(each),
  }))
  const loads = loadsOf(view, trade)
  const onward = onwardLoads(view)
  const joints: CircuitJoint[] = [
    ...view.ends.map(each => farJoint(view, each, supplies, loads)),
    ...loopReturns(view, supplies, loads),
  ].flatMap(joint => joint ?? [])
  const bonds =
    view.box.material === 'metal' ? [{ id: `${view.box.name} box`, point: bondPoint(view.box.id) }] : []
  return {
    nominalVolts,
    supplies,
    wires,
    loads: [...loads, ...onward],
    joints,
    bonds,
    caps: view.ends.map(farPoint),
  }
}

function suppliesOf(view: BoxView): SupplyPoint[] {
  const ids = view.feeds.length > 0 ? view.feeds.map(each => each.circuit.id) : ['supply']
  return ids.map(id => {
    const shared = view.record.circuits[id]?.sharedNeutralWithId ?? null
    const first = shared !== null && ids.includes(shared) && shared < id
    return {
      id: view.record.circuits[id] ? `breaker ${view.record.circuits[id].breaker}` : id,
      volts: view.region.nominalVolts,
      phaseDegrees: first ? 180 : 0,
      breakerOn: true,
      hot: `panel:${id}:hot`,
      neutral: `panel:${first ? shared : id}:neutral`,
      ground: 'panel:ground',
    }
  })
}

function loadsOf(view: BoxView, trade: Trade): CircuitLoad[] {
  return view.places.flatMap(place =>
    place.loads.map(load => ({
      id: load.name,
      kind: 'lamp' as const,
      groupId: place.group.id,
      watts: load.wattsEach * load.count || view.region.nominalVolts,
      hot: `lamp:${load.id}:hot`,
      neutral: `lamp:${load.id}:neutral`,
      ground: load.metalLuminaire === 'yes' ? `lamp:${load.id}:ground` : null,
      offLimitMilliamps: trade.lamps[load.kind].offLimitMilliamps,
    })),
  )
}

/** Cables that carry an onward feed: what hangs on them must stay alive. */
function onwardLoads(view: BoxView): CircuitLoad[] {
  return view.ends
    .filter(each => each.end.role === 'onward-feed')
    .map(each => ({
      id: `onward by cable ${each.cable.name}`,
      kind: 'onward' as const,
      groupId: 'onward',
      watts: 10,
      hot: farPoint(each),
      neutral: onwardNeutral(view, each) ?? `onward:${each.end.id}:neutral`,
      ground: null,
      offLimitMilliamps: 1,
    }))
}

const onwardNeutral = (view: BoxView, onward: EndView): string | null => {
  const neutral = view.ends.find(each => each.cable.id === onward.cable.id && each.end.role === 'neutral')
  return neutral ? farPoint(neutral) : null
}

/** Roles found together in one cable say where it leads. */
function leadsTo(view: BoxView, cableId: string): { lamps: string | null; onward: boolean } {
  const inCable = view.ends.filter(each => each.cable.id === cableId)
  const lamp = inCable.find(each => isLoadRole(each.end.role))
  return {
    lamps: lamp ? (lamp.end.roleGroupId ?? view.places[0]?.group.id ?? null) : null,
    onward: inCable.some(each => each.end.role === 'onward-feed'),
  }
}

function farJoint(
  view: BoxView,
  each: EndView,
  supplies: readonly SupplyPoint[],
  loads: readonly CircuitLoad[],
): CircuitJoint | null {
  const { role, roleCircuitId, roleGroupId } = each.end
  const supply = supplyOf(view, supplies, roleCircuitId)
  const { lamps, onward } = leadsTo(view, each.cable.id)
  const joint = (...members: string[]): CircuitJoint | null =>
    members.length > 0 ? { id: `beyond:${each.end.id}`, members: [farPoint(each), ...members] } : null
  const ofGroup = (groupId: string | null) => loads.filter(load => load.groupId === groupId)
  if (role === 'line' || role === 'loop-feed') return joint(supply.hot)
  if (isLoadRole(role))
    return joint(...ofGroup(roleGroupId ?? view.places[0]?.group.id ?? null).map(load => load.hot))
  if (role === 'neutral') {
    if (onward) return null
    return lamps === null ? joint(supply.neutral) : joint(...ofGroup(lamps).map(load => load.neutral))
  }
  if (role === 'ground') {
    const grounds = ofGroup(lamps).flatMap(load => load.ground ?? [])
    const onlyGround = view.ends.filter(other => other.end.role === 'ground').length === 1
    if (lamps === null && !onward) return joint(supply.ground)
    return onlyGround ? joint(supply.ground, ...grounds) : joint(...grounds)
  }
  return null
}

/** Lamps whose return does not come through this box have it at the luminaire (a switch loop). */
function loopReturns(
  view: BoxView,
  supplies: readonly SupplyPoint[],
  loads: readonly CircuitLoad[],
): CircuitJoint[] {
  return loads.flatMap(load => {
    const cables = view.ends
      .filter(
        each =>
          isLoadRole(each.end.role) && (each.end.roleGroupId ?? view.places[0]?.group.id) === load.groupId,
      )
      .map(each => each.cable.id)
    const returnsHere = view.ends.some(each => each.end.role === 'neutral' && cables.includes(each.cable.id))
    const groundHere = view.ends.some(each => each.end.role === 'ground' && cables.includes(each.cable.id))
    const hot = view.ends.find(each => isHotRole(each.end.role) && each.end.role !== 'onward-feed')
    const supply = supplyOf(view, supplies, hot?.end.roleCircuitId ?? null)
    return [
      ...(returnsHere ? [] : [{ id: `return:${load.id}`, members: [load.neutral, supply.neutral] }]),
      ...(load.ground === null || groundHere
        ? []
        : [{ id: `ground:${load.id}`, members: [load.ground, supply.ground] }]),
    ]
  })
}

function supplyOf(view: BoxView, supplies: readonly SupplyPoint[], circuitId: string | null): SupplyPoint {
  const at = view.feeds.findIndex(each => each.circuit.id === circuitId)
  return supplies[Math.max(at, 0)]!
}
