import { theControl } from '@/core/job/place-name'
import { INSULATION_WORDS, ROLE_WORDS } from '@/core/words/of-vocabulary'
import { keyOfTerminal } from '@/core/model/terminal-key'
import type { BoxView, EndView } from '@/core/job/box-view'
import { claimStatus } from '@/core/identify'
import type { DeviceModel, Terminal } from '@/core/model/device'
import type { Joint, Place } from '@/core/model/entities'
import { rowsWith } from '@/core/model/record'
import { hintOf } from '@/core/model/regions'
import { deviceNamed, type Trade } from '@/core/model/trade'
import type { CableEntry, Insulation, Proof, Role } from '@/core/model/vocabulary'
import { RUNS_THROUGH } from '@/core/model/vocabulary'
import {
  foundJointOf,
  isOneConductor,
  kindOfNet,
  type NetKind,
  type PlannedJoint,
  type RoutedBox,
} from '@/core/route'
import { CONNECTOR_WORDS, PROOF_WORDS, plain } from '../words'
import { capital } from '@/core/words/capital'
import { sayIn } from '@/core/words/say'

/** What is drawn of one box, as found or as it will be: the same picture from either. */
export interface BoxPicture {
  readonly title: string
  readonly metal: boolean
  readonly cables: readonly PictureCable[]
  readonly devices: readonly PictureDevice[]
  readonly joints: readonly PictureJoint[]
  /** Conductors that stay in the box: pigtails and device leads. */
  readonly short: readonly ShortWire[]
}

export interface PictureCable {
  readonly id: string
  readonly name: string
  readonly goes: string
  readonly entry: CableEntry
  readonly cloth: boolean
  readonly strands: readonly PictureStrand[]
}

export interface PictureStrand {
  readonly id: string
  readonly says: string
  readonly insulation: Insulation
  readonly markedAs: Insulation | null
  /** Its colour is hard to tell. */
  readonly faded: boolean
  readonly flag: { readonly words: string; readonly proof: Proof } | null
  readonly to: Goal
  readonly changed: boolean
}

export type Goal =
  | { readonly kind: 'terminal'; readonly deviceId: string; readonly terminalId: string }
  | { readonly kind: 'joint'; readonly jointId: string }
  | { readonly kind: 'cap' }
  | { readonly kind: 'loose' }

export interface PictureDevice {
  readonly id: string
  readonly gang: number
  readonly part: number
  /** Which control of the box it is, in words. */
  readonly where: string
  readonly name: string
  readonly isNew: boolean
  /** Nothing but a plate, which closes its gang. */
  readonly isBlank?: boolean
  readonly terminals: readonly (Pick<Terminal, 'id' | 'word' | 'joins' | 'side'> & {
    readonly capped: boolean
  })[]
}

export interface PictureJoint {
  readonly id: string
  readonly words: string
  /** A word in it, where its shape does not say it. */
  readonly label: string
  readonly side: 'left' | 'right'
  /** Through, or in a loop: no connector, one conductor that goes on. */
  readonly kind: 'lever' | 'twist-on' | 'other' | 'through' | 'loop'
  /** Of the conductor that goes on. */
  readonly insulation?: Insulation
  readonly bareShows: boolean
  /** Openings that are drawn, of a lever connector whose size is known. */
  readonly slots?: number
}

export interface ShortWire {
  readonly id: string
  readonly says: string
  readonly insulation: Insulation
  readonly jointId: string
  readonly to: { readonly deviceId: string; readonly terminalId: string } | 'box'
  readonly changed: boolean
}

function goesTo(view: BoxView, each: EndView): string {
  const say = sayIn(view.region)

  const { cable } = each
  if (cable.far === 'box') {
    const other = cable.boxId === view.box.id ? cable.farBoxId : cable.boxId
    return view.record.boxes[other ?? '']?.name ?? say`another box`
  }
  return {
    'not-known': say`not known`,
    panel: say`panel`,
    luminaire: 'luminaire',
    elsewhere: 'elsewhere',
  }[cable.far]
}

