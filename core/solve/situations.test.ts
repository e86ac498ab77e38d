import { describe, expect, it } from 'vitest'
import { companionChain, plainPlaces } from '@/demo/places'
import { tiedSets } from '../job/tied'
import { quillbackRoad } from '@/demo/quillback'
import { trade } from '@/catalogue'
import { foundCircuit } from '../route'
import type { Circuit } from '../model/circuit'
import { Situations, compile, solve, stateAt, stateCount } from '.'

const circuits: [string, Circuit][] = [
  ...[1, 2, 3, 5, 7].map(
    places =>
      [`${places} plain places`, plainPlaces({ places, supplyAt: 0, loadAt: places - 1 })] as [
        string,
        Circuit,
      ],
  ),
  ['a dimmer with two companions', companionChain(2)],
  ...tiedSets(quillbackRoad()).flatMap((set): [string, Circuit][] => {
    const found = foundCircuit(set, trade)
    return found.ok ? [[set.map(view => view.box.id).join(' + '), found.value]] : []
  }),
]

describe('states that are told alike are alike', () => {
  it.each(circuits)('%s: lights, currents, life and shorts of every state', (_, circuit) => {
    const compiled = compile(circuit)
    const situations = new Situations(compiled)
    for (let index = 0; index < stateCount(compiled); index++) {
      const state = stateAt(compiled, index)
      const alone = solve(compiled, state)
      const { solution } = situations.of(state)
      expect(solution.lights).toEqual(alone.lights)
      expect(solution.alive).toEqual(alone.alive)
      expect(solution.shorts).toEqual(alone.shorts)
      alone.loadVolts.forEach((volts, at) => expect(solution.loadVolts[at]).toBeCloseTo(volts, 9))
      alone.groundAmps.forEach((amps, at) => expect(solution.groundAmps[at]).toBeCloseTo(amps, 12))
    }
    expect(situations.all.length).toBeLessThanOrEqual(stateCount(compiled))
  })

  it('sixteen plain places are four situations, two a block', () => {
    const compiled = compile(plainPlaces({ places: 16, supplyAt: 0, loadAt: 15 }))
    const situations = new Situations(compiled)
    for (let index = 0; index < stateCount(compiled); index += 37) situations.of(stateAt(compiled, index))
    expect(situations.all).toHaveLength(4)
  })

  it('situations that differ only in what is heard share one solution', () => {
    const compiled = compile(companionChain(2))
    const situations = new Situations(compiled)
    const start = Array.from(compiled.initial)
    const key = compiled.variables.findIndex(({ id }) => id === 'key')
    const held = start.map((value, variable) => (variable === key ? 1 : value))
    expect(situations.of(held)).not.toBe(situations.of(start))
    expect(situations.of(held).heard).not.toEqual(situations.of(start).heard)
    expect(situations.of(held).solution).toBe(situations.of(start).solution)
  })

  it('a press is followed to what it brings about, and where nothing answers there is nothing', () => {
    const compiled = compile(companionChain(2))
    const situations = new Situations(compiled)
    const start = Array.from(compiled.initial)
    const relay = compiled.variables.findIndex(({ id }) => id === 'relay')
    const pressed = situations.after(start, 1, 'press')!
    expect(pressed[relay]).toBe(1)
    const released = situations.after(pressed, 1, 'release')!
    expect(released[relay]).toBe(1)
    expect(situations.after(start, 1, 'release')).toBeNull()
    expect(situations.after(start, 1, 'toggle')).toBeNull()
    // With one key held down the signal is joined already, so a second press goes unheard.
    expect(situations.after(pressed, 2, 'press')![relay]).toBe(1)
  })
})
