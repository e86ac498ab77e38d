import { boxView } from '../job/box-view'
import { moves, stepOfKey } from '../model/step-name'
import type { JobRecord } from '../model/record'
import type { Guard } from '../job/transition'
import { fault, type Fault } from '../model/result'
import type { Row } from '../model/entities'
import {
  APART,
  ATTENDED,
  bareBehind,
  holdsBeforeLifting,
  holdsBeforeMoving,
  holdsBeforeStanding,
  isolationOf,
  LIFTED,
  liftedBehind,
  lockedBehind,
  MADE_SAFE,
  PUT_BACK,
  TOGETHER,
} from '../safety'
import type { Trade } from '../model/trade'
import { planBox } from './steps'
import { powerOf } from './prove-list'
import { isWiredFor } from './wired-for'
import { sayFor } from '../model/say-for'
import { type Say } from '../words/say'
import { failedBehind, holdsBeforeTest } from '../certificate'

/**
 * The hold points, for everyone who writes: a step that touches conductors is not ticked before the
 * box was read dead, and the power not switched on before the work is whole.
 */
export const holdPoints =
  (trade: Trade): Guard =>
  (before, after, changes, isBehind) => {
    const say = sayFor(before)
    return changes.flatMap((change): Fault[] => {
      if (change.entity === 'switchings' && change.before === null && change.after !== null) {
        const { circuitId, to, foundSo } = change.after as Row<'switchings'>
        const held = (says: string) => fault(`/switchings/${change.id}/to`, 'held', say`Not on yet: ${says}.`)
        return to === 'off' || foundSo
          ? []
          : [
              ...lockedBehind(after, circuitId).map(held),
              ...failedBehind(after, circuitId, trade).map(held),
              ...liftedBehind(after, circuitId).map(({ box, room }) =>
                held(say`the neutral of ${room.name}, ${box.name}, is off its bar`),
              ),
              ...bareBehind(after, circuitId).map(({ view: { box, room }, why }) =>
                held(`${room.name}, ${box.name} ${why}`),
              ),
            ]
      }
      if (change.entity === 'readings' && change.before !== null && change.after !== null)
        return putRightTooFar(
          change.id,
          change.before as Row<'readings'>,
          change.after as Row<'readings'>,
          say,
        )
      if (change.entity === 'circuitTests' && change.before === null && change.after !== null)
        return heldCircuitTest(before, change.id, change.after as Row<'circuitTests'>, trade)
      if (change.entity === 'tests' && change.before === null && change.after !== null)
        return heldTest(before, change.id, change.after as Row<'tests'>, trade)
      if (change.entity !== 'steps' || change.before !== null || change.after === null) return []
      const { boxId, stepKey } = change.after as Row<'steps'>
      const view = boxView(before, boxId)
      if (view && (stepKey === APART || stepKey === TOGETHER))
        return holdsBeforeMoving(view).map(why =>
          fault(`/steps/${change.id}/stepKey`, 'held', say`Conductors are not moved yet: ${why}.`),
        )
      if (view && (stepKey === MADE_SAFE || stepKey === ATTENDED))
        return holdsBeforeStanding(view, stepKey).map(why =>
          fault(`/steps/${change.id}/stepKey`, 'held', say`Not yet: ${why}.`),
        )
      if (view && stepKey === LIFTED)
        return holdsBeforeLifting(view).map(why =>
          fault(`/steps/${change.id}/stepKey`, 'held', say`Its neutral is not lifted yet: ${why}.`),
        )
      if (view && stepKey === PUT_BACK) return []
      const path = `/steps/${change.id}/stepKey`
      // What hands did is told, whatever others made of the plan meanwhile: that the box was dead is all it is held to.
      if (view && isBehind && moves(stepKey))
        return isolationOf(view).dead
          ? []
          : [fault(path, 'held', say`Held: ${say`the box was not read dead at every conductor`}`)]
      const step = view && planBox(view, trade).steps.find(each => each.key === stepKey)
      if (!step)
        return [
          fault(
            path,
            'no-such-step',
            stepOfKey(stepKey)
              ? say`The plan of this box is another one now: look at how it stands before anything is done on.`
              : say`this box has no step “${stepKey}”`,
          ),
        ]
      if (step.doneBy === 'record')
        return [fault(path, 'by-record', say`“${step.says}” is done by its readings, not by a tick`)]
      return step.holds.length > 0 ? [fault(path, 'held', say`Held: ${step.holds[0]}`)] : []
    })
  }

/** Nothing is proved before it is wired; what is read dead, before the power is back. */
function heldTest(before: JobRecord, id: string, { placeId, testKey }: Row<'tests'>, trade: Trade): Fault[] {
  const say = sayFor(before)

  const view = boxView(before, before.places[placeId]?.boxId ?? '')
  const wired = view ? isWiredFor(view, trade) : 'no'
  const early = wired === 'no' || (wired === 'hands-off' && powerOf(testKey) === 'on')
  return early
    ? [
        fault(
          `/tests/${id}/testKey`,
          'held',
          say`Nothing is proved before it is wired: the last step of Wire comes first.`,
        ),
      ]
    : []
}

/**
 * What hands rely on (the tester, the reference, dead, no current) is struck out and read again where it was misread:
 * a figure that is only said to have been another one makes nothing dead.
 */
function putRightTooFar(id: string, before: Row<'readings'>, after: Row<'readings'>, say: Say): Fault[] {
  const isOther =
    before.value !== after.value ||
    before.purpose !== after.purpose ||
    before.instrument !== after.instrument ||
    before.fromEndId !== after.fromEndId
  return isOther && (before.purpose !== 'identify' || after.purpose !== 'identify')
    ? [
        fault(
          `/readings/${id}/value`,
          'held',
          say`What hands rely on is struck out and read again, never put right.`,
        ),
      ]
    : []
}

/** A dead test of a circuit is none while the circuit is on, or may be switched on by anybody. */
function heldCircuitTest(record: JobRecord, id: string, row: Row<'circuitTests'>, trade: Trade): Fault[] {
  const say = sayFor(record)
  const circuit = record.circuits[row.circuitId]
  const rule = trade.circuitTests.find(({ kind }) => kind === row.kind)
  if (!circuit || !rule) return []
  return holdsBeforeTest(record, circuit, rule).map(why =>
    fault(`/circuitTests/${id}/kind`, 'held', say`Not yet: ${why}.`),
  )
}
