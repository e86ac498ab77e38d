import { houseRule } from './house-rules'
import type { JobRecord } from './record'
import { regionOf } from './regions'
import { feetFrom, inchesFrom, rounded } from './units'

/** What lengths and torques are given in: that of the region, unless the house rule says otherwise. */
export type Measures = 'metric' | 'inch' | 'both'

export function measuresOf(record: JobRecord): Measures {
  const rule = houseRule(record, 'measures')
  return rule === 'metric' || rule === 'inch' || rule === 'both'
    ? rule
    : regionOf(record.job.regionId).measures
}

const SIXTEENTHS: Readonly<Record<number, string>> = {
  1: '1/16',
  2: '⅛',
  3: '3/16',
  4: '¼',
  5: '5/16',
  6: '⅜',
  7: '7/16',
  8: '½',
  9: '9/16',
  10: '⅝',
  11: '11/16',
  12: '¾',
  13: '13/16',
  14: '⅞',
  15: '15/16',
}

/** As a rule has it: to the sixteenth of an inch, above 100 mm to the quarter. */
function byTheRule(millimetres: number): string {
  const step = millimetres < 100 ? 1 : 4
  const sixteenths = Math.round((inchesFrom(millimetres) * 16) / step) * step
  const whole = Math.floor(sixteenths / 16)
  const part = SIXTEENTHS[sixteenths % 16] ?? ''
  // A fraction written with a stroke would run into the whole before it.
  const between = whole > 0 && part.includes('/') ? ' ' : ''
  return `${whole > 0 || part === '' ? whole : ''}${between}${part} in`
}

const inUnits = (measures: Measures, metric: string, inch: string): string =>
  measures === 'metric' ? metric : measures === 'inch' ? inch : `${inch} (${metric})`

/** A length to be measured off, from mm: `16 mm`, `⅝ in`. */
export const lengthWords = (measures: Measures, millimetres: number): string =>
  inUnits(measures, `${rounded(millimetres, 1)} mm`, byTheRule(millimetres))

/** `7 ft 10 in`, to the inch. */
export function feetWords(metres: number): string {
  const inches = Math.round(feetFrom(metres) * 12)
  const [feet, rest] = [Math.floor(inches / 12), inches % 12]
  return [...(feet > 0 || rest === 0 ? [`${feet} ft`] : []), ...(rest > 0 ? [`${rest} in`] : [])].join(' ')
}

/** A run of cable, from m: `12 m`, `39 ft`. */
export const runWords = (measures: Measures, metres: number): string =>
  inUnits(measures, `${rounded(metres, 1)} m`, `${rounded(feetFrom(metres), 1)} ft`)

/** A length that is compared with another, from mm: to a tenth of a mm, to a hundredth of an inch. */
export const exactLength = (measures: Measures, millimetres: number): string =>
  inUnits(measures, `${rounded(millimetres, 1)} mm`, `${rounded(inchesFrom(millimetres), 2)} in`)

const POUND_INCHES_PER_NEWTON_METRE = 8.850746

/** A torque, from N·m: `1.6 N·m`, `14 lb·in`. */
export const torqueWords = (measures: Measures, newtonMetres: number): string =>
  inUnits(
    measures,
    `${rounded(newtonMetres, 2)} N·m`,
    `${rounded(newtonMetres * POUND_INCHES_PER_NEWTON_METRE, 0)} lb·in`,
  )
