import { pointsOf, terminalPoint, type Circuit, type PlacedDevice } from '../model/circuit'
import {
  OUTSIDE_EVENTS,
  type Control,
  type ControlEvent,
  type OutsideEvent,
  type Supply,
} from '../model/device'
import { Nets } from './nets'

/** Which value each variable of each device has: one small number a variable. */
export type State = ArrayLike<number>

/** Values some variables must have, or get. */
export type Pairs = readonly (readonly [variable: number, value: number])[]

export interface CompiledVariable {
  readonly device: number
  readonly id: string
  readonly values: readonly string[]
  readonly initial: number
  readonly moves: 'hand' | 'electronics'
}

export interface CompiledContact {
  readonly a: number
  readonly b: number
  readonly device: number
  readonly points: readonly [string, string]
  readonly electronic: boolean
  readonly when: Pairs
  /** Share of the voltage by the value of a variable; null where it passes everything. */
  readonly share: { readonly variable: number; readonly of: readonly number[] } | null
}

export interface CompiledControl {
  readonly event: ControlEvent
  readonly from: Pairs
  readonly to: Pairs
  readonly tells: Control['tells'] | null
  /** Its variables are moved by electronics, which must live for it. */
  readonly electronic: boolean
}

export interface CompiledDevice {
  readonly placed: PlacedDevice
  readonly controls: readonly CompiledControl[]
  /** What can be done to it, in a fixed order. */
  readonly events: readonly OutsideEvent[]
  /** Devices that hear its radio. */
  readonly peers: readonly number[]
  readonly commanded: Pairs | null
  /** Holds while it is taken out of service on purpose. */
  readonly outOfService: Pairs | null
  readonly variables: readonly number[]
}

/** A main that listens on its signal terminal, at which of its own poles. */
export interface Hearing {
  readonly device: number
  readonly signal: number
  readonly poles: readonly number[]
}

/** One way a device can be fed: between which nets. */
export interface Way {
  readonly device: number
  readonly supply: Supply
  readonly line: number
  readonly other: number
  readonly points: readonly [string, string]
}

/** A circuit made ready for many solutions: nets are numbers, what conductors and joints join is one net. */
export interface Compiled {
  readonly circuit: Circuit
  readonly points: readonly string[]
  readonly netCount: number
  /** The net a point is on by conductors and joints alone. Throws on a point the circuit does not have. */
  net(point: string): number
  /** What is one piece of metal whatever is done: nets and the contacts that never open. */
  readonly base: Nets
  /** What could ever be one piece of metal: every contact closed. */
  readonly reach: Nets
  readonly variables: readonly CompiledVariable[]
  readonly contacts: readonly CompiledContact[]
  readonly devices: readonly CompiledDevice[]
  readonly hearings: readonly Hearing[]
  readonly ways: readonly Way[]
  readonly loads: readonly {
    readonly hot: number
    readonly neutral: number
    readonly siemens: number
    /** Of a bypass beside it; 0 where there is none. */
    readonly bypassSiemens: number
  }[]
  readonly poles: readonly { readonly hot: number; readonly neutral: number; readonly ground: number }[]
  readonly initial: State
}

/** The value of a setting of a placed device: as made, or as it comes. */
export const settingOf = ({ model, settings }: PlacedDevice, id: string): string | undefined =>
  settings?.[id] ?? model.settings.find(setting => setting.id === id)?.initial

export function compile(circuit: Circuit): Compiled {
  const { points, net, netCount } = netsOf(circuit)
  const variables: CompiledVariable[] = []
  const contacts: CompiledContact[] = []
  const hearings: Hearing[] = []
  const ways: Way[] = []
  const devices = circuit.devices.map((placed, device): CompiledDevice => {
    const first = variables.length
    const { model } = placed
    for (const { id, values, initial, moves } of model.variables)
      variables.push({ device, id, values, initial: values.indexOf(initial), moves })
    const at = (id: string) => net(terminalPoint(placed.id, id))
    const pairs = (state: Readonly<Record<string, string>>) => pairsOf(placed, first, state)
    for (const { between, when, kind, share } of model.contacts)
      contacts.push({
        a: at(between[0]),
        b: at(between[1]),
        points: [terminalPoint(placed.id, between[0]), terminalPoint(placed.id, between[1])],
        device,
        electronic: kind === 'electronic',
        when: pairs(when),
        share: share ? shareOf(placed, first, share) : null,
      })
    for (const { terminal, hears } of model.signals)
      if (hears.length > 0) hearings.push({ device, signal: at(terminal), poles: hears.map(at) })
    for (const supply of model.supply) {
      const other =
        supply.kind === 'line-neutral'
          ? supply.neutral
          : supply.kind === 'line-ground'
            ? supply.ground
            : supply.load
      ways.push({
        device,
        supply,
        line: at(supply.line),
        other: at(other),
        points: [terminalPoint(placed.id, supply.line), terminalPoint(placed.id, other)],
      })
    }
    const controls = controlsOf(placed, pairs, variables)
    return {
      placed,
      controls,
      events: OUTSIDE_EVENTS.filter(event => controls.some(each => each.event === event)),
      peers: peersOf(circuit, device),
      commanded: model.commanded ? pairs(model.commanded.when) : null,
      outOfService: model.outOfService ? pairs(model.outOfService.when) : null,
      variables: model.variables.map((_, index) => first + index),
    }
  })
  const base = new Nets(netCount)
  const reach = new Nets(netCount)
  for (const contact of contacts) {
    reach.join(contact.a, contact.b)
    if (!contact.electronic && contact.when.length === 0) base.join(contact.a, contact.b)
  }
  return {
    circuit,
    points,
    netCount,
    net,
    base,
    reach,
    variables,
    contacts,
    devices,
    hearings,
    ways,
    loads: circuit.loads.map(load => ({
      hot: net(load.hot),
      neutral: net(load.neutral),
      siemens: load.watts / circuit.nominalVolts ** 2,
      bypassSiemens: (load.bypassWatts ?? 0) / circuit.nominalVolts ** 2,
    })),
    poles: circuit.supplies.map(supply => ({
      hot: net(supply.hot),
      neutral: net(supply.neutral),
      ground: net(supply.ground),
    })),
    initial: variables.map(variable => variable.initial),
  }
}

