import { describe, expect, it } from 'vitest'
import { kilowattHours, savingOf, type Use } from './energy'

const use = (more: Partial<Use>): Use => ({
  hours: 1000,
  watts: 60,
  level: 1,
  floor: 0.1,
  standbyWatts: 0,
  ...more,
})

describe('energy', () => {
  it('follows the level down to its floor, and what stands by goes on all year', () => {
    expect(kilowattHours(use({}))).toBe(60)
    expect(kilowattHours(use({ level: 0.4 }))).toBe(24)
    expect(kilowattHours(use({ level: 0.02 }))).toBe(6)
    expect(kilowattHours(use({ hours: 0, standbyWatts: 0.5 }))).toBe(4.38)
  })

  it('says what is saved and when it is paid back', () => {
    const saving = savingOf(use({}), use({ hours: 500 }), 0.2, 30)
    expect(saving.before).toEqual({ kilowattHours: 60, money: 12 })
    expect(saving.saved.kilowattHours).toBe(30)
    expect(saving.yearsToPayBack).toBeCloseTo(5, 9)
  })

  it('what saves nothing is never paid back; what costs nothing is at once', () => {
    expect(savingOf(use({}), use({ hours: 1200 }), 0.2, 30).yearsToPayBack).toBeNull()
    expect(savingOf(use({}), use({}), 0.2, 0).yearsToPayBack).toBe(0)
  })
})
