import { terminalPoint, type Circuit, type PlacedDevice } from '@/core/model/circuit'
import { plainFaults } from './plain-trips'
import { describeState, type Compiled, type Solution, type StateInWords } from '@/core/solve'

/**
 * What a circuit does wrong, judged by walking from point to point: a second way beside Prove, of which nothing is used
 * here. What the electrics come to in a state (volts, currents, whose electronics live) is the solver’s.
 */
type Walk = (from: string) => ReadonlySet<string>

/** Which contacts are walked through beside what never opens. */
type Through = (device: PlacedDevice, contact: PlacedDevice['model']['contacts'][number]) => boolean

function walkOf({ wires, joints, devices }: Circuit, through: Through): Walk {
  const next = new Map<string, string[]>()
  const tie = (a: string, b: string) => {
    next.set(a, [...(next.get(a) ?? []), b])
    next.set(b, [...(next.get(b) ?? []), a])
  }
  for (const { a, b } of wires) tie(a, b)
  for (const { members } of joints) for (const member of members.slice(1)) tie(members[0]!, member)
  for (const device of devices)
    for (const contact of device.model.contacts)
      if (through(device, contact))
        tie(terminalPoint(device.id, contact.between[0]), terminalPoint(device.id, contact.between[1]))
  return from => {
    const seen = new Set([from])
    for (const at of seen) for (const each of next.get(at) ?? []) seen.add(each)
    return seen
  }
}

type When = Readonly<Record<string, string>>

const stands = (words: StateInWords, { id }: PlacedDevice, when: When): boolean =>
  Object.entries(when).every(([variable, value]) => words[id]?.[variable] === value)

const never: Through = () => false
const any: Through = () => true
const lasting: Through = (_, { when, kind }) => kind === 'metal' && Object.keys(when).length === 0

const terminalsOf = (circuit: Circuit) =>
  circuit.devices.flatMap(device =>
    device.model.terminals.map(terminal => ({
      device,
      terminal,
      point: terminalPoint(device.id, terminal.id),
    })),
  )

const isolatorOf = ({ devices }: Circuit, load: Circuit['loads'][number]) =>
  devices.find(({ id }) => id === load.isolatedBy)

/** Where a load comes back to: itself, and before each pole of its isolator that its return hangs on. */
function returnsOf(circuit: Circuit, load: Circuit['loads'][number]): string[] {
  const by = isolatorOf(circuit, load)
  const met = walkOf(circuit, never)(load.neutral)
  const poles = Object.values(by?.model.isolates ?? {})
  return [
    load.neutral,
    ...poles.flatMap(({ from, to }) =>
      met.has(terminalPoint(by!.id, to)) ? [terminalPoint(by!.id, from)] : [],
    ),
  ]
}

/** Whether low voltage goes astray: to mains, from + to −, or not to the driver that is to be told. */
function pairGoesAstray(circuit: Circuit): boolean {
  const conductors = walkOf(circuit, never)
  const terminals = terminalsOf(circuit)
  const forPair = (wants: string) => terminals.filter(({ terminal }) => terminal.wants === wants)
  const [plus, minus] = [forPair('control-plus'), forPair('control-minus')]
  const drivers = circuit.loads.flatMap(({ control, groupId }) => (control ? [{ ...control, groupId }] : []))
  const mains = new Set([
    ...circuit.supplies.flatMap(({ hot, neutral, ground }) => [hot, neutral, ground]),
    ...circuit.loads.flatMap(({ hot, neutral, ground }) => [hot, neutral, ground ?? hot]),
    ...circuit.bonds.map(({ point }) => point),
    ...terminals.filter(({ terminal }) => !terminal.wants.startsWith('control-')).map(({ point }) => point),
  ])
  const low = [...plus, ...minus]
    .map(({ point }) => point)
    .concat(drivers.flatMap(each => [each.plus, each.minus]))
  if (low.some(point => [...conductors(point)].some(each => mains.has(each)))) return true
  if (plus.some(one => minus.some(other => conductors(one.point).has(other.point)))) return true
  if (drivers.some(one => drivers.some(other => conductors(one.plus).has(other.minus)))) return true
  return drivers.some(({ groupId, ...at }) =>
    (
      [
        [at.plus, plus],
        [at.minus, minus],
      ] as const
    ).some(([point, all]) => {
      const isDriven = [...plus, ...minus].some(({ device }) => device.groupId === groupId)
      return (
        isDriven && !all.some(each => each.device.groupId === groupId && conductors(point).has(each.point))
      )
    }),
  )
}

