import { keyOfTerminal } from '../model/terminal-key'
import type { BoxView } from '../job/box-view'
import type { RoutedBox } from './planned'
import { sayIn } from '../words/say'

/** What of one net is in one box. */
export interface NetInBox {
  readonly boxId: string
  readonly name: string
  /** Conductor ends on it, with where each leads. */
  readonly ends: readonly {
    readonly id: string
    readonly conductorId: string
    readonly name: string
    readonly leadsTo: string | null
  }[]
  /** Terminals and leads on it, in their devices’ words. */
  readonly terminals: readonly string[]
  readonly isJoint: boolean
}

/** The whole path of one net through boxes that hang together: from cable to cable, box by box. */
export function netPath(
  boxes: readonly { readonly view: BoxView; readonly routed: RoutedBox }[],
  netId: string,
): NetInBox[] {
  return boxes.flatMap(({ view, routed }): NetInBox[] => {
    const say = sayIn(view.region)

    const ends = view.ends.filter(({ end }) => routed.netOfEnd[end.id] === netId)
    const terminals = routed.devices.flatMap(({ placeId, gang, model }) =>
      model.terminals
        .filter(({ id }) => routed.netOfTerminal[keyOfTerminal({ placeId, terminalId: id })] === netId)
        .map(({ word }) => (routed.devices.length > 1 ? say`“${word}” of gang ${gang}` : `“${word}”`)),
    )
    if (ends.length + terminals.length === 0) return []
    return [
      {
        boxId: view.box.id,
        name: `${view.room.name}, ${view.box.name}`,
        ends: ends.map(each => ({
          id: each.end.id,
          conductorId: each.conductor.id,
          name: each.name,
          leadsTo: leadsTo(boxes, view, each.conductor.id),
        })),
        terminals,
        isJoint: routed.joints.some(joint => joint.netId === netId),
      },
    ]
  })
}

function leadsTo(
  boxes: readonly { readonly view: BoxView }[],
  from: BoxView,
  conductorId: string,
): string | null {
  const say = sayIn(from.region)

  const other = boxes.find(
    ({ view }) => view !== from && view.ends.some(({ conductor }) => conductor.id === conductorId),
  )
  if (other) return `${other.view.room.name}, ${other.view.box.name}`
  const far = from.ends.find(({ conductor }) => conductor.id === conductorId)?.cable.far
  return far === 'panel' ? say`the panel` : far === 'luminaire' ? say`the luminaire` : null
}
