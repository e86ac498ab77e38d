import { describe, expect, it } from 'vitest'
import { exactLength, lengthWords, torqueWords, feetWords } from './measures'

describe('lengths and torques', () => {
  it.each([
    // Of published conversion tables.
    [16, '⅝ in'],
    [13, '½ in'],
    [19, '¾ in'],
    [11, '7/16 in'],
    [6, '¼ in'],
    [25.4, '1 in'],
    [30, '1 3/16 in'],
    [48, '1⅞ in'],
    [150, '6 in'],
    [75, '2 15/16 in'],
  ])('%s mm are measured off as %s', (millimetres, inches) =>
    expect(lengthWords('inch', millimetres)).toBe(inches),
  )

  it('never differs from the length by more than half a sixteenth below 100 mm', () => {
    for (let tenths = 10; tenths < 1000; tenths++) {
      const [whole = '', stroke] = lengthWords('inch', tenths / 10)
        .replace(' in', '')
        .split(' ')
      const value = (text: string): number => {
        const [, integer = '', fraction = ''] = /^(\d*?)((?:\d+\/\d+)|[⅛¼⅜½⅝¾⅞])?$/u.exec(text)!
        const parts: Record<string, number> = {
          '⅛': 1 / 8,
          '¼': 1 / 4,
          '⅜': 3 / 8,
          '½': 1 / 2,
          '⅝': 5 / 8,
          '¾': 3 / 4,
          '⅞': 7 / 8,
        }
        const [over, under] = fraction.split('/').map(Number)
        return Number(integer || 0) + (fraction === '' ? 0 : (parts[fraction] ?? over! / under!))
      }
      const inches = value(whole) + (stroke ? value(stroke) : 0)
      expect(Math.abs(inches * 25.4 - tenths / 10), `${tenths / 10} mm`).toBeLessThanOrEqual(25.4 / 32 + 1e-9)
    }
  })

  it('are given in both, and compared to the hundredth', () => {
    expect(lengthWords('both', 16)).toBe('⅝ in (16 mm)')
    expect(exactLength('inch', 47)).toBe('1.85 in')
    expect(exactLength('metric', 47.04)).toBe('47 mm')
    expect(torqueWords('inch', 1.6)).toBe('14 lb·in')
    expect(torqueWords('both', 1.36)).toBe('12 lb·in (1.36 N·m)')
    expect(torqueWords('metric', 0.8)).toBe('0.8 N·m')
  })

  it('of a room are feet and inches, to the inch', () => {
    expect([0.3048, 2.4, 2.99, 0.05, 0, 0.3047].map(feetWords)).toEqual([
      '1 ft',
      '7 ft 10 in',
      '9 ft 10 in',
      '2 in',
      '0 ft',
      '1 ft',
    ])
  })
})
