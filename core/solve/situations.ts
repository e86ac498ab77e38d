import type { OutsideEvent } from '../model/device'
import {
  holds,
  type Compiled,
  type CompiledContact,
  type CompiledControl,
  type Pairs,
  type State,
} from './compile'
import { Nets } from './nets'
import { AS_DRAWN, solve, type Conditions, type Solution } from './solve'

/** What many states have in common: the same metal where it matters, the same relays. Solved once. */
export interface Situation {
  readonly index: number
  readonly solution: Solution
  /** Whether each main’s signal is joined to a pole that it hears. */
  readonly heard: readonly boolean[]
}

/** Combinations of one block of variables at most, so that a table of them stays small. */
const LARGEST_BLOCK = 256
/** Room for the classes of one block in a key; four blocks fit a number exactly. */
const CLASSES = 1 << 12

/**
 * Some devices’ variables together. What they do to the rest is only which outlooks they join, the nets
 * that something hangs on or that another block reaches, and what is asked of electronics: their class.
 */
interface Block {
  /** Devices that ask something of electronics or by them. */
  readonly askers: readonly Asker[]
  readonly variables: readonly number[]
  readonly strides: readonly number[]
  readonly contacts: readonly CompiledContact[]
  /** Class by combination, −1 where not yet known. */
  readonly classOf: Int32Array
  readonly classes: Map<string, number>
}

/**
 * Tells states apart only where they differ electrically, so that sixty thousand positions of plain
 * switches need a handful of solutions; and knows what follows when something is done to a device.
 */
export class Situations {
  readonly all: Situation[] = []
  readonly #byKey = new Map<number | string, Situation>()
  readonly #nets: Nets
  readonly #blocks: readonly Block[]
  readonly #outlooks: readonly number[]
  /** Situations that differ only in what a main hears share one solution. */
  readonly #solutions = new Map<string, Solution>()
  readonly #electric: readonly number[]

  constructor(
    readonly compiled: Compiled,
    readonly conditions: Conditions = AS_DRAWN,
  ) {
    this.#nets = new Nets(compiled.netCount)
    this.#blocks = blocksOf(compiled)
    this.#outlooks = outlooksOf(compiled, this.#blocks)
    this.#electric = electricNets(compiled).filter(net => this.#outlooks.includes(net))
  }

  of(state: State): Situation {
    const blocks = this.#blocks
    let key = 0
    let text = ''
    for (let at = 0; at < blocks.length; at++) {
      const { variables, strides, classOf } = blocks[at]!
      let combination = 0
      for (let index = 0; index < variables.length; index++)
        combination += state[variables[index]!]! * strides[index]!
      let kind = classOf[combination]!
      if (kind < 0) kind = this.#classify(blocks[at]!, state, combination)
      if (blocks.length <= 4) key = key * CLASSES + kind
      else text += `${kind},`
    }
    const known = this.#byKey.get(blocks.length <= 4 ? key : text)
    if (known) return known
    const situation = this.#solved(state)
    this.all.push(situation)
    this.#byKey.set(blocks.length <= 4 ? key : text, situation)
    return situation
  }

  #solved(state: State): Situation {
    const nets = this.#nets
    nets.become(this.compiled.base)
    for (const { contacts } of this.#blocks)
      for (const { a, b, when } of contacts) if (holds(state, when)) nets.join(a, b)
    const asked = this.#blocks.flatMap(({ askers }) => askers.map(asker => askedBy(asker, state)))
    const key = `${this.#joined(this.#electric)};${asked.join()}`
    const solution = this.#solutions.get(key) ?? solve(this.compiled, state, this.conditions)
    this.#solutions.set(key, solution)
    return {
      index: this.all.length,
      solution,
      heard: this.compiled.hearings.map(({ signal, poles }) =>
        poles.some(pole => nets.find(pole) === nets.find(signal)),
      ),
    }
  }

  #classify({ askers, contacts, classOf, classes }: Block, state: State, combination: number): number {
    const nets = this.#nets
    nets.become(this.compiled.base)
    for (const { a, b, when } of contacts) if (holds(state, when)) nets.join(a, b)
    const asked = askers.map(asker => askedBy(asker, state))
    const text = `${this.#joined(this.#outlooks)};${asked.join()}`
    const kind = classes.get(text) ?? classes.size
    classes.set(text, kind)
    classOf[combination] = kind
    return kind
  }

  /** Which of some nets are one piece of metal now: each is told by the first it is joined to. */
  #joined(some: readonly number[]): string {
    const sets = some.map(net => this.#nets.find(net))
    return sets.map(set => sets.indexOf(set)).join()
  }

  /**
   * What follows when something is done to a device: its own answer, its peers’ by radio, and what mains
   * hear on their signals. False where it does not answer; `next` then holds nothing of worth. `here` is
   * the state’s situation, where it is known already.
   */
  follow(
    state: State,
    device: number,
    event: OutsideEvent,
    next: Uint8Array,
    here: Situation = this.of(state),
  ): boolean {
    const { hearings } = this.compiled
    const control = this.#control(state, device, event)
    if (!control || (control.electronic && !isAwake(here, device))) return false
    for (let at = 0; at < state.length; at++) next[at] = state[at]!
    this.#do(control, device, next)
    if (hearings.length === 0) return true
    const before = here.heard
    const after = this.of(next).heard
    hearings.forEach((hearing, at) => {
      if (before[at] === after[at]) return
      const answer = this.#answer(next, hearing.device, after[at] ? 'signal-on' : 'signal-off')
      if (answer) this.#do(answer, hearing.device, next)
    })
    return true
  }

  /** What a control brings about, and what its peers make of the word it sends. */
  #do(control: CompiledControl, device: number, next: Uint8Array): void {
    apply(control, next)
    if (!control.tells) return
    for (const peer of this.compiled.devices[device]!.peers) {
      const told = this.#answer(next, peer, control.tells)
      if (told) apply(told, next)
    }
  }

  /** The control in force that answers to this event in this state. */
  #control(state: State, device: number, event: CompiledControl['event']): CompiledControl | null {
    for (const control of this.compiled.devices[device]!.controls)
      if (control.event === event && holds(state, control.from)) return control
    return null
  }

  /** The same, where its electronics live if it needs them. */
  #answer(state: State, device: number, event: CompiledControl['event']): CompiledControl | null {
    const control = this.#control(state, device, event)
    return control?.electronic && !isAwake(this.of(state), device) ? null : control
  }

  /** The state after an event, or null where the device does not answer to it. */
  after(state: State, device: number, event: OutsideEvent): number[] | null {
    const next = new Uint8Array(state.length)
    return this.follow(state, device, event, next) ? Array.from(next) : null
  }
}

