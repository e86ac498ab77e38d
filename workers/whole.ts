import type { JobRecord } from '@/core/model/record'
import type { Trade } from '@/core/model/trade'
import {
  choicesOf,
  propose,
  WEIGHTS,
  type LightChoices,
  type Proposed,
  type ProposalKind,
} from '@/core/whole'
import type { Answer, Question } from './ask'

export interface WholeAsked {
  readonly record: JobRecord
  readonly trade: Trade
  /** What the proposal is after; null: only what can stand where. */
  readonly kind: ProposalKind | null
  readonly locks: Readonly<Record<string, string>>
  readonly budget: number | null
}

export interface WholeAnswer {
  readonly lights: readonly LightChoices[]
  readonly proposed: Proposed | null
}

const SECONDS = 5

/** Between two questions only what is asked for changes: what can stand where is worked out once. */
let known: { readonly of: string; readonly lights: readonly LightChoices[] } | null = null

function lightsOf({ record, trade }: WholeAsked): readonly LightChoices[] {
  const of = JSON.stringify(record)
  if (known?.of !== of) known = { of, lights: choicesOf(record, trade) }
  return known.lights
}

async function answered(asked: WholeAsked): Promise<WholeAnswer> {
  const lights = lightsOf(asked)
  const { kind, locks, budget } = asked
  if (kind === null) return { lights, proposed: null }
  // The optimiser is large: fetched when the first proposal is asked for.
  const { highsSolver } = await import('./highs')
  const solve = await highsSolver()
  return { lights, proposed: propose({ lights, locks, budget, weights: WEIGHTS[kind] }, solve, SECONDS) }
}

self.onmessage = ({ data }: MessageEvent<Question<WholeAsked>>) => {
  void answered(data.value).then(value =>
    self.postMessage({ id: data.id, value } satisfies Answer<WholeAnswer>),
  )
}
