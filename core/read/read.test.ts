import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { plainPlaces } from '@/demo/places'
import type { Circuit, CircuitLoad } from '../model/circuit'
import { FILAMENT, circuit, lamp, supply, wire } from '@/testing/model/bare'
import { AS_IT_COMES, read, type Stand, type Test } from '.'

const tungsten = (id: string, watts: number) => lamp(id, watts, FILAMENT)

const shown = (given: Circuit, test: Test, stand: Partial<Stand> = {}) => {
  const reading = read(given, { ...AS_IT_COMES, ...stand }, test)
  if (!reading.ok) throw new Error(reading.faults[0]!.message)
  return reading.value
}

const volts = (given: Circuit, from: string, to: string, stand: Partial<Stand> = {}) => {
  const reading = shown(given, { instrument: 'low-impedance-meter', from, to }, stand)
  return reading.kind === 'volts' ? reading.volts : NaN
}

const model = (id: string) => trade.devices.find(device => device.id === id)!

/** A cable feeds a box with a plain switch; another leads to the lamp. */
const oneSwitch = (load: CircuitLoad): Circuit =>
  circuit({
    devices: [{ id: 'sw', groupId: 'g', model: model('switch-plain-15') }],
    loads: [load],
    wires: [
      wire('feed-hot', 'a:h', 'b:hot', 'feed'),
      wire('feed-neutral', 'a:n', 'b:neutral', 'feed'),
      wire('feed-ground', 'ground', 'b:ground', 'feed'),
      wire('lamp-hot', 'b:switched', 'x:h', 'lamp'),
      wire('lamp-neutral', 'b:return', 'x:n', 'lamp'),
      wire('lamp-spare', 'b:spare', 'x:spare', 'lamp'),
    ],
    joints: [
      { id: 'on-upper', members: ['b:hot', 'sw.upper'] },
      { id: 'on-lower', members: ['b:switched', 'sw.lower'] },
      { id: 'whites', members: ['b:neutral', 'b:return'] },
      { id: 'grounds', members: ['b:ground', 'sw.ground'] },
    ],
    caps: ['b:spare', 'x:spare'],
  })

const ON = { state: { sw: { position: 'up' } } }

describe('volts', () => {
  it('line to neutral, line to ground, and neutral to ground', () => {
    const given = oneSwitch(tungsten('x', 60))
    expect(volts(given, 'b:hot', 'b:neutral')).toBeCloseTo(120, 3)
    expect(volts(given, 'b:hot', 'b:ground')).toBeCloseTo(120, 3)
    expect(volts(given, 'b:neutral', 'b:ground')).toBeCloseTo(0, 6)
    expect(volts(given, 'b:hot', 'b:neutral', { off: ['a'] })).toBeCloseTo(0, 6)
  })

  it('a spare beside a live conductor: phantom volts on a high-impedance meter, none on a low one', () => {
    const given = oneSwitch(tungsten('x', 60))
    const high = { instrument: 'high-impedance-meter', from: 'b:spare', to: 'b:ground' } as const
    const reading = shown(given, high, ON)
    expect(reading).toMatchObject({ kind: 'volts', phantom: true })
    expect(reading.kind === 'volts' && reading.volts).toBeGreaterThan(20)
    expect(reading.kind === 'volts' && reading.volts).toBeLessThan(90)
    expect(volts(given, 'b:spare', 'b:ground', ON)).toBeLessThan(1)
    const off = shown(given, high)
    expect(off.kind === 'volts' && off.volts).toBeLessThan(5)
  })

  it('a shorted state is refused: the breaker trips', () => {
    const given = circuit({
      wires: [wire('1', 'a:h', 'p'), wire('2', 'a:n', 'q')],
      joints: [{ id: 'j', members: ['p', 'q'] }],
    })
    const test = { instrument: 'low-impedance-meter', from: 'p', to: 'ground' } as const
    expect(shown(given, test)).toMatchObject({ kind: 'refused', hazard: expect.stringContaining('trips') })
    expect(shown(given, test, { off: ['a'] })).toMatchObject({ kind: 'volts' })
  })
})

