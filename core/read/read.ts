import type { Circuit } from '../model/circuit'
import { fault, good, refused, type Result } from '../model/result'
import { holds, type Element, type Light } from '../solve'
import { currentIn } from './clamp'
import { hazardOfContinuity, ohmsBetween } from './continuity'
import { FIELD_FROM, HIGH_IMPEDANCE_OHMS, LOW_IMPEDANCE_OHMS, felt } from './field'
import { standing, type Stand, type Standing } from './stand'
import type { Shown, Test, WiringSense } from './instruments'
import { sayAbout } from '../model/say-for'

/** Resistance between each two contacts of a receptacle tester. */
const PLUGGED_OHMS = 30_000
/** Volts that light one of its lamps, as a share of nominal. */
const LIGHTS_FROM = 0.85

/**
 * What an instrument shows in a circuit as it stands: volts, amperes, ohms, a field, a light. Refused with
 * a fault where the circuit has no such point; a test that must not be made is *shown* as refused, with
 * its hazard. The ground truth for everything that reasons about readings.
 */
export function read(circuit: Circuit, stand: Stand, test: Test): Result<Shown> {
  const here = standing(circuit, stand)
  return here.ok ? readIn(here.value, test) : here
}

/** The same, in a circuit that is solved already. */
export function readIn(here: Standing, test: Test): Result<Shown> {
  const say = sayAbout(here.circuit)
  const points = new Set(here.compiled.points)
  const missing = (path: string, what: string) =>
    refused(fault(path, 'unknown-point', say`nothing is called “${what}”`))
  switch (test.instrument) {
    case 'low-impedance-meter':
    case 'high-impedance-meter':
    case 'continuity':
      if (!points.has(test.from)) return missing('/from', test.from)
      if (!points.has(test.to)) return missing('/to', test.to)
      return good(between(here, test))
    case 'non-contact': {
      const wire = here.circuit.wires.find(each => each.id === test.at)
      if (!wire && !points.has(test.at)) return missing('/at', test.at)
      return good(fieldAt(here, wire?.a ?? test.at, wire?.shielded ?? false))
    }
    case 'clamp': {
      const wire = here.circuit.wires.find(({ id, a, b }) => [id, a, b].includes(test.at))
      if (!wire)
        return refused(fault('/at', 'no-such-conductor', say`no conductor is or ends at “${test.at}”`))
      return good(clamped(here, wire.id))
    }
    case 'receptacle-tester':
    case 'circuit-finder': {
      const at = here.circuit.loads.findIndex(({ id, kind }) => id === test.at && kind === 'receptacle')
      if (at < 0) return refused(fault('/at', 'no-such-receptacle', say`there is no receptacle “${test.at}”`))
      return good(test.instrument === 'circuit-finder' ? found(here, at) : plugged(here, at))
    }
    case 'lamp': {
      const at = here.circuit.loads.findIndex(({ id }) => id === test.at)
      return at < 0
        ? refused(fault('/at', 'no-such-load', say`there is no lamp “${test.at}”`))
        : good(lampSeen(here, at))
    }
    case 'indicator': {
      const at = here.circuit.devices.findIndex(({ id }) => id === test.at)
      return at < 0
        ? refused(fault('/at', 'no-such-device', say`there is no device “${test.at}”`))
        : good(indicatorSeen(here, at))
    }
  }
}

const hotShort = ({ solution }: Standing) => solution.shorts.find(({ supplies }) => supplies.length > 0)

const trips = ({ circuit }: Standing): Shown => ({
  kind: 'refused',
  hazard: sayAbout(
    circuit,
  )`A hot is shorted in this state: the breaker trips and does not stay on. Find the short with the power off.`,
})

function between(here: Standing, { instrument, from, to }: Extract<Test, { readonly from: string }>): Shown {
  if (instrument === 'continuity') {
    const hazard = hazardOfContinuity(here, from, to)
    return hazard === null ? ohmsBetween(here, from, to) : { kind: 'refused', hazard }
  }
  if (hotShort(here)) return trips(here)
  const { compiled, solution } = here
  const [a, b] = [compiled.net(from), compiled.net(to)]
  const ohms = instrument === 'low-impedance-meter' ? LOW_IMPEDANCE_OHMS : HIGH_IMPEDANCE_OHMS
  const volts = felt(here, [{ a, b, siemens: 1 / ohms }]).between(a, b) ?? 0
  const floats = [a, b].some(net => solution.potentials.volts(net) === null)
  return { kind: 'volts', volts, phantom: floats && volts > 1 }
}

