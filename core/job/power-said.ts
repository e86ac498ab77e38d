import type { Breaker, Reading, Switching } from '../model/entities'
import { houseRule } from '../model/house-rules'
import { atOnce } from '../model/placed'
import { rowsOf, type JobRecord } from '../model/record'
import { sharersOf } from '../model/ties'
import type { BoxView } from './box-view'
import { isLiveReading } from './taken-back'
import { tiedBoxes } from './tied'

/** All that says the power of a box was on: switchings, found so or struck out too, and readings of something live. */
export function onsOf(view: BoxView, toSwitchOff = mustBeOff(view)): (Switching | Reading)[] {
  return [
    ...rowsOf(view.record, 'switchings').filter(each => bearsOn(toSwitchOff, each, 'on')),
    ...[...view.readings, ...view.struckReadings].filter(isLiveReading),
  ]
}

/** What was switched off that may feed a box. */
export const offsOf = (view: BoxView, toSwitchOff = mustBeOff(view)): Switching[] =>
  rowsOf(view.record, 'switchings').filter(each => bearsOn(toSwitchOff, each, 'off'))

/**
 * Known feeds by their breakers, and the circuits that conductors in it are taken for; the main switch where the house
 * rule says so or nothing is known.
 */
export function mustBeOff(view: BoxView): (Breaker | null)[] {
  const always = houseRule(view.record, 'isolation') === 'main'
  if (always || view.feeds.length === 0) return [null]
  const named = view.ends.flatMap(({ end }) => view.record.circuits[end.roleCircuitId ?? ''] ?? [])
  const circuits = [...view.feeds.map(each => each.circuit), ...named]
  const tied = circuits.flatMap(circuit => sharersOf(view.record, circuit))
  return [...new Map([...circuits, ...tied].map(circuit => [circuit.id, circuit])).values()]
}

/** Whether a switching bears on what must be off; the main switch bears on everything. */
export function bearsOn(
  circuits: readonly (Breaker | null)[],
  switching: Switching,
  to: 'on' | 'off',
): boolean {
  if (switching.to !== to) return false
  return (
    switching.circuitId === null ||
    circuits.some(circuit => circuit === null || circuit.id === switching.circuitId)
  )
}

type InDoubt = (reading: Reading) => boolean

/**
 * Tells of the readings of a box, and of those that hang together with it, whether nobody knows in which state one was
 * taken: somebody else, who did not know of it, switched meanwhile what it rests on. What it read may be so of the other
 * state.
 */
export function inDoubtAt({ record, box }: BoxView): InDoubt {
  let known = doubts.get(record)
  if (!known) doubts.set(record, (known = new Map()))
  const before = known.get(box.id)
  if (before) return before
  const views = tiedBoxes(record, box.id)
  const ons = views.flatMap(view => onsOf(view))
  const offs = views.flatMap(view => offsOf(view))
  const isInDoubt: InDoubt = reading =>
    (reading.breaker === 'on' ? offs : ons).some(each => atOnce(reading, each))
  for (const view of views) known.set(view.box.id, isInDoubt)
  return isInDoubt
}

/** Readings of a box of which it is known in which state they were taken. */
export const readingsInNoDoubt = (view: BoxView): readonly Reading[] => {
  const isInDoubt = inDoubtAt(view)
  return view.readings.filter(reading => !isInDoubt(reading))
}

/** A record never changes, so it is looked through once. */
const doubts = new WeakMap<JobRecord, Map<string, InDoubt>>()
