import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import type { Circuit, PlacedDevice } from '../model/circuit'
import { lamp, supply } from '@/testing/model/bare'
import { Situations, compile, holds, solve } from '../solve'
import { prove, type PropertyId } from '.'
import { wrongForGood, wrongHere } from '@/testing/prove/plain-judge'
import { replayed } from '@/testing/prove/replays'

const MODELS = [
  'switch-plain-15',
  'switch-two-place-15',
  'dimmer-led-150-two-wire',
  'companion-oak',
  'sensor-neutral',
  'smart-switch-neutral',
  'fan-isolator-230',
  'dimmer-control-pair-8',
].map(id => trade.devices.find(device => device.id === id)!)

/** Up to three devices and three lamps, every terminal thrown onto one of a few nets. */
const thrown = fc.record({
  devices: fc.array(
    fc.record({ model: fc.nat(MODELS.length - 1), on: fc.array(fc.nat(8), { minLength: 6, maxLength: 6 }) }),
    {
      minLength: 1,
      maxLength: 3,
    },
  ),
  lamps: fc.array(
    fc.record({
      ...{ watts: fc.integer({ min: 3, max: 200 }), hot: fc.nat(8), neutral: fc.nat(8) },
      isolated: fc.boolean(),
      pair: fc.option(fc.record({ plus: fc.nat(8), minus: fc.nat(8) })),
    }),
    {
      minLength: 1,
      maxLength: 3,
    },
  ),
  twoGroups: fc.boolean(),
  second: fc.boolean(),
})

type Thrown = typeof thrown extends fc.Arbitrary<infer Value> ? Value : never

function circuitOf({ devices, lamps, twoGroups, second }: Thrown): Circuit {
  const nets: string[][] = [['a:h'], ['a:n'], second ? ['b:h'] : [], [], [], [], [], [], []]
  const groupOf = (index: number) => (twoGroups && index > 0 ? 'other' : 'g')
  const placed = devices.map(({ model }, index): PlacedDevice => ({
    id: `d${index}`,
    groupId: groupOf(index),
    model: MODELS[model]!,
  }))
  placed.forEach(({ id, model }, index) =>
    model.terminals
      .filter(({ wants }) => wants !== 'ground')
      .forEach((terminal, at) => nets[devices[index]!.on[at]!]!.push(`${id}.${terminal.id}`)),
  )
  lamps.forEach(({ hot, neutral, pair }, index) => {
    nets[hot]!.push(`l${index}:h`)
    nets[neutral]!.push(`l${index}:n`)
    if (pair) {
      nets[pair.plus]!.push(`l${index}:plus`)
      nets[pair.minus]!.push(`l${index}:minus`)
    }
  })
  const isolatorOf = (group: string) =>
    placed.find(({ groupId, model }) => groupId === group && model.isolates)?.id
  const grounds = placed.flatMap(({ id, model }) =>
    model.terminals.filter(({ wants }) => wants === 'ground').map(terminal => `${id}.${terminal.id}`),
  )
  return {
    nominalVolts: 120,
    supplies: [supply('a'), ...(second ? [supply('b', { phaseDegrees: 180, neutral: 'a:n' })] : [])],
    wires: [],
    joints: [...nets, ['ground', ...grounds]]
      .filter(members => members.length > 0)
      .map((members, id) => ({ id: `net${id}`, members })),
    devices: placed,
    loads: lamps.map(({ watts, isolated, pair }, index) => {
      const isolatedBy = isolated ? isolatorOf(groupOf(index)) : undefined
      return lamp(`l${index}`, watts, {
        groupId: groupOf(index),
        ...(isolatedBy === undefined ? {} : { isolatedBy }),
        ...(pair ? { control: { plus: `l${index}:plus`, minus: `l${index}:minus` } } : {}),
      })
    }),
    caps: placed.flatMap(({ id, model }) => model.terminals.map(terminal => `${id}.${terminal.id}`)),
    bonds: [],
    plan: null,
  }
}

/** What is broken, found by going through every state that can be reached, each solved by itself. */
function brokenBy(circuit: Circuit): string[] {
  const compiled = compile(circuit)
  const situations = new Situations(compiled)
  const broken = wrongForGood(circuit)
  const solved = new Map<string, ReturnType<typeof solve>>()
  const solutionOf = (state: readonly number[]) => {
    const key = state.join()
    const known = solved.get(key) ?? solve(compiled, state)
    solved.set(key, known)
    return known
  }
  const seen = new Set<string>()
  const queue: number[][] = [Array.from(compiled.initial)]
  for (let state = queue.pop(); state; state = queue.pop()) {
    if (seen.has(state.join())) continue
    seen.add(state.join())
    const here = state
    for (const each of wrongHere(compiled, solutionOf(here))) broken.add(each)
    compiled.devices.forEach(({ events, placed }, device) => {
      const hand = events.includes('toggle') ? 'toggle' : 'press'
      for (const event of events) {
        const next = situations.after(here, device, event)
        if (!next) continue
        queue.push(next)
        const away = compiled.devices.some(
          each =>
            each.placed.groupId === placed.groupId &&
            !each.placed.model.isolates &&
            each.outOfService &&
            holds(here, each.outOfService),
        )
        const held = compiled.devices.some(
          (each, other) =>
            other !== device &&
            each.events.includes('release') &&
            situations.after(here, other, 'release') !== null,
        )
        if (event !== hand || away || held || placed.model.isolates) continue
        const [before, after] = [solutionOf(here), solutionOf(next)]
        circuit.loads.forEach((load, at) => {
          const by = compiled.devices.find(each => each.placed.id === load.isolatedBy)
          if (by && holds(here, by.outOfService!)) return
          if (load.groupId === placed.groupId && before.lights[at] === after.lights[at])
            broken.add('every-place-acts')
        })
      }
    })
  }
  return [...broken].sort()
}

describe('the prover against going through everything, on circuits thrown together', () => {
  it('the same properties are broken, and every counterexample replays (400, seed 20261126)', () => {
    const kinds = new Set<PropertyId>()
    fc.assert(
      fc.property(thrown, given => {
        const circuit = circuitOf(given)
        const proof = prove(circuit)
        if (proof.kind === 'not-decided') throw new Error('not decided')
        const found = proof.kind === 'refuted' ? proof.counterexamples : []
        expect(found.map(each => each.property).sort()).toEqual(brokenBy(circuit))
        for (const each of found) {
          kinds.add(each.property)
          expect(`${each.property} ${replayed(circuit, each)}`).toBe(`${each.property} null`)
        }
      }),
      { numRuns: 400, seed: 20261126 },
    )
    expect(kinds.size).toBeGreaterThanOrEqual(11)
  })
})
