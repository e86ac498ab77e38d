import { houseRule } from '../model/house-rules'
import { keyOfTerminal } from '../model/terminal-key'
import { type BoxView, type EndView } from '../job/box-view'
import type { Conductor } from '../model/entities'
import { mayBeNeutral } from '../model/regions'
import type { Trade } from '../model/trade'
import type { Gauge } from '../model/vocabulary'
import { isControlNet, kindOf } from './net'
import { connectorsFor } from './connectors'
import { meetingsOf, stayingPut } from './meetings'
import { handsOnNeutral } from './neutral-source'
import {
  isOneConductor,
  type Pigtail,
  type PlannedDevice,
  type PlannedJoint,
  type PlannedSeat,
  type Remark,
  type RoutedBox,
} from './planned'

const PIGTAIL_MILLIMETRES = 150

/** Seats, joints, pigtails and caps of one box whose ends and terminals have their nets. */
export function assemble(
  view: BoxView,
  trade: Trade,
  devices: readonly PlannedDevice[],
  nets: Readonly<Record<string, string>>,
  netOfEnd: Readonly<Record<string, string | null>>,
  wanted: Readonly<Record<string, string | null>>,
): RoutedBox {
  const seats: Record<string, PlannedSeat> = {}
  const joints: PlannedJoint[] = []
  const pigtails: Pigtail[] = []
  const connects = houseRule(view.record, 'joints') === 'twist-on' ? 'twist-on' : 'lever'
  const netOf = ({ end }: EndView) => netOfEnd[end.id] ?? null
  const meetings = meetingsOf(view, devices, netOf, wanted)
  const { netOfTerminal } = stayingPut(view, devices, meetings, netOf, wanted)
  for (const { net, kind, ends, held, leads, bonds } of meetingsOf(view, devices, netOf, netOfTerminal)) {
    const [only] = held
    if (kind === 'straight') {
      for (const each of ends)
        seats[each.end.id] = { kind: 'terminal', placeId: only!.placeId, terminalId: only!.terminal.id }
      continue
    }
    if (kind === 'cap') {
      seats[ends[0]!.end.id] = { kind: 'cap' }
      continue
    }
    const receptacle = held.length + leads.length > 1 ? handsOnNeutral(view, net, ends, held) : null
    const jointId = `joint-${net}`
    const targets: Pigtail['to'][] = [
      ...held.map(each => ({ placeId: each.placeId, terminalId: each.terminal.id })),
      ...(bonds ? (['box'] as const) : []),
    ]
    const own = targets.map((to, index) => pigtailFor(view, net, ends, to, index))
    pigtails.push(...own)
    const joined = receptacle ? [] : ends
    for (const each of ends)
      seats[each.end.id] = receptacle
        ? { kind: 'terminal', placeId: receptacle.placeId, terminalId: receptacle.terminal.id }
        : { kind: 'joint', jointId }
    const wires: Gauge[] = [
      ...joined.map(({ conductor }) => conductor.gauge),
      ...leads.map(() => view.region.leadGauge),
      ...own.map(({ gauge }) => gauge),
    ]
    const members = {
      endIds: joined.map(each => each.end.id),
      leads: leads.map(each => ({ placeId: each.placeId, terminalId: each.terminal.id })),
      pigtailIds: own.map(each => each.id),
    }
    joints.push({
      id: jointId,
      netId: net,
      ...members,
      connectors: isOneConductor(members) ? [] : (connectorsFor(wires, connects, trade) ?? []),
    })
  }
  for (const each of view.ends) seats[each.end.id] ??= { kind: 'cap' }
  return {
    boxId: view.box.id,
    devices,
    nets,
    netOfEnd,
    netOfTerminal,
    seats,
    joints,
    pigtails,
    cappedLeads: devices.flatMap(device =>
      device.model.terminals
        .filter(
          terminal =>
            terminal.joins === 'lead' &&
            netOfTerminal[keyOfTerminal({ placeId: device.placeId, terminalId: terminal.id })] === null,
        )
        .map(terminal => ({ placeId: device.placeId, terminalId: terminal.id })),
    ),
    remarks: remarksOf(view, netOfEnd),
  }
}

function pigtailFor(
  view: BoxView,
  net: string,
  ends: readonly EndView[],
  to: Pigtail['to'],
  index: number,
): Pigtail {
  const { pigtails } = view.region.colours
  const kind = kindOf(net)
  return {
    id: `pigtail-${net}-${index + 1}`,
    netId: net,
    insulation: pigtails[kind in pigtails ? (kind as keyof typeof pigtails) : 'other'],
    gauge: ends[0]?.conductor.gauge ?? view.region.usualGauge,
    millimetres: PIGTAIL_MILLIMETRES,
    to,
  }
}

/**
 * A neutral-coloured conductor that carries anything but a neutral is marked again, at both ends; so is a coloured
 * one that brings a neutral, where the house rule lets it.
 */
function remarksOf(view: BoxView, netOfEnd: Readonly<Record<string, string | null>>): Remark[] {
  return view.ends.flatMap(({ end, conductor }): Remark[] => {
    const net = netOfEnd[end.id] ?? null
    if (net === null || kindOf(net) === 'ground' || isControlNet(net) || conductor.markedAs !== null)
      return []
    const neutralColoured = view.region.neutralColours.includes(conductor.insulation)
    if (kindOf(net) === 'neutral')
      return mayBeNeutral(view.region, conductor) && !isSleeved(view, conductor)
        ? []
        : [{ endId: end.id, as: view.region.colours.neutral }]
    // No mark lets it bring the switched current back: it changes places.
    if (kindOf(net) === 'load' && !view.region.loadOnNeutralColour) return []
    return neutralColoured ? [{ endId: end.id, as: view.region.colours.marked }] : []
  })
}

/** Whether a conductor’s colour was the neutral’s beside others only, and none of those is in its cable. */
function isSleeved({ region, ends }: BoxView, { insulation, cableId, faded }: Conductor): boolean {
  const beside = region.neutralBeside[insulation]
  return (
    beside !== undefined &&
    !faded &&
    !ends.some(({ conductor }) => conductor.cableId === cableId && beside.includes(conductor.insulation))
  )
}
