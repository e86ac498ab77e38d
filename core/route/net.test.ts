import { describe, expect, it } from 'vitest'
import { lot } from '@/testing/model/lot'
import { atPanel, keyOf, kindOf, netOf, pairOf, type Net } from './net'

const NETS: readonly Net[] = [
  { kind: 'ground' },
  { kind: 'line', circuitId: 'circuit-7', by: null },
  { kind: 'line', circuitId: 'circuit-7', by: 'box-a' },
  { kind: 'neutral', circuitId: 'supply', by: null },
  { kind: 'load', groupId: 'light' },
  { kind: 'signal', groupId: 'light' },
  { kind: 'traveller', groupId: 'light', hop: 12, side: 'b' },
]

describe('nets by their keys', () => {
  it('each comes back from its key as it was, and no two share one', () => {
    for (const net of NETS) {
      expect(netOf(keyOf(net))).toEqual(net)
      expect(kindOf(keyOf(net))).toBe(net.kind)
    }
    expect(new Set(NETS.map(keyOf)).size).toBe(NETS.length)
  })

  it('so do nets drawn at random (2,000)', () => {
    const letters = 'abcxyz019-'
    for (let seed = 1; seed <= 2000; seed++) {
      const draw = lot(seed)
      const id = () => Array.from({ length: 1 + draw(8) }, () => letters[draw(letters.length)]).join('')
      const net: Net = [
        { kind: 'line', circuitId: id(), by: draw(2) ? id() : null } as const,
        { kind: 'neutral', circuitId: id(), by: draw(2) ? id() : null } as const,
        { kind: 'load', groupId: id() } as const,
        { kind: 'signal', groupId: id() } as const,
        { kind: 'traveller', groupId: id(), hop: 1 + draw(20), side: draw(2) ? 'a' : 'b' } as const,
      ][draw(5)]!
      expect(netOf(keyOf(net))).toEqual(net)
    }
  })

  it('travellers of one pair are one, of two hops are not; a circuit is one at the panel', () => {
    const traveller = (hop: number, side: 'a' | 'b') =>
      keyOf({ kind: 'traveller', groupId: 'light', hop, side })
    expect(pairOf(traveller(1, 'a'))).toBe(pairOf(traveller(1, 'b')))
    expect(pairOf(traveller(1, 'a'))).not.toBe(pairOf(traveller(2, 'a')))
    expect(pairOf('load:light')).toBe('load:light')
    expect(atPanel('line:circuit-7:box-a')).toBe('line:circuit-7')
    expect(atPanel(traveller(3, 'b'))).toBe(traveller(3, 'b'))
    expect(atPanel('ground')).toBe('ground')
  })

  it.each(['', 'line', 'line:', 'load', 'traveller:light', 'traveller:light:1', 'water:light'])(
    '“%s” is no net, and says so',
    key => {
      expect(() => netOf(key)).toThrow(`“${key}” is no net`)
    },
  )
})
