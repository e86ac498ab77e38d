import { pointsOf, terminalPoint, type Circuit, type PlacedDevice } from '../model/circuit'
import type { Control, Supply } from '../model/device'
import { Nets } from './nets'

/** Which value each variable of each device has: one small number a variable. */
export type State = readonly number[]

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
  readonly electronic: boolean
  readonly when: readonly (readonly [variable: number, value: number])[]
}

export interface CompiledControl {
  readonly device: number
  readonly event: Control['event']
  readonly from: readonly (readonly [variable: number, value: number])[]
  readonly to: readonly (readonly [variable: number, value: number])[]
}

/** A circuit made ready for many solutions: points are numbers, what never moves is joined already. */
export interface Compiled {
  readonly circuit: Circuit
  readonly points: readonly string[]
  readonly indexOf: ReadonlyMap<string, number>
  /** Joined by conductors and joints alone. */
  readonly wired: Nets
  readonly variables: readonly CompiledVariable[]
  readonly contacts: readonly CompiledContact[]
  readonly controls: readonly CompiledControl[]
  readonly supplies: readonly { readonly device: number; readonly supply: Supply }[]
  readonly initial: State
}

export function compile(circuit: Circuit): Compiled {
  const points = [...pointsOf(circuit)]
  const indexOf = new Map(points.map((point, index) => [point, index]))
  const at = (point: string) => indexOf.get(point)!
  const wired = new Nets(points.length)
  for (const wire of circuit.wires) wired.join(at(wire.a), at(wire.b))
  for (const joint of circuit.joints)
    for (const member of joint.members) wired.join(at(joint.members[0]!), at(member))

  const variables: CompiledVariable[] = []
  const contacts: CompiledContact[] = []
  const controls: CompiledControl[] = []
  const supplies: { device: number; supply: Supply }[] = []
  circuit.devices.forEach((placed, device) => {
    const first = variables.length
    const { model } = placed
    for (const { id, values, initial, moves } of model.variables)
      variables.push({ device, id, values, initial: values.indexOf(initial), moves })
    const pairs = (state: Readonly<Record<string, string>>) => statePairs(placed, first, state)
    const terminal = (id: string) => at(terminalPoint(placed.id, id))
    for (const { between, when, kind } of model.contacts)
      contacts.push({
        a: terminal(between[0]),
        b: terminal(between[1]),
        device,
        electronic: kind === 'electronic',
        when: pairs(when),
      })
    for (const { event, from, to } of model.control)
      controls.push({ device, event, from: pairs(from), to: pairs(to) })
    for (const supply of model.supply) supplies.push({ device, supply })
  })
  const initial = variables.map(variable => variable.initial)
  return { circuit, points, indexOf, wired, variables, contacts, controls, supplies, initial }
}

function statePairs(
  placed: PlacedDevice,
  first: number,
  state: Readonly<Record<string, string>>,
): (readonly [number, number])[] {
  return Object.entries(state).map(([id, value]) => {
    const at = placed.model.variables.findIndex(variable => variable.id === id)
    return [first + at, placed.model.variables[at]!.values.indexOf(value)] as const
  })
}

export const holds = (state: State, pairs: readonly (readonly [number, number])[]): boolean =>
  pairs.every(([variable, value]) => state[variable] === value)

/** How many states there are in all. */
export const stateCount = (compiled: Compiled): number =>
  compiled.variables.reduce((count, variable) => count * variable.values.length, 1)

/** State number `index`, counted with the last variable moving fastest. */
export function stateAt(compiled: Compiled, index: number): State {
  const state = new Array<number>(compiled.variables.length)
  let rest = index
  for (let at = compiled.variables.length - 1; at >= 0; at--) {
    const size = compiled.variables[at]!.values.length
    state[at] = rest % size
    rest = Math.floor(rest / size)
  }
  return state
}

/** The state after an event at a device, or null where the device does not answer to it in this state. */
export function after(
  compiled: Compiled,
  state: State,
  device: number,
  event: Control['event'],
): State | null {
  const control = compiled.controls.find(
    each => each.device === device && each.event === event && holds(state, each.from),
  )
  if (!control) return null
  const next = [...state]
  for (const [variable, value] of control.to) next[variable] = value
  return next
}

/** A state in words: the values of each device's variables. */
export const describeState = (compiled: Compiled, state: State): Record<string, Record<string, string>> => {
  const words: Record<string, Record<string, string>> = {}
  compiled.variables.forEach((variable, index) => {
    const device = compiled.circuit.devices[variable.device]!.id
    words[device] = { ...words[device], [variable.id]: variable.values[state[index]!]! }
  })
  return words
}
