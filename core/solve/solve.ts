import { terminalPoint } from '../model/circuit'
import type { Supply } from '../model/device'
import { holds, type Compiled, type State } from './compile'
import { eliminate } from './linear'
import type { Nets } from './nets'

/** Resistance of a closed electronic contact: small enough to drop nothing, real enough to carry a current. */
const CONTACT_OHMS = 0.01
/** Electronics wake at this share of nominal. */
const WAKES_AT = 0.85
/** A two-wire device lives on what its open contact leaves it. */
const WAKES_THROUGH_LOAD_AT = 0.6

export interface Short {
  readonly a: number
  readonly b: number
  readonly kind: 'hot-neutral' | 'hot-ground' | 'hot-hot' | 'neutral-ground'
}

/** Voltages, currents and what is joined, in one state. Volts are magnitudes to the panel's neutral. */
export interface Solution {
  readonly state: State
  /** Joined through every closed contact, electronic ones included. */
  readonly nets: Nets
  readonly shorts: readonly Short[]
  /** Magnitude at a point, in volts, or null where it floats. */
  volts(point: number): number | null
  /** Magnitude between two points, in volts, or null where one floats. */
  between(a: number, b: number): number | null
  readonly loadVolts: readonly number[]
  readonly loadAmps: readonly number[]
  /** Whether each device's electronics live; true for a device without any. */
  readonly alive: readonly boolean[]
  /** Current in each supply's ground that nobody declared, in amperes. */
  readonly groundAmps: readonly number[]
}

interface Element {
  readonly a: number
  readonly b: number
  readonly siemens: number
}

/**
 * Solves one state: contacts are contracted, then nodal analysis on what remains. A first pass with
 * electronic contacts open tells which electronics live; only those close theirs.
 */
export function solve(compiled: Compiled, state: State): Solution {
  const metal = compiled.wired.copy()
  for (const contact of compiled.contacts)
    if (!contact.electronic && holds(state, contact.when)) metal.join(contact.a, contact.b)

  const fixed = fixedPotentials(compiled, metal)
  const resting = [...loadElements(compiled), ...throughLoadElements(compiled)]
  const asleep = potentials(compiled, metal, fixed, resting)
  const ways = compiled.circuit.devices.map((_, device) => wayOfLiving(compiled, asleep, device))
  const alive = ways.map(way => way !== 'none')
  const passive = [...resting, ...ways.flatMap((way, device) => drawOf(compiled, device, way))]

  const closed = compiled.contacts.filter(
    contact => contact.electronic && alive[contact.device] && holds(state, contact.when),
  )
  const nets = metal.copy()
  for (const contact of closed) nets.join(contact.a, contact.b)
  const elements = [...passive, ...closed.map(({ a, b }) => ({ a, b, siemens: 1 / CONTACT_OHMS }))]
  const awake = closed.length > 0 ? potentials(compiled, metal, fixed, elements) : asleep
  closed.forEach(contact => {
    if (alive[contact.device] && starves(compiled, awake, contact)) alive[contact.device] = false
  })

  const index = (point: string) => compiled.indexOf.get(point)!
  const loadVolts = compiled.circuit.loads.map(
    load => awake.between(index(load.hot), index(load.neutral)) ?? 0,
  )
  return {
    state,
    nets,
    shorts: shortsIn(compiled, nets),
    volts: awake.volts,
    between: awake.between,
    loadVolts,
    loadAmps: compiled.circuit.loads.map((load, at) => loadVolts[at]! * siemensOf(load.watts, compiled)),
    alive,
    groundAmps: compiled.circuit.supplies.map(supply =>
      currentInto(awake, metal, elements, index(supply.ground)),
    ),
  }
}

const siemensOf = (watts: number, compiled: Compiled) => watts / compiled.circuit.nominalVolts ** 2

const loadElements = (compiled: Compiled): Element[] =>
  compiled.circuit.loads.map(load => ({
    a: compiled.indexOf.get(load.hot)!,
    b: compiled.indexOf.get(load.neutral)!,
    siemens: siemensOf(load.watts, compiled),
  }))

