import { describe, expect, it } from 'vitest'
import { prove } from '.'
import { breaks, checked, proves } from '@/testing/prove/judge'
import { replayed } from '@/testing/prove/replays'
import { lamp, supply, oldTwoSupplyPair } from '@/testing/prove/wired'

const HOME = ['panel:neutral', 'lamp:neutral']

describe('other things in the boxes', () => {
  it('several lamps in parallel prove; in series neither is full', () => {
    const lamps = [lamp('lamp', 40), lamp('other', 60)]
    const base = { devices: { main: 'switch-plain-15' }, loads: lamps }
    proves({
      ...base,
      nets: {
        line: ['panel:hot', 'main.upper'],
        load: ['main.lower', 'lamp:hot', 'other:hot'],
        neutral: [...HOME, 'other:neutral'],
      },
    })
    breaks(
      {
        ...base,
        nets: {
          line: ['panel:hot', 'main.upper'],
          load: ['main.lower', 'lamp:hot'],
          middle: ['lamp:neutral', 'other:hot'],
          neutral: ['panel:neutral', 'other:neutral'],
        },
      },
      'full',
      'return-unswitched',
    )
  })

  it('a receptacle in the same box stays alive; behind the switch it does not', () => {
    const receptacle = lamp('wall', 0, { kind: 'receptacle', ground: 'wall:ground' })
    const base = { devices: { main: 'switch-plain-15' }, loads: [lamp('lamp'), receptacle] }
    const nets = {
      line: ['panel:hot', 'main.upper', 'wall:hot'],
      load: ['main.lower', 'lamp:hot'],
      neutral: [...HOME, 'wall:neutral'],
      ground: ['wall:ground'],
    }
    proves({ ...base, nets })
    breaks(
      {
        ...base,
        nets: { ...nets, line: ['panel:hot', 'main.upper'], load: ['main.lower', 'lamp:hot', 'wall:hot'] },
      },
      'onward-feed',
    )
  })

  it('two circuits in one box, each with its own neutral, prove; returns exchanged do not', () => {
    const supplies = [supply('panel'), supply('other')]
    const loads = [lamp('lamp'), lamp('second', 40, { groupId: 'second' })]
    const devices = { main: 'switch-plain-15', beside: 'switch-plain-15' }
    const nets = {
      line: ['panel:hot', 'main.upper'],
      load: ['main.lower', 'lamp:hot'],
      neutral: HOME,
      'other line': ['other:hot', 'beside.upper'],
      'other load': ['beside.lower', 'second:hot'],
      'other neutral': ['other:neutral', 'second:neutral'],
    }
    const circuit = checked({ devices, supplies, loads, nets })
    const own = {
      ...circuit,
      devices: circuit.devices.map(each => (each.id === 'beside' ? { ...each, groupId: 'second' } : each)),
    }
    expect(prove(own)).toMatchObject({ kind: 'proven', states: 4, visited: 4 })
    breaks(
      {
        devices,
        supplies,
        loads,
        nets: {
          ...nets,
          neutral: ['panel:neutral', 'second:neutral'],
          'other neutral': ['other:neutral', 'lamp:neutral'],
        },
      },
      'own-circuit',
    )
  })

  it('a shared neutral, its two hots 180° apart, proves, and what losing it would do is told', () => {
    const proof = prove(
      checked({
        devices: { main: 'switch-plain-15' },
        supplies: [supply('panel'), supply('other', { phaseDegrees: 180, neutral: 'panel:neutral' })],
        loads: [lamp('lamp', 60), lamp('studio', 180, { groupId: 'studio', kind: 'onward' })],
        nets: {
          line: ['panel:hot', 'main.upper'],
          load: ['main.lower', 'lamp:hot'],
          neutral: [...HOME, 'studio:neutral'],
          'other line': ['other:hot', 'studio:hot'],
        },
      }),
    )
    expect(proof).toMatchObject({
      kind: 'proven',
      lostNeutrals: [
        {
          supplies: ['panel', 'other'],
          loads: [
            { id: 'lamp', volts: 180 },
            { id: 'studio', volts: 60 },
          ],
        },
      ],
    })
  })

  it('the old system that feeds two supplies to a two-place pair seems to work and is refuted', () => {
    const circuit = oldTwoSupplyPair()
    const proof = prove(circuit)
    if (proof.kind !== 'refuted') throw new Error('not refuted')
    // Each move of either switch changes the lamp between full and dark, so nobody notices.
    expect(proof.counterexamples.map(each => each.property)).toEqual(['return-unswitched'])
    const [shell] = proof.counterexamples
    expect(shell!.says).toMatch(/its shell stands at 120 V/)
    expect(replayed(circuit, shell!)).toBeNull()
    expect(shell!.path.at(0)).toBe('panel:hot')
    expect(shell!.path.at(-1)).toBe('lamp:neutral')
  })
})

describe('counterexamples are the smallest', () => {
  it('the fewest moves lead to it, and the way of the fault is told', () => {
    const circuit = checked({
      devices: { main: 'switch-plain-15', beside: 'switch-plain-15' },
      nets: {
        line: ['panel:hot', 'main.upper'],
        load: ['main.lower', 'lamp:hot', 'beside.upper'],
        neutral: [...HOME, 'beside.lower'],
      },
    })
    const proof = prove(circuit)
    const short = proof.kind === 'refuted' && proof.counterexamples.find(each => each.property === 'no-short')
    expect(short && short.moves).toEqual([
      { device: 'main', event: 'toggle' },
      { device: 'beside', event: 'toggle' },
    ])
    expect(short && short.path).toEqual([
      'panel:hot',
      'main.upper',
      'main.lower',
      'beside.upper',
      'beside.lower',
      'panel:neutral',
    ])
  })
})
