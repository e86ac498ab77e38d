import { useCallback, useEffect, useState } from 'react'
import { fetchEarly, unpacked } from './early'

const AGAIN_MILLISECONDS = 2000

export interface Served<Value> {
  /** Null until it is here. */
  readonly value: Value | null
  /** It did not come; it is asked for again by itself. */
  readonly away: boolean
  /** Asks again, now. */
  again(): void
}

/** Data of a page, asked for until it is here. */
export function useServed<Value>(path: string): Served<Value> {
  const [value, setValue] = useState<Value | null>(null)
  const [away, setAway] = useState(false)
  const [asked, setAsked] = useState(0)
  useEffect(() => {
    let wanted = true
    let timer: number | undefined
    const ask = async () => {
      try {
        const answer = await fetchEarly(path)
        if (!answer.ok) throw new Error(`the server answered ${answer.status}`)
        const found = (await unpacked(answer)) as Value
        if (!wanted) return
        setValue(found)
        setAway(false)
      } catch {
        if (!wanted) return
        setAway(true)
        timer = window.setTimeout(ask, AGAIN_MILLISECONDS)
      }
    }
    void ask()
    return () => {
      wanted = false
      window.clearTimeout(timer)
    }
  }, [path, asked])
  const again = useCallback(() => setAsked(times => times + 1), [])
  return { value, away, again }
}
