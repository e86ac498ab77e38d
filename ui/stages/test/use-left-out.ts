import { useCallback, useState } from 'react'
import { useSay } from '../../words/use-say'

/** A question that is not asked now. */
interface LeftOut {
  readonly key: string
  /** Asked again once so many readings were taken; null: only when somebody says so. */
  readonly until: number | null
}

/** What was left out at one box; kept while the tab is open, so that a page loaded again does not ask anew. */
export function useLeftOut(of: string) {
  const say = useSay()

  const name = say`left out ${of}`
  const [leftOut, setLeftOut] = useState<readonly LeftOut[]>(() => kept(name))
  const change = useCallback(
    (by: (before: readonly LeftOut[]) => readonly LeftOut[]) =>
      setLeftOut(before => {
        const after = by(before)
        keep(name, after)
        return after
      }),
    [name],
  )
  return [leftOut, change] as const
}

function kept(name: string): readonly LeftOut[] {
  if (typeof sessionStorage === 'undefined') return []
  try {
    const found: unknown = JSON.parse(sessionStorage.getItem(name) ?? '[]')
    return Array.isArray(found) ? (found as LeftOut[]) : []
  } catch {
    return []
  }
}

function keep(name: string, leftOut: readonly LeftOut[]) {
  try {
    sessionStorage.setItem(name, JSON.stringify(leftOut))
  } catch {
    // A browser that keeps nothing asks anew: no harm.
  }
}
