import { terminalPoint } from '../model/circuit'
import type { PlacedDevice } from '../model/circuit'
import { settingOf, type Compiled, type Solution } from '../solve'
import { finding, nameOf, type Finding } from './finding'
import { sayAbout } from '../model/say-for'

interface SignalAt {
  readonly device: number
  readonly placed: PlacedDevice
  readonly point: string
  readonly net: number
  readonly family: string
  readonly hears: readonly string[]
  readonly passes: string | null
}

function signalsOf(compiled: Compiled): SignalAt[] {
  return compiled.circuit.devices.flatMap((placed, device) =>
    placed.model.signals.map(({ terminal, family, hears, passes }) => {
      const point = terminalPoint(placed.id, terminal)
      return { device, placed, point, net: compiled.net(point), family, hears, passes }
    }),
  )
}

/** Only a main set for it follows a level that a kept switch holds. */
const expectsSwitch = (placed: PlacedDevice): boolean =>
  placed.model.control.some(
    ({ event, set }) =>
      event === 'signal-off' &&
      Object.entries(set ?? {}).every(([id, value]) => settingOf(placed, id) === value),
  )

const isPlainSwitch = ({ model }: PlacedDevice): boolean =>
  model.supply.length === 0 && model.signals.length === 0 && model.contacts.length > 0

/**
 * Signals reach only their peers, judged with contacts open; each companion has one main, and passes the
 * power on a pole that main hears.
 */
export function signalsApart(compiled: Compiled): Finding[] {
  const signals = signalsOf(compiled)
  return signals.flatMap(signal => [
    ...strangersOn(compiled, signal, signals),
    ...mainOf(compiled, signal, signals),
  ])
}

/** A terminal of the same device that is made to be joined to its signal. */
const isOwn = ({ id, model }: PlacedDevice, point: string): boolean =>
  model.terminals.some(({ id: terminal, wants }) => wants === 'own' && terminalPoint(id, terminal) === point)

function strangersOn(compiled: Compiled, signal: SignalAt, signals: readonly SignalAt[]): Finding[] {
  const say = sayAbout(compiled.circuit)
  const peers = signals.filter(other => other.net === signal.net)
  const main = peers.find(peer => peer.hears.length > 0)
  const known = new Map(signals.map(each => [each.point, each]))
  const terminals = compiled.circuit.devices.flatMap(placed =>
    placed.model.terminals.map(terminal => ({ placed, point: terminalPoint(placed.id, terminal.id) })),
  )
  const poles = [
    ...compiled.circuit.supplies.flatMap(supply => [supply.hot, supply.neutral, supply.ground]),
    ...compiled.circuit.loads.flatMap(load => [load.hot, load.neutral, load.ground ?? load.neutral]),
  ]
  const complaint = (stranger: string, why = '') => [
    finding(
      'signals',
      [signal.point, stranger],
      say`the signal at ${signal.point} is joined to ${stranger}${why}`,
    ),
  ]
  for (const { placed, point } of terminals) {
    if (point === signal.point || compiled.net(point) !== signal.net) continue
    if (isOwn(signal.placed, point)) continue
    const other = known.get(point)
    if (other) {
      if (other.family !== signal.family)
        return complaint(point, say`, which speaks another family’s language`)
    } else if (!isPlainSwitch(placed)) return complaint(point)
    else if (!main || !expectsSwitch(main.placed))
      return complaint(point, say`: the main is not set to expect a switch`)
    else if (peers.length > 1)
      return complaint(point, say`: a kept switch stands only where two places control`)
  }
  const pole = poles.find(point => compiled.net(point) === signal.net)
  return pole === undefined ? [] : complaint(pole)
}

function mainOf(compiled: Compiled, signal: SignalAt, signals: readonly SignalAt[]): Finding[] {
  const say = sayAbout(compiled.circuit)
  const mains = signals.filter(other => other.net === signal.net && other.hears.length > 0)
  const name = nameOf(compiled, signal.device)
  if (signal.hears.length > 0)
    return mains.length > 1 && mains[0] === signal
      ? [
          finding(
            'signals',
            mains.map(each => each.point),
            say`${mains.length} mains stand on one signal`,
          ),
        ]
      : []
  const [main] = mains
  if (!main) return [finding('signals', [signal.point], say`no main hears the signal of ${name}`)]
  const base = (placed: PlacedDevice, terminal: string) =>
    compiled.base.find(compiled.net(terminalPoint(placed.id, terminal)))
  const passes = base(signal.placed, signal.passes!)
  if (main.hears.some(pole => base(main.placed, pole) === passes)) return []
  return [
    finding(
      'signals',
      [terminalPoint(signal.placed.id, signal.passes!)],
      say`${name} passes no power on a pole of ${nameOf(compiled, main.device)}`,
    ),
  ]
}

/** Companions pressed together must not bring the main's line to its load by way of the signal. */
export function signalsBypass(compiled: Compiled, { metal }: Solution): Finding[] {
  const say = sayAbout(compiled.circuit)
  return compiled.hearings.flatMap(({ device, poles }) => {
    const [line, load] = poles
    if (line === undefined || load === undefined) return []
    const together =
      metal.find(line) === metal.find(load) && compiled.base.find(line) !== compiled.base.find(load)
    if (!together) return []
    const placed = compiled.circuit.devices[device]!
    const points = placed.model.signals.flatMap(({ hears }) =>
      hears.map(pole => terminalPoint(placed.id, pole)),
    )
    return [
      finding(
        'signals',
        points,
        say`pressed together, the other places join line and load of ${nameOf(compiled, device)} by way of the signal`,
        [points[0]!, points[1]!],
      ),
    ]
  })
}
