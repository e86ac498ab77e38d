import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { switchLoop, usualBox } from '@/demo/usual'
import { boxView } from '../job/box-view'
import { rowsWith } from '../model/record'
import { devicesFor } from '../model/trade'
import { routeCures, withChoices } from '../route'
import { check, curesThatFit, verdictOfChosen } from '.'

describe('ways out of a box that cannot be wired', () => {
  const lamps = [{ kind: 'led', wattsEach: 9, count: 4, dimmable: 'yes', powerFactor: 0.9 }] as const

  it('only devices that Check lets stand there are offered, for every device that was chosen wrongly', () => {
    let offered = 0
    let left = 0
    for (const device of devicesFor(trade, 'north-america-120', 'new')) {
      const { record, box } = usualBox({ cables: switchLoop(true), choice: device.id, lamps } as never)
      const all = routeCures(record, box.id, trade)
      const fit = curesThatFit(record, box.id, trade)
      for (const { kind, tried, says } of fit) {
        if (kind !== 'another-device') continue
        offered++
        const view = boxView(tried, box.id)!
        const place = view.places[0]!
        const [choice] = rowsWith(tried, 'choices', 'placeId', place.place.id)
        // Judged anew from the record as it would be, not by what the cure says of itself.
        const model = trade.devices.find(({ id }) => id === choice!.modelId)!
        expect(['fits', 'fits-if'], says).toContain(check({ view, place, device: model, trade }).verdict)
      }
      left += all.filter(({ kind }) => kind === 'another-device').length
    }
    expect(offered).toBeGreaterThan(0)
    expect(left).toBeGreaterThan(0)
  })

  it('what is chosen stands as Check says, and nothing chosen is no verdict', () => {
    const { record, box } = usualBox({ cables: switchLoop(true), lamps } as never)
    const view = boxView(record, box.id)!
    expect(verdictOfChosen(view, view.places[0]!, trade)).toBeNull()
    for (const device of devicesFor(trade, 'north-america-120', 'new')) {
      const tried = boxView(withChoices(record, { [view.places[0]!.place.id]: device.id }), box.id)!
      expect(verdictOfChosen(tried, tried.places[0]!, trade)).toBe(
        check({ view: tried, place: tried.places[0]!, device, trade }).verdict,
      )
    }
  })
})