/** Roles of a whole run are told here with the box they lead to. */
function roleHere(view: BoxView, each: EndView, role: Role): string {
  const say = sayIn(view.region)

  const runs = role === 'onward-feed' || role === 'loop-feed' || role === 'loop-return'
  return runs && each.cable.far === 'box'
    ? `${say(ROLE_WORDS[role])} → ${goesTo(view, each)}`
    : say(ROLE_WORDS[role])
}

/** On a flag whose conductor has a note pinned to it. */
export const NOTED = ' •'

function strandOf(view: BoxView, each: EndView, to: Goal, sits: string, changed: boolean): PictureStrand {
  const say = sayIn(view.region)

  const status = claimStatus(view, each)
  const { insulation, markedAs, faded, gauge, stranding, metal } = each.conductor
  const role = status.role
    ? `${capital(say(ROLE_WORDS[status.role]))}, ${say(PROOF_WORDS[status.proof])}`
    : say`No role yet`
  const note = rowsWith(view.record, 'notes', 'endId', each.end.id)[0]?.text
  return {
    id: each.end.id,
    says: say`Cable ${each.cable.name}, ${faded ? say`faded ` : ''}${say(INSULATION_WORDS[insulation])}${markedAs ? say` marked ${say(INSULATION_WORDS[markedAs])}` : ''}, ${gauge} ${stranding}${metal === 'aluminium' ? say` aluminum` : ''}, ${sits}. ${role}${note ? say`. Note: ${note}` : ''}`,
    insulation,
    markedAs,
    faded,
    flag: {
      words: `${status.role ? roleHere(view, each, status.role) : '?'}${note ? NOTED : ''}`,
      proof: status.proof,
    },
    to,
    changed,
  }
}

function cablesOf(view: BoxView, strandFor: (each: EndView) => PictureStrand): PictureCable[] {
  const say = sayIn(view.region)

  return view.cables.map(cable => {
    const ends = view.ends.filter(each => each.cable.id === cable.id)
    const here = cable.boxId === view.box.id
    return {
      id: cable.id,
      name: cable.name,
      goes: ends[0] ? goesTo(view, ends[0]) : say`not known`,
      entry: here ? cable.entry : (cable.farEntry ?? cable.entry),
      cloth: cable.sheath === 'cloth',
      strands: ends.map(strandFor),
    }
  })
}

/** Where a control stands in its box. */
const standsAt = ({ record }: BoxView, place: Place) => ({
  gang: place.gang,
  part: place.part,
  where: theControl(record, place),
})

const terminalsOf = (
  model: DeviceModel,
  capped: (terminalId: string) => boolean,
): PictureDevice['terminals'] =>
  model.terminals.map(({ id, word, joins, side }) => ({ id, word, joins, side, capped: capped(id) }))

const hinted = (view: BoxView, { conductor }: EndView) => hintOf(view.region, conductor)

/** Joints stand on the side of the terminals they serve: neutrals and grounds right, the rest left. */
const sideOf = (roles: readonly (string | null)[]): 'left' | 'right' =>
  roles.some(role => role === 'neutral' || role === 'ground') ? 'right' : 'left'

/** The box as it was opened. */
export function foundPicture(view: BoxView, trade: Trade): BoxPicture {
  const say = sayIn(view.region)

  const wordOf = (deviceId: string | null, terminalId: string | null) => {
    const model = deviceNamed(trade, view.record.devices[deviceId ?? '']?.modelId ?? '')
    return model?.terminals.find(terminal => terminal.id === terminalId)?.word ?? 'terminal'
  }
  return {
    title: say`${view.room.name}, ${view.box.name}, as found`,
    metal: view.box.material === 'metal',
    cables: cablesOf(view, each => {
      const { seat, deviceId, terminal, jointId } = each.end
      if (seat === 'terminal' && deviceId && terminal)
        return strandOf(
          view,
          each,
          { kind: 'terminal', deviceId, terminalId: terminal },
          say`on “${wordOf(deviceId, terminal)}”`,
          false,
        )
      if (seat === 'joint' && jointId)
        return strandOf(view, each, { kind: 'joint', jointId }, say`in a joint`, false)
      return strandOf(
        view,
        each,
        { kind: seat === 'cap' ? 'cap' : 'loose' },
        seat === 'cap' ? 'capped' : 'loose',
        false,
      )
    }),
    devices: view.places.flatMap(({ place, found }) => {
      const model = deviceNamed(trade, found?.modelId ?? '')
      if (!found || !model) return []
      return [
        {
          id: found.id,
          ...standsAt(view, place),
          name: model.name,
          isNew: false,
          terminals: terminalsOf(model, () => false),
        },
      ]
    }),
    joints: view.joints.map(joint => foundJoint(view, joint)),
    short: view.pigtails.map(pigtail => {
      const member = view.ends.find(each => each.end.jointId === pigtail.jointId)
      const goal = pigtail.deviceId ? `“${wordOf(pigtail.deviceId, pigtail.terminal)}”` : say`the box`
      return {
        id: pigtail.id,
        says: say`Pigtail to ${goal}`,
        insulation: member?.conductor.insulation ?? 'black',
        jointId: pigtail.jointId,
        to: pigtail.deviceId ? { deviceId: pigtail.deviceId, terminalId: pigtail.terminal ?? '' } : 'box',
        changed: false,
      }
    }),
  }
}

