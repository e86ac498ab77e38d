import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { quillbackRoad } from '@/demo/quillback'
import { saltpanQuay } from '@/demo/saltpan'
import { boxView } from '../job/box-view'
import { regionOf } from '../model/regions'
import { rowsOf } from '../model/record'
import { cableGauges, gaugeForBreaker } from '.'

describe('the gauge that is offered first', () => {
  it('is one that may be on the breaker of the box, in either region, and none thinner would do', () => {
    let boxes = 0
    for (const record of [quillbackRoad(), saltpanQuay()])
      for (const { id } of rowsOf(record, 'boxes')) {
        const view = boxView(record, id)!
        const amps = view.feeds[0]?.circuit.ratedAmps
        if (amps === undefined) continue
        boxes++
        const gauge = gaugeForBreaker(view, trade)
        const { gauges } = view.region
        expect(trade.conductors[gauge].breakerNotAboveAmps).toBeGreaterThanOrEqual(amps)
        for (const thinner of gauges.slice(0, gauges.indexOf(gauge)))
          expect(trade.conductors[thinner].breakerNotAboveAmps ?? 0).toBeLessThan(amps)
      }
    expect(boxes).toBeGreaterThan(20)
  })

  it('of cables in walls are those above the leads of devices; what is recorded already stays among them', () => {
    const here = regionOf('north-america-120')
    expect(cableGauges(here, '12 AWG')).toEqual(['14 AWG', '12 AWG', '10 AWG', '8 AWG', '6 AWG'])
    expect(cableGauges(here, '16 AWG')).toEqual(['14 AWG', '12 AWG', '10 AWG', '8 AWG', '6 AWG', '16 AWG'])
    expect(cableGauges(regionOf('europe-230'), '1.5 mm²')).toEqual(['1 mm²', '1.5 mm²', '2.5 mm²', '4 mm²'])
  })
})
