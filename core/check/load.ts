import type { Load } from '../model/entities'
import type { Rating } from '../model/device'
import type { Trade } from '../model/trade'
import type { RatingKind } from '../model/vocabulary'
import { figure } from '../model/units'
import { finLines, limitWith, orderCure, orderThatBears, sidesOff, type SidesOff } from './fins'
import { against, line, type Cure, type Line } from './line'
import type { Question } from './place'
import { remembered } from './remembered'

/** A load measured in every unit a rating may use. */
export interface Measured {
  readonly kind: RatingKind
  readonly watts: number
  readonly voltAmperes: number
  readonly amps: number
  readonly horsepower: number | null
  readonly powerFactorPrinted: boolean
}

/** Watts, VA and amperes of all lamps of one row, at the region's nominal volts. */
export function measured(question: Question, load: Load): Measured {
  const fact = question.trade.lamps[load.kind]
  const watts = load.wattsEach * load.count
  const powerFactor = load.powerFactor ?? fact.powerFactorIfNotPrinted
  const nominal = question.view.region.nominalVolts
  const table = load.horsepower === null ? null : motorAmps(question, load.horsepower)
  const amps = table === null ? watts / powerFactor / nominal : table * load.count
  return {
    kind: fact.rating,
    watts,
    voltAmperes: amps * nominal,
    amps,
    horsepower: load.horsepower === null ? null : load.horsepower * load.count,
    powerFactorPrinted: load.powerFactor !== null || fact.powerFactorIfNotPrinted === 1 || table !== null,
  }
}

/** Full-load current of a motor by the common table: the next size up where it is not listed. */
function motorAmps(question: Question, horsepower: number): number | null {
  const row = question.trade.motors.find(each => each.horsepower >= horsepower - 1e-6)
  if (!row) return null
  return question.view.region.nominalVolts > 150 ? row.amps230 : row.amps115
}

const WORDS: Readonly<Record<RatingKind, string>> = {
  tungsten: 'tungsten',
  led: 'LED',
  'electronic-transformer': 'electronic transformer',
  'magnetic-transformer': 'magnetic transformer',
  'electronic-ballast': 'electronic ballast',
  inductive: 'inductive',
  motor: 'motor',
  general: 'general',
}

interface Share {
  readonly line: Line
  readonly fraction: number
}

/** Each kind against its own rating, the general rating in amperes, and the sum of the fractions. */
export function loadLines(question: Question): Line[] {
  const { loads } = question.place
  if (loads.length === 0)
    return [
      line('load', 'not-known', 'No lamps are recorded for this control.', 'load-by-kind', {
        settledBy: 'Record the lamps: kind, watts, count.',
      }),
    ]
  const sides = sidesOff(question)
  const kinds = byKind(question)
  const shares = kinds.map(([kind, of]) => sharesOf(question, kind, of, sides))
  return [
    ...finLines(question),
    ...shares.flat().map(share => share.line),
    ...(shares.length > 1
      ? [sumLine(shares.map(each => Math.max(...each.map(({ fraction }) => fraction))))]
      : []),
    ...generalLines(
      question,
      kinds.map(([kind]) => kind),
    ),
  ]
}

/** The loads of a place by the kind of rating they are compared with. */
const byKind = remembered(({ place }: Question) => place, kindsOf)

function kindsOf({ place, trade }: Question): readonly (readonly [RatingKind, readonly Load[]])[] {
  const kindOf = (load: Load) => trade.lamps[load.kind].rating
  return [...new Set(place.loads.map(kindOf))].map(kind => [
    kind,
    place.loads.filter(load => kindOf(load) === kind),
  ])
}

/** Whether a device bears the load of its place with so many sides of fins broken off. */
const bears = (question: Question, sides: SidesOff): boolean =>
  byKind(question).reduce((sum, [kind, loads]) => {
    const held = heldAgainst(question, kind, loads, sides)
    const fractions = held.map(({ value, limit }) => (value ?? 0) / limit)
    return sum + (held.length > 0 ? Math.max(...fractions) : Infinity)
  }, 0) <=
  1 + 1e-9

