import { describe, expect, it } from 'vitest'
import { HABITS } from '@/catalogue/habits'
import { livingWith, timelineOf, type LivingAsked } from '.'

const asked = (more: Partial<LivingAsked> = {}): LivingAsked => ({
  habits: HABITS.wet,
  seesSeat: true,
  seesBed: false,
  delays: [30, 600, 1800],
  turnsOn: ['by-itself', 'by-hand'],
  seed: 1,
  ...more,
})

describe('a year of a room as people live in it', () => {
  it('is lit longer, and never more often dark, with a longer delay; the same for the same seed', () => {
    const { ways } = livingWith(asked())
    expect(ways.map(({ turnsOn, delay }) => `${turnsOn} ${delay}`)).toEqual([
      'by-itself 30',
      'by-itself 600',
      'by-itself 1800',
      'by-hand 30',
      'by-hand 600',
      'by-hand 1800',
    ])
    for (const at of [1, 2, 4, 5]) {
      expect(ways[at]!.hoursLit).toBeGreaterThan(ways[at - 1]!.hoursLit)
      expect(ways[at]!.hoursLitWithNobody).toBeGreaterThan(ways[at - 1]!.hoursLitWithNobody)
      expect(ways[at]!.presentAndDark.times).toBeLessThanOrEqual(ways[at - 1]!.presentAndDark.times)
    }
    expect(livingWith(asked())).toEqual(livingWith(asked()))
    expect(livingWith(asked({ seed: 2 }))).not.toEqual(livingWith(asked()))
  })

  it('is lit with somebody there no longer than somebody is there, counted by who comes and goes', () => {
    for (const kind of ['passage', 'kitchen', 'work'] as const) {
      const { events, seconds } = timelineOf(HABITS[kind], 364, 7)
      const there = new Uint8Array(seconds)
      const came = new Map<string, number>()
      for (const { person, does, at } of events) {
        if (does === 'enters') came.set(person, at)
        if (does === 'leaves') {
          there.fill(1, came.get(person), at)
          came.delete(person)
        }
      }
      for (const at of came.values()) there.fill(1, at, seconds)
      const occupied = there.reduce((sum, each) => sum + each, 0)
      for (const { hoursLit, hoursLitWithNobody } of livingWith(asked({ habits: HABITS[kind], seed: 7 }))
        .ways) {
        const withSomebody = (hoursLit - hoursLitWithNobody) * 3600
        expect(withSomebody).toBeLessThanOrEqual(occupied + 1)
        expect(withSomebody).toBeGreaterThan(0)
      }
    }
  })

  it('who sits unseen is in the dark more often', () => {
    const dark = (seesSeat: boolean) =>
      livingWith(asked({ habits: HABITS.work, seesSeat, delays: [600], turnsOn: ['by-itself'] })).ways[0]!
        .presentAndDark.times
    expect(dark(false)).toBeGreaterThan(dark(true))
  })

  it('proposes a delay of those asked for each way of turning on, and says why', () => {
    for (const habits of Object.values(HABITS)) {
      const { ways, proposed } = livingWith(asked({ habits }))
      expect(proposed.map(({ turnsOn }) => turnsOn)).toEqual(['by-itself', 'by-hand'])
      for (const { turnsOn, delay, because } of proposed) {
        const own = ways.filter(way => way.turnsOn === turnsOn)
        const rare = own.filter(({ presentAndDark }) => presentAndDark.times < 52)
        expect(because).toBe(rare.length > 0 ? 'rare' : 'least-gained')
        if (rare.length > 0) expect(delay).toBe(Math.min(...rare.map(way => way.delay)))
        else expect(own.map(way => way.delay)).toContain(delay)
      }
    }
  })
})
