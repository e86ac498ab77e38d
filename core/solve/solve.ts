import { holds, type Compiled, type CompiledContact, type State, type Way } from './compile'
import { FULL_FROM } from '../model/limits'
import { Nets } from './nets'
import { magnitude, potentials, type Element, type Phasor, type Potentials } from './nodal'

/** Resistance of a closed electronic contact: small enough to drop nothing, real enough to carry a current. */
const CONTACT_OHMS = 0.01
/** Electronics wake at this share of nominal. */
const WAKES_AT = 0.85
/** A two-wire device lives on what its open contact leaves it. */
const WAKES_THROUGH_LOAD_AT = 0.6
/** From this share of nominal any lamp gives light, however little it takes. */
const SEEN_FROM = 0.15
export const FULL_TO = 1.06

/** What is switched off or lost outside the boxes. */
export interface Conditions {
  /** Supplies whose breaker is off, by id, beside those the circuit itself has off. */
  readonly off: ReadonlySet<string>
  /** Neutral points of supplies that no longer reach the panel. */
  readonly neutralsLost: ReadonlySet<string>
}

export const AS_DRAWN: Conditions = { off: new Set(), neutralsLost: new Set() }

export interface Short {
  readonly a: number
  readonly b: number
  readonly kind: 'hot-neutral' | 'hot-ground' | 'hot-hot' | 'neutral-ground'
  /** Supplies whose breakers trip on it. */
  readonly supplies: readonly string[]
}

/** What a person sees of a lamp. */
export type Light = 'dark' | 'glows' | 'dimmed' | 'full' | 'over' | 'flickers'

/** Voltages, currents and what is joined, in one state. Nets are those of the compiled circuit. */
export interface Solution {
  readonly state: State
  /** Joined through every closed contact, electronic ones included. */
  readonly joined: Nets
  /** Joined by metal alone: what `potentials` and `elements` stand on. */
  readonly metal: Nets
  readonly potentials: Potentials
  readonly elements: readonly Element[]
  readonly shorts: readonly Short[]
  readonly loadVolts: readonly number[]
  readonly loadAmps: readonly number[]
  readonly lights: readonly Light[]
  /** Whether each device's electronics live; true for a device without any. */
  readonly alive: readonly boolean[]
  /** Devices that live while off and drop out when they switch on: too little flows through the lamp. */
  readonly starved: readonly boolean[]
  /** Current in each supply's ground, in amperes. */
  readonly groundAmps: readonly number[]
}

type WayOfLiving = Way | 'none' | 'not-needed'

/**
 * Solves one state: metal contacts are contracted, then nodal analysis on what remains. A first pass
 * with electronic contacts open tells which electronics live; only those close theirs. A contact that
 * dims becomes the resistance that leaves its share of the voltage.
 */