/** Numbers the pieces of metal that conductors and joints make, in the order points are listed. */
function netsOf(circuit: Circuit) {
  const points = [...pointsOf(circuit)]
  const indexOf = new Map(points.map((point, index) => [point, index]))
  const at = (point: string) => {
    const index = indexOf.get(point)
    if (index === undefined) throw new Error(`the circuit has no point “${point}”`)
    return index
  }
  const joined = new Nets(points.length)
  for (const wire of circuit.wires) joined.join(at(wire.a), at(wire.b))
  for (const joint of circuit.joints)
    for (const member of joint.members) joined.join(at(joint.members[0]!), at(member))
  const numberOf = new Map<number, number>()
  const netOfPoint = points.map((_, index) => {
    const root = joined.find(index)
    const known = numberOf.get(root) ?? numberOf.size
    numberOf.set(root, known)
    return known
  })
  return { points, netCount: numberOf.size, net: (point: string) => netOfPoint[at(point)]! }
}

function pairsOf(placed: PlacedDevice, first: number, state: Readonly<Record<string, string>>): Pairs {
  return Object.entries(state).map(([id, value]) => {
    const at = placed.model.variables.findIndex(variable => variable.id === id)
    return [first + at, placed.model.variables[at]!.values.indexOf(value)] as const
  })
}

function shareOf(
  placed: PlacedDevice,
  first: number,
  { variable, of }: { readonly variable: string; readonly of: Readonly<Record<string, number>> },
): CompiledContact['share'] {
  const at = placed.model.variables.findIndex(each => each.id === variable)
  return { variable: first + at, of: placed.model.variables[at]!.values.map(value => of[value]!) }
}

/** Controls in force under the settings made. */
function controlsOf(
  placed: PlacedDevice,
  pairs: (state: Readonly<Record<string, string>>) => Pairs,
  variables: readonly CompiledVariable[],
): CompiledControl[] {
  return placed.model.control
    .filter(({ set }) => Object.entries(set ?? {}).every(([id, value]) => settingOf(placed, id) === value))
    .map(({ event, from, to, tells }) => ({
      event,
      from: pairs(from),
      to: pairs(to),
      tells: tells ?? null,
      electronic: pairs(to).some(([variable]) => variables[variable]!.moves === 'electronics'),
    }))
}

function peersOf(circuit: Circuit, device: number): number[] {
  const { groupId, model } = circuit.devices[device]!
  return circuit.devices.flatMap((other, index) =>
    index !== device &&
    other.groupId === groupId &&
    model.family !== null &&
    other.model.family === model.family
      ? [index]
      : [],
  )
}

export function holds(state: State, pairs: Pairs): boolean {
  for (const [variable, value] of pairs) if (state[variable] !== value) return false
  return true
}

/** How many combinations of values there are in all. */
export const stateCount = (compiled: Compiled): number =>
  compiled.variables.reduce((count, variable) => count * variable.values.length, 1)

/** Combination number `index`, counted with the last variable moving fastest. */
export function stateAt(compiled: Compiled, index: number): number[] {
  const state = new Array<number>(compiled.variables.length)
  let rest = index
  for (let at = compiled.variables.length - 1; at >= 0; at--) {
    const size = compiled.variables[at]!.values.length
    state[at] = rest % size
    rest = Math.floor(rest / size)
  }
  return state
}

export type StateInWords = Readonly<Record<string, Readonly<Record<string, string>>>>

/** A state in words: the values of each device's variables. */
export function describeState(compiled: Compiled, state: State): StateInWords {
  const words: Record<string, Record<string, string>> = {}
  compiled.variables.forEach((variable, index) => {
    const device = compiled.circuit.devices[variable.device]!.id
    words[device] = { ...words[device], [variable.id]: variable.values[state[index]!]! }
  })
  return words
}

/** The state those words tell; what they leave out is as it comes. Unknown words are left out too. */
export function stateFromWords(compiled: Compiled, words: StateInWords): number[] {
  return compiled.variables.map((variable, index) => {
    const value = words[compiled.circuit.devices[variable.device]!.id]?.[variable.id]
    const at = value === undefined ? -1 : variable.values.indexOf(value)
    return at < 0 ? compiled.initial[index]! : at
  })
}