const NET_WORDS: Readonly<Record<NetKind | 'none', string>> = {
  line: 'line',
  load: 'load',
  neutral: 'neutral',
  ground: 'ground',
  traveller: 'traveler',
  signal: 'signal',
  own: 'its own',
  'control-plus': 'control +',
  'control-minus': 'control −',
  none: 'spare',
}

/** A conductor between two boxes may carry something else than it did: its flag says what it will. */
function asPlanned(
  view: BoxView,
  { end, conductor }: EndView,
  routed: RoutedBox,
  strand: PictureStrand,
): PictureStrand {
  const say = sayIn(view.region)

  if (!strand.flag || rowsWith(view.record, 'ends', 'conductorId', conductor.id).length < 2) return strand
  const net = routed.netOfEnd[end.id] ?? null
  const words = say(NET_WORDS[net === null ? 'none' : kindOfNet(net)])
  if (end.role !== null && say(ROLE_WORDS[end.role]) === words) return strand
  return {
    ...strand,
    says: say`${strand.says}. Will be: ${words}`,
    flag: { ...strand.flag, words },
    changed: true,
  }
}

function foundJoint(view: BoxView, { id, connector, bareShows }: Joint): PictureJoint {
  const say = sayIn(view.region)

  const members = view.ends.filter(({ end }) => end.jointId === id)
  const wires = members.length + view.pigtails.filter(({ jointId }) => jointId === id).length
  if (RUNS_THROUGH.includes(connector))
    return {
      id,
      words: say(CONNECTOR_WORDS[connector]),
      label: '',
      side: sideOf(members.map(each => each.end.role ?? hinted(view, each))),
      kind: connector === 'looped' ? 'loop' : 'through',
      insulation: members[0]?.conductor.insulation ?? 'grey',
      bareShows,
    }
  const label = connector === 'lever' ? '' : connector === 'not-known' ? '?' : connector.replace('-only', '')
  return {
    id,
    words: say`${say(CONNECTOR_WORDS[connector])}, ${wires} wires`,
    label,
    side: sideOf(members.map(each => each.end.role ?? hinted(view, each))),
    kind: connector === 'lever' ? 'lever' : connector === 'twist-on' ? 'twist-on' : 'other',
    bareShows,
  }
}

/** A joint as it will be; one that nobody opens is drawn as it was found. */
function plannedJoint(view: BoxView, routed: RoutedBox, joint: PlannedJoint): PictureJoint {
  const say = sayIn(view.region)

  const side = sideOf([kindOfNet(joint.netId)])
  const stays = foundJointOf(view, joint, routed.pigtails)
  if (stays) return { ...foundJoint(view, stays), id: joint.id, side }
  if (isOneConductor(joint))
    return {
      id: joint.id,
      words: say`None: one conductor`,
      label: '',
      side,
      kind: 'through',
      insulation: routed.pigtails.find(({ id }) => joint.pigtailIds.includes(id))?.insulation ?? 'grey',
      bareShows: false,
    }
  const isLever = joint.connectors[0]?.kind === 'lever'
  const several = joint.connectors.length > 1
  return {
    id: joint.id,
    words: joint.connectors.map(each => capital(each.words)).join(' + '),
    label: several ? say`${joint.connectors.length} linked` : isLever ? '' : 'twist-on',
    side,
    kind: isLever ? 'lever' : 'twist-on',
    bareShows: false,
    ...(!several && joint.connectors[0]?.slots !== undefined && { slots: joint.connectors[0].slots }),
  }
}

