import { potentials, Nets, type Element } from '../solve'
import type { Standing } from './stand'
import type { Shown } from './instruments'
import { sayAbout } from '../model/say-for'

/** The instrument sounds at or below this. */
const SOUNDS_TO_OHMS = 30
/** Above this it shows an open circuit. */
const OPEN_FROM_OHMS = 20_000_000

/**
 * Why the instrument must not be put here, or null: a circuit that is on can drive its current through
 * the meter, even where the two points read 0 V.
 */
export function hazardOfContinuity(standing: Standing, from: string, to: string): string | null {
  const say = sayAbout(standing.circuit)
  const { circuit, compiled, off, solution } = standing
  const { potentials: solved, joined, elements } = solution
  for (const point of [from, to]) {
    const net = compiled.net(point)
    const volts = solved.volts(net) ?? 0
    if (volts > 1)
      return say`${point} stands at ${Math.round(volts)} V: a continuity test on a live conductor can burn the meter and the hand that holds it. Switch off, prove it dead, then test.`
    const feeding = circuit.supplies.find(
      (supply, at) =>
        supply.breakerOn &&
        !off.has(supply.id) &&
        (joined.find(compiled.poles[at]!.hot) === joined.find(net) ||
          joined.find(compiled.poles[at]!.neutral) === joined.find(net)),
    )
    if (feeding)
      return say`${feeding.id} is on and ${point} belongs to it: what reads 0 V now can carry current or become live under the test. Switch off, prove it dead, then test.`
    const carries = elements.some(element => {
      const touches = [element.a, element.b].some(end => joined.find(end) === joined.find(net))
      const { real, imaginary } = solved.current(element)
      return touches && Math.hypot(real, imaginary) > 1e-3
    })
    if (carries)
      return say`${point} carries current though its own breaker is off: it is shared with another circuit. Switch that one off too.`
  }
  return null
}

/**
 * Ohms between two points of a dead circuit: metal, cold filaments and windings as they are, electronics
 * open, neutral and ground bonded at the panel.
 */
export function ohmsBetween({ circuit, compiled, solution }: Standing, from: string, to: string): Shown {
  const nets = new Nets(compiled.netCount)
  nets.become(solution.metal)
  const [first] = compiled.poles
  if (first)
    for (const { neutral, ground } of compiled.poles) {
      nets.join(first.neutral, neutral)
      nets.join(first.neutral, ground)
    }
  const a = nets.find(compiled.net(from))
  const b = nets.find(compiled.net(to))
  if (a === b) return { kind: 'ohms', ohms: 0, sounds: true }
  const elements = compiled.loads.flatMap(({ hot, neutral, siemens }, at): Element[] => {
    const share = circuit.loads[at]!.ohmsShare
    return share && siemens > 0 ? [{ a: hot, b: neutral, siemens: siemens / share }] : []
  })
  const ends = potentials(nets, new Map([[b, { real: 0, imaginary: 0 }]]), elements, [
    { net: a, real: 1, imaginary: 0 },
  ])
  const ohms = ends.volts(a)
  if (ohms === null || ohms > OPEN_FROM_OHMS) return { kind: 'ohms', ohms: null, sounds: false }
  return { kind: 'ohms', ohms, sounds: ohms <= SOUNDS_TO_OHMS }
}
