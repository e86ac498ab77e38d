import { expect } from 'vitest'
import { parseCircuit, type Circuit } from '@/core/model/circuit'
import { prove, type PropertyId } from '@/core/prove'
import { replayed } from './replays'
import { wired, type Wired } from './wired'

/** The circuit that was said, its shape checked. */
export function checked(given: Wired): Circuit {
  const circuit = parseCircuit(wired(given))
  if (!circuit.ok) throw new Error(circuit.faults.map(each => `${each.path} ${each.message}`).join('; '))
  return circuit.value
}

export function proves(given: Wired): void {
  const proof = prove(checked(given))
  const said =
    proof.kind === 'refuted' ? proof.counterexamples.map(each => `${each.property}: ${each.says}`) : []
  expect(said).toEqual([])
  expect(proof.kind).toBe('proven')
}

/** Breaks at least these properties, without a plan to hold it against; each counterexample replays. */
export function breaks(given: Wired, ...properties: PropertyId[]): void {
  const circuit = { ...checked(given), plan: null }
  const proof = prove(circuit)
  const broken = proof.kind === 'refuted' ? proof.counterexamples : []
  expect(broken.map(each => each.property)).toEqual(expect.arrayContaining(properties))
  for (const each of broken)
    expect(`${each.property} ${replayed(circuit, each)}`).toBe(`${each.property} null`)
}