function fieldAt(here: Standing, point: string, shielded: boolean): Shown {
  const say = sayAbout(here.circuit)
  if (shielded)
    return {
      kind: 'field',
      present: false,
      says: say`Metal round the conductor hides its field: nothing felt means nothing here.`,
    }
  const { compiled, circuit, solution } = here
  const net = compiled.net(point)
  const volts = felt(here, []).volts(net) ?? 0
  const present = volts >= FIELD_FROM * circuit.nominalVolts
  const floats = solution.potentials.volts(net) === null
  return {
    kind: 'field',
    present,
    says: present
      ? floats
        ? say`A field is felt, though this conductor hangs on nothing: it lies beside a live one.`
        : say`A field is felt.`
      : say`No field is felt; that proves nothing for work.`,
  }
}

const clamped = (here: Standing, wireId: string): Shown =>
  hotShort(here) ? trips(here) : { kind: 'amps', amps: currentIn(here, wireId) }

function plugged(here: Standing, at: number): Shown {
  if (hotShort(here)) return trips(here)
  const { compiled, circuit } = here
  const load = circuit.loads[at]!
  const { hot, neutral } = compiled.loads[at]!
  const ground = load.ground === null ? null : compiled.net(load.ground)
  const lamps: Element[] = [
    { a: hot, b: neutral, siemens: 1 / PLUGGED_OHMS },
    ...(ground === null
      ? []
      : [
          { a: hot, b: ground, siemens: 1 / PLUGGED_OHMS },
          { a: neutral, b: ground, siemens: 1 / PLUGGED_OHMS },
        ]),
  ]
  const across = felt(here, lamps)
  const lit = (a: number, b: number | null) =>
    b !== null && (across.between(a, b) ?? 0) >= LIGHTS_FROM * circuit.nominalVolts
  return {
    kind: 'receptacle',
    sense: senseOf(lit(hot, neutral), lit(hot, ground), lit(neutral, ground)),
    volts: across.between(hot, neutral) ?? 0,
  }
}

/** What the three lamps of the tester mean together. */
function senseOf(hotNeutral: boolean, hotGround: boolean, neutralGround: boolean): WiringSense {
  if (hotNeutral && hotGround) return neutralGround ? 'other' : 'correct'
  if (hotNeutral) return neutralGround ? 'hot-neutral-reversed' : 'open-ground'
  if (hotGround) return neutralGround ? 'hot-ground-reversed' : 'open-neutral'
  return neutralGround ? 'other' : 'open-hot'
}

function found({ compiled, circuit, off, solution }: Standing, at: number): Shown {
  const say = sayAbout(circuit)
  const { joined } = solution
  const { hot, neutral } = compiled.loads[at]!
  const own = circuit.supplies.filter(
    (supply, index) =>
      supply.breakerOn &&
      !off.has(supply.id) &&
      joined.find(compiled.poles[index]!.hot) === joined.find(hot) &&
      joined.find(compiled.poles[index]!.neutral) === joined.find(neutral),
  )
  const beside = circuit.supplies.filter(
    other => !own.includes(other) && own.some(({ neutral: shared }) => shared === other.neutral),
  )
  const suggests = [...own, ...beside].map(({ id }) => id)
  return {
    kind: 'finder',
    suggests,
    says:
      suggests.length === 0
        ? say`No signal: the receptacle is dead.`
        : say`It suggests a breaker for the receptacle; it proves nothing about the switch box.`,
  }
}

const LIGHT_WORDS: Readonly<Record<Light, string>> = {
  dark: 'Dark.',
  glows: 'Glows though it should be dark: what a device lets through is enough to light it faintly.',
  dimmed: 'Lit, but not fully.',
  full: 'Fully lit.',
  over: 'Too bright: it gets more than its voltage.',
  flickers:
    'Flickers: it takes too little for the device that lives on its current, which drops out and starts again.',
}

function lampSeen({ circuit, solution }: Standing, at: number): Shown {
  const say = sayAbout(circuit)
  const light = solution.lights[at]!
  return {
    kind: 'lamp',
    light,
    volts: solution.loadVolts[at]!,
    milliamps: solution.loadAmps[at]! * 1000,
    says: say(LIGHT_WORDS[light]),
  }
}

function indicatorSeen({ compiled, solution }: Standing, device: number): Shown {
  const { placed } = compiled.devices[device]!
  const { indicator } = placed.model
  if (!indicator) return { kind: 'indicator', lit: null }
  const own = compiled.devices[device]!.variables
  const pairs = Object.entries(indicator.when).map(([id, value]) => {
    const at = placed.model.variables.findIndex(variable => variable.id === id)
    return [own[at]!, placed.model.variables[at]!.values.indexOf(value)] as const
  })
  return { kind: 'indicator', lit: solution.alive[device]! && holds(solution.state, pairs) }
}
