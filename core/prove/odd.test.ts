import { describe, expect, it } from 'vitest'
import { plainPlaces } from '@/demo/places'
import { parseCircuit, type Circuit, type Wire } from '../model/circuit'
import { prove } from '.'
import { wired } from '@/testing/prove/wired'

const broken = (circuit: Circuit) => {
  const proof = prove(circuit)
  return proof.kind === 'refuted' ? proof.counterexamples.map(each => each.property) : [proof.kind]
}

describe('odd circuits each get a clear answer', () => {
  it('nothing at all', () => {
    const nothing = wired({ nets: {}, loads: [], supplies: [] })
    expect(parseCircuit({ ...nothing, joints: [], plan: null }).ok).toBe(true)
    expect(broken({ ...nothing, joints: [], plan: null })).toEqual(['proven'])
  })

  it('no loads: a switch that switches nothing', () => {
    const circuit = wired({
      devices: { main: 'switch-plain-15' },
      loads: [],
      nets: { line: ['panel:hot', 'main.upper'], load: ['main.lower'] },
    })
    expect(broken(circuit)).toEqual(['proven'])
  })

  it('no switches: a lamp that is always lit, and one that nothing lights', () => {
    expect(
      broken(
        wired({ nets: { line: ['panel:hot', 'lamp:hot'], neutral: ['panel:neutral', 'lamp:neutral'] } }),
      ),
    ).toEqual(['proven'])
    expect(broken(wired({ nets: { neutral: ['panel:neutral', 'lamp:neutral'] } }))).toEqual(['full'])
  })

  it('a dangling cable: its ends are named', () => {
    const good = plainPlaces({ places: 2, supplyAt: 0, loadAt: 1 })
    const proof = prove({ ...good, wires: [...good.wires, { id: 'old', a: 'box0:old', b: 'nowhere' }] })
    expect(proof.kind === 'refuted' && proof.counterexamples).toMatchObject([
      { property: 'no-bare-end', points: ['box0:old'] },
    ])
  })

  it('a loop of cables: joined twice over, it still proves as found', () => {
    const good = plainPlaces({ places: 3, supplyAt: 0, loadAt: 2 })
    const loop: Wire[] = ['neutral', 'ground'].map(net => ({
      id: `loop:${net}`,
      a: `box0:loop:${net}`,
      b: `box2:loop:${net}`,
      cable: 'loop',
    }))
    const circuit = {
      ...good,
      plan: null,
      wires: [...good.wires, ...loop],
      joints: good.joints.map(joint => {
        const [box, net] = joint.id.split('/')
        const more = loop.flatMap(({ a, b }) => [a, b]).filter(point => point === `box${box}:loop:${net}`)
        return { ...joint, members: [...joint.members, ...more] }
      }),
    }
    expect(broken(circuit)).toEqual(['proven'])
  })

  it('200 conductors', () => {
    const good = plainPlaces({ places: 5, supplyAt: 0, loadAt: 4 })
    const more = Array.from({ length: 200 - good.wires.length }, (_, index): Wire => ({
      id: `spare${index}`,
      a: `a${index}`,
      b: `b${index}`,
      cable: `cable${index % 7}`,
    }))
    const circuit = { ...good, wires: [...good.wires, ...more], caps: more.flatMap(({ a, b }) => [a, b]) }
    expect(circuit.wires).toHaveLength(200)
    expect(broken(circuit)).toEqual(['proven'])
    expect(broken({ ...circuit, caps: circuit.caps.slice(1) })).toEqual(['no-bare-end'])
  })

  it('what is no circuit is refused with every path', () => {
    const good = plainPlaces({ places: 2, supplyAt: 0, loadAt: 1 })
    const parsed = parseCircuit({
      ...good,
      caps: ['moon'],
      loads: [{ ...good.loads[0]!, watts: -1 }],
      supplies: [{ ...good.supplies[0]!, volts: 0 }],
      devices: [...good.devices, good.devices[0]!],
    })
    expect(!parsed.ok && parsed.faults.map(each => `${each.path} ${each.code}`).sort()).toEqual([
      '/caps/0 unknown-point',
      '/devices/2/id twice',
      '/loads/0/watts range',
      '/supplies/0/volts range',
    ])
  })
})
