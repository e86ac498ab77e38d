import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { bareJob, strand, switchLoop, usualBox, type UsualBox } from '@/demo/usual'
import { boxView, type BoxView } from '../job/box-view'
import type { Rating } from '../model/device'
import type { JobRecord } from '../model/record'
import { checkPlace, type Judgement } from '.'

const judged = (view: BoxView, placeId: string, deviceId: string, given = trade): Judgement =>
  checkPlace(view, placeId, given).find(({ device }) => device.id === deviceId)!
const judge = (deviceId: string, given: UsualBox, of = trade) =>
  judged(usualBox(given), 'box-1', deviceId, of)
const lines = ({ lines: all }: Judgement, rule: string) => all.filter(each => each.rule === rule)

/** A device of the catalogue with other ratings. */
const rated = (deviceId: string, ratings: readonly Pick<Rating, 'kind' | 'unit' | 'limit'>[]) => ({
  ...trade,
  devices: trade.devices.map(each =>
    each.id === deviceId
      ? { ...each, ratings: ratings.map(of => ({ ...of, oneSide: null, bothSides: null })) }
      : each,
  ),
})

type Lamp = NonNullable<UsualBox['lamps']>[number]
const fan = (horsepower: number): Lamp => ({ kind: 'fan-motor', wattsEach: 100, count: 1, horsepower })

describe('all ratings of one kind hold together', () => {
  // ½ hp takes 9.8 A by the table.
  it.each([
    [0.75, 12, 'fits'],
    [0.25, 12, 'does-not-fit'],
    [0.75, 8, 'does-not-fit'],
  ] as const)('a motor of ½ hp against %d hp and %d A: %s', (horsepower, amps, verdict) => {
    const given = rated('sensor-neutral', [
      { kind: 'motor', unit: 'hp', limit: horsepower },
      { kind: 'motor', unit: 'A', limit: amps },
    ])
    const found = lines(judge('sensor-neutral', { lamps: [fan(0.5)] }, given), 'load-kind')
    expect(found).toHaveLength(2)
    expect(found.every(each => each.verdict === 'fits')).toBe(verdict === 'fits')
  })

  it('in the sum over kinds the one that is nearest its limit counts', () => {
    const given = rated('sensor-neutral', [
      { kind: 'led', unit: 'W', limit: 1000 },
      { kind: 'led', unit: 'A', limit: 1 },
      { kind: 'tungsten', unit: 'W', limit: 1000 },
    ])
    // 60 W of LED at a power factor of 1 are 0.5 A: a half of 1 A; 600 W of tungsten are six tenths.
    const lamps: Lamp[] = [
      { kind: 'led', wattsEach: 60, count: 1, dimmable: 'yes', powerFactor: 1 },
      { kind: 'tungsten', wattsEach: 600, count: 1 },
    ]
    const [sum] = lines(judge('sensor-neutral', { lamps }, given), 'load-sum')
    expect(sum).toMatchObject({ verdict: 'does-not-fit', value: expect.closeTo(110, 6) })
    expect(sum!.cures.map(({ id }) => id)).toEqual(['larger-device', 'less-load'])
  })
})

it('a power factor that is not printed is said as what it counts as', () => {
  const given = rated('sensor-neutral', [
    { kind: 'electronic-ballast', unit: 'A', limit: 5 },
    { kind: 'led', unit: 'A', limit: 5 },
  ])
  const says = (kind: Lamp['kind']) =>
    lines(judge('sensor-neutral', { lamps: [{ kind, wattsEach: 50, count: 2 }] }, given), 'load-kind')[0]!
      .says
  expect(says('electronic-ballast')).toContain('counted as 0.95.')
  expect(says('led')).toContain('counted as 0.5.')
})

it('what lives through the lamp does not through an electronic ballast', () => {
  const lamps: Lamp[] = [{ kind: 'electronic-ballast', wattsEach: 60, count: 2 }]
  expect(lines(judge('dimmer-led-150-two-wire', { lamps }), 'ballast')).toMatchObject([
    { verdict: 'does-not-fit' },
  ])
  expect(lines(judge('dimmer-led-150-neutral', { lamps }), 'ballast')).toEqual([])
  expect(lines(judge('switch-plain-15', { lamps }), 'ballast')).toEqual([])
})

