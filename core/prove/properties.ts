import { terminalPoint } from '../model/circuit'
import type { Compiled, Solution, State } from '../solve'
import { after } from '../solve'
import type { PropertyId } from './vocabulary'

/** A state, the points concerned, and what went wrong there in one sentence. */
export interface Finding {
  readonly property: PropertyId
  readonly points: readonly string[]
  readonly says: string
}

/** Current into the ground that a whole circuit may declare, in mA. */
const GROUND_LEAK_LIMIT_MILLIAMPS = 0.5

const FULL_FROM = 0.93
const FULL_TO = 1.06

const finding = (property: PropertyId, points: readonly string[], says: string): Finding => ({
  property,
  points,
  says,
})

const volts = (value: number) => `${Math.round(value)} V`
const indexOf = (compiled: Compiled, point: string) => compiled.indexOf.get(point)!

/** Properties of what is joined once and for all: looked at once, whatever the switches do. */
export function staticFindings(compiled: Compiled): Finding[] {
  return [
    ...returnsUnswitched(compiled),
    ...groundReaches(compiled),
    ...signalsApart(compiled),
    ...ownNeutrals(compiled),
    ...bareEnds(compiled),
    ...polarity(compiled),
    ...unlikePlan(compiled),
  ]
}

/** Properties of one state. */
export function stateFindings(compiled: Compiled, solution: Solution): Finding[] {
  return [
    ...shorts(compiled, solution),
    ...loadsObey(compiled, solution),
    ...groundIdle(compiled, solution),
    ...supplyAlive(compiled, solution),
    ...onwardFed(compiled, solution),
    ...hotsOfOneCircuit(compiled, solution),
    ...overVoltage(compiled, solution),
  ]
}

function shorts(compiled: Compiled, { shorts: found }: Solution): Finding[] {
  const words = {
    'hot-neutral': 'hot is joined to neutral: the breaker trips',
    'hot-ground': 'hot is joined to ground: the breaker trips',
    'hot-hot': 'two hots are joined',
    'neutral-ground': 'neutral is joined to ground in the house',
  } as const
  return found.map(({ a, b, kind }) =>
    finding(
      kind === 'neutral-ground' ? 'ground-idle' : 'no-short',
      [compiled.points[a]!, compiled.points[b]!],
      words[kind],
    ),
  )
}

type Light = 'full' | 'dark' | 'between'

function lightOf(compiled: Compiled, solution: Solution, load: number): Light {
  const { offLimitMilliamps } = compiled.circuit.loads[load]!
  const share = solution.loadVolts[load]! / compiled.circuit.nominalVolts
  if (share >= FULL_FROM && share <= FULL_TO) return 'full'
  return solution.loadAmps[load]! * 1000 <= offLimitMilliamps ? 'dark' : 'between'
}

/** Whether the control of a load's group asks for light; null where positions say nothing by themselves. */
function asked(compiled: Compiled, state: State, groupId: string): boolean | null {
  for (const [device, placed] of compiled.circuit.devices.entries()) {
    const { commanded } = placed.model
    if (placed.groupId !== groupId || !commanded) continue
    const at = compiled.variables.findIndex(each => each.device === device && each.id === commanded.variable)
    const variable = compiled.variables[at]
    return variable?.values[state[at]!] === commanded.on
  }
  return null
}

function loadsObey(compiled: Compiled, solution: Solution): Finding[] {
  return compiled.circuit.loads.flatMap((load, index) => {
    if (load.kind !== 'lamp') return []
    const light = lightOf(compiled, solution, index)
    const wanted = asked(compiled, solution.state, load.groupId)
    const milliamps = solution.loadAmps[index]! * 1000
    const shows = `${volts(solution.loadVolts[index]!)} at ${load.id}`
    if (light === 'between' && wanted !== true)
      return [
        finding(
          solution.loadVolts[index]! / compiled.circuit.nominalVolts > 0.5 ? 'full' : 'off',
          [load.hot, load.neutral],
          `${load.id} is neither full nor dark: ${milliamps.toFixed(2)} mA flow, it glows above ${load.offLimitMilliamps} mA`,
        ),
      ]
    if (wanted === true && light !== 'full')
      return [finding('full', [load.hot, load.neutral], `the control says on, but only ${shows}`)]
    if (wanted === false && light === 'full')
      return [finding('off', [load.hot, load.neutral], `the control says off, but still ${shows}`)]
    return []
  })
}

