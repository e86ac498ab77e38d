import { pointsOf, terminalPoint, type Circuit, type PlacedDevice } from '../model/circuit'
import type { Outlet } from '../model/device'
import { sayAbout } from '../model/say-for'
import { Nets, type Compiled } from '../solve'
import { finding, nameOf, type Finding } from './finding'

/**
 * What hangs behind a protection sends its current out and back through it, whatever is switched: a load with one side
 * behind it and the other before, or metal of both sides joined, and it trips.
 */
export const acrossProtection = (compiled: Compiled): Finding[] =>
  compiled.circuit.devices.flatMap((placed, device) => {
    const outlet = placed.model.outlet
    return outlet?.protects ? across(compiled, device, placed, outlet, outlet.protects) : []
  })

function across(
  compiled: Compiled,
  device: number,
  { id }: PlacedDevice,
  outlet: Outlet,
  protects: NonNullable<Outlet['protects']>,
): Finding[] {
  const { circuit } = compiled
  const say = sayAbout(circuit)
  const point = (terminal: string) => terminalPoint(id, terminal)
  const find = partedAt(circuit, [
    [point(outlet.hot), point(protects.hot)],
    [point(outlet.neutral), point(protects.neutral)],
  ])
  const behind = new Set([protects.hot, protects.neutral].map(terminal => find(point(terminal))))
  const before = new Set([
    ...[outlet.hot, outlet.neutral].map(terminal => find(point(terminal))),
    ...circuit.supplies.flatMap(({ hot, neutral, ground }) => [hot, neutral, ground].map(find)),
  ])
  const poles = [
    [protects.hot, outlet.hot],
    [protects.neutral, outlet.neutral],
  ] as const
  const joined = poles.filter(([terminal]) => before.has(find(point(terminal))))
  if (joined.length > 0)
    return joined.map(([on, own]) =>
      finding(
        'own-circuit',
        [point(on), point(own)],
        say`what is behind the protection of ${nameOf(compiled, device)} is joined to what is before it: it trips, or protects nothing`,
      ),
    )
  return drawing(compiled).flatMap(load => {
    const sides = [find(load.hot), find(load.neutral)]
    if (!sides.some(side => behind.has(side)) || !sides.some(side => before.has(side))) return []
    return [
      finding(
        'own-circuit',
        [load.hot, load.neutral],
        say`${load.name} has one side behind the protection of ${nameOf(compiled, device)} and the other before it: it trips`,
      ),
    ]
  })
}

/** What draws a current: loads, and electronics between a hot and a neutral. */
const drawing = (compiled: Compiled): { name: string; hot: string; neutral: string }[] => [
  ...compiled.circuit.loads.map(({ id, hot, neutral }) => ({ name: id, hot, neutral })),
  ...compiled.circuit.devices.flatMap(({ id, model }, device) =>
    model.supply.flatMap(way =>
      way.kind === 'line-neutral'
        ? [
            {
              name: nameOf(compiled, device),
              hot: terminalPoint(id, way.line),
              neutral: terminalPoint(id, way.neutral),
            },
          ]
        : [],
    ),
  ),
]

/** What metal and every contact join, but for joints of just these two points. */
function partedAt(
  circuit: Circuit,
  apart: readonly (readonly [string, string])[],
): (point: string) => number {
  const numbers = new Map([...pointsOf(circuit)].map((point, at) => [point, at]))
  const nets = new Nets(numbers.size)
  const join = (a: string, b: string) => nets.join(numbers.get(a)!, numbers.get(b)!)
  for (const { a, b } of circuit.wires) join(a, b)
  for (const { members } of circuit.joints) {
    const isApart = apart.some(pair => members.length === 2 && pair.every(point => members.includes(point)))
    if (!isApart) for (const member of members.slice(1)) join(members[0]!, member)
  }
  for (const { id, model } of circuit.devices)
    for (const { between } of model.contacts)
      join(terminalPoint(id, between[0]), terminalPoint(id, between[1]))
  return point => nets.find(numbers.get(point)!)
}
