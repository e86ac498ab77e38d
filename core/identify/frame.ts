import type { DeviceModel } from '../model/device'
import { fault, good, refused, type Fault, type Result } from '../model/result'
import type { Survey, SurveyDevice, SurveyEnd } from './survey'

/** Sources, lamp cables and onward cables a survey may hold at most. */
/** Hots that are told apart at the most. */
export const SOURCES = 3
const LAMPS = 4
const ONWARD = 4

/** A conductor end as a number. */
export interface FrameEnd extends SurveyEnd {
  readonly index: number
  readonly box: number
  readonly cable: number
  /** Joint, terminal or end that it is one metal with as found. */
  readonly foundNode: number
  /** Index of the other end, or −1. */
  readonly other: number
}

/** A device that hands move: what it joins in each of its two positions. */
export interface FrameSwitch {
  readonly device: SurveyDevice
  /** Its place among the devices. */
  readonly deviceAt: number
  readonly box: number
  readonly light: number
  readonly closed: readonly [readonly Pair[], readonly Pair[]]
  readonly terminals: readonly number[]
  /** Terminals for conductors to other places. */
  readonly travellers: readonly number[]
  /** Terminals that may be exchanged: joined to each other they would make the switch useless. */
  readonly alike: readonly Pair[]
  /** Let through by electronics in either position, more or less. */
  readonly leaks: readonly Pair[]
}

export type Pair = readonly [number, number]

/** The survey in numbers: every point of metal is a node, everything beyond the boxes too. */
export interface Frame {
  readonly survey: Survey
  readonly ends: readonly FrameEnd[]
  readonly indexOf: ReadonlyMap<string, number>
  /** Cables as the indices of their insulated ends. */
  readonly cables: readonly { readonly box: number; readonly ends: readonly number[] }[]
  readonly switches: readonly FrameSwitch[]
  /** Terminals of each device that anything is on. */
  readonly terminals: readonly (readonly number[])[]
  /** What is joined in each box as found, devices apart. */
  readonly joined: readonly (readonly Pair[])[]
  readonly nodes: Nodes
}

export interface Nodes {
  readonly count: number
  readonly earth: number
  readonly neutral: number
  readonly hot: readonly number[]
  readonly lampHot: readonly number[]
  readonly lampNeutral: readonly number[]
  readonly onHot: readonly number[]
  readonly onNeutral: readonly number[]
}

/** Refused where the survey names what it does not have, or has more than can be reckoned with. */
export function frameOf(survey: Survey): Result<Frame> {
  const faults = faultsOf(survey)
  if (faults.length > 0) return refused(...faults)
  const boxAt = new Map(survey.boxes.map(({ id }, at) => [id, at]))
  const flat = survey.cables.flatMap(({ boxId, ends }, cable) =>
    ends.map(end => ({ end, cable, box: boxAt.get(boxId)! })),
  )
  const indexOf = new Map(flat.map(({ end }, at) => [end.id, at]))
  let count = flat.length
  const numbered = new Map<string, number>()
  const node = (key: string) => {
    let at = numbered.get(key)
    if (at === undefined) numbered.set(key, (at = count++))
    return at
  }
  const terminal = (deviceId: string, terminalId: string) => node(`terminal ${deviceId} ${terminalId}`)
  const joint = (id: string) => node(`joint ${id}`)
  const ends = flat.map(({ end, cable, box }, index): FrameEnd => {
    const { seat } = end
    return {
      ...end,
      index,
      box,
      cable,
      foundNode:
        seat.kind === 'terminal'
          ? terminal(seat.deviceId, seat.terminalId)
          : seat.kind === 'joint'
            ? joint(seat.jointId)
            : index,
      other: end.otherEnd === null ? -1 : indexOf.get(end.otherEnd)!,
    }
  })
  const lightAt = new Map(survey.lights.map(({ id }, at) => [id, at]))
  const switches = survey.devices.flatMap((device, deviceAt): FrameSwitch[] => {
    const positions = positionsOf(device.model)
    if (!positions) return []
    const pairs = (closed: readonly (readonly [string, string])[]): Pair[] =>
      closed.map(([a, b]) => [terminal(device.id, a), terminal(device.id, b)])
    return [
      {
        device,
        deviceAt,
        box: boxAt.get(device.boxId)!,
        light: lightAt.get(device.lightId)!,
        closed: [pairs(positions[0]), pairs(positions[1])],
        terminals: [...new Set(pairs([...positions[0], ...positions[1]]).flat())],
        travellers: device.model.terminals
          .filter(({ wants }) => wants === 'traveller')
          .map(({ id }) => terminal(device.id, id)),
        alike: pairs(alikeOf(device.model)),
        leaks: pairs(leaksOf(device.model)),
      },
    ]
  })
  const joined = survey.boxes.map(({ id }, box): Pair[] => [
    ...ends
      .filter(end => end.box === box && end.foundNode !== end.index)
      .map((end): Pair => [end.index, end.foundNode]),
    ...survey.devices
      .filter(({ boxId }) => boxId === id)
      .flatMap(device =>
        device.pigtails.map(({ jointId, terminalId }): Pair => [
          joint(jointId),
          terminal(device.id, terminalId),
        ]),
      ),
    ...(survey.tabs ?? [])
      .filter(({ a }) => survey.devices.some(device => device.id === a.deviceId && device.boxId === id))
      .map(({ a, b }): Pair => [terminal(a.deviceId, a.terminalId), terminal(b.deviceId, b.terminalId)]),
  ])
  const cables = survey.cables.map(({ boxId }, cable) => ({
    box: boxAt.get(boxId)!,
    ends: ends.filter(end => end.cable === cable && !end.ground).map(({ index }) => index),
  }))
  const some = (many: number) => Array.from({ length: many }, () => count++)
  const nodes = {
    earth: count++,
    neutral: count++,
    hot: some(SOURCES),
    lampHot: some(LAMPS),
    lampNeutral: some(LAMPS),
    onHot: some(ONWARD),
    onNeutral: some(ONWARD),
  }
  const terminals = survey.devices.map(({ id, model }) =>
    model.terminals.flatMap(each => numbered.get(`terminal ${id} ${each.id}`) ?? []),
  )
  return good({ survey, ends, indexOf, cables, switches, terminals, joined, nodes: { ...nodes, count } })
}