/** What is wrong whatever the switches do. */
export function wrongForGood(circuit: Circuit): Set<string> {
  const wrong = new Set<string>()
  const { supplies, loads, devices } = circuit
  const conductors = walkOf(circuit, never)
  const closed = walkOf(circuit, lasting)
  const anyhow = walkOf(circuit, any)
  const hotsAt = (walk: Walk, point: string) => supplies.filter(({ hot }) => walk(point).has(hot))
  const neutralsAt = (point: string) => supplies.filter(({ neutral }) => conductors(point).has(neutral))
  const isGrounded = (point: string) =>
    supplies.some(({ ground }) => conductors(point).has(ground)) ||
    circuit.groundless?.some(each => each.point === point)
  for (const load of loads) {
    const returns = returnsOf(circuit, load).flatMap(neutralsAt)
    const feeds = hotsAt(anyhow, load.hot)
    if (returns.length === 0) wrong.add('return-unswitched')
    if (returns.length > 0 && feeds.length > 0 && !returns.some(each => feeds.includes(each)))
      wrong.add('own-circuit')
    if (load.kind === 'lamp' && feeds.length === 0) wrong.add('full')
    if (load.ground !== null && !isGrounded(load.ground)) wrong.add('ground-reaches')
  }
  for (const { point } of circuit.bonds) if (!isGrounded(point)) wrong.add('ground-reaches')
  if (plainFaults(circuit).length > 0) wrong.add('own-circuit')
  for (const one of supplies)
    for (const other of supplies)
      if (one.neutral !== other.neutral && conductors(one.neutral).has(other.neutral))
        wrong.add('own-circuit')
  for (const { device, terminal, point } of terminalsOf(circuit)) {
    if (terminal.wants === 'ground' && !isGrounded(point)) wrong.add('ground-reaches')
    const isHot = hotsAt(closed, point).length > 0
    const isOnlyOne = terminal.alike === null
    const isPassing = device.model.contacts.some(
      contact => lasting(device, contact) && contact.between.includes(terminal.id),
    )
    if (terminal.wants === 'neutral' && isHot) wrong.add('supply-alive')
    const mayBeEmpty = device.model.isolates?.line?.from === terminal.id
    if (terminal.wants === 'line' && isOnlyOne && !mayBeEmpty && !isHot) wrong.add('supply-alive')
    if (terminal.wants === 'load' && isOnlyOne && !isPassing && isHot) wrong.add('supply-alive')
  }
  for (const device of devices) {
    const points = device.model.terminals.map(({ id }) => terminalPoint(device.id, id))
    if (new Set(points.flatMap(point => hotsAt(anyhow, point))).size > 1) wrong.add('own-circuit')
  }
  const landed = [
    ...circuit.caps,
    ...circuit.joints.flatMap(({ members }) => members),
    ...supplies.flatMap(({ hot, neutral, ground }) => [hot, neutral, ground]),
    ...loads.flatMap(({ hot, neutral, ground }) => [hot, neutral, ground ?? hot]),
  ]
  const loose = [
    ...circuit.wires.flatMap(({ a, b }) => [a, b]),
    ...terminalsOf(circuit).flatMap(({ terminal, point }) => (terminal.joins === 'lead' ? [point] : [])),
  ]
  if (loose.some(point => !landed.includes(point))) wrong.add('no-bare-end')
  if (signalsGoAstray(circuit, conductors, closed)) wrong.add('signals')
  if (pairGoesAstray(circuit)) wrong.add('control-pair')
  return wrong
}

/** A signal conductor joins terminals of one language and nothing else: one main, and others that pass on its power. */
function signalsGoAstray(circuit: Circuit, conductors: Walk, closed: Walk): boolean {
  const poles = [
    ...circuit.supplies.flatMap(({ hot, neutral, ground }) => [hot, neutral, ground]),
    ...circuit.loads.flatMap(({ hot, neutral, ground }) => [
      hot,
      neutral,
      ...(ground === null ? [] : [ground]),
    ]),
  ]
  const signals = circuit.devices.flatMap(device =>
    device.model.signals.map(signal => ({
      device,
      signal,
      point: terminalPoint(device.id, signal.terminal),
    })),
  )
  return signals.some(({ device, signal, point }) => {
    const met = conductors(point)
    if (poles.some(pole => met.has(pole))) return true
    const peers = signals.filter(other => met.has(other.point))
    // A switch in the same opening, its other side on the metal that the signal is to hear.
    const isFedSwitchOf = (own: string) =>
      device.model.contacts.some(({ between, when }) => {
        const byHand = device.model.variables.filter(({ moves }) => moves === 'hand').map(({ id }) => id)
        if (!Object.keys(when).some(variable => byHand.includes(variable))) return false
        const [a, b] = between.map(id => terminalPoint(device.id, id)) as [string, string]
        const far = a === own ? b : b === own ? a : null
        return far !== null && signal.hears.some(pole => conductors(far).has(terminalPoint(device.id, pole)))
      })
    if (peers.some(other => other.signal.family !== signal.family)) return true
    const mains = peers.filter(other => other.signal.hears.length > 0)
    const strangers = terminalsOf(circuit).filter(
      other =>
        met.has(other.point) &&
        !peers.some(peer => peer.point === other.point) &&
        !(other.device === device && isFedSwitchOf(other.point)),
    )
    if (strangers.length > 0) {
      const [main] = mains
      const keepsSwitch =
        main?.device.model.control.some(
          ({ event, set }) =>
            event === 'signal-off' &&
            Object.entries(set ?? {}).every(([id, value]) => {
              const said = main.device.settings?.[id]
              return (said ?? main.device.model.settings.find(each => each.id === id)?.initial) === value
            }),
        ) ?? false
      const arePlain = strangers.every(
        ({ device: { model } }) =>
          model.supply.length === 0 && model.signals.length === 0 && model.contacts.length > 0,
      )
      if (!arePlain || !keepsSwitch || peers.length > 1) return true
    }
    if (mains.length > 1) return true
    if (signal.hears.length > 0) return false
    const [main] = mains
    if (!main) return true
    const passed = closed(terminalPoint(device.id, signal.passes!))
    return !main.signal.hears.some(pole => passed.has(terminalPoint(main.device.id, pole)))
  })
}

