import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { strand, switchLoop, usualBox, type UsualBox } from '@/demo/usual'
import { checkPlace, type Judgement, type Verdict } from '.'

/*
 * Cases that can be checked by hand, from the figures of the trade: ratings as the catalogue prints them, amperes as watts by power factor by volts.
 */

const judged = (deviceId: string, given: UsualBox): Judgement =>
  checkPlace(usualBox(given), 'box-1', trade).find(each => each.device.id === deviceId)!
const lineIn = (judgement: Judgement, rule: string) => judgement.lines.find(each => each.rule === rule)

type Lamp = NonNullable<UsualBox['lamps']>[number]
const lamp = (kind: Lamp['kind'], count: number, wattsEach: number, more: Partial<Lamp> = {}): Lamp => ({
  kind,
  count,
  wattsEach,
  dimmable: 'yes',
  ...more,
})

/** A device, its load, the line that decides, its figures to 0.1, and what it says. */
const LOADS: readonly [string, readonly Lamp[], string, number, number, Verdict][] = [
  // LED watts are compared in watts with an LED rating.
  ['dimmer-led-150-two-wire', [lamp('led', 10, 9)], 'load-kind', 90, 150, 'fits'],
  ['dimmer-led-150-two-wire', [lamp('led', 16, 9.4)], 'load-kind', 150.4, 150, 'does-not-fit'],
  ['dimmer-led-250-two-wire', [lamp('led', 16, 9.4)], 'load-kind', 150.4, 250, 'fits'],
  ['dimmer-led-250-two-wire', [lamp('led', 28, 9)], 'load-kind', 252, 250, 'does-not-fit'],
  ['dimmer-led-200-neutral', [lamp('led', 20, 10)], 'load-kind', 200, 200, 'fits'],
  ['dimmer-led-300-neutral', [lamp('led', 20, 15)], 'load-kind', 300, 300, 'fits'],
  ['dimmer-led-300-neutral', [lamp('cfl', 14, 22)], 'load-kind', 308, 300, 'does-not-fit'],
  ['sensor-neutral', [lamp('led', 40, 12)], 'load-kind', 480, 500, 'fits'],
  ['sensor-neutral-large', [lamp('led', 40, 12)], 'load-kind', 480, 1000, 'fits'],
  ['sensor-two-wire', [lamp('led', 12, 13)], 'load-kind', 156, 150, 'does-not-fit'],
  ['time-switch-sun', [lamp('led', 6, 80)], 'load-kind', 480, 500, 'fits'],
  ['time-switch-sun-20', [lamp('led', 6, 160)], 'load-kind', 960, 900, 'does-not-fit'],
  ['smart-dimmer-neutral', [lamp('led', 15, 10)], 'load-kind', 150, 150, 'fits'],
  ['control-keeps-fed', [lamp('led', 12, 9)], 'load-kind', 108, 600, 'fits'],
  // Tungsten in watts, or in amperes where the sheet says so: 900 W / 120 V = 7.5 A; 984 W = 8.2 A.
  ['dimmer-tungsten-600', [lamp('tungsten', 10, 60)], 'load-kind', 600, 600, 'fits'],
  ['dimmer-tungsten-600', [lamp('tungsten', 11, 60)], 'load-kind', 660, 600, 'does-not-fit'],
  ['time-switch-sun', [lamp('tungsten', 9, 100)], 'load-kind', 7.5, 8, 'fits'],
  ['time-switch-sun', [lamp('tungsten', 12, 82)], 'load-kind', 8.2, 8, 'does-not-fit'],
  ['time-switch-sun-20', [lamp('tungsten', 12, 82)], 'load-kind', 8.2, 12, 'fits'],
  ['switch-plain-15', [lamp('tungsten', 30, 60)], 'load-kind', 1800, 1800, 'fits'],
  ['switch-plain-20', [lamp('tungsten', 41, 60)], 'load-kind', 2460, 2400, 'does-not-fit'],
  ['timer-spring', [lamp('tungsten', 10, 100)], 'load-kind', 1000, 1000, 'fits'],
  // Transformers in volt-amperes: watts by power factor. 6 × 50 / 0.95 = 315.8; 5 × 50 / 0.95 = 263.2.
  [
    'dimmer-electronic-300',
    [lamp('electronic-transformer', 5, 50, { powerFactor: 0.95 })],
    'load-kind',
    263.2,
    300,
    'fits',
  ],
  [
    'dimmer-electronic-300',
    [lamp('electronic-transformer', 6, 50, { powerFactor: 0.95 })],
    'load-kind',
    315.8,
    300,
    'does-not-fit',
  ],
  [
    'dimmer-magnetic-600',
    [lamp('magnetic-transformer', 10, 50, { powerFactor: 0.9 })],
    'load-kind',
    555.6,
    600,
    'fits',
  ],
  [
    'dimmer-magnetic-600',
    [lamp('magnetic-transformer', 11, 50, { powerFactor: 0.9 })],
    'load-kind',
    611.1,
    600,
    'does-not-fit',
  ],
  [
    'dimmer-led-300-neutral',
    [lamp('magnetic-transformer', 14, 50, { powerFactor: 0.9 })],
    'load-kind',
    777.8,
    800,
    'fits',
  ],
  // Tubes on electronic ballasts in amperes: 8 × 58 / 0.95 / 120 = 4.07; 10 of them 5.09.
  ['sensor-neutral', [lamp('electronic-ballast', 8, 58, { powerFactor: 0.95 })], 'load-kind', 4.1, 5, 'fits'],
  [
    'sensor-neutral',
    [lamp('electronic-ballast', 10, 58, { powerFactor: 0.95 })],
    'load-kind',
    5.1,
    5,
    'does-not-fit',
  ],
  [
    'time-switch-sun',
    [lamp('electronic-ballast', 9, 58, { powerFactor: 0.95 })],
    'load-kind',
    4.6,
    5,
    'fits',
  ],
  [
    'sensor-neutral-large',
    [lamp('electronic-ballast', 10, 58, { powerFactor: 0.95 })],
    'load-kind',
    5.1,
    10,
    'fits',
  ],
  // Motors in horsepower where the sheet says hp.
  ['timer-countdown', [lamp('fan-motor', 1, 120, { horsepower: 1 / 6 })], 'load-kind', 0.2, 0.2, 'fits'],
  [
    'timer-countdown',
    [lamp('fan-motor', 1, 200, { horsepower: 1 / 4 })],
    'load-kind',
    0.3,
    0.2,
    'does-not-fit',
  ],
  ['timer-fan-quarter', [lamp('fan-motor', 1, 200, { horsepower: 1 / 4 })], 'load-kind', 0.3, 0.3, 'fits'],
  ['timer-spring', [lamp('fan-motor', 1, 370, { horsepower: 1 / 2 })], 'load-kind', 0.5, 0.5, 'fits'],
  ['switch-plain-20', [lamp('fan-motor', 1, 700, { horsepower: 1 })], 'load-kind', 1, 1, 'fits'],
  ['switch-plain-15', [lamp('fan-motor', 1, 700, { horsepower: 1 })], 'load-kind', 1, 0.5, 'does-not-fit'],
  // The general rating takes the whole current: 10 × 30 W at 0.5 is 600 VA of 5 A × 120 V.
  ['dimmer-led-300-neutral', [lamp('led', 10, 30, { powerFactor: 0.5 })], 'load-general', 600, 960, 'fits'],
  ['dimmer-led-150-neutral', [lamp('led', 10, 15, { powerFactor: null })], 'load-general', 300, 600, 'fits'],
  [
    'time-switch-sun-two-wire',
    [lamp('led', 10, 15, { powerFactor: null })],
    'load-general',
    300,
    600,
    'fits',
  ],
  ['sensor-two-wire', [lamp('tungsten', 5, 100)], 'load-general', 500, 504, 'fits'],
  // Kinds together: fractions of their own ratings. 75/150 + 300/600 = 1; 90/150 + 300/600 = 1.1.
  ['dimmer-led-150-neutral', [lamp('led', 5, 15), lamp('tungsten', 5, 60)], 'load-sum', 100, 100, 'fits'],
  [
    'dimmer-led-150-neutral',
    [lamp('led', 6, 15), lamp('tungsten', 5, 60)],
    'load-sum',
    110,
    100,
    'does-not-fit',
  ],
  ['sensor-neutral', [lamp('led', 10, 20), lamp('tungsten', 4, 100)], 'load-sum', 90, 100, 'fits'],
  [
    'timer-countdown',
    [lamp('led', 10, 12.5), lamp('fan-motor', 1, 60, { horsepower: 1 / 12 })],
    'load-sum',
    100,
    100,
    'fits',
  ],
  // The breaker: long hours at 125 %. 1,200 W / 120 V = 10 A, 12.5 A over long hours; 1,500 W 15.6 A.
  ['switch-plain-15', [lamp('tungsten', 12, 100)], 'breaker', 10, 15, 'fits'],
  ['switch-plain-15', [lamp('tungsten', 12, 100, { longHours: true })], 'breaker', 12.5, 15, 'fits'],
  ['switch-plain-15', [lamp('tungsten', 15, 100, { longHours: true })], 'breaker', 15.6, 15, 'does-not-fit'],
  ['switch-plain-15', [lamp('fan-motor', 1, 500, { horsepower: 1 / 2 })], 'breaker', 9.8, 15, 'fits'],
  ['switch-plain-20', [lamp('fan-motor', 1, 700, { horsepower: 1 })], 'breaker', 16, 15, 'does-not-fit'],
  // Electronics that live through the lamp: watts they need at least.
  ['dimmer-led-150-two-wire', [lamp('led', 1, 9)], 'minimum-load', 9, 10, 'fits-if'],
  ['dimmer-led-150-two-wire', [lamp('led', 2, 5)], 'minimum-load', 10, 10, 'fits'],
  ['dimmer-tungsten-600', [lamp('tungsten', 1, 25)], 'minimum-load', 25, 40, 'fits-if'],
  ['sensor-two-wire', [lamp('led', 2, 9)], 'minimum-load', 18, 25, 'fits-if'],
  ['time-switch-sun-two-wire', [lamp('led', 3, 9)], 'minimum-load', 27, 25, 'fits'],
]

