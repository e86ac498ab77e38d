import { noSuchTerminals } from '../job/no-such-terminals'
import { tabsOf, type Standing } from '../job/tabs'
import { joinedByTab } from './joined-by-tab'
import { keyOfTerminal } from '../model/terminal-key'
import type { BoxView } from '../job/box-view'
import { groundless, hasNoGround } from '../job/groundless'
import { placeName } from '../job/place-name'
import type { FoundPigtail } from '../model/entities'
import { rowsWith } from '../model/record'
import {
  terminalPoint,
  type Circuit,
  type CircuitJoint,
  type CircuitLoad,
  type PlacedDevice,
} from '../model/circuit'
import type { DeviceModel } from '../model/device'
import { fault, good, refused, type Fault, type Result } from '../model/result'
import { allows } from '../model/setting'
import { deviceNamed, type Trade } from '../model/trade'
import { atPanel } from './net'
import { bondPoint, nearPoint, outsideOf } from './outside'
import type { RoutedBox } from './planned'
import { isTied, routedTogether, type RoutedTogether } from './tied-boxes'
import { unsaidFaults } from './unsaid'
import { unworkedOf } from './unworked'
import { sayIn } from '../words/say'

/**
 * The circuit of some boxes as it is now: seats as recorded, the old devices. Nothing planned to hold it
 * against. Refused where a conductor has no role yet, or the catalogue lacks a device.
 */
export function foundCircuit(views: readonly BoxView[], trade: Trade): Result<Circuit> {
  const faults: Fault[] = views.flatMap(rolesMissing)
  const standing: Standing[] = []
  const devices = views.flatMap(view => {
    const say = sayIn(view.region)
    return view.places.flatMap(place => {
      if (!place.found) return []
      const { id, modelId } = place.found
      const model = deviceNamed(trade, modelId)
      if (!model) {
        const path = `/devices/${id}/modelId`
        faults.push(fault(path, 'unknown-device', say`the catalogue has no “${modelId}”`))
        return []
      }
      standing.push({ id, place: place.place, model })
      return [{ id, groupId: place.group.id, model, name: placeName(view.record, place.place) }]
    })
  })
  faults.push(...views.flatMap(view => noSuchTerminals(view, trade)))
  if (faults.length > 0) return refused(...faults)
  const unsaid = unsaidFaults(views, [])
  if (unsaid.length > 0) return refused(...(unsaid as [Fault, ...Fault[]]))
  const base = outsideOf(views, trade)
  return good({
    ...base,
    devices,
    loads: [...base.loads, ...outletsOf(devices)],
    joints: [...base.joints, ...views.flatMap(seatsOf), ...tabsOf(standing).map(joinedByTab)],
    caps: [
      ...base.caps,
      ...views.flatMap(view => view.ends.filter(each => each.end.seat === 'cap').map(nearPoint)),
      ...views.flatMap(view => leadsOfNothing(view, devices)),
    ],
    plan: null,
  })
}

/** Leads of what was found on which nothing is recorded: whoever left them unused capped them. */
function leadsOfNothing(view: BoxView, devices: readonly PlacedDevice[]): string[] {
  const used = new Set(
    [...view.ends.map(({ end }) => end), ...view.pigtails].flatMap(({ deviceId, terminal }) =>
      deviceId !== null && terminal !== null ? [terminalPoint(deviceId, terminal)] : [],
    ),
  )
  return devices
    .filter(({ id }) => view.places.some(({ found }) => found?.id === id))
    .flatMap(({ id, model }) =>
      model.terminals.filter(({ joins }) => joins === 'lead').map(terminal => terminalPoint(id, terminal.id)),
    )
    .filter(point => !used.has(point))
}

