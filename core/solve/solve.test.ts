import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { circuit, lamp, supply, wire } from '@/testing/model/bare'
import { compile, solve, stateAt, stateCount, stateFromWords } from '.'

describe('solve against closed forms', () => {
  it('two lamps wrongly in series share the voltage by their resistance', () => {
    const solved = solve(
      compile(
        circuit({
          loads: [lamp('x', 60), lamp('y', 100)],
          wires: [wire('1', 'a:h', 'x:h'), wire('2', 'x:n', 'y:h'), wire('3', 'y:n', 'a:n')],
        }),
      ),
      [],
    )
    // 240 Ω and 144 Ω in series on 120 V.
    expect(solved.loadVolts[0]).toBeCloseTo((120 * 240) / 384, 9)
    expect(solved.loadVolts[1]).toBeCloseTo((120 * 144) / 384, 9)
    expect(solved.loadAmps[0]).toBeCloseTo(120 / 384, 9)
  })

  it('a lost shared neutral gives the unbalanced voltages of the two legs', () => {
    const solved = solve(
      compile(
        circuit({
          supplies: [supply('a', { neutral: 'n' }), supply('b', { phaseDegrees: 180, neutral: 'n' })],
          loads: [lamp('x', 60), lamp('y', 180)],
          wires: [wire('1', 'a:h', 'x:h'), wire('2', 'b:h', 'y:h'), wire('3', 'x:n', 'y:n')],
        }),
      ),
      [],
    )
    // 240 V over 240 Ω and 80 Ω.
    expect(solved.loadVolts[0]).toBeCloseTo(180, 9)
    expect(solved.loadVolts[1]).toBeCloseTo(60, 9)
  })

  it('three phases with the neutral lost and equal lamps stay balanced', () => {
    const solved = solve(
      compile(
        circuit({
          supplies: [
            supply('a', { phaseDegrees: 0, neutral: 'n' }),
            supply('b', { phaseDegrees: 120, neutral: 'n' }),
            supply('c', { phaseDegrees: 240, neutral: 'n' }),
          ],
          loads: [lamp('x', 60), lamp('y', 60), lamp('z', 60)],
          wires: [
            wire('1', 'a:h', 'x:h'),
            wire('2', 'b:h', 'y:h'),
            wire('3', 'c:h', 'z:h'),
            wire('4', 'x:n', 'y:n'),
            wire('5', 'y:n', 'z:n'),
          ],
        }),
      ),
      [],
    )
    for (const volts of solved.loadVolts) expect(volts).toBeCloseTo(120, 9)
  })

  it('a two-wire device that is off leaks through its lamp, as a divider', () => {
    const dimmer = trade.devices.find(device => device.id === 'dimmer-led-150-two-wire')!
    const compiled = compile(
      circuit({
        devices: [{ id: 'd', groupId: 'g', model: dimmer }],
        loads: [lamp('x', 40)],
        wires: [wire('1', 'a:h', 'd.line'), wire('2', 'd.load', 'x:h'), wire('3', 'x:n', 'a:n')],
      }),
    )
    const off = solve(compiled, compiled.initial)
    // 0.6 mA at 120 V is 200 kΩ, in series with the lamp’s 360 Ω.
    expect(off.loadAmps[0]).toBeCloseTo(120 / (200_000 + 360), 12)
    expect(off.alive).toEqual([true])
    const on = solve(compiled, stateFromWords(compiled, { d: { relay: 'on' } }))
    expect(on.loadVolts[0]).toBeCloseTo(120, 1)
  })

  it('electronics whose neutral comes through a lamp draw their current through it, on or off', () => {
    const sensor = trade.devices.find(device => device.id === 'sensor-neutral')!
    const [way] = sensor.supply
    const compiled = compile(
      circuit({
        devices: [{ id: 'd', groupId: 'g', model: sensor }],
        loads: [lamp('x', 40)],
        wires: [wire('1', 'a:h', 'd.line'), wire('2', 'd.neutral', 'x:h'), wire('3', 'x:n', 'a:n')],
      }),
    )
    const draw = way!.kind === 'line-neutral' ? way!.milliamps / 1000 : NaN
    const through = 120 / (120 / draw + 120 ** 2 / 40)
    for (const relay of ['off', 'on'])
      expect(solve(compiled, stateFromWords(compiled, { d: { relay } })).loadAmps[0]).toBeCloseTo(through, 9)
  })

  it('a small lamp cannot keep a two-wire device alive when it is on', () => {
    const smart = trade.devices.find(device => device.id === 'smart-switch-two-wire')!
    const alive = (watts: number) => {
      const compiled = compile(
        circuit({
          devices: [{ id: 'd', groupId: 'g', model: smart }],
          loads: [lamp('x', watts)],
          wires: [wire('1', 'a:h', 'd.line'), wire('2', 'd.load', 'x:h'), wire('3', 'x:n', 'a:n')],
        }),
      )
      return solve(compiled, stateFromWords(compiled, { d: { relay: 'on' } })).alive[0]
    }
    expect(alive(24)).toBe(false)
    expect(alive(25)).toBe(true)
  })

  it('an unconnected lamp floats and takes nothing', () => {
    const compiled = compile(circuit({ loads: [lamp('x', 60)], wires: [wire('1', 'a:n', 'x:n')] }))
    const solved = solve(compiled, [])
    expect(solved.loadVolts[0]).toBe(0)
    expect(solved.potentials.volts(compiled.net('a:h'))).toBeCloseTo(120, 9)
  })

  it('an open breaker leaves its hot floating', () => {
    const compiled = compile(circuit({ supplies: [{ ...supply('a'), breakerOn: false }] }))
    expect(solve(compiled, []).potentials.volts(compiled.net('a:h'))).toBeNull()
  })
})

