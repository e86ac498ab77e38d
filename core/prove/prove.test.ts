import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { plainPlaces } from '@/demo/places'
import { fedAtTheSwitch, strand, switchLoop, usualBox, type UsualBox } from '@/demo/usual'
import type { Circuit } from '../model/circuit'
import { parseCircuit } from '../model/circuit'
import { foundCircuit, plannedCircuit, routeBox } from '../route'
import { compile, solve, stateAt, stateCount } from '../solve'
import { prove, type PropertyId } from '.'
import { replayed } from '@/testing/prove/replays'

const planned = (given: UsualBox): Circuit => {
  const view = usualBox(given)
  const routed = routeBox(view, trade)
  if (!routed.ok) throw new Error(routed.faults.map(each => each.message).join('; '))
  const circuit = parseCircuit(plannedCircuit(view, routed.value, trade))
  if (!circuit.ok) throw new Error(circuit.faults.map(each => each.message).join('; '))
  return circuit.value
}

const broken = (circuit: Circuit): PropertyId[] => {
  const proof = prove(circuit)
  return proof.kind === 'refuted' ? proof.counterexamples.map(each => each.property) : []
}

const NEW = trade.devices.filter(
  device =>
    device.stock === 'new' &&
    device.places.least === 1 &&
    device.regions.includes('north-america-120') &&
    device.id !== 'sensor-ground-referenced' &&
    // Its pair has a box of its own to be tried in.
    device.dims?.phase !== 'control-pair',
)

describe('the right wiring proves', () => {
  it.each(NEW.map(device => device.id))('%s, fed at the switch', choice => {
    expect(prove(planned({ choice }))).toMatchObject({ kind: 'proven' })
  })

  it.each(['switch-plain-15', 'dimmer-led-150-two-wire', 'smart-switch-two-wire'])(
    '%s in a switch loop',
    choice => {
      expect(prove(planned({ choice, cables: switchLoop(true) }))).toMatchObject({
        kind: 'proven',
      })
    },
  )

  it('a ground-referenced sensor with its declared leak', () => {
    expect(prove(planned({ choice: 'sensor-ground-referenced', cables: switchLoop(true) })).kind).toBe(
      'proven',
    )
  })

  it('a metal box with its bond and a metal luminaire', () => {
    const lamps = [{ kind: 'led' as const, wattsEach: 10, count: 2, metalLuminaire: 'yes' as const }]
    expect(prove(planned({ choice: 'switch-plain-15', lamps, box: { material: 'metal' } })).kind).toBe(
      'proven',
    )
  })
})

