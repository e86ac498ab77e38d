import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import type { Gauge } from '../model/vocabulary'
import { connectorsFor } from '.'

const of = (count: number, gauge: Gauge = '14 AWG') => Array.from({ length: count }, () => gauge)

describe('connectors', () => {
  it.each([
    [2, 'lever', ['lever, 2 slots']],
    [3, 'lever', ['lever, 3 slots']],
    [4, 'lever', ['lever, 5 slots']],
    [5, 'lever', ['lever, 5 slots']],
    [6, 'lever', ['lever, 5 slots', 'lever, 3 slots']],
    [8, 'lever', ['lever, 5 slots', 'lever, 5 slots']],
    [9, 'lever', ['lever, 5 slots', 'lever, 5 slots', 'lever, 3 slots']],
    [2, 'twist-on', ['twist-on, small']],
    [3, 'twist-on', ['twist-on, medium']],
    [4, 'twist-on', ['twist-on, medium']],
    [5, 'twist-on', ['twist-on, large']],
    [6, 'twist-on', ['twist-on, large', 'twist-on, medium']],
  ] as const)('%i wires of 14 AWG, %s', (count, kind, expected) => {
    const pieces = connectorsFor(of(count), kind, trade)!
    expect(pieces.map(({ words }) => words)).toEqual(expected)
    expect(pieces.every(({ by }) => by === 'table')).toBe(true)
  })

  it.each([
    [['14 AWG', '16 AWG'], 'twist-on', ['twist-on, small'], 'area'],
    [['12 AWG', '12 AWG'], 'twist-on', ['twist-on, medium'], 'area'],
    [['12 AWG', '12 AWG', '12 AWG'], 'twist-on', ['twist-on, large'], 'area'],
    [['12 AWG', '12 AWG', '12 AWG', '14 AWG'], 'twist-on', ['twist-on, large', 'twist-on, large'], 'area'],
    [['10 AWG', '14 AWG', '14 AWG'], 'lever', ['lever, 3 slots, up to 10 AWG'], 'table'],
    [['10 AWG', '14 AWG'], 'twist-on', ['twist-on, medium'], 'area'],
  ] as const)('%j, %s', (gauges, kind, expected, by) => {
    const pieces = connectorsFor(gauges, kind, trade)!
    expect(pieces.map(({ words }) => words)).toEqual(expected)
    expect(pieces[0]!.by).toBe(by)
  })

  it('a wire that none takes has none', () => {
    expect(connectorsFor(['8 AWG', '14 AWG'], 'lever', trade)).toBeNull()
    expect(connectorsFor(['6 AWG', '6 AWG'], 'twist-on', trade)).toBeNull()
  })

  // Held against the printed figures, copper in hundredths of a square millimetre.
  const COPPER = { '16 AWG': 131, '14 AWG': 208, '12 AWG': 331, '10 AWG': 526 } as const
  const SHELL = {
    'twist-on, small': [2, 416],
    'twist-on, medium': [4, 832],
    'twist-on, large': [5, 1040],
  } as const
  const shells = Object.keys(SHELL) as (keyof typeof SHELL)[]

  it('every count and mix of up to 8: no wire lost, none over, none that a smaller one would have held', () => {
    let mixes = 0
    for (const gauges of mixesOf(Object.keys(COPPER) as Gauge[], 8)) {
      mixes++
      const thick = gauges.includes('10 AWG')
      const levers = connectorsFor(gauges, 'lever', trade)!
      const slots = levers.map(({ words }) => Number(/(\d) slots/.exec(words)![1]))
      expect(levers.reduce((sum, { wires }) => sum + wires, 0)).toBe(gauges.length + 2 * (levers.length - 1))
      levers.forEach(({ wires, words }, at) => {
        expect(wires).toBeLessThanOrEqual(slots[at]!)
        expect([2, 3, 5].find(each => each >= wires)).toBe(slots[at])
        if (at === 0) expect(words.endsWith('up to 10 AWG')).toBe(thick)
      })
      expect(levers.length).toBe(Math.max(1, Math.ceil((gauges.length - 2) / 3)))

      const twisted = connectorsFor(gauges, 'twist-on', trade)
      if (!twisted) continue
      expect(twisted.reduce((sum, { wires }) => sum + wires, 0)).toBe(
        gauges.length + 2 * (twisted.length - 1),
      )
      if (twisted.length > 1) continue
      const copper = gauges.reduce((sum, gauge) => sum + COPPER[gauge as keyof typeof COPPER], 0)
      const least = shells.find(name => gauges.length <= SHELL[name][0] && copper <= SHELL[name][1])
      expect(twisted[0]!.words, gauges.join()).toBe(least)
    }
    expect(mixes).toBe(490)
  })
})

/** Every mix of 2 to so many, the order told apart by nothing. */
function* mixesOf(
  gauges: readonly Gauge[],
  most: number,
  from = 0,
  so: readonly Gauge[] = [],
): Generator<readonly Gauge[]> {
  if (so.length >= 2) yield so
  if (so.length === most) return
  for (let at = from; at < gauges.length; at++) yield* mixesOf(gauges, most, at, [...so, gauges[at]!])
}
