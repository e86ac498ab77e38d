import type { DeviceModel, Rating } from '@/core/model/device'
import { figure } from '@/core/model/units'
import type { Opening, Radio, RatingKind } from '@/core/model/vocabulary'
import { WANT_WORDS } from '../words'
import { type Say } from '@/core/words/say'

export const RATING_WORDS: Readonly<Record<RatingKind, string>> = {
  tungsten: 'Tungsten',
  led: 'LED, CFL',
  'electronic-transformer': 'Electronic transformer',
  'magnetic-transformer': 'Magnetic transformer',
  'electronic-ballast': 'Electronic ballast',
  inductive: 'Inductive',
  motor: 'Motor',
  general: 'General',
}

export const RADIO_WORDS: Readonly<Record<Radio, string>> = {
  lan: 'House network, 2.4 GHz',
  'mesh-2400': 'Mesh, 2.4 GHz',
  'mesh-900': 'Mesh, below 1 GHz',
  near: 'Near by, to a phone',
}

export const OPENING_WORDS: Readonly<Record<Opening, string>> = {
  toggle: 'Narrow, for a lever',
  wide: 'Wide',
  duplex: 'Two receptacles',
  module: 'Modules on one plate',
}

/** How it is kept alive, in a word or two. */
export function supplyWords(say: Say, { supply, terminals }: DeviceModel): string {
  if (terminals.length === 0) return say`battery`
  const kinds = [...new Set(supply.map(({ kind }) => kind))]
  if (kinds.length === 0) return say`none needed`
  return kinds
    .map(
      kind =>
        ({ 'line-neutral': say`neutral`, 'line-ground': say`ground`, 'through-load': say`through the lamp` })[
          kind
        ],
    )
    .join(say` or `)
}

/** Parts of a horsepower as motors have them printed. */
const HORSEPOWER: readonly (readonly [number, string])[] = [
  [1 / 6, '⅙'],
  [1 / 4, '¼'],
  [1 / 3, '⅓'],
  [1 / 2, '½'],
  [3 / 4, '¾'],
]

const amount = (value: number, unit: Rating['unit']): string =>
  (unit === 'hp' && HORSEPOWER.find(([part]) => Math.abs(part - value) < 1e-3)?.[1]) || figure(value, 2)

/** `150 W; fins off 125 and 100`. */
export const ratingWords = (say: Say, { limit, unit, oneSide, bothSides }: Rating): string =>
  `${amount(limit, unit)} ${unit}${oneSide === null ? '' : say`; fins off ${figure(oneSide, 2)} and ${figure(bothSides ?? 0, 2)}`}`

export const ratingOf = ({ ratings }: DeviceModel, kind: RatingKind): string => {
  const own = ratings.find(each => each.kind === kind)
  return own ? `${amount(own.limit, own.unit)} ${own.unit}` : ''
}

export const doesWords = (say: Say, { does }: DeviceModel): string =>
  does.map(want => say(WANT_WORDS[want]).toLowerCase()).join(', ')

export const placesWords = (say: Say, { places }: DeviceModel): string =>
  places.least === places.most ? `${places.least}` : say`${places.least} to ${places.most}`