/** Every device a hand can work must change the light of its own group, from this state. */
export function placesAct(
  compiled: Compiled,
  solution: Solution,
  solutionOf: (state: State) => Solution,
): Finding[] {
  const loads = compiled.circuit.loads
  return compiled.circuit.devices.flatMap((placed, device) => {
    const mine = loads.flatMap((load, index) =>
      load.kind === 'lamp' && load.groupId === placed.groupId ? [index] : [],
    )
    if (mine.length === 0) return []
    const event = placed.model.control.some(each => each.event === 'toggle') ? 'toggle' : 'press'
    const next = after(compiled, solution.state, device, event)
    if (!next) return []
    const then = solutionOf(next)
    const stuck = mine.filter(load => lightOf(compiled, solution, load) === lightOf(compiled, then, load))
    return stuck.map(load =>
      finding(
        'every-place-acts',
        [loads[load]!.hot, ...placed.model.terminals.map(each => terminalPoint(placed.id, each.id))],
        `working ${placed.id} here leaves ${loads[load]!.id} as it is`,
      ),
    )
  })
}

/** The supply that feeds a load in any of its paths: found by walking contacts from its hot side. */
function ownSupplies(compiled: Compiled, point: string): Set<string> {
  const all = compiled.wired.copy()
  for (const contact of compiled.contacts) all.join(contact.a, contact.b)
  const net = all.find(indexOf(compiled, point))
  return new Set(
    compiled.circuit.supplies
      .filter(supply => all.find(indexOf(compiled, supply.hot)) === net)
      .map(supply => supply.id),
  )
}

function returnsUnswitched(compiled: Compiled): Finding[] {
  return compiled.circuit.loads.flatMap(load => {
    const net = compiled.wired.find(indexOf(compiled, load.neutral))
    const own = ownSupplies(compiled, load.hot)
    const returns = compiled.circuit.supplies.filter(
      supply => compiled.wired.find(indexOf(compiled, supply.neutral)) === net,
    )
    if (returns.length === 0)
      return [
        finding(
          'return-unswitched',
          [load.neutral],
          `the return of ${load.id} reaches no neutral by conductors alone`,
        ),
      ]
    if (own.size > 0 && !returns.some(supply => own.has(supply.id)))
      return [
        finding(
          'own-circuit',
          [load.neutral, returns[0]!.neutral],
          `${load.id} is fed by ${[...own].join(' and ')} and returns on ${returns[0]!.id}`,
        ),
      ]
    return []
  })
}

function groundReaches(compiled: Compiled): Finding[] {
  const grounds = new Set(
    compiled.circuit.supplies.map(supply => compiled.wired.find(indexOf(compiled, supply.ground))),
  )
  const needed = [
    ...compiled.circuit.devices.flatMap(placed =>
      placed.model.terminals
        .filter(terminal => terminal.wants === 'ground')
        .map(terminal => ({ id: placed.id, point: terminalPoint(placed.id, terminal.id) })),
    ),
    ...compiled.circuit.bonds,
    ...compiled.circuit.loads.flatMap(load =>
      load.ground === null ? [] : [{ id: load.id, point: load.ground }],
    ),
  ]
  return needed
    .filter(({ point }) => !grounds.has(compiled.wired.find(indexOf(compiled, point))))
    .map(({ id, point }) => finding('ground-reaches', [point], `no ground reaches ${id}`))
}

/** A signal terminal's net holds conductors and signals of the same family, nothing else. */
function signalsApart(compiled: Compiled): Finding[] {
  const signals = compiled.circuit.devices.flatMap(placed =>
    placed.model.signals.map(signal => ({
      family: signal.family,
      point: terminalPoint(placed.id, signal.terminal),
    })),
  )
  const others = [
    ...compiled.circuit.devices.flatMap(placed =>
      placed.model.terminals.map(terminal => terminalPoint(placed.id, terminal.id)),
    ),
    ...compiled.circuit.supplies.flatMap(supply => [supply.hot, supply.neutral, supply.ground]),
    ...compiled.circuit.loads.flatMap(load => [load.hot, load.neutral]),
  ]
  const familyAt = new Map(signals.map(signal => [signal.point, signal.family]))
  return signals.flatMap(({ family, point }) => {
    const net = compiled.wired.find(indexOf(compiled, point))
    const stranger = others.find(
      other =>
        other !== point &&
        compiled.wired.find(indexOf(compiled, other)) === net &&
        familyAt.get(other) !== family,
    )
    return stranger
      ? [finding('signals', [point, stranger], `the signal at ${point} is joined to ${stranger}`)]
      : []
  })
}