export function solve(compiled: Compiled, state: State, conditions: Conditions = AS_DRAWN): Solution {
  const metal = compiled.base.copy()
  for (const contact of compiled.contacts)
    if (!contact.electronic && contact.when.length > 0 && holds(state, contact.when))
      metal.join(contact.a, contact.b)

  const working = compiled.devices.map(({ outOfService }) => !outOfService || !holds(state, outOfService))
  const fixed = fixedPotentials(compiled, metal, conditions)
  const resting: Element[] = [
    ...compiled.loads.map(({ hot, neutral, siemens }, at) => {
      const load = compiled.circuit.loads[at]!
      return { a: hot, b: neutral, siemens, points: [load.hot, load.neutral] as const }
    }),
    ...compiled.loads.flatMap(({ hot, neutral, bypassSiemens }, at): Element[] => {
      const load = compiled.circuit.loads[at]!
      return bypassSiemens > 0
        ? [{ a: hot, b: neutral, siemens: bypassSiemens, points: [load.hot, load.neutral] }]
        : []
    }),
    ...leakages(compiled, working),
  ]
  const asleep = potentials(metal, fixed, resting)
  const ways = working.map((works, device) => (works ? wayOfLiving(compiled, asleep, device) : 'none'))
  const alive = ways.map(way => way !== 'none')
  const passive = [...resting, ...ways.flatMap(way => drawOf(compiled, way))]
  const closed = compiled.contacts.filter(
    contact => contact.electronic && alive[contact.device] && holds(state, contact.when),
  )
  const fully = closed.map(({ a, b, points }): Element => ({ a, b, siemens: 1 / CONTACT_OHMS, points }))
  const awake =
    closed.length > 0 || passive.length > resting.length
      ? potentials(metal, fixed, [...passive, ...fully])
      : asleep

  const starved = alive.map(() => false)
  closed.forEach((contact, at) => {
    if (alive[contact.device] && starves(compiled, awake, fully[at]!, contact)) {
      alive[contact.device] = false
      starved[contact.device] = true
    }
  })
  const shared = closed.map((contact, at) => dimmed(state, contact, fully[at]!, awake, asleep))
  const elements = [...passive, ...shared]
  const final = shared.some((each, at) => each !== fully[at]) ? potentials(metal, fixed, elements) : awake

  const joined = metal.copy()
  for (const contact of closed) joined.join(contact.a, contact.b)
  const loadVolts = compiled.loads.map(load => final.between(load.hot, load.neutral) ?? 0)
  const loadAmps = compiled.loads.map((load, at) => loadVolts[at]! * load.siemens)
  return {
    state: Array.from(state),
    joined,
    metal,
    potentials: final,
    elements,
    shorts: shortsIn(compiled, joined, conditions),
    loadVolts,
    loadAmps,
    lights: lightsOf(compiled, loadVolts, loadAmps, () => {
      const kept = shared.filter((_, at) => !starved[closed[at]!.device])
      return starved.includes(true) ? potentials(metal, fixed, [...passive, ...kept]) : null
    }),
    alive,
    starved,
    groundAmps: compiled.poles.map(({ ground }) => currentInto(final, metal, elements, ground)),
  }
}

const siemensFor = (milliamps: number, compiled: Compiled) => milliamps / 1000 / compiled.circuit.nominalVolts

/** An open two-wire device always lets a little through, unless it is taken out of service. */
function leakages(compiled: Compiled, working: readonly boolean[]): Element[] {
  return compiled.ways.flatMap(({ device, supply, line, other, points }) =>
    supply.kind === 'through-load' && working[device]
      ? [{ a: line, b: other, siemens: siemensFor(supply.offMilliamps, compiled), points }]
      : [],
  )
}

/** What the electronics take by the way they live: one way at a time. */
function drawOf(compiled: Compiled, way: WayOfLiving): Element[] {
  if (typeof way === 'string') return []
  const { supply, line, other, points } = way
  if (supply.kind === 'through-load') return []
  const milliamps = supply.kind === 'line-neutral' ? supply.milliamps : supply.leakMilliamps
  return [{ a: line, b: other, siemens: siemensFor(milliamps, compiled), points }]
}

/** Nets whose potential the panel gives. A net with two of them is a short; the first one stands. */
export function fixedPotentials(
  compiled: Compiled,
  nets: Nets,
  { off, neutralsLost }: Conditions,
): Map<number, Phasor> {
  const fixed = new Map<number, Phasor>()
  const give = (net: number, real: number, imaginary: number) => {
    const set = nets.find(net)
    if (!fixed.has(set)) fixed.set(set, { real, imaginary })
  }
  const { supplies } = compiled.circuit
  compiled.poles.forEach(({ neutral, ground }, at) => {
    if (!neutralsLost.has(supplies[at]!.neutral)) give(neutral, 0, 0)
    give(ground, 0, 0)
  })
  compiled.poles.forEach(({ hot }, at) => {
    const { id, breakerOn, volts, phaseDegrees } = supplies[at]!
    if (!breakerOn || off.has(id)) return
    const angle = (phaseDegrees * Math.PI) / 180
    give(hot, volts * Math.cos(angle), volts * Math.sin(angle))
  })
  return fixed
}

/** The first way of being fed that is met here, in the order of the device’s sheet. */
function wayOfLiving(compiled: Compiled, { between }: Potentials, device: number): WayOfLiving {
  const ways = compiled.ways.filter(each => each.device === device)
  if (ways.length === 0) return 'not-needed'
  const nominal = compiled.circuit.nominalVolts
  const met = ways.find(({ supply, line, other }) => {
    const wakesAt = supply.kind === 'through-load' ? WAKES_THROUGH_LOAD_AT : WAKES_AT
    return (between(line, other) ?? 0) >= wakesAt * nominal
  })
  return met ?? 'none'
}

