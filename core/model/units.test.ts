import { describe, expect, it } from 'vitest'
import {
  cubicCentimetresFrom,
  cubicInchesFrom,
  figure,
  millimetresFrom,
  rounded,
  wattsFromHorsepower,
} from './units'

describe('units', () => {
  it('converts both ways', () => {
    expect(cubicCentimetresFrom(2)).toBeCloseTo(32.77, 2)
    expect(cubicInchesFrom(cubicCentimetresFrom(18.5))).toBeCloseTo(18.5, 12)
    expect(millimetresFrom(6)).toBeCloseTo(152.4, 10)
    expect(wattsFromHorsepower(1 / 6)).toBeCloseTo(124.28, 2)
  })

  it('rounds what people see, not what the machine stores', () => {
    expect(rounded(1.005, 2)).toBe(1.01)
    expect(rounded(-1.005, 2)).toBe(-1.01)
    expect(Object.is(rounded(-0.001, 1), 0)).toBe(true)
    expect(figure(226.6667)).toBe('226.7')
    expect(figure(12, 2)).toBe('12')
  })
})
