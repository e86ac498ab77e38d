import { accountedIn, allowedBy, Identifier, surveyOf, takenIn, type Identification } from '@/core/identify'
import { tiedBoxes } from '@/core/job/tied'
import type { JobRecord } from '@/core/model/record'
import type { Fault } from '@/core/model/result'
import type { Trade } from '@/core/model/trade'
import type { Answer, Question } from './ask'

/** A box with the record it stands in: what was seen and read of all that hangs together with it. */
export interface IdentifyQuestion {
  readonly record: JobRecord
  readonly boxId: string
  readonly trade: Trade
  /** Questions, by their keys, that cannot be answered now. */
  readonly skipped: readonly string[]
}

export type IdentifyAnswer =
  | { readonly kind: 'identified'; readonly identification: Identification }
  | { readonly kind: 'refused'; readonly faults: readonly Fault[] }

let held: { readonly key: string; readonly identifier: Identifier } | null = null

function answered({ record, boxId, trade, skipped }: IdentifyQuestion): IdentifyAnswer {
  const views = tiedBoxes(record, boxId)
  const survey = surveyOf(views, trade)
  if (!survey.ok) return { kind: 'refused', faults: survey.faults }
  const allowed = allowedBy(views[0]!)
  const key = JSON.stringify([survey.value, allowed])
  if (held?.key !== key) {
    const opened = Identifier.of(survey.value, allowed)
    if (!opened.ok) return { kind: 'refused', faults: opened.faults }
    held = { key, identifier: opened.value }
  }
  return {
    kind: 'identified',
    identification: held.identifier.after(takenIn(views, trade), accountedIn(views), new Set(skipped)),
  }
}

self.onmessage = ({ data }: MessageEvent<Question<IdentifyQuestion>>) => {
  const answer: Answer<IdentifyAnswer> = { id: data.id, value: answered(data.value) }
  self.postMessage(answer)
}