describe('loads, to 0.1', () => {
  it.each(LOADS)('%s with %j: %s %f of %f', (device, lamps, rule, value, limit, verdict) => {
    const found = lineIn(
      judged(device, { lamps, box: { volumeCubicInches: 60, depthMillimetres: 90 } }),
      rule,
    )!
    expect({ value: Math.round(found.value! * 10) / 10, limit: Math.round(found.limit! * 10) / 10 }).toEqual({
      value,
      limit,
    })
    expect(found.verdict).toBe(verdict)
  })

  it('a percentage is of the limit: 136 of 150 leaves 9 %, 204 none', () => {
    expect(
      lineIn(judged('dimmer-led-150-neutral', { lamps: [lamp('led', 8, 17)] }), 'load-kind')!.says,
    ).toContain('9 % spare')
    expect(
      lineIn(judged('dimmer-led-150-neutral', { lamps: [lamp('led', 12, 17)] }), 'load-kind')!.spare,
    ).toBeCloseTo(-0.36, 9)
  })

  it.each(['dimmer-led-150-neutral', 'smart-dimmer-neutral', 'sensor-dimmer-neutral'])(
    'a fan on %s does not fit, whatever its watts',
    device => {
      const judgement = judged(device, { lamps: [lamp('fan-motor', 1, 20, { horsepower: 1 / 12 })] })
      expect(judgement.verdict).toBe('does-not-fit')
      expect(lineIn(judgement, 'motor')!.says).toBe('A motor may not be dimmed.')
    },
  )

  it('LED tubes are no load for a rating of electronic ballasts alone', () => {
    const judgement = judged('dimmer-magnetic-600', { lamps: [lamp('electronic-ballast', 2, 58)] })
    expect(lineIn(judgement, 'load-kind')).toMatchObject({ verdict: 'does-not-fit' })
    expect(lineIn(judgement, 'load-kind')!.says).toContain('Not rated for electronic ballast loads')
  })
})

