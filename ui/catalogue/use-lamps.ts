import { useState } from 'react'
import type { LampChange, LampEntry, LampFigures } from '@/core/model/lamps'

type Outcome =
  | { readonly kind: 'applied' | 'stale'; readonly entry: LampEntry }
  | {
      readonly kind: 'refused'
      readonly faults: readonly { readonly path: string; readonly message: string }[]
    }

const figuresOf = ({ changed, fact }: LampEntry): LampFigures | null =>
  changed
    ? {
        words: fact.words,
        rating: fact.rating,
        powerFactorIfNotPrinted: fact.powerFactorIfNotPrinted,
        offLimitMilliamps: fact.offLimitMilliamps,
        dimming: fact.dimming,
      }
    : null

/** The lamp kinds as they are reckoned with; each change stands once the server has it, the last can be taken back. */
export function useLamps(initial: readonly LampEntry[]) {
  const [entries, setEntries] = useState(initial)
  const [trouble, setTrouble] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const [last, setLast] = useState<Pick<LampChange, 'kind' | 'figures'> | null>(null)

  const put = async (kind: LampEntry['kind'], figures: LampFigures | null): Promise<void> => {
    const before = entries.find(each => each.kind === kind)!
    setBusy(true)
    try {
      const answer = await fetch('/api/lamps', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ kind, figures, based: before.version } satisfies LampChange),
      })
      const outcome = (await answer.json()) as Outcome
      if (outcome.kind === 'refused') {
        setTrouble(outcome.faults.map(({ path, message }) => `${path} ${message}`).join('; '))
        return
      }
      setEntries(now => now.map(each => (each.kind === kind ? outcome.entry : each)))
      setTrouble(
        outcome.kind === 'stale'
          ? 'Somebody changed this kind meanwhile. So it is now; yours was not taken.'
          : null,
      )
      setLast(outcome.kind === 'stale' ? null : { kind, figures: figuresOf(before) })
    } catch {
      setTrouble('The server cannot be reached. Nothing was changed; try again.')
    } finally {
      setBusy(false)
    }
  }
  return {
    entries,
    trouble,
    busy,
    last,
    put,
    takeBack: () => (last ? put(last.kind, last.figures) : Promise.resolve()),
  }
}
