import { boxView, type BoxView, type EndView } from '../job/box-view'
import { rowsOf, type JobRecord } from '../model/record'
import { sharersOf } from '../model/ties'
import { clampedSinceOff } from './apart'
import type { ApproachStep } from './approach'
import { isolationOf } from './isolation'
import { isMade } from './ticks'
import { sayIn } from '../words/say'

/** Ticks of the Test stage: the neutral of a box’s circuit taken off its bar at the panel, and put back. */
export const LIFTED = 'test:lifted'
export const PUT_BACK = 'test:put-back'

/** Whether the neutral of a box’s circuit is off its bar at the panel, as far as was recorded. */
export const isLifted = (record: JobRecord, boxId: string): boolean => isMade(record, boxId, LIFTED, PUT_BACK)

/** What comes before the neutral of an end’s circuit is lifted at the panel: dead, and no current in it. */
export function approachToLift(view: BoxView, end: EndView): ApproachStep[] {
  return [
    ...(isolationOf(view).dead ? [] : [{ kind: 'make-dead', view } as const]),
    ...(clampedSinceOff(view).has(end.end.id) ? [] : [{ kind: 'clamp', view, end } as const]),
  ]
}

/** What still stands between a box and lifting the neutral of its circuit; in plain words. */
export function holdsBeforeLifting(view: BoxView): string[] {
  const say = sayIn(view.region)

  return [
    ...(isolationOf(view).dead ? [] : [say`the box was not read dead at every conductor`]),
    ...(clampedSinceOff(view).size > 0
      ? []
      : [say`no conductor was clamped at 0 A: another circuit may return by this neutral`]),
  ]
}

/**
 * Boxes whose neutral is off its bar while a breaker that feeds them, or the main switch (null), goes on:
 * what is fed by two circuits then gets what neither should give it.
 */
export function liftedBehind(record: JobRecord, circuitId: string | null): BoxView[] {
  return rowsOf(record, 'boxes').flatMap(({ id }) => {
    if (!isLifted(record, id)) return []
    const view = boxView(record, id)
    if (!view) return []
    const feeding = view.feeds.flatMap(({ circuit }) => [circuit, ...sharersOf(record, circuit)])
    const bears = circuitId === null || feeding.length === 0 || feeding.some(each => each.id === circuitId)
    return bears ? [view] : []
  })
}
