import { terminalPoint, type Circuit } from '@/core/model/circuit'

/**
 * Loads, and electronics, whose current does not come back where it went out, judged by following each current by itself: from a pole of the
 * panel, through wires, joints and any contact, to one side of the load, and from its other side home, and how often each
 * crosses the protection on its way. Nothing of Prove is used.
 */
export function plainFaults(circuit: Circuit): string[] {
  const protections = circuit.devices.flatMap(({ id, model: { outlet } }) =>
    outlet?.protects
      ? [
          [
            [terminalPoint(id, outlet.hot), terminalPoint(id, outlet.protects.hot)],
            [terminalPoint(id, outlet.neutral), terminalPoint(id, outlet.protects.neutral)],
          ] as const,
        ]
      : [],
  )
  const electronics = circuit.devices.flatMap(({ id, groupId, model }) =>
    model.supply.flatMap(way =>
      way.kind === 'line-neutral'
        ? [{ groupId, hot: `${id}.${way.line}`, neutral: `${id}.${way.neutral}` }]
        : [],
    ),
  )
  const wrong = [...circuit.loads, ...electronics].filter(load =>
    protections.some(([hots, neutrals]) => {
      const out = crossings(
        circuit,
        load.hot,
        circuit.supplies.map(({ hot }) => hot),
        hots,
      )
      const back = crossings(
        circuit,
        load.neutral,
        circuit.supplies.map(({ neutral }) => neutral),
        neutrals,
      )
      return out.size > 0 && back.size > 0 && (out.size > 1 || back.size > 1 || [...out][0] !== [...back][0])
    }),
  )
  return [...new Set(wrong.map(({ groupId }) => groupId))].sort()
}

/** Whether ways from a point to one of some poles go through what joins a pair, or past it: `true`, `false`, or both. */
function crossings(
  { wires, joints, devices }: Circuit,
  from: string,
  poles: readonly string[],
  [one, other]: readonly [string, string],
): Set<boolean> {
  const found = new Set<boolean>()
  const seen = new Set<string>()
  const open: { at: string; through: boolean }[] = [{ at: from, through: false }]
  while (open.length > 0) {
    const { at, through } = open.pop()!
    const key = `${through} ${at}`
    if (seen.has(key)) continue
    seen.add(key)
    if (poles.includes(at)) {
      found.add(through)
      continue
    }
    const go = (to: string) => {
      const isPair = (at === one && to === other) || (at === other && to === one)
      open.push({ at: to, through: isPair ? !through : through })
    }
    for (const { a, b } of wires) {
      if (a === at) go(b)
      if (b === at) go(a)
    }
    for (const { members } of joints)
      if (members.includes(at)) for (const to of members) if (to !== at) go(to)
    for (const { id, model } of devices)
      for (const { between } of model.contacts) {
        const [a, b] = between.map(terminal => terminalPoint(id, terminal)) as [string, string]
        if (a === at) go(b)
        if (b === at) go(a)
      }
  }
  return found
}
