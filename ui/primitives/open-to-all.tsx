'use client'

import { useSay } from '../words/use-say'
import './nonce'

/** Said on every page while it is served to more than this machine. */
export function OpenToAll() {
  const say = useSay()
  return (
    <p role="note" className="hazard px-4 py-2 text-sm font-semibold print:hidden">
      {say`Everyone on this network can read and change every job here: there are no accounts yet.`}
    </p>
  )
}
