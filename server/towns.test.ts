import { describe, expect, it } from 'vitest'
import { zoneIsKnown } from '@/core/setup'
import { lot } from '@/testing/model/lot'
import { nearestTown, townsCalled } from './towns'

describe('towns', () => {
  it('are found by the beginning of their name, whatever marks stand over it', () => {
    expect(townsCalled('tromso')[0]).toMatchObject({ town: 'Tromsø', zone: 'Europe/Oslo' })
    expect(townsCalled('SÃO PAULO')[0]).toMatchObject({ zone: 'America/Sao_Paulo' })
    expect(townsCalled('kathm')[0]).toMatchObject({ zone: 'Asia/Kathmandu' })
  })

  it('of one name are told apart by where they lie', () => {
    const all = townsCalled('Portland')
    expect(all.length).toBeGreaterThan(1)
    expect(new Set(all.map(({ within }) => within)).size).toBe(all.length)
    expect(townsCalled('Portland, Maine')[0]).toMatchObject({ zone: 'America/New_York' })
    expect(townsCalled('Portland, Oregon')[0]).toMatchObject({ zone: 'America/Los_Angeles' })
  })

  it('that nobody knows are not found, and nothing is asked for by nothing', () => {
    expect(townsCalled('Quillback by the Sea')).toEqual([])
    expect(townsCalled('  ')).toEqual([])
    expect(townsCalled(', Maine')).toEqual([])
  })

  it('all have a zone that the platform knows', () => {
    const found = 'abcdefghijklmnopqrstuvwxyz'.split('').flatMap(letter => townsCalled(letter))
    expect(found.length).toBeGreaterThan(250)
    expect(found.filter(({ zone }) => !zoneIsKnown(zone))).toEqual([])
  })

  it('near a position are the nearest there are', () => {
    const below = lot(7)
    const all = 'abcdefghijklmnopqrstuvwxyz'.split('').flatMap(letter => townsCalled(letter))
    for (let each = 0; each < 40; each++) {
      const town = all[below(all.length)]!
      // By the straight line through the earth: a second way to say which of two is nearer.
      const straight = (to: { latitude: number; longitude: number }) => {
        const at = ({ latitude, longitude }: { latitude: number; longitude: number }) => {
          const [up, round] = [(latitude * Math.PI) / 180, (longitude * Math.PI) / 180]
          return [Math.cos(up) * Math.cos(round), Math.cos(up) * Math.sin(round), Math.sin(up)] as const
        }
        const [a, b] = [at(here), at(to)]
        return Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])
      }
      const here = {
        latitude: town.latitude + below(100) / 500,
        longitude: town.longitude - below(100) / 500,
      }
      const found = nearestTown(here)
      for (const other of all) expect(straight(found.town)).toBeLessThanOrEqual(straight(other) + 1e-12)
      expect(found.kilometres).toBeLessThan(40)
    }
  })
})
