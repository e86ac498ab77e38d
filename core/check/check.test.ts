import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { quillbackRoad } from '@/demo/quillback'
import { fedAtTheSwitch, strand, switchLoop, usualBox, type UsualBox } from '@/demo/usual'
import { boxView } from '../job/box-view'
import { deviceNamed } from '../model/trade'
import { checkPlace, raisedDefects, type Judgement, type Verdict } from '.'

const judge = (deviceId: string, given: UsualBox = {}): Judgement => {
  const found = checkPlace(usualBox(given), 'box-1', trade).find(each => each.device.id === deviceId)
  if (!found) throw new Error(`${deviceId} was not judged`)
  return found
}

const lineOf = (judgement: Judgement, rule: string) => judgement.lines.find(line => line.rule === rule)

type Lamp = NonNullable<UsualBox['lamps']>[number]
const led = (count: number, wattsEach: number, more: Partial<Lamp> = {}): UsualBox => ({
  lamps: [{ kind: 'led', count, wattsEach, dimmable: 'yes', powerFactor: 0.9, ...more }],
})

describe('neutral', () => {
  it('two conductors and a ground: no neutral in this box, and the cures', () => {
    const judgement = judge('dimmer-led-150-neutral', { cables: switchLoop(true) })
    expect(judgement.verdict).toBe('does-not-fit')
    expect(lineOf(judgement, 'supply-neutral')?.says).toBe('No neutral in this box.')
    expect(judgement.cures.map(cure => cure.id)).toEqual(
      expect.arrayContaining(['no-neutral-kind', 'new-cable']),
    )
  })

  it('a white on a screw of the switch is never taken for one, roles said or not', () => {
    const judgement = judge('dimmer-led-150-neutral', { cables: switchLoop(false), proven: false })
    expect(lineOf(judgement, 'supply-neutral')?.verdict).toBe('does-not-fit')
  })

  it('merely assumed from a white: not known, and the reading to take', () => {
    const judgement = judge('dimmer-led-150-neutral', { cables: fedAtTheSwitch(false), proven: false })
    expect(judgement.verdict).toBe('not-known')
    const line = lineOf(judgement, 'supply-neutral')!
    expect(line.verdict).toBe('not-known')
    expect(line.settledBy).toMatch(/Low-impedance meter, breaker on, joint closed: A white to/)
  })

  it('said by hand without a reading is still not known', () => {
    const judgement = judge('dimmer-led-150-neutral', { proven: false })
    expect(lineOf(judgement, 'supply-neutral')?.says).toBe('The neutral is only assumed: A white.')
  })

  it('proven: fits', () => {
    expect(judge('dimmer-led-150-neutral').verdict).toBe('fits')
  })

  it('nothing recorded: not known, and says what to do', () => {
    const judgement = judge('dimmer-led-150-neutral', { cables: [], proven: false })
    expect(lineOf(judgement, 'supply-neutral')?.settledBy).toMatch(/Record the cables/)
  })
})

