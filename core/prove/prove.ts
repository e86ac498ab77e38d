import type { Circuit } from '../model/circuit'
import {
  compile,
  describeState,
  solve,
  stateAt,
  stateCount,
  type Compiled,
  type Solution,
  type State,
} from '../solve'
import { placesAct, stateFindings, staticFindings, type Finding } from './properties'
import { PROPERTY_IDS, type PropertyId } from './vocabulary'

/** States beyond this are not gone through; the answer says so instead of guessing. */
const STATE_BUDGET = 1 << 16

/** A property broken, in the first state that breaks it; replay it by solving that state. */
export interface Counterexample extends Finding {
  /** Values of each device's variables; null where the property fails whatever they are. */
  readonly state: Readonly<Record<string, Readonly<Record<string, string>>>> | null
}

export type Proof =
  | { readonly kind: 'proven'; readonly states: number }
  | { readonly kind: 'refuted'; readonly states: number; readonly counterexamples: readonly Counterexample[] }
  | { readonly kind: 'not-decided'; readonly states: number; readonly budget: number }

/**
 * Goes through every state of every device and asks every property. One counterexample a property,
 * the first in the order of states; the same circuit gives the same answer.
 */
export function prove(circuit: Circuit): Proof {
  const compiled = compile(circuit)
  const states = stateCount(compiled)
  if (states > STATE_BUDGET) return { kind: 'not-decided', states, budget: STATE_BUDGET }
  const first = new Map<PropertyId, Counterexample>()
  const keep = (findings: readonly Finding[], state: State | null) => {
    for (const each of findings)
      if (!first.has(each.property))
        first.set(each.property, { ...each, state: state && describeState(compiled, state) })
  }
  keep(staticFindings(compiled), null)
  const solutionOf = remembered(compiled)
  for (let index = 0; index < states; index++) {
    const solution = solutionOf(stateAt(compiled, index))
    keep(stateFindings(compiled, solution), solution.state)
    keep(placesAct(compiled, solution, solutionOf), solution.state)
  }
  if (first.size === 0) return { kind: 'proven', states }
  return {
    kind: 'refuted',
    states,
    counterexamples: PROPERTY_IDS.flatMap(property => first.get(property) ?? []),
  }
}

function remembered(compiled: Compiled): (state: State) => Solution {
  const known = new Map<string, Solution>()
  return state => {
    const key = state.join()
    const found = known.get(key) ?? solve(compiled, state)
    known.set(key, found)
    return found
  }
}
