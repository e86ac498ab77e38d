import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { plainPlaces } from '@/demo/places'
import { prove } from '../prove'
import { AS_IT_COMES, read } from '../read'
import { lamp, oldTwoSupplyPair, supply, wired } from '@/testing/prove/wired'
import { Trial } from '.'

const HOME = ['panel:neutral', 'lamp:neutral']

const light = (seen: ReturnType<Trial['seen']>, id = 'lamp') => seen.lamps.find(each => each.id === id)?.light

describe('a circuit worked by hand', () => {
  it('three places: each flip changes the lamp, and one can go back', () => {
    const trial = new Trial(plainPlaces({ places: 3, supplyAt: 0, loadAt: 2 }))
    const lights = [light(trial.seen())]
    for (const device of ['place1', 'place2', 'place3', 'place2'])
      lights.push(light(trial.act({ kind: 'do', device, event: 'toggle' })))
    expect(lights).toEqual(['full', 'dark', 'full', 'dark', 'full'])
    expect(light(trial.act({ kind: 'back' }))).toBe('dark')
    expect(trial.act({ kind: 'start-again' })).toMatchObject({ steps: 0 })
    expect(trial.act({ kind: 'back' })).toMatchObject({ steps: 0 })
  })

  it('what is live is told at every point, and a breaker takes it away', () => {
    const trial = new Trial(plainPlaces({ places: 2, supplyAt: 0, loadAt: 1 }))
    expect(trial.seen().volts['box0:feed:line:b']).toBeCloseTo(120, 6)
    expect(trial.seen().volts['lamp:hot']).toBeCloseTo(120, 6)
    trial.act({ kind: 'do', device: 'place2', event: 'toggle' })
    expect(trial.seen().volts['lamp:hot']).toBeCloseTo(0, 6)
    const off = trial.act({ kind: 'breaker', supply: 'breaker 4', to: 'off' })
    expect(off.volts['box0:feed:line:b']).toBeNull()
    expect(off.breakers).toEqual([{ id: 'breaker 4', stands: 'off' }])
    expect(trial.act({ kind: 'breaker', supply: 'breaker 4', to: 'on' }).breakers[0]!.stands).toBe('on')
  })

  it('which traveller is live is told anew after every flip', () => {
    const trial = new Trial(plainPlaces({ places: 2, supplyAt: 0, loadAt: 1 }))
    const live = () => {
      const { volts } = trial.seen()
      return ['a', 'b'].filter(each => (volts[`box0:run0:traveller-0${each}:a`] ?? 0) > 60)
    }
    expect(live()).toEqual(['b'])
    trial.act({ kind: 'do', device: 'place1', event: 'toggle' })
    trial.act({ kind: 'do', device: 'place2', event: 'toggle' })
    expect(live()).toEqual(['a'])
    const clamp = trial.touch({ instrument: 'clamp', at: 'run0:traveller-0a' })
    expect(clamp.ok && clamp.value).toMatchObject({ amps: expect.closeTo(0.5, 6) })
    const other = trial.touch({ instrument: 'clamp', at: 'run0:traveller-0b' })
    expect(other.ok && other.value).toMatchObject({ amps: expect.closeTo(0, 9) })
  })

  it('a short trips its breaker and says so; it trips again while the short stands', () => {
    const trial = new Trial(
      wired({
        devices: { main: 'switch-plain-15' },
        nets: { line: ['panel:hot', 'main.upper'], neutral: [...HOME, 'main.lower'] },
      }),
    )
    const shorted = trial.act({ kind: 'do', device: 'main', event: 'toggle' })
    expect(shorted.breakers).toEqual([{ id: 'panel', stands: 'tripped' }])
    expect(shorted.says).toBe('panel trips: hot meets neutral.')
    expect(trial.act({ kind: 'breaker', supply: 'panel', to: 'on' }).breakers[0]!.stands).toBe('tripped')
    trial.act({ kind: 'do', device: 'main', event: 'toggle' })
    expect(trial.act({ kind: 'breaker', supply: 'panel', to: 'on' })).toMatchObject({
      says: null,
      breakers: [{ stands: 'on' }],
    })
  })

  it('a sensor is walked past, time goes by, dusk comes', () => {
    const given = (model: string) =>
      new Trial(
        wired({
          devices: { main: model },
          nets: {
            line: ['panel:hot', 'main.line'],
            neutral: [...HOME, 'main.neutral'],
            load: ['main.load', 'lamp:hot'],
          },
        }),
      )
    const sensor = given('sensor-neutral')
    expect(light(sensor.act({ kind: 'everywhere', event: 'presence' }))).toBe('full')
    expect(light(sensor.act({ kind: 'everywhere', event: 'vacancy' }))).toBe('dark')
    const clock = given('time-switch-sun')
    expect(light(clock.act({ kind: 'everywhere', event: 'dusk' }))).toBe('full')
    expect(light(clock.act({ kind: 'everywhere', event: 'dawn' }))).toBe('dark')
    const timer = given('timer-countdown')
    expect(light(timer.act({ kind: 'do', device: 'main', event: 'press' }))).toBe('full')
    expect(light(timer.act({ kind: 'everywhere', event: 'elapsed' }))).toBe('dark')
  })

  it('a dimmer is raised and lowered; without power it answers to nothing', () => {
    const trial = new Trial(
      wired({
        devices: { main: 'dimmer-led-150-two-wire' },
        nets: { line: ['panel:hot', 'main.line'], load: ['main.load', 'lamp:hot'], neutral: HOME },
      }),
    )
    const events = () => trial.seen().devices[0]!.events
    expect(events()).toEqual(['press', 'pull'])
    trial.act({ kind: 'do', device: 'main', event: 'press' })
    expect(events()).toEqual(['press', 'lower', 'pull'])
    expect(trial.act({ kind: 'do', device: 'main', event: 'lower' }).lamps[0]!.share).toBeCloseTo(0.65, 2)
    trial.act({ kind: 'breaker', supply: 'panel', to: 'off' })
    expect(events()).toEqual(['pull'])
    expect(trial.seen().devices[0]!.alive).toBe(false)
  })

  it('a lamp that glows or flickers says why, and a device’s own light is told', () => {
    const trial = new Trial(
      wired({
        devices: { main: 'dimmer-led-150-two-wire' },
        loads: [lamp('lamp', 4, { offLimitMilliamps: 0.4 })],
        nets: { line: ['panel:hot', 'main.line'], load: ['main.load', 'lamp:hot'], neutral: HOME },
      }),
    )
    expect(trial.seen().lamps[0]).toMatchObject({
      light: 'glows',
      why: expect.stringContaining('lets through'),
    })
    expect(trial.seen().devices[0]!.indicator).toBe(true)
    const on = trial.act({ kind: 'do', device: 'main', event: 'press' })
    expect(on.lamps[0]).toMatchObject({ light: 'flickers', why: expect.stringContaining('too little') })
  })

  it('a tester reads it as it stands', () => {
    const trial = new Trial(plainPlaces({ places: 2, supplyAt: 0, loadAt: 1 }))
    const meter = {
      instrument: 'low-impedance-meter',
      from: 'lamp:hot',
      to: 'lamp:neutral',
    } as const
    const volts = () => {
      const shown = trial.touch(meter)
      return shown.ok && shown.value.kind === 'volts' ? Math.round(shown.value.volts) : null
    }
    expect(volts()).toBe(120)
    trial.act({ kind: 'do', device: 'place1', event: 'toggle' })
    expect(volts()).toBe(0)
    expect(trial.touch({ instrument: 'lamp', at: 'moon' }).ok).toBe(false)
  })

  it('plays a counterexample of the prover: its moves lead to what it says', () => {
    const circuit = oldTwoSupplyPair()
    const proof = prove(circuit)
    const [shell] = proof.kind === 'refuted' ? proof.counterexamples : []
    const trial = new Trial(circuit)
    for (const { device, event } of shell!.moves) trial.act({ kind: 'do', device, event })
    expect(trial.seen().state).toEqual(shell!.state)
    expect(trial.seen().volts['lamp:neutral']).toBeCloseTo(120, 6)
  })

  it('two circuits: one breaker leaves the other alive', () => {
    const trial = new Trial(
      wired({
        supplies: [supply('panel'), supply('other')],
        loads: [lamp('lamp'), lamp('second', 40, { groupId: 'second' })],
        nets: {
          line: ['panel:hot', 'lamp:hot'],
          neutral: HOME,
          'other line': ['other:hot', 'second:hot'],
          'other neutral': ['other:neutral', 'second:neutral'],
        },
      }),
    )
    const off = trial.act({ kind: 'breaker', supply: 'panel', to: 'off' })
    expect([light(off), light(off, 'second')]).toEqual(['dark', 'full'])
  })
})

