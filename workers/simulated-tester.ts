import type { Answer as Shown, Question as Asked, Survey } from '@/core/identify'
import type { Circuit } from '@/core/model/circuit'
import type { Fault, Result } from '@/core/model/result'
import { hiddenCircuitFor, seatsOf } from '@/standins/hidden-circuit'
import { SimulatedTester } from '@/standins/tester'
import type { Answer, Question } from './ask'

/** A conductor that the jaws of a clamp meter go round, or that is held to ground with its neutral lifted. */
export interface EndQuestion {
  readonly kind: 'clamp' | 'lifted'
  readonly end: string
}

/** A question to the simulated tester, and what it needs to have a circuit to hold it to. */
export interface TesterQuestion {
  readonly survey: Survey
  /** The circuit where it is known; null: one that looks the same is drawn by this lot (0 to 1). */
  readonly circuit: Circuit | null
  readonly lot: number
  readonly question: Asked | EndQuestion
}

export type TesterAnswer =
  /** Amperes, of a clamp meter. */
  | { readonly kind: 'shown'; readonly answer: Shown | number }
  | { readonly kind: 'refused'; readonly faults: readonly Fault[] }

let held: { readonly key: string; readonly tester: SimulatedTester } | null = null

function answered({ survey, circuit, lot, question }: TesterQuestion): TesterAnswer {
  const key = JSON.stringify([survey, lot])
  if (held?.key !== key) {
    const hidden = circuit
      ? ({ ok: true, value: { circuit, boxOfJoint: seatsOf(survey).boxOfJoint } } as const)
      : hiddenCircuitFor(survey, lot)
    if (!hidden.ok) return { kind: 'refused', faults: hidden.faults }
    const { value } = hidden
    held = { key, tester: new SimulatedTester(value.circuit, value.boxOfJoint, survey.nominalBand) }
  }
  const shown = shownBy(held.tester, question)
  return shown.ok ? { kind: 'shown', answer: shown.value } : { kind: 'refused', faults: shown.faults }
}

function shownBy(tester: SimulatedTester, question: TesterQuestion['question']): Result<Shown | number> {
  if (!('end' in question)) return tester.answer(question)
  return question.kind === 'clamp' ? tester.clamp(question.end) : tester.lift(question.end)
}

self.onmessage = ({ data }: MessageEvent<Question<TesterQuestion>>) => {
  const answer: Answer<TesterAnswer> = { id: data.id, value: answered(data.value) }
  self.postMessage(answer)
}
