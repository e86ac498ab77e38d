import { describe, expect, it } from 'vitest'
import { bareJob, fedAtTheSwitch } from '@/demo/usual'
import { lot } from '@/testing/model/lot'
import { deadAfter, deadHowever, happenings, type Did, type Happening } from '@/testing/safety/plain-dead'
import { TIMES } from '@/testing/times'
import { boxView } from '../job/box-view'
import { BLANK } from '../model/blank-rows'
import type { JobRecord } from '../model/record'
import { isolationOf } from '.'

const AT = '2026-03-02T09:00:00.000Z'

/** A box on some breakers, as it was found. */
function bare(breakers: readonly string[]): JobRecord {
  const job = bareJob('orders', { breakers })
  job.box({
    ...{ id: 'box', name: 'Box', room: 'room', breakers, cables: fedAtTheSwitch(true) },
    controls: [{ group: 'light', name: 'Light', old: 'old-switch' }],
  })
  return job.record()
}

/** The record with all that happened in it, as the server would have numbered it. */
function recorded(house: JobRecord, list: readonly Happening[]): JobRecord {
  const tables = { readings: {}, switchings: {}, locks: {} } as Record<string, Record<string, object>>
  for (const [at, { did, person, arrived, had, nth }] of list.entries()) {
    const placed = {
      ...{ id: `did-${at}`, seq: arrived, at: AT, revision: arrived, seen: had },
      ...{ device: `phone-${person}`, deviceNumber: nth, by: '' },
    }
    const put = (table: string, row: object) => (tables[table]![placed.id] = { ...row, ...placed })
    switch (did.is) {
      case 'on':
      case 'off':
        put('switchings', { ...BLANK.switchings, circuitId: `circuit-${did.breaker}`, to: did.is })
        break
      case 'lock':
        put('locks', { circuitId: `circuit-${did.breaker}`, how: 'lock-and-tag', keyWith: 'Wren' })
        break
      case 'tester':
      case 'reference':
        put('readings', { ...BLANK.readings, boxId: 'box', purpose: did.is, value: 120 })
        break
      case 'read': {
        const to = { purpose: 'dead', fromEndId: did.end, value: did.volts, breaker: 'off' }
        put('readings', { ...BLANK.readings, boxId: 'box', ...to })
      }
    }
  }
  return { ...house, ...tables } as unknown as JobRecord
}

const BREAKERS = [['7'], ['7', '8']] as const
const HOUSES = new Map(BREAKERS.map(breakers => [breakers, bare(breakers)]))

/** People who mostly do the next thing of the safe order, and now and then something else. */
function story(seed: number, people: number) {
  const draw = lot(seed)
  const breakers = BREAKERS[draw(2)]!
  const house = HOUSES.get(breakers)!
  const ends = boxView(house, 'box')!
    .ends.slice(0, 2)
    .map(({ end }) => end.id)
  const some = <Of>(of: readonly Of[]): Of => of[draw(of.length)]!
  const round: Did[] = [
    { is: 'tester' },
    { is: 'reference' },
    ...breakers.flatMap((breaker): Did[] => [
      { is: 'off', breaker },
      { is: 'lock', breaker },
    ]),
    ...ends.map((end): Did => ({ is: 'read', end, volts: 0 })),
    { is: 'tester' },
  ]
  let next = 0
  const did = (): Did => {
    switch (draw(14)) {
      case 0:
        return { is: 'on', breaker: some(breakers) }
      case 1:
        return { is: 'read', end: some(ends), volts: draw(3) === 0 ? 118 : 0 }
      case 2:
        return some(round)
      default:
        return round[next++ % round.length]!
    }
  }
  const list = happenings(draw, people, round.length + draw(4), did)
  // Only these ends are there to be read.
  const record = recorded(house, list)
  const kept = Object.fromEntries(Object.entries(record.ends).filter(([id]) => ends.includes(id)))
  return { list, breakers, ends, view: boxView({ ...record, ends: kept }, 'box')! }
}

describe('dead is what is dead in every order that may have been', () => {
  it('of several people, each with what had come to his phone', () => {
    let dead = 0
    let judged = 0
    for (let seed = 1; seed <= 8000 * TIMES; seed++) {
      const { list, breakers, ends, view } = story(seed, 2 + (seed % 2))
      const however = deadHowever(list, breakers, ends, 20_000)
      const said = isolationOf(view).dead
      if (said) dead++
      if (however === null) continue
      judged++
      if (said && !however) throw new Error(`seed ${seed}: said to be dead, and may be live`)
    }
    expect(judged).toBeGreaterThan(7000 * TIMES)
    expect(dead).toBeGreaterThan(100 * TIMES)
  })

  it('of one person alone, just so', () => {
    let dead = 0
    for (let seed = 1; seed <= 2000 * TIMES; seed++) {
      const { list, breakers, ends, view } = story(seed, 1)
      const plainly = deadAfter(
        list.map(({ did }) => did),
        breakers,
        ends,
      )
      expect([seed, isolationOf(view).dead]).toEqual([seed, plainly])
      if (plainly) dead++
    }
    expect(dead).toBeGreaterThan(100 * TIMES)
  })
})
