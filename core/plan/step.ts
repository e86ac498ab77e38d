import type { SmallPart } from '../model/small-part'
import { keyOfStep, type StepName } from '../model/step-name'

/**
 * `record` and `reading` touch nothing bare; `switch` is at the panel; `open` uncovers what is bare, and touches none
 * of it; `live` is one reading with nobody holding anything; `touch` needs a box proven dead.
 */
export type StepKind = 'record' | 'reading' | 'switch' | 'open' | 'live' | 'touch' | 'power'

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
export type Draft = Omit<Step, 'done' | 'holds'> & {
  readonly done?: boolean
  /** What holds this one back, beside what holds back all of its kind. */
  readonly before?: readonly string[]
}

/** Of a step that the record shows to be done, though nobody ticked it. */
export const SEEN_DONE = { doneBy: 'record', done: true } as const

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
