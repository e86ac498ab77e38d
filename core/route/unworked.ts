import type { BoxView } from '../job/box-view'
import type { Unworked } from '../model/vocabulary'
import type { PlannedDevice } from './planned'

/**
 * Lights of some boxes that no terminal works any more, and what is left of each: the lamps that keys without wires
 * work stay fed; where every place is retired it is as somebody said.
 */
export function unworkedOf(
  views: readonly BoxView[],
  devices: readonly PlannedDevice[],
): ReadonlyMap<string, Unworked> {
  const left = new Map<string, Unworked>()
  for (const { group, workingInGroup } of views.flatMap(({ places }) => places)) {
    const own = devices.filter(({ groupId, model }) => groupId === group.id && !model.isolates)
    if (own.length > 0 && own.every(({ model }) => model.terminals.length === 0))
      left.set(group.id, 'always-on')
    else if (workingInGroup === 0) left.set(group.id, group.unworked)
  }
  return left
}

/** Those of them whose lamps are fed all the time. */
export const alwaysOn = (unworked: ReadonlyMap<string, Unworked>): readonly string[] =>
  [...unworked].flatMap(([groupId, left]) => (left === 'always-on' ? [groupId] : []))
