import type { BoxView, EndView } from '../job/box-view'
import { claimStatus } from '../identify'
import type { Row } from '../model/entities'
import { knewAll, type Placed } from '../model/placed'
import { rowsOf, rowsWith } from '../model/record'
import { looksLikeGround } from '../model/regions'
import { keyOfStep } from '../model/step-name'
import { CLAMP_SHOWS_AMPS, DEAD_VOLTS } from '../model/limits'
import { isolationOf } from './isolation'
import { isMade } from './ticks'
import { sayIn } from '../words/say'

/** Ticks of the Test stage: the conductors of a box taken apart to be read one by one, and put back. */
export const APART = 'test:apart'
export const TOGETHER = 'test:together'

/** Whether the conductors of a box are apart, as far as was recorded: put back as they were, or wired and folded in. */
export const isApart = ({ record, box }: Pick<BoxView, 'record' | 'box'>): boolean =>
  isMade(record, box.id, APART, TOGETHER, keyOfStep({ kind: 'fold' }))

/**
 * Conductors of joints that may carry another circuit’s return and were not clamped since the power went off: opened,
 * the load side of one can stand at line voltage though everything here reads dead.
 */
export function toClamp(view: BoxView): EndView[] {
  const clamped = clampedSinceOff(view)
  return view.joints.flatMap(({ id }) => mayReturnIn(view, id).filter(({ end }) => !clamped.has(end.id)))
}

/**
 * Conductors of a joint that may be another circuit’s return, whatever their colour: all but a ground and what was
 * proven to be something else. What somebody says it is, or its colour, clears none.
 */
export function mayReturnIn(view: BoxView, jointId: string): EndView[] {
  const members = view.ends.filter(({ end }) => end.jointId === jointId)
  return members.length < 2 ? [] : members.filter(each => mayReturn(view, each))
}

function mayReturn(view: BoxView, each: EndView): boolean {
  if (looksLikeGround(view.region, each.conductor)) return false
  const { role, proof } = claimStatus(view, each)
  return role === 'neutral' || proof !== 'proven'
}

/**
 * Conductors that may be another circuit’s return and were let out of their joint, but not read to ground since: only
 * then does the far side of an open neutral show what stands on it.
 */
export function toReadParted(view: BoxView): EndView[] {
  return view.joints.flatMap(({ id }) => {
    const ticks = partings(view, id)
    return ticks.length === 0
      ? []
      : mayReturnIn(view, id).filter(({ end }) => !isReadSince(view, end.id, ticks))
  })
}

/** Ticks by which the conductors of a joint are apart, all of the box or this joint alone; none while they are together. */
function partings(view: BoxView, jointId: string): Row<'steps'>[] {
  const keys = [...(isApart(view) ? [APART] : []), keyOfStep({ kind: 'part', jointId })]
  return rowsWith(view.record, 'steps', 'boxId', view.box.id).filter(({ stepKey }) => keys.includes(stepKey))
}

export const isPartedIn = (view: BoxView, jointId: string): boolean => partings(view, jointId).length > 0

const isReadSince = ({ readings }: BoxView, endId: string, ticks: readonly Placed[]): boolean =>
  readings.some(
    reading =>
      reading.purpose === 'dead' &&
      reading.instrument === 'low-impedance-meter' &&
      reading.fromEndId === endId &&
      reading.value <= DEAD_VOLTS &&
      knewAll(reading, ticks),
  )

/** Ends that a clamp meter found without current since the power of their box went off, by one that shows small ones. */
export function clampedSinceOff(view: BoxView): ReadonlySet<string | null> {
  const offs = rowsOf(view.record, 'switchings').filter(
    ({ to, circuitId }) =>
      to === 'off' && (circuitId === null || view.feeds.some(each => each.circuit.id === circuitId)),
  )
  return new Set(
    view.readings
      .filter(
        reading =>
          reading.purpose === 'clamp' &&
          reading.value === 0 &&
          reading.resolutionAmps !== null &&
          reading.resolutionAmps <= CLAMP_SHOWS_AMPS &&
          knewAll(reading, offs),
      )
      .map(({ fromEndId }) => fromEndId),
  )
}

/** What still stands between a box and taking its conductors apart, or putting them back; in plain words. */
export function holdsBeforeMoving(view: BoxView): string[] {
  const say = sayIn(view.region)

  const { dead, needs } = isolationOf(view)
  return [
    ...(dead
      ? []
      : [
          needs.length > 0
            ? say`the box was not read dead at every conductor`
            : say`the box has no conductors`,
        ]),
    ...toClamp(view).map(
      ({ name }) => say`${name} was not clamped at 0 A: its joint may carry another circuit’s return`,
    ),
    ...toReadParted(view).map(({ name }) => say`${name} was not read to ground since it was parted`),
  ]
}
