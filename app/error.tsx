'use client'

import { useSay } from '@/ui/words/use-say'

/** Shown when a page could not be made: the data is safe, trying again is harmless. */
export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  const say = useSay()
  return (
    <main className="mx-auto max-w-xl px-4 pt-16">
      <h1 className="text-2xl">{say`The page could not be made`}</h1>
      <p className="my-3">{say`The server or its database did not answer. What you recorded is kept; nothing was lost.`}</p>
      <button
        type="button"
        className="min-h-11 font-semibold underline"
        onClick={reset}
      >{say`Try again`}</button>
    </main>
  )
}
