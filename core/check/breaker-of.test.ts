import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { bareJob, strand } from '@/demo/usual'
import { boxView } from '../job/box-view'
import type { JobRecord } from '../model/record'
import { checkPlace, raisedDefects } from '.'

/** Two switches: the left on 14 AWG of breaker 7, the right on 12 AWG of breaker 9, each on its screws. */
function twoGauges(amps: readonly [seven: number, nine: number], marked = true): JobRecord {
  const job = bareJob('two-gauges', { breakers: ['7', '9'] })
  const sides = [
    { breaker: '7', gauge: '14 AWG', group: 'left', gang: 1 },
    { breaker: '9', gauge: '12 AWG', group: 'right', gang: 2 },
  ] as const
  job.box({
    id: 'box',
    room: 'room',
    name: 'By the door',
    breakers: ['7', '9'],
    box: { gangs: 2 },
    controls: sides.map(({ group }) => ({ group, name: group, old: 'old-switch' })),
    cables: sides.flatMap(({ breaker, gauge, group, gang }) => [
      {
        name: `F${breaker}`,
        far: 'panel' as const,
        entry: 'bottom' as const,
        strands: [
          strand('black', `${gang}.upper`, 'line', { gauge, circuit: breaker }),
          strand('white', 'cap', 'neutral', { gauge }),
        ],
      },
      {
        name: `L${breaker}`,
        far: 'luminaire' as const,
        entry: 'top' as const,
        strands: [strand(marked ? 'black' : 'white', `${gang}.lower`, 'switched-load', { gauge, group })],
      },
    ]),
  })
  const record = job.record()
  const circuits = Object.fromEntries(
    Object.entries(record.circuits).map(([id, circuit]) => [
      id,
      { ...circuit, ratedAmps: circuit.breaker === '7' ? amps[0] : amps[1] },
    ]),
  )
  return { ...record, circuits }
}

/** The same with nobody having said which breaker is whose. */
const unsaid = (record: JobRecord): JobRecord => ({
  ...record,
  ends: Object.fromEntries(
    Object.entries(record.ends).map(([id, end]) => [id, { ...end, roleCircuitId: null }]),
  ),
})

const raised = (record: JobRecord) =>
  raisedDefects(boxView(record, 'box')!, trade).map(({ severity, what }) => `${severity}: ${what}`)
const line = (record: JobRecord) =>
  checkPlace(boxView(record, 'box')!, 'box-1', trade)
    .find(({ device }) => device.id === 'switch-plain-15')!
    .lines.find(({ rule }) => rule === 'conductor-breaker')!

describe('a conductor is judged by its own breaker', () => {
  it('14 AWG on 15 A beside 12 AWG on 20 A is as it should be', () => {
    expect(raised(twoGauges([15, 20])).join()).not.toMatch(/14 AWG/)
    expect(line(twoGauges([15, 20])).verdict).toBe('fits')
  })

  it('the breakers exchanged: the cables of 7 alone, its switched conductor too, and 7 by name', () => {
    const wrong = raised(twoGauges([20, 15])).filter(each => each.includes('AWG'))
    expect(wrong.sort()).toEqual([
      'danger: Cable F7 is 14 AWG on breaker 7 of 20 A (at most 15 A)',
      'danger: Cable L7 is 14 AWG on breaker 7 of 20 A (at most 15 A)',
    ])
    expect(line(twoGauges([20, 15]))).toMatchObject({ verdict: 'does-not-fit', value: 20, limit: 15 })
  })

  it('which it is on is not said: asked, and no danger is called that may be none', () => {
    const record = unsaid(twoGauges([15, 20]))
    expect(raised(record).join()).not.toMatch(/AWG/)
    expect(line(record)).toMatchObject({
      verdict: 'not-known',
      says: 'F7 black is 14 AWG (at most 15 A); which breaker of 7 with 15 A, 9 with 20 A it is on is not said.',
    })
    expect(raised(unsaid(twoGauges([20, 20]))).filter(each => each.includes('14 AWG'))).toHaveLength(2)
  })
})

it.each([
  // In that colour it may feed a switch, not return from it: no mark cures that.
  ['switched-load', 'brings the switched hot back: in its color it may only feed'],
  ['traveller', 'is used as traveler and not marked'],
  ['line', 'is used as hot and not marked'],
] as const)('a white without a mark used as %s is raised', (role, words) => {
  const record = twoGauges([15, 20], false)
  const ends = Object.fromEntries(
    Object.entries(record.ends).map(([id, end]) => [
      id,
      end.role === 'switched-load' ? { ...end, role } : end,
    ]),
  )
  expect(raised({ ...record, ends }).join()).toContain(`L7 white ${words}`)
  expect(raised(twoGauges([15, 20])).join()).not.toContain('not marked')
})

