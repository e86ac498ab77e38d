import type { Circuit } from '../model/circuit'
import type { OutsideEvent } from '../model/device'
import { terminalPoint } from '../model/circuit'
import {
  Situations,
  compile,
  describeState,
  holds,
  type Compiled,
  type Situation,
  type State,
  type StateInWords,
} from '../solve'
import { explore, type Explored } from './explore'
import { finding, nameOf, type Finding } from './finding'
import { staticFindings } from './joined'
import { isIsolated } from './isolated'
import { hasShapeOfPlan } from './likeness'
import { lostNeutrals, type LostNeutral } from './lost-neutral'
import { partsOf } from './parts'
import { unlikePlan } from './plan'
import { stateFindings } from './shown'
import { signalsApart } from './signals'
import { PROPERTY_IDS, type PropertyId } from './vocabulary'
import { wayBetween } from './way'
import { sayAbout } from '../model/say-for'

/** States of one part beyond this are not gone through; the answer says so instead of guessing. */
const STATE_BUDGET = 1 << 16

/** What is done to a device, by its id. */
export interface MoveMade {
  readonly device: string
  readonly event: OutsideEvent
}

/** A property broken, in a state that breaks it by the fewest moves; replay it and see. */
export interface Counterexample extends Omit<Finding, 'way'> {
  /** Values of each device's variables; null where the property fails whatever they are. */
  readonly state: StateInWords | null
  /** From how everything comes to that state; the last one shows it where it is about a move. */
  readonly moves: readonly MoveMade[]
  /** Points along what joins the two that are at fault; empty where nothing does. */
  readonly path: readonly string[]
}

interface Gone {
  /** States that were shown to hold: parts that cannot bear on each other multiply. */
  readonly states: number
  /** States that were looked at one by one. */
  readonly visited: number
  readonly lostNeutrals: readonly LostNeutral[]
  /** What has no ground, and was taken to be allowed to. */
  readonly groundless: readonly string[]
}

export type Proof =
  | ({ readonly kind: 'proven' } & Gone)
  | ({ readonly kind: 'refuted'; readonly counterexamples: readonly Counterexample[] } & Gone)
  | { readonly kind: 'not-decided'; readonly states: number; readonly budget: number }

/**
 * Goes through every state that hands, presence, sun and time can bring about, and asks every property.
 * One counterexample a property, the one with the fewest moves; the same circuit gives the same answer.
 */
export function prove(circuit: Circuit): Proof {
  const compiled = compile(circuit)
  const situations = new Situations(compiled)
  const first = new Map<PropertyId, Counterexample>()
  const keep = (each: Finding, state: readonly number[] | null, moves: readonly MoveMade[]) => {
    const known = first.get(each.property)
    if (
      known &&
      (known.state === null ? state === null : state === null || known.moves.length <= moves.length)
    )
      return
    const { way, ...said } = each
    first.set(each.property, {
      ...said,
      state: state && describeState(compiled, state),
      moves,
      path: way ? wayBetween(compiled, state ?? Array.from(compiled.initial), ...way) : [],
    })
  }
  for (const each of [...staticFindings(compiled), ...signalsApart(compiled)]) keep(each, null, [])

  const explored = exploreAll(compiled, situations)
  if ('tooMany' in explored) return { kind: 'not-decided', states: explored.tooMany, budget: STATE_BUDGET }
  for (const each of explored.parts) {
    for (const { findings, at } of wrongStates(compiled, situations, each))
      for (const wrong of findings) keep(wrong, each.stateOf(at), made(compiled, each.movesTo(at)))
    const stuck = firstStuck(compiled, situations, each)
    if (stuck)
      keep(stuck.finding, each.stateOf(stuck.at), made(compiled, [...each.movesTo(stuck.at), stuck.move]))
  }
  const states = explored.parts.reduce((count, each) => count * each.count, 1)
  const visited = explored.parts.reduce((count, each) => count + each.count, 0)
  const unlike = unlikePlan(compiled)
  if (unlike.length > 0 && (first.size > 0 || !hasShapeOfPlan(compiled)))
    for (const each of unlike) keep(each, null, [])
  const gone = {
    ...{ states, visited, lostNeutrals: lostNeutrals(compiled, situations.all) },
    groundless: [...new Set((circuit.groundless ?? []).map(({ id }) => id))],
  }
  if (first.size === 0) return { kind: 'proven', ...gone }
  return {
    kind: 'refuted',
    ...gone,
    counterexamples: PROPERTY_IDS.flatMap(property => first.get(property) ?? []),
  }
}

/**
 * Every part by itself; but where something is shorted the panel holds nothing fast, parts bear on each
 * other after all, and everything is gone through together as far as the budget goes.
 */
function exploreAll(
  compiled: Compiled,
  situations: Situations,
): { readonly parts: readonly Explored[] } | { readonly tooMany: number } {
  const parts = partsOf(compiled)
  const explored: Explored[] = []
  for (const part of parts.length > 0 ? parts : [[]]) {
    const each = explore(situations, part, STATE_BUDGET)
    if (!each) return { tooMany: combinationsOf(compiled, part) }
    explored.push(each)
  }
  const shorted = situations.all.some(({ solution }) => solution.shorts.length > 0)
  const together =
    shorted && parts.length > 1
      ? explore(
          situations,
          compiled.variables.map((_, variable) => variable),
          STATE_BUDGET,
        )
      : null
  return { parts: together ? [together] : explored }
}

