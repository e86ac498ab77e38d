import { describe, expect, it } from 'vitest'
import { typedNumber } from './typed-number'

describe('a number as people type it', () => {
  it.each([
    ['2.75', 2.75],
    ['2,75', 2.75],
    ['2 3/4', 2.75],
    ['2-3/4', 2.75],
    ['2¾', 2.75],
    ['2 ¾', 2.75],
    ['5/8', 0.625],
    ['½', 0.5],
    [' 12 ', 12],
    ['-3', -3],
  ])('%s', (typed, value) => expect(typedNumber(typed)).toBe(value))

  it.each(['', 'two', '2 3', 'a½', '3/', '1/0'])('“%s” is none that can be kept', typed =>
    expect(Number.isFinite(typedNumber(typed))).toBe(false),
  )
})
