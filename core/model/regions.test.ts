import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { saltpanQuay } from '@/demo/saltpan'
import { checkPlace } from '../check'
import { boxView } from '../job/box-view'
import { planBox, testList } from '../plan'
import { isNominal, regionOf } from './regions'
import { REGION_IDS } from './vocabulary'

describe('regions', () => {
  it.each(REGION_IDS)('%s: its band holds its nominal, its gauges have figures', id => {
    const region = regionOf(id)
    expect(isNominal(region.nominalVolts, region)).toBe(true)
    expect(isNominal(0, region)).toBe(false)
    expect(region.gauges).toContain(region.usualGauge)
    for (const gauge of region.gauges) expect(trade.conductors[gauge]).toBeDefined()
  })

  it.each([
    [109.9, false],
    [110, true],
    [126, true],
    [126.1, false],
  ])('%f V at 120 V nominal: %s', (volts, nominal) => {
    expect(isNominal(volts, regionOf('north-america-120'))).toBe(nominal)
  })

  it.each([
    [206, false],
    [207, true],
    [253, true],
    [254, false],
  ])('%f V at 230 V nominal: %s', (volts, nominal) => {
    expect(isNominal(volts, regionOf('europe-230'))).toBe(nominal)
  })
})

describe('the 230 V profile in a job', () => {
  const record = saltpanQuay()
  const hallway = boxView(record, 'box-hallway')!
  const bedroom = boxView(record, 'box-bedroom')!

  it('offers only devices made for it, and judges boxes by depth', () => {
    const judgements = checkPlace(hallway, 'box-hallway-1', trade)
    expect(judgements.length).toBeGreaterThanOrEqual(5)
    expect(judgements.every(each => each.device.regions.includes('europe-230'))).toBe(true)
    const rules = judgements.flatMap(each => each.lines.map(line => line.rule))
    expect(rules).toContain('box-depth')
    expect(rules).not.toContain('box-fill')
  })

  it('speaks its words', () => {
    const says = planBox(bedroom, trade)
      .steps.map(step => step.says)
      .join('\n')
    expect(says).toContain('MCB 3')
    expect(says).not.toMatch(/breaker/)
    expect(
      testList(bedroom, bedroom.places[0]!, trade)
        .map(item => item.says)
        .join(),
    ).toContain('earth')
  })

  it('a dimmer too deep for a 25 mm box fits only with a deeper one', () => {
    const dimmer = checkPlace(bedroom, 'box-bedroom-1', trade).find(
      each => each.device.id === 'dimmer-230-two-wire',
    )!
    const depth = dimmer.lines.find(line => line.rule === 'box-depth')!
    expect(depth).toMatchObject({ verdict: 'fits-if', value: 42, limit: 25 })
  })

  it('the dimmer’s own ground is not asked for where it has none', () => {
    const dimmer = checkPlace(hallway, 'box-hallway-1', trade).find(
      each => each.device.id === 'dimmer-230-two-wire',
    )!
    expect(dimmer.lines.some(line => line.rule === 'ground')).toBe(false)
    expect(dimmer.verdict).toBe('fits')
  })

  it('minimum load at 230 V is held against the lamp’s watts', () => {
    const dimmer = checkPlace(bedroom, 'box-bedroom-1', trade).find(
      each => each.device.id === 'dimmer-230-two-wire',
    )!
    expect(dimmer.lines.find(line => line.rule === 'minimum-load')).toMatchObject({
      verdict: 'fits',
      value: 10,
      limit: 7,
    })
  })
})
