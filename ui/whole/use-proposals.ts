import { useCallback, useEffect, useRef, useState } from 'react'
import { PROPOSALS, type LightChoices, type Proposed, type ProposalKind } from '@/core/whole'
import { asker } from '@/workers/ask'
import type { WholeAnswer, WholeAsked } from '@/workers/whole'
import { useJob, useTrade } from '../job/provider'

const DEADLINE_MILLISECONDS = 60_000

const ask = asker<WholeAsked, WholeAnswer>(
  () => new Worker(new URL('../../workers/whole.ts', import.meta.url), { type: 'module' }),
  DEADLINE_MILLISECONDS,
)

export type Proposals = Partial<Record<ProposalKind, Proposed>>

export interface Proposing {
  readonly state: 'idle' | 'running' | 'stopped' | 'failed'
  readonly found: Proposals
}

const NOT_ASKED = { locks: {}, budget: null, kind: null } as const

/** What can stand where, and one proposal after the other; each stands as soon as it is there, all can be stopped. */
export function useProposals() {
  const { record } = useJob()
  const trade = useTrade()
  const [lights, setLights] = useState<readonly LightChoices[] | null>(null)
  const [proposing, setProposing] = useState<Proposing>({ state: 'idle', found: {} })
  const round = useRef(0)
  useEffect(() => {
    let wanted = true
    void ask({ record, trade, ...NOT_ASKED }).then(asked => {
      if (!wanted) return
      if (asked.kind === 'answered') setLights(asked.value.lights)
      else if (asked.kind !== 'stopped') setProposing({ state: 'failed', found: {} })
    })
    return () => {
      wanted = false
    }
  }, [record, trade])
  const start = useCallback(
    async (locks: WholeAsked['locks'], budget: number | null) => {
      const own = ++round.current
      setProposing({ state: 'running', found: {} })
      const found: Proposals = {}
      for (const kind of PROPOSALS) {
        const asked = await ask({ record, trade, kind, locks, budget })
        if (own !== round.current) return
        if (asked.kind !== 'answered') {
          setProposing({ state: asked.kind === 'stopped' ? 'stopped' : 'failed', found: { ...found } })
          return
        }
        if (asked.value.proposed) found[kind] = asked.value.proposed
        setProposing({ state: kind === PROPOSALS.at(-1) ? 'idle' : 'running', found: { ...found } })
      }
    },
    [record, trade],
  )
  return { ...proposing, lights, start, stop: ask.stop }
}
