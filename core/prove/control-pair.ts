import { terminalPoint } from '../model/circuit'
import { sayAbout } from '../model/say-for'
import type { Compiled } from '../solve'
import { finding, nameOf, type Finding } from './finding'

const SIDES = ['plus', 'minus'] as const
type Side = (typeof SIDES)[number]

interface ControlPoint {
  readonly point: string
  readonly name: string
  readonly groupId: string
  readonly side: Side
  readonly of: 'device' | 'driver'
}

/**
 * A pair of low voltage joins the control of a light to its drivers, + to + and − to −, and nothing of it is one metal
 * with anything of the mains.
 */
export function controlPairs(compiled: Compiled): Finding[] {
  const say = sayAbout(compiled.circuit)
  const points = pointsOf(compiled)
  if (points.length === 0) return []
  const at = new Map<number, ControlPoint[]>()
  for (const each of points) {
    const net = compiled.net(each.point)
    at.set(net, [...(at.get(net) ?? []), each])
  }
  const mains = mainsPoints(compiled, new Set(points.map(({ point }) => point)))
  const met = mains.flatMap(point => {
    const [low] = at.get(compiled.net(point)) ?? []
    return low
      ? [
          finding(
            'control-pair',
            [low.point, point],
            say`the control pair of ${low.name} is joined to mains, at ${point}`,
          ),
        ]
      : []
  })
  const shorted = [...at.values()].flatMap(on =>
    (['device', 'driver'] as const).flatMap(of => {
      const [plus, minus] = SIDES.map(side => on.find(each => each.of === of && each.side === side))
      return plus && minus
        ? [
            finding(
              'control-pair',
              [plus.point, minus.point],
              say`+ and − of the control pair of ${plus.name} are joined`,
            ),
          ]
        : []
    }),
  )
  const driven = new Set(points.filter(each => each.of === 'device').map(({ groupId }) => groupId))
  const untold = points
    .filter(each => each.of === 'driver' && driven.has(each.groupId))
    .flatMap(driver => {
      const on = (at.get(compiled.net(driver.point)) ?? []).filter(
        each => each.of === 'device' && each.groupId === driver.groupId,
      )
      if (on.some(({ side }) => side === driver.side)) return []
      return [
        finding(
          'control-pair',
          [driver.point],
          on.length > 0
            ? say`+ and − of the control pair are reversed at ${driver.name}`
            : say`no level reaches ${driver.name}`,
        ),
      ]
    })
  return [...met, ...shorted, ...untold]
}

function pointsOf(compiled: Compiled): ControlPoint[] {
  const { devices, loads } = compiled.circuit
  return [
    ...devices.flatMap(({ id, groupId, model }, device) =>
      model.terminals.flatMap((terminal): ControlPoint[] => {
        const side = SIDES.find(each => terminal.wants === `control-${each}`)
        if (!side) return []
        const point = terminalPoint(id, terminal.id)
        return [{ point, name: nameOf(compiled, device), groupId, side, of: 'device' }]
      }),
    ),
    ...loads.flatMap(({ id, groupId, control }) =>
      control
        ? SIDES.map((side): ControlPoint => ({ point: control[side], name: id, groupId, side, of: 'driver' }))
        : [],
    ),
  ]
}

/** Everything that carries mains, or may. */
function mainsPoints({ circuit }: Compiled, control: ReadonlySet<string>): string[] {
  return [
    ...circuit.supplies.flatMap(({ hot, neutral, ground }) => [hot, neutral, ground]),
    ...circuit.loads.flatMap(({ hot, neutral, ground }) => [
      hot,
      neutral,
      ...(ground === null ? [] : [ground]),
    ]),
    ...circuit.devices.flatMap(({ id, model }) => model.terminals.map(each => terminalPoint(id, each.id))),
    ...circuit.bonds.map(({ point }) => point),
  ].filter(point => !control.has(point))
}
