import { Nets, type Compiled } from '../solve'

/**
 * Variables that can bear on each other. What hangs between nets the panel holds fast is decided by them
 * alone, so each part is gone through by itself and holds whatever the others do.
 */
export function partsOf(compiled: Compiled): number[][] {
  const { variables, netCount, base } = compiled
  const held = new Set(
    compiled.poles.flatMap(({ hot, neutral, ground }, at) =>
      [neutral, ground, ...(compiled.circuit.supplies[at]!.breakerOn ? [hot] : [])].map(net =>
        base.find(net),
      ),
    ),
  )
  const ties = new Nets(netCount + variables.length)
  const tie = (variable: number, net: number) => {
    const set = base.find(net)
    if (!held.has(set)) ties.join(set, netCount + variable)
  }
  const tieNets = (a: number, b: number) => {
    const left = base.find(a)
    const right = base.find(b)
    if (!held.has(left) && !held.has(right)) ties.join(left, right)
  }
  compiled.devices.forEach(({ variables: own, peers }, device) => {
    const [first] = own
    if (first === undefined) return
    for (const variable of own) ties.join(netCount + first, netCount + variable)
    for (const peer of peers)
      for (const variable of compiled.devices[peer]!.variables)
        ties.join(netCount + first, netCount + variable)
    for (const contact of compiled.contacts)
      if (contact.device === device) {
        tie(first, contact.a)
        tie(first, contact.b)
      }
    for (const way of compiled.ways)
      if (way.device === device) {
        tie(first, way.line)
        tie(first, way.other)
      }
    for (const hearing of compiled.hearings)
      if (hearing.device === device) [hearing.signal, ...hearing.poles].forEach(net => tie(first, net))
  })
  for (const { hot, neutral } of compiled.loads) tieNets(hot, neutral)
  // What a lamp is asked for is held against what feeds it, joined to it or not.
  compiled.circuit.loads.forEach((load, at) => {
    const { hot, neutral } = compiled.loads[at]!
    compiled.devices.forEach(({ placed, variables: own, commanded, outOfService }, device) => {
      const asks =
        placed.id === load.isolatedBy ||
        (placed.groupId === load.groupId &&
          (commanded || outOfService || compiled.contacts.some(each => each.device === device && each.share)))
      if (asks && own[0] !== undefined) for (const net of [hot, neutral]) tie(own[0], net)
    })
  })
  for (const { line, other } of compiled.ways) tieNets(line, other)
  for (const { a, b } of compiled.contacts) tieNets(a, b)
  const parts = new Map<number, number[]>()
  variables.forEach((_, variable) => {
    const root = ties.find(netCount + variable)
    parts.set(root, [...(parts.get(root) ?? []), variable])
  })
  return [...parts.values()]
}
