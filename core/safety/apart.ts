import type { BoxView, EndView } from '../job/box-view'
import { rowsOf } from '../model/record'
import { mayBeNeutral } from '../model/regions'
import { isolationOf } from './isolation'
import { lastTicked } from './ticks'

/** Ticks of the Test stage: the conductors of a box taken apart to be read one by one, and put back. */
export const APART = 'test:apart'
export const TOGETHER = 'test:together'

/** Whether the conductors of a box are apart, as far as was recorded. */
export const isApart = ({ record, box }: BoxView): boolean => lastTicked(record, box.id, APART, TOGETHER)

/**
 * One conductor of each joint that may carry another circuit’s return and was not clamped since the power
 * went off: opened, its load side can stand at line voltage though everything here reads dead.
 */
export function toClamp(view: BoxView): EndView[] {
  const { region } = view
  const clamped = clampedSinceOff(view)
  return view.joints.flatMap(({ id }) => {
    const members = view.ends.filter(({ end }) => end.jointId === id)
    const mayReturn = members.filter(
      ({ end, conductor }) =>
        end.role === 'neutral' || (end.role === null && mayBeNeutral(region, conductor)),
    )
    const [first] = mayReturn
    if (!first || members.length < 2 || members.some(({ end }) => clamped.has(end.id))) return []
    return [first]
  })
}

/** Ends that a clamp meter found without current since the power of their box went off. */
export function clampedSinceOff(view: BoxView): ReadonlySet<string | null> {
  const { record } = view
  const offSince = Math.max(
    0,
    ...rowsOf(record, 'switchings')
      .filter(
        ({ to, circuitId }) =>
          to === 'off' && (circuitId === null || view.feeds.some(each => each.circuit.id === circuitId)),
      )
      .map(({ seq }) => seq),
  )
  return new Set(
    view.readings
      .filter(({ purpose, value, seq }) => purpose === 'clamp' && value === 0 && seq > offSince)
      .map(({ fromEndId }) => fromEndId),
  )
}

/** What still stands between a box and taking its conductors apart, or putting them back; in plain words. */
export function holdsBeforeMoving(view: BoxView): string[] {
  const { dead, needs } = isolationOf(view)
  return [
    ...(dead
      ? []
      : [needs.length > 0 ? 'the box was not read dead at every conductor' : 'the box has no conductors']),
    ...toClamp(view).map(
      ({ name }) => `${name} was not clamped at 0 A: its joint may carry another circuit’s return`,
    ),
  ]
}
