import { useRef, useState } from 'react'
import type { LampChange, LampEntry, LampFigures } from '@/core/model/lamps'
import { useSay } from '../words/use-say'

type Outcome =
  | { readonly kind: 'applied' | 'stale'; readonly entry: LampEntry }
  | {
      readonly kind: 'refused'
      readonly faults: readonly { readonly path: string; readonly message: string }[]
    }

/** Other figures for a kind; null for those it came with. */
type Over = Partial<LampFigures> | null

const figuresNow = ({ fact }: LampEntry): LampFigures => ({
  words: fact.words,
  rating: fact.rating,
  powerFactorIfNotPrinted: fact.powerFactorIfNotPrinted,
  offLimitMilliamps: fact.offLimitMilliamps,
  dimming: fact.dimming,
})

/** The lamp kinds as they are reckoned with; each change stands once the server has it, the last can be taken back. */
export function useLamps(initial: readonly LampEntry[]) {
  const say = useSay()

  const [entries, setEntries] = useState(initial)
  const [trouble, setTrouble] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const [last, setLast] = useState<Pick<LampChange, 'kind' | 'figures'> | null>(null)
  const now = useRef(initial)
  const turn = useRef(Promise.resolve())

  const take = (entry: LampEntry) => {
    now.current = now.current.map(each => (each.kind === entry.kind ? entry : each))
    setEntries(now.current)
  }

  const send = async (kind: LampEntry['kind'], over: Over): Promise<void> => {
    const before = now.current.find(each => each.kind === kind)!
    const figures = over && { ...figuresNow(before), ...over }
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
      take(outcome.entry)
      setTrouble(
        outcome.kind === 'stale'
          ? say`Somebody changed this kind meanwhile. So it is now; yours was not taken.`
          : null,
      )
      setLast(outcome.kind === 'stale' ? null : { kind, figures: before.changed ? figuresNow(before) : null })
    } catch {
      setTrouble(say`The server cannot be reached. Nothing was changed; try again.`)
    } finally {
      setBusy(false)
    }
  }
  /** One after the other, each over what the one before it left: what is pressed meanwhile waits its turn. */
  const put = (kind: LampEntry['kind'], over: Over): Promise<void> => {
    turn.current = turn.current.then(() => send(kind, over))
    return turn.current
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
