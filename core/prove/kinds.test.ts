import { describe, expect, it } from 'vitest'
import { prove } from '.'
import { breaks, checked, proves } from '@/testing/prove/judge'
import { lamp, type Wired } from '@/testing/prove/wired'

const HOME = ['panel:neutral', 'lamp:neutral']

describe('a dimmer with companions', () => {
  const withCompanions = (count: number, mainAt: 'line end' | 'load end' | 'middle'): Wired => {
    const names = Array.from({ length: count }, (_, index) => `c${index + 1}`)
    const onLine = mainAt === 'load end' ? names : mainAt === 'middle' ? names.slice(0, 1) : []
    const onLoad = names.filter(name => !onLine.includes(name))
    const passes = (of: readonly string[]) => of.flatMap(name => [`${name}.pass-1`, `${name}.pass-2`])
    return {
      devices: {
        main: 'dimmer-led-150-two-wire',
        ...Object.fromEntries(names.map(name => [name, 'companion-oak'])),
      },
      nets: {
        // Power goes straight through a companion, so its two leads are one net with what they carry.
        line: ['panel:hot', 'main.line', ...passes(onLine)],
        load: ['main.load', 'lamp:hot', ...passes(onLoad)],
        signal: ['main.signal', ...names.map(name => `${name}.signal`)],
        neutral: HOME,
      },
    }
  }

  it.each([1, 2, 3, 4])('%i companions, the main at either end, prove', count => {
    proves(withCompanions(count, 'line end'))
    proves(withCompanions(count, 'load end'))
  })

  it('the main between its companions: pressed together they light the lamp through the signal', () => {
    breaks(withCompanions(2, 'middle'), 'signals', 'off')
  })

  it('a chain by pass-through alone, hot to lamp, proves', () => {
    proves({
      devices: { main: 'dimmer-led-150-two-wire', far: 'companion-oak' },
      nets: {
        line: ['panel:hot', 'far.pass-1'],
        between: ['far.pass-2', 'main.line'],
        load: ['main.load', 'lamp:hot'],
        signal: ['main.signal', 'far.signal'],
        neutral: HOME,
      },
    })
  })

  it('what a companion must not do', () => {
    const good = withCompanions(1, 'line end')
    breaks(
      { ...good, nets: { ...good.nets, signal: ['main.signal'] }, caps: ['c1.signal'] },
      'signals',
      'every-place-acts',
    )
    breaks(
      { ...good, nets: { ...good.nets, load: ['main.load', 'lamp:hot'], apart: ['c1.pass-1', 'c1.pass-2'] } },
      'signals',
      'every-place-acts',
    )
    breaks({ ...good, devices: { ...good.devices, c1: 'second-place-elder' } }, 'signals')
    breaks(
      {
        ...good,
        nets: { ...good.nets, line: ['panel:hot', 'main.line', 'main.signal', 'c1.signal'], signal: [] },
      },
      'signals',
    )
  })

  it('its pass-through lies between supply and lamp, and does not end in the box', () => {
    const good = withCompanions(1, 'line end')
    breaks(
      {
        ...good,
        nets: { ...good.nets, load: ['main.load', 'c1.pass-1'], open: ['c1.pass-2'], dark: ['lamp:hot'] },
      },
      'full',
      'every-place-acts',
    )
  })

  it('two mains on one signal', () => {
    const good = withCompanions(1, 'line end')
    breaks(
      {
        ...good,
        devices: { ...good.devices, c1: 'dimmer-led-150-two-wire' },
        nets: {
          line: ['panel:hot', 'main.line', 'c1.line'],
          load: ['main.load', 'c1.load', 'lamp:hot'],
          signal: ['main.signal', 'c1.signal'],
          neutral: HOME,
        },
      },
      'signals',
    )
  })
})

describe('an old two-place switch kept as a companion', () => {
  const kept = (side: 'line' | 'load', second: 'a kept switch' | 'a companion'): Wired => ({
    devices: {
      main: { model: 'dimmer-led-150-two-wire', settings: { 'second-place': second } },
      old: 'old-two-place-switch',
    },
    nets: {
      line: ['panel:hot', 'main.line', ...(side === 'line' ? ['old.common', 'old.traveller-a'] : [])],
      load: ['main.load', 'lamp:hot', ...(side === 'load' ? ['old.common', 'old.traveller-a'] : [])],
      signal: ['main.signal', 'old.traveller-b'],
      neutral: HOME,
    },
  })

  it('proves on the line side and on the load side, by change and not by position', () => {
    proves(kept('line', 'a kept switch'))
    proves(kept('load', 'a kept switch'))
  })

  it('the main must be told to expect a switch', () => {
    breaks(kept('line', 'a companion'), 'signals', 'every-place-acts')
  })

  it('the jumper missing: the lamp is cut off as the old switch moves', () => {
    const good = kept('line', 'a kept switch')
    breaks(
      {
        ...good,
        nets: {
          line: ['panel:hot', 'old.common'],
          through: ['old.traveller-a', 'main.line'],
          load: ['main.load', 'lamp:hot'],
          signal: ['main.signal', 'old.traveller-b'],
          neutral: HOME,
        },
      },
      'supply-alive',
    )
  })

  it('only where two places control', () => {
    const good = kept('load', 'a kept switch')
    breaks(
      {
        ...good,
        devices: { ...good.devices, third: 'companion-oak' },
        nets: {
          ...good.nets,
          load: [...good.nets.load!, 'third.pass-1', 'third.pass-2'],
          signal: [...good.nets.signal!, 'third.signal'],
        },
      },
      'signals',
    )
  })
})

