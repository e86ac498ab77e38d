import { terminalPoint } from '../model/circuit'
import type { Compiled, State } from '../solve'

/** Points from one to another along conductors, joints and contacts closed in this state; empty if none. */
export function wayBetween(compiled: Compiled, state: State, from: string, to: string): readonly string[] {
  const { circuit } = compiled
  const next = new Map<string, string[]>()
  const link = (a: string, b: string) => {
    next.set(a, [...(next.get(a) ?? []), b])
    next.set(b, [...(next.get(b) ?? []), a])
  }
  for (const wire of circuit.wires) link(wire.a, wire.b)
  for (const { members } of circuit.joints)
    members.forEach((a, at) => members.slice(at + 1).forEach(b => link(a, b)))
  circuit.devices.forEach((placed, device) => {
    const variables = compiled.devices[device]!.variables
    const valueOf = (id: string) => {
      const at = placed.model.variables.findIndex(each => each.id === id)
      return placed.model.variables[at]?.values[state[variables[at]!]!]
    }
    for (const { between, when } of placed.model.contacts)
      if (Object.entries(when).every(([id, value]) => valueOf(id) === value))
        link(terminalPoint(placed.id, between[0]), terminalPoint(placed.id, between[1]))
  })
  const before = new Map<string, string | null>([[from, null]])
  const queue = [from]
  for (let point = queue.shift(); point !== undefined && !before.has(to); point = queue.shift())
    for (const other of next.get(point) ?? [])
      if (!before.has(other)) {
        before.set(other, point)
        queue.push(other)
      }
  if (!before.has(to)) return []
  const way: string[] = []
  for (let point: string | null = to; point !== null; point = before.get(point) ?? null) way.unshift(point)
  return way
}