const combinationsOf = (compiled: Compiled, part: readonly number[]): number =>
  part.reduce((count, variable) => count * compiled.variables[variable]!.values.length, 1)

const made = (compiled: Compiled, moves: readonly { device: number; event: OutsideEvent }[]): MoveMade[] =>
  moves.map(({ device, event }) => ({ device: compiled.circuit.devices[device]!.id, event }))

/** Situations in which something is wrong, each in its state of the fewest moves. */
function wrongStates(compiled: Compiled, { all }: Situations, { count, situationOf, rank }: Explored) {
  const findingsOf = new Map<number, readonly Finding[]>()
  const first = new Map<number, number>()
  for (let at = 0; at < count; at++) {
    const situation = situationOf[at]!
    let findings = findingsOf.get(situation)
    if (!findings) {
      findings = stateFindings(compiled, all[situation]!.solution)
      findingsOf.set(situation, findings)
    }
    if (findings.length === 0) continue
    const known = first.get(situation)
    if (known === undefined || rank(at) < rank(known)) first.set(situation, at)
  }
  return [...first]
    .map(([situation, at]) => ({ findings: findingsOf.get(situation)!, at }))
    .sort((a, b) => rank(a.at) - rank(b.at))
}

/** The first state from which a hand at some place leaves a lamp of its group as it is. */
function firstStuck(compiled: Compiled, { all }: Situations, explored: Explored) {
  const say = sayAbout(compiled.circuit)
  const { moves, situationOf, follows, eachStep, rank } = explored
  const kept: { at: number; move: number; device: number; lamp: number }[] = []
  for (const { move, device, lamps, releases } of handsOf(compiled, explored)) {
    const stays = staysAs(compiled, all, device, lamps)
    eachStep(move, (at, next) => {
      const lamp = stays(situationOf[at]!, situationOf[next]!)
      if (lamp < 0 || releases.some(release => follows(at, release) >= 0)) return
      if (!kept[0] || rank(at) < rank(kept[0].at)) kept[0] = { at, move, device, lamp }
    })
  }
  const [first] = kept
  if (!first) return null
  const placed = compiled.circuit.devices[first.device]!
  const load = compiled.circuit.loads[first.lamp]!
  return {
    at: first.at,
    move: moves[first.move]!,
    finding: finding(
      'every-place-acts',
      [load.hot, ...placed.model.terminals.map(each => terminalPoint(placed.id, each.id))],
      say`working ${nameOf(compiled, first.device)} here leaves ${load.id} as it is`,
    ),
  }
}

/** Whether some device of the group is taken out of service on purpose: nothing then answers. */
function isResting(compiled: Compiled, state: State, device: number): boolean {
  const { groupId } = compiled.circuit.devices[device]!
  return compiled.devices.some(
    ({ placed, outOfService }) =>
      placed.groupId === groupId && !placed.model.isolates && outOfService && holds(state, outOfService),
  )
}

/** What a hand does at each place that has a lamp to answer for. */
function handsOf(compiled: Compiled, { moves }: Explored) {
  return moves.flatMap(({ device, event }, move) => {
    const { events, placed } = compiled.devices[device]!
    const lamps = compiled.circuit.loads.flatMap((load, at) =>
      load.kind === 'lamp' && load.groupId === placed.groupId ? [at] : [],
    )
    const hand = events.includes('toggle') ? 'toggle' : 'press'
    if (event !== hand || lamps.length === 0 || placed.model.isolates) return []
    // While another key is held down a press may go unheard: that is not judged.
    const releases = moves.flatMap((other, at) =>
      other.event === 'release' && other.device !== device ? [at] : [],
    )
    return [{ move, device, lamps, releases }]
  })
}

/** Situations up to which every two are compared beforehand. */
const MOST_COMPARED = 512

/**
 * The first of these lamps that looks the same in two situations, or −1; also −1 where some device of the
 * group is taken out of service on purpose, so that nothing answers. What is isolated answers to nothing.
 */
function staysAs(
  compiled: Compiled,
  all: readonly Situation[],
  device: number,
  lamps: readonly number[],
): (before: number, after: number) => number {
  const compared = (before: Situation, after: Situation): number =>
    isResting(compiled, before.solution.state, device)
      ? -1
      : (lamps.find(
          lamp =>
            before.solution.lights[lamp] === after.solution.lights[lamp] &&
            !isIsolated(compiled, before.solution.state, compiled.circuit.loads[lamp]!),
        ) ?? -1)
  const count = all.length
  if (count > MOST_COMPARED) return (before, after) => compared(all[before]!, all[after]!)
  const table = Int16Array.from({ length: count ** 2 }, (_, at) =>
    compared(all[Math.floor(at / count)]!, all[at % count]!),
  )
  return (before, after) => table[before * count + after]!
}