function ownNeutrals(compiled: Compiled): Finding[] {
  const { supplies } = compiled.circuit
  return supplies.flatMap((supply, at) =>
    supplies
      .slice(at + 1)
      .filter(
        other =>
          other.neutral !== supply.neutral &&
          compiled.wired.find(indexOf(compiled, other.neutral)) ===
            compiled.wired.find(indexOf(compiled, supply.neutral)),
      )
      .map(other =>
        finding(
          'own-circuit',
          [supply.neutral, other.neutral],
          `the neutrals of ${supply.id} and ${other.id} are joined`,
        ),
      ),
  )
}

function hotsOfOneCircuit(compiled: Compiled, { nets }: Solution): Finding[] {
  return compiled.circuit.devices.flatMap(placed => {
    const at = placed.model.terminals.map(terminal =>
      nets.find(indexOf(compiled, terminalPoint(placed.id, terminal.id))),
    )
    const feeding = compiled.circuit.supplies.filter(supply =>
      at.includes(nets.find(indexOf(compiled, supply.hot))),
    )
    if (feeding.length < 2) return []
    return [
      finding(
        'own-circuit',
        feeding.map(supply => supply.hot),
        `${placed.id} is fed by ${feeding.map(supply => supply.id).join(' and ')}: one breaker leaves it live`,
      ),
    ]
  })
}

function groundIdle(compiled: Compiled, { groundAmps }: Solution): Finding[] {
  return compiled.circuit.supplies.flatMap((supply, index) => {
    const milliamps = groundAmps[index]! * 1000
    const declared = compiled.supplies.reduce(
      (sum, { supply: way }) => (way.kind === 'line-ground' ? sum + way.leakMilliamps : sum),
      0,
    )
    const allowed = Math.min(declared, GROUND_LEAK_LIMIT_MILLIAMPS)
    if (milliamps <= allowed * 1.1 + 1e-6) return []
    return [
      finding(
        'ground-idle',
        [supply.ground],
        `${milliamps.toFixed(2)} mA return over the ground of ${supply.id}; ${allowed.toFixed(2)} mA are declared`,
      ),
    ]
  })
}

function supplyAlive(compiled: Compiled, { alive }: Solution): Finding[] {
  return compiled.circuit.devices.flatMap((placed, device) =>
    alive[device]
      ? []
      : [
          finding(
            'supply-alive',
            placed.model.terminals.map(terminal => terminalPoint(placed.id, terminal.id)),
            `the electronics of ${placed.id} are not fed in this state`,
          ),
        ],
  )
}

/** Line and neutral reversed works, and is still wrong: a neutral terminal must sit on a neutral. */
function polarity(compiled: Compiled): Finding[] {
  const on = (point: string, pole: 'hot' | 'neutral') =>
    compiled.circuit.supplies.some(
      supply =>
        compiled.wired.find(indexOf(compiled, supply[pole])) ===
        compiled.wired.find(indexOf(compiled, point)),
    )
  return compiled.circuit.devices.flatMap(placed =>
    placed.model.terminals.flatMap(({ id, word, wants, alike }) => {
      const point = terminalPoint(placed.id, id)
      if (wants === 'neutral' && on(point, 'hot'))
        return [
          finding(
            'supply-alive',
            [point],
            `hot and neutral are reversed: hot is on “${word}” of ${placed.id}`,
          ),
        ]
      if (wants === 'line' && alike === null && !on(point, 'hot'))
        return [finding('supply-alive', [point], `no hot conductor reaches “${word}” of ${placed.id}`)]
      if (wants === 'load' && alike === null && on(point, 'hot'))
        return [
          finding('supply-alive', [point], `hot is on “${word}” of ${placed.id}: line and load are reversed`),
        ]
      return []
    }),
  )
}

