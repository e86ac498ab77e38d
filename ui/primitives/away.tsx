'use client'

import { useSay } from '../words/use-say'

/** Shown while what a page is about does not come: what is kept is safe, trying again is harmless. */
export function Away({ again }: { again: () => void }) {
  const say = useSay()
  return (
    <main id="main" role="alert" className="mx-auto max-w-xl px-4 pt-16">
      <h1 className="text-2xl">{say`The page could not be made`}</h1>
      <p className="my-3">{say`The server or its database did not answer. What you recorded is kept; nothing was lost.`}</p>
      <button
        type="button"
        className="min-h-11 font-semibold underline"
        onClick={again}
      >{say`Try again`}</button>
    </main>
  )
}
