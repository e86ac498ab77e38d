import { terminalPoint } from '../model/circuit'
import type { Compiled } from '../solve'
import { acrossProtection } from './behind'
import { controlPairs } from './control-pair'
import { finding, nameOf, type Finding } from './finding'
import { beforeIsolator } from './isolated'
import { sayAbout } from '../model/say-for'

/** Properties of what is joined once and for all: looked at once, whatever the switches do. */
export function staticFindings(compiled: Compiled): Finding[] {
  return [
    ...returnsUnswitched(compiled),
    ...neverFed(compiled),
    ...groundReaches(compiled),
    ...ownNeutrals(compiled),
    ...ownHots(compiled),
    ...acrossProtection(compiled),
    ...controlPairs(compiled),
    ...bareEnds(compiled),
    ...polarity(compiled),
  ]
}

/** Supplies whose hot could reach a net through any contact. */
function suppliesReaching(compiled: Compiled, net: number): number[] {
  const set = compiled.reach.find(net)
  return compiled.poles.flatMap(({ hot }, at) => (compiled.reach.find(hot) === set ? [at] : []))
}

function returnsUnswitched(compiled: Compiled): Finding[] {
  const say = sayAbout(compiled.circuit)
  const { loads, supplies } = compiled.circuit
  return loads.flatMap((load, index) => {
    const { hot, neutral: home } = compiled.loads[index]!
    const neutral = beforeIsolator(compiled, load, home)
    const returns = compiled.poles.flatMap((pole, at) => (pole.neutral === neutral ? [at] : []))
    if (returns.length === 0)
      return [
        finding(
          'return-unswitched',
          [load.neutral],
          say`the return of ${load.id} reaches no neutral by conductors alone`,
        ),
      ]
    const own = suppliesReaching(compiled, hot)
    if (own.length === 0 || returns.some(at => own.includes(at))) return []
    const names = own.map(at => supplies[at]!.id).join(say` and `)
    return [
      finding(
        'own-circuit',
        [load.neutral, supplies[returns[0]!]!.neutral],
        say`${load.id} is fed by ${names} and returns on ${supplies[returns[0]!]!.id}`,
      ),
    ]
  })
}

/** A lamp that no position of any switch can light. */
function neverFed(compiled: Compiled): Finding[] {
  const say = sayAbout(compiled.circuit)
  return compiled.circuit.loads.flatMap((load, index) => {
    const { hot } = compiled.loads[index]!
    if (load.kind !== 'lamp' || load.keeps === 'dark' || suppliesReaching(compiled, hot).length > 0) return []
    return [finding('full', [load.hot], say`no hot reaches ${load.id}, whatever is switched`)]
  })
}

function groundReaches(compiled: Compiled): Finding[] {
  const say = sayAbout(compiled.circuit)
  const grounds = new Set(compiled.poles.map(pole => pole.ground))
  const needed = [
    ...compiled.circuit.devices.flatMap((placed, device) =>
      placed.model.terminals
        .filter(terminal => terminal.wants === 'ground')
        .map(terminal => ({ id: nameOf(compiled, device), point: terminalPoint(placed.id, terminal.id) })),
    ),
    ...compiled.circuit.bonds,
    ...compiled.circuit.loads.flatMap(load =>
      load.ground === null ? [] : [{ id: load.id, point: load.ground }],
    ),
  ]
  const without = new Set((compiled.circuit.groundless ?? []).map(({ point }) => point))
  return needed
    .filter(({ point }) => !grounds.has(compiled.net(point)) && !without.has(point))
    .map(({ id, point }) => finding('ground-reaches', [point], say`no ground reaches ${id}`))
}

function ownNeutrals(compiled: Compiled): Finding[] {
  const say = sayAbout(compiled.circuit)
  const { supplies } = compiled.circuit
  return supplies.flatMap((supply, at) =>
    supplies
      .slice(at + 1)
      .filter(
        other =>
          other.neutral !== supply.neutral && compiled.net(other.neutral) === compiled.net(supply.neutral),
      )
      .map(other =>
        finding(
          'own-circuit',
          [supply.neutral, other.neutral],
          say`the neutrals of ${supply.id} and ${other.id} are joined`,
          [supply.neutral, other.neutral],
        ),
      ),
  )
}

/** Two circuits that one device could bring together: one breaker leaves it live. */
function ownHots(compiled: Compiled): Finding[] {
  const say = sayAbout(compiled.circuit)
  const { supplies } = compiled.circuit
  return compiled.circuit.devices.flatMap((placed, device) => {
    const feeding = new Set(
      placed.model.terminals.flatMap(terminal =>
        suppliesReaching(compiled, compiled.net(terminalPoint(placed.id, terminal.id))),
      ),
    )
    if (feeding.size < 2) return []
    const names = [...feeding].map(at => supplies[at]!.id).join(say` and `)
    return [
      finding(
        'own-circuit',
        [...feeding].map(at => supplies[at]!.hot),
        say`${nameOf(compiled, device)} is fed by ${names}: one breaker leaves it live`,
      ),
    ]
  })
}

/** Line and neutral reversed works, and is still wrong: each terminal must sit on its own side. */
function polarity(compiled: Compiled): Finding[] {
  const say = sayAbout(compiled.circuit)
  const hots = new Set(compiled.poles.map(pole => compiled.base.find(pole.hot)))
  const isHot = (point: string) => hots.has(compiled.base.find(compiled.net(point)))
  return compiled.circuit.devices.flatMap((placed, device) =>
    placed.model.terminals.flatMap(({ id, word, wants, alike }) => {
      const point = terminalPoint(placed.id, id)
      const name = nameOf(compiled, device)
      if (wants === 'neutral' && isHot(point))
        return [
          finding('supply-alive', [point], say`hot and neutral are reversed: hot is on “${word}” of ${name}`),
        ]
      // An isolator takes no lasting hot where nothing beyond it lives on one.
      const isFed = placed.model.isolates?.line?.from !== id
      if (wants === 'line' && alike === null && isFed && !isHot(point))
        return [finding('supply-alive', [point], say`no hot conductor reaches “${word}” of ${name}`)]
      const alwaysFed = compiled.base.find(compiled.net(point))
      const byItself = placed.model.contacts.some(
        ({ between, when, kind }) =>
          kind === 'metal' && Object.keys(when).length === 0 && between.includes(id),
      )
      if (wants === 'load' && alike === null && !byItself && hots.has(alwaysFed))
        return [
          finding('supply-alive', [point], say`hot is on “${word}” of ${name}: line and load are reversed`),
        ]
      return []
    }),
  )
}

function bareEnds(compiled: Compiled): Finding[] {
  const say = sayAbout(compiled.circuit)
  const { circuit } = compiled
  const held = new Set([...circuit.caps, ...circuit.joints.flatMap(joint => joint.members)])
  const landed = new Set([
    ...circuit.supplies.flatMap(supply => [supply.hot, supply.neutral, supply.ground]),
    ...circuit.loads.flatMap(load => [load.hot, load.neutral, load.ground ?? '']),
  ])
  const ends = circuit.wires.flatMap(wire => [wire.a, wire.b])
  const leads = circuit.devices.flatMap(placed =>
    placed.model.terminals
      .filter(terminal => terminal.joins === 'lead')
      .map(terminal => terminalPoint(placed.id, terminal.id)),
  )
  return [...ends, ...leads]
    .filter(point => !held.has(point) && !landed.has(point))
    .map(point => finding('no-bare-end', [point], say`${point} is neither joined nor capped`))
}
