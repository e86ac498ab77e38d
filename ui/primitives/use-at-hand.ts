import { useEffect } from 'react'

/** Once the page stands and is of use. */
const AFTER_MILLISECONDS = 2500

/** Has parts of a page fetched before they are needed: without a connection they come no more. */
export function useAtHand(fetched: () => Promise<unknown>): void {
  useEffect(() => {
    const timer = window.setTimeout(() => void fetched().catch(() => undefined), AFTER_MILLISECONDS)
    return () => window.clearTimeout(timer)
  }, [fetched])
}
