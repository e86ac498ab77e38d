import { useEffect } from 'react'

/** Once the page stands and is of use. */
const AFTER_MILLISECONDS = 2500
/** From this mark on a page loads what it does not need yet. */
export const AT_HAND = 'every-room/at-hand'

/** What is fetched so and has not come yet. */
let awaited = 0

function count(change: 1 | -1): void {
  awaited += change
  document.documentElement.toggleAttribute('data-at-hand', awaited === 0)
}

/** Has parts of a page fetched before they are needed: without a connection they come no more. */
export function useAtHand(fetched: () => Promise<unknown>): void {
  useEffect(() => {
    let isAwaited = true
    const done = () => {
      if (isAwaited) count(-1)
      isAwaited = false
    }
    count(1)
    const timer = window.setTimeout(() => {
      performance.mark(AT_HAND)
      fetched().then(done, done)
    }, AFTER_MILLISECONDS)
    return () => {
      window.clearTimeout(timer)
      done()
    }
  }, [fetched])
}
