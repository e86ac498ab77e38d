import { useCallback, useEffect, useRef, useState } from 'react'
import type { Circuit } from '@/core/model/circuit'
import type { Result } from '@/core/model/result'
import type { Proof } from '@/core/prove'
import type { Shown, Test } from '@/core/read'
import type { Action, Seen } from '@/core/trial'
import { asker, type Asked } from '@/workers/ask'
import type { TrialAnswer, TrialQuestion } from '@/workers/trial'

const DEADLINE_MILLISECONDS = 10_000

const ask = asker<TrialQuestion, TrialAnswer>(
  () => new Worker(new URL('../../workers/trial.ts', import.meta.url), { type: 'module' }),
  DEADLINE_MILLISECONDS,
)

interface Known {
  readonly circuit: Circuit
  readonly seen: Seen | null
  readonly shown: Result<Shown> | null
  readonly proof: Proof | null
  readonly failed: boolean
}

const fresh = (circuit: Circuit): Known => ({ circuit, seen: null, shown: null, proof: null, failed: false })

/** A circuit in the worker’s hands: how it stands, what the tester shows, what the prover found. */
export function useTrial(circuit: Circuit) {
  const [known, setKnown] = useState<Known>(() => fresh(circuit))
  const [round, setRound] = useState(0)
  const test = useRef<Test | null>(null)
  const merge = useCallback(
    (of: Circuit, part: Partial<Known>) =>
      setKnown(before => ({ ...(before.circuit === of ? before : fresh(of)), ...part })),
    [],
  )
  const take = useCallback(
    (asked: Asked<TrialAnswer>) => {
      if (asked.kind !== 'answered' || asked.value.kind === 'nothing-begun')
        return merge(circuit, { failed: true })
      const answer = asked.value
      switch (answer.kind) {
        case 'seen':
          return merge(circuit, { seen: answer.seen, shown: answer.shown, failed: false })
        case 'shown':
          return merge(circuit, { shown: answer.shown })
        case 'proof':
          return merge(circuit, { proof: answer.proof })
      }
    },
    [circuit, merge],
  )
  const put = useCallback((question: TrialQuestion) => ask(question).then(take), [take])
  useEffect(() => {
    test.current = null
    void ask({ kind: 'begin', circuit })
      .then(take)
      .then(() => ask({ kind: 'prove' }))
      .then(take)
  }, [circuit, take, round])

  const act = useCallback((...actions: Action[]) => put({ kind: 'act', actions, touch: test.current }), [put])
  const touch = useCallback(
    (next: Test | null) => {
      test.current = next
      if (next) return put({ kind: 'touch', test: next })
      merge(circuit, { shown: null })
      return Promise.resolve()
    },
    [circuit, merge, put],
  )
  const now = known.circuit === circuit ? known : fresh(circuit)
  return { ...now, act, touch, beginAgain: () => setRound(round + 1) }
}