describe('LED on a 150 W rating', () => {
  it('12 lamps of 17 W: 204 of 150, does not fit', () => {
    const judgement = judge('dimmer-led-150-neutral', led(12, 17))
    const line = lineOf(judgement, 'load-kind')!
    expect(line).toMatchObject({ verdict: 'does-not-fit', value: 204, limit: 150, unit: 'W' })
    expect(line.says).toContain('204 of 150 W')
    expect(line.cures.find(cure => cure.id === 'less-load')?.says).toContain('8 of the 12 lamps')
  })

  it('8 of them: 136 of 150, 9 % spare', () => {
    const line = lineOf(judge('dimmer-led-150-neutral', led(8, 17)), 'load-kind')!
    expect(line).toMatchObject({ verdict: 'fits', value: 136, limit: 150 })
    expect(line.spare).toBeCloseTo(14 / 150, 12)
    expect(line.says).toContain('9 % spare')
  })

  it('at power factor 0.6 the VA stand against the general rating', () => {
    const line = lineOf(judge('dimmer-led-150-neutral', led(8, 17, { powerFactor: 0.6 })), 'load-general')!
    expect(line).toMatchObject({ verdict: 'fits', value: 226.7, limit: 600, unit: 'VA' })
    expect(line.says).toContain('1.89 of 5 A')
  })

  it('a power factor that is not printed counts as 0.5, and that is said', () => {
    const line = lineOf(judge('dimmer-led-150-neutral', led(8, 17, { powerFactor: null })), 'load-general')!
    expect(line.value).toBe(272)
    expect(line.says).toContain('counted as 0.5')
  })

  it.each<[number, number, number]>([
    [1, 9, 9],
    [7, 20, 140],
    [10, 15, 150],
    [15, 10.1, 151.5],
  ])('%i × %f W is %f W', (count, watts, total) => {
    const line = lineOf(judge('dimmer-led-150-neutral', led(count, watts)), 'load-kind')!
    expect(line.value).toBe(total)
    expect(line.verdict).toBe(total > 150 ? 'does-not-fit' : 'fits')
  })
})

describe('other loads', () => {
  it.each<[string, Lamp, string, Verdict]>([
    ['time-switch-sun', { kind: 'tungsten', wattsEach: 100, count: 9 }, '7.5 of 8 A', 'fits'],
    ['time-switch-sun', { kind: 'tungsten', wattsEach: 100, count: 10 }, '8.3 of 8 A', 'does-not-fit'],
    [
      'sensor-neutral',
      { kind: 'electronic-ballast', wattsEach: 58, count: 4, powerFactor: 0.95 },
      '2 of 5 A',
      'fits',
    ],
    [
      'timer-countdown',
      { kind: 'fan-motor', wattsEach: 35, count: 1, horsepower: 1 / 6 },
      '0.17 of 0.17 hp',
      'fits',
    ],
    [
      'timer-countdown',
      { kind: 'fan-motor', wattsEach: 90, count: 1, horsepower: 1 / 4 },
      '0.25 of 0.17 hp',
      'does-not-fit',
    ],
    ['switch-plain-15', { kind: 'tungsten', wattsEach: 60, count: 2 }, '120 of 1800 W', 'fits'],
    [
      'dimmer-led-150-neutral',
      { kind: 'electronic-transformer', wattsEach: 50, count: 5, dimmable: 'yes', powerFactor: 0.95 },
      '263.2 of 300 VA',
      'fits',
    ],
  ])('%s with %j', (device, lamp, figures, verdict) => {
    const line = lineOf(judge(device, { lamps: [lamp] }), 'load-kind')!
    expect(line.says).toContain(figures)
    expect(line.verdict).toBe(verdict)
  })

  it('kinds on one device add up as fractions', () => {
    const lamps: UsualBox['lamps'] = [
      { kind: 'led', wattsEach: 10, count: 9, dimmable: 'yes', powerFactor: 0.9 },
      { kind: 'tungsten', wattsEach: 100, count: 3 },
    ]
    const line = lineOf(judge('dimmer-led-150-neutral', { lamps }), 'load-sum')!
    // 90/150 + 300/600 = 110 %.
    expect(line).toMatchObject({ verdict: 'does-not-fit', value: 110, limit: 100 })
  })

  it('no dimmer on a fan, a receptacle only on a device that allows it', () => {
    const fan: UsualBox = { lamps: [{ kind: 'fan-motor', wattsEach: 60, count: 1, horsepower: 1 / 6 }] }
    expect(lineOf(judge('dimmer-led-150-neutral', fan), 'motor')?.says).toBe('A motor may not be dimmed.')
    const receptacle: UsualBox = { lamps: [{ kind: 'receptacle', wattsEach: 100, count: 1 }] }
    expect(lineOf(judge('timer-countdown', receptacle), 'receptacle')?.verdict).toBe('does-not-fit')
    expect(lineOf(judge('switch-plain-15', receptacle), 'receptacle')).toBeUndefined()
  })

  it('a motor without its horsepower is not known', () => {
    const fan: UsualBox = { lamps: [{ kind: 'fan-motor', wattsEach: 60, count: 1 }] }
    expect(lineOf(judge('timer-countdown', fan), 'load-kind')?.verdict).toBe('not-known')
  })

  it('no lamps recorded is not known, never good', () => {
    expect(judge('switch-plain-15', { lamps: [] }).verdict).toBe('not-known')
  })
})

