import { useEffect } from 'react'

/** Once the page stands and is of use. */
const AFTER_MILLISECONDS = 2500

/**
 * What is needed once there is no connection any more is fetched while there is one: whom to ask, how a breaker is kept
 * off, what counts no more, what a step is done with.
 */
const needed = (): Promise<unknown> =>
  Promise.allSettled([
    import('./ask-aloud'),
    import('./meanwhile-on'),
    import('./lock-off'),
    import('./locks-on'),
    import('./readers-only'),
    import('./keep-off'),
    import('./reads-live'),
    import('./put-back'),
    import('./before-on'),
    import('./dead-row'),
    import('../test/amps-field'),
    import('../../job/notices'),
  ])

/** Has parts of a page fetched before they are needed, by what imports them. */
export function useAtHand(fetched: () => Promise<unknown> = needed): void {
  useEffect(() => {
    const timer = window.setTimeout(() => void fetched(), AFTER_MILLISECONDS)
    return () => window.clearTimeout(timer)
  }, [fetched])
}
