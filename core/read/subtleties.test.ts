import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { plainPlaces } from '@/demo/places'
import { testList } from '../plan'
import { usualBox } from '@/demo/usual'
import type { Circuit } from '../model/circuit'
import { FILAMENT, lamp } from '@/testing/model/bare'
import { prove } from '../prove'
import { compile, solve, stateAt, stateCount } from '../solve'
import { AS_IT_COMES, read, type Stand, type Test } from '.'

const shown = (given: Circuit, test: Test, stand: Partial<Stand> = {}) => {
  const reading = read(given, { ...AS_IT_COMES, ...stand }, test)
  if (!reading.ok) throw new Error(reading.faults[0]!.message)
  return reading.value
}

const volts = (given: Circuit, from: string, to: string, stand: Partial<Stand> = {}) => {
  const reading = shown(given, { instrument: 'low-impedance-meter', from, to }, stand)
  return reading.kind === 'volts' ? reading.volts : NaN
}

const amps = (given: Circuit, at: string, stand: Partial<Stand> = {}) => {
  const reading = shown(given, { instrument: 'clamp', at }, stand)
  return reading.kind === 'amps' ? reading.amps : NaN
}

/** Two circuits that share a neutral, joined in a box: a lamp on each. */
const sharedNeutral = (phaseDegrees: number): Circuit => ({
  nominalVolts: 120,
  supplies: [
    { id: '11', volts: 120, phaseDegrees: 0, breakerOn: true, hot: '11:h', neutral: 'n', ground: 'g' },
    { id: '13', volts: 120, phaseDegrees, breakerOn: true, hot: '13:h', neutral: 'n', ground: 'g' },
  ],
  wires: [
    { id: 'home', a: 'n', b: 'box:home', cable: 'feed' },
    { id: 'hot-11', a: '11:h', b: 'box:11', cable: 'feed' },
    { id: 'hot-13', a: '13:h', b: 'box:13', cable: 'feed' },
    { id: 'x-return', a: 'box:x', b: 'x:n', cable: 'x' },
    { id: 'x-hot', a: 'box:x-hot', b: 'x:h', cable: 'x' },
    { id: 'y-return', a: 'box:y', b: 'y:n', cable: 'y' },
    { id: 'y-hot', a: 'box:y-hot', b: 'y:h', cable: 'y' },
  ],
  joints: [
    { id: 'whites', members: ['box:home', 'box:x', 'box:y'] },
    { id: 'to-x', members: ['box:11', 'box:x-hot'] },
    { id: 'to-y', members: ['box:13', 'box:y-hot'] },
  ],
  devices: [],
  loads: [lamp('x', 60, FILAMENT), lamp('y', 180, FILAMENT)],
  caps: [],
  bonds: [],
  plan: null,
})

