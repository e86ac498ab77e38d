'use client'

import { Away } from '@/ui/primitives/away'

/** Shown when a page could not be made. */
export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return <Away again={reset} />
}