describe('field', () => {
  it('true and false presence, and false absence inside metal', () => {
    const given = oneSwitch(tungsten('x', 60))
    const at = (point: string, stand: Partial<Stand> = ON) =>
      shown(given, { instrument: 'non-contact', at: point }, stand)
    expect(at('b:hot')).toMatchObject({ present: true, says: 'A field is felt.' })
    expect(at('b:spare')).toMatchObject({ present: true, says: expect.stringContaining('hangs on nothing') })
    expect(at('b:neutral')).toMatchObject({ present: false })
    expect(at('b:hot', { off: ['a'] })).toMatchObject({ present: false })
    const armoured = {
      ...given,
      wires: given.wires.map(each => ({ ...each, shielded: each.cable === 'feed' })),
    }
    expect(shown(armoured, { instrument: 'non-contact', at: 'feed-hot' })).toMatchObject({ present: false })
    expect(shown(armoured, { instrument: 'non-contact', at: 'b:hot' })).toMatchObject({ present: true })
  })
})

describe('continuity', () => {
  const between = (given: Circuit, from: string, to: string, stand: Partial<Stand> = { off: ['a'] }) =>
    shown(given, { instrument: 'continuity', from, to }, stand)

  it('is refused on a live conductor, and on one whose breaker is on though it reads 0 V', () => {
    const given = oneSwitch(tungsten('x', 60))
    const live = between(given, 'b:hot', 'b:ground', {})
    expect(live).toMatchObject({ kind: 'refused', hazard: expect.stringContaining('120 V') })
    const neutral = between(given, 'b:neutral', 'b:ground', {})
    expect(neutral).toMatchObject({ kind: 'refused', hazard: expect.stringContaining('a is on') })
  })

  it('a cold tungsten lamp sounds like a wire; electronics are open', () => {
    const apart = { off: ['a'], opened: ['whites'] }
    const bulb = between(oneSwitch(tungsten('x', 60)), 'b:switched', 'b:return', apart)
    expect(bulb).toEqual({ kind: 'ohms', ohms: expect.closeTo(20, 6), sounds: true })
    const led = between(oneSwitch(lamp('x', 9)), 'b:switched', 'b:return', apart)
    expect(led).toEqual({ kind: 'ohms', ohms: null, sounds: false })
  })

  it('a transformer is nearly a short', () => {
    const winding = oneSwitch(lamp('x', 50, { ohmsShare: 0.02 }))
    const reading = between(winding, 'b:switched', 'b:return', { off: ['a'], opened: ['whites'] })
    expect(reading).toMatchObject({ sounds: true })
    expect(reading.kind === 'ohms' && reading.ohms).toBeCloseTo(5.76, 6)
  })

  it('conductors parted here may be joined at their far ends, and neutral and ground are: at the panel', () => {
    const given = oneSwitch(lamp('x', 9))
    const apart = { off: ['a'], opened: ['whites', 'grounds'] }
    expect(between(given, 'b:neutral', 'b:ground', apart)).toMatchObject({ ohms: 0, sounds: true })
    expect(between(given, 'b:return', 'b:neutral', apart)).toMatchObject({ ohms: null })
  })

  it('electronics without power hold their contacts open', () => {
    const given = circuit({
      devices: [{ id: 'd', groupId: 'g', model: model('dimmer-led-150-neutral') }],
      wires: [wire('1', 'a:h', 'd.line')],
    })
    const off = { off: ['a'], state: { d: { relay: 'on' } } }
    expect(between(given, 'd.line', 'd.load', off)).toMatchObject({ ohms: null, sounds: false })
  })
})

