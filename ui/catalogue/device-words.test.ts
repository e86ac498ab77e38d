import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { RATING_KINDS } from '@/core/model/vocabulary'
import { factsOf } from './device-facts'
import { doesWords, placesWords, ratingOf, ratingWords, supplyWords } from './device-words'
import { SOURCE, sayIn } from '@/core/words/say'

const say = sayIn({ language: SOURCE })

const named = (id: string) => trade.devices.find(device => device.id === id)!

describe('a device in words', () => {
  it('every device has the same facts in the same order, so that any can stand beside any', () => {
    const names = trade.devices.map(device =>
      factsOf(say, device)
        .map(([name]) => name)
        .join(),
    )
    expect(new Set(names).size).toBe(1)
    expect(factsOf(say, named('switch-plain-15')).filter(([, says]) => says.includes('undefined'))).toEqual(
      [],
    )
  })

  it.each([
    ['dimmer-led-150-neutral', 'neutral'],
    ['dimmer-led-150-two-wire', 'through the lamp'],
    ['sensor-ground-referenced', 'ground'],
    ['sensor-convertible', 'neutral or ground'],
    ['switch-plain-15', 'none needed'],
    ['control-keeps-fed-battery', 'battery'],
  ])('%s is kept alive by: %s', (id, says) => {
    expect(supplyWords(say, named(id))).toBe(says)
  })

  it('motors read as they are printed, fins by their sides', () => {
    expect(ratingOf(named('timer-countdown'), 'motor')).toBe('⅙ hp')
    expect(ratingOf(named('timer-spring'), 'motor')).toBe('½ hp')
    expect(ratingOf(named('switch-plain-20'), 'motor')).toBe('1 hp')
    const led = named('dimmer-led-150-neutral').ratings.find(({ kind }) => kind === 'led')!
    expect(ratingWords(say, led)).toBe('150 W; fins off 125 and 100')
    for (const device of trade.devices)
      for (const kind of RATING_KINDS)
        expect(ratingOf(device, kind) === '').toBe(device.ratings.every(each => each.kind !== kind))
  })

  it('what it does, and for how many places', () => {
    expect(doesWords(say, named('sensor-dimmer-neutral'))).toBe('on and off, dim, by presence')
    expect(placesWords(say, named('switch-plain-15'))).toBe('1')
    expect(placesWords(say, named('timer-linked'))).toBe('1 to 4')
  })
})
