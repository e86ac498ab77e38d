import { useEffect } from 'react'

/** Once the page stands and is of use. */
const AFTER_MILLISECONDS = 2500
/** From this mark on a page loads what it does not need yet. */
export const AT_HAND = 'every-room/at-hand'

/** Has parts of a page fetched before they are needed: without a connection they come no more. */
export function useAtHand(fetched: () => Promise<unknown>): void {
  useEffect(() => {
    const timer = window.setTimeout(() => {
      performance.mark(AT_HAND)
      void fetched().catch(() => undefined)
    }, AFTER_MILLISECONDS)
    return () => window.clearTimeout(timer)
  }, [fetched])
}
