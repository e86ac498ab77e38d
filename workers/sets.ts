import { checkBox, checkLight, type SetJudgement } from '@/core/check'
import type { JobRecord } from '@/core/model/record'
import type { Trade } from '@/core/model/trade'
import type { Answer, Question } from './ask'

/** Sets for all places of a light, or for all the lights that a box alone works. */
export interface SetsAsked {
  readonly record: JobRecord
  readonly trade: Trade
  readonly of: { readonly groupId: string } | { readonly boxId: string }
}

const answered = ({ record, trade, of }: SetsAsked): SetJudgement[] =>
  'groupId' in of ? checkLight(record, of.groupId, trade) : checkBox(record, of.boxId, trade)

self.onmessage = ({ data: { id, value } }: MessageEvent<Question<SetsAsked>>) => {
  self.postMessage({ id, value: answered(value) } satisfies Answer<SetJudgement[]>)
}
