/** Conversions happen at the edge only; inside, a name carries its unit. */

const CUBIC_CENTIMETRES_PER_CUBIC_INCH = 16.387064
const MILLIMETRES_PER_INCH = 25.4
const WATTS_PER_HORSEPOWER = 745.7

export const cubicCentimetresFrom = (cubicInches: number): number =>
  cubicInches * CUBIC_CENTIMETRES_PER_CUBIC_INCH

export const cubicInchesFrom = (cubicCentimetres: number): number =>
  cubicCentimetres / CUBIC_CENTIMETRES_PER_CUBIC_INCH

export const millimetresFrom = (inches: number): number => inches * MILLIMETRES_PER_INCH

export const inchesFrom = (millimetres: number): number => millimetres / MILLIMETRES_PER_INCH

const METRES_PER_FOOT = 0.3048

export const metresFrom = (feet: number): number => feet * METRES_PER_FOOT

export const feetFrom = (metres: number): number => metres / METRES_PER_FOOT

export const wattsFromHorsepower = (horsepower: number): number => horsepower * WATTS_PER_HORSEPOWER

/**
 * Rounds half away from zero to `digits` decimals (0 to 6), immune to binary noise such as 1.005.
 * The figure shown and the figure compared are the same one.
 */
export function rounded(value: number, digits: number): number {
  const scale = 10 ** digits
  const noise = 1e-9 * Math.sign(value)
  return (Math.sign(value) * Math.round(Math.abs(value * scale + noise))) / scale + 0
}

/** A number as people read it: at most `digits` decimals, no trailing zeros, never `-0`. */
export const figure = (value: number, digits = 1): string => String(rounded(value, digits))