interface Held {
  readonly rating: Rating
  readonly isGeneral: boolean
  readonly total: Omit<Measured, 'kind'>
  /** Null where it is not known. */
  readonly value: number | null
  readonly limit: number
}

/** Loads of one kind in the unit of each rating that counts for them, since all hold; none where the device has none. */
function heldAgainst(question: Question, kind: RatingKind, loads: readonly Load[], sides: SidesOff): Held[] {
  const of = (wanted: RatingKind) => question.device.ratings.filter(rating => rating.kind === wanted)
  const own = of(kind)
  const ratings = own.length > 0 || kind === 'motor' ? own : of('general')
  const total = sumOf(question, loads)
  return ratings.map(rating => ({
    rating,
    isGeneral: own.length === 0,
    total,
    value: inUnit(total, rating),
    limit: limitWith(rating, sides),
  }))
}

/** The loads of a place, or those of one kind, stay the same for every device. */
const sums = new WeakMap<readonly Load[], { readonly trade: Trade; readonly sum: Omit<Measured, 'kind'> }>()

function sumOf(question: Question, loads: readonly Load[]): Omit<Measured, 'kind'> {
  const known = sums.get(loads)
  if (known?.trade === question.trade) return known.sum
  const sum = summed(question, loads)
  sums.set(loads, { trade: question.trade, sum })
  return sum
}

function summed(question: Question, loads: readonly Load[]): Omit<Measured, 'kind'> {
  const all = loads.map(load => measured(question, load))
  const add = (pick: (each: Measured) => number) => all.reduce((sum, each) => sum + pick(each), 0)
  return {
    watts: add(each => each.watts),
    voltAmperes: add(each => each.voltAmperes),
    amps: add(each => each.amps),
    horsepower: all.every(each => each.horsepower !== null) ? add(each => each.horsepower ?? 0) : null,
    powerFactorPrinted: all.every(each => each.powerFactorPrinted),
  }
}

function sharesOf(
  question: Question,
  kind: RatingKind,
  loads: readonly Load[],
  sides: SidesOff,
): readonly Share[] {
  const held = heldAgainst(question, kind, loads, sides)
  if (held.length > 0) return held.map(each => shareOf(question, kind, loads, each))
  return [
    {
      fraction: Infinity,
      line: line(
        'load-kind',
        'does-not-fit',
        `Not rated for ${WORDS[kind]} loads.`,
        kind === 'motor' ? 'motor' : 'load-by-kind',
        {
          cures: [
            {
              id: 'rated-kind',
              says: `Take a device with a ${WORDS[kind]} rating.`,
              price: 0,
              minutes: 0,
              here: false,
            },
          ],
        },
      ),
    },
  ]
}

function shareOf(question: Question, kind: RatingKind, loads: readonly Load[], held: Held): Share {
  const { rating, total, value, limit } = held
  if (value === null)
    return {
      fraction: 0,
      line: line('load-kind', 'not-known', 'The motor’s horsepower is not recorded.', 'motor-table', {
        limit,
        unit: rating.unit,
        settledBy: 'Read the horsepower on the motor’s plate.',
      }),
    }
  const figures = against(value, limit, rating.unit)
  const digits = rating.unit === 'hp' ? 2 : 1
  const words = `${figure(value, digits)} of ${figure(limit, digits)} ${rating.unit}, ${WORDS[kind]} rating${
    held.isGeneral ? ' (by the general rating)' : ''
  }${limit < rating.limit ? `, ${figure(rating.limit, digits)} with its fins` : ''}`
  const assumed =
    rating.unit === 'W' || total.powerFactorPrinted || rating.unit === 'hp' ? '' : notPrinted(question, loads)
  const over = value > limit + 1e-9
  const order = over && value <= rating.limit + 1e-9 ? anotherOrder(question) : []
  return {
    fraction: value / limit,
    line: line(
      'load-kind',
      !over ? 'fits' : order.length > 0 ? 'fits-if' : 'does-not-fit',
      over
        ? `${words}: too much.${assumed}`
        : `${words}, ${figure(figures.spare * 100, 0)} % spare.${assumed}`,
      'load-by-kind',
      { ...figures, cures: over ? [...order, ...overloadCures(loads, value, { ...rating, limit })] : [] },
    ),
  }
}

