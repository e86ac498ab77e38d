import { terminalPoint } from '../model/circuit'
import { FULL_FROM } from '../model/limits'
import { FULL_TO, holds, type Compiled, type Solution, type State } from '../solve'
import { finding, inVolts, nameOf, type Finding } from './finding'
import { isIsolated, stillJoined } from './isolated'
import { signalsBypass } from './signals'
import { sayAbout } from '../model/say-for'

/** Current into the ground that a whole circuit may declare, in mA. */
const GROUND_LEAK_LIMIT_MILLIAMPS = 0.5
/** A dimmed lamp gets its share within this much. */
const SHARE_WITHIN = 0.07
/** A return above this share of nominal can be felt. */
const TOUCHED_FROM = 0.25

/** Properties of one state. */
export function stateFindings(compiled: Compiled, solution: Solution): Finding[] {
  return [
    ...shorts(compiled, solution),
    ...signalsBypass(compiled, solution),
    ...liveReturns(compiled, solution),
    ...loadsObey(compiled, solution),
    ...groundIdle(compiled, solution),
    ...supplyAlive(compiled, solution),
    ...onwardFed(compiled, solution),
    ...stillJoined(compiled, solution),
    ...overVoltage(compiled, solution),
  ]
}

const SHORT_WORDS = {
  'hot-neutral': 'hot is joined to neutral: the breaker trips',
  'hot-ground': 'hot is joined to ground: the breaker trips',
  'hot-hot': 'two hots are joined',
  'neutral-ground': 'neutral is joined to ground in the house',
} as const

function shorts(compiled: Compiled, { shorts: found }: Solution): Finding[] {
  const pointOn = (net: number) =>
    compiled.circuit.supplies
      .flatMap(supply => [supply.hot, supply.neutral, supply.ground])
      .find(point => compiled.net(point) === net)!
  return found.map(({ a, b, kind }) => {
    const [from, to] = a === b ? polesOn(compiled, a) : ([pointOn(a), pointOn(b)] as const)
    return finding(
      kind === 'neutral-ground' ? 'ground-idle' : 'no-short',
      [from, to],
      sayAbout(compiled.circuit)(SHORT_WORDS[kind]),
      [from, to],
    )
  })
}

/** The first two different poles on one net. */
function polesOn(compiled: Compiled, net: number): readonly [string, string] {
  const points = compiled.circuit.supplies
    .flatMap(supply => [supply.hot, supply.neutral, supply.ground])
    .filter((point, at, all) => compiled.net(point) === net && all.indexOf(point) === at)
  return [points[0]!, points[1] ?? points[0]!]
}

/** A lamp whose return is switched can be dark while its shell is live. */
function liveReturns(compiled: Compiled, { joined, potentials, lights }: Solution): Finding[] {
  const say = sayAbout(compiled.circuit)
  const neutrals = new Set(compiled.poles.map(pole => pole.neutral))
  return compiled.circuit.loads.flatMap((load, index) => {
    const { neutral } = compiled.loads[index]!
    if (neutrals.has(neutral)) return []
    const volts = potentials.volts(neutral) ?? 0
    if (volts < TOUCHED_FROM * compiled.circuit.nominalVolts) return []
    const source = compiled.circuit.supplies.find(
      (_, at) => joined.find(compiled.poles[at]!.hot) === joined.find(neutral),
    )
    const dark = lights[index] === 'dark' ? say` while it is dark` : ''
    return [
      finding(
        'return-unswitched',
        [load.neutral],
        say`the return of ${load.id} is switched: its shell stands at ${inVolts(volts)}${dark}`,
        source ? [source.hot, load.neutral] : undefined,
      ),
    ]
  })
}

/**
 * Share of full light that a group's control asks for: on or off as any of its places says, at the level of the one
 * that dims; null where positions say nothing by themselves.
 */
export function askedOf(compiled: Compiled, state: State, groupId: string): number | null {
  const own = compiled.devices.flatMap((each, device) =>
    each.placed.groupId === groupId ? [{ ...each, device }] : [],
  )
  const says = own.find(({ commanded }) => commanded)?.commanded
  if (!says) return null
  if (
    !holds(state, says) ||
    own.some(each => !each.placed.model.isolates && each.outOfService && holds(state, each.outOfService))
  )
    return 0
  const dims = compiled.contacts.find(
    ({ device, share }) => share && own.some(each => each.device === device),
  )?.share
  return dims ? dims.of[state[dims.variable]!]! : 1
}

/** What of full light is asked of a lamp that nothing works. */
const KEEPS: Readonly<Record<string, number | undefined>> = { lit: 1, dark: 0 }

