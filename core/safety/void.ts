import type { BoxView } from '../job/box-view'
import { offsOf, onsOf } from '../job/power-said'
import type { Reading, Row, Switching } from '../model/entities'
import { atOnce, knew, type Placed } from '../model/placed'
import { rowsWith } from '../model/record'
import { stepOfKey } from '../model/step-name'
import { APART, TOGETHER } from './apart'
import { MADE_SAFE } from './stand'

/** Something that says the power was on, and what was done meanwhile by somebody who did not know of it. */
export interface Voided {
  readonly on: Switching | Reading
  /** Readings that rested on the power being off, or on its not having been on. */
  readonly readings: readonly Reading[]
  readonly offs: readonly Switching[]
  readonly ticks: readonly Row<'steps'>[]
}

/** Steps that have no hand on a conductor. */
const HANDS_OFF: ReadonlySet<string> = new Set(['photo', 'power'])
const ALSO_BY_HAND: ReadonlySet<string> = new Set([APART, TOGETHER, MADE_SAFE])

/** Whether a tick says that somebody had his hands in a box. */
export const byHand = (stepKey: string): boolean => {
  const name = stepOfKey(stepKey)
  return name === null ? ALSO_BY_HAND.has(stepKey) : !HANDS_OFF.has(name.kind)
}

const RESTS: ReadonlySet<Reading['purpose']> = new Set(['tester', 'reference', 'dead', 'clamp'])
const restsOnOff = ({ purpose, breaker }: Reading): boolean => RESTS.has(purpose) || breaker === 'off'

/**
 * What counts no more because the power may have been on: who did it did not know that it was switched on, and who
 * switched it on did not know of what was done. Left out is what is over: it was switched off since, in the knowledge of it,
 * and only steps are looked at again.
 */
export function voidedIn(view: BoxView): Voided[] {
  const offs = offsOf(view)
  const ticks = ticksOf(view).filter(({ stepKey }) => byHand(stepKey))
  return onsOf(view).flatMap(on => {
    const meanwhile = <Of extends Placed>(rows: readonly Of[]) => rows.filter(row => atOnce(row, on))
    const isOver = offs.some(off => knew(off, on))
    const found: Voided = {
      on,
      readings: isOver ? [] : meanwhile(view.readings.filter(restsOnOff)),
      offs: isOver ? [] : meanwhile(offs),
      ticks: meanwhile(ticks).filter(tick => !isDoneAgain(tick, ticks, on)),
    }
    return found.readings.length + found.offs.length + found.ticks.length > 0 ? [found] : []
  })
}

const isDoneAgain = (tick: Row<'steps'>, ticks: readonly Row<'steps'>[], on: Placed): boolean =>
  ticks.some(each => each.stepKey === tick.stepKey && knew(each, on))

/** Ticks of a box that count: no hand was on it while somebody else may have switched the power on. */
export function ticksThatCount(view: BoxView): Row<'steps'>[] {
  const ons = onsOf(view)
  return ticksOf(view).filter(tick => !byHand(tick.stepKey) || !ons.some(on => atOnce(tick, on)))
}

const ticksOf = ({ record, box }: BoxView) => rowsWith(record, 'steps', 'boxId', box.id)