/** What is wrong in one state. */
export function wrongHere(compiled: Compiled, solution: Solution): Set<string> {
  const { circuit } = compiled
  const wrong = new Set<string>()
  const words = describeState(compiled, solution.state)
  const isSo = (device: PlacedDevice, when: When) => stands(words, device, when)
  const livesOf = (device: PlacedDevice) => solution.alive[circuit.devices.indexOf(device)]!
  const metal = walkOf(circuit, (device, { when, kind }) => kind === 'metal' && isSo(device, when))
  const now = walkOf(
    circuit,
    (device, { when, kind }) => isSo(device, when) && (kind === 'metal' || livesOf(device)),
  )
  for (const one of circuit.supplies) {
    const met = now(one.hot)
    for (const other of circuit.supplies) {
      if (met.has(other.neutral) || met.has(other.ground)) wrong.add('no-short')
      if (other.hot !== one.hot && met.has(other.hot)) wrong.add('no-short')
      if (now(other.ground).has(one.neutral)) wrong.add('ground-idle')
    }
  }
  const nominal = circuit.nominalVolts
  for (const [at, load] of circuit.loads.entries()) {
    const share = solution.loadVolts[at]! / nominal
    if (share > 1.06) wrong.add('no-over-voltage')
    const by = isolatorOf(circuit, load)
    if (by && isSo(by, by.model.outOfService!.when)) {
      const met = new Set([...metal(load.hot), ...metal(load.neutral)])
      if (circuit.supplies.some(({ hot, neutral }) => met.has(hot) || met.has(neutral))) wrong.add('isolates')
      continue
    }
    if (load.kind !== 'lamp') {
      if (share < 0.93) wrong.add('onward-feed')
      continue
    }
    const asked = askedOf(circuit, words, load)
    const light = solution.lights[at]!
    if (light === 'flickers') wrong.add('full')
    else if (asked === null && share >= 0.15 && share < 0.93) wrong.add('full')
    else if (asked === null || asked === 0) {
      const isDark = share < 0.15 && solution.loadAmps[at]! * 1000 <= load.offLimitMilliamps
      if (asked === 0 && share >= 0.93) wrong.add('off')
      else if (share < 0.93 && !isDark) wrong.add(share >= 0.15 ? 'full' : 'off')
    } else if (asked === 1 ? share < 0.93 : Math.abs(share - asked) > 0.07) wrong.add('full')
  }
  // What lives to the ground may leak together as much as its sheets say, and no circuit more than half a milliampere.
  const leaks = circuit.devices.flatMap(({ model }) =>
    model.supply.map(supply => (supply.kind === 'line-ground' ? supply.leakMilliamps : 0)),
  )
  const allowed = Math.min(
    0.5,
    leaks.reduce((sum, each) => sum + each, 0),
  )
  if (solution.groundAmps.some(amps => amps * 1000 > allowed * 1.1 + 1e-6)) wrong.add('ground-idle')
  for (const device of circuit.devices) {
    const { outOfService } = device.model
    if (!livesOf(device) && !(outOfService && isSo(device, outOfService.when))) wrong.add('supply-alive')
    for (const { hears } of device.model.signals) {
      const [line, load] = hears.map(id => terminalPoint(device.id, id))
      if (!line || !load) continue
      if (metal(line).has(load) && !walkOf(circuit, lasting)(line).has(load)) wrong.add('signals')
    }
  }
  return wrong
}

/** The share of full light that is asked for: whether, by the first control that says so; how much, by what drives it. */
function askedOf(circuit: Circuit, words: StateInWords, load: Circuit['loads'][number]): number | null {
  const own = circuit.devices.filter(({ groupId }) => groupId === load.groupId)
  const speaks = own.filter(({ model }) => model.commanded)
  if (speaks.length === 0) return null
  const isOn = stands(words, speaks[0]!, speaks[0]!.model.commanded!.when)
  const rests = own.some(
    each =>
      !each.model.isolates && each.model.outOfService && stands(words, each, each.model.outOfService.when),
  )
  if (!isOn || rests) return 0
  const fed = walkOf(circuit, never)(load.hot)
  const drives = own.find(({ id, model }) =>
    model.contacts.some(({ between, share }) => share && between.some(at => fed.has(terminalPoint(id, at)))),
  )
  const dims = drives?.model.contacts.flatMap(({ share }) => share ?? [])[0]
  return drives && dims ? dims.of[words[drives.id]![dims.variable]!]! : 1
}
