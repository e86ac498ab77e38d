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
  const shares = kinds.map(([kind, of]) => shareOf(question, kind, of, sides))
  return [
    ...finLines(question),
    ...shares.map(share => share.line),
    ...(shares.length > 1 ? [sumLine(shares)] : []),
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
    return sum + (held ? (held.value ?? 0) / held.limit : Infinity)
  }, 0) <=
  1 + 1e-9

/** Loads of one kind in the unit of the rating that counts for them; null where the device has none. */
function heldAgainst(question: Question, kind: RatingKind, loads: readonly Load[], sides: SidesOff) {
  const own = question.device.ratings.find(rating => rating.kind === kind)
  const general = question.device.ratings.find(rating => rating.kind === 'general')
  const rating = own ?? (kind === 'motor' ? undefined : general)
  if (!rating) return null
  const total = sumOf(question, loads)
  return {
    rating,
    general: own === undefined,
    total,
    /** Null where it is not known. */
    value: inUnit(total, rating),
    limit: limitWith(rating, sides),
  }
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

function shareOf(question: Question, kind: RatingKind, loads: readonly Load[], sides: SidesOff): Share {
  const held = heldAgainst(question, kind, loads, sides)
  if (!held)
    return {
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
    }
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
    held.general ? ' (by the general rating)' : ''
  }${limit < rating.limit ? `, ${figure(rating.limit, digits)} with its fins` : ''}`
  const assumed =
    rating.unit === 'W' || total.powerFactorPrinted || rating.unit === 'hp'
      ? ''
      : ' Power factor not printed, counted at its assumed value.'
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

function sumLine(shares: readonly Share[]): Line {
  const percent = shares.reduce((sum, share) => sum + share.fraction, 0) * 100
  const over = percent > 100 + 1e-9
  if (!Number.isFinite(percent))
    return line('load-sum', 'does-not-fit', 'One of the kinds has no rating, so there is no sum.', 'load-sum')
  return line(
    'load-sum',
    over ? 'does-not-fit' : 'fits',
    `Kinds together: ${figure(percent, 0)} % of the rating.`,
    'load-sum',
    against(percent, 100, '%'),
  )
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
  const assumed = total.powerFactorPrinted ? '' : ' Power factor not printed, counted as 0.5.'
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

/** What may never be dimmed or switched by this kind, whatever its watts. */
export function banLines(question: Question): Line[] {
  const { device, place } = question
  const lines: Line[] = []
  const motor = place.loads.find(load => load.kind === 'fan-motor')
  if (motor && (device.dims || !device.motorAllowed))
    lines.push(
      line(
        'motor',
        'does-not-fit',
        device.dims ? 'A motor may not be dimmed.' : 'It has no motor rating.',
        'motor',
        {
          cures: [
            {
              id: 'motor-kind',
              says: 'Take a switch or timer with a motor rating.',
              price: 0,
              minutes: 0,
              here: false,
            },
          ],
        },
      ),
    )
  if (place.loads.some(load => load.kind === 'receptacle') && (device.dims || !device.receptacleAllowed))
    lines.push(line('receptacle', 'does-not-fit', 'It may not control a receptacle.', 'receptacle'))
  return lines
}

/** Whether the lamps can be dimmed, and on the same edge as the device cuts. */
export function dimmingLines(question: Question): Line[] {
  const { device, place, trade } = question
  if (!device.dims) return []
  const lamps = place.loads.filter(load => load.kind !== 'fan-motor' && load.kind !== 'receptacle')
  const lines: Line[] = []
  const cannot = lamps.filter(load => dimmability(question, load) === 'no')
  const unknown = lamps.filter(load => dimmability(question, load) === 'not-known')
  const count = (loads: readonly Load[]) => loads.reduce((sum, load) => sum + load.count, 0)
  if (cannot.length > 0) {
    const number = count(cannot)
    const fixed = cannot.some(load => trade.lamps[load.kind].dimming === 'never')
    lines.push(
      line(
        'dimmable',
        fixed ? 'does-not-fit' : 'fits-if',
        fixed
          ? `${number} cannot be dimmed by their kind.`
          : `Fits if ${number} lamps are changed to dimmable ones.`,
        'lamp-dimmable',
        {
          value: number,
          limit: 0,
          unit: 'lamps not dimmable',
          cures: fixed
            ? [
                {
                  id: 'switch-kind',
                  says: 'Take a device that switches only.',
                  price: 0,
                  minutes: 0,
                  here: false,
                },
              ]
            : [
                {
                  id: 'change-lamps',
                  says: `Change ${number} lamps to dimmable ones.`,
                  price: 6 * number,
                  minutes: trade.minutes['lamp-change']! * number,
                  here: true,
                },
              ],
        },
      ),
    )
  }
  if (unknown.length > 0)
    lines.push(
      line(
        'dimmable',
        'not-known',
        `Nobody has read whether ${count(unknown)} lamps are dimmable.`,
        'lamp-dimmable',
        {
          settledBy: 'Read the print on one lamp of each kind.',
        },
      ),
    )
  if (lines.length === 0 && lamps.length > 0)
    lines.push(line('dimmable', 'fits', `All ${count(lamps)} lamps are dimmable.`, 'lamp-dimmable'))
  return [...lines, ...phaseLines(question, lamps)]
}

function dimmability(question: Question, load: Load): 'yes' | 'no' | 'not-known' {
  switch (question.trade.lamps[load.kind].dimming) {
    case 'always':
      return 'yes'
    case 'never':
      return 'no'
    case 'as-printed':
      return load.dimmable
  }
}

function phaseLines(question: Question, lamps: readonly Load[]): Line[] {
  const edge = question.device.dims!.phase
  if (edge === 'either') return []
  const differs = lamps.filter(
    load => load.phase !== 'not-known' && load.phase !== 'either' && load.phase !== edge,
  )
  if (differs.length === 0) return []
  return [
    line(
      'phase',
      'does-not-fit',
      `It cuts the ${edge} edge; the lamps ask for the ${differs[0]!.phase} one.`,
      'phase',
      {
        cures: [
          {
            id: 'other-edge',
            says: `Take a dimmer for the ${differs[0]!.phase} edge, or either.`,
            price: 0,
            minutes: 0,
            here: false,
          },
        ],
      },
    ),
  ]
}
