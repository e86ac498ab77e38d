import type { Load } from '../model/entities'
import type { Rating } from '../model/device'
import type { RatingKind } from '../model/vocabulary'
import { figure } from '../model/units'
import { finLines, limitWith, orderCure, orderThatBears, sidesOff, type SidesOff } from './fins'
import { against, askedOf, line, type Cure, type Line } from './line'
import { measured, sumOf, type Total } from './measured'
import type { Question } from './place'
import { remembered } from './remembered'
import { startLines } from './starts'
import { sayIn, type Say } from '../words/say'

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
  /** False where the fraction is what is known of it, and more may come. */
  readonly known: boolean
}

/** Each kind against its own rating, the general rating in amperes, and the sum of the fractions. */
export function loadLines(question: Question): Line[] {
  const say = sayIn(question.view.region)

  const { loads } = question.place
  if (loads.length === 0)
    return [
      line('load', 'not-known', say`No lamps are recorded for this control.`, 'load-by-kind', {
        settledBy: say`Record the lamps: kind, watts, count.`,
      }),
    ]
  const sides = sidesOff(question)
  const kinds = byKind(question)
  const shares = kinds.map(([kind, of]) => sharesOf(question, kind, of, sides))
  return [
    ...finLines(question),
    ...shares.flat().map(share => share.line),
    ...startLines(question),
    ...(shares.length > 1 ? [sumLine(question, shares.map(worstOf))] : []),
    ...generalLines(
      question,
      kinds.map(([kind]) => kind),
    ),
  ]
}

const worstOf = (shares: readonly Share[]): Pick<Share, 'fraction' | 'known'> => ({
  fraction: Math.max(...shares.map(({ fraction }) => fraction)),
  known: shares.every(({ known }) => known),
})

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
  readonly total: Total
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