describe('solve, on random circuits of lamps', () => {
  // Lamps between random nodes; each node may hang on hot, on neutral, or float.
  const edge = fc.record({
    from: fc.nat(7),
    to: fc.nat(7),
    watts: fc.integer({ min: 1, max: 500 }),
  })
  it('current and power are conserved (1000 circuits, seed 20261124)', () => {
    fc.assert(
      fc.property(
        fc.array(edge, { minLength: 1, maxLength: 14 }),
        fc.nat(7),
        fc.nat(7),
        (edges, hot, cold) => {
          if (hot === cold) return
          const node = (at: number) => (at === hot ? 'a:h' : at === cold ? 'a:n' : `node${at}`)
          const loads = edges.map((each, index) => lamp(`l${index}`, each.watts))
          const wires = edges.flatMap((each, index) => [
            wire(`h${index}`, node(each.from), `l${index}:h`),
            wire(`n${index}`, node(each.to), `l${index}:n`),
          ])
          const compiled = compile(circuit({ loads, wires }))
          const solved = solve(compiled, [])
          const at = (point: string) => solved.potentials.volts(compiled.net(point))
          const into = new Map<string, number>()
          let power = 0
          edges.forEach((each, index) => {
            const from = at(node(each.from))
            const to = at(node(each.to))
            if (from === null || to === null) {
              expect(solved.loadAmps[index]).toBe(0)
              return
            }
            const amps = ((from - to) * each.watts) / 120 ** 2
            into.set(node(each.from), (into.get(node(each.from)) ?? 0) - amps)
            into.set(node(each.to), (into.get(node(each.to)) ?? 0) + amps)
            power += (from - to) * amps
          })
          for (const [name, amps] of into)
            if (name !== 'a:h' && name !== 'a:n') expect(amps).toBeCloseTo(0, 8)
          expect(-(into.get('a:h') ?? 0)).toBeCloseTo(into.get('a:n') ?? 0, 8)
          expect(power).toBeCloseTo(120 * (into.get('a:n') ?? 0), 6)
        },
      ),
      { numRuns: 1000, seed: 20261124 },
    )
  })
})

describe('solve, on random circuits with switches and dimmers', () => {
  const DIMMER = trade.devices.find(device => device.id === 'dimmer-led-150-two-wire')!
  const SWITCH = trade.devices.find(device => device.id === 'switch-plain-15')!
  const part = fc.record({
    from: fc.nat(6),
    to: fc.nat(6),
    kind: fc.nat(3),
    watts: fc.integer({ min: 5, max: 300 }),
  })

  it('current is conserved at every net and power in every state (1000 circuits, seed 20261125)', () => {
    let states = 0
    fc.assert(
      fc.property(
        fc.array(part, { minLength: 2, maxLength: 7 }),
        fc.constantFrom(0, 120, 180),
        (parts, phase) => {
          const node = (at: number) => ['a:h', 'a:n', 'b:h'][at] ?? `node${at}`
          const used = parts.filter(({ from, to }) => from !== to)
          const devices = used.flatMap(({ kind }, index) =>
            kind < 2 ? [{ id: `d${index}`, groupId: 'g', model: kind === 0 ? SWITCH : DIMMER }] : [],
          )
          const ends = (index: number, kind: number) =>
            kind === 0
              ? [`d${index}.upper`, `d${index}.lower`]
              : kind === 1
                ? [`d${index}.line`, `d${index}.load`]
                : [`l${index}:h`, `l${index}:n`]
          const compiled = compile(
            circuit({
              supplies: [supply('a'), supply('b', { phaseDegrees: phase, neutral: 'a:n' })],
              devices,
              loads: used.flatMap(({ kind, watts }, index) => (kind < 2 ? [] : [lamp(`l${index}`, watts)])),
              wires: used.flatMap(({ from, to, kind }, index) => {
                const [a, b] = ends(index, kind)
                return [wire(`f${index}`, node(from), a!), wire(`t${index}`, node(to), b!)]
              }),
            }),
          )
          const count = Math.min(stateCount(compiled), 64)
          for (let index = 0; index < count; index++) {
            const solved = solve(compiled, stateAt(compiled, index))
            if (solved.shorts.length > 0) continue
            states++
            const { metal, potentials, elements } = solved
            const held = new Set(
              compiled.poles.flatMap(({ hot, neutral }) => [metal.find(hot), metal.find(neutral)]),
            )
            const into = new Map<number, { real: number; imaginary: number }>()
            let taken = 0
            for (const element of elements) {
              if (potentials.at(element.a) === null || potentials.at(element.b) === null) continue
              const amps = potentials.current(element)
              taken += (potentials.between(element.a, element.b) ?? 0) * Math.hypot(amps.real, amps.imaginary)
              for (const [net, sign] of [
                [metal.find(element.a), -1],
                [metal.find(element.b), 1],
              ] as const) {
                const sum = into.get(net) ?? { real: 0, imaginary: 0 }
                into.set(net, {
                  real: sum.real + sign * amps.real,
                  imaginary: sum.imaginary + sign * amps.imaginary,
                })
              }
            }
            let given = 0
            for (const [net, { real, imaginary }] of into) {
              if (!held.has(net)) {
                expect(Math.hypot(real, imaginary)).toBeLessThan(1e-6)
                continue
              }
              const at = potentials.at(net)!
              given -= at.real * real + at.imaginary * imaginary
            }
            expect(taken).toBeCloseTo(given, 5)
          }
        },
      ),
      { numRuns: 1000, seed: 20261125 },
    )
    expect(states).toBeGreaterThan(2000)
  })
})
