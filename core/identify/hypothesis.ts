/**
 * One whole circuit that would look like what was seen: what each conductor end is joined to beyond its
 * box. The boxes themselves are the same in all of them.
 */
export interface Hypothesis {
  /** Node that each end is joined to, or −1 where it leads nowhere. */
  readonly beyond: Int16Array
  /** How many circuits feed it. */
  readonly sources: number
  readonly lamps: readonly HypothesisLamp[]
  readonly onward: number
  /** How usual it is, by colours, counts and where cables were taken to go; never 0. */
  readonly weight: number
}

/** A cable to lamps: which light it serves, and the node its current returns by. */
export interface HypothesisLamp {
  readonly light: number
  readonly back: number
}
