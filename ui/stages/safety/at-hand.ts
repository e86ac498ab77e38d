/**
 * What is needed once there is no connection any more is fetched while there is one: whom to ask, how a breaker is kept
 * off, what counts no more, what a step is done with.
 */
export const atHand = (): Promise<unknown> =>
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
    import('../test/make-safe'),
  ])
