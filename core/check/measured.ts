import type { Load } from '../model/entities'
import type { Trade } from '../model/trade'
import type { RatingKind } from '../model/vocabulary'
import type { Question } from './place'

/** Loads measured in every unit a rating may use: at least so much, and just so much where all are known. */
export interface Total {
  readonly watts: number
  readonly voltAmperes: number
  readonly amps: number
  /** Null where the horsepower of any of them is not known. */
  readonly horsepower: number | null
  /** It stands on no plate: the size of the table that draws as much as a plate says. */
  readonly horsepowerByAmps: boolean
  /** False where the plate of any of them has not been read: that one counts as nothing above. */
  readonly known: boolean
  readonly powerFactorPrinted: boolean
}

export interface Measured extends Total {
  readonly kind: RatingKind
}

/**
 * All lamps of one row at the region's nominal volts. Amperes of a motor come from the table by its horsepower; else
 * from its plate's amperes, its volt-amperes, or its watts by the power factor. Watts that no plate gives are at most
 * the volt-amperes, and count as those where no power factor is printed.
 */
export function measured(question: Question, load: Load): Measured {
  const fact = question.trade.lamps[load.kind]
  const nominal = question.view.region.nominalVolts
  const { count } = load
  const table = load.horsepower === null ? null : motorAmps(question, load.horsepower)
  const plate =
    table ?? load.amperesEach ?? (load.voltAmperesEach === null ? null : load.voltAmperesEach / nominal)
  const factor = load.powerFactor ?? fact.powerFactorIfNotPrinted
  const each = plate ?? (load.wattsEach === null ? null : load.wattsEach / factor / nominal)
  const amps = (each ?? 0) * count
  const watts = load.wattsEach === null ? amps * nominal * (load.powerFactor ?? 1) : load.wattsEach * count
  const horsepower =
    load.horsepower ?? (fact.rating === 'motor' && plate !== null ? motorSize(question, plate) : null)
  return {
    kind: fact.rating,
    watts,
    voltAmperes: amps * nominal,
    amps,
    horsepower: horsepower === null ? null : horsepower * count,
    horsepowerByAmps: load.horsepower === null && horsepower !== null,
    known: each !== null,
    powerFactorPrinted: load.powerFactor !== null || factor === 1 || plate !== null || each === null,
  }
}

/** Watts that surely flow through the loads; null where a plate tells only what they may draw at most. */
export function leastWatts(loads: readonly Load[], nominalVolts: number): number | null {
  let sum = 0
  for (const { wattsEach, powerFactor, amperesEach, voltAmperesEach, count } of loads) {
    const plate = amperesEach === null ? voltAmperesEach : amperesEach * nominalVolts
    const each = wattsEach ?? (plate === null || powerFactor === null ? null : plate * powerFactor)
    if (each === null) return null
    sum += each * count
  }
  return sum
}

/** Full-load current of a motor by the common table: the next size up where it is not listed. */
function motorAmps(question: Question, horsepower: number): number | null {
  const row = question.trade.motors.find(each => each.horsepower >= horsepower - 1e-6)
  return row ? ampsOf(question, row) : null
}

/** The smallest size of the table that draws no less than a plate says; null where none does. */
const motorSize = (question: Question, amps: number): number | null =>
  question.trade.motors.find(each => ampsOf(question, each) >= amps - 1e-6)?.horsepower ?? null

const ampsOf = ({ view }: Question, row: Trade['motors'][number]): number =>
  view.region.nominalVolts > 150 ? row.amps230 : row.amps115

/** The loads of a place, or those of one kind, stay the same for every device. */
const sums = new WeakMap<readonly Load[], { readonly trade: Trade; readonly sum: Total }>()

export function sumOf(question: Question, loads: readonly Load[]): Total {
  const before = sums.get(loads)
  if (before?.trade === question.trade) return before.sum
  const sum = summed(question, loads)
  sums.set(loads, { trade: question.trade, sum })
  return sum
}

function summed(question: Question, loads: readonly Load[]): Total {
  const all = loads.map(load => measured(question, load))
  const add = (pick: (each: Measured) => number) => all.reduce((sum, each) => sum + pick(each), 0)
  return {
    watts: add(each => each.watts),
    voltAmperes: add(each => each.voltAmperes),
    amps: add(each => each.amps),
    horsepower: all.every(each => each.horsepower !== null) ? add(each => each.horsepower ?? 0) : null,
    horsepowerByAmps: all.some(each => each.horsepowerByAmps),
    known: all.every(each => each.known),
    powerFactorPrinted: all.every(each => each.powerFactorPrinted),
  }
}