function sharesOf(
  question: Question,
  kind: RatingKind,
  loads: readonly Load[],
  sides: SidesOff,
): readonly Share[] {
  const say = sayIn(question.view.region)

  const held = heldAgainst(question, kind, loads, sides)
  if (held.length > 0) return held.map(each => shareOf(question, kind, loads, each))
  return [
    {
      fraction: Infinity,
      known: true,
      line: line(
        'load-kind',
        'does-not-fit',
        say`Not rated for ${say(WORDS[kind])} loads.`,
        kind === 'motor' ? 'motor' : 'load-by-kind',
        {
          cures: [
            {
              id: 'rated-kind',
              says: say`Take a device with a ${say(WORDS[kind])} rating.`,
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
  const say = sayIn(question.view.region)

  const { rating, total, value, limit } = held
  if (value === null)
    return {
      fraction: 0,
      known: false,
      line: line(
        'load-kind',
        'not-known',
        say`Neither horsepower nor amperes of the motor are recorded.`,
        'motor-table',
        {
          limit,
          unit: rating.unit,
          settledBy: say`Read the horsepower or the amperes on the motor’s plate.`,
          asked: askedOf(
            'motor',
            loads.filter(each => measured(question, each).horsepower === null),
          ),
        },
      ),
    }
  const figures = against(value, limit, rating.unit)
  const digits = rating.unit === 'hp' ? 2 : 1
  const words = say`${figure(value, digits)} of ${figure(limit, digits)} ${rating.unit}, ${say(WORDS[kind])} rating${held.isGeneral ? say` (by the general rating)` : ''}${rating.unit === 'hp' && total.horsepowerByAmps ? say`, by the table for its amperes` : ''}${limit < rating.limit ? say`, ${figure(rating.limit, digits)} with its fins` : ''}`
  const assumed =
    rating.unit === 'W' || total.powerFactorPrinted || rating.unit === 'hp' ? '' : notPrinted(question, loads)
  const over = value > limit + 1e-9
  if (!over && !total.known && rating.unit !== 'hp')
    return {
      fraction: value / limit,
      known: false,
      line: line('load-kind', 'not-known', say`${words}, as far as it is known.${assumed}`, 'load-by-kind', {
        ...figures,
        spare: null,
        ...plates(question, say),
      }),
    }
  const order = over && value <= rating.limit + 1e-9 ? anotherOrder(question) : []
  return {
    fraction: value / limit,
    known: true,
    line: line(
      'load-kind',
      !over ? 'fits' : order.length > 0 ? 'fits-if' : 'does-not-fit',
      over
        ? say`${words}: too much.${assumed}`
        : say`${words}, ${figure(figures.spare * 100, 0)} % spare.${assumed}`,
      'load-by-kind',
      {
        ...figures,
        cures: over ? [...order, ...overloadCures(loads, value, { ...rating, limit }, say)] : [],
      },
    ),
  }
}

/** The order of the gangs in which all bear their loads, where there is one. */
function anotherOrder(question: Question): Cure[] {
  const order = orderThatBears(question, (place, device, sides) =>
    bears({ ...question, place, device }, sides),
  )
  return order ? [orderCure(order, question.trade.minutes['gang-order'], sayIn(question.view.region))] : []
}

/** Whose plates have not been read, and that they should be. */
const plates = (question: Question, say: Say) => ({
  settledBy: say`Read the watts, amperes or volt-amperes of each kind of lamp or plate.`,
  asked: askedOf(
    'draws',
    question.place.loads.filter(each => !measured(question, each).known),
  ),
})

/** Fewer watts, or a device that carries more; how many lamps it would carry as they are. */
function overloadCures(loads: readonly Load[], value: number, rating: Rating, say: Say): Cure[] {
  const count = loads.reduce((sum, load) => sum + load.count, 0)
  const carries = Math.floor((rating.limit / value) * count + 1e-9)
  return [
    {
      id: 'larger-device',
      says: say`Take a device rated for ${figure(value)} ${rating.unit} or more.`,
      price: 0,
      minutes: 0,
      here: false,
    },
    {
      id: 'less-load',
      says:
        carries >= 1
          ? say`It carries ${carries} of the ${count} lamps; or lamps of at most ${figure(rating.limit / count)} ${rating.unit} each.`
          : say`Lamps of at most ${figure(rating.limit / count)} ${rating.unit} each.`,
      price: 0,
      minutes: 0,
      here: false,
    },
  ]
}

function inUnit(total: Total, rating: Rating): number | null {
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
function notPrinted({ view, trade }: Question, loads: readonly Load[]): string {
  const say = sayIn(view.region)
  const assumed = loads
    .filter(
      load =>
        load.powerFactor === null &&
        load.horsepower === null &&
        load.amperesEach === null &&
        load.voltAmperesEach === null &&
        load.wattsEach !== null,
    )
    .map(({ kind }) => trade.lamps[kind].powerFactorIfNotPrinted)
    .filter(factor => factor !== 1)
  const factors = [...new Set(assumed)].sort().map(factor => figure(factor, 2))
  return say` Power factor not printed, counted as ${factors.join(say` and `)}.`
}

function sumLine(question: Question, fractions: readonly Pick<Share, 'fraction' | 'known'>[]): Line {
  const say = sayIn(question.view.region)

  const percent = fractions.reduce((sum, { fraction }) => sum + fraction, 0) * 100
  const over = percent > 100 + 1e-9
  if (!Number.isFinite(percent))
    return line(
      'load-sum',
      'does-not-fit',
      say`One of the kinds has no rating, so there is no sum.`,
      'load-sum',
    )
  if (!over && !fractions.every(({ known }) => known))
    return line(
      'load-sum',
      'not-known',
      say`Kinds together: ${figure(percent, 0)} % of the rating, as far as it is known.`,
      'load-sum',
      plates(question, say),
    )
  return line(
    'load-sum',
    over ? 'does-not-fit' : 'fits',
    say`Kinds together: ${figure(percent, percent > 99 && percent < 101 ? 1 : 0)} % of the rating.`,
    'load-sum',
    { ...against(percent, 100, '%'), cures: over ? sumCures(percent, say) : [] },
  )
}

/** Less of it, or a device that carries more of each kind. */
function sumCures(percent: number, say: Say): Cure[] {
  const cure = (id: string, says: string): Cure => ({ id, says, price: 0, minutes: 0, here: false })
  return [
    cure('larger-device', say`Take a device of ${figure(percent / 100, 2)} times these ratings or more.`),
    cure('less-load', say`Take lamps of ${figure((100 / percent) * 100, 0)} % of their watts, or fewer.`),
  ]
}

/** The general rating takes the whole current; VA are shown beside it. */
function generalLines(question: Question, kinds: readonly RatingKind[]): Line[] {
  const say = sayIn(question.view.region)

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
      over ? 'does-not-fit' : total.known ? 'fits' : 'not-known',
      say`${figure(total.voltAmperes)} of ${figure(rating.limit * volts)} VA, general rating (${figure(total.amps, 2)} of ${figure(rating.limit, 2)} A)${total.known ? '' : say`, as far as it is known`}.${assumed}`,
      'power-factor',
      over || total.known ? against(total.voltAmperes, rating.limit * volts, 'VA') : plates(question, say),
    ),
  ]
}
