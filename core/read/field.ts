import { fixedPotentials, potentials, type Element, type Potentials } from '../solve'
import type { Standing } from './stand'

/** Between two conductors that lie beside each other: some 70 pF a metre over 5 m, at 60 Hz. */
const NEIGHBOUR_SIEMENS = 132e-9
/** From a conductor to the earth around it. */
const SURROUNDINGS_SIEMENS = 20e-9
export const LOW_IMPEDANCE_OHMS = 3_000
export const HIGH_IMPEDANCE_OHMS = 10_000_000
/** A field tester answers from this share of nominal. */
export const FIELD_FROM = 0.2

/** What live conductors do to their neighbours: every two of one cable, and each to the earth. */
function couplings({ circuit, compiled }: Standing): Element[] {
  const cables = new Map<string, number[]>()
  for (const { a, cable } of circuit.wires)
    if (cable !== undefined) cables.set(cable, [...(cables.get(cable) ?? []), compiled.net(a)])
  const earth = compiled.poles[0]?.ground
  return [...cables.values()].flatMap(nets =>
    nets.flatMap((a, at): Element[] => [
      ...nets.slice(at + 1).map(b => ({ a, b, siemens: 0, capacitive: NEIGHBOUR_SIEMENS })),
      ...(earth === undefined ? [] : [{ a, b: earth, siemens: 0, capacitive: SURROUNDINGS_SIEMENS }]),
    ]),
  )
}

/** A dark filament is cold and takes a meter’s current as a wire would. */
function elementsAtRest({ circuit, solution }: Standing): Element[] {
  return solution.elements.map((element, at) => {
    const load = circuit.loads[at]
    const cold = load?.coldShare ?? 1
    return load && solution.lights[at] === 'dark' && cold !== 1
      ? { ...element, siemens: element.siemens / cold }
      : element
  })
}

/** Potentials with neighbours felt and instruments connected. */
export function felt(standing: Standing, instruments: readonly Element[]): Potentials {
  const { compiled, off, solution } = standing
  const { metal } = solution
  const fixed = fixedPotentials(compiled, metal, { off, neutralsLost: new Set() })
  return potentials(metal, fixed, [...elementsAtRest(standing), ...couplings(standing), ...instruments])
}
