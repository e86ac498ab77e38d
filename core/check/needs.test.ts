import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { usualBox } from '@/demo/usual'
import { boxView } from '../job/box-view'
import { deviceNamed } from '../model/trade'
import { ROOM_KINDS, type NeedKind, type RoomKind } from '../model/vocabulary'
import { checkPlace, curedTogether, hoursOffered, leastCures, meets, minutesOffered } from '.'

const model = (id: string) => {
  const found = deviceNamed(trade, id)
  if (!found) throw new Error(`no ${id}`)
  return found
}
const meet = (need: NeedKind, ids: readonly (string | null)[], value: number | null = null, more = {}) =>
  meets(
    { need, value },
    { members: ids.map(id => (id === null ? null : model(id))), price: 40, beside: [], ...more },
  )

describe('presence, by what the room is for', () => {
  const lacks = (roomKind: RoomKind, device: string, rule?: string) => {
    const view = usualBox({
      roomKind,
      want: 'presence',
      rules: rule ? { [`presence-on-${roomKind}`]: rule } : {},
    })
    return checkPlace(view, view.places[0]!.place.id, trade).find(each => each.device.id === device)!.unmet
  }

  it('one that is turned on by hand alone lacks what a passage wants, and not what a bedroom does', () => {
    expect(lacks('passage', 'sensor-by-hand-neutral')).toEqual(['automatic-on'])
    expect(lacks('sleeping', 'sensor-by-hand-neutral')).toEqual([])
    expect(lacks('not-said', 'sensor-by-hand-neutral')).toEqual([])
    expect(lacks('passage', 'sensor-by-hand-neutral', 'by-hand')).toEqual([])
    expect(lacks('sleeping', 'sensor-by-hand-neutral', 'by-itself')).toEqual(['automatic-on'])
  })

  it('one that can be set either way lacks neither; what senses nobody lacks presence alone', () => {
    for (const roomKind of ROOM_KINDS) {
      expect(lacks(roomKind, 'sensor-neutral')).toEqual([])
      expect(lacks(roomKind, 'switch-plain-15')).toEqual(['presence'])
    }
  })
})

