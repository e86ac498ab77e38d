'use client'

import { useSay } from '../words/use-say'
import { isOpenToAll } from '../browser/served-with'
import { useRunning } from '../browser/use-running'

/** Said on every page while it is served to more than this machine. */
export function OpenToAll() {
  const say = useSay()

  const running = useRunning()
  if (!running || !isOpenToAll) return null
  return (
    <p role="note" className="hazard px-4 py-2 text-sm font-semibold print:hidden">
      {say`Everyone on this network can read and change every job here: there are no accounts yet.`}
    </p>
  )
}