/** The order of the gangs in which all bear their loads, where there is one. */
function anotherOrder(question: Question): Cure[] {
  const order = orderThatBears(question, (place, device, sides) =>
    bears({ ...question, place, device }, sides),
  )
  return order ? [orderCure(order)] : []
}

/** Fewer watts, or a device that carries more; how many lamps it would carry as they are. */
function overloadCures(loads: readonly Load[], value: number, rating: Rating): Cure[] {
  const count = loads.reduce((sum, load) => sum + load.count, 0)
  const carries = Math.floor((rating.limit / value) * count + 1e-9)
  return [
    {
      id: 'larger-device',
      says: `Take a device rated for ${figure(value)} ${rating.unit} or more.`,
      price: 0,
      minutes: 0,
      here: false,
    },
    {
      id: 'less-load',
      says:
        carries >= 1
          ? `It carries ${carries} of the ${count} lamps; or lamps of at most ${figure(rating.limit / count)} ${rating.unit} each.`
          : `Lamps of at most ${figure(rating.limit / count)} ${rating.unit} each.`,
      price: 0,
      minutes: 0,
      here: false,
    },
  ]
}

function inUnit(total: Omit<Measured, 'kind'>, rating: Rating): number | null {
  switch (rating.unit) {
    case 'W':
      return total.watts
    case 'VA':
      return total.voltAmperes
    case 'A':
      return total.amps
    case 'hp':
      return total.horsepower
  }
}

/** What the power factor of lamps counts as where nobody has read it. */
function notPrinted({ trade }: Question, loads: readonly Load[]): string {
  const assumed = loads
    .filter(({ powerFactor, horsepower }) => powerFactor === null && horsepower === null)
    .map(({ kind }) => trade.lamps[kind].powerFactorIfNotPrinted)
    .filter(factor => factor !== 1)
  const factors = [...new Set(assumed)].sort().map(factor => figure(factor, 2))
  return ` Power factor not printed, counted as ${factors.join(' and ')}.`
}

function sumLine(fractions: readonly number[]): Line {
  const percent = fractions.reduce((sum, each) => sum + each, 0) * 100
  const over = percent > 100 + 1e-9
  if (!Number.isFinite(percent))
    return line('load-sum', 'does-not-fit', 'One of the kinds has no rating, so there is no sum.', 'load-sum')
  return line(
    'load-sum',
    over ? 'does-not-fit' : 'fits',
    `Kinds together: ${figure(percent, percent > 99 && percent < 101 ? 1 : 0)} % of the rating.`,
    'load-sum',
    { ...against(percent, 100, '%'), cures: over ? sumCures(percent) : [] },
  )
}

/** Less of it, or a device that carries more of each kind. */
function sumCures(percent: number): Cure[] {
  const cure = (id: string, says: string): Cure => ({ id, says, price: 0, minutes: 0, here: false })
  return [
    cure('larger-device', `Take a device of ${figure(percent / 100, 2)} times these ratings or more.`),
    cure('less-load', `Take lamps of ${figure((100 / percent) * 100, 0)} % of their watts, or fewer.`),
  ]
}

/** The general rating takes the whole current; VA are shown beside it. */
function generalLines(question: Question, kinds: readonly RatingKind[]): Line[] {
  const rating = question.device.ratings.find(each => each.kind === 'general')
  if (!rating || rating.unit !== 'A') return []
  const hasOwn = kinds.some(kind => question.device.ratings.some(each => each.kind === kind))
  if (!hasOwn) return []
  const total = sumOf(question, question.place.loads)
  const volts = question.view.region.nominalVolts
  const over = total.amps > rating.limit + 1e-9
  const assumed = total.powerFactorPrinted ? '' : notPrinted(question, question.place.loads)
  return [
    line(
      'load-general',
      over ? 'does-not-fit' : 'fits',
      `${figure(total.voltAmperes)} of ${figure(rating.limit * volts)} VA, general rating (${figure(total.amps, 2)} of ${figure(rating.limit, 2)} A).${assumed}`,
      'power-factor',
      against(total.voltAmperes, rating.limit * volts, 'VA'),
    ),
  ]
}