/** The box as it will be wired. */
export function plannedPicture(view: BoxView, routed: RoutedBox): BoxPicture {
  const say = sayIn(view.region)

  const terminalOf = (placeId: string, terminalId: string) =>
    routed.devices
      .find(each => each.placeId === placeId)
      ?.model.terminals.find(each => each.id === terminalId)
  const wordOf = (placeId: string, terminalId: string) => terminalOf(placeId, terminalId)?.word ?? terminalId
  const remarks = new Map(routed.remarks.map(each => [each.endId, each.as]))
  const netOfJoint = new Map(routed.joints.map(({ id, netId }) => [id, netId]))
  const isCapped = (placeId: string, terminalId: string) =>
    routed.cappedLeads.some(lead => lead.placeId === placeId && lead.terminalId === terminalId)
  return {
    title: say`${view.room.name}, ${view.box.name}, as it will be`,
    metal: view.box.material === 'metal',
    cables: cablesOf(view, each => {
      const seat = routed.seats[each.end.id]!
      const remark = remarks.get(each.end.id)
      const marked = remark ? { ...each, conductor: { ...each.conductor, markedAs: remark } } : each
      const strandTo = (to: Goal, sits: string, changed: boolean) =>
        asPlanned(view, each, routed, strandOf(view, marked, to, sits, changed || remark !== undefined))
      switch (seat.kind) {
        case 'terminal':
          return strandTo(
            { kind: 'terminal', deviceId: seat.placeId, terminalId: seat.terminalId },
            say`on “${wordOf(seat.placeId, seat.terminalId)}”`,
            each.end.seat !== 'terminal',
          )
        case 'joint':
          return strandTo(
            { kind: 'joint', jointId: seat.jointId },
            say`in the joint of ${routed.nets[netOfJoint.get(seat.jointId) ?? ''] ?? say`its net`}`,
            each.end.seat !== 'joint',
          )
        case 'cap':
          return strandTo({ kind: 'cap' }, 'capped', each.end.seat !== 'cap')
      }
    }),
    devices: [
      ...routed.devices.map(device => ({
        id: device.placeId,
        ...standsAt(view, view.record.places[device.placeId]!),
        name: device.model.name,
        isNew: device.isNew,
        terminals: terminalsOf(device.model, terminalId => isCapped(device.placeId, terminalId)),
      })),
      ...view.places
        .filter(({ place }) => place.retired)
        .map(({ place }) => ({
          ...standsAt(view, place),
          ...{ id: place.id, name: say`Blank plate`, isNew: true, isBlank: true },
          terminals: [],
        })),
    ],
    joints: routed.joints.map(joint => plannedJoint(view, routed, joint)),
    short: routed.joints.flatMap(joint => [
      ...joint.leads.map(lead => ({
        id: keyOfTerminal(lead),
        says: say`“${wordOf(lead.placeId, lead.terminalId)}” into the joint`,
        // One of no colour that is told is drawn grey.
        insulation: terminalOf(lead.placeId, lead.terminalId)?.lead ?? ('grey' as const),
        jointId: joint.id,
        to: { deviceId: lead.placeId, terminalId: lead.terminalId },
        changed: true,
      })),
      ...routed.pigtails
        .filter(pigtail => joint.pigtailIds.includes(pigtail.id))
        .map(pigtail => ({
          id: pigtail.id,
          says: say`${say(plain(pigtail.insulation))} pigtail to ${pigtail.to === 'box' ? say`the box` : `“${wordOf(pigtail.to.placeId, pigtail.to.terminalId)}”`}`,
          insulation: pigtail.insulation,
          jointId: joint.id,
          to:
            pigtail.to === 'box'
              ? ('box' as const)
              : { deviceId: pigtail.to.placeId, terminalId: pigtail.to.terminalId },
          changed: true,
        })),
    ]),
  }
}
