import { useCallback, useRef, useState } from 'react'
import type { Van } from '@/core/pick'
import { useSay } from '../words/use-say'

type Outcome =
  | { readonly kind: 'applied' | 'stale'; readonly key: string; readonly count: number }
  | { readonly kind: 'refused' }

/** The van as it was counted last: shown at once, put right by what the server says. */
export function useVan(before: Van) {
  const say = useSay()

  const [van, setVan] = useState(before)
  const [trouble, setTrouble] = useState<string | null>(null)
  const [last, setLast] = useState<{ readonly key: string; readonly count: number } | null>(null)
  // One after the other, so that quick presses arrive as they were made.
  const waiting = useRef<Promise<unknown>>(Promise.resolve())
  const set = useCallback((key: string, count: number) => setVan(now => ({ ...now, [key]: count })), [])

  const post = useCallback(
    async (key: string, count: number, based: number): Promise<boolean> => {
      try {
        const answer = await fetch('/api/van', {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ key, count, based }),
        })
        const outcome = (await answer.json()) as Outcome
        if (outcome.kind === 'applied') {
          setTrouble(null)
          return true
        }
        set(key, outcome.kind === 'stale' ? outcome.count : based)
        setTrouble(
          outcome.kind === 'stale'
            ? say`Somebody counted this meanwhile. This is how many there are now; yours was not taken.`
            : say`That cannot be counted.`,
        )
      } catch {
        set(key, based)
        setTrouble(say`The server cannot be reached. The van is as it was; try again.`)
      }
      return false
    },
    [set, say],
  )

  const put = useCallback(
    (key: string, count: number, based: number): Promise<boolean> => {
      set(key, count)
      const done = waiting.current.then(() => post(key, count, based))
      waiting.current = done
      return done
    },
    [post, set],
  )

  const count = useCallback(
    async (key: string, to: number) => {
      const based = van[key] ?? 0
      // At once: who takes back before the server has answered means the press that was last.
      const own = { key, count: based }
      setLast(own)
      if (!(await put(key, to, based))) setLast(now => (now === own ? null : now))
    },
    [put, van],
  )

  const takeBack = useCallback(async () => {
    if (!last) return
    setLast(null)
    if (!(await put(last.key, last.count, van[last.key] ?? 0))) setLast(now => now ?? last)
  }, [put, last, van])

  return { van, trouble, count, last, takeBack }
}