const siemensFor = (milliamps: number, compiled: Compiled) => milliamps / 1000 / compiled.circuit.nominalVolts

/** An open two-wire device always lets a little through. */
function throughLoadElements(compiled: Compiled): Element[] {
  return compiled.supplies.flatMap(({ device, supply }) => {
    if (supply.kind !== 'through-load') return []
    const at = terminalIndex(compiled, device)
    return [{ a: at(supply.line), b: at(supply.load), siemens: siemensFor(supply.offMilliamps, compiled) }]
  })
}

/** What the electronics take by the way they live: one way at a time. */
function drawOf(compiled: Compiled, device: number, way: Supply | 'none' | 'not-needed'): Element[] {
  if (typeof way === 'string' || way.kind === 'through-load') return []
  const at = terminalIndex(compiled, device)
  return way.kind === 'line-neutral'
    ? [{ a: at(way.line), b: at(way.neutral), siemens: siemensFor(way.milliamps, compiled) }]
    : [{ a: at(way.line), b: at(way.ground), siemens: siemensFor(way.leakMilliamps, compiled) }]
}

const terminalIndex = (compiled: Compiled, device: number) => (terminal: string) =>
  compiled.indexOf.get(terminalPoint(compiled.circuit.devices[device]!.id, terminal))!

interface Fixed {
  readonly real: number
  readonly imaginary: number
}

/** Nets whose potential the panel gives. A net with two of them is a short; the first one stands. */
function fixedPotentials(compiled: Compiled, nets: Nets): Map<number, Fixed> {
  const fixed = new Map<number, Fixed>()
  const give = (point: string, real: number, imaginary: number) => {
    const net = nets.find(compiled.indexOf.get(point)!)
    if (!fixed.has(net)) fixed.set(net, { real, imaginary })
  }
  for (const supply of compiled.circuit.supplies) {
    give(supply.neutral, 0, 0)
    give(supply.ground, 0, 0)
  }
  for (const supply of compiled.circuit.supplies) {
    if (!supply.breakerOn) continue
    const angle = (supply.phaseDegrees * Math.PI) / 180
    give(supply.hot, supply.volts * Math.cos(angle), supply.volts * Math.sin(angle))
  }
  return fixed
}

interface Potentials {
  readonly volts: (point: number) => number | null
  readonly between: (a: number, b: number) => number | null
}

function potentials(
  compiled: Compiled,
  nets: Nets,
  fixed: ReadonlyMap<number, Fixed>,
  elements: readonly Element[],
): Potentials {
  const real = new Map<number, number>()
  const imaginary = new Map<number, number>()
  for (const [net, { real: re, imaginary: im }] of fixed) {
    real.set(net, re)
    imaginary.set(net, im)
  }
  const reached = reachedBy(nets, fixed, elements)
  const free = [...reached].filter(net => !fixed.has(net))
  const column = new Map(free.map((net, at) => [net, at]))
  const matrix = free.map(() => new Float64Array(free.length))
  const right = new Float64Array(free.length)
  const rightImaginary = new Float64Array(free.length)
  for (const { a, b, siemens } of elements) {
    const ends = [nets.find(a), nets.find(b)] as const
    if (ends[0] === ends[1] || !reached.has(ends[0])) continue
    for (const [here, there] of [ends, [ends[1], ends[0]] as const]) {
      const row = column.get(here)
      if (row === undefined) continue
      matrix[row]![row]! += siemens
      const other = column.get(there)
      if (other !== undefined) matrix[row]![other]! -= siemens
      else {
        right[row]! += siemens * real.get(there)!
        rightImaginary[row]! += siemens * imaginary.get(there)!
      }
    }
  }
  eliminate(matrix, right, rightImaginary)
  free.forEach((net, at) => {
    real.set(net, right[at]!)
    imaginary.set(net, rightImaginary[at]!)
  })
  return {
    volts: point => {
      const net = nets.find(point)
      return reached.has(net) ? Math.hypot(real.get(net)!, imaginary.get(net)!) : null
    },
    between: (a, b) => {
      const left = nets.find(a)
      const other = nets.find(b)
      if (left === other) return 0
      if (!reached.has(left) || !reached.has(other)) return null
      return Math.hypot(real.get(left)! - real.get(other)!, imaginary.get(left)! - imaginary.get(other)!)
    },
  }
}

