'use client'

import { Button } from '@/ui/primitives/button'

/** Shown when a page could not be made: the data is safe, trying again is harmless. */
export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <main className="mx-auto max-w-xl px-4 pt-16">
      <h1 className="text-2xl">The page could not be made</h1>
      <p className="my-3">
        The server or its database did not answer. What you recorded is kept; nothing was lost.
      </p>
      <Button look="main" onClick={reset}>
        Try again
      </Button>
    </main>
  )
}