describe('dimming', () => {
  const dimmers = trade.devices.filter(
    device =>
      device.dims &&
      // Over a pair no lamp is told anything: its drivers are.
      device.dims.phase !== 'control-pair' &&
      device.stock === 'new' &&
      device.regions.includes('north-america-120') &&
      device.size.gangs === 1 &&
      device.ratings.some(({ kind }) => kind === 'led'),
  )
  it.each(dimmers.map(device => device.id))(
    'lamps that cannot be dimmed on %s: fits if they are changed, with count',
    id => {
      const judgement = judge(id, led(5, 9, { dimmable: 'no' }))
      expect(judgement.verdict).toBe('fits-if')
      expect(lineOf(judgement, 'dimmable')?.says).toBe('Fits if 5 lamps are changed to dimmable ones.')
      expect(judgement.cures.find(cure => cure.id === 'change-lamps')).toMatchObject({
        here: true,
        price: 30,
        minutes: 10,
      })
    },
  )

  it('nobody has read the print: not known', () => {
    const judgement = judge('dimmer-led-150-neutral', led(5, 9, { dimmable: 'not-known' }))
    expect(judgement.verdict).toBe('not-known')
    expect(judgement.settledBy).toContain('Read the print on one lamp of each kind.')
  })

  it('tubes on a ballast are never dimmed', () => {
    const tubes: UsualBox = { lamps: [{ kind: 'electronic-ballast', wattsEach: 58, count: 2 }] }
    expect(lineOf(judge('dimmer-led-150-neutral', tubes), 'dimmable')?.verdict).toBe('does-not-fit')
  })

  it('the other edge does not fit', () => {
    const judgement = judge('dimmer-led-150-two-wire', led(4, 9, { phase: 'trailing' }))
    expect(lineOf(judgement, 'phase')?.verdict).toBe('does-not-fit')
  })
})

describe('minimum load', () => {
  it.each<[number, Verdict]>([
    [1, 'fits-if'],
    [2, 'fits-if'],
    [3, 'fits'],
  ])('%i × 9 W on a device that needs 25 W: %s', (count, verdict) => {
    const judgement = judge('smart-switch-two-wire', led(count, 9))
    expect(lineOf(judgement, 'minimum-load')).toMatchObject({ verdict, value: count * 9, limit: 25 })
    if (verdict === 'fits-if') expect(judgement.cures.map(cure => cure.id)).toContain('bypass')
  })
})

describe('ground-referenced and convertible sensors', () => {
  const loop = { cables: switchLoop(true) }
  it('house rule off: fits if it is allowed; on: fits', () => {
    expect(judge('sensor-ground-referenced', loop).verdict).toBe('fits-if')
    expect(
      judge('sensor-ground-referenced', { ...loop, rules: { 'ground-referenced': 'allowed' } }).verdict,
    ).toBe('fits')
    expect(judge('sensor-convertible', loop).verdict).toBe('fits-if')
    expect(judge('sensor-convertible', { ...loop, rules: { 'ground-referenced': 'allowed' } }).verdict).toBe(
      'fits',
    )
  })

  it('a ground never takes the place of a neutral that is there', () => {
    expect(
      lineOf(
        judge('sensor-ground-referenced', { rules: { 'ground-referenced': 'allowed' } }),
        'supply-ground',
      )?.verdict,
    ).toBe('does-not-fit')
  })

  it('neither neutral nor ground: no sensor fits', () => {
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
    for (const id of ['sensor-neutral', 'sensor-ground-referenced', 'sensor-convertible'])
      expect(judge(id, bare).verdict).toBe('does-not-fit')
    expect(lineOf(judge('switch-plain-15', bare), 'ground')?.verdict).toBe('fits-if')
  })
})

