import { expect, it } from 'vitest'
import { clockOf } from './clock'
import { dayOf, HOUR, MINUTE, writtenDay } from './day'
import { litByDay } from './lit-by-day'
import { lot } from '@/testing/model/lot'

it('is counted on the day that a clock shows, minute by minute, across both changes of clocks', () => {
  for (const [zone, first] of [
    ['America/New_York', '2027-03-12'],
    ['America/New_York', '2027-11-05'],
    ['Australia/Lord_Howe', '2027-04-02'],
    ['Asia/Kathmandu', '2027-01-01'],
  ] as const)
    for (let seed = 1; seed <= 10; seed++) {
      const below = lot(seed)
      const clock = clockOf(zone)
      const from = dayOf(first)!
      const to = from + 4
      const begins = clock.instantOf(from, 0).instant
      const ends = clock.instantOf(to + 1, 0).instant
      const spans: { from: number; to: number }[] = []
      for (let at = begins + below(600) * MINUTE; at < ends; at += (1 + below(900)) * MINUTE) {
        const until = Math.min(ends, at + (1 + below(2000)) * MINUTE)
        spans.push({ from: at, to: until })
        at = until
      }
      const shown = new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short' })
      const counted = new Map<string, number>()
      for (const span of spans)
        for (let at = span.from; at < span.to; at += MINUTE) {
          const date = shown.format(at)
          counted.set(date, (counted.get(date) ?? 0) + 1 / 60)
        }
      for (const { day, hours } of litByDay(spans, clock, from, to))
        expect(hours, `${zone} ${seed} ${writtenDay(day)}`).toBeCloseTo(counted.get(writtenDay(day)) ?? 0, 6)
      const total = litByDay(spans, clock, from, to).reduce((sum, { hours }) => sum + hours, 0)
      expect(total).toBeCloseTo(spans.reduce((sum, span) => sum + span.to - span.from, 0) / HOUR, 6)
    }
})