/** A starved device wakes again as soon as it drops out, so a hand can still work it. */
const isAwake = ({ solution }: Situation, device: number): boolean =>
  solution.alive[device]! || solution.starved[device]!

function apply({ to }: CompiledControl, state: Uint8Array): void {
  for (const [variable, value] of to) state[variable] = value
}

/** Devices in their order, as many together as keep the combinations few; a device is never divided. */
function blocksOf(compiled: Compiled): Block[] {
  const groups: { variables: number[]; devices: number[]; size: number }[] = []
  compiled.devices.forEach(({ variables }, device) => {
    if (variables.length === 0) return
    const size = variables.reduce((count, each) => count * compiled.variables[each]!.values.length, 1)
    const last = groups.at(-1)
    if (last && last.size * size <= LARGEST_BLOCK) {
      last.variables.push(...variables)
      last.devices.push(device)
      last.size *= size
    } else groups.push({ variables: [...variables], devices: [device], size })
  })
  return groups.map(({ variables, devices, size }) => {
    const strides = variables.map(() => 1)
    for (let at = variables.length - 2; at >= 0; at--)
      strides[at] = strides[at + 1]! * compiled.variables[variables[at + 1]!]!.values.length
    return {
      askers: devices.flatMap(device => askerOf(compiled, device) ?? []),
      variables,
      strides,
      contacts: compiled.contacts.filter(
        ({ device, electronic, when }) => devices.includes(device) && !electronic && when.length > 0,
      ),
      classOf: new Int32Array(size).fill(-1),
      classes: new Map(),
    }
  })
}

/** Nets through which a block is felt: something hangs on them, or contacts of more than one block. */
function outlooksOf(compiled: Compiled, blocks: readonly Block[]): number[] {
  const { base } = compiled
  const touched = blocks.map(
    ({ contacts }) => new Set(contacts.flatMap(({ a, b }) => [base.find(a), base.find(b)])),
  )
  const hung = new Set([
    ...electricNets(compiled),
    ...compiled.hearings.flatMap(({ signal, poles }) => [signal, ...poles].map(net => base.find(net))),
  ])
  const all = new Set(touched.flatMap(nets => [...nets]))
  return [...all]
    .filter(net => hung.has(net) || touched.filter(nets => nets.has(net)).length > 1)
    .sort((a, b) => a - b)
}

/** Nets that current can come from or go to. */
function electricNets(compiled: Compiled): number[] {
  const nets = [
    ...compiled.poles.flatMap(({ hot, neutral, ground }) => [hot, neutral, ground]),
    ...compiled.loads.flatMap(({ hot, neutral }) => [hot, neutral]),
    ...compiled.ways.flatMap(({ line, other }) => [line, other]),
    ...compiled.contacts.filter(each => each.electronic).flatMap(({ a, b }) => [a, b]),
  ]
  return [...new Set(nets.map(net => compiled.base.find(net)))]
}

interface Asker {
  readonly commanded: Pairs | null
  readonly outOfService: Pairs | null
  readonly contacts: readonly CompiledContact[]
}

/** A device that asks for light or moves electronic contacts; null for one that is only metal. */
function askerOf(compiled: Compiled, device: number): Asker | null {
  const { commanded, outOfService } = compiled.devices[device]!
  const contacts = compiled.contacts.filter(each => each.device === device && each.electronic)
  return commanded || outOfService || contacts.length > 0 ? { commanded, outOfService, contacts } : null
}

/** What it asks in a state, beyond metal: all that its variables decide there. */
function askedBy({ commanded, outOfService, contacts }: Asker, state: State): string {
  if (outOfService && holds(state, outOfService)) return 'out'
  const shares = contacts.map(({ when, share }) =>
    holds(state, when) ? (share ? share.of[state[share.variable]!] : 1) : 0,
  )
  return `${commanded && holds(state, commanded) ? 'on' : 'off'} ${shares.join(' ')}`
}