describe('a trial, by random actions (200, seed 20261128)', () => {
  const ACTIONS = ['place1', 'place2', 'place3', 'place4', 'off', 'on', 'back'] as const

  it('stands as a circuit put there at once would, and going all the way back is the start', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...ACTIONS), { maxLength: 12 }), given => {
        const circuit = plainPlaces({ places: 4, supplyAt: 1, loadAt: 3 })
        const trial = new Trial(circuit)
        const start = trial.seen()
        for (const each of given)
          trial.act(
            each === 'back'
              ? { kind: 'back' }
              : each === 'on' || each === 'off'
                ? { kind: 'breaker', supply: 'breaker 4', to: each }
                : { kind: 'do', device: each, event: 'toggle' },
          )
        const now = trial.seen()
        const off = now.breakers.filter(({ stands }) => stands !== 'on').map(({ id }) => id)
        const lamp = read(
          circuit,
          { ...AS_IT_COMES, state: now.state, off },
          { instrument: 'lamp', at: 'lamp' },
        )
        expect(lamp.ok && lamp.value).toMatchObject({ light: now.lamps[0]!.light })
        for (let step = now.steps; step > 0; step--) trial.act({ kind: 'back' })
        expect(trial.seen()).toEqual(start)
      }),
      { numRuns: 200, seed: 20261128 },
    )
  })
})