function onwardFed(compiled: Compiled, { loadVolts }: Solution): Finding[] {
  return compiled.circuit.loads.flatMap((load, index) =>
    load.kind === 'onward' && loadVolts[index]! < FULL_FROM * compiled.circuit.nominalVolts
      ? [finding('onward-feed', [load.hot, load.neutral], `${load.id} gets ${volts(loadVolts[index]!)}`)]
      : [],
  )
}

function overVoltage(compiled: Compiled, { loadVolts }: Solution): Finding[] {
  return compiled.circuit.loads.flatMap((load, index) =>
    loadVolts[index]! > FULL_TO * compiled.circuit.nominalVolts
      ? [finding('no-over-voltage', [load.hot, load.neutral], `${load.id} gets ${volts(loadVolts[index]!)}`)]
      : [],
  )
}

function bareEnds(compiled: Compiled): Finding[] {
  const { circuit } = compiled
  const held = new Set([...circuit.caps, ...circuit.joints.flatMap(joint => joint.members)])
  const ofSupplies = circuit.supplies.flatMap(supply => [supply.hot, supply.neutral, supply.ground])
  const ofLoads = circuit.loads.flatMap(load => [load.hot, load.neutral, load.ground ?? ''])
  const landed = new Set([...ofSupplies, ...ofLoads])
  const ends = circuit.wires.flatMap(wire => [wire.a, wire.b])
  const leads = circuit.devices.flatMap(placed =>
    placed.model.terminals
      .filter(terminal => terminal.joins === 'lead')
      .map(terminal => terminalPoint(placed.id, terminal.id)),
  )
  return [...ends, ...leads]
    .filter(point => !held.has(point) && !landed.has(point))
    .map(point => finding('no-bare-end', [point], `${point} is neither joined nor capped`))
}

/** Held against the plan up to terminals that are alike: exchanging those changes nothing. */
function unlikePlan(compiled: Compiled): Finding[] {
  const { plan, devices } = compiled.circuit
  if (!plan) return []
  let best: Finding[] | null = null
  for (const renamed of likeArrangements(devices, plan)) {
    const found = differences(compiled, renamed)
    if (best === null || found.length < best.length) best = found
    if (best.length === 0) break
  }
  return best ?? []
}

function* likeArrangements(
  devices: Compiled['circuit']['devices'],
  plan: Readonly<Record<string, string>>,
): Generator<Readonly<Record<string, string>>> {
  const pairs = devices.flatMap(placed => {
    const alike = placed.model.terminals.filter(terminal => terminal.alike !== null)
    return alike.flatMap((first, at) =>
      alike
        .slice(at + 1)
        .filter(second => second.alike === first.alike)
        .map(second => [terminalPoint(placed.id, first.id), terminalPoint(placed.id, second.id)] as const),
    )
  })
  for (let mask = 0; mask < 2 ** Math.min(pairs.length, 8); mask++) {
    const renamed = { ...plan }
    pairs.forEach(([a, b], at) => {
      if ((mask >> at) & 1) [renamed[a], renamed[b]] = [renamed[b]!, renamed[a]!]
    })
    yield renamed
  }
}

function differences(compiled: Compiled, plan: Readonly<Record<string, string>>): Finding[] {
  const netNamed = new Map<string, number>()
  const nameOfNet = new Map<number, string>()
  const found: Finding[] = []
  for (const [point, name] of Object.entries(plan)) {
    const index = compiled.indexOf.get(point)
    if (index === undefined) continue
    const net = compiled.wired.find(index)
    const otherName = nameOfNet.get(net)
    const otherNet = netNamed.get(name)
    if (otherName !== undefined && otherName !== name)
      found.push(finding('the-plan', [point], `${point} belongs to ${name} and is joined to ${otherName}`))
    else if (otherNet !== undefined && otherNet !== net)
      found.push(finding('the-plan', [point], `${point} belongs to ${name} and is not joined to it`))
    nameOfNet.set(net, otherName ?? name)
    netNamed.set(name, otherNet ?? net)
  }
  return found
}
