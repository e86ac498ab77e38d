import { describe, expect, it } from 'vitest'
import { quillbackRoad } from '@/demo/quillback'
import { boxView } from '../job/box-view'
import type { BreakerTry, Row } from '../model/entities'
import type { JobRecord } from '../model/record'
import { sharersOf } from '../model/ties'
import { darkenedBy, directoryOf, huntFor } from '.'

const AT = '2026-03-02T09:00:00.000Z'
const BOX = 'box-guest-room'
const PLACE = 'box-guest-room-1'

/** Nothing is held off in it. */
const house: JobRecord = { ...quillbackRoad(), switchings: {} }

/** A house with more rows in some of its tables, or with some of its rows put otherwise. */
const given = (change: Partial<Record<keyof JobRecord, Record<string, object | null>>>): JobRecord => ({
  ...house,
  ...Object.fromEntries(
    Object.entries(change).map(([table, rows]) => {
      const before = house[table as 'boxes'] as Record<string, object>
      const after = { ...before }
      for (const [id, fields] of Object.entries(rows))
        if (fields === null) delete after[id]
        else after[id] = { ...before[id], ...fields, id }
      return [table, after]
    }),
  ),
})

/** Tries in order: a breaker (or the main switch) and what it showed. */
const tried = (...tries: [circuitId: string | null, shows: BreakerTry['shows'], hinted?: boolean][]) =>
  Object.fromEntries(
    tries.map(([circuitId, shows, hinted = false], at) => [
      `try-${at}`,
      { boxId: BOX, circuitId, placeId: PLACE, endId: null, shows, hinted, note: '', seq: 900 + at, at: AT },
    ]),
  )

const huntIn = (record: JobRecord, placeId: string | null = PLACE) =>
  huntFor(boxView(record, BOX)!, { placeId, endId: null })
const withoutFeed = Object.fromEntries(
  Object.values(house.feeds)
    .filter(({ boxId }) => boxId === BOX)
    .map(({ id }) => [id, null]),
)
const off = (circuitId: string): Record<string, Partial<Row<'switchings'>>> => ({
  'switched-off': { circuitId, to: 'off', struck: null, seq: 950, at: AT },
})