describe('clamp', () => {
  it('shows what the lamp takes on hot and on neutral, and nothing on the ground', () => {
    const given = oneSwitch(tungsten('x', 60))
    const amps = (at: string, stand: Partial<Stand> = ON) => {
      const reading = shown(given, { instrument: 'clamp', at }, stand)
      return reading.kind === 'amps' ? reading.amps : NaN
    }
    for (const at of ['feed-hot', 'b:neutral', 'lamp-hot', 'lamp-neutral'])
      expect(amps(at)).toBeCloseTo(0.5, 6)
    expect(amps('feed-ground')).toBeCloseTo(0, 9)
    expect(amps('lamp-spare')).toBe(0)
    expect(amps('feed-hot', {})).toBeCloseTo(0, 9)
  })

  it('currents divide between two ways that lead side by side', () => {
    const given = circuit({
      loads: [tungsten('x', 60)],
      wires: [
        wire('hot', 'a:h', 'x:h'),
        wire('one', 'x:n', 'far'),
        wire('two-near', 'x:n', 'mid'),
        wire('two-far', 'mid', 'far'),
        wire('home', 'far', 'a:n'),
      ],
    })
    const amps = (at: string) => {
      const reading = shown(given, { instrument: 'clamp', at })
      return reading.kind === 'amps' ? reading.amps : NaN
    }
    expect(amps('home')).toBeCloseTo(0.5, 6)
    expect(amps('one')).toBeCloseTo(1 / 3, 6)
    expect(amps('two-near')).toBeCloseTo(1 / 6, 6)
    expect(amps('two-far')).toBeCloseTo(1 / 6, 6)
  })

  it('a shared neutral carries the difference of its two legs, or their sum where they share one leg', () => {
    const legs = (phaseDegrees: number) =>
      circuit({
        supplies: [supply('a'), supply('b', { phaseDegrees, neutral: 'a:n' })],
        loads: [tungsten('x', 60), tungsten('y', 180)],
        wires: [
          wire('x-hot', 'a:h', 'x:h'),
          wire('y-hot', 'b:h', 'y:h'),
          wire('x-home', 'x:n', 'meet'),
          wire('y-home', 'y:n', 'meet'),
          wire('shared', 'meet', 'a:n'),
        ],
      })
    const amps = (given: Circuit) => {
      const reading = shown(given, { instrument: 'clamp', at: 'shared' })
      return reading.kind === 'amps' ? reading.amps : NaN
    }
    expect(amps(legs(180))).toBeCloseTo(1, 6)
    expect(amps(legs(0))).toBeCloseTo(2, 6)
    expect(amps(legs(120))).toBeCloseTo(Math.sqrt(0.5 ** 2 + 1.5 ** 2 - 0.5 * 1.5), 6)
  })
})

describe('receptacle tester', () => {
  const receptacle = lamp('r', 0, { kind: 'receptacle', ground: 'r:g' })
  const wired = (hot: string | null, neutral: string | null, ground: string | null) =>
    circuit({
      loads: [receptacle],
      wires: [
        ...(hot ? [wire('h', hot, 'r:h')] : []),
        ...(neutral ? [wire('n', neutral, 'r:n')] : []),
        ...(ground ? [wire('g', ground, 'r:g')] : []),
      ],
    })

  it.each([
    ['correct', 'a:h', 'a:n', 'ground'],
    ['open-ground', 'a:h', 'a:n', null],
    ['open-neutral', 'a:h', null, 'ground'],
    ['open-hot', null, 'a:n', 'ground'],
    ['hot-neutral-reversed', 'a:n', 'a:h', 'ground'],
    ['hot-ground-reversed', 'ground', 'a:n', 'a:h'],
  ] as const)('%s', (sense, hot, neutral, ground) => {
    expect(shown(wired(hot, neutral, ground), { instrument: 'receptacle-tester', at: 'r' })).toMatchObject({
      kind: 'receptacle',
      sense,
    })
  })

  it('shows the volts, and nothing when the breaker is off', () => {
    const given = wired('a:h', 'a:n', 'ground')
    const test = { instrument: 'receptacle-tester', at: 'r' } as const
    expect(shown(given, test)).toMatchObject({ volts: expect.closeTo(120, 3) })
    expect(shown(given, test, { off: ['a'] })).toMatchObject({ sense: 'open-hot' })
  })

  it('the circuit finder suggests a breaker, and both of a shared neutral', () => {
    const given = wired('a:h', 'a:n', 'ground')
    const two = {
      ...given,
      supplies: [...given.supplies, supply('b', { phaseDegrees: 180, neutral: 'a:n' })],
    }
    const finder = { instrument: 'circuit-finder', at: 'r' } as const
    expect(shown(given, finder)).toMatchObject({ suggests: ['a'] })
    expect(shown(two, finder)).toMatchObject({ suggests: ['a', 'b'] })
    expect(shown(given, finder, { off: ['a'] })).toMatchObject({ suggests: [] })
  })
})