/** Nets that hang on the panel through anything that conducts; the rest float. */
function reachedBy(nets: Nets, fixed: ReadonlyMap<number, Fixed>, elements: readonly Element[]): Set<number> {
  const reached = new Set(fixed.keys())
  for (let grew = true; grew;) {
    grew = false
    for (const { a, b } of elements) {
      const left = nets.find(a)
      const right = nets.find(b)
      if (reached.has(left) === reached.has(right)) continue
      reached.add(left).add(right)
      grew = true
    }
  }
  return reached
}

/** The first way of being fed that is met here, in the order of the device’s sheet. */
function wayOfLiving(
  compiled: Compiled,
  { between }: Potentials,
  device: number,
): Supply | 'none' | 'not-needed' {
  const ways = compiled.supplies.filter(each => each.device === device)
  if (ways.length === 0) return 'not-needed'
  const nominal = compiled.circuit.nominalVolts
  const at = terminalIndex(compiled, device)
  const volts = (a: string, b: string) => between(at(a), at(b)) ?? 0
  const met = ways.find(({ supply }) => {
    switch (supply.kind) {
      case 'line-neutral':
        return volts(supply.line, supply.neutral) >= WAKES_AT * nominal
      case 'line-ground':
        return volts(supply.line, supply.ground) >= WAKES_AT * nominal
      case 'through-load':
        return volts(supply.line, supply.load) >= WAKES_THROUGH_LOAD_AT * nominal
    }
  })
  return met?.supply ?? 'none'
}

/** A two-wire device that is on lives on the lamp's current: below its minimum it drops out. */
function starves(
  compiled: Compiled,
  { between }: Potentials,
  contact: { readonly a: number; readonly b: number; readonly device: number },
): boolean {
  const ways = compiled.supplies.filter(each => each.device === contact.device).map(each => each.supply)
  const minima = ways.map(way => (way.kind === 'through-load' ? way.minimumWatts : 0))
  const minimumWatts = Math.min(...minima)
  if (minimumWatts === 0) return false
  const amps = (between(contact.a, contact.b) ?? 0) / CONTACT_OHMS
  return amps * compiled.circuit.nominalVolts < minimumWatts * (1 - 1e-3)
}

function currentInto(
  { between }: Potentials,
  nets: Nets,
  elements: readonly Element[],
  point: number,
): number {
  const net = nets.find(point)
  return elements.reduce((amps, { a, b, siemens }) => {
    const touches = (nets.find(a) === net) !== (nets.find(b) === net)
    return touches ? amps + (between(a, b) ?? 0) * siemens : amps
  }, 0)
}

function shortsIn(compiled: Compiled, nets: Nets): Short[] {
  const poles = compiled.circuit.supplies.flatMap(supply => [
    { pole: 'hot' as const, point: compiled.indexOf.get(supply.hot)! },
    { pole: 'neutral' as const, point: compiled.indexOf.get(supply.neutral)! },
    { pole: 'ground' as const, point: compiled.indexOf.get(supply.ground)! },
  ])
  const shorts: Short[] = []
  poles.forEach((first, at) => {
    for (const second of poles.slice(at + 1)) {
      if (first.point === second.point || nets.find(first.point) !== nets.find(second.point)) continue
      const pair = new Set([first.pole, second.pole])
      const kind = pair.has('hot')
        ? pair.size === 1
          ? 'hot-hot'
          : pair.has('neutral')
            ? 'hot-neutral'
            : 'hot-ground'
        : pair.size === 2
          ? 'neutral-ground'
          : null
      if (kind) shorts.push({ a: first.point, b: second.point, kind })
    }
  })
  return shorts
}