describe('what a single place can break, each with a counterexample', () => {
  const good = () => planned({ choice: 'dimmer-led-150-neutral' })
  const rejoin = (circuit: Circuit, change: (members: string[], id: string) => string[]): Circuit => ({
    ...circuit,
    joints: circuit.joints.map(joint => ({ ...joint, members: change([...joint.members], joint.id) })),
  })
  const without = (circuit: Circuit, point: string) =>
    rejoin(circuit, members => members.filter(member => member !== point))
  const joined = (circuit: Circuit, a: string, b: string): Circuit => ({
    ...circuit,
    joints: [...circuit.joints, { id: 'mistake', members: [a, b] }],
  })
  const endOf = (cable: 'a' | 'b', colour: string) =>
    `end:box-${cable}-${colour}-${{ black: 1, white: 2, bare: 3 }[colour]}-end`

  it('hot on neutral is a short', () => {
    expect(broken(joined(good(), endOf('a', 'black'), endOf('a', 'white')))).toContain('no-short')
  })

  it('hot on ground is a short', () => {
    expect(broken(joined(good(), endOf('a', 'black'), endOf('a', 'bare')))).toContain('no-short')
  })

  it('line and load joined: the lamp never goes off, and no place acts', () => {
    const found = broken(joined(good(), endOf('a', 'black'), endOf('b', 'black')))
    expect(found).toEqual(expect.arrayContaining(['off', 'every-place-acts', 'the-plan']))
  })

  it('an open load: it says on and stays dark', () => {
    const found = broken(without(good(), endOf('b', 'black')))
    expect(found).toEqual(expect.arrayContaining(['full', 'no-bare-end', 'the-plan']))
  })

  it('the neutral of the device missing: its electronics are dead', () => {
    expect(broken(without(good(), 'box-1.neutral'))).toEqual(
      expect.arrayContaining(['supply-alive', 'no-bare-end']),
    )
  })

  it('the lamp’s return open', () => {
    expect(broken(without(good(), endOf('b', 'white')))).toContain('return-unswitched')
  })

  it('the lamp’s return on the ground', () => {
    const crossed = joined(without(good(), endOf('b', 'white')), endOf('b', 'white'), endOf('b', 'bare'))
    expect(broken(crossed)).toEqual(expect.arrayContaining(['return-unswitched', 'ground-idle']))
  })

  it('neutral and ground joined in the house', () => {
    expect(broken(joined(good(), endOf('a', 'white'), endOf('a', 'bare')))).toContain('ground-idle')
  })

  it('a ground that does not reach the device', () => {
    expect(broken(without(good(), 'box-1.ground'))).toContain('ground-reaches')
  })

  it('line and neutral reversed on electronics works, and is still wrong', () => {
    const circuit = good()
    const swapped = rejoin(circuit, members =>
      members.map(member =>
        member === 'box-1.line' ? 'box-1.neutral' : member === 'box-1.neutral' ? 'box-1.line' : member,
      ),
    )
    expect(broken(swapped)).toContain('supply-alive')
  })

  it('a signal lead joined to the hot', () => {
    const circuit = planned({ choice: 'dimmer-led-150-two-wire' })
    expect(broken(joined(circuit, 'box-1.signal', endOf('a', 'black')))).toContain('signals')
  })

  it('a signal lead left bare', () => {
    const circuit = planned({ choice: 'dimmer-led-150-two-wire' })
    expect(broken({ ...circuit, caps: circuit.caps.filter(cap => cap !== 'box-1.signal') })).toContain(
      'no-bare-end',
    )
  })

  it('an onward feed left open', () => {
    const cables = [
      ...fedAtTheSwitch(true),
      {
        name: 'C',
        entry: 'top' as const,
        far: 'elsewhere' as const,
        strands: [
          strand('black', 'joint:hots', 'onward-feed'),
          strand('white', 'joint:whites', 'neutral'),
          strand('bare', 'joint:grounds', 'ground'),
        ],
      },
    ]
    const circuit = planned({ choice: 'switch-plain-15', cables })
    expect(prove(circuit).kind).toBe('proven')
    expect(broken(without(circuit, 'end:box-c-black-1-end'))).toContain('onward-feed')
  })

  it('a lamp between two hots gets too much', () => {
    const circuit = good()
    const second = {
      ...circuit.supplies[0]!,
      id: 'breaker 9',
      phaseDegrees: 180,
      hot: 'nine:h',
      neutral: 'nine:n',
    }
    const returned = joined(without(circuit, endOf('b', 'white')), endOf('b', 'white'), 'nine:h')
    expect(broken({ ...returned, supplies: [...circuit.supplies, second] })).toEqual(
      expect.arrayContaining(['return-unswitched', 'no-over-voltage']),
    )
  })

  it('two circuits’ neutrals joined, or a return on the other’s neutral', () => {
    const circuit = good()
    const second = { ...circuit.supplies[0]!, id: 'breaker 9', hot: 'nine:h', neutral: 'nine:n' }
    const two = { ...circuit, supplies: [...circuit.supplies, second] }
    expect(broken(joined(two, endOf('a', 'white'), 'nine:n'))).toContain('own-circuit')
    const borrowed = joined(without(two, endOf('b', 'white')), endOf('b', 'white'), 'nine:n')
    expect(broken(borrowed)).toContain('own-circuit')
  })

  it('a lamp too small for a two-wire device, and one that glows when off', () => {
    const lamps = [
      { kind: 'led' as const, wattsEach: 4, count: 1, dimmable: 'yes' as const, powerFactor: 0.9 },
    ]
    expect(broken(planned({ choice: 'smart-switch-two-wire', lamps }))).toContain('supply-alive')
    const circuit = planned({ choice: 'dimmer-led-150-two-wire' })
    const touchy = { ...circuit, loads: circuit.loads.map(load => ({ ...load, offLimitMilliamps: 0.2 })) }
    expect(broken(touchy)).toContain('off')
  })
})