describe('places linked by radio', () => {
  const set = (count: number): Wired => {
    const names = Array.from({ length: count }, (_, index) => `s${index + 1}`)
    return {
      devices: Object.fromEntries(names.map(name => [name, 'smart-switch-neutral'])),
      nets: {
        line: ['panel:hot', ...names.map(name => `${name}.line`)],
        neutral: [...HOME, ...names.map(name => `${name}.neutral`)],
        load: ['s1.load', 'lamp:hot'],
      },
      caps: names.slice(1).map(name => `${name}.load`),
    }
  }

  it.each([2, 3, 6])('%i places prove, whatever radio has told them', count => proves(set(count)))

  it('a place of another family hears nothing', () => {
    const good = set(2)
    breaks({ ...good, devices: { ...good.devices, s2: 'dimmer-led-150-neutral' } }, 'every-place-acts')
  })

  it('two load leads joined to the lamp: no place does wrong, and the plan is not kept', () => {
    const good = set(2)
    const circuit = checked(good)
    const doubled = {
      ...circuit,
      joints: circuit.joints.map(joint =>
        joint.id === 'load' ? { ...joint, members: [...joint.members, 's2.load'] } : joint,
      ),
    }
    const proof = prove(doubled)
    expect(proof.kind === 'refuted' && proof.counterexamples.map(each => each.property)).toEqual(['the-plan'])
  })

  it('no neutral at the far place', () => {
    const good = set(2)
    breaks(
      { ...good, nets: { ...good.nets, neutral: [...HOME, 's1.neutral'] }, caps: ['s2.load', 's2.neutral'] },
      'supply-alive',
    )
  })
})

describe('a smart switch that watches a kept ordinary switch', () => {
  const good: Wired = {
    devices: { main: 'smart-switch-sense', old: 'old-two-place-switch' },
    nets: {
      line: ['panel:hot', 'main.line', 'old.common'],
      load: ['main.load', 'lamp:hot'],
      neutral: [...HOME, 'main.neutral'],
      sense: ['main.sense', 'old.traveller-a'],
      spare: ['old.traveller-b'],
    },
  }

  it('proves', () => proves(good))

  it('the sense lead left capped: the old switch does nothing', () => {
    breaks(
      { ...good, nets: { ...good.nets, sense: ['old.traveller-a'] }, caps: ['main.sense'] },
      'every-place-acts',
    )
  })
})

describe('countdown timers, time switches and sensors', () => {
  const linked: Wired = {
    devices: { main: 'timer-linked', second: 'timer-second-place', third: 'timer-second-place' },
    nets: {
      line: ['panel:hot', 'main.line', 'second.line', 'third.line'],
      neutral: [...HOME, 'main.neutral', 'second.neutral', 'third.neutral'],
      load: ['main.load', 'lamp:hot'],
      signal: ['main.signal', 'second.signal', 'third.signal'],
    },
  }

  it('linked timers prove; line and load exchanged do not', () => {
    proves(linked)
    breaks(
      {
        ...linked,
        nets: {
          ...linked.nets,
          line: ['panel:hot', 'main.load', 'second.line', 'third.line'],
          load: ['main.line', 'lamp:hot'],
        },
      },
      'supply-alive',
    )
  })

  it('a time switch with a second place proves', () => {
    proves({
      devices: { main: 'time-switch-sun', second: 'second-place-elder' },
      nets: {
        line: ['panel:hot', 'main.line', 'second.pass-1', 'second.pass-2'],
        neutral: [...HOME, 'main.neutral'],
        load: ['main.load', 'lamp:hot'],
        signal: ['main.signal', 'second.signal'],
      },
    })
  })

  it.each(['sensor-neutral', 'sensor-convertible'])('%s with a neutral proves', model =>
    proves({
      devices: { main: model },
      nets: {
        line: ['panel:hot', 'main.line'],
        neutral: [...HOME, 'main.neutral'],
        load: ['main.load', 'lamp:hot'],
      },
    }),
  )

  it('a convertible one proves with its marked lead on the ground, by its declared leak', () =>
    proves({
      devices: { main: 'sensor-convertible' },
      nets: {
        line: ['panel:hot', 'main.line'],
        neutral: HOME,
        load: ['main.load', 'lamp:hot'],
        ground: ['main.neutral'],
      },
    }))

  it('a ground-referenced one proves by its declared leak; three on one circuit leak too much', () => {
    const sensors = (count: number): Wired => {
      const names = Array.from({ length: count }, (_, index) => `s${index + 1}`)
      return {
        devices: Object.fromEntries(names.map(name => [name, 'sensor-ground-referenced'])),
        nets: {
          line: ['panel:hot', ...names.map(name => `${name}.line`)],
          neutral: ['panel:neutral', ...names.map((_, index) => `lamp${index + 1}:neutral`)],
          ...Object.fromEntries(
            names.map((name, index) => [`load${index + 1}`, [`${name}.load`, `lamp${index + 1}:hot`]]),
          ),
        },
        loads: names.map((_, index) => lamp(`lamp${index + 1}`, 40, { groupId: `g${index}` })),
      }
    }
    proves(sensors(1))
    breaks(sensors(3), 'ground-idle')
  })

  it('a control that keeps the lamp fed proves, and its lamp is never off', () =>
    proves({
      devices: { main: 'control-keeps-fed' },
      nets: {
        line: ['panel:hot', 'main.line'],
        neutral: [...HOME, 'main.neutral'],
        load: ['main.load', 'lamp:hot'],
      },
    }))

  it('a sensor set to manual-on moves nothing by itself', () => {
    const given: Wired = {
      devices: { main: { model: 'sensor-neutral', settings: { mode: 'by hand' } } },
      nets: {
        line: ['panel:hot', 'main.line'],
        neutral: [...HOME, 'main.neutral'],
        load: ['main.load', 'lamp:hot'],
      },
    }
    proves(given)
  })
})