describe('what is wanted of a light', () => {
  it.each<[NeedKind, string, boolean]>([
    ['dim', 'dimmer-led-150-neutral', true],
    ['dim', 'switch-plain-15', false],
    ['automatic-on', 'sensor-neutral', true],
    ['automatic-on', 'sensor-by-hand-neutral', false],
    ['manual-on', 'sensor-by-hand-neutral', true],
    ['manual-on', 'sensor-neutral', true],
    ['manual-on', 'timer-countdown', false],
    ['automatic-off', 'timer-countdown', true],
    ['automatic-off', 'time-switch-sun', true],
    ['automatic-off', 'switch-plain-15', false],
    ['from-dusk', 'time-switch-sun', true],
    ['from-dusk', 'timer-countdown', false],
    ['remote', 'smart-switch-neutral', true],
    ['scenes', 'smart-switch-neutral', true],
    ['scenes', 'dimmer-led-150-neutral', false],
    ['keep-fed', 'control-keeps-fed', true],
    ['keep-fed', 'control-keeps-fed-battery', true],
    ['keep-fed', 'smart-switch-neutral', false],
    ['keep-old', 'switch-plain-15', true],
  ])('%s by %s: %s', (need, id, met) => expect(meet(need, [id])).toBe(met))

  it('minutes and hours are read off what its settings offer', () => {
    expect(minutesOffered(model('timer-countdown'))).toEqual(expect.arrayContaining([5, 20, 60]))
    expect(minutesOffered(model('timer-countdown-hours'))).toEqual(expect.arrayContaining([120, 720]))
    expect(minutesOffered(model('sensor-neutral'))).toEqual([10, 20, 30])
    expect(meet('off-after', ['timer-countdown'], 45)).toBe(true)
    expect(meet('off-after', ['timer-countdown'], 50)).toBe(false)
    expect(meet('off-after', ['sensor-neutral'])).toBe(true)
    expect(hoursOffered(model('time-switch-sun'))).toEqual([22, 23, 24])
    expect(meet('until-hour', ['time-switch-sun'], 23)).toBe(true)
    expect(meet('until-hour', ['time-switch-sun'], 1)).toBe(false)
    expect(meet('until-hour', ['sensor-neutral'], 23)).toBe(false)
  })

  it('few places, a budget, plates like their neighbours, a glow in every place', () => {
    expect(meet('few-places', ['dimmer-led-150-two-wire', null], 1)).toBe(true)
    expect(meet('few-places', ['dimmer-led-150-two-wire', 'companion-oak'], 1)).toBe(false)
    expect(meet('budget', ['switch-plain-15'], 40)).toBe(true)
    expect(meet('budget', ['switch-plain-15'], 39)).toBe(false)
    const { opening } = model('switch-plain-15')
    expect(meet('match-neighbour', ['switch-plain-15'], null, { beside: [opening] })).toBe(true)
    expect(meet('match-neighbour', ['switch-plain-15'], null, { beside: [opening, 'duplex'] })).toBe(false)
    const glows = trade.devices.filter(each => each.stock === 'new' && each.glows).map(({ id }) => id)
    expect(glows.length).toBeGreaterThan(0)
    expect(meet('glow', [glows[0]!])).toBe(true)
    const dark = trade.devices.find(each => each.stock === 'new' && !each.glows)!.id
    expect(meet('glow', [glows[0]!, dark])).toBe(false)
  })

  it('puts what does all of it first, and names what the others lack', () => {
    const { record } = usualBox({ want: 'presence' })
    const view = boxView(
      {
        ...record,
        needs: { one: { id: 'one', groupId: 'light', need: 'automatic-on', value: null } },
      },
      'box',
    )!
    const all = checkPlace(view, 'box-1', trade)
    const split = all.findIndex(({ meetsWant }) => !meetsWant)
    expect(split).toBeGreaterThan(3)
    expect(all.slice(split).some(({ meetsWant }) => meetsWant)).toBe(false)
    const of = (id: string) => all.find(({ device }) => device.id === id)!
    expect(of('sensor-by-hand-neutral').unmet).toEqual(['automatic-on'])
    expect(of('switch-plain-15').unmet).toEqual(['presence', 'automatic-on'])
    expect(of('sensor-neutral').unmet).toEqual([])
  })
})

describe('what cures every condition in one visit', () => {
  it('is the least of each, once: a ring for the box and five lamps', () => {
    const view = usualBox({
      lamps: [{ kind: 'led', wattsEach: 9, count: 5, dimmable: 'no' }],
      box: { volumeCubicInches: 12.5, depthMillimetres: 40 },
    })
    const { lines, verdict } = checkPlace(view, 'box-1', trade).find(
      ({ device }) => device.id === 'dimmer-led-150-neutral',
    )!
    expect(verdict).toBe('fits-if')
    const cures = curedTogether(lines)
    expect(cures.map(({ id }) => id).sort()).toEqual(['change-lamps', 'ring'])
    expect(cures.reduce((sum, { price }) => sum + price, 0)).toBe(36)
    expect(leastCures(lines)).toEqual(cures)
  })
})

describe('a fan of which nobody said anything', () => {
  const fan = [{ kind: 'fan-motor' as const, wattsEach: 40, count: 1, horsepower: 0.05 }]
  const wanted = (more: Parameters<typeof usualBox>[0]) =>
    checkPlace(usualBox({ lamps: fan, ...more }), 'box-1', trade)
      .filter(({ meetsWant }) => meetsWant)
      .map(({ device }) => device.does)

  it('is wanted as the house rule has it, and as the customer says where he said', () => {
    expect(wanted({}).length).toBeGreaterThan(30)
    for (const rule of ['countdown', 'humidity'] as const) {
      const found = wanted({ rules: { fans: rule } })
      expect(found.length).toBeGreaterThan(0)
      for (const does of found) expect(does).toContain(rule)
    }
    for (const does of wanted({ rules: { fans: 'humidity' }, want: 'presence' }))
      expect(does).toContain('presence')
  })

  it('a light beside it is left alone by that rule', () => {
    expect(wanted({ lamps: undefined, rules: { fans: 'humidity' } }).length).toBeGreaterThan(30)
  })
})
