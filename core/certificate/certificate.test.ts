import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { usualBox } from '@/demo/usual'
import { further, guarded, lock, switching } from '@/testing/safety/usual-story'
import type { BoxView } from '../job/box-view'
import type { CircuitTestRow } from '../model/entities'
import type { Edit } from '../job/command'
import { holdsBeforeTest, mostLoopOhms, mostRunOhms, ohmsOfMetre, testsOfCircuit } from '.'

let count = 0
const took = (fields: Partial<CircuitTestRow>): Edit => ({
  kind: 'add',
  entity: 'circuitTests',
  row: {
    id: `test-${++count}`,
    circuitId: 'circuit-7',
    kind: 'insulation-hot-ground',
    value: null,
    shows: null,
    metres: null,
    instrument: '',
    takenBy: '',
    seq: 0,
    at: '2026-03-02T08:00:00.000Z',
    ...fields,
  },
})

const own = (view: BoxView) => view.record.circuits['circuit-7']!
const verdict = (view: BoxView, kind: CircuitTestRow['kind']) =>
  testsOfCircuit(view.record, own(view), trade).find(({ rule }) => rule.kind === kind)?.verdict
const locked = () => further(usualBox(), switching('off'), lock())

describe('the tests of a circuit', () => {
  it.each([
    // Of published tables of the largest loop of a breaker of the common kind at 230 V, and 0.8 of it when read cold.
    [6, 7.28],
    [10, 4.37],
    [16, 2.73],
    [20, 2.19],
    [32, 1.37],
  ])('a loop behind %s A may have %s Ω when warm', (amps, ohms) =>
    expect(Math.abs(mostLoopOhms(230, amps) - ohms * 0.8)).toBeLessThanOrEqual(0.01),
  )

  it.each([
    // Of published tables of conductors at 20 °C, in mΩ for a metre: out and back, a fifth for warmth, and 0.1 Ω.
    ['1.5 mm²', 'copper', 12.1, 25],
    ['2.5 mm²', 'copper', 7.41, 40],
    ['14 AWG', 'copper', 8.29, 15],
    ['12 AWG', 'copper', 5.21, 30],
    ['12 AWG', 'aluminium', 8.57, 30],
  ] as const)(
    'a run of %s %s (%s mΩ for a metre) of %s m shows what its metal has',
    (gauge, metal, milliohms, metres) => {
      const { record } = usualBox()
      const conductors = Object.fromEntries(
        Object.entries(record.conductors).map(([id, row]) => [id, { ...row, gauge, metal }]),
      )
      const ofOne = ohmsOfMetre({ ...record, conductors }, record.circuits['circuit-7']!, trade)!
      const most = (2 * metres * milliohms * 1.2) / 1000 + 0.1
      expect(mostRunOhms(metres, ofOne) / most).toBeGreaterThan(0.98)
      expect(mostRunOhms(metres, ofOne) / most).toBeLessThan(1.08)
    },
  )

  it('a poor joint in a short run fails, and holds no longer once its length is said', () => {
    const kind = 'hot-continuity'
    const read = (value: number, metres: number | null) =>
      verdict(further(locked(), took({ kind, value, metres })), kind)
    expect(read(1.1, null)).toBe('holds')
    expect(read(1.1, 15)).toBe('fails')
    expect(read(0.38, 15)).toBe('holds')
    // However long it is.
    expect(read(2.01, 500)).toBe('fails')
    const bare = { ...usualBox().record, conductors: {} }
    expect(ohmsOfMetre(bare, bare.circuits['circuit-7']!, trade)).toBeNull()
  })

  it.each<[CircuitTestRow['kind'], number, 'holds' | 'fails']>([
    ['insulation-hot-ground', 1, 'holds'],
    ['insulation-hot-ground', 0.99, 'fails'],
    ['ground-continuity', 2, 'holds'],
    ['ground-continuity', 2.01, 'fails'],
    ['neutral-continuity', 0, 'holds'],
  ])('%s at %s %s', (kind, value, is) => {
    const view = locked()
    expect(verdict(view, kind)).toBe('open')
    expect(verdict(further(view, took({ kind, value })), kind)).toBe(is)
  })

  it('what is beyond the meter fails, what is looked at is as it was seen, and the newest counts', () => {
    const view = further(
      locked(),
      took({ shows: 'not-so' }),
      took({ kind: 'polarity', shows: 'as-it-should' }),
    )
    expect([verdict(view, 'insulation-hot-ground'), verdict(view, 'polarity')]).toEqual(['fails', 'holds'])
    expect(verdict(further(view, took({ value: 200 })), 'insulation-hot-ground')).toBe('holds')
  })

  it('are those of its protection and its region, and none of a protection it lacks', () => {
    const kinds = (protection: 'none' | 'dual' | 'arc-fault' | 'residual-current', regionId: string) => {
      const { record } = usualBox()
      return testsOfCircuit(
        { ...record, job: { ...record.job, regionId: regionId as typeof record.job.regionId } },
        { ...record.circuits['circuit-7']!, protection },
        trade,
      ).map(({ rule, least, most }) => `${rule.kind} ${least}–${most}`)
    }
    const trips = (all: string[]) => all.filter(each => /^(trip|test|loop)/.test(each))
    expect(trips(kinds('none', 'north-america-120'))).toEqual([])
    expect(trips(kinds('arc-fault', 'north-america-120'))).toEqual(['test-button null–null'])
    expect(trips(kinds('dual', 'north-america-120'))).toEqual([
      'trip-current 4–6',
      'trip-time null–5590',
      'test-button null–null',
    ])
    expect(trips(kinds('residual-current', 'europe-230'))).toEqual([
      'loop null–2.33',
      'trip-current 15–30',
      'trip-time null–300',
      'test-button null–null',
    ])
    expect(kinds('none', 'europe-230').length).toBe(8)
  })
})

describe('a dead test', () => {
  const [insulation] = trade.circuitTests.filter(({ kind }) => kind === 'insulation-hot-ground')

  it('waits until its circuit is off and locked, and begins anew once it was on', () => {
    const waits = (view: BoxView) => holdsBeforeTest(view.record, own(view), insulation!).length > 0
    const off = further(usualBox(), switching('off'))
    expect([usualBox(), off, locked()].map(waits)).toEqual([true, true, false])
    const found = switching('on')
    const on =
      found.kind === 'add' && found.entity === 'switchings'
        ? { ...found, row: { ...found.row, foundSo: true } }
        : found
    expect(waits(further(locked(), on))).toBe(true)
    expect(guarded(off, took({ value: 5 })).ok).toBe(false)
    expect(guarded(locked(), took({ value: 5 })).ok).toBe(true)
    // What is read live waits for nothing here.
    expect(guarded(usualBox(), took({ kind: 'test-button', shows: 'as-it-should' })).ok).toBe(true)
  })

  it('that failed keeps the circuit off until it is taken again and holds', () => {
    const failed = further(locked(), took({ value: 0.2 }))
    const [hanging] = Object.keys(failed.record.locks)
    const unlocked = { kind: 'remove', entity: 'locks', id: hanging!, based: 1 } as const
    expect(guarded(failed, unlocked, switching('on')).ok).toBe(false)
    const again = further(failed, took({ value: 20 }))
    expect(guarded(again, unlocked, switching('on')).ok).toBe(true)
  })
})