/** Joints, conductors on terminals and the bond of one box as recorded. */
function seatsOf(view: BoxView): CircuitJoint[] {
  const bonded = view.box.bonded === 'yes' ? view.ends.find(each => each.end.role === 'ground') : undefined
  return [
    ...view.joints.map(joint => ({
      id: joint.id,
      members: [
        ...view.ends.filter(each => each.end.jointId === joint.id).map(nearPoint),
        ...view.pigtails.filter(each => each.jointId === joint.id).flatMap(each => pigtailGoal(view, each)),
      ],
    })),
    ...view.ends.flatMap(each =>
      each.end.seat === 'terminal' && each.end.deviceId && each.end.terminal
        ? [
            {
              id: `seat:${each.end.id}`,
              members: [nearPoint(each), terminalPoint(each.end.deviceId, each.end.terminal)],
            },
          ]
        : [],
    ),
    ...(bonded ? [{ id: `bond:${view.box.id}`, members: [nearPoint(bonded), bondPoint(view.box.id)] }] : []),
  ]
}

/** Receptacles are loads that stay fed, at the terminals they name. */
function outletsOf(devices: readonly PlacedDevice[]): CircuitLoad[] {
  return devices.flatMap(({ id, groupId, model, name }) =>
    model.outlet
      ? [
          {
            id: name ?? id,
            kind: 'receptacle',
            groupId,
            watts: 0,
            hot: terminalPoint(id, model.outlet.hot),
            neutral: terminalPoint(id, model.outlet.neutral),
            ground: terminalPoint(id, model.outlet.ground),
            offLimitMilliamps: 1,
            ohmsShare: null,
          },
        ]
      : [],
  )
}

/** Settings made at a place; what is not set is as the device comes. */
const settingsAt = (view: BoxView, placeId: string, model: DeviceModel): Record<string, string> =>
  Object.fromEntries(
    rowsWith(view.record, 'settings', 'placeId', placeId)
      .filter(({ settingId, value }) =>
        model.settings.some(setting => setting.id === settingId && allows(setting, value)),
      )
      .map(({ settingId, value }) => [settingId, value]),
  )

/**
 * The circuit as it will be, with the net each point is meant to be on: of all boxes that hang together with this
 * one, where it was routed with others.
 */
export function plannedCircuit(view: BoxView, routed: RoutedBox, trade: Trade): Circuit {
  const together = isTied(view) ? routedTogether(view, trade) : null
  if (!together?.ok) return circuitOfParts([{ view, routed }], [], trade)
  return circuitOfPlan(together.value, trade)
}

/** The circuit of boxes that were routed together. */
export const circuitOfPlan = ({ boxes, schemes }: RoutedTogether, trade: Trade): Circuit =>
  circuitOfParts(boxes, schemes, trade)

function circuitOfParts(
  boxes: RoutedTogether['boxes'],
  schemes: RoutedTogether['schemes'],
  trade: Trade,
): Circuit {
  const base = outsideOf(
    boxes.map(({ view }) => view),
    trade,
    'planned',
    ['to-be-fitted', 'fitted'],
    unworkedOf(
      boxes.map(({ view }) => view),
      boxes.flatMap(({ routed }) => routed.devices),
    ),
  )
  const parts = boxes.map(({ view, routed }) => partOf(view, routed, schemes))
  const devices = parts.flatMap(part => part.devices)
  return {
    ...base,
    devices,
    loads: [...base.loads, ...outletsOf(devices)],
    joints: [...base.joints, ...parts.flatMap(({ joints }) => joints)],
    caps: [...base.caps, ...parts.flatMap(({ caps }) => caps)],
    groundless: boxes.flatMap(({ view, routed }) => groundlessIn(view, routed)),
    plan: Object.assign({}, ...parts.map(({ plan }) => plan)),
  }
}

const nameAt = ({ record }: BoxView, placeId: string) => placeName(record, record.places[placeId]!)

/** What of a box without a ground may be without: what stays, and what may replace something; its metal, if all may. */
function groundlessIn(view: BoxView, { devices }: RoutedBox): { id: string; point: string }[] {
  if (!hasNoGround(view)) return []
  const allowed = devices.filter(({ placeId, isNew, model }) => {
    const place = view.places.find(each => each.place.id === placeId)
    if (!isNew || !place) return !isNew
    const { kind } = groundless(view, place, model)
    return kind === 'protected' || kind === 'insulating-plate'
  })
  return [
    ...allowed.flatMap(({ placeId, model }) =>
      model.terminals
        .filter(({ wants }) => wants === 'ground')
        .map(({ id }) => ({ id: nameAt(view, placeId), point: terminalPoint(placeId, id) })),
    ),
    ...(view.box.material === 'metal' && allowed.length === devices.length
      ? [{ id: `${view.room.name}, ${view.box.name}`, point: bondPoint(view.box.id) }]
      : []),
  ]
}

