import { terminalPoint, type CircuitLoad } from '../model/circuit'
import { sayAbout } from '../model/say-for'
import { holds, type Compiled, type Solution, type State } from '../solve'
import { finding, nameOf, type Finding } from './finding'

/** The device that parts a load from all poles; −1 for none. */
const isolatorOf = ({ circuit }: Compiled, { isolatedBy }: CircuitLoad): number =>
  circuit.devices.findIndex(({ id }) => id === isolatedBy)

/** Whether a load is parted from all poles on purpose in a state. */
export function isIsolated(compiled: Compiled, state: State, load: CircuitLoad): boolean {
  if (load.isolatedBy === undefined) return false
  const off = compiled.devices[isolatorOf(compiled, load)]?.outOfService
  return off !== null && off !== undefined && holds(state, off)
}

/** What is isolated is one metal with no pole, neither by its hot side nor by its return. */
export function stillJoined(compiled: Compiled, { state, joined }: Solution): Finding[] {
  const say = sayAbout(compiled.circuit)
  const { loads, supplies } = compiled.circuit
  return loads.flatMap((load, at) => {
    if (!isIsolated(compiled, state, load)) return []
    const { hot, neutral } = compiled.loads[at]!
    const sides = [
      { net: hot, point: load.hot },
      { net: neutral, point: load.neutral },
    ]
    return sides.flatMap(({ net, point }) => {
      const own = joined.find(net)
      const pole = compiled.poles.flatMap((each, supply) => [
        ...(joined.find(each.hot) === own ? [supplies[supply]!.hot] : []),
        ...(joined.find(each.neutral) === own ? [supplies[supply]!.neutral] : []),
      ])[0]
      return pole === undefined
        ? []
        : [
            finding(
              'isolates',
              [point, pole],
              say`${nameOf(compiled, isolatorOf(compiled, load))} is off, and ${load.id} is still joined to ${pole}`,
              [pole, point],
            ),
          ]
    })
  })
}

/** What a point of a load is one metal with once its isolator is on, if it hangs on one of its poles; else itself. */
export function beforeIsolator(compiled: Compiled, load: CircuitLoad, net: number): number {
  const at = load.isolatedBy === undefined ? -1 : isolatorOf(compiled, load)
  const placed = compiled.circuit.devices[at]
  if (!placed) return net
  const on = (terminal: string) => compiled.net(terminalPoint(placed.id, terminal))
  const pole = Object.values(placed.model.isolates ?? {}).find(({ to }) => on(to) === net)
  return pole ? on(pole.from) : net
}