function loadsObey(compiled: Compiled, solution: Solution): Finding[] {
  const say = sayAbout(compiled.circuit)
  return compiled.circuit.loads.flatMap((load, index) => {
    if (load.kind !== 'lamp' || isIsolated(compiled, solution.state, load)) return []
    const light = solution.lights[index]!
    const wanted = KEEPS[load.keeps ?? 'worked'] ?? askedOf(compiled, solution.state, load.groupId)
    const points = [load.hot, load.neutral]
    const way = wayToLoad(compiled, solution, index)
    const volts = inVolts(solution.loadVolts[index]!)
    const milliamps = (solution.loadAmps[index]! * 1000).toFixed(2)
    if (light === 'flickers')
      return [
        finding(
          'full',
          points,
          say`${load.id} flickers: its ${milliamps} mA are too little for the device that lives on them`,
        ),
      ]
    if (wanted === null || wanted === 0) {
      if (wanted === 0 && (light === 'full' || light === 'over'))
        return [
          finding(
            'off',
            points,
            say`${load.keeps ? say`nothing is to light it` : say`the control says off`}, but still ${volts} at ${load.id}`,
            way,
          ),
        ]
      if (light !== 'glows' && light !== 'dimmed') return []
      return [
        finding(
          light === 'dimmed' ? 'full' : 'off',
          points,
          say`${load.id} is neither full nor dark: ${milliamps} mA flow, it glows above ${load.offLimitMilliamps} mA`,
          way,
        ),
      ]
    }
    const share = solution.loadVolts[index]! / compiled.circuit.nominalVolts
    if (wanted === 1 ? light === 'full' || light === 'over' : Math.abs(share - wanted) <= SHARE_WITHIN)
      return []
    return [
      finding(
        'full',
        points,
        say`${load.keeps ? say`it is to be always on` : say`the control says on`}, but only ${volts} at ${load.id}`,
        way,
      ),
    ]
  })
}

/** From the hot that feeds a load in this state to the load. */
function wayToLoad(
  compiled: Compiled,
  { joined }: Solution,
  load: number,
): readonly [string, string] | undefined {
  const { hot } = compiled.loads[load]!
  const at = compiled.poles.findIndex(pole => joined.find(pole.hot) === joined.find(hot))
  return at < 0 ? undefined : [compiled.circuit.supplies[at]!.hot, compiled.circuit.loads[load]!.hot]
}

function groundIdle(compiled: Compiled, { groundAmps }: Solution): Finding[] {
  const say = sayAbout(compiled.circuit)
  const declared = compiled.ways.reduce(
    (sum, { supply }) => (supply.kind === 'line-ground' ? sum + supply.leakMilliamps : sum),
    0,
  )
  const allowed = Math.min(declared, GROUND_LEAK_LIMIT_MILLIAMPS)
  return compiled.circuit.supplies.flatMap((supply, index) => {
    const milliamps = groundAmps[index]! * 1000
    if (milliamps <= allowed * 1.1 + 1e-6) return []
    return [
      finding(
        'ground-idle',
        [supply.ground],
        say`${milliamps.toFixed(2)} mA return over the ground of ${supply.id}; ${allowed.toFixed(2)} mA are declared`,
      ),
    ]
  })
}

function supplyAlive(compiled: Compiled, { state, alive, starved }: Solution): Finding[] {
  const say = sayAbout(compiled.circuit)
  return compiled.circuit.devices.flatMap((placed, device) => {
    const { outOfService } = compiled.devices[device]!
    if (alive[device] || (outOfService && holds(state, outOfService))) return []
    const why = starved[device]
      ? say`drop out in this state: too little flows through the lamp`
      : say`are not fed in this state`
    return [
      finding(
        'supply-alive',
        placed.model.terminals.map(terminal => terminalPoint(placed.id, terminal.id)),
        say`the electronics of ${nameOf(compiled, device)} ${why}`,
      ),
    ]
  })
}

function onwardFed(compiled: Compiled, { loadVolts, state }: Solution): Finding[] {
  const say = sayAbout(compiled.circuit)
  return compiled.circuit.loads.flatMap((load, index) =>
    load.kind !== 'lamp' &&
    !isIsolated(compiled, state, load) &&
    loadVolts[index]! < FULL_FROM * compiled.circuit.nominalVolts
      ? [finding('onward-feed', [load.hot, load.neutral], say`${load.id} gets ${inVolts(loadVolts[index]!)}`)]
      : [],
  )
}

function overVoltage(compiled: Compiled, { loadVolts }: Solution): Finding[] {
  const say = sayAbout(compiled.circuit)
  return compiled.circuit.loads.flatMap((load, index) =>
    loadVolts[index]! > FULL_TO * compiled.circuit.nominalVolts
      ? [
          finding(
            'no-over-voltage',
            [load.hot, load.neutral],
            say`${load.id} gets ${inVolts(loadVolts[index]!)}`,
          ),
        ]
      : [],
  )
}