/** What one box adds: its devices, joints, caps, and the net of each of its points. */
function partOf(view: BoxView, routed: RoutedBox, schemes: RoutedTogether['schemes']) {
  const near = new Map(view.ends.map(each => [each.end.id, nearPoint(each)]))
  const settingsOf = (placeId: string) =>
    Object.assign({}, ...schemes.map(({ settings }) => settings[placeId]))
  const devices = routed.devices.map(({ placeId, groupId, model }) => ({
    id: placeId,
    groupId,
    model,
    name: nameAt(view, placeId),
    settings: { ...settingsOf(placeId), ...settingsAt(view, placeId, model) },
  }))
  const pigtail = new Map(
    routed.pigtails.map(each => [
      each.id,
      each.to === 'box' ? bondPoint(view.box.id) : terminalPoint(each.to.placeId, each.to.terminalId),
    ]),
  )
  const plan: Record<string, string> = {}
  for (const each of view.ends)
    plan[nearPoint(each)] = planned(routed.netOfEnd[each.end.id]) ?? `capped:${each.conductor.id}`
  for (const device of routed.devices)
    for (const each of device.model.terminals) {
      const keyOf = (terminalId: string) => keyOfTerminal({ placeId: device.placeId, terminalId })
      const key = keyOf(each.id)
      // What nothing hangs on behind a protection is one metal with what comes in before it.
      const fed = keyOf(fedFrom(device.model, each.id) ?? each.id)
      plan[terminalPoint(device.placeId, each.id)] =
        planned(routed.netOfTerminal[key] ?? routed.netOfTerminal[fed]) ?? `unused:${key}`
    }
  return {
    devices,
    plan,
    joints: [
      ...tabsOf(
        routed.devices.map(({ placeId, gang, part, model }) => ({
          id: placeId,
          place: { boxId: view.box.id, gang, part },
          model,
        })),
      ).map(joinedByTab),
      ...routed.joints.map(joint => ({
        id: `${view.box.id}:${joint.id}`,
        members: [
          ...joint.endIds.map(id => near.get(id)!),
          ...joint.leads.map(lead => terminalPoint(lead.placeId, lead.terminalId)),
          ...joint.pigtailIds.map(id => pigtail.get(id)!),
        ],
      })),
      ...Object.entries(routed.seats).flatMap(([endId, seat]) =>
        seat.kind === 'terminal'
          ? [
              {
                id: `seat:${endId}`,
                members: [near.get(endId)!, terminalPoint(seat.placeId, seat.terminalId)],
              },
            ]
          : [],
      ),
    ],
    caps: [
      ...Object.entries(routed.seats).flatMap(([endId, seat]) =>
        seat.kind === 'cap' ? [near.get(endId)!] : [],
      ),
      ...routed.cappedLeads.map(lead => terminalPoint(lead.placeId, lead.terminalId)),
    ],
  }
}

/** The terminal that one behind a protection is fed from; null for any other. */
function fedFrom({ outlet }: DeviceModel, terminalId: string): string | null {
  if (!outlet?.protects) return null
  if (terminalId === outlet.protects.hot) return outlet.hot
  return terminalId === outlet.protects.neutral ? outlet.neutral : null
}

/** Where a plan puts a point: of a circuit that comes in by several cables, all is one metal at the panel. */
const planned = (net: string | null | undefined): string | null => (net ? atPanel(net) : null)

function pigtailGoal(view: BoxView, { deviceId, terminal }: FoundPigtail): string[] {
  if (deviceId !== null) return terminal === null ? [] : [terminalPoint(deviceId, terminal)]
  return view.box.material === 'metal' ? [bondPoint(view.box.id)] : []
}

function rolesMissing(view: BoxView): Fault[] {
  const say = sayIn(view.region)

  return view.ends
    .filter(each => each.end.role === null)
    .map(each => fault(`/ends/${each.end.id}/role`, 'no-role', say`${each.name} has no role yet`))
}