describe('every single exchange and every single opening, one place, by exhaustion', () => {
  /** What a person would notice or be hurt by: light in each state, and where hot and ground metal is. */
  const signature = (circuit: Circuit): string => {
    const compiled = compile(circuit)
    return Array.from({ length: stateCount(compiled) }, (_, index) => {
      const solved = solve(compiled, stateAt(compiled, index))
      return JSON.stringify([
        solved.loadVolts.map(volts => Math.round(volts)),
        solved.shorts.length,
        solved.alive,
        terminalVolts(circuit, point => solved.potentials.volts(compiled.net(point))),
      ])
    }).join('|')
  }

  /** Alike terminals may be exchanged, so theirs are told in no order. */
  const terminalVolts = (circuit: Circuit, volts: (point: string) => number | null) => {
    const { terminals } = circuit.devices[0]!.model
    const of = (wanted: typeof terminals) => wanted.map(each => Math.round(volts(`box-1.${each.id}`) ?? -1))
    return [of(terminals.filter(each => !each.alike)), of(terminals.filter(each => each.alike)).sort()]
  }

  it.each(['switch-plain-15', 'dimmer-led-150-neutral', 'sensor-neutral', 'time-switch-sun'])(
    '%s: what changes behaviour is refused, and a counterexample replays',
    choice => {
      const circuit = planned({ choice })
      const before = signature(circuit)
      const points = circuit.joints
        .filter(joint => !joint.id.startsWith('beyond') && !joint.id.startsWith('return'))
        .flatMap(joint => joint.members)
      let tried = 0
      let harmful = 0
      const variants: Circuit[] = []
      points.forEach((a, at) => {
        variants.push({
          ...circuit,
          joints: circuit.joints.map(joint => ({
            ...joint,
            members: joint.members.filter(member => member !== a),
          })),
        })
        for (const b of points.slice(at + 1)) {
          const swap = (member: string) => (member === a ? b : member === b ? a : member)
          variants.push({
            ...circuit,
            joints: circuit.joints.map(joint =>
              joint.id.startsWith('beyond') || joint.id.startsWith('return')
                ? joint
                : { ...joint, members: joint.members.map(swap) },
            ),
          })
        }
      })
      for (const variant of variants) {
        tried++
        const proof = prove(variant)
        if (signature(variant) === before) continue
        harmful++
        expect(proof.kind).toBe('refuted')
        if (proof.kind === 'refuted')
          for (const each of proof.counterexamples) expect(replayed(variant, each)).toBeNull()
      }
      expect(tried).toBeGreaterThan(20)
      expect(harmful).toBeGreaterThan(10)
    },
  )

  it('exchanging a plain switch’s two screws is harmless and proves', () => {
    const circuit = planned({ choice: 'switch-plain-15' })
    const swap = (member: string) =>
      member === 'box-1.upper' ? 'box-1.lower' : member === 'box-1.lower' ? 'box-1.upper' : member
    const exchanged = {
      ...circuit,
      joints: circuit.joints.map(joint => ({ ...joint, members: joint.members.map(swap) })),
    }
    expect(prove(exchanged).kind).toBe('proven')
  })
})

describe('circuits as found, and odd ones', () => {
  it('a box without a ground to its device is refuted as found', () => {
    const found = foundCircuit([usualBox()], trade)
    expect(found.ok && broken(found.value)).toEqual(['ground-reaches'])
  })

  it('no loads, no switches: a clear answer', () => {
    expect(prove(planned({ choice: 'switch-plain-15', lamps: [] })).kind).toBe('proven')
    const circuit = planned({ choice: 'switch-plain-15' })
    const outside = circuit.joints.filter(joint => joint.id.startsWith('beyond'))
    expect(broken({ ...circuit, devices: [], plan: null, joints: outside })).toContain('no-bare-end')
  })

  it('more states than can be gone through is said, not guessed', () => {
    const row = plainPlaces({ places: 17, supplyAt: 0, loadAt: 16 })
    expect(prove(row)).toMatchObject({ kind: 'not-decided', states: 2 ** 17 })
  })

  it('places that cannot bear on each other are gone through by themselves', () => {
    const circuit = planned({ choice: 'switch-plain-15' })
    const [first] = circuit.devices
    const more = Array.from({ length: 20 }, (_, index) => ({ ...first!, id: `more-${index}` }))
    const proof = prove({ ...circuit, devices: [...circuit.devices, ...more] })
    expect(proof).toMatchObject({ states: 2 ** 21, visited: 42 })
  })

  it('unknown points are faults with a path', () => {
    const circuit = planned({ choice: 'switch-plain-15' })
    const parsed = parseCircuit({ ...circuit, caps: ['nowhere'] })
    expect(!parsed.ok && parsed.faults[0]).toMatchObject({ path: '/caps/0', code: 'unknown-point' })
  })

  it('the same circuit gives the same answer, byte for byte', () => {
    const circuit = planned({ choice: 'dimmer-led-150-neutral' })
    expect(JSON.stringify(prove(circuit))).toBe(JSON.stringify(prove(circuit)))
  })
})
