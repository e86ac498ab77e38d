import { useState } from 'react'

/** At most two by their ids; a third takes the place of the first. */
export function useSides() {
  const [ids, setIds] = useState<readonly string[]>([])
  const toggle = (id: string) =>
    setIds(before => (before.includes(id) ? before.filter(each => each !== id) : [...before, id].slice(-2)))
  return { ids, toggle, close: () => setIds([]) }
}