describe('the hunt for a breaker', () => {
  it('tries first what the label says of the box, then what its neighbours are on', () => {
    const { toTry, found, ruledOut } = huntIn(house)
    expect(found).toBeNull()
    expect(ruledOut).toEqual([])
    expect(toTry[0]).toMatchObject({ circuit: { breaker: '8' }, why: expect.arrayContaining(['same-box']) })
    expect(toTry).toHaveLength(9)
    expect(toTry.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9)
  })

  it('with nothing known of the box, what the next rooms are on comes first, and large ones last', () => {
    const { toTry } = huntIn(given({ feeds: withoutFeed }))
    expect(toTry[0]!.why.some(reason => ['same-room', 'next-room', 'same-floor'].includes(reason))).toBe(true)
    expect(toTry.slice(-2).map(({ circuit }) => circuit.breaker)).toEqual(['11', '13'])
    expect(toTry.at(-1)!.why).toContain('large')
  })

  it('the circuit finder is a hint: it moves a breaker forward, and proves nothing', () => {
    const before = huntIn(house).toTry.find(({ circuit }) => circuit.breaker === '4')!
    const hunt = huntIn(given({ breakerTries: tried(['circuit-4', 'not-tried', true]) }))
    const after = hunt.toTry.find(({ circuit }) => circuit.breaker === '4')!
    expect(hunt.found).toBeNull()
    expect(after.why).toContain('finder')
    expect(after.share).toBeGreaterThan(before.share)
    // It may not be switched now: the others come before it all the same.
    expect(hunt.toTry.at(-1)!.circuit.breaker).toBe('4')
  })

  it('what stayed lit is ruled out, what went dark is found; a later try of the same counts', () => {
    const hunt = huntIn(
      given({ breakerTries: tried(['circuit-8', 'stayed-lit'], ['circuit-4', 'went-dark']) }),
    )
    expect(hunt.found).toMatchObject({ breaker: '4' })
    expect(hunt.ruledOut.map(({ circuit }) => circuit.breaker)).toEqual(['8'])
    const again = huntIn(
      given({ breakerTries: tried(['circuit-8', 'stayed-lit'], ['circuit-8', 'went-dark']) }),
    )
    expect(again.found).toMatchObject({ breaker: '8' })
    expect(again.ruledOut).toEqual([])
  })

  it('a breaker that is off already does not feed a light that is on, and is never to be switched', () => {
    const hunt = huntIn(given({ switchings: off('circuit-8') }))
    expect(hunt.toTry.map(({ circuit }) => circuit.breaker)).not.toContain('8')
    expect(hunt.ruledOut).toMatchObject([{ circuit: { breaker: '8' }, why: 'off-already' }])
  })

  it('one handle rules out both that it throws', () => {
    const hunt = huntIn(given({ breakerTries: tried(['circuit-11', 'stayed-lit']) }))
    expect(hunt.ruledOut.map(({ circuit }) => circuit.breaker)).toEqual(['11', '13'])
  })

  it('each place of a box has a hunt of its own', () => {
    const record = given({ breakerTries: tried(['circuit-8', 'went-dark']) })
    expect(huntIn(record).found).toMatchObject({ breaker: '8' })
    expect(huntIn(record, null).found).toBeNull()
  })

  it('the main switch is left for last, and where even that leaves it lit something else feeds it', () => {
    const all = Object.keys(house.circuits).map((id): [string, BreakerTry['shows']] => [id, 'stayed-lit'])
    const hunt = huntIn(given({ breakerTries: tried(...all) }))
    expect(hunt).toMatchObject({ toTry: [], found: null, fedFromElsewhere: false })
    expect(huntIn(given({ breakerTries: tried(...all, [null, 'went-dark']) })).found).toBe('main')
    expect(huntIn(given({ breakerTries: tried(...all, [null, 'stayed-lit']) }))).toMatchObject({
      found: null,
      fedFromElsewhere: true,
    })
  })
})

describe('the directory', () => {
  it('grows by what was found, and keeps apart what only a label says', () => {
    const [feed] = Object.values(house.feeds).filter(({ boxId }) => boxId === BOX)
    const entryOf = (record: JobRecord) => directoryOf(record).find(({ circuit }) => circuit.breaker === '8')!
    const before = entryOf(house)
    const after = entryOf(given({ feeds: { [feed!.id]: { basis: 'reading' } } }))
    expect(before.labelled.map(({ id }) => id)).toContain(BOX)
    expect(before.says ?? '').not.toContain('Guest room')
    expect(after.found.map(({ id }) => id)).toContain(BOX)
    expect(after.says).toContain('Guest room')
  })

  it('is in the order of the panel, and ties what shares a neutral, whichever side it was written at', () => {
    expect(directoryOf(house).map(({ circuit }) => circuit.breaker)).toEqual([
      '1',
      '2',
      '4',
      '5',
      '6',
      '8',
      '9',
      '11',
      '13',
    ])
    const oneSide = given({ circuits: { 'circuit-13': { sharedNeutralWithId: null } } })
    for (const id of ['circuit-11', 'circuit-13'])
      expect(sharersOf(oneSide, oneSide.circuits[id]!)).toHaveLength(1)
    expect(directoryOf(oneSide).at(-1)!.shares).toMatchObject([
      { circuit: { breaker: '11' }, oneHandle: true },
    ])
  })

  it('says what goes dark with a breaker, with all that its handle throws', () => {
    expect(darkenedBy(house, house.circuits['circuit-13']!).map(({ name }) => name)).toContain(
      'Pottery studio',
    )
  })
})