describe('what is seen', () => {
  const dimmed = (watts: number, id: string) =>
    circuit({
      devices: [{ id: 'd', groupId: 'g', model: model(id) }],
      loads: [lamp('x', watts, { offLimitMilliamps: 0.4 })],
      wires: [wire('1', 'a:h', 'd.line'), wire('2', 'd.load', 'x:h'), wire('3', 'x:n', 'a:n')],
    })

  it('a small lamp on a two-wire device glows when off and flickers when on, and says why', () => {
    const given = dimmed(4, 'dimmer-led-150-two-wire')
    const look = { instrument: 'lamp', at: 'x' } as const
    expect(shown(given, look)).toMatchObject({
      light: 'glows',
      says: expect.stringContaining('lets through'),
    })
    const on = { state: { d: { relay: 'on' } } }
    expect(shown(given, look, on)).toMatchObject({
      light: 'flickers',
      says: expect.stringContaining('too little'),
    })
    expect(shown(dimmed(40, 'dimmer-led-150-two-wire'), look, on)).toMatchObject({ light: 'full' })
  })

  it('a dimmer leaves its share of the voltage', () => {
    const given = dimmed(40, 'dimmer-led-150-two-wire')
    const at = (level: string) =>
      shown(given, { instrument: 'lamp', at: 'x' }, { state: { d: { relay: 'on', level } } })
    expect(at('low')).toMatchObject({ light: 'dimmed', volts: expect.closeTo(36, 0) })
    expect(at('half')).toMatchObject({ light: 'dimmed', volts: expect.closeTo(78, 0) })
    expect(at('full')).toMatchObject({ light: 'full' })
  })

  it('a device’s own light shows that it lives, and is off with the breaker', () => {
    const given = dimmed(40, 'dimmer-led-150-two-wire')
    const light = { instrument: 'indicator', at: 'd' } as const
    expect(shown(given, light)).toEqual({ kind: 'indicator', lit: true })
    expect(shown(given, light, { off: ['a'] })).toEqual({ kind: 'indicator', lit: false })
    const pulled = { state: { d: { 'air-gap': 'out' } } }
    expect(shown(given, light, pulled)).toEqual({ kind: 'indicator', lit: false })
    expect(
      shown(plainPlaces({ places: 2, supplyAt: 0, loadAt: 1 }), { instrument: 'indicator', at: 'place1' }),
    ).toEqual({
      kind: 'indicator',
      lit: null,
    })
  })

  it('the air gap pulled: nothing flows, not even the leak', () => {
    const given = dimmed(4, 'dimmer-led-150-two-wire')
    expect(
      shown(given, { instrument: 'lamp', at: 'x' }, { state: { d: { 'air-gap': 'out', relay: 'on' } } }),
    ).toMatchObject({ light: 'dark', milliamps: 0 })
  })
})

describe('what does not exist is refused with its path', () => {
  const given = oneSwitch(tungsten('x', 60))
  it.each([
    ['a point', {}, { instrument: 'low-impedance-meter', from: 'moon', to: 'b:hot' }, '/from'],
    ['the other point', {}, { instrument: 'continuity', from: 'b:hot', to: 'moon' }, '/to'],
    ['a conductor', {}, { instrument: 'clamp', at: 'moon' }, '/at'],
    ['a place for a field tester', {}, { instrument: 'non-contact', at: 'moon' }, '/at'],
    ['a receptacle', {}, { instrument: 'receptacle-tester', at: 'x' }, '/at'],
    ['a lamp', {}, { instrument: 'lamp', at: 'moon' }, '/at'],
    ['a device', {}, { instrument: 'indicator', at: 'moon' }, '/at'],
    ['a breaker', { off: ['moon'] }, { instrument: 'lamp', at: 'x' }, '/off/0'],
    ['a joint', { opened: ['moon'] }, { instrument: 'lamp', at: 'x' }, '/opened/0'],
    ['a held point', { lifted: ['b:spare'] }, { instrument: 'lamp', at: 'x' }, '/lifted/0'],
    ['a placed device', { state: { moon: {} } }, { instrument: 'lamp', at: 'x' }, '/state/moon'],
    [
      'a state',
      { state: { sw: { position: 'sideways' } } },
      { instrument: 'lamp', at: 'x' },
      '/state/sw/position',
    ],
  ] as [string, Partial<Stand>, Test, string][])('%s', (_, stand, test, path) => {
    const reading = read(given, { ...AS_IT_COMES, ...stand }, test)
    expect(!reading.ok && reading.faults[0]!.path).toBe(path)
  })
})
