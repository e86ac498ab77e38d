import { terminalPoint, type Circuit } from '@/core/model/circuit'

/** How each device stands: the value of its one variable, by its id. */
export type Standing = Readonly<Record<string, string>>

/** Every way in which devices of one variable each may stand together. */
export function everyStanding({ devices }: Circuit): Standing[] {
  let all: Standing[] = [{}]
  for (const { id, model } of devices) {
    const [variable] = model.variables
    if (variable) all = all.flatMap(so => variable.values.map(value => ({ ...so, [id]: value })))
  }
  return all
}

/** All that is one metal with a point as the devices stand: wires, joints and closed contacts, followed one by one. */
export function metalWith(
  { wires, joints, devices }: Circuit,
  from: string,
  standing: Standing,
): Set<string> {
  const pairs: [string, string][] = [
    ...wires.map(({ a, b }): [string, string] => [a, b]),
    ...joints.flatMap(({ members: [first, ...rest] }) =>
      rest.map((each): [string, string] => [first!, each]),
    ),
    ...devices.flatMap(({ id, model }) =>
      model.contacts
        .filter(({ when }) => Object.values(when).every(value => standing[id] === value))
        .map(({ between: [a, b] }): [string, string] => [terminalPoint(id, a), terminalPoint(id, b)]),
    ),
  ]
  const met = new Set([from])
  for (let before = 0; before < met.size;) {
    before = met.size
    for (const [a, b] of pairs)
      if (met.has(a) !== met.has(b)) {
        met.add(a)
        met.add(b)
      }
  }
  return met
}

/** Loads that are one metal with a pole of a supply though what isolates them is off. */
export const notIsolated = (circuit: Circuit): string[] =>
  circuit.loads
    .filter(({ isolatedBy, hot, neutral }) =>
      everyStanding(circuit)
        .filter(standing => isolatedBy !== undefined && standing[isolatedBy] === 'off')
        .some(standing =>
          [hot, neutral].some(point => {
            const met = metalWith(circuit, point, standing)
            return circuit.supplies.some(each => met.has(each.hot) || met.has(each.neutral))
          }),
        ),
    )
    .map(({ id }) => id)
