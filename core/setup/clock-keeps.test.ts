import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { lot } from '@/testing/model/lot'
import { TIMES } from '@/testing/times'
import type { ClockSheet } from '../model/device'
import type { Program, ProgramEvent } from '../model/light-program'
import { clockOf, dayOf, daysAhead, faultsForClock, runOf } from '.'

const SHEETS = trade.devices.flatMap(({ clock }) => (clock ? [clock] : []))
const ALL: ClockSheet = {
  daylightSaving: 'set',
  override: 'next-event',
  batteryHours: 1,
  events: 40,
  can: ['sun', 'weekdays', 'dates', 'pairs', 'vary'],
  asks: [],
}

const plain: ProgramEvent = {
  turns: 'on',
  when: { kind: 'clock', minute: 600 },
  days: [1, 2, 3, 4, 5, 6, 7],
  between: null,
  ofThatNight: false,
  instead: null,
  vary: 0,
}
/** Each thing that a clock may not know, as an event asks for it. */
const WANTS = {
  sun: { when: { kind: 'dusk', plus: 5 } },
  weekdays: { days: [1, 2] },
  dates: { between: { from: '10-01', to: '03-31' } },
  pairs: { when: { kind: 'later', of: [plain.when, plain.when] as never } },
  vary: { vary: 3 },
} as const satisfies Readonly<Record<ClockSheet['can'][number], Partial<ProgramEvent>>>

describe('what a clock keeps', () => {
  it('of what it knows, everything; of each thing it does not, what asks for it and no other', () => {
    const below = lot(5)
    for (let run = 0; run < 200 * TIMES; run++) {
      const can = ALL.can.filter(() => below(2) === 0)
      const wanted = Array.from({ length: 1 + below(5) }, () => ALL.can[below(ALL.can.length)]!)
      const program: Program = {
        events: wanted.map(want => ({ ...plain, ...WANTS[want] })),
        daylightSaving: 'follows',
      }
      expect(faultsForClock(program, ALL)).toEqual([])
      expect(
        faultsForClock(program, { ...ALL, can }).map(({ path, code }) => `${path.split('/')[2]} ${code}`),
      ).toEqual(wanted.flatMap((want, at) => (can.includes(want) ? [] : [`${at} cannot-${want}`])))
    }
  })

  it('counts its events, and goes by its own daylight saving', () => {
    const program: Program = { events: [plain, plain], daylightSaving: 'follows' }
    const codes = (sheet: Partial<ClockSheet>) =>
      faultsForClock(program, { ...ALL, ...sheet }).map(({ code }) => code)
    expect(codes({ events: 2 })).toEqual([])
    expect(codes({ events: 1 })).toEqual(['too-many'])
    expect(codes({ daylightSaving: 'follows' })).toEqual([])
    expect(codes({ daylightSaving: 'stands' })).toEqual(['other-clock'])
    expect(SHEETS.length).toBeGreaterThan(2)
  })
})

describe('the days ahead', () => {
  it('tell every event once, on the day that clocks there show, over both changes of the clock', () => {
    const program: Program = {
      events: [
        { ...plain, when: { kind: 'clock', minute: 150 } },
        { ...plain, turns: 'off', when: { kind: 'clock', minute: 1439 } },
        { ...plain, when: { kind: 'dusk', plus: 300 } },
      ],
      daylightSaving: 'stands',
    }
    for (const [zone, latitude, longitude] of [
      ['America/New_York', 44.1, -69.1],
      ['Australia/Lord_Howe', -31.5, 159.1],
      ['Europe/Oslo', 69.65, 18.96],
    ] as const)
      for (const begins of ['2027-03-08', '2027-10-27', '2027-06-10']) {
        const from = dayOf(begins)!
        const run = runOf(program, { latitude, longitude, zone }, { from, to: from + 13 })
        const ahead = daysAhead(run, clockOf(zone), from, 14)
        const shown = new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short' })
        for (const { day, happens } of ahead) {
          const written = new Date(day * 86_400_000).toISOString().slice(0, 10)
          const instants = happens.flatMap(({ instant }) => instant ?? [])
          expect(instants.map(instant => shown.format(instant))).toEqual(instants.map(() => written))
          expect(instants).toEqual([...instants].sort((one, other) => one - other))
          // What does not happen stands last.
          expect(happens.slice(instants.length).every(({ instant }) => instant === null)).toBe(true)
        }
        expect(ahead.flatMap(({ happens }) => happens)).toHaveLength(run.occurrences.length)
      }
  })
})
