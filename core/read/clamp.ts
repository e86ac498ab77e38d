import {
  Nets,
  fixedPotentials,
  magnitude,
  potentials,
  type Element,
  type Injection,
  type Phasor,
} from '../solve'
import type { Standing } from './stand'

/** Only how currents divide between parallel conductors rests on these. */
const WIRE_OHMS = 0.04
const CONTACT_OHMS = 0.005

/**
 * Current in one conductor, in amperes. The metal it belongs to is looked at as wires again: what loads
 * take goes in and out where they are joined, and divides between ways that lead side by side.
 */
export function currentIn(standing: Standing, wireId: string): number {
  const { circuit, compiled, solution } = standing
  const { metal, elements, potentials: solved } = solution
  const pointAt = new Map(compiled.points.map((point, index) => [point, index]))
  const nodes = new Nets(compiled.points.length)
  for (const { members } of circuit.joints)
    for (const member of members) nodes.join(pointAt.get(members[0]!)!, pointAt.get(member)!)
  const node = (point: string) => pointAt.get(point)!

  const wires: Element[] = circuit.wires.map(({ a, b }) => ({
    a: node(a),
    b: node(b),
    siemens: 1 / WIRE_OHMS,
  }))
  const contacts: Element[] = compiled.contacts
    .filter(({ a, b, electronic }) => !electronic && metal.find(a) === metal.find(b))
    .filter(({ when }) => when.every(([variable, value]) => solution.state[variable] === value))
    .map(({ points }) => ({ a: node(points[0]), b: node(points[1]), siemens: 1 / CONTACT_OHMS }))
  const injections: Injection[] = elements.flatMap(element => {
    const amps = solved.current(element)
    const [from, to] = element.points!
    return [
      { net: node(from), real: -amps.real, imaginary: -amps.imaginary },
      { net: node(to), ...amps },
    ]
  })
  const fixed = polesAt(standing, nodes, node)
  // Metal that no pole holds still carries current through it: one of its points stands for the rest.
  const held = new Nets(compiled.points.length)
  for (const { a, b } of [...wires, ...contacts]) held.join(nodes.find(a), nodes.find(b))
  const roots = new Set([...fixed.keys()].map(each => held.find(each)))
  for (const { net } of injections) {
    const root = held.find(nodes.find(net))
    if (roots.has(root)) continue
    roots.add(root)
    fixed.set(nodes.find(net), { real: 0, imaginary: 0 })
  }
  const detailed = potentials(nodes, fixed, [...wires, ...contacts], injections)
  const at = circuit.wires.findIndex(({ id }) => id === wireId)
  return at < 0 ? 0 : magnitude(detailed.current(wires[at]!))
}

/** Where the panel’s potentials come in. */
function polesAt(
  { circuit, compiled, off, solution }: Standing,
  nodes: Nets,
  node: (point: string) => number,
): Map<number, Phasor> {
  const { metal } = solution
  const given = fixedPotentials(compiled, metal, { off, neutralsLost: new Set() })
  const at = new Map<number, Phasor>()
  for (const { hot, neutral, ground } of circuit.supplies)
    for (const point of [hot, neutral, ground]) {
      const phasor = given.get(metal.find(compiled.net(point)))
      if (phasor) at.set(nodes.find(node(point)), phasor)
    }
  return at
}
