import { describe, expect, it } from 'vitest'
import { plainPlaces, type PlainPlaces } from '@/demo/places'
import { parseCircuit, type Circuit } from '../model/circuit'
import { compile, solve, stateAt, stateCount } from '../solve'
import { prove } from '.'
import { replayed } from '@/testing/prove/replays'
import { someOf } from '@/testing/times'

/** Every way a row of two to five places can be fed and loaded. */
const ARRANGEMENTS: PlainPlaces[] = [2, 3, 4, 5].flatMap(places =>
  Array.from({ length: places }, (_, loadAt) =>
    [...Array.from({ length: places }, (_, box) => box), 'luminaire' as const].map(supplyAt => ({
      places,
      supplyAt,
      loadAt,
    })),
  ).flat(),
)

const named = ({ places, supplyAt, loadAt }: PlainPlaces) =>
  `${places} places, supply at ${supplyAt}, lamp at ${loadAt}`

/** Every joint member exchanged with every one of another joint in the same box, and every one left out. */
function* singleMistakes(circuit: Circuit): Generator<{ what: string; circuit: Circuit }> {
  const boxOf = (id: string) => id.split('/')[0]
  for (const [at, joint] of circuit.joints.entries())
    for (const a of joint.members) {
      yield {
        what: `${a} left open`,
        circuit: {
          ...circuit,
          joints: circuit.joints.map(each =>
            each === joint ? { ...each, members: each.members.filter(member => member !== a) } : each,
          ),
        },
      }
      for (const other of circuit.joints.slice(at + 1)) {
        if (boxOf(other.id) !== boxOf(joint.id)) continue
        for (const b of other.members) {
          const swap = (member: string) => (member === a ? b : member === b ? a : member)
          yield {
            what: `${a} and ${b} exchanged`,
            circuit: {
              ...circuit,
              joints: circuit.joints.map(each =>
                each === joint || each === other ? { ...each, members: each.members.map(swap) } : each,
              ),
            },
          }
        }
      }
    }
}

/**
 * Whether a circuit does all that is asked of it, found by the plainest means: every state solved anew,
 * nothing remembered, nothing shared with the prover but the solver.
 */
function isHarmless(circuit: Circuit): boolean {
  const compiled = compile(circuit)
  const count = stateCount(compiled)
  const solutions = Array.from({ length: count }, (_, index) => solve(compiled, stateAt(compiled, index)))
  const lit = solutions.map(solved => Math.round(solved.loadVolts[0]!))
  if (lit.some(volts => volts !== 0 && volts !== 120)) return false
  for (let index = 0; index < count; index++)
    for (let bit = 1; bit < count; bit *= 2) if (lit[index] === lit[index ^ bit]) return false
  const net = (point: string) => compiled.net(point)
  const grounded = [
    ...circuit.devices.map(({ id }) => `${id}.ground`),
    ...circuit.loads.flatMap(({ ground }) => ground ?? []),
  ].every(point => net(point) === net('panel:ground'))
  const held = new Set(circuit.joints.flatMap(({ members }) => members))
  const open = circuit.wires
    .flatMap(({ a, b }) => [a, b])
    .some(point => point.startsWith('box') && !held.has(point))
  return (
    grounded &&
    !open &&
    net('lamp:neutral') === net('panel:neutral') &&
    solutions.every(solved => solved.shorts.length === 0 && solved.groundAmps[0]! < 1e-9)
  )
}

describe('two to five plain places, by exhaustion', () => {
  it.each(ARRANGEMENTS.map(each => [named(each), each] as const))(
    '%s: the right wiring proves',
    (_, given) => {
      const circuit = parseCircuit(plainPlaces(given))
      if (!circuit.ok) throw new Error(circuit.faults[0]!.message)
      expect(prove(circuit.value)).toMatchObject({ kind: 'proven', states: 2 ** given.places })
    },
  )

  it.each(someOf(ARRANGEMENTS, 11).map(each => [named(each), each] as const))(
    '%s: each single mistake is refused with a counterexample that replays, unless it is harmless',
    (_, given) => {
      const right = plainPlaces(given)
      let harmful = 0
      let harmless = 0
      for (const { what, circuit } of singleMistakes(right)) {
        const proof = prove(circuit)
        if (isHarmless(circuit)) {
          harmless++
          expect(`${what}: ${proof.kind}`).toBe(`${what}: proven`)
          continue
        }
        harmful++
        expect(`${what}: ${proof.kind}`).toBe(`${what}: refuted`)
        if (proof.kind === 'refuted')
          for (const each of proof.counterexamples) {
            expect(`${what}, ${each.property}: ${replayed(circuit, each)}`).toBe(
              `${what}, ${each.property}: null`,
            )
          }
      }
      expect(harmful).toBeGreaterThan(20)
      expect(harmless).toBeGreaterThanOrEqual(2)
    },
  )
})
