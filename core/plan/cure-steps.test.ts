import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { fedAtTheSwitch, usualBox, type UsualBox } from '@/demo/usual'
import { checkPlace } from '../check'
import { boxView, type BoxView } from '../job/box-view'
import type { Bypass } from '../model/vocabulary'
import { pickList } from '../pick'
import { prove } from '../prove'
import { foundCircuit, plannedCircuit, routeBox } from '../route'
import { planBox } from './steps'

const DIMMER = 'dimmer-led-150-two-wire'
const TOO_LITTLE: UsualBox['lamps'] = [
  { kind: 'led', wattsEach: 5, count: 1, dimmable: 'yes', powerFactor: 0.9 },
]

const withBypass = (view: BoxView, bypass: Bypass): BoxView => {
  const groups = Object.fromEntries(
    Object.entries(view.record.groups).map(([id, group]) => [id, { ...group, bypass }]),
  )
  return boxView({ ...view.record, groups }, view.box.id)!
}
const keys = (view: BoxView) => planBox(view, trade).steps.map(({ key }) => key)
const stepOf = (view: BoxView, key: string) => planBox(view, trade).steps.find(each => each.key === key)
const picked = (view: BoxView) => pickList(view.record, trade, {}).map(({ what }) => what)

describe('what a device fits under is work of its own', () => {
  it('a ring is fitted before anything is joined, once the box is dead', () => {
    const given: UsualBox = { choice: 'dimmer-led-150-neutral', box: { volumeCubicInches: 13 } }
    const view = usualBox(given)
    const order = keys(view)
    expect(order.indexOf('cure:ring')).toBeGreaterThan(order.indexOf('take-out:box-1'))
    expect(order.indexOf('cure:ring')).toBeLessThan(order.findIndex(key => key.startsWith('joint:')))
    expect(stepOf(view, 'cure:ring')).toMatchObject({
      kind: 'touch',
      minutes: trade.minutes.ring,
      says: expect.stringContaining('then'),
    })
    expect(stepOf(view, 'cure:ring')!.holds).not.toEqual([])
    expect(stepOf(usualBox({ ...given, isolated: true }), 'cure:ring')!.holds).toEqual([
      'Read A white to ground, on its own: dead',
    ])
    expect(keys(usualBox({ choice: 'dimmer-led-150-neutral' }))).not.toContain('cure:ring')
    // A ring that is on already gives its room.
    expect(keys(usualBox({ ...given, box: { volumeCubicInches: 13, ringCubicInches: 12 } }))).not.toContain(
      'cure:ring',
    )
  })

  it('lamps are changed before the plate is on', () => {
    const order = keys(
      usualBox({
        choice: 'dimmer-led-150-two-wire',
        lamps: [{ kind: 'led', wattsEach: 20, count: 4, dimmable: 'no', powerFactor: 0.9 }],
      }),
    )
    expect(order).toContain('cure:change-lamps:light')
    expect(order.indexOf('cure:change-lamps:light')).toBeLessThan(order.indexOf('fold'))
    expect(order.indexOf('fold')).toBeLessThan(order.indexOf('power'))
  })

  it('where nothing grounds it, its plate is insulating', () => {
    const bare = fedAtTheSwitch(true).map(cable => ({
      ...cable,
      strands: cable.strands.filter(({ insulation }) => insulation !== 'bare'),
    }))
    const order = keys(usualBox({ choice: 'switch-plain-15', cables: bare }))
    expect(order.indexOf('cure:insulating-plate')).toBeGreaterThan(order.indexOf('take-out:box-1'))
    expect(order.indexOf('cure:insulating-plate')).toBeLessThan(order.indexOf('fold'))
    expect(keys(usualBox({ choice: 'switch-plain-15' }))).not.toContain('cure:insulating-plate')
  })

  it('each cure that costs something is both bought and done', () => {
    const view = usualBox({
      choice: 'dimmer-led-150-neutral',
      box: { volumeCubicInches: 14, depthMillimetres: 40 },
      lamps: [{ kind: 'led', wattsEach: 20, count: 4, dimmable: 'no', powerFactor: 0.9 }],
    })
    const { lines } = checkPlace(view, 'box-1', trade).find(
      ({ device }) => device.id === 'dimmer-led-150-neutral',
    )!
    const cures = lines.filter(({ verdict }) => verdict === 'fits-if').map(({ cures }) => cures[0]!.id)
    expect(new Set(cures)).toEqual(new Set(['ring', 'change-lamps']))
    expect(keys(view)).toEqual(expect.arrayContaining(['cure:ring', 'cure:change-lamps:light']))
    expect(picked(view)).toEqual(
      expect.arrayContaining([
        expect.stringContaining('ring'),
        expect.stringContaining('Dimmable lamp, 20 W'),
      ]),
    )
  })
})