describe('conductors, terminals, box', () => {
  it('14 AWG on 20 A: the conductor does not bear the breaker', () => {
    expect(lineOf(judge('switch-plain-20', { ratedAmps: 20 }), 'conductor-breaker')).toMatchObject({
      verdict: 'does-not-fit',
      value: 20,
      limit: 15,
    })
  })

  it('12 AWG on a push-in terminal: a pigtail; push-in off by house rule', () => {
    const twelve = { cables: fedAtTheSwitch(true, { gauge: '12 AWG' as const }) }
    const judgement = judge('switch-plain-15-push-in', twelve)
    expect(judgement.cures.map(cure => cure.id)).toEqual(expect.arrayContaining(['pigtail', 'house-rule']))
    expect(judge('switch-plain-15-push-in', { rules: { 'push-in': 'yes' } }).verdict).toBe('fits')
  })

  it('aluminium asks for listed connectors', () => {
    const aluminium = {
      cables: fedAtTheSwitch(true, { gauge: '12 AWG' as const, metal: 'aluminium' as const }),
    }
    expect(judge('switch-plain-15', aluminium).cures.map(cure => cure.id)).toContain('listed-connector')
  })

  it.each<[number, boolean, string, number]>([
    // 4 conductors 8 + grounds 2 + yoke 4 = 14.00
    [18, false, 'grounds-in-quarters', 14],
    [18, true, 'grounds-in-quarters', 16],
    [12.5, false, 'grounds-as-one', 14],
  ])('%f in³, clamps %s, %s: %f in³ needed', (volumeCubicInches, innerClamps, edition, needed) => {
    const line = lineOf(
      judge('switch-plain-15', {
        box: { volumeCubicInches, innerClamps },
        rules: { 'fill-edition': edition },
      }),
      'box-fill',
    )!
    expect(line.value).toBe(needed)
    expect(line.verdict).toBe(needed > volumeCubicInches ? 'fits-if' : 'fits')
  })

  it('grounds above four count a quarter each by the newer rule', () => {
    const third = (name: string) => ({
      name,
      entry: 'top' as const,
      far: 'elsewhere' as const,
      strands: [strand('bare', 'joint:grounds', 'ground')],
    })
    const cables = [...fedAtTheSwitch(true), third('C'), third('D'), third('E'), third('F')]
    const fill = (edition: string) =>
      lineOf(judge('switch-plain-15', { cables, rules: { 'fill-edition': edition } }), 'box-fill')?.value
    expect(fill('grounds-in-quarters')).toBe(15)
    expect(fill('grounds-as-one')).toBe(14)
  })

  it('volume passes and depth fails', () => {
    const judgement = judge('smart-dimmer-neutral', { box: { depthMillimetres: 45, volumeCubicInches: 30 } })
    expect(lineOf(judgement, 'box-fill')?.verdict).toBe('fits')
    expect(lineOf(judgement, 'box-depth')).toMatchObject({ verdict: 'fits-if', value: 50, limit: 45 })
  })

  it('long hours count at 125 %', () => {
    const line = lineOf(judge('switch-plain-15', led(10, 108, { longHours: true })), 'breaker')!
    // 1080 W / 0.9 / 120 V = 10 A; × 1.25.
    expect(line.value).toBe(12.5)
  })
})