describe('what is not seen yet is not absent', () => {
  it.each([
    [true, 'does-not-fit', 'No neutral in this box.'],
    [false, 'not-known', 'None seen so far, and not all of the box is recorded.'],
  ] as const)('all of the box recorded: %s', (recorded, verdict, says) => {
    const found = judge('dimmer-led-150-neutral', { cables: switchLoop(true), box: { recorded } })
    expect(lines(found, 'supply-neutral')).toMatchObject([{ verdict, says }])
  })
})

/** Three boxes on breaker 7 or 9, of one light each, and so many watts of lamps that run for hours. */
function threeLights(watts: readonly [number, number, number], said = true): JobRecord {
  const job = bareJob('three-lights', { breakers: ['7', '9'] })
  const of = ['7', '7', '9'] as const
  watts.forEach((wattsEach, at) =>
    job.box({
      id: `box${at}`,
      room: 'room',
      name: `Box ${at}`,
      breakers: said ? [of[at]!] : ['7', '9'],
      controls: [
        {
          group: `light${at}`,
          name: `Light ${at}`,
          old: 'old-switch',
          lamps: [{ kind: 'tungsten', wattsEach, count: 1, longHours: true }],
        },
      ],
      cables: [
        {
          name: 'A',
          far: 'panel',
          entry: 'bottom',
          strands: [strand('black', 'upper', 'line'), strand('white', 'cap', 'neutral')],
        },
        {
          name: 'B',
          far: 'panel',
          entry: 'bottom',
          strands: said ? [] : [strand('black', 'cap', 'line')],
        },
        {
          name: 'L',
          far: 'luminaire',
          entry: 'top',
          strands: [strand('black', 'lower', 'switched-load', { group: `light${at}` })],
        },
      ].filter(({ strands }) => strands.length > 0) as never,
    }),
  )
  return job.record()
}

describe('a breaker bears all that hangs on it', () => {
  // 120 V, 15 A, long hours at 125 %: 600 W count as 6.25 A.
  const breaker = (record: JobRecord, at: number) =>
    lines(judged(boxView(record, `box${at}`)!, `box${at}-1`, 'switch-plain-15'), 'breaker')[0]!

  it('the lights of other boxes on it count, those of another do not', () => {
    const record = threeLights([600, 600, 600])
    expect(breaker(record, 0)).toMatchObject({
      verdict: 'fits',
      value: expect.closeTo(12.5, 6),
      says: '12.5 of 15 A on breaker 7: 6.25 A here, 6.25 A of other lights.',
    })
    expect(breaker(record, 2)).toMatchObject({ verdict: 'fits', value: 6.3 })
    expect(breaker(threeLights([600, 900, 600]), 0)).toMatchObject({ verdict: 'does-not-fit' })
    expect(breaker(threeLights([600, 900, 600]), 2)).toMatchObject({ verdict: 'fits' })
  })

  it('no lamps recorded is not none', () => {
    const record = threeLights([600, 600, 600])
    const loads = Object.fromEntries(
      Object.entries(record.loads).filter(([, { groupId }]) => groupId !== 'light0'),
    )
    expect(breaker({ ...record, loads }, 0)).toMatchObject({
      verdict: 'not-known',
      says: '6.25 of 15 A on breaker 7, without the lamps here, which nobody has read.',
    })
    // Seen from the other light on that breaker it is named, and counted as nothing.
    expect(breaker({ ...record, loads }, 1)).toMatchObject({
      verdict: 'fits',
      says: '6.25 of 15 A, this load on its breaker. Not in it, since nobody has read it: “Light 0”.',
    })
  })

  it('where two come in and none is said to be its own, that is asked; more than either bears is told', () => {
    expect(breaker(threeLights([600, 600, 600], false), 0)).toMatchObject({
      verdict: 'not-known',
      settledBy: expect.stringContaining('hunt'),
    })
    expect(breaker(threeLights([1600, 600, 600], false), 0)).toMatchObject({ verdict: 'does-not-fit' })
  })
})
