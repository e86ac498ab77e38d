import { keyOfTerminal } from '../model/terminal-key'
import type { BoxView, EndView } from '../job/box-view'
import type { DeviceModel, Terminal } from '../model/device'
import { symmetriesOf } from '../model/symmetries'
import type { RouteCosts } from '../model/trade'
import { isSharedNeutral } from './feed'
import { joinedAsFound } from './as-found'
import type { PlannedDevice } from './planned'

export interface Member {
  readonly placeId: string
  readonly terminal: Terminal
  readonly model: DeviceModel
}

/** What of one net meets in a box, and how: straight on a terminal, capped, or in a joint. */
export interface Meeting {
  readonly net: string
  readonly kind: 'straight' | 'cap' | 'joint'
  readonly ends: readonly EndView[]
  /** Terminals that hold a wire; a pigtail goes to each where there is a joint. */
  readonly held: readonly Member[]
  /** Leads that a device brings itself. */
  readonly leads: readonly Member[]
  /** Pigtails to the box. */
  readonly bonds: 0 | 1
  /** It goes on past every device: no device’s screw holds two conductors of it together. */
  readonly isWhole: boolean
}

type NetOf = Readonly<Record<string, string | null>>

/** The meetings of a box whose ends and terminals have their nets, in the order of the nets. */
export function meetingsOf(
  view: BoxView,
  devices: readonly PlannedDevice[],
  netOfEnd: (end: EndView) => string | null,
  netOfTerminal: NetOf,
): Meeting[] {
  const met = new Map<string, { ends: EndView[]; held: Member[]; leads: Member[] }>()
  const at = (net: string) => {
    let own = met.get(net)
    if (!own) met.set(net, (own = { ends: [], held: [], leads: [] }))
    return own
  }
  for (const each of view.ends) {
    const net = netOfEnd(each)
    if (net !== null) at(net).ends.push(each)
  }
  for (const { placeId, model } of devices)
    for (const terminal of model.terminals) {
      const net = netOfTerminal[keyOfTerminal({ placeId, terminalId: terminal.id })]
      if (net) at(net)[terminal.joins === 'lead' ? 'leads' : 'held'].push({ placeId, terminal, model })
    }
  return [...met]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([net, { ends, held, leads }]) => {
      const bonds = net === 'ground' && view.box.material === 'metal' ? 1 : 0
      const isWhole = isSharedNeutral(view.record, net)
      return { net, ends, held, leads, bonds, isWhole, kind: kindOf({ ends, held, leads, bonds, isWhole }) }
    })
}

export function kindOf({
  ends,
  held,
  leads,
  bonds,
  isWhole,
}: Omit<Meeting, 'net' | 'kind'>): Meeting['kind'] {
  const [only] = held
  const isParted = isWhole && ends.length > 1
  if (
    only &&
    !isParted &&
    held.length === 1 &&
    leads.length + bonds === 0 &&
    goesStraightOn(ends, only.terminal)
  )
    return 'straight'
  return held.length + leads.length + bonds === 0 && ends.length === 1 ? 'cap' : 'joint'
}

/** Whether these conductors may go on a terminal themselves, without a pigtail. */
export const goesStraightOn = (ends: readonly EndView[], terminal: Terminal): boolean =>
  ends.length > 0 &&
  ends.length <= terminal.atMost &&
  ends.every(
    ({ conductor }) =>
      terminal.gauges.includes(conductor.gauge) &&
      terminal.strandings.includes(conductor.stranding) &&
      conductor.metal === 'copper',
  )

/** The old device at a planned one’s place, where that stays. */
export const staying = (view: BoxView, { placeId, isNew }: PlannedDevice) =>
  isNew ? null : (view.places.find(({ place }) => place.id === placeId)?.found ?? null)

/** Conductors that would leave their screws on a device that stays, its terminals exchanged in some way. */
function leaving(
  view: BoxView,
  { placeId }: PlannedDevice,
  foundId: string,
  straight: ReadonlySet<string>,
  netOfEnd: (end: EndView) => string | null,
  netOfTerminal: NetOf,
  symmetry: ReadonlyMap<string, string>,
): number {
  return view.ends.filter(each => {
    const { end } = each
    if (end.deviceId !== foundId || end.terminal === null) return false
    const net = netOfEnd(each)
    const there =
      netOfTerminal[keyOfTerminal({ placeId, terminalId: symmetry.get(end.terminal) ?? end.terminal })]
    return net === null || net !== there || !straight.has(net)
  }).length
}

/**
 * The nets of a box’s terminals, those of a device that stays exchanged where nothing it does can tell, so that the
 * fewest conductors leave their screws; with how many do.
 */
export function stayingPut(
  view: BoxView,
  devices: readonly PlannedDevice[],
  meetings: readonly Meeting[],
  netOfEnd: (end: EndView) => string | null,
  netOfTerminal: NetOf,
): { readonly netOfTerminal: NetOf; readonly moved: number } {
  const straight = new Set(meetings.flatMap(({ net, kind }) => (kind === 'straight' ? [net] : [])))
  let settled = netOfTerminal
  let moved = 0
  for (const device of devices) {
    const found = staying(view, device)
    if (!found) continue
    const { placeId, model } = device
    let best: { readonly symmetry: ReadonlyMap<string, string>; readonly moved: number } | null = null
    for (const symmetry of symmetriesOf(model)) {
      const own = leaving(view, device, found.id, straight, netOfEnd, netOfTerminal, symmetry)
      if (!best || own < best.moved) best = { symmetry, moved: own }
      if (own === 0) break
    }
    moved += best!.moved
    if (best!.symmetry.size > 0)
      settled = {
        ...settled,
        ...Object.fromEntries(
          [...best!.symmetry].map(([id, other]) => [
            keyOfTerminal({ placeId, terminalId: id }),
            netOfTerminal[keyOfTerminal({ placeId, terminalId: other })] ?? null,
          ]),
        ),
      }
  }
  return { netOfTerminal: settled, moved }
}

/** Joints that are not there yet as they will be. */
const newJoints = (view: BoxView, meetings: readonly Meeting[]): number =>
  meetings.filter(
    meeting =>
      meeting.kind === 'joint' &&
      !joinedAsFound(
        view,
        meeting.ends.map(({ end }) => end.id),
        targetsOf(meeting),
      ),
  ).length

/** Where pigtails and leads of a joint go. */
export const targetsOf = ({ held, leads, bonds }: Pick<Meeting, 'held' | 'leads' | 'bonds'>): string[] => [
  ...[...held, ...leads].map(({ placeId, terminal }) => keyOfTerminal({ placeId, terminalId: terminal.id })),
  ...(bonds ? ['box'] : []),
]

/** What the work in a box costs: joints made anew, and conductors that leave the screws of what stays. */
export function workIn(
  view: BoxView,
  devices: readonly PlannedDevice[],
  netOfEnd: (end: EndView) => string | null,
  netOfTerminal: NetOf,
  costs: RouteCosts,
): number {
  const meetings = meetingsOf(view, devices, netOfEnd, netOfTerminal)
  const { moved } = stayingPut(view, devices, meetings, netOfEnd, netOfTerminal)
  return newJoints(view, meetings) * costs.newJoint + moved * costs.moved
}