describe('order and sameness', () => {
  it('what is wanted first, then the better verdict, then the lower price', () => {
    const judgements = checkPlace(usualBox({ want: 'dim' }), 'box-1', trade)
    const split = judgements.findIndex(each => !each.meetsWant)
    expect(judgements.slice(0, split).every(each => each.device.does.includes('dim'))).toBe(true)
    expect(judgements.slice(split).some(each => each.meetsWant)).toBe(false)
  })

  it('every line rests on a fact, and the same question gives the same answer', () => {
    const judgements = checkPlace(usualBox(), 'box-1', trade)
    for (const line of judgements.flatMap(each => each.lines)) expect(trade.facts[line.factId]).toBeDefined()
    expect(JSON.stringify(checkPlace(usualBox(), 'box-1', trade))).toBe(JSON.stringify(judgements))
  })

  it('a device of the other region is not offered', () => {
    expect(checkPlace(usualBox(), 'box-1', trade).some(each => each.device.id.includes('230'))).toBe(false)
    expect(deviceNamed(trade, 'switch-230-10')).toBeDefined()
  })
})

describe('defects raised without being asked', () => {
  const raised = (given: UsualBox) =>
    raisedDefects(usualBox(given), trade).map(each => `${each.severity}: ${each.what}`)

  it('a 14 AWG piece on a 20 A circuit', () => {
    const cables = fedAtTheSwitch(true, { gauge: '12 AWG', loadGauge: '14 AWG' })
    expect(raised({ cables, ratedAmps: 20 })).toContain(
      'danger: Cable B is 14 AWG on breaker 7 of 20 A (at most 15 A)',
    )
    expect(raised({ cables, ratedAmps: 15 }).join()).not.toContain('14 AWG')
  })

  it('an unmarked white on a switch screw', () => {
    expect(raised({ cables: switchLoop(true) })).toContain('defect: A white is used as hot and not marked')
  })

  it('a metal box without a ground, or not bonded', () => {
    const bare = [
      {
        name: 'A',
        entry: 'top' as const,
        far: 'panel' as const,
        strands: [strand('black', 'upper', 'line'), strand('white', 'joint:w', 'neutral')],
      },
    ]
    expect(raised({ cables: bare, box: { material: 'metal' } })).toContain(
      'danger: Metal box without a ground',
    )
    expect(raised({ box: { material: 'metal', bonded: 'no' } })).toContain(
      'danger: The metal box is not bonded',
    )
  })

  it('aluminium, a loose end, two under one screw, cloth, set back in wood, overfull', () => {
    expect(raised({ cables: fedAtTheSwitch(true, { metal: 'aluminium' }) })).toContain(
      'danger: Aluminum conductors',
    )
    const loose = [
      {
        name: 'A',
        entry: 'top' as const,
        far: 'panel' as const,
        sheath: 'cloth' as const,
        strands: [strand('black', 'loose', 'line'), strand('red', 'upper'), strand('blue', 'upper')],
      },
    ]
    const found = raised({
      cables: loose,
      proven: false,
      box: { surface: 'wood', setBackMillimetres: 4, volumeCubicInches: 6 },
    }).join('\n')
    expect(found).toContain('A black ends loose in the box')
    expect(found).toContain('A red and A blue sit under one screw')
    expect(found).toContain('cloth covered')
    expect(found).toContain('0.16 in back in wood, which burns (at most 0 in)')
    expect(found).toContain('Overfull as found: 10 of 6 in³')
  })

  it('a sound box raises nothing', () => {
    expect(raised({})).toEqual([])
  })
})

describe('a light with several places', () => {
  const record = quillbackRoad()
  const judgeAt = (placeId: string, boxId: string, deviceId: string) =>
    checkPlace(boxView(record, boxId)!, placeId, trade).find(each => each.device.id === deviceId)!

  it('what is made for one place does not fit', () => {
    const judgement = judgeAt('box-stair-top-1', 'box-stair-top', 'switch-plain-15')
    expect(lineOf(judgement, 'places')).toMatchObject({ verdict: 'does-not-fit' })
  })

  it('what is made for several is not taken as good for one of them', () => {
    const judgement = judgeAt('box-stair-top-1', 'box-stair-top', 'switch-two-place-15')
    expect(lineOf(judgement, 'places')).toMatchObject({
      verdict: 'not-known',
      settledBy: expect.stringContaining('whole light'),
    })
    expect(judgement.verdict).not.toBe('fits')
  })
})