/** A two-wire device that is on lives on the lamp's current: below its minimum it drops out. */
function starves(
  compiled: Compiled,
  awake: Potentials,
  element: Element,
  { device }: CompiledContact,
): boolean {
  const minima = compiled.ways
    .filter(each => each.device === device)
    .map(({ supply }) => (supply.kind === 'through-load' ? supply.minimumWatts : 0))
  const minimumWatts = Math.min(...minima)
  if (minimumWatts === 0) return false
  const amps = magnitude(awake.current(element))
  return amps * compiled.circuit.nominalVolts < minimumWatts * (1 - 1e-3)
}

/**
 * A dimming contact as the resistance that leaves its share of the full voltage to what hangs on it.
 * By the two-pole theorem: what it carries when full and what stands across it when open fix it exactly.
 */
function dimmed(
  state: State,
  { share }: CompiledContact,
  full: Element,
  awake: Potentials,
  asleep: Potentials,
): Element {
  const part = share ? share.of[state[share.variable]!]! : 1
  if (part >= 1) return full
  const amps = magnitude(awake.current(full))
  const open = asleep.between(full.a, full.b) ?? 0
  return amps > 0 && open > 0 ? { ...full, siemens: (part * amps) / ((1 - part) * open) } : full
}

function lightsOf(
  compiled: Compiled,
  loadVolts: readonly number[],
  loadAmps: readonly number[],
  dropped: () => Potentials | null,
): Light[] {
  const after = dropped()
  return compiled.loads.map(({ hot, neutral }, at): Light => {
    const share = loadVolts[at]! / compiled.circuit.nominalVolts
    if (after && Math.abs((after.between(hot, neutral) ?? 0) - loadVolts[at]!) > 0.1 * loadVolts[at]!)
      return 'flickers'
    if (share > FULL_TO) return 'over'
    if (share >= FULL_FROM) return 'full'
    if (share >= SEEN_FROM) return 'dimmed'
    return loadAmps[at]! * 1000 <= compiled.circuit.loads[at]!.offLimitMilliamps ? 'dark' : 'glows'
  })
}

function currentInto({ current }: Potentials, nets: Nets, elements: readonly Element[], net: number): number {
  const set = nets.find(net)
  let real = 0
  let imaginary = 0
  for (const element of elements) {
    const a = nets.find(element.a) === set
    if (a === (nets.find(element.b) === set)) continue
    const amps = current(element)
    real += a ? -amps.real : amps.real
    imaginary += a ? -amps.imaginary : amps.imaginary
  }
  return Math.hypot(real, imaginary)
}

function shortsIn(compiled: Compiled, nets: Nets, { off, neutralsLost }: Conditions): Short[] {
  const poles = compiled.circuit.supplies.flatMap((supply, at) => {
    const { hot, neutral, ground } = compiled.poles[at]!
    const live = supply.breakerOn && !off.has(supply.id)
    return [
      ...(live ? [{ pole: 'hot' as const, net: hot, point: supply.hot, supply: supply.id }] : []),
      ...(neutralsLost.has(supply.neutral)
        ? []
        : [{ pole: 'neutral' as const, net: neutral, point: supply.neutral, supply: null }]),
      { pole: 'ground' as const, net: ground, point: supply.ground, supply: null },
    ]
  })
  const shorts: Short[] = []
  poles.forEach((first, at) => {
    for (const second of poles.slice(at + 1)) {
      if (first.point === second.point || nets.find(first.net) !== nets.find(second.net)) continue
      const kind = kindOfShort(first.pole, second.pole)
      const supplies = [first, second].flatMap(each => each.supply ?? [])
      if (kind) shorts.push({ a: first.net, b: second.net, kind, supplies })
    }
  })
  return shorts
}

type Pole = 'hot' | 'neutral' | 'ground'

function kindOfShort(a: Pole, b: Pole): Short['kind'] | null {
  if (a === 'hot' && b === 'hot') return 'hot-hot'
  if (a === b) return null
  const pair = new Set([a, b])
  if (!pair.has('hot')) return 'neutral-ground'
  return pair.has('neutral') ? 'hot-neutral' : 'hot-ground'
}