describe('what one strap or one tail carries', () => {
  it('a pigtail thinner than its breaker allows is raised, and renewed with the work', () => {
    const job = bareJob('tail')
    job.box({
      id: 'box',
      room: 'room',
      name: 'By the door',
      breakers: ['7'],
      controls: [{ group: 'light', name: 'Light', old: 'old-switch' }],
      cables: [
        {
          name: 'A',
          far: 'panel',
          entry: 'bottom',
          strands: [
            strand('black', 'joint:hots', 'line', { gauge: '12 AWG' }),
            strand('white', 'cap', 'neutral', { gauge: '12 AWG' }),
          ],
        },
        {
          name: 'B',
          far: 'elsewhere',
          entry: 'top',
          strands: [strand('black', 'joint:hots', 'onward-feed', { gauge: '12 AWG' })],
        },
      ],
      pigtails: [['hots', 'upper']],
    })
    const given = (gauge: '14 AWG' | '12 AWG' | '18 AWG' | null, ratedAmps: number): JobRecord => {
      const record = job.record()
      const [tail] = Object.values(record.pigtails)
      return {
        ...record,
        circuits: { 'circuit-7': { ...record.circuits['circuit-7']!, ratedAmps } },
        pigtails: { [tail!.id]: { ...tail!, gauge } },
      }
    }
    const tails = (record: JobRecord) => raised(record).filter(each => each.includes('pigtail'))
    const renewed = (record: JobRecord) =>
      checkPlace(boxView(record, 'box')!, 'box-1', trade)[0]!.lines.filter(
        ({ rule }) => rule === 'pigtail-gauge',
      )
    expect(tails(given('14 AWG', 20))).toEqual([
      'danger: A pigtail from the joint of A black is 14 AWG on breaker 7 of 20 A (at most 15 A)',
    ])
    expect(renewed(given('14 AWG', 20))).toMatchObject([
      { verdict: 'fits-if', cures: [{ says: 'Renew the pigtail in 12 AWG.', here: true }] },
    ])
    expect(tails(given('18 AWG', 15))).toHaveLength(1)
    for (const [gauge, amps] of [
      ['14 AWG', 15],
      ['12 AWG', 20],
      [null, 20],
    ] as const) {
      expect(tails(given(gauge, amps))).toEqual([])
      expect(renewed(given(gauge, amps))).toEqual([])
    }
  })

  it('two circuits on one strap go off together', () => {
    const both = (tied: boolean, second: string | null): JobRecord => {
      const record = twoGauges([15, 20])
      const right = Object.values(record.ends).find(
        ({ roleCircuitId, role }) => roleCircuitId === 'circuit-9' && role === 'line',
      )!
      return {
        ...record,
        circuits: Object.fromEntries(
          Object.entries(record.circuits).map(([id, row]) => [
            id,
            { ...row, poles: 2, handleWithId: tied && id === 'circuit-9' ? 'circuit-7' : null },
          ]),
        ),
        ends: {
          ...record.ends,
          [right.id]: { ...right, deviceId: 'box-1-old', terminal: 'lower', roleCircuitId: second },
        },
      }
    }
    const strap = (record: JobRecord) => raised(record).filter(each => each.includes('one strap'))
    expect(strap(both(false, 'circuit-9'))).toEqual([
      expect.stringMatching(/^danger: 7 and 9 end on one strap in gang 1 and are not switched off together/),
    ])
    expect(strap(both(true, 'circuit-9'))).toEqual([])
    expect(strap(both(false, 'circuit-7'))).toEqual([])
    expect(strap(twoGauges([15, 20]))).toEqual([])
  })

  it('the switched conductor bears what its breaker lets through, like the hot', () => {
    const record = twoGauges([15, 20])
    const ends = Object.fromEntries(Object.entries(record.ends).filter(([, { boxId }]) => boxId === 'box'))
    const load = Object.values(ends).find(({ roleGroupId }) => roleGroupId === 'right')!
    const thin = {
      ...record,
      conductors: {
        ...record.conductors,
        [load.conductorId]: { ...record.conductors[load.conductorId]!, gauge: '14 AWG' as const },
      },
    }
    expect(line(record).verdict).toBe('fits')
    expect(line(thin)).toMatchObject({
      verdict: 'does-not-fit',
      says: '20 A breaker on 14 AWG (at most 15 A).',
    })
  })
})