/** What a device joins in the two positions that differ most; null for one that joins nothing by hand. */
function positionsOf(
  model: DeviceModel,
): readonly [readonly (readonly [string, string])[], readonly (readonly [string, string])[]] | null {
  const closed = new Map<string, readonly (readonly [string, string])[]>()
  for (const state of statesOf(model)) {
    const pairs = model.contacts
      .filter(({ when }) => Object.entries(when).every(([variable, value]) => state.get(variable) === value))
      .map(({ between }) => between)
    closed.set(pairs.map(pair => pair.join('–')).join(' '), pairs)
  }
  const all = [...closed.values()].sort((a, b) => a.length - b.length)
  return all.length < 2 ? null : [all[0]!, all.at(-1)!]
}

function statesOf(model: DeviceModel): ReadonlyMap<string, string>[] {
  let states: Map<string, string>[] = [new Map()]
  for (const { id, values } of model.variables)
    states = states.flatMap(state => values.map(value => new Map(state).set(id, value)))
  return states
}

const alikeOf = ({ terminals }: DeviceModel): (readonly [string, string])[] =>
  terminals.flatMap((a, at) =>
    terminals
      .slice(at + 1)
      .flatMap(b => (a.alike !== null && a.alike === b.alike ? [[a.id, b.id] as const] : [])),
  )

const leaksOf = (model: DeviceModel): (readonly [string, string])[] => [
  ...model.contacts.filter(({ kind }) => kind === 'electronic').map(({ between }) => between),
  ...model.supply.flatMap((supply): (readonly [string, string])[] =>
    supply.kind === 'line-neutral'
      ? [[supply.line, supply.neutral]]
      : supply.kind === 'through-load'
        ? [[supply.line, supply.load]]
        : [],
  ),
]

const MOST_BOXES = 5
const MOST_SWITCHES = 8
const MOST_INSULATED = 6

function faultsOf(survey: Survey): Fault[] {
  const faults: Fault[] = []
  const boxes = new Set(survey.boxes.map(({ id }) => id))
  const lights = new Set(survey.lights.map(({ id }) => id))
  const devices = new Map(survey.devices.map(device => [device.id, device]))
  const ends = new Map(survey.cables.flatMap(cable => cable.ends.map(end => [end.id, end] as const)))
  const say = (path: string, code: string, message: string) => faults.push(fault(path, code, message))
  if (survey.boxes.length === 0) say('/boxes', 'nothing-seen', 'no box is recorded')
  if (survey.boxes.length > MOST_BOXES)
    say('/boxes', 'too-many', `${MOST_BOXES} boxes at most hang together here`)
  if (survey.devices.length > MOST_SWITCHES)
    say('/devices', 'too-many', `${MOST_SWITCHES} devices at most hang together here`)
  if (!(survey.circuitsAtMost >= 1 && survey.circuitsAtMost <= SOURCES))
    say('/circuitsAtMost', 'range', `1 to ${SOURCES} circuits`)
  if (survey.lights.reduce((sum, { cablesAtMost }) => sum + cablesAtMost, 0) > LAMPS)
    say('/lights', 'too-many', `${LAMPS} cables to lamps at most`)
  survey.devices.forEach(({ boxId, lightId, pigtails, model }, at) => {
    if (!boxes.has(boxId)) say(`/devices/${at}/boxId`, 'no-such-box', `there is no box ${boxId}`)
    if (!lights.has(lightId)) say(`/devices/${at}/lightId`, 'no-such-light', `there is no light ${lightId}`)
    pigtails.forEach(({ terminalId }, index) => {
      if (!model.terminals.some(({ id }) => id === terminalId))
        say(`/devices/${at}/pigtails/${index}`, 'no-such-terminal', `it has no terminal ${terminalId}`)
    })
  })
  survey.cables.forEach(({ boxId, ends: own }, at) => {
    if (!boxes.has(boxId)) say(`/cables/${at}/boxId`, 'no-such-box', `there is no box ${boxId}`)
    if (own.filter(({ ground }) => !ground).length > MOST_INSULATED)
      say(`/cables/${at}/ends`, 'too-many', `${MOST_INSULATED} insulated conductors at most in one cable`)
    own.forEach(({ seat, otherEnd }, index) => {
      const path = `/cables/${at}/ends/${index}`
      if (otherEnd !== null && !ends.has(otherEnd))
        say(`${path}/otherEnd`, 'no-such-end', `there is no end ${otherEnd}`)
      if (seat.kind === 'terminal') {
        const model = devices.get(seat.deviceId)?.model
        if (!model?.terminals.some(({ id }) => id === seat.terminalId))
          say(`${path}/seat`, 'no-such-terminal', `there is no ${seat.deviceId}.${seat.terminalId}`)
      }
    })
  })
  return faults
}
