import type { Circuit } from '@/core/model/circuit'
import type { Result } from '@/core/model/result'
import { prove, type Proof } from '@/core/prove'
import type { Shown, Test } from '@/core/read'
import { Trial, type Action, type Seen } from '@/core/trial'
import type { Answer, Question } from './ask'

/** What the page asks of a circuit that is tried by hand. */
export type TrialQuestion =
  | { readonly kind: 'begin'; readonly circuit: Circuit }
  | { readonly kind: 'act'; readonly actions: readonly Action[]; readonly touch: Test | null }
  | { readonly kind: 'touch'; readonly test: Test }
  | { readonly kind: 'prove' }

export type TrialAnswer =
  | { readonly kind: 'seen'; readonly seen: Seen; readonly shown: Result<Shown> | null }
  | { readonly kind: 'shown'; readonly shown: Result<Shown> }
  | { readonly kind: 'proof'; readonly proof: Proof }
  /** The worker was started anew and holds no circuit: begin again. */
  | { readonly kind: 'nothing-begun' }

let trial: Trial | null = null

function answered(question: TrialQuestion): TrialAnswer {
  if (question.kind === 'begin') {
    trial = new Trial(question.circuit)
    return { kind: 'seen', seen: trial.seen(), shown: null }
  }
  if (!trial) return { kind: 'nothing-begun' }
  switch (question.kind) {
    case 'act': {
      for (const action of question.actions) trial.act(action)
      return {
        kind: 'seen',
        seen: trial.seen(),
        shown: question.touch && trial.touch(question.touch),
      }
    }
    case 'touch':
      return { kind: 'shown', shown: trial.touch(question.test) }
    case 'prove':
      return { kind: 'proof', proof: prove(trial.circuit) }
  }
}

self.onmessage = ({ data }: MessageEvent<Question<TrialQuestion>>) => {
  const answer: Answer<TrialAnswer> = { id: data.id, value: answered(data.value) }
  self.postMessage(answer)
}