describe('what must come out right', () => {
  it('hots carry a phase angle: 240 V at 180°, 208 V at 120°, 0 V on the same leg', () => {
    expect(volts(sharedNeutral(180), 'box:11', 'box:13')).toBeCloseTo(240, 3)
    expect(volts(sharedNeutral(120), 'box:11', 'box:13')).toBeCloseTo(120 * Math.sqrt(3), 3)
    expect(volts(sharedNeutral(0), 'box:11', 'box:13')).toBeCloseTo(0, 6)
  })

  it('0 V between two conductors proves nothing: the same leg, or both floating', () => {
    const leg = sharedNeutral(0)
    expect(volts(leg, 'box:11', 'box:13')).toBeCloseTo(0, 6)
    expect(volts(leg, 'box:11', 'box:home')).toBeCloseTo(120, 3)
    const floating = { opened: ['to-x', 'to-y'] }
    expect(volts(leg, 'box:x-hot', 'box:y-hot', floating)).toBeCloseTo(0, 1)
  })

  it('neutral and ground: no voltage and no continuity tells them apart, a clamp under load does', () => {
    const given = plainPlaces({ places: 2, supplyAt: 0, loadAt: 1 })
    const neutral = 'box0:feed:neutral:b'
    const ground = 'box0:feed:ground:b'
    const hot = 'box0:feed:line:b'
    const on = { state: { place1: { position: 'up' }, place2: { position: 'up' } } }
    for (const instrument of ['low-impedance-meter', 'high-impedance-meter'] as const)
      expect(shown(given, { instrument, from: hot, to: neutral }, on)).toEqual(
        shown(given, { instrument, from: hot, to: ground }, on),
      )
    const dead = { off: ['breaker 4'] }
    expect(shown(given, { instrument: 'continuity', from: neutral, to: ground }, dead)).toMatchObject({
      ohms: 0,
    })
    expect(amps(given, neutral, on)).toBeCloseTo(0.5, 6)
    expect(amps(given, ground, on)).toBeCloseTo(0, 9)
  })

  it('a shared neutral, its own breaker off, reads 0 V until its joint is opened; a clamp gives warning', () => {
    const given = sharedNeutral(180)
    const own = { off: ['11'] }
    expect(volts(given, 'box:x', '11:h', own)).toBeCloseTo(0, 2)
    expect(volts(given, 'box:home', 'g', own)).toBeCloseTo(0, 6)
    expect(amps(given, 'home', own)).toBeCloseTo(1.5, 6)
    const opened = { off: ['11'], opened: ['whites'] }
    expect(volts(given, 'box:y', 'g', opened)).toBeGreaterThan(114)
    expect(amps(given, 'home', { off: ['11', '13'] })).toBe(0)
  })

  it('a lost shared neutral puts the real unbalanced voltages on the lamps', () => {
    const proof = prove({ ...sharedNeutral(180), devices: [] })
    if (proof.kind === 'not-decided') throw new Error('not decided')
    expect(proof.lostNeutrals).toEqual([
      {
        supplies: ['11', '13'],
        loads: [
          { id: 'x', volts: 180 },
          { id: 'y', volts: 60 },
        ],
      },
    ])
  })

  it.each([
    ['a small LED', 9, {}, 0.6, 0.7],
    ['a large LED', 60, {}, 0.9, 0.95],
    ['cold tungsten', 60, FILAMENT, 0.985, 0.999],
  ] as const)('a meter across an open switch reads through the lamp: %s', (_, watts, more, least, most) => {
    const given = plainPlaces({ places: 1, supplyAt: 0, loadAt: 0, watts })
    const { coldShare, ohmsShare, ...bare } = given.loads[0]!
    const circuit = { ...given, loads: [{ ...bare, ...more }] }
    expect([coldShare, ohmsShare]).toEqual([1 / 12, 1 / 12])
    const across = volts(circuit, 'place1.upper', 'place1.lower')
    expect(across / 120).toBeGreaterThan(least)
    expect(across / 120).toBeLessThan(most)
    // Only taking the lamp out settles it.
    const out = { ...circuit, loads: [] }
    expect(
      volts({ ...out, bonds: [{ id: 'holder', point: 'lamp:hot' }] }, 'place1.upper', 'place1.lower'),
    ).toBeLessThan(1)
  })

  it('the two travellers answer alike to every reading, so they are one class', () => {
    const given = plainPlaces({ places: 2, supplyAt: 0, loadAt: 1 })
    const answers = (traveller: string) =>
      [
        ['down', 'down'],
        ['down', 'up'],
        ['up', 'down'],
        ['up', 'up'],
      ]
        .map(([first, second]) => {
          const state = { place1: { position: first! }, place2: { position: second! } }
          const at = `box1:run0:traveller-0${traveller}:b`
          return Math.round(volts(given, at, 'box1:run0:ground:b', { state }))
        })
        .sort()
    expect(answers('a')).toEqual(answers('b'))
  })

  it('a dimmer’s contact carries a current: its minimum load needs it', () => {
    const model = trade.devices.find(device => device.id === 'dimmer-led-150-two-wire')!
    const of = (watts: number) => {
      const compiled = compile({
        ...sharedNeutral(0),
        wires: [
          { id: 'w1', a: '11:h', b: 'd.line' },
          { id: 'w2', a: 'd.load', b: 'x:h' },
          { id: 'w3', a: 'x:n', b: 'n' },
        ],
        joints: [],
        devices: [{ id: 'd', groupId: 'x', model }],
        loads: [lamp('x', watts)],
      })
      const on = compiled.variables.map(({ id, values, initial }) =>
        id === 'relay' ? values.indexOf('on') : initial,
      )
      return solve(compiled, on)
    }
    expect(of(9.9).starved).toEqual([true])
    expect(of(10.1).starved).toEqual([false])
  })

  it('the test list looks for mistakes that leave lamp and controls perfect', () => {
    const view = usualBox({ choice: 'switch-plain-15' })
    const keys = testList(view, view.places[0]!, trade).map(item => item.key)
    for (const key of ['line-neutral', 'line-ground', 'neutral-ground', 'shell', 'ground-continuity'])
      expect(keys).toContain(key)
  })
})

describe('what mistakes look like from the floor', () => {
  /** Light in each state: what a person can find out by working the switches. */
  const lampSignature = (circuit: Circuit) => {
    const compiled = compile(circuit)
    return Array.from({ length: stateCount(compiled) }, (_, index) => {
      const solved = solve(compiled, stateAt(compiled, index))
      return solved.shorts.some(short => short.supplies.length > 0) ? 'trips' : solved.lights[0]
    }).join()
  }

  it('single mistakes of a two-place group fall into few lamp signatures; a part leave the lamp perfect', () => {
    const right = plainPlaces({ places: 2, supplyAt: 0, loadAt: 1 })
    const perfect = lampSignature(right)
    const signatures = new Map<string, number>()
    let harmful = 0
    const judge = (joints: Circuit['joints']) => {
      const wrong = { ...right, joints }
      if (prove(wrong).kind === 'proven') return
      harmful++
      const seen = lampSignature(wrong)
      signatures.set(seen, (signatures.get(seen) ?? 0) + 1)
    }
    const boxOf = (id: string) => id.split('/')[0]
    for (const [at, joint] of right.joints.entries())
      for (const a of joint.members) {
        judge(right.joints.map(each => ({ ...each, members: each.members.filter(member => member !== a) })))
        for (const other of right.joints.slice(at + 1).filter(each => boxOf(each.id) === boxOf(joint.id)))
          for (const b of other.members) {
            const swap = (member: string) => (member === a ? b : member === b ? a : member)
            judge(right.joints.map(each => ({ ...each, members: each.members.map(swap) })))
          }
      }
    const silent = (signatures.get(perfect) ?? 0) / harmful
    expect(harmful).toBeGreaterThan(100)
    expect(signatures.size).toBeLessThan(40)
    expect(silent).toBeGreaterThan(0.1)
    expect(silent).toBeLessThan(0.3)
  })
})