describe('what keeps it alive', () => {
  const bare: UsualBox = {
    cables: [
      {
        name: 'A',
        entry: 'top',
        far: 'luminaire',
        strands: [strand('white', 'upper', 'loop-feed'), strand('black', 'lower', 'loop-return')],
      },
    ],
  }
  const loop: UsualBox = { cables: switchLoop(true) }
  it.each<[string, string, UsualBox, string, Verdict]>([
    ['sensor-neutral', 'a box with neither neutral nor ground', bare, 'supply-neutral', 'does-not-fit'],
    [
      'sensor-ground-referenced',
      'a box with neither neutral nor ground',
      bare,
      'supply-ground',
      'does-not-fit',
    ],
    ['sensor-convertible', 'a loop with a ground, the house rule off', loop, 'supply-ground', 'fits-if'],
    [
      'sensor-convertible',
      'a loop with a ground, the house rule on',
      { ...loop, rules: { 'ground-referenced': 'allowed' } },
      'supply-ground',
      'fits',
    ],
    [
      'sensor-ground-referenced',
      'a loop with a ground, the house rule off',
      loop,
      'supply-ground',
      'fits-if',
    ],
    [
      'sensor-ground-referenced',
      'a box with a neutral, the house rule on',
      { rules: { 'ground-referenced': 'allowed' } },
      'supply-ground',
      'does-not-fit',
    ],
    ['sensor-two-wire', 'a loop with 40 W', loop, 'minimum-load', 'fits'],
    ['dimmer-led-150-neutral', 'a loop', loop, 'supply-neutral', 'does-not-fit'],
  ])('%s in %s', (device, _, given, rule, verdict) => {
    expect(lineIn(judged(device, given), rule)?.verdict).toBe(verdict)
  })
})

