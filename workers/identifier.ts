import {
  Identifier,
  type Accounted,
  type Allowed,
  type Identification,
  type Survey,
  type Taken,
} from '@/core/identify'
import type { Fault } from '@/core/model/result'
import type { Answer, Question } from './ask'

/** What was seen, what may be asked, and what was read so far. */
export interface IdentifyQuestion {
  readonly survey: Survey
  readonly allowed: Allowed
  readonly taken: readonly Taken[]
  readonly carries: readonly string[]
  readonly skipped: readonly string[]
}

export type IdentifyAnswer =
  | { readonly kind: 'identified'; readonly identification: Identification }
  | { readonly kind: 'refused'; readonly faults: readonly Fault[] }

let held: { readonly key: string; readonly identifier: Identifier } | null = null

function answered({ survey, allowed, taken, carries, skipped }: IdentifyQuestion): IdentifyAnswer {
  const key = JSON.stringify([survey, allowed])
  if (held?.key !== key) {
    const opened = Identifier.of(survey, allowed)
    if (!opened.ok) return { kind: 'refused', faults: opened.faults }
    held = { key, identifier: opened.value }
  }
  const accounted: Accounted = { carries: new Set(carries) }
  return { kind: 'identified', identification: held.identifier.after(taken, accounted, new Set(skipped)) }
}

self.onmessage = ({ data }: MessageEvent<Question<IdentifyQuestion>>) => {
  const answer: Answer<IdentifyAnswer> = { id: data.id, value: answered(data.value) }
  self.postMessage(answer)
}