describe('a bypass', () => {
  const alone = usualBox({ choice: DIMMER, lamps: TOO_LITTLE })
  const proofOf = (view: BoxView) => {
    const routed = routeBox(view, trade)
    if (!routed.ok) throw new Error(routed.faults[0]!.message)
    return prove(plannedCircuit(view, routed.value, trade))
  }
  const minimum = (view: BoxView) =>
    checkPlace(view, 'box-1', trade)
      .find(({ device }) => device.id === DIMMER)!
      .lines.find(({ rule }) => rule === 'minimum-load')!

  it('without it 5 W starve the device: a condition, and refuted', () => {
    expect(minimum(alone)).toMatchObject({ verdict: 'fits-if', value: 5 })
    expect(minimum(alone).cures.map(({ id }) => id)).toContain('bypass')
    expect(proofOf(alone)).toMatchObject({ kind: 'refuted' })
    expect(keys(alone)).not.toContain('bypass:light')
  })

  it('once planned it is a step, a part, and in what is proved; it is not there yet', () => {
    const view = withBypass(alone, 'to-be-fitted')
    expect(minimum(view)).toMatchObject({ verdict: 'fits' })
    expect(proofOf(view)).toMatchObject({ kind: 'proven' })
    expect(stepOf(view, 'bypass:light')).toMatchObject({
      kind: 'touch',
      parts: [{ kind: 'bypass', words: 'bypass' }],
    })
    expect(picked(view).map(each => each.toLowerCase())).toContainEqual(expect.stringContaining('bypass'))
    const found = foundCircuit([view], trade)
    expect(found.ok && found.value.loads.map(({ bypassWatts }) => bypassWatts)).toEqual([undefined])
  })

  it('once fitted it is in the circuit as found, and no work', () => {
    const view = withBypass(alone, 'fitted')
    expect(minimum(view)).toMatchObject({ verdict: 'fits' })
    expect(keys(view)).not.toContain('bypass:light')
    const found = foundCircuit([view], trade)
    expect(found.ok && found.value.loads.map(({ bypassWatts }) => bypassWatts)).toEqual([trade.bypassWatts])
    expect(proofOf(view)).toMatchObject({ kind: 'proven' })
  })

  it('takes what a device lets through while it is off, so that the lamp stays dark', () => {
    // Of 5 mA that are let through, an LED of 5 W glows at 1; beside 40 W it gets a ninth.
    const leaky = {
      ...trade,
      devices: trade.devices.map(each => ({
        ...each,
        supply: each.supply.map(way => (way.kind === 'through-load' ? { ...way, offMilliamps: 5 } : way)),
      })),
    }
    const off = (view: BoxView) => {
      const routed = routeBox(view, leaky)
      const proof = routed.ok && prove(plannedCircuit(view, routed.value, leaky))
      return proof && proof.kind === 'refuted' ? proof.counterexamples.map(({ property }) => property) : []
    }
    expect(off(alone)).toContain('off')
    expect(off(withBypass(alone, 'to-be-fitted'))).toEqual([])
  })

  it('a device that asks for more than it carries is not cured by it', () => {
    const weak = { ...trade, bypassWatts: 5 }
    const { lines } = checkPlace(alone, 'box-1', weak).find(({ device }) => device.id === DIMMER)!
    const { cures } = lines.find(({ rule }) => rule === 'minimum-load')!
    expect(cures.map(({ id }) => id)).not.toContain('bypass')
  })
})
