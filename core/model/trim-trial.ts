/** What somebody saw of the lamps of a dimmer, one after the other. */
export type TrimSeen =
  | { readonly saw: 'all-steady' }
  /** Flickers or drops out while the level goes down. */
  | { readonly saw: 'fails'; readonly lamp: string }
  | { readonly saw: 'all-start' }
  /** Stays dark when the light is turned off and on. */
  | { readonly saw: 'stays-dark'; readonly lamp: string }

/** A trial of a low end as it was done: on which levels, in whole percent, the lowest first, and what was seen. */
export interface TrimRecord {
  readonly levels: readonly number[]
  readonly seen: readonly TrimSeen[]
}
