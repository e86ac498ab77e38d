import type { SmallPart } from '../model/small-part'
import { keyOfStep, type StepName } from '../model/step-name'

/**
 * `record` and `reading` touch nothing bare; `switch` is at the panel; `live` is one reading with
 * nobody holding anything; `touch` needs a box proven dead.
 */
export type StepKind = 'record' | 'reading' | 'switch' | 'live' | 'touch' | 'power'

export interface Step {
  readonly name: StepName
  /** The name as ticks are kept under it. */
  readonly key: string
  readonly kind: StepKind
  readonly says: string
  readonly why: string
  readonly minutes: number
  readonly parts: readonly SmallPart[]
  /** Done by a tick, or by what the record shows. */
  readonly doneBy: 'tick' | 'record'
  readonly done: boolean
  /** What holds this step back now; empty when it may be done. */
  readonly holds: readonly string[]
}

/** A step before what holds it back is known. */
export type Draft = Omit<Step, 'done' | 'holds'> & { readonly done?: boolean }

export function step(
  name: StepName,
  kind: StepKind,
  says: string,
  why: string,
  minutes: number,
  parts: readonly SmallPart[] = [],
): Draft {
  return { name, key: keyOfStep(name), kind, says, why, minutes, parts, doneBy: 'tick' }
}
