import { useEffect, useState } from 'react'
import type { Circuit } from '@/core/model/circuit'
import type { Proof } from '@/core/prove'
import { asker, type Asked } from '@/workers/ask'

const DEADLINE_MILLISECONDS = 10_000

const askProver = asker<Circuit, Proof>(
  () => new Worker(new URL('../../../workers/prover.ts', import.meta.url), { type: 'module' }),
  DEADLINE_MILLISECONDS,
)

/** What the prover says of a circuit; null while it is being gone through. */
export function useProof(circuit: Circuit | null): Asked<Proof> | null {
  const [answer, setAnswer] = useState<{ circuit: Circuit; asked: Asked<Proof> } | null>(null)
  useEffect(() => {
    if (!circuit) return
    let wanted = true
    void askProver(circuit).then(asked => wanted && setAnswer({ circuit, asked }))
    return () => {
      wanted = false
    }
  }, [circuit])
  return answer?.circuit === circuit ? answer.asked : null
}