describe('what a plate says instead of watts', () => {
  // 0.25 A at 120 V are 30 VA; at a printed power factor of 0.9, 27 W.
  it.each([
    ['amperes', { amperesEach: 0.25, powerFactor: 0.9 }, 27],
    ['volt-amperes', { voltAmperesEach: 30, powerFactor: 0.9 }, 27],
    ['no power factor: watts are at most the volt-amperes', { voltAmperesEach: 30 }, 30],
    ['watts beside them', { voltAmperesEach: 30, wattsEach: 21 }, 21],
  ] as const)('%s', (_, plate, watts) => {
    const found = judged('sensor-neutral', { lamps: [lamp('led', 4, 0, { wattsEach: null, ...plate })] })
    expect(lineIn(found, 'load-kind')).toMatchObject({ value: 4 * watts, verdict: 'fits' })
    expect(lineIn(found, 'load-kind')!.says).not.toContain('not printed')
  })

  it('nothing read of one kind is not known; what is known of it may be too much already', () => {
    const lamps = (watts: number) => [lamp('led', 4, watts), lamp('led', 2, 0, { wattsEach: null })]
    expect(lineIn(judged('dimmer-led-150-neutral', { lamps: lamps(10) }), 'load-kind')).toMatchObject({
      verdict: 'not-known',
      says: expect.stringContaining('40 of 150 W'),
      settledBy: expect.stringContaining('Read the watts'),
    })
    expect(lineIn(judged('dimmer-led-150-neutral', { lamps: lamps(40) }), 'load-kind')).toMatchObject({
      verdict: 'does-not-fit',
    })
  })

  it('what flows through the lamps at least is not told by volt-amperes', () => {
    const given = (more: Partial<Lamp>) =>
      lineIn(
        judged('dimmer-led-150-two-wire', { lamps: [lamp('led', 4, 0, { wattsEach: null, ...more })] }),
        'minimum-load',
      )
    expect(given({ voltAmperesEach: 30 })).toMatchObject({ verdict: 'not-known' })
    expect(given({ voltAmperesEach: 30, powerFactor: 0.9 })).toMatchObject({ verdict: 'fits', value: 108 })
  })

  it('a coil is held against the inductive rating, and never dimmed', () => {
    const coil = judged('dimmer-led-150-two-wire', { lamps: [lamp('inductive', 1, 20)] })
    // 20 W by half are 40 VA: a third of an ampere.
    expect(lineIn(coil, 'load-kind')).toMatchObject({
      value: 0.3,
      says: expect.stringContaining('inductive rating (by the general rating)'),
    })
    expect(lineIn(coil, 'dimmable')).toMatchObject({ verdict: 'does-not-fit' })
  })
})

describe('a dimmer that can cut either edge', () => {
  const phase = (...phases: readonly Lamp['phase'][]) => {
    const either = trade.devices.map(each =>
      each.id === 'dimmer-led-150-neutral' ? { ...each, dims: { phase: 'either' as const } } : each,
    )
    const view = usualBox({ lamps: phases.map(each => lamp('led', 1, 9, { phase: each })) })
    const found = checkPlace(view, 'box-1', { ...trade, devices: either })
    return lineIn(
      found.find(({ device }) => device.id === 'dimmer-led-150-neutral')!,
      'phase',
    )
  }

  it('is set as its lamps ask, and suits no two that ask for both', () => {
    expect(phase('trailing', 'either')).toMatchObject({
      verdict: 'fits',
      says: expect.stringContaining('trailing'),
    })
    expect(phase('leading', 'trailing')).toMatchObject({ verdict: 'does-not-fit' })
    expect(phase('either', 'not-known')).toBeUndefined()
  })
})

describe('a fan whose plate says amperes', () => {
  // ⅙ hp draws 4.4 A at 115 V, ¼ hp 5.8 A, 1 hp 16 A.
  it.each([
    [0.9, 1 / 6],
    [4.4, 1 / 6],
    [4.5, 1 / 4],
    [15.9, 1],
  ])('%f A count as the size of the table that draws as much: %f hp', (amperesEach, horsepower) => {
    const judgement = judged('timer-fan-quarter', {
      lamps: [lamp('fan-motor', 1, 0, { wattsEach: null, amperesEach, horsepower: null })],
    })
    const found = judgement.lines.find(({ rule, unit }) => rule === 'load-kind' && unit === 'hp')!
    expect(found.value).toBe(Math.round(horsepower * 10) / 10)
    expect(found.says).toContain('by the table for its amperes')
    expect(found.verdict).toBe(horsepower <= 0.25 ? 'fits' : 'does-not-fit')
  })

  it('beyond the table, or with nothing on it, is not known', () => {
    for (const amperesEach of [17, null]) {
      const judgement = judged('timer-fan-quarter', {
        lamps: [lamp('fan-motor', 1, 0, { wattsEach: null, amperesEach, horsepower: null })],
      })
      expect(judgement.lines.find(({ rule, unit }) => rule === 'load-kind' && unit === 'hp')?.verdict).toBe(
        'not-known',
      )
    }
  })
})
