import { terminalPoint } from '../model/circuit'
import type { Compiled } from '../solve'
import { symmetriesOf } from '../model/symmetries'

/**
 * Whether what is joined has the shape of the plan although other conductors of the switched run do it: a
 * row of plain switches works the same from either end. Neutrals, grounds, loads and electronics keep
 * their own conductors and terminals; plain switches of one kind may stand for each other. To be asked
 * only where every other property holds. Nets and switches are told apart by what hangs on them, round
 * by round, until no round tells more.
 */
export function hasShapeOfPlan(compiled: Compiled): boolean {
  const { plan } = compiled.circuit
  if (!plan) return true
  const real = shapeOf(compiled, point => `net ${compiled.net(point)}`)
  const planned = shapeOf(compiled, point => plan[point] ?? `alone ${point}`)
  return real === planned
}

function shapeOf(compiled: Compiled, netOf: (point: string) => string): string {
  const { circuit } = compiled
  const held = new Set(circuit.supplies.flatMap(({ neutral, ground }) => [netOf(neutral), netOf(ground)]))
  const fixed = [
    ...circuit.supplies.flatMap(({ hot, neutral, ground }) => [hot, neutral, ground]),
    ...circuit.loads.flatMap(({ hot, neutral, ground }) => [hot, neutral, ...(ground ? [ground] : [])]),
    ...circuit.bonds.map(({ point }) => point),
    ...circuit.wires.flatMap(({ a, b }) => [a, b]).filter(point => held.has(netOf(point))),
  ]
  const anchors = new Map<string, string[]>()
  for (const point of fixed) anchors.set(netOf(point), [...(anchors.get(netOf(point)) ?? []), point])
  const ties = circuit.devices.flatMap(({ id, model }) => {
    const plain = model.supply.length === 0 && model.signals.length === 0
    return model.terminals.map(terminal => {
      const net = netOf(terminalPoint(id, terminal.id))
      if (!anchors.has(net)) anchors.set(net, [])
      return {
        net,
        device: id,
        label: plain ? orbitOf(model, terminal.id) : `${id}.${terminal.id}`,
        kind: plain ? model.id : id,
      }
    })
  })
  let netColour = new Map([...anchors].map(([net, points]) => [net, [...new Set(points)].sort().join(' ')]))
  let deviceColour = new Map(ties.map(({ device, kind }) => [device, kind]))
  for (let round = 0; round <= circuit.devices.length + 1; round++) {
    const nextNets = refined(
      netColour,
      ties,
      ({ net }) => net,
      tie => `${tie.label}@${deviceColour.get(tie.device)!}`,
    )
    const nextDevices = refined(
      deviceColour,
      ties,
      ({ device }) => device,
      tie => `${tie.label}@${netColour.get(tie.net)!}`,
    )
    netColour = shortened(nextNets)
    deviceColour = shortened(nextDevices)
  }
  return [...netColour.values()].sort().join('|')
}

interface Tie {
  readonly net: string
  readonly device: string
  readonly label: string
}

function refined(
  colours: ReadonlyMap<string, string>,
  ties: readonly Tie[],
  keyOf: (tie: Tie) => string,
  seenBy: (tie: Tie) => string,
): Map<string, string> {
  const seen = new Map<string, string[]>()
  for (const tie of ties) seen.set(keyOf(tie), [...(seen.get(keyOf(tie)) ?? []), seenBy(tie)])
  return new Map(
    [...colours].map(([key, colour]) => [key, `${colour}(${(seen.get(key) ?? []).sort().join()})`]),
  )
}

/** Long colours become a number of their text, the same for the same text. */
const shortened = (colours: ReadonlyMap<string, string>): Map<string, string> =>
  new Map([...colours].map(([key, colour]) => [key, colour.length < 64 ? colour : digest(colour)]))

function digest(text: string): string {
  let a = 0x811c9dc5
  let b = 0x1000193
  for (let at = 0; at < text.length; at++) {
    a = Math.imul(a ^ text.charCodeAt(at), 0x01000193)
    b = Math.imul(b + text.charCodeAt(at), 0x85ebca6b) ^ (b >>> 13)
  }
  return `#${(a >>> 0).toString(36)}${(b >>> 0).toString(36)}`
}

/** The first terminal among those that a device’s contacts cannot tell apart. */
function orbitOf(model: Parameters<typeof symmetriesOf>[0], terminal: string): string {
  const images = symmetriesOf(model).map(symmetry => symmetry.get(terminal) ?? terminal)
  return `${model.id}.${images.sort()[0]!}`
}
